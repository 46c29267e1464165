import type { Absence, Generator, GeneratorPart, Household, OtherSource } from '../document/types.ts'
import { HOURS } from '../calendar/calendar.ts'
import {
  estimates,
  choice,
  flag,
  key,
  named,
  number,
  numbers,
  part,
  rows,
  share,
  since,
  weekdays,
  whole,
  type Before,
  type FieldTable,
} from './field.ts'
import { COUNTS } from './limits.ts'
import { amount, celsius } from '../units/say.ts'
import { say } from '../units/words.ts'

export const GENERATOR_PART: FieldTable<GeneratorPart> = {
  id: key('Key', 'Of the part on the shelf.'),
  name: named('Name', 'What the data sheet calls the set.'),
  fuel: choice(
    'Fuel',
    [
      { value: 'petrol', label: 'petrol' },
      { value: 'propane', label: 'propane' },
      { value: 'natural-gas', label: 'natural gas' },
      { value: 'diesel', label: 'diesel' },
    ],
    'Propane takes a tenth of the power, natural gas a fifth; propane and diesel store for years.',
  ),
  ratedW: number(
    'Rating, sea level',
    'W',
    100,
    1000000,
    say`Continuous watts at sea level and ${celsius(25)}; not the surge on the box.`,
    { step: 100 },
  ),
  ratedOn: choice(
    'Rated on',
    [
      { value: 'petrol', label: 'petrol' },
      { value: 'own', label: 'the fuel it is used with' },
    ],
    'What the rating on the label holds for. A set rated on petrol gives less on gas; one whose label names its watts on propane is not reduced again.',
    since(6, 'petrol'),
  ),
  output: choice(
    'Its outlet gives',
    [
      { value: 'unknown', label: 'nobody has looked' },
      { value: 'single', label: '120 or 230 V' },
      { value: 'split', label: '120/240 or 230 V' },
      { value: 'three-phase', label: 'three phases' },
    ],
    'By the plate of its outlet: one voltage, 120 V or 230 V; or what a house has, 120/240 V or 230 V. Small sets where houses have 120/240 V give 120 V alone, which a split-phase inverter does not take.',
    since(12, 'unknown'),
  ),
  frequencyHz: choice<GeneratorPart['frequencyHz']>(
    'Frequency of the set',
    [
      { value: 'unknown', label: 'not known' },
      { value: 50, label: '50 Hz' },
      { value: 60, label: '60 Hz' },
    ],
    'By its plate. An inverter made for 60 Hz mostly refuses a set of 50 and the other way round; one that lets it through brings it to every motor and clock.',
    since(13, 'unknown'),
  ),
  price: number('Price', 'money', 0, 1e7, 'As quoted.', { step: 10 }),
  estimated: estimates(),
}

/** The class of the bank, as near as an older document tells it. */
const startVBefore3: Before = (_, { bank }) => {
  const systemV = typeof bank === 'object' && bank !== null ? (bank as { systemV?: unknown }).systemV : undefined
  return typeof systemV === 'number' ? systemV : 48
}

export const GENERATOR: FieldTable<Generator> = {
  present: flag('a backup', 'Whether anything backs the sun up.'),
  kind: choice(
    'Backup',
    [
      { value: 'generator', label: 'a generator' },
      { value: 'shore', label: 'shore or grid power' },
      { value: 'vehicle', label: 'a vehicle, now and then' },
    ],
    'What backs the sun up.',
    since(3, 'generator'),
  ),
  part: part('Set', GENERATOR_PART, 'The generator.'),
  neutral: choice(
    'Its neutral',
    [
      { value: 'unknown', label: 'nobody has looked' },
      { value: 'floating', label: 'floats' },
      { value: 'bonded', label: 'is joined to its frame' },
    ],
    'Inside of the set, as its manual says or a meter tells between neutral and frame. A second bond sends current through frames.',
    since(9, 'unknown'),
  ),
  adapted: flag(
    'it is brought to what the inverter takes',
    'By a step-up transformer between, a selector that gives all its power on one voltage, or an inverter whose manual takes its volts and hertz as they are.',
    since(12, false),
  ),
  startBy: choice(
    'Starts',
    [
      { value: 'charge', label: 'by state of charge' },
      { value: 'voltage', label: 'by voltage, held low' },
      { value: 'morning', label: 'by hand in the morning' },
    ],
    'A battery monitor starts it by charge, an inverter by voltage held low, a person by a look in the morning.',
    since(3, 'charge'),
  ),
  startStateOfCharge: share('Starts at a charge of', 'Lead 0.5 and above, lithium 0.2 to 0.4.', { step: 5 }),
  startV: number('Starts below, under load', 'V', 8, 66, 'Bank voltage under load that starts it, if it is held.', {
    step: 0.2,
    since: since(3, startVBefore3),
  }),
  startWhenEmpty: flag(
    'also when the bank can give no more',
    'Inverters start it by themselves before they let go of the loads, in quiet hours too. Without it a start level that lies below what a cold bank can give is never reached.',
    since(4, true),
  ),
  holdMin: number(
    'Voltage low for',
    'min',
    0,
    720,
    'So long the voltage must stay low, so that a starting pump does not start it.',
    { step: 15, since: since(3, 15) },
  ),
  morningH: whole('Looked at daily at', 'h', 0, 23, 'Hour of the day at which somebody looks at the monitor.', {
    since: since(3, 8),
  }),
  stopStateOfCharge: share(
    'Stops at a charge of',
    'Lithium 0.8 to 0.9: the last part charges slowly. Lead to the top now and then.',
    { step: 5 },
  ),
  minRunH: number('Shortest run', 'h', 0, 48, 'Short runs wear an engine; one hour warms it through.', { step: 0.5 }),
  maxRunH: number('Longest run', 'h', 0.5, 240, 'A tank, or patience.', { step: 0.5 }),
  restDays: number(
    'Days between runs',
    'd',
    0,
    90,
    'Least days between the starts of two runs; 0 for as often as needed.',
    { since: since(3, 0) },
  ),
  warmUpMin: number('Warm-up', 'min', 0, 60, 'Before it carries load, 2 to 5.', { since: since(3, 0) }),
  quietFromH: whole('No starts from', 'h', 0, 23, 'Hour of the day; the same hour twice means none.'),
  quietToH: whole('No starts until', 'h', 0, 23, 'Hour of the day.'),
  fullChargeEveryDays: number('Full charge every', 'd', 1, 365, 'Lead wants to be full every one to three weeks.', {
    empty: 'never',
  }),
  exerciseEveryDays: number(
    'Exercise every',
    'd',
    1,
    365,
    'A set that stands still for a month does not start when it must.',
    { empty: 'never', since: since(3, null) },
  ),
  exerciseMin: number('Exercise lasts', 'min', 1, 60, 'Warm, and with a load.', { step: 5, since: since(3, 20) }),
  equaliseEveryDays: number(
    'Equalise every',
    'd',
    7,
    730,
    'Flooded lead, every one to six months, vented; the maker’s manual says how.',
    { empty: 'never', since: since(3, null) },
  ),
  equaliseH: number('Equalising lasts', 'h', 0.5, 24, 'Until the density no longer rises, two to four hours.', {
    step: 0.5,
    since: since(3, 3),
  }),
  charger: choice(
    'Charger',
    [
      { value: 'inverter', label: 'the inverter’s, house passed on' },
      { value: 'separate', label: 'one of its own, bank only' },
    ],
    'What turns its power into charge.',
    since(3, 'inverter'),
  ),
  separateChargerA: number('Charger’s current', 'A', 0.5, 2000, 'What the separate charger gives the bank.', {
    since: since(3, 40),
  }),
  separateChargerEfficiency: share('Charger’s efficiency', 'What reaches the bank of what it draws, 0.8 to 0.92.', {
    min: 0.3,
    max: 0.999,
    since: since(3, 0.85),
  }),
  chargeLimitA: number(
    'Charger set to',
    'A',
    1,
    4000,
    'Current it is turned down to, so that the set is not overloaded.',
    { empty: 'all it has', step: 5, since: since(3, null) },
  ),
  loadShareLimit: share(
    'Planned load, at most',
    'Of its de-rated power: 0.5 to 0.8 is where engines last and burn least for what they give.',
    { min: 0.1, step: 5 },
  ),
  fuelPricePerL: number('Fuel price', 'money/L', 0, 1000, 'Delivered to the place.', { step: 0.05 }),
  oilEveryH: number(
    'Oil change every',
    'h',
    5,
    5000,
    'Hours between oil changes: 50 to 100 for air-cooled, 200 to 250 for diesel.',
    { step: 10, since: since(3, 100) },
  ),
  fuelTripDays: number('Days between fuel trips', 'd', 1, 365, 'Longest time the road can be closed.', {
    since: since(3, 30),
  }),
  tankL: number(
    'Fuel stored',
    'L',
    0,
    100000,
    'All that can be stored on site; mind what the code and the insurance allow.',
    { empty: 'not known', step: 10, since: since(3, null) },
  ),
  cordA: number('Cord rating', 'A', 1, 400, 'Rating of the cord and its breaker.', { since: since(3, 15) }),
  cordV: number('Cord voltage', 'V', 90, 480, 'What the outlet gives: 120, 230 or 240 V.', { since: since(3, 120) }),
  pricePerKWh: number('Energy price', 'money/kWh', 0, 1000, 'What a kilowatt-hour from the cord costs.', {
    step: 0.05,
    since: since(3, 0.2),
  }),
  vehicleA: number('Current into the bank', 'A', 1, 1000, 'What the alternator, or the charger behind it, gives.', {
    since: since(3, 50),
  }),
  vehicleLPerH: number('Fuel while it idles', 'L/h', 0, 50, say`About ${amount(1, 'L/h')} to ${amount(2, 'L/h')}.`, {
    step: 0.1,
    since: since(3, 1.2),
  }),
}

/** More than any source of a homestead. */
const MOST_SOURCE_W = 200000

export const SOURCE: FieldTable<OtherSource> = {
  id: key('Key', 'By which it is found.'),
  name: named('Source name', 'What you call it.'),
  kind: choice(
    'Kind of source',
    [
      { value: 'stream', label: 'stream turbine' },
      { value: 'wind', label: 'wind turbine' },
      { value: 'other', label: 'something else' },
    ],
    'What makes the power.',
  ),
  side: choice(
    'Feeds',
    [
      { value: 'dc', label: 'the bank (DC)' },
      { value: 'ac', label: 'the house (AC)' },
    ],
    'Which side of the inverter it is on.',
  ),
  surplus: choice(
    'What a full bank does not take',
    [
      { value: 'none', label: 'has nowhere to go' },
      { value: 'dump-load', label: 'goes into a dump load' },
      { value: 'brake', label: 'is not made: a brake holds the machine' },
    ],
    'A turbine that loses its load runs away and drives the bank over its voltage. A dump load burns what is over, a brake or an electronic stop holds the machine.',
    since(4, 'none'),
  ),
  wattsByMonth: numbers(
    'Watts by month and hour',
    'W',
    0,
    MOST_SOURCE_W,
    { rows: 12, count: 24 },
    'Mean watts of each hour of the day in each month.',
  ),
  hourlyW: numbers(
    'Watts of the hours of a year',
    'W',
    0,
    MOST_SOURCE_W,
    { count: HOURS, empty: 'the months rule' },
    'From 1 January on; they rule where they are given.',
  ),
  price: number('Price', 'money', 0, 1e7, 'Of all of it, built.', { step: 10 }),
}

const ABSENCE: FieldTable<Absence> = {
  fromMonth: whole('Away from, month', '', 1, 12, 'First month.'),
  fromDay: whole('Away from, day', '', 1, 31, 'First day.'),
  toMonth: whole('Away to, month', '', 1, 12, 'Last month.'),
  toDay: whole('Away to, day', '', 1, 31, 'Last day.'),
}

export const HOUSEHOLD: FieldTable<Household> = {
  away: rows(
    'Away',
    ABSENCE,
    { most: COUNTS.absences },
    'Stretches of the year in which nobody is at home.',
    since(3, []),
  ),
  weekdays: weekdays(
    'At home on',
    'every day',
    'A cabin for weekends: on the other days only what goes on while away is used, and nobody starts anything by hand.',
  ),
  shedCanWaitBelow: share(
    'What can wait goes off below',
    'State of charge of the warm bank; a cold one counts by what it has left. Somebody, or a relay, switches it.',
    {
      empty: 'only when the bank is at its cut-out',
      step: 5,
      since: since(3, null),
    },
  ),
  shedShouldBelow: share('What should run goes off below', 'State of charge, not above the other one.', {
    empty: 'only when the bank is at its cut-out',
    step: 5,
    since: since(3, null),
  }),
}
