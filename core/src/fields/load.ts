import type { Load, MeterReading } from '../document/types.ts'
import {
  choice,
  day,
  flag,
  key,
  named,
  number,
  numbers,
  optionsOf,
  rows,
  share,
  since,
  weekdays,
  words,
  type FieldTable,
} from './field.ts'
import { COUNTS } from './limits.ts'

export const PRIORITY_WORDS: Record<Load['priority'], string> = {
  must: 'must run',
  should: 'should run',
  canWait: 'can wait',
}

const READING: FieldTable<MeterReading> = {
  date: day('Day', 'When the meter was read.'),
  kWh: number('Energy', 'kWh', 0, 100000, 'What a plug-in meter counted.', { step: 0.1 }),
  hours: number(
    'Hours',
    'h',
    0.1,
    20000,
    'How long it was plugged in. A week or more for anything that switches by itself.',
    { step: 24 },
  ),
}

export const LOAD: FieldTable<Load> = {
  id: key('Key', 'By which other parts of the design name it.'),
  name: named('Name', 'What you call it.'),
  room: words('Room or group', 80, 'Where it stands, to sort by.'),
  quantity: number('Quantity', '', 0, 1000, 'How many of them there are.'),
  basis: choice(
    'Basis',
    optionsOf<Load['basis']>({
      rated: 'nameplate',
      metered: 'metered',
      strip: 'metered strip',
      cycle: 'per cycle',
      month: 'per month',
    }),
    'Which statement of its energy rules. A plug-in meter over a week outranks a nameplate.',
  ),
  runningW: number(
    'Running watts',
    'W',
    0,
    100000,
    'What one draws while it runs: its nameplate, or better a plug-in meter.',
    { step: 10 },
  ),
  powerFactor: number(
    'Power factor',
    '',
    0.1,
    1,
    'Its watts over its volt-amperes: 1 for heat and lamps with a good supply, 0.6 to 0.9 for motors and cheap supplies. The inverter must carry the volt-amperes.',
    { step: 0.05, since: since(7, 1) },
  ),
  hoursPerDay: number('Hours a day', 'h', 0, 24, 'Hours it is switched on in a day of use.', { step: 0.5 }),
  duty: share(
    'Share of those hours it draws',
    'Share of the time it is on that it really draws its watts. A thermostat or a compressor runs a third of the time or so.',
    { step: 5 },
  ),
  daysPerWeek: number(
    'Days a week',
    'd',
    0,
    7,
    'Days of the week it is used on. The run draws which, unless they are named.',
  ),
  weekdays: weekdays('Days of the week', 'any', 'The days it is used on, where they are always the same.'),
  meteredKWh: number(
    'Meter count',
    'kWh',
    0,
    100000,
    'What a plug-in meter counted for one of them; of a metered strip, for all that hangs on it.',
    {
      empty: 'not metered',
      step: 0.1,
    },
  ),
  meteredHours: number('Hours on the meter', 'h', 0.1, 20000, 'How long the meter counted.', {
    empty: 'not metered',
    step: 24,
  }),
  strip: words('Metered strip', 80, 'The strip with one meter that it hangs on together with others.', since(7, '')),
  stripShare: share('Share of the strip', 'Of what the strip’s meter counts, how much is this load’s.', {
    step: 5,
    since: since(7, 1),
  }),
  cycleWh: number('Battery of the tool', 'Wh', 0, 100000, 'Volts times amp-hours on its label.', {
    empty: 'not known',
  }),
  cycleDepth: share('Tool battery emptied by', 'How far it is emptied before it is charged.', { empty: 'not known' }),
  cycleChargerEfficiency: share('Charger efficiency', 'What arrives of what its charger draws, 0.75 to 0.9.', {
    min: 0.1,
    empty: 'not known',
  }),
  cyclesPerWeek: number('Times a week', '/week', 0, 1000, 'How often it is charged.', { empty: 'not known' }),
  monthKWh: number('Energy a month', 'kWh', 0, 100000, 'What a bill or a label says of a month.', {
    empty: 'not known',
  }),
  meterReadings: rows(
    'Meter readings',
    READING,
    { most: COUNTS.readingsOfLoad },
    'Every reading taken; their sums rule.',
    since(2, []),
  ),
  standbyW: number(
    'Standby draw',
    'W',
    0,
    10000,
    'What it draws, plugged in, while it is not in use. 0.5 to 5 W is usual, 20 W happens.',
    { step: 0.5, since: since(2, 0) },
  ),
  supply: choice(
    'Carried by',
    optionsOf<Load['supply']>({ electric: 'this system', propane: 'propane', out: 'nothing: taken out' }),
    'What carries it: this system, a propane appliance in its place, or nothing.',
    since(2, 'electric'),
  ),
  seasonShare: numbers('Season', '', 0, 10, { count: 12 }, 'Use by month: 1 as stated, 0 not in use.'),
  hourShape: numbers(
    'Hours of the day',
    '',
    0,
    1000,
    { count: 24 },
    'When in the day it is used, as weights of the hours.',
  ),
  leg: choice(
    'Leg',
    optionsOf<Load['leg']>({ A: 'A', B: 'B', C: 'C', AB: 'A+B', ABC: 'A+B+C', DC: 'DC' }),
    'The output it hangs on: one leg, across two, all three phases, or the bank itself.',
  ),
  switched: flag(
    'on a switched output',
    'A DC load on an output that the controller or a relay switches off when the bank runs low; it is shed like the others of its priority.',
    since(4, false),
  ),
  priority: choice('Priority', optionsOf(PRIORITY_WORDS), 'What goes off first when the bank runs low.'),
  movable: flag('may be moved into the sun', 'It may run in the sunny hours of its day, by hand or by a timer.'),
  storeDays: number(
    'Days its tank or store lasts',
    'd',
    0,
    60,
    'Days of its use that a tank behind it holds: so long it may wait for sun.',
    { step: 0.5, since: since(3, 0) },
  ),
  whenAway: flag('goes on while away', 'It goes on while nobody is at home.', since(3, true)),
  startKind: choice(
    'Start',
    optionsOf<Load['startKind']>({
      none: 'no surge',
      compressor: 'compressor',
      'submersible-pump': 'submersible pump',
      'soft-start-pump': 'soft-start pump',
      'induction-tool': 'induction motor',
      'universal-tool': 'universal motor',
    }),
    'How its motor starts; it gives the usual multiple of its running watts.',
  ),
  startW: number(
    'Start watts',
    'W',
    0,
    1000000,
    'What it draws for a moment as it starts, measured or from locked-rotor amps times volts.',
    { empty: 'the usual', step: 100 },
  ),
  startS: number('Start duration', 's', 0.05, 120, 'How long the start draws so much.', {
    empty: 'the usual',
    step: 0.5,
    since: since(3, null),
  }),
  seenStarting: flag(
    'seen starting',
    'It has been seen starting on this very system, on a cold morning and a low bank too; its start is then no longer judged.',
    since(5, false),
  ),
}
