import {
  DESIGN_FORMAT,
  DESIGN_VERSION,
  type Budget,
  type DirectPump,
  type Growth,
  type DisconnectChoice,
  type BudgetLine,
  type OwnedPart,
  type PricedItem,
  type Design,
  type Schools,
  type Touched,
  type Wall,
  type WinterSettings,
  type CircuitChoice,
  type DeviceKind,
  type Laid,
} from '../document/types.ts'
import { CONDUCTORS } from '../wiring/conductors.ts'
import { CONDUIT_NAMES } from '../wiring/protection.ts'
import { circuitsOfRuns } from './circuitsOfRuns.ts'
import { ARRAY_FIELD, CONTROLLER_IN_PLACE } from './array.ts'
import { BANK } from './bank.ts'
import {
  choice,
  circuitKey,
  code,
  flag,
  key,
  named,
  number,
  numbers,
  part,
  rows,
  share,
  since,
  texts,
  whole,
  words,
  type FieldTable,
} from './field.ts'
import { GENERATOR, HOUSEHOLD, SOURCE } from './generator.ts'
import { GRID, NO_GRID } from './grid.ts'
import { HOUSE, NEW_HOUSE } from './house.ts'
import { INVERTER } from './inverter.ts'
import { COUNTS } from './limits.ts'
import { LOAD } from './load.ts'
import { PLACE } from './place.ts'
import { amount, kelvin } from '../units/say.ts'
import { say } from '../units/words.ts'

const WINTER: FieldTable<WinterSettings> = {
  years: whole(
    'Years',
    'years',
    1,
    1000,
    'Winters that are run. Thirty show a bad one in ten, a hundred a bad one in thirty.',
  ),
  seed: whole('Seed', '', 0, 2147483647, 'Draws the weather: the same seed, the same winters.'),
  ageing: flag(
    'age through the years',
    'Each year of the run is a year older: bank and modules fade, a worn bank is renewed.',
    since(3, false),
  ),
  stepMin: choice(
    'Step',
    [
      { value: 60, label: 'hours' },
      { value: 15, label: 'quarters of an hour' },
    ],
    'Quarters show loads that run in bursts; they take longer.',
    since(3, 60),
  ),
}

const WALL: FieldTable<Wall> = {
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

const CIRCUIT: FieldTable<CircuitChoice> = {
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
      { value: 'later', label: 'later' },
    ],
    'What is owned costs nothing now; what comes later is summed by itself.',
  ),
}

const BUDGET: FieldTable<Budget> = {
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

const SCHOOLS: FieldTable<Schools> = {
  coldVoltage: choice(
    'Method that decides',
    [
      { value: 'coefficient', label: 'coefficient at the record low' },
      { value: 'code-table', label: 'code table' },
      { value: 'flat', label: 'flat 1.25' },
    ],
    'How the voltage of a cold morning is reckoned. The coefficient of the module is the most exact.',
  ),
  peak: choice(
    'Peak by',
    [
      { value: 'coincidence', label: 'what runs together' },
      { value: 'everything', label: 'everything at once' },
    ],
    'Whether everything is taken to run at once.',
  ),
  skyModel: choice(
    'Sky',
    [
      { value: 'hay-davies', label: 'Hay and Davies' },
      { value: 'perez', label: 'Perez 1990' },
    ],
    'How diffuse light is spread over the sky.',
  ),
  handFactor: share(
    'Of the sun, at the bank',
    'What the hand method counts on of the sun on the modules: 80 % with a tracking controller, 50 % where everything is counted on the safe side. The winter run uses the named losses instead.',
    { min: 0.3, step: 5, since: since(5, 0.8) },
  ),
  ampacity: choice(
    'Conductors carry',
    [
      { value: 'terminal-limited', label: 'what their terminals bear' },
      { value: 'free-air', label: 'what their maker prints for free air' },
    ],
    'The codes cap a conductor by its terminals’ temperature, usually class 75. Makers of fine battery cable print what hotter insulation carries in free air; ended in an ordinary terminal, such a cable cooks it.',
    since(8, 'terminal-limited'),
  ),
  deviceSize: choice(
    'Fuse over conductor',
    [
      { value: 'never-above', label: 'never above what it carries' },
      { value: 'next-above', label: 'the next standard one above may be' },
    ],
    'Some codes let the next standard fuse or breaker above a conductor’s amps protect it, where no outlets hang on it. The stricter school never does.',
    since(8, 'never-above'),
  ),
  electrodes: choice(
    'Electrodes',
    [
      { value: 'one', label: 'one system of them' },
      { value: 'bonded-second', label: 'a second at a distant array, bonded' },
      { value: 'floating', label: 'a second at a distant array, not bonded' },
    ],
    'Whether an array far off has an earth rod of its own. A rod that is not bonded to the system’s is refused by everybody.',
    since(8, 'one'),
  ),
  combining: choice(
    'Strings come home',
    [
      { value: 'combiner', label: 'through a combiner, on one line' },
      { value: 'home-runs', label: 'each on a line of its own' },
    ],
    'One thick line from a combiner at the array, or a thin pair for each string with its fuse at the controller: more wire, no box outdoors.',
    since(9, 'combiner'),
  ),
  arrayDisconnect: choice(
    'Arrays are parted by',
    [
      { value: 'external', label: 'a switch of their own' },
      { value: 'built-in', label: 'the one in their controller' },
    ],
    'Many codes want a switch in reach and locked open; others take the one built into the unit, where it has one.',
    since(9, 'external'),
  ),
  poles: choice(
    'Switches part',
    [
      { value: 'arrays', label: 'both poles of arrays, + of the bank' },
      { value: 'all', label: 'both poles of everything' },
      { value: 'positive', label: 'the + alone' },
    ],
    'Arrays that are not grounded, as nearly all are today, stay live at the other pole where only one is parted.',
    since(9, 'arrays'),
  ),
}

const PUMP: FieldTable<DirectPump> = {
  id: key('Key', 'By which it is found.'),
  name: named('Pump name', 'What you call it.'),
  arrayW: number('Its modules', 'W', 10, 100000, 'Rated watts of the modules that it runs from.', { step: 50 }),
  tiltDeg: number('Modules’ tilt', '°', 0, 90, 'From level.'),
  azimuthDeg: number('Modules face', '°', 0, 360, 'Compass bearing from true north: 180 is south.'),
  headM: number(
    'Lifts by',
    'm',
    0.5,
    500,
    'From the water, drawn down, to the top of the tank, with what the pipe takes.',
  ),
  startW: number('Turns from', 'W', 0, 50000, 'Least watts with which water arrives.', { step: 10 }),
  ratedW: number('Takes, at most', 'W', 10, 50000, 'Most watts it takes; more sun does not pump more.', { step: 50 }),
  efficiency: share('From wire to water', 'Small submersible pumps 0.25 to 0.45, good ones to 0.6.', {
    min: 0.02,
    max: 0.95,
    step: 1,
  }),
  wantedLByMonth: numbers('Water wanted', 'L/d', 0, 1e6, { count: 12 }, 'Litres wanted on a day of each month.'),
  price: number('Price', 'money', 0, 1e7, 'Of pump, controller and modules.', { step: 10 }),
}

const GROWTH: FieldTable<Growth> = {
  arrayW: number('Modules later', 'W', 0, 200000, 'Rated watts that are to be added to the arrays one day.', {
    step: 100,
  }),
  inverterW: number('Inverter later', 'W', 0, 200000, 'Watts of inverter that are to be added one day.', { step: 500 }),
  bankKWh: number('Bank later', 'kWh', 0, 5000, 'Kilowatt-hours that are to be added to the bank one day.'),
}

const gone = (label: string) => flag(label, 'Somebody has changed something in it, or said that it is right as it is.')
const TOUCHED: FieldTable<Touched> = {
  place: gone('Place'),
  loads: gone('Loads'),
  bank: gone('Bank'),
  array: gone('Array'),
  inverter: gone('Inverter'),
  generator: gone('Backup'),
  wiring: gone('Wiring'),
}

/** Every field of a design: schema, forms, the page of the file format, migration and help are made from it. */
export const DESIGN: FieldTable<Design> = {
  format: choice('Format', [{ value: DESIGN_FORMAT, label: DESIGN_FORMAT }], 'Tells a design from any other file.'),
  version: choice('Version', [{ value: DESIGN_VERSION, label: String(DESIGN_VERSION) }], 'Of the format.'),
  name: named('Name', 'Of the design.'),
  variant: named('Variant', 'One of several ways to build it.'),
  notes: words('Notes', COUNTS.notes, 'Whatever whoever builds or reads this is to know.'),
  place: part('Place', PLACE, 'Where it stands.'),
  loads: rows('Loads', LOAD, { most: COUNTS.loads }, 'What uses power.'),
  bank: part('Bank', BANK, 'The battery bank.'),
  arrays: rows('Arrays', ARRAY_FIELD, { most: COUNTS.arrays }, 'The modules, as they stand and are strung.'),
  controllers: rows('Controllers', CONTROLLER_IN_PLACE, { most: COUNTS.controllers }, 'The charge controllers.'),
  inverter: part('Inverter', INVERTER, 'What makes AC of the bank.'),
  generator: part('Backup', GENERATOR, 'What backs the sun up, and when it runs.'),
  grid: part('Grid', GRID, 'The grid, where it is usually there, and when it fails.', { since: since(5, NO_GRID) }),
  sources: rows(
    'Other sources',
    SOURCE,
    { most: COUNTS.sources },
    'What makes power beside sun and backup.',
    since(3, []),
  ),
  pumps: rows(
    'Pumps on their own modules',
    PUMP,
    { most: COUNTS.pumps, unique: 'id' },
    'Pumps that run while the sun shines, without the bank.',
    since(7, []),
  ),
  growth: part(
    'Growth',
    GROWTH,
    'What is to be added one day. Cables and controllers are sized for it; it costs nothing yet.',
    {
      since: since(7, { arrayW: 0, inverterW: 0, bankKWh: 0 }),
    },
  ),
  household: part('Household', HOUSEHOLD, 'What people do about power.', { since: since(3, {}) }),
  winter: part('Winter run', WINTER, 'How winters are run.'),
  circuits: rows(
    'Circuits',
    CIRCUIT,
    { most: COUNTS.circuits },
    'What somebody chose about circuits; the circuits themselves follow from the steps before.',
    since(8, circuitsOfRuns),
  ),
  house: part('Neutral and changeover', HOUSE, 'Where neutral meets ground, and what stands before the house.', {
    since: since(9, NEW_HOUSE),
  }),
  wall: part('Wall', WALL, 'The board that the units hang on.', {
    since: since(8, { widthM: 2.4, heightM: 1.2, places: [] }),
  }),
  budget: part('Budget', BUDGET, 'What it costs beside the parts.'),
  build: part('Build', { done: texts('Done', COUNTS.doneTasks, 80, 'Tasks that are ticked.') }, 'How far it is built.'),
  cautionsRead: texts(
    'Cautions read',
    COUNTS.cautions,
    80,
    'Keys of cautions that somebody put away; they are printed all the same.',
    since(9, []),
  ),
  touched: part('Gone through', TOUCHED, 'Steps that somebody has been through; the others are open.', {
    since: since(7, {
      place: true,
      loads: true,
      bank: true,
      array: true,
      inverter: true,
      generator: true,
      wiring: true,
    }),
  }),
  schools: part('Ways of reckoning', SCHOOLS, 'Where practitioners disagree.'),
}
