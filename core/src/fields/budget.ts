import type {
  Budget,
  BudgetKit,
  BudgetLine,
  BudgetPhase,
  KitItem,
  LifeTerms,
  OtherWays,
  OwnedPart,
  PaidHours,
  PricedItem,
} from '../document/types.ts'
import {
  choice,
  code,
  day,
  flag,
  key,
  named,
  number,
  part,
  rows,
  since,
  whole,
  words,
  type FieldTable,
} from './field.ts'
import { COUNTS } from './limits.ts'

const LINE: FieldTable<BudgetLine> = {
  id: key('Key', 'By which it is found.'),
  name: named('Line', 'What it is.'),
  quantity: number('Count', '', 0, 100000, 'How many.'),
  unitPrice: number('Each', 'money', 0, 1e7, 'Price of one, as quoted.'),
}

const OWNED: FieldTable<OwnedPart> = {
  key: key('Of', 'bank, inverter, generator, or the key of an array, a controller or a source.'),
  partId: key('Part', 'The key of the part that is there.'),
  quantity: number('How many', '', 0, 1e6, 'Of it are there.'),
}

const PRICED: FieldTable<PricedItem> = {
  key: words('Of', 120, 'The key of a part, or what a material is and its size.'),
  partId: words(
    'Part',
    60,
    'The key of the part it was said of; it does not hold for another in its place.',
    since(10, ''),
  ),
  unitPrice: number('Each', 'money', 0, 1e7, 'Price of one, or of a metre, as you were quoted it.', {
    empty: 'sample',
  }),
  discountPct: number('Less', '%', 0, 100, 'Taken off the price of this line.'),
  freight: number('Its freight', 'money', 0, 1e7, 'Of this line alone.', { step: 10 }),
  taxed: flag('taxed', 'Tax is paid on it.'),
  eligible: flag('counts for incentives', 'An incentive that is a share counts it.'),
  status: choice(
    'Bought',
    [
      { value: 'buy', label: 'to buy' },
      { value: 'owned', label: 'owned' },
      { value: 'anyway', label: 'to buy anyway' },
      { value: 'later', label: 'later' },
    ],
    'What is owned costs nothing now; what would be bought anyway is left out where this is weighed against another way; what comes later is summed by its phase.',
  ),
  laterCount: whole('Later, of it', '', 0, 1e6, 'How many of it come later.', {
    empty: 'all',
    since: since(10, null),
  }),
  phase: words(
    'Phase',
    60,
    'The key of the phase it comes in; the first that there is where it is empty.',
    since(10, ''),
  ),
  quotedOn: {
    ...day('Quoted on', 'The day of the quote. It holds for as long as quotes do.'),
    empty: 'unknown',
    since: since(10, null),
  },
  leadDays: whole('Takes', 'd', 0, 1000, 'From the order to its coming.', { empty: 'unknown', since: since(10, null) }),
}

const KIT_ITEM: FieldTable<KitItem> = {
  key: words('Line', 120, 'The key of a part, or what a material is and its size.'),
  quantity: number('How many', '', 0, 1e6, 'Of it are in the kit.'),
}

const KIT: FieldTable<BudgetKit> = {
  id: key('Key', 'By which it is found.'),
  name: named('Kit', 'What it is sold as.'),
  price: number('Its price', 'money', 0, 1e7, 'Of all that is in it together.', { step: 50 }),
  of: rows('In it', KIT_ITEM, { most: COUNTS.inKit, unique: 'key' }, 'How many of which lines.'),
}

const PHASE: FieldTable<BudgetPhase> = {
  id: key('Key', 'By which it is found.'),
  name: named('Phase', 'What you call it: next year, when the barn stands.'),
  buyOn: { ...day('Bought on', 'Quotes that end before that day have to be asked for again.'), empty: 'unknown' },
}

const hoursOf = (label: string, what: string) =>
  number(`Hours, ${label}`, 'h', 0, 10000, `Of somebody who is paid for ${what}.`, { step: 1 })
const HOURS: FieldTable<PaidHours> = {
  array: hoursOf('array', 'racks, modules and trench'),
  bank: hoursOf('bank', 'setting up the bank'),
  inverter: hoursOf('inverter', 'inverter, controllers and board'),
  generator: hoursOf('backup', 'the backup and its fuel'),
  wiring: hoursOf('wiring', 'pulling and joining wire'),
  commissioning: hoursOf('commissioning', 'switching it on and setting it'),
}

const LIFE: FieldTable<LifeTerms> = {
  years: whole('Years', 'years', 1, 60, 'Over which it is reckoned.'),
  discountPct: number(
    'Discount rate',
    '%',
    0,
    30,
    'What money could earn elsewhere in a year, over and above inflation.',
    {
      step: 0.5,
    },
  ),
  energyRisePct: number('Fuel and tariffs rise', '%', -10, 20, 'In a year, over and above inflation.', { step: 0.5 }),
  electronicsYears: number('Electronics last', 'years', 1, 60, 'Inverters and controllers: 10 to 15 years are usual.'),
  pumpYears: number('Pumps last', 'years', 1, 60, 'Pumps on modules of their own: 8 to 12 years are usual.'),
  moduleYears: number('Modules last', 'years', 1, 60, 'Modules and other sources: 25 to 35 years are usual.'),
  generatorHours: number(
    'A generator lasts',
    'h',
    50,
    50000,
    'Hours it runs: 1000 of a small petrol set, 3000 of a slow one on propane, 10000 of a diesel at 1500 or 1800 rpm.',
    { step: 250 },
  ),
  oilChange: number('An oil change', 'money', 0, 10000, 'Oil, filter and what somebody takes for it.', { step: 5 }),
  yearly: number('Else in a year', 'money', 0, 1e6, 'Insurance, rent of a tank, water for the bank, a yearly look.', {
    step: 10,
  }),
  endValue: flag('what is left at the end counts', 'Each part by the share of its life that it still has.'),
}

const OTHERS: FieldTable<OtherWays> = {
  gridQuote: number(
    'Bringing in the grid',
    'money',
    0,
    1e8,
    'What the grid company asks: line, poles, transformer, meter.',
    {
      step: 500,
      empty: 'not asked',
    },
  ),
  gridMonthly: number('Grid, a month', 'money', 0, 10000, 'Its standing charge.', { step: 1 }),
  gridPerKWh: number('Grid, a kilowatt-hour', 'money/kWh', 0, 100, 'Its tariff.', { step: 0.01 }),
  generatorHoursPerDay: number(
    'A generator alone, a day',
    'h',
    0.5,
    24,
    'Hours it would run without bank and modules. In the other hours nothing is on.',
  ),
  unitPrice: number('A bought power unit', 'money', 0, 1e7, 'A box with battery, inverter and its own modules.', {
    step: 100,
    empty: 'not asked',
  }),
  unitKWhPerDay: number('Power unit, a day', 'kWh', 0, 1000, 'What it gives on a winter day with its own modules.', {
    step: 0.1,
  }),
  unitYears: number('Power unit, it lasts', 'years', 0.5, 60, 'As long as its cells do, for they are seldom replaced.'),
  nothingYearly: number(
    'As things are, a year',
    'money',
    0,
    1e7,
    'Candles, batteries, fuel, trips to charge: what ends with the system.',
    {
      step: 50,
      empty: 'nobody said',
    },
  ),
}

/** Hours, terms and other ways of a budget that nobody has filled in. */
export const NO_HOURS: PaidHours = { array: 0, bank: 0, inverter: 0, generator: 0, wiring: 0, commissioning: 0 }
export const LIFE_TERMS: LifeTerms = {
  years: 25,
  discountPct: 3,
  energyRisePct: 1,
  electronicsYears: 12,
  pumpYears: 10,
  moduleYears: 30,
  generatorHours: 3000,
  oilChange: 25,
  yearly: 0,
  endValue: true,
}
export const OTHER_WAYS: OtherWays = {
  gridQuote: null,
  gridMonthly: 0,
  gridPerKWh: 0,
  generatorHoursPerDay: 24,
  unitPrice: null,
  unitKWhPerDay: 1,
  unitYears: 10,
  nothingYearly: null,
}

export const BUDGET: FieldTable<Budget> = {
  currency: code('Currency code', 'Three capitals. It is a name only; nothing is converted.'),
  taxPct: number('Tax', '%', 0, 100, 'On parts.'),
  freight: number('Freight', 'money', 0, 1e7, 'To the end of the road.', { step: 50 }),
  labour: number('Labour', 'money', 0, 1e7, 'What you pay others; an electrician’s visit too.', { step: 50 }),
  discount: number('Discount', 'money', 0, 1e7, 'Taken off the whole.', { step: 50 }),
  contingencyPct: number('Contingency', '%', 0, 100, 'For what nobody thought of, 10 to 15 %.'),
  incentivePct: number('Incentive', '%', 0, 100, 'Given back, of what is eligible with its tax.', {
    since: since(9, 0),
  }),
  incentive: number('Incentive, a sum', 'money', 0, 1e7, 'Given back, whatever it costs.', {
    step: 100,
    since: since(9, 0),
  }),
  hourly: number('An hour', 'money', 0, 10000, 'What an hour of paid work costs.', { step: 5, since: since(10, 0) }),
  hours: part('Hours paid', HOURS, 'By what they are for.', { since: since(10, NO_HOURS) }),
  statedTotal: number(
    'Total you were told',
    'money',
    0,
    1e9,
    'What somebody said all of it comes to; it is held against the sum of its lines.',
    {
      step: 100,
      empty: 'none',
      since: since(10, null),
    },
  ),
  buyOn: {
    ...day('Bought on', 'Quotes that end before that day have to be asked for again.'),
    empty: 'unknown',
    since: since(10, null),
  },
  quoteDays: whole('A quote holds', 'd', 1, 1000, 'Days from its date; 30 is usual.', { since: since(10, 30) }),
  kits: rows('Kits', KIT, { most: COUNTS.kits, unique: 'id' }, 'Several lines at one price together.', since(10, [])),
  phases: rows('Phases', PHASE, { most: COUNTS.phases, unique: 'id' }, 'Later times of buying.', since(10, [])),
  life: part('Over its life', LIFE, 'By what it is reckoned over its life.', { since: since(10, LIFE_TERMS) }),
  others: part('Other ways', OTHERS, 'What the same house would cost otherwise.', { since: since(10, OTHER_WAYS) }),
  priced: rows(
    'Prices known',
    PRICED,
    { most: COUNTS.priced, unique: 'key' },
    'What somebody was quoted, owns or puts off, by line of the bill.',
    since(9, []),
  ),
  cablePerMm2M: number(
    'Cable, each mm²',
    'money/m',
    0,
    1000,
    'Price of a metre of copper cable for each square millimetre of it: that of one you know, divided by its area.',
    { step: 0.05, since: since(9, 0.28) },
  ),
  kWhWorth: number(
    'A lost kilowatt-hour',
    'money/kWh',
    0,
    1000,
    'What it is worth, where copper is weighed against what it loses.',
    { step: 0.05, empty: 'what it costs otherwise', since: since(9, null) },
  ),
  owned: rows(
    'Owned',
    OWNED,
    { most: COUNTS.owned, unique: 'key' },
    'Parts that are there already and cost nothing now; another part in their place, and more of them, are to buy.',
    since(6, []),
  ),
  extras: rows(
    'Other lines',
    LINE,
    { most: COUNTS.extras },
    'What the parts list cannot know: racking, trench, permits.',
  ),
}
