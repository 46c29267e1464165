import type { Inverter, InverterPart } from '../document/types.ts'
import { CONTROLLER } from './array.ts'
import { BANK_VOLTAGES, BATTERY } from './bank.ts'
import {
  estimates,
  choice,
  flag,
  key,
  named,
  number,
  part,
  share,
  since,
  whole,
  type Before,
  type FieldTable,
} from './field.ts'
import { COUNTS } from './limits.ts'
import { amount, celsius, kelvin } from '../units/say.ts'
import { say } from '../units/words.ts'

const frequencyBefore3: Before = ({ topology }) => (topology === 'single-230' ? 50 : 60)

export const INVERTER_PART: FieldTable<InverterPart> = {
  id: key('Key', 'Of the part on the shelf.'),
  name: named('Name', 'What the data sheet calls the inverter.'),
  topology: choice(
    'Output',
    [
      { value: 'split-phase', label: '120/240 V split phase' },
      { value: 'single-120', label: '120 V single' },
      { value: 'single-230', label: '230 V single' },
    ],
    'What comes out of one unit.',
  ),
  frequencyHz: choice(
    'Frequency',
    [
      { value: 60, label: '60 Hz' },
      { value: 50, label: '50 Hz' },
    ],
    'Motors turn by it: 60 Hz where 120/240 V is used, 50 Hz in most 230 V countries.',
    since(3, frequencyBefore3),
  ),
  waveform: choice(
    'Waveform',
    [
      { value: 'sine', label: 'sine' },
      { value: 'stepped', label: 'stepped' },
    ],
    'A stepped wave heats motors and harms some electronics.',
    since(3, 'sine'),
  ),
  ratedW: number('Continuous', 'W', 50, 200000, say`What it carries for hours at ${celsius(25)}.`, { step: 100 }),
  ratedVA: number(
    'Continuous, in volt-amperes',
    'VA',
    50,
    200000,
    'Where the sheet states more VA than W. Loads with a power factor below one draw more VA than W.',
    { empty: 'the watts hold for both', step: 100, since: since(7, null) },
  ),
  surgeW: number('Surge', 'W', 50, 1000000, 'What it carries while a motor starts, about twice its rating.', {
    step: 100,
  }),
  surgeS: number('Surge lasts', 's', 0.01, 3600, 'How long it carries that. A pump wants about a second.'),
  idleW: number(
    'Idle draw',
    'W',
    0,
    2000,
    'What it draws with nothing on, day and night: 10 to 80 W. It is often the largest load of a small house.',
  ),
  searchW: number('Draw while searching', 'W', 0, 2000, 'What it draws asleep between its search pulses.', {
    empty: 'it has no search mode',
    since: since(3, null),
  }),
  searchWakeW: number('Load that wakes the search', 'W', 0, 5000, 'Smallest load that wakes it.', {
    since: since(3, 0),
  }),
  peakEfficiency: share('Best efficiency', 'Highest of its curve, 0.9 to 0.96.', { min: 0.3, max: 0.999, step: 0.5 }),
  peakAtFraction: share('Best efficiency at a load of', 'Share of its rating where that is, 0.15 to 0.4.', {
    min: 0.01,
    max: 0.95,
    step: 5,
  }),
  fullLoadEfficiency: share('Efficiency at full load', 'At its rating, 0.85 to 0.93.', {
    min: 0.3,
    max: 0.999,
    step: 0.5,
  }),
  derateAboveC: number(
    'De-rates above',
    '°C',
    -20,
    80,
    say`Air temperature above which its output falls, ${celsius(25)} to ${celsius(40)}.`,
    {
      since: since(3, 25),
    },
  ),
  deratePctPerK: number('Loss with heat', '%/K', 0, 20, 'Of its rating, for each kelvin above that.', {
    step: 0.1,
    since: since(3, 0.8),
  }),
  derateAboveM: number(
    'De-rates higher than',
    'm',
    0,
    6000,
    say`Elevation above which its output falls, often ${amount(1500, 'm')} or ${amount(2000, 'm')}.`,
    { step: 100, since: since(3, 2000) },
  ),
  deratePctPer100M: number('Loss with height', '%/100 m', 0, 20, 'Of its rating, for each step of height above that.', {
    step: 0.1,
    since: since(3, 1),
  }),
  chargerA: number('Charger', 'A', 0, 2000, 'Current its charger gives the bank from a generator; 0 for none.'),
  chargerEfficiency: share('Charger efficiency', 'What reaches the bank of what it draws, 0.8 to 0.92.', {
    min: 0.3,
    max: 0.999,
  }),
  transferA: number(
    'Transfer relay',
    'A',
    0,
    2000,
    'What it can pass on from a generator to the house; 0 for no relay.',
  ),
  bond: choice(
    'Neutral and ground',
    [
      { value: 'none', label: 'it does not join them' },
      { value: 'fixed', label: 'it joins them always' },
      { value: 'relay', label: 'it joins them while it makes power' },
    ],
    'Its manual says so under neutral–ground bond. One with a relay lets go while a generator or the grid, with a bond of its own, is passed on.',
    since(9, 'none'),
  ),
  lowCutV: number('Low-voltage cut-out', 'V', 5, 60, 'Bank voltage, under load, at which it switches off.', {
    step: 0.5,
  }),
  highCutV: number(
    'High-voltage cut-out',
    'V',
    10,
    100,
    'Bank voltage at which it switches off to save itself, about 1.3 of its class: 64 on many for 48 V. Charging and equalising must stay below it.',
    { empty: 'its sheet names none', step: 0.5, since: since(11, null) },
  ),
  bankV: choice<InverterPart['bankV']>('Bank it is made for', BANK_VOLTAGES, 'It works on no other.'),
  controller: part('Built-in controller', CONTROLLER, 'The charge controller of an all-in-one unit.', {
    empty: 'it has none',
    since: since(3, null),
  }),
  battery: part('Built-in battery', BATTERY, 'The battery inside a power box.', {
    empty: 'the bank stands outside',
    since: since(7, null),
  }),
  weightKg: number('Weight', 'kg', 0, 2000, say`Of one unit. Above ${amount(25, 'kg')} two people hang it.`),
  price: number('Price', 'money', 0, 1e7, 'Of one unit, as quoted.', { step: 10 }),
  estimated: estimates(),
}

export const INVERTER: FieldTable<Inverter> = {
  part: part('Inverter', INVERTER_PART, 'The unit it is made of.'),
  quantity: whole('How many', '', 1, COUNTS.inverters, 'Equal units, joined as the maker allows.'),
  stacking: choice(
    'Joined',
    [
      { value: 'parallel', label: 'on one output' },
      { value: 'split-pair', label: 'in pairs, 120/240 V' },
      { value: 'three-phase', label: 'one a phase' },
    ],
    'How several units are joined. Only units made for it can be.',
    since(3, 'parallel'),
  ),
  search: flag(
    'search mode',
    'It sleeps until a load calls. Clocks, routers and small loads then do not run.',
    since(3, false),
  ),
  hottestC: number(
    'Hottest air around it',
    '°C',
    -20,
    70,
    say`In the cabinet on the hottest day, often ${kelvin(10)} above the room.`,
    { since: since(3, 30) },
  ),
}
