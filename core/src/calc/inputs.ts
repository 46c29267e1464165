import type { MonthlyClimate } from '../document/types.ts'
import type { HorizonPoint } from '../document/types.ts'
import { seasonOfMonths } from '../weather/season.ts'
import { sunYear, type SunYear } from '../sun/geometry.ts'
import { WeatherMaker, type WeatherYear } from '../weather/generate.ts'
import { HORIZON, MONTHLY } from '../fields/place.ts'
import { LOAD } from '../fields/load.ts'
import { GENERATOR_PART } from '../fields/generator.ts'
import { ARRAY_FIELD } from '../fields/array.ts'
import { BATTERY } from '../fields/bank.ts'
import { inputOf, inputsOf } from './fromTable.ts'
import { integer, list, number, numbers, optional, text, type Field, type Fields } from './fields.ts'

/** A public function of the core under its name: its inputs with ranges, what it gives, where it comes from. */
export interface CalcFunction {
  says: string
  inputs: Record<string, Field>
  outputs: Record<string, string>
  source: string
  run: (input: Fields) => Record<string, unknown>
}

export const latitude = number('°', -90, 90)
export const longitude = number('°', -180, 180)
export const share = number('share', 0, 1)
export const watts = number('W', 0, 1e7)
export const climateRows = list(
  'months',
  {
    ...inputsOf(MONTHLY, 'ghiKWhM2Day'),
    ...inputsOf(MONTHLY, { meanC: 0, minC: -5, maxC: 5, snowfallCm: 0 }),
  },
  12,
)
export const horizon = optional(
  list('points', {
    ...inputsOf(HORIZON, 'azimuthDeg', 'elevationDeg'),
    ...inputsOf(HORIZON, { cover: 'terrain' }),
  }),
  null,
)
export const chemistry = inputOf(BATTERY.chemistry)
export const fuel = inputOf(GENERATOR_PART.fuel)
export const mounting = inputOf(ARRAY_FIELD.mounting)
export const kinetic = {
  qmaxAh: number('Ah', 1e-6, 1e6),
  c: number('share', 1e-6, 1),
  kPerH: number('1/h', 1e-6, 1000),
}

export const moduleSheet = {
  vocV: number('V', 0.1, 500),
  iscA: number('A', 0.01, 100),
  vmpV: number('V', 0.1, 500),
  impA: number('A', 0.01, 100),
  cells: integer('cells', 1, 500),
  alphaIscPctPerK: number('%/K', -0.5, 0.5),
  betaVocPctPerK: number('%/K', -1, -0.01),
}

/** A load of the document: what its energy and its start are reckoned from. */
export const loadFields = {
  name: optional(text('its name'), ''),
  ...inputsOf(LOAD, {
    quantity: 1,
    basis: 'rated',
    runningW: 0,
    hoursPerDay: 0,
    duty: 1,
    daysPerWeek: 7,
    meteredKWh: null,
    meteredHours: null,
    cycleWh: null,
    cycleDepth: null,
    cycleChargerEfficiency: null,
    cyclesPerWeek: null,
    monthKWh: null,
    standbyW: 0,
    supply: 'electric',
    seasonShare: Array<number>(12).fill(1),
    hourShape: Array<number>(24).fill(1),
    leg: 'A',
    startKind: 'none',
    startW: null,
    startS: null,
  }),
}

export const weatherInputs = {
  latitudeDeg: latitude,
  longitudeDeg: longitude,
  elevationM: optional(number('m', -430, 6000), 0),
  monthly: climateRows,
  persistence: numbers('0…0.95, one or twelve', 0, 0.95),
  years: integer('years', 1, 1000),
  seed: integer('', -2147483648, 2147483647),
}

/**
 * Synthetic years as the weather inputs ask for them.
 * @throws RangeError for persistences that are neither one nor twelve
 */
export function madeYears(input: Fields): { years: WeatherYear[]; sun: SunYear } {
  const latitudeDeg = input.number('latitudeDeg')
  const given = input.numbers('persistence')
  if (given.length !== 1 && given.length !== 12)
    throw new RangeError(`persistence has ${given.length} values; one or twelve`)
  const persistence = given.length === 1 ? Array<number>(12).fill(given[0]) : given
  const sun = sunYear(locationOf(input))
  const monthly = climateOf(input)
  const source = {
    latitudeDeg,
    monthly,
    persistence,
    windMS: 2,
    interannualPct: null,
    recordLowC: null,
  }
  const maker = new WeatherMaker(source, sun, seasonOfMonths(latitudeDeg, monthly).startDay)
  return {
    sun,
    years: Array.from({ length: input.number('years') }, (_, index) => maker.year(input.number('seed'), index)),
  }
}

/** What is around a surface, and how its light is reckoned. */
export const groundOf = (input: Fields) => ({
  horizon: horizonOf(input),
  latitudeDeg: input.number('latitudeDeg'),
  skyModel: 'hay-davies' as const,
  albedoBare: 0.2,
  albedoSnow: 0.65,
})

/** Points of a horizon; none for an open one. */
export const horizonOf = (input: Fields) =>
  (input.has('horizon') ? input.rows('horizon') : []) as unknown as HorizonPoint[]

/** The twelve months of a climate. */
export const climateOf = (input: Fields) => input.rows('monthly') as unknown as MonthlyClimate[]

/** A place, its clock taken from its longitude: whole hours, 15° each. */
export function locationOf(input: Fields) {
  const longitudeDeg = input.number('longitudeDeg')
  return {
    latitudeDeg: input.number('latitudeDeg'),
    longitudeDeg,
    utcOffsetH: Math.round(longitudeDeg / 15),
    elevationM: input.has('elevationM') ? input.number('elevationM') : 0,
  }
}
