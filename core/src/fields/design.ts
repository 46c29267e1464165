import {
  DESIGN_FORMAT,
  DESIGN_VERSION,
  type DirectPump,
  type Growth,
  type Design,
  type Schools,
  type Touched,
  type WinterSettings,
} from '../document/types.ts'
import { circuitsOfRuns } from './circuitsOfRuns.ts'
import { ARRAY_FIELD, CONTROLLER_IN_PLACE } from './array.ts'
import { BANK } from './bank.ts'
import { BUDGET } from './budget.ts'
import { CIRCUIT, WALL } from './circuit.ts'
import {
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
    'Some codes let the next standard fuse or breaker above a conductor’s amps protect it, where no outlets hang on it. The stricter method never does.',
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
