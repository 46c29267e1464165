import type { CircuitChoice, DeviceKind, DisconnectChoice, Laid, Wall } from '../document/types.ts'
import { CONDUCTORS } from '../wiring/conductors.ts'
import { CONDUIT_NAMES } from '../wiring/protection.ts'
import { choice, circuitKey, flag, number, rows, since, whole, type FieldTable } from './field.ts'
import { COUNTS } from './limits.ts'
import { amount, kelvin } from '../units/say.ts'
import { say } from '../units/words.ts'

export const WALL: FieldTable<Wall> = {
  widthM: number('Board width', 'm', 0.5, 20, 'Of the board or wall that the units hang on.', { step: 0.1 }),
  heightM: number('Board height', 'm', 0.5, 4, 'Of the board or wall that the units hang on.', { step: 0.1 }),
  places: rows(
    'Places',
    {
      id: circuitKey('Key', 'Of the unit.'),
      xM: number('From the left', 'm', 0, 20, 'Of its upper left corner.', { step: 0.05 }),
      yM: number('From the top', 'm', 0, 4, 'Of its upper left corner.', { step: 0.05 }),
    },
    { most: COUNTS.wallPlaces, unique: 'id' },
    'Units that somebody put at a place; the others stand where there is room.',
  ),
}

export const CIRCUIT: FieldTable<CircuitChoice> = {
  id: circuitKey('Key', 'Of the circuit, by what it belongs to: array:array-1.'),
  oneWayM: number(
    'One way',
    'm',
    0,
    10000,
    'Length from end to end, once; the way back is reckoned. Until it is measured, what is usual stands in for it.',
    { empty: 'what is usual' },
  ),
  size: choice<string>(
    'Conductor',
    [{ value: '', label: 'thinnest that does' }, ...CONDUCTORS.map(({ size }) => ({ value: size, label: size }))],
    'Copper. The thinnest that carries the current, is protected and keeps the drop, or the one that is there.',
  ),
  parallel: whole('In parallel', '', 1, 8, 'Conductors side by side on each pole, equal in length.'),
  insulationC: choice<CircuitChoice['insulationC']>(
    'Insulation',
    [60, 75, 90, 105].map((value) => ({ value: value as CircuitChoice['insulationC'], label: `class ${value}` })),
    'Temperature, by its class in Celsius, that the insulation may reach.',
  ),
  terminalC: choice<CircuitChoice['terminalC']>(
    'Terminals',
    [60, 75, 90].map((value) => ({ value: value as CircuitChoice['terminalC'], label: `class ${value}` })),
    'Temperature, by its class in Celsius, that the terminals at both ends may reach; 75 where neither says more.',
  ),
  laid: choice<Laid>(
    'Laid',
    [
      { value: 'conduit', label: 'in conduit' },
      { value: 'surface', label: 'on a surface' },
      { value: 'buried', label: 'buried' },
      { value: 'free-air', label: 'free in air' },
      { value: 'cord', label: 'as a flexible cord' },
    ],
    'How it lies, by which it sheds its heat. A cord carries less, and is for what is plugged in.',
  ),
  ambientC: number(
    'Air around it',
    '°C',
    -40,
    59,
    say`Hottest air or ground it lies in; under a roof ${kelvin(20)} above outside.`,
  ),
  conductors: whole('Conductors together', '', 1, 9, 'That carry current in the same conduit or bundle.'),
  allowedDropPct: number('Drop allowed', '%', 0.1, 10, 'Most of the volts that may be lost on the way.', { step: 0.5 }),
  device: choice<DeviceKind>(
    'Fuse or breaker',
    [
      { value: '', label: 'as it is asked' },
      { value: 'class-t', label: 'class T fuse' },
      { value: 'pv-fuse', label: 'PV string fuse' },
      { value: 'dc-fuse', label: 'other DC fuse' },
      { value: 'dc-breaker', label: 'DC breaker' },
      { value: 'ac-breaker', label: 'AC breaker' },
    ],
    'The one that is there or wanted. A breaker made for AC may not put out an arc of DC.',
  ),
  deviceA: number('Device rating', 'A', 1, 2000, 'Printed on it.', { empty: 'the next standard one' }),
  deviceV: number('Device volts', 'V', 1, 2000, 'Highest volts it breaks, of the kind of current it is in.', {
    empty: 'as it is asked',
  }),
  deviceKA: number('Breaks up to', 'kA', 0.1, 300, 'Highest current it breaks, printed as its interrupting rating.', {
    empty: 'as it is asked',
  }),
  builtIn: flag('built into the unit', 'Fuse or breaker is inside the unit at its end, as its manual says.'),
  unused: flag('not laid', 'What would need it has another way, or is not built.'),
  conduit: choice<string>(
    'Conduit',
    [{ value: '', label: 'smallest that does' }, ...CONDUIT_NAMES.map((value) => ({ value, label: value }))],
    'Of all its conductors with their ground. Two fill 31 % of it at the most, more 40 %: they are drawn in, and shed heat.',
    since(9, ''),
  ),
  disconnect: choice<DisconnectChoice>(
    'Parted by',
    [
      { value: '', label: 'as is usual here' },
      { value: 'external', label: 'a switch of its own' },
      { value: 'built-in', label: 'the switch inside of its unit' },
      { value: 'none', label: 'nothing' },
    ],
    'What takes the volts off for work on it.',
    since(9, ''),
  ),
  withoutArresters: flag(
    'no arresters',
    say`A line of more than ${amount(10, 'm')} outdoors has one at each end: lightning far off sends its surge along it.`,
    since(9, false),
  ),
}
