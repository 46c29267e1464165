import { CHEMISTRIES } from '../bank/chemistry.ts'
import type { Bank, BatteryPart, Chemistry, WeakUnit } from '../document/types.ts'
import {
  estimates,
  choice,
  flag,
  key,
  named,
  number,
  numbers,
  optionsOf,
  part,
  rows,
  share,
  since,
  whole,
  type Before,
  type FieldTable,
} from './field.ts'
import { COUNTS } from './limits.ts'
import { celsius } from '../units/say.ts'
import { say } from '../units/words.ts'

/** 12 V is for what exists already. */
const CLASSES = [
  { value: 48, label: '48 V' },
  { value: 24, label: '24 V' },
  { value: 12, label: '12 V, existing only' },
] as const
export const BANK_VOLTAGES = CLASSES

const chemistryNames = Object.fromEntries(Object.entries(CHEMISTRIES).map(([id, { name }]) => [id, name])) as Record<
  Chemistry,
  string
>

/** What a figure was taken for, by the chemistries there were before a version. */
const by =
  (known: Record<string, number | null>, others: number | null): Before =>
  ({ chemistry }) =>
    typeof chemistry === 'string' && Object.hasOwn(known, chemistry) ? known[chemistry] : others

export const BATTERY: FieldTable<BatteryPart> = {
  id: key('Key', 'Of the part on the shelf.'),
  name: named('Name', 'What the data sheet calls the unit.'),
  chemistry: choice(
    'Chemistry',
    optionsOf(chemistryNames),
    'What the cells are made of. It decides depth, cold, care and charging.',
  ),
  nominalV: number('Nominal', 'V', 1, 60, 'Volts on the label of one unit: 2, 6, 12, 25.6, 51.2.', { step: 0.1 }),
  capacities: rows(
    'Capacities',
    {
      hours: number(
        'Emptied in',
        'h',
        0.1,
        1000,
        'The rate of the figure: 20 h for most lead-acid, 2 or 5 h for lithium.',
      ),
      ampHours: number('Gives', 'Ah', 0.1, 20000, 'What it gives at that rate until its end voltage.'),
    },
    { least: 1, most: COUNTS.capacities },
    'Rated capacities; several of them make the kinetic model of lead-acid.',
  ),
  resistanceMilliohm: number(
    'Resistance',
    'mΩ',
    0,
    1000,
    'Of one unit, charged and warm, from the data sheet. Lithium of 100 Ah 1 to 10, lead 2 to 6.',
    { step: 0.1 },
  ),
  maxChargeA: number(
    'Charge, at most',
    'A',
    0.1,
    10000,
    'Of one unit, lasting, from the data sheet. Lead 0.1 to 0.25 of its capacity, lithium 0.5.',
  ),
  maxDischargeA: number(
    'Discharge, at most',
    'A',
    0.1,
    10000,
    'Of one unit, lasting, from the data sheet or its management unit.',
  ),
  surgeA: number('Surge', 'A', 0.1, 20000, 'Of one unit, for some seconds, before its management unit lets go.'),
  cycles: rows(
    'Cycle life',
    {
      depth: share('Emptied by', 'Depth of each cycle.', { min: 0.01, step: 5 }),
      cycles: number(
        'Lasts cycles',
        '',
        1,
        1e6,
        'Cycles of that depth to the end of its life, usually 80 % of its capacity.',
        { step: 50 },
      ),
    },
    { most: COUNTS.cyclePoints },
    'From the curve of the data sheet, warm.',
  ),
  calendarYears: number(
    'Calendar life',
    'years',
    0.5,
    60,
    'Years it lasts on the shelf or on float. Lithium 10 to 15, flooded 8 to 20, AGM and gel 5 to 12.',
  ),
  parallelLimit: whole(
    'Parallel, at most',
    '',
    1,
    64,
    'Strings the maker allows beside each other. Three is a common limit for lead, 4 to 16 for lithium.',
  ),
  seriesLimit: whole(
    'In series, at most',
    '',
    1,
    COUNTS.unitsInSeries,
    'Units the maker allows one after the other. Lithium’s management unit cuts only so many volts: 4 of 12.8 V is common, 1 where the manual forbids it.',
    { empty: 'its maker names none', since: since(11, null) },
  ),
  weightKg: number('Weight', 'kg', 0, 5000, 'Of one unit.'),
  heaterW: number(
    'Heater',
    'W',
    0,
    2000,
    'Watts of a heater built into one unit; 0 for none. It runs before charging when cells are cold.',
  ),
  selfDischargePctPerMonth: number(
    'Loses by itself',
    '%/month',
    0,
    50,
    say`Of its charge in a month at ${celsius(20)}.`,
    {
      step: 0.5,
      since: since(3, by({ lfp: 2, flooded: 5 }, 3)),
    },
  ),
  minChargeC: number(
    'No charging at or below',
    '°C',
    -40,
    30,
    say`Cell temperature at which its management unit refuses to charge. ${celsius(0)} for lithium iron phosphate.`,
    {
      empty: 'cold only slows it',
      since: since(2, by({ lfp: 0 }, null)),
    },
  ),
  minDischargeC: number(
    'Gives nothing at or below',
    '°C',
    -60,
    20,
    say`Cell temperature at which its management unit lets go of the loads. ${celsius(-20)} for most lithium iron phosphate.`,
    {
      empty: 'cold only weakens it',
      since: since(11, by({ lfp: -20 }, null)),
    },
  ),
  price: number('Price', 'money', 0, 1e7, 'Of one unit, as quoted.', { step: 10 }),
  estimated: estimates(),
}

const WEAK: FieldTable<WeakUnit> = {
  unit: whole('Unit', '', 1, COUNTS.units, 'Its number in the drawing.'),
  capacityShare: share('Capacity left', 'Share of its rated capacity that is left.', { min: 0.05 }),
  resistanceFactor: number('Resistance', '', 1, 50, 'As a multiple of a new one’s.'),
}

export const BANK: FieldTable<Bank> = {
  systemV: choice<Bank['systemV']>(
    'System voltage',
    CLASSES,
    '48 V from about 3 kW on or for long runs, 24 V below. 12 V only where it exists.',
  ),
  part: part('Unit', BATTERY, 'The battery the bank is made of.'),
  inSeries: whole(
    'In series',
    '',
    1,
    COUNTS.unitsInSeries,
    'Units one after the other; together they make the system voltage.',
  ),
  inParallel: whole(
    'Strings in parallel',
    '',
    1,
    COUNTS.stringsOfBank,
    'Fewer strings of larger units share current better.',
  ),
  autonomyDays: number(
    'Days without sun wanted',
    'd',
    0.25,
    60,
    'How long the bank alone is to carry the loads. 2 to 3 with a generator, 5 and more without.',
    { step: 0.5 },
  ),
  rechargeDays: number(
    'Days to full again',
    'd',
    0.5,
    60,
    'Sunny days, with the loads on, in which an empty bank is to be full again: 2 to 5. The hand method then asks for the modules that do it.',
    { empty: 'not asked', step: 0.5, since: since(7, null) },
  ),
  allowedDepth: share('Depth allowed', 'How far the hand method empties it: lead 0.5, lithium 0.8 to 0.9.', {
    min: 0.05,
    step: 5,
  }),
  cutoffStateOfCharge: share('Cut-out charge', 'Where the inverter or the management unit lets go.', {
    max: 0.9,
    step: 5,
  }),
  absorbV: number(
    'Absorption voltage',
    'V',
    10,
    70,
    say`Voltage the chargers hold at ${celsius(25)}, from the battery’s manual.`,
    {
      empty: 'the usual',
      step: 0.2,
      since: since(3, null),
    },
  ),
  takeoff: choice(
    'Cabling',
    [
      { value: 'one-end', label: 'both leads at one end' },
      { value: 'opposite-corners', label: 'opposite corners' },
      { value: 'equal-leads', label: 'equal leads to bars' },
    ],
    'Where the main leads are taken off. Opposite corners share better than one end; equal leads to bars share best.',
  ),
  linkMilliohm: number(
    'Resistance of a link',
    'mΩ',
    0,
    100,
    'Of one cable between strings with its two lugs, 0.2 to 1.',
    { step: 0.1 },
  ),
  order: numbers(
    'Order of the units',
    '',
    1,
    COUNTS.units,
    { most: COUNTS.units, whole: true, unique: true },
    'Which unit stands at each place, string by string; none where they stand in order.',
    since(2, []),
  ),
  weak: rows(
    'Aged units',
    WEAK,
    { most: COUNTS.units, unique: 'unit' },
    'Units that are no longer like the others.',
    since(2, []),
  ),
  stringFuses: flag(
    'a fuse per string',
    'From two strings in parallel on, each needs one that can break the bank’s short-circuit current.',
    since(2, false),
  ),
  seriesM: number('Jumper in series', 'm', 0, 20, 'Length of each cable between units of a string.', {
    step: 0.1,
    since: since(2, 0.3),
  }),
  linkM: number('Link between strings', 'm', 0, 20, 'Length of each cable from string to string.', {
    step: 0.1,
    since: since(2, 0.4),
  }),
  leadM: number('Main lead', 'm', 0, 50, 'Length of each cable from the bank to its bus bar or fuse.', {
    step: 0.1,
    since: since(2, 1.5),
  }),
}
