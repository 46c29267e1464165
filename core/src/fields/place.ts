import type { BatteryRoom, FittedClimate, HorizonPoint, MonthlyClimate, Place, PlaceHours } from '../document/types.ts'
import { ILLUSTRATIVE_CLIMATES } from '../weather/climates.ts'
import { MOST_YEARS } from '../weather/hours/series.ts'
import {
  choice,
  fileKey,
  named,
  number,
  numbers,
  part,
  rows,
  share,
  since,
  whole,
  words,
  type FieldTable,
} from './field.ts'
import { COUNTS } from './limits.ts'
import { amount, celsius, kelvin } from '../units/say.ts'
import { say } from '../units/words.ts'

export const MONTHLY: FieldTable<MonthlyClimate> = {
  ghiKWhM2Day: number(
    'Sun on level ground',
    'kWh/m²·day',
    0,
    14,
    'Mean daily energy of the month on a level square metre, from a solar atlas or a station. A northern December has 0.3 to 1.5, July 4 to 7.',
    { step: 0.1 },
  ),
  meanC: number('Mean temperature', '°C', -80, 60, 'Mean of day and night over the month, from the nearest station.'),
  minC: number(
    'Mean daily low',
    '°C',
    -90,
    60,
    say`Mean of the daily lows, not the record. It lies some ${kelvin(4)} to ${kelvin(10)} below the mean.`,
  ),
  maxC: number(
    'Mean daily high',
    '°C',
    -80,
    70,
    say`Mean of the daily highs, not the record. It lies some ${kelvin(4)} to ${kelvin(10)} above the mean.`,
  ),
  snowfallCm: number('Fresh snow', 'cm', 0, 1000, 'Snow that falls in the month, added up, not the depth that lies.'),
}

const climateRows = rows<MonthlyClimate>('Months', MONTHLY, { least: 12, most: 12 }, 'January to December.')
const persistence = numbers(
  'Persistence of dull days',
  '',
  0,
  0.95,
  { count: 12 },
  'How much one day’s cloud is like the day before’s, 0 not at all. 0.3 is common, 0.6 where winter fog sits for weeks.',
)

const interannualPct = number(
  'Spread between winters',
  '%',
  0,
  25,
  'How much the sun of the four darkest months differs from year to year, as a standard deviation: 4 to 6 % where winters are dry and bright, 9 to 12 % where they are gloomy. It makes the bad winter in ten.',
  { empty: 'the usual', step: 0.5, since: since(4, null) },
)

export const FITTED: FieldTable<FittedClimate> = {
  monthly: climateRows,
  persistence,
  windMS: number('Wind', 'm/s', 0, 80, 'Mean wind at the modules over the hours of the file.'),
  interannualPct,
  lowestC: number('Lowest of the file', '°C', -90, 60, 'Coldest hour of the file.'),
  highestC: number('Highest of the file', '°C', -90, 60, 'Hottest hour of the file.'),
}

const PLACE_HOURS: FieldTable<PlaceHours> = {
  ...FITTED,
  fileId: fileKey('Weather file', 'Number of the imported file on this server.'),
  name: named('Name of the file', 'What the imported hours are called.'),
  years: whole('Years', 'years', 1, MOST_YEARS, 'Whole years of hours in the file.'),
  utcOffsetH: number('Clock of the file', 'h', -14, 14, 'Standard time the rows were written in, hours east of UTC.'),
}

export const HORIZON: FieldTable<HorizonPoint> = {
  azimuthDeg: number(
    'Direction',
    '°',
    0,
    360,
    'Compass bearing from true north: 90 is east, 180 south. Correct a magnetic compass by the local declination.',
  ),
  elevationDeg: number(
    'Height',
    '°',
    0,
    90,
    'Angle from level up to the top of what stands there. A fist at arm’s length is about 10°.',
  ),
  cover: choice(
    'What stands there',
    [
      { value: 'terrain', label: 'ground or building' },
      { value: 'evergreen', label: 'evergreens' },
      { value: 'leafless', label: 'trees bare in winter' },
    ],
    'Ground and evergreens shade fully; bare trees let about half of the sun through in winter.',
  ),
}

const ROOM: FieldTable<BatteryRoom> = {
  kind: choice(
    'Battery room',
    [
      { value: 'heated', label: 'heated' },
      { value: 'unheated', label: 'unheated' },
      { value: 'buried', label: 'buried' },
    ],
    'Heated follows its thermostat, unheated the air outside, dulled, buried the ground. Lithium must not be charged below freezing.',
  ),
  setC: number(
    'Room kept at',
    '°C',
    -20,
    45,
    say`What a heated room’s thermostat is set to. ${celsius(10)} to ${celsius(20)} is usual.`,
  ),
  depthM: number(
    'Ground above the room',
    'm',
    0.1,
    10,
    say`Of a buried room. A metre leaves two thirds of the year’s swing and a month’s delay; snow on top counts as more ground.`,
    { step: 0.1, since: since(4, 1) },
  ),
}

export const PLACE: FieldTable<Place> = {
  label: words('Place', 120, 'What you call the place; nothing is looked up by it.'),
  latitudeDeg: number(
    'Latitude',
    '°',
    -90,
    90,
    'North is positive. A map or a phone shows it; two decimals are enough.',
    { step: 0.1 },
  ),
  longitudeDeg: number(
    'Longitude',
    '°',
    -180,
    180,
    'East is positive, the Americas negative. Two decimals are enough.',
    { step: 0.1 },
  ),
  elevationM: number(
    'Elevation',
    'm',
    -430,
    6000,
    say`Height above the sea. Engines lose about 3.5 % of their power in ${amount(300, 'm')}, inverters from the height their sheet names.`,
    { step: 10 },
  ),
  utcOffsetH: number(
    'Clock, hours from UTC',
    'h',
    -12,
    14,
    'Standard time of the place, without summer time. Loads and quiet hours go by it.',
  ),
  wiringBasis: choice(
    'Conductor sizes in',
    [
      { value: 'awg', label: 'AWG' },
      { value: 'metric', label: 'mm²' },
    ],
    'The sizes sold where you build: American wire gauge or square millimetres.',
  ),
  recordLowC: number(
    'Record low',
    '°C',
    -80,
    40,
    'Coldest that was ever measured there. Modules make their highest voltage at dawn of such a day.',
  ),
  recordHighC: number(
    'Record high',
    '°C',
    -20,
    60,
    'Hottest that was ever measured there. Modules make their lowest voltage then.',
  ),
  climate: choice<string>(
    'Climate the rows came from',
    [
      ...ILLUSTRATIVE_CLIMATES.map(({ id, name }) => ({ value: id, label: name })),
      { value: 'own', label: 'own figures' },
    ],
    'An illustration to start from; replace its rows by figures of a station or an atlas.',
  ),
  monthly: climateRows,
  persistence,
  windMS: number(
    'Wind',
    'm/s',
    0,
    30,
    'Mean wind at the modules; it cools them. 1 to 2 in valleys, 3 to 5 on open land.',
    { step: 0.1 },
  ),
  interannualPct,
  source: choice(
    'Weather that rules',
    [
      { value: 'monthly', label: 'the monthly rows' },
      { value: 'fitted', label: 'years made from imported hours' },
      { value: 'hours', label: 'the imported hours as they were' },
    ],
    'Made years show bad winters that a short record does not hold.',
    since(2, 'monthly'),
  ),
  hours: part('Imported hours', PLACE_HOURS, 'A file of measured hours chosen for this place.', {
    empty: 'none is chosen',
    since: since(2, null),
  }),
  albedoBare: share('Bare ground reflects', 'Share of sunlight that bare ground throws back: grass 0.2, dry soil 0.3.'),
  albedoSnow: share('Snow reflects', 'Share of sunlight that lying snow throws back: old 0.5, fresh 0.8.'),
  horizon: rows(
    'Horizon',
    HORIZON,
    { most: COUNTS.horizonPoints },
    'What stands in the sun’s way all around, as seen from the array.',
  ),
  batteryRoom: part('Battery room', ROOM, 'Where the bank stands.'),
  knownSunHours: numbers(
    'Sun hours you know',
    'h',
    0,
    14,
    { most: 12, empty: 'only the climate says' },
    'Peak sun hours a day on the modules, as a neighbour or a map says: of the worst month alone, or of the twelve months. The array is sized by them beside the climate; the run keeps to the climate.',
    since(6, null),
  ),
  brushSnowDays: number(
    'Snow brushed off after',
    'd',
    0,
    60,
    'Days until somebody clears the modules; left empty, snow slides off when it will.',
    { empty: 'never' },
  ),
}
