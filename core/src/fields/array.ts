import type { ArrayField, Controller, ControllerPart, ModulePart, TiltSeason } from '../document/types.ts'
import {
  estimates,
  choice,
  flag,
  key,
  named,
  number,
  part,
  rows,
  share,
  since,
  whole,
  type FieldTable,
} from './field.ts'
import { COUNTS } from './limits.ts'
import { amount, celsius } from '../units/say.ts'
import { say } from '../units/words.ts'

export const MODULE: FieldTable<ModulePart> = {
  id: key('Key', 'Of the part on the shelf.'),
  name: named('Name', 'What the data sheet calls the module.'),
  ratedW: number('Rated', 'W', 1, 2000, say`Watts at standard test conditions: 1000 W/m², cells at ${celsius(25)}.`, {
    step: 5,
  }),
  vocV: number(
    'Voc',
    'V',
    1,
    300,
    'Open-circuit voltage at standard test conditions. It decides what a cold morning does to a controller.',
    { step: 0.1 },
  ),
  iscA: number('Isc', 'A', 0.1, 60, 'Short-circuit current at standard test conditions.', { step: 0.1 }),
  vmpV: number('Vmp', 'V', 1, 300, 'Voltage at the power point, about 0.8 of Voc.', { step: 0.1 }),
  impA: number('Imp', 'A', 0.1, 60, 'Current at the power point, about 0.95 of Isc.', { step: 0.1 }),
  betaVocPctPerK: number(
    'β of Voc',
    '%/K',
    -1,
    -0.01,
    'How Voc falls with heat, always below zero: −0.25 to −0.35. A sheet in mV/K is divided by Voc.',
    { step: 0.01 },
  ),
  alphaIscPctPerK: number('α of Isc', '%/K', -0.5, 0.5, 'How Isc grows with heat, about 0.05.', { step: 0.01 }),
  gammaPctPerK: number('γ of power', '%/K', -1, -0.01, 'How power falls with heat, −0.3 to −0.45.', { step: 0.01 }),
  cells: whole('Cells', '', 1, 400, 'Cells, or half-cells, as the sheet counts them.'),
  noctC: number(
    'NOCT',
    '°C',
    20,
    80,
    say`Cell temperature at 800 W/m², ${celsius(20)} and ${amount(1, 'm/s')}, ${celsius(43)} to ${celsius(47)}.`,
    {
      since: since(2, 45),
    },
  ),
  seriesFuseA: number('Series fuse', 'A', 1, 100, 'Largest fuse the module may stand behind, on its label.'),
  maxSystemV: number(
    'System voltage, at most',
    'V',
    10,
    2000,
    'Volts of a string its insulation is made for, on its label: 600, 1000 or 1500.',
    { empty: 'its label names none', step: 100, since: since(11, null) },
  ),
  lengthM: number('Length', 'm', 0.1, 5, 'Of the frame.', { step: 0.01 }),
  widthM: number('Width', 'm', 0.1, 5, 'Of the frame.', { step: 0.01 }),
  weightKg: number('Weight', 'kg', 0, 200, 'Of one module.'),
  price: number('Price', 'money', 0, 1e7, 'Of one module, as quoted.', { step: 5 }),
  estimated: estimates(),
}

const TILT_SEASON: FieldTable<TiltSeason> = {
  month: whole('Month', '', 1, 12, 'From this month’s day on it stands so.'),
  day: whole('Day', '', 1, 31, 'Day of the month.'),
  tiltDeg: number('Tilt', '°', 0, 90, 'From level, until the next one’s day.'),
}

const lossFrom = (label: string, help: string) => share(label, help, { max: 0.9, step: 0.5 })

export const ARRAY_FIELD: FieldTable<ArrayField> = {
  id: key('Key', 'By which other parts of the design name it.'),
  name: named('Array name', 'What you call it.'),
  module: part('Module', MODULE, 'The module it is made of.'),
  inSeries: whole(
    'In series',
    '',
    1,
    COUNTS.modulesInSeries,
    'Modules of one string. Cold Voc of the string must stay below what destroys the controller.',
  ),
  inParallel: whole(
    'Strings',
    '',
    1,
    COUNTS.stringsOfArray,
    'Strings side by side. From three on each needs its own fuse.',
  ),
  controllerId: key('Controller', 'The charge controller it is wired to.'),
  tracker: whole('Tracker input', '', 1, 8, 'Which of the controller’s trackers it is on.', { since: since(2, 1) }),
  tiltDeg: number('Tilt', '°', 0, 90, 'From level. Latitude plus 15° favours winter, 60° and more sheds snow.'),
  azimuthDeg: number('Faces', '°', 0, 360, 'Compass bearing from true north: 180 is south.'),
  tiltSeasons: rows(
    'Seasons of tilt',
    TILT_SEASON,
    { most: COUNTS.tiltSeasons },
    'Other tilts from certain days on, moved by hand.',
    since(2, []),
  ),
  tracking: choice(
    'Fixed or tracking',
    [
      { value: 'fixed', label: 'fixed' },
      { value: 'single-axis', label: 'turning, N–S axis' },
    ],
    'Fixed, or turning about a level north–south axis through the day.',
    since(2, 'fixed'),
  ),
  mounting: choice(
    'Mounting',
    [
      { value: 'open-rack', label: 'open rack' },
      { value: 'roof-parallel', label: 'close to a roof' },
    ],
    'Modules close to a roof run hotter: less power, lower voltage.',
  ),
  orientation: choice(
    'Module orientation',
    [
      { value: 'portrait', label: 'portrait' },
      { value: 'landscape', label: 'landscape' },
    ],
    'Long side up the slope, or across it. Snow that slides off uncovers a module across the slope in thirds, one up the slope in halves where its cells are cut in two, else all at once.',
    since(5, 'portrait'),
  ),
  site: choice(
    'Stands on',
    [
      { value: 'ground', label: 'ground' },
      { value: 'roof', label: 'roof' },
    ],
    'A roof sets its own spacing of rows and asks for rapid shut-down in many codes.',
    since(2, 'ground'),
  ),
  horizonShare: share(
    'Horizon that shades it',
    'How much of the place’s horizon stands in the way of this array, 100 % all of it.',
    { step: 10, since: since(2, 1) },
  ),
  soilingLoss: lossFrom('Soiling loss', 'Lost to dust and leaves, 2 to 5 %.'),
  mismatchLoss: lossFrom('Mismatch loss', 'Lost because modules differ, 1 to 2 %.'),
  lightInducedLoss: lossFrom(
    'First-year loss',
    'What modules lose in their first weeks in the light, 1 to 2 %; 0 where the sheet promises none.',
  ),
  wiringLoss: share(
    'Wiring loss',
    'Lost in the cables to the controller; left empty, what they lose as the wiring step has them.',
    {
      max: 0.9,
      step: 0.5,
      empty: 'as it is wired',
    },
  ),
  ageYears: number('Age of the modules', 'years', 0, 60, 'Modules lose about half a per cent a year.'),
  breakerV: number(
    'Breaker and switch rating',
    'V',
    10,
    2000,
    'Direct-current volts that the breaker, switch and fuses of this array are made to break. They meet the coldest dawn’s voltage, as the controller does.',
    { empty: 'not chosen yet', step: 50, since: since(6, null) },
  ),
  footSpacingM: number(
    'Feet apart, at most',
    'm',
    0.3,
    5,
    'Along a rail, by the rack maker’s span table for the snow and wind of the place.',
    { step: 0.1, since: since(7, 1.2) },
  ),
  midClamps: whole('Clamps between modules', '', 0, 20000, 'Two at each joint of two rails, unless you have counted.', {
    empty: 'as the layout takes',
    since: since(7, null),
  }),
  endClamps: whole('Clamps at the ends', '', 0, 20000, 'Four a row of two rails, unless you have counted.', {
    empty: 'as the layout takes',
    since: since(7, null),
  }),
}

/** Classes of banks as data sheets of controllers name them. */
const BANKS = [
  { value: 12, label: '12 V' },
  { value: 24, label: '24 V' },
  { value: 48, label: '48 V' },
] as const

export const CONTROLLER: FieldTable<ControllerPart> = {
  id: key('Key', 'Of the part on the shelf.'),
  name: named('Name', 'What the data sheet calls the controller.'),
  kind: choice(
    'Kind',
    [
      { value: 'tracker', label: 'tracks' },
      { value: 'pulse-width', label: 'pulse-width' },
      { value: 'ac-coupled', label: 'feeds the AC side' },
    ],
    'Finds the power point; or only joins array and bank; or is an inverter of the array’s own on the AC side.',
    since(2, 'tracker'),
  ),
  trackers: whole('Trackers', '', 1, 8, 'Inputs with a power point of their own.', { since: since(2, 1) }),
  startV: number(
    'Starts from',
    'V',
    0,
    2000,
    'Volts an array must reach before charging starts; bank voltage plus some on many.',
    { since: since(2, 0) },
  ),
  maxInputV: number(
    'Destroyed above',
    'V',
    5,
    2000,
    'Highest input voltage it survives, at any temperature. The hardest limit of the design.',
  ),
  minTrackV: number('Tracks from', 'V', 0, 2000, 'Lowest voltage at which it finds the power point.'),
  maxTrackV: number('Tracks up to', 'V', 1, 2000, 'Highest voltage at which it finds the power point.'),
  aboveBankV: number(
    'Volts above the bank',
    'V',
    0,
    100,
    'Volts it needs over the voltage the bank is charged at, 1 to 5; 0 where it can also raise the voltage.',
    { step: 0.5, since: since(6, 5) },
  ),
  startAboveBankV: number(
    'Volts above it to start',
    'V',
    0,
    100,
    'Volts over the bank’s charging voltage that it wants before it starts in the morning, about 5 on many; 0 where only “Starts from” counts.',
    { step: 0.5, since: since(6, 0) },
  ),
  maxInputA: number(
    'Short circuit, at most',
    'A',
    0.1,
    1000,
    'Short-circuit current that each of its trackers survives. More can destroy it.',
  ),
  maxOperatingA: number(
    'Operating, at most',
    'A',
    0.1,
    1000,
    'Operating current each of its trackers takes. What the strings make beyond it is clipped, harmlessly.',
    { empty: 'only its short-circuit limit is stated', since: since(6, null) },
  ),
  maxTrackerW: number('Array on a tracker', 'W', 1, 200000, 'Array watts the maker allows on one of its trackers.', {
    empty: 'its maker states none',
    step: 100,
    since: since(6, null),
  }),
  maxArrayW: number('Array in all', 'W', 1, 500000, 'Array watts the maker allows on the whole unit.', {
    empty: 'its maker states none',
    step: 100,
    since: since(6, null),
  }),
  outputA: number('Output', 'A', 0.1, 1000, 'Charging current into the bank, at most.'),
  leastBankV: choice<ControllerPart['leastBankV']>(
    'Charges banks from',
    BANKS,
    'The smallest bank it is made for; some of high input voltage charge 48 V only.',
    since(11, 12),
  ),
  mostBankV: choice<ControllerPart['mostBankV']>(
    'Charges banks up to',
    BANKS,
    'The largest bank it is made for; many small ones stop at 24 V. A larger one is not charged, or destroys it.',
    since(11, 48),
  ),
  disconnect: flag(
    'its own array switch',
    'It has a direct-current switch built in that parts its arrays, rated for their volts.',
    since(9, false),
  ),
  outputAcW: number('AC output', 'W', 50, 200000, 'AC watts of an AC-coupled one.', {
    empty: 'it charges the bank directly',
    step: 100,
    since: since(3, null),
  }),
  efficiency: share('Efficiency', 'What reaches the bank of what the array gives, 0.94 to 0.98.', {
    min: 0.5,
    step: 0.5,
  }),
  selfW: number('Own draw', 'W', 0, 200, 'What it draws day and night, 1 to 5 W.', { step: 0.5 }),
  price: number('Price', 'money', 0, 1e7, 'Of one, as quoted.', { step: 10 }),
  estimated: estimates(),
}

export const CONTROLLER_IN_PLACE: FieldTable<Controller> = {
  id: key('Key', 'By which arrays name it.'),
  name: named('Controller name', 'What you call it.'),
  part: part('Part', CONTROLLER, 'The charge controller.'),
  chargeLimitA: number(
    'Charging set to, at most',
    'A',
    1,
    1000,
    'Charging current it is set to, for a bank that takes less than the controller can give.',
    { empty: 'all it can give', since: since(6, null) },
  ),
}
