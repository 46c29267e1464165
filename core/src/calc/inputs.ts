import { type StringKind } from '../array/mismatch.ts'
import { type ModuleSheet } from '../array/singleDiode.ts'
import type { Load } from '../design/types.ts'
import { LOAD_SINCE_2, LOAD_SINCE_3 } from '../design/migrate.ts'
import { runStartDay } from '../sun/calendar.ts'
import { sunYear, type SunYear } from '../sun/geometry.ts'
import type { HorizonPoint } from '../sun/horizon.ts'
import type { MonthlyClimate } from '../weather/climate.ts'
import { WeatherMaker, type WeatherYear } from '../weather/generate.ts'
import { choice, Fields, integer, list, number, numbers, optional, type Field } from './fields.ts'

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
export const climateRows = list('12 rows of {ghiKWhM2Day, meanC, minC, maxC, snowfallCm}', 12)
export const chemistry = choice('lfp', 'flooded', 'agm', 'gel')
export const fuel = choice('petrol', 'propane', 'natural-gas', 'diesel')
export const mounting = choice('open-rack', 'roof-parallel')
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
  betaVocPctPerK: number('%/K', -1, 0),
}

/** A kind of string, its module checked as a call of its own. */
export function stringOf({ module, inSeries, count = 1 }: Record<string, unknown>, i: number): StringKind {
  const known = Object.fromEntries(Object.entries((module ?? {}) as object).filter(([key]) => key in moduleSheet))
  try {
    const sheet = new Fields(moduleSheet, known).all<ModuleSheet>()
    const counts = { inSeries: integer('modules', 1, 100), count: integer('strings', 1, 1000) }
    return { module: sheet, ...new Fields(counts, { inSeries, count }).all<{ inSeries: number; count: number }>() }
  } catch (error) {
    throw new RangeError(`strings.${i}.${(error as Error).message}`, { cause: error })
  }
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

/** Synthetic years as the weather inputs ask for them. */
export function madeYears(input: Fields): { years: WeatherYear[]; sun: SunYear } {
  const latitudeDeg = input.number('latitudeDeg')
  const given = input.numbers('persistence')
  if (given.length !== 1 && given.length !== 12)
    throw new RangeError(`persistence has ${given.length} values; one or twelve`)
  const persistence = given.length === 1 ? Array<number>(12).fill(given[0]) : given
  const sun = sunYear(locationOf(input))
  const source = { latitudeDeg, monthly: climateOf(input), persistence, windMS: 2, recordLowC: -90 }
  const maker = new WeatherMaker(source, sun, runStartDay(latitudeDeg))
  return {
    sun,
    years: Array.from({ length: input.number('years') }, (_, index) => maker.year(input.number('seed'), index)),
  }
}

export const groundOf = (input: Fields) => ({
  horizon: horizonOf(input),
  latitudeDeg: input.number('latitudeDeg'),
  skyModel: 'hay-davies' as const,
  albedoBare: 0.2,
  albedoSnow: 0.65,
})

/** Points of a horizon, checked one by one; none for an open one. */
export function horizonOf(input: Fields): HorizonPoint[] {
  if (!input.has('horizon')) return []
  return input.rows('horizon', {
    azimuthDeg: number('°', 0, 360),
    elevationDeg: number('°', 0, 90),
    cover: optional(choice('terrain', 'evergreen', 'leafless'), 'terrain'),
  }) as unknown as HorizonPoint[]
}

/** A load as in the document of any version. */
export const loadOf = (value: unknown) =>
  ({ ...LOAD_SINCE_2, ...LOAD_SINCE_3, ...(value as object) }) as unknown as Load

/** Rows of a monthly climate, checked one by one. */
export function climateOf(input: Fields): MonthlyClimate[] {
  return input.rows('monthly', {
    ghiKWhM2Day: number('kWh/m²·day', 0, 14),
    meanC: optional(number('°C', -80, 60), 0),
    minC: optional(number('°C', -90, 60), -5),
    maxC: optional(number('°C', -80, 70), 5),
    snowfallCm: optional(number('cm', 0, 1000), 0),
  }) as unknown as MonthlyClimate[]
}

export function locationOf(input: Fields) {
  const longitudeDeg = input.number('longitudeDeg')
  return { latitudeDeg: input.number('latitudeDeg'), longitudeDeg, utcOffsetH: Math.round(longitudeDeg / 15) }
}
