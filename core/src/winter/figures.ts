import { PRIORITY_WORDS } from '../fields/load.ts'
import type { Priority } from '../document/types.ts'
import { quantile } from '../math/quantile.ts'
import type { YearResult } from './year.ts'

/** A figure of a year of the run, as everything that shows, compares or prints it reads it. */
export interface FigureFact {
  /** as a reader names it */
  label: string
  /** stored unit; empty for a number of times */
  unit: string
  /** which end of many years is the bad one */
  bad: 'high' | 'low'
  /** @param fuelTripDays longest time between two trips for fuel, days */
  of: (year: YearResult, fuelTripDays: number) => number
}

/** Every figure of a year that people compare. One more is one more entry here. */
export const RUN_FIGURES = {
  lowestStateOfCharge: {
    label: 'lowest charge',
    unit: 'share',
    bad: 'low',
    of: (year) => year.lowestStateOfCharge,
  },
  generatorHours: { label: 'backup', unit: 'h', bad: 'high', of: (year) => year.generatorHours },
  generatorStarts: { label: 'starts of the backup', unit: '', bad: 'high', of: (year) => year.generatorStarts },
  generatorWh: { label: 'energy from the backup', unit: 'Wh', bad: 'high', of: (year) => year.generatorWh },
  gridWh: { label: 'energy from the grid', unit: 'Wh', bad: 'high', of: (year) => year.gridWh },
  fuelL: { label: 'fuel', unit: 'L', bad: 'high', of: (year) => year.fuelL },
  fuelBetweenTripsL: {
    label: 'most fuel between two trips',
    unit: 'L',
    bad: 'high',
    of: (year, fuelTripDays) => mostWithin(year.fuelByDay, Math.round(fuelTripDays)),
  },
  curtailedWh: { label: 'curtailed', unit: 'Wh', bad: 'high', of: (year) => year.curtailedWh },
  servedWh: { label: 'served', unit: 'Wh', bad: 'low', of: (year) => year.servedWh },
  longestSinceFullDays: {
    label: 'longest without a full charge',
    unit: 'd',
    bad: 'high',
    of: (year) => year.longestSinceFullDays,
  },
  // the longer the spell it rode through, the better
  longestSpellDays: {
    label: 'longest spell ridden through',
    unit: 'd',
    bad: 'low',
    of: (year) => year.longestSpellDays,
  },
  coldLockHours: { label: 'locked by cold', unit: 'h', bad: 'high', of: (year) => year.coldLockHours },
  spilledDcWh: {
    label: 'other sources’ power left over',
    unit: 'Wh',
    bad: 'high',
    of: (year) => year.spilledDcWh,
  },
  heaterWh: { label: 'bank heaters', unit: 'Wh', bad: 'high', of: (year) => year.losses.heaterWh },
  equalisations: { label: 'equalising charges', unit: '', bad: 'low', of: (year) => year.equalisations },
} satisfies Record<string, FigureFact>

export type RunFigure = keyof typeof RUN_FIGURES
const KEYS = Object.keys(RUN_FIGURES) as RunFigure[]

/** Figures that are told for each priority by itself; high is the bad end of all. */
export const PRIORITY_FIGURES = {
  shortHours: { label: 'short', unit: 'h' },
  unmetWh: { label: 'not served', unit: 'Wh' },
} as const
const PRIORITIES = Object.keys(PRIORITY_WORDS) as Priority[]

/** The figures of a year that people compare. */
export type YearFigures = Record<RunFigure, number> & Record<keyof typeof PRIORITY_FIGURES, Record<Priority, number>>

/** Only the comparable figures of a year. @param fuelTripDays longest time between two trips for fuel */
export function figuresOf(year: YearResult, fuelTripDays = 30): YearFigures {
  const { shortHours, unmetWh } = year
  const scalars = KEYS.map((key) => [key, RUN_FIGURES[key].of(year, fuelTripDays)])
  return { shortHours, unmetWh, ...(Object.fromEntries(scalars) as Record<RunFigure, number>) }
}

/**
 * Figures at a percentile over the years, each taken by itself and from its bad end.
 * @param years at least one
 * @param badShare 0.5 for the median, 0.9 for 1 in 10
 */
export function figuresAt(years: readonly YearFigures[], badShare: number): YearFigures {
  const at = (pick: (year: YearFigures) => number, share: number) =>
    quantile(Float64Array.from(years, pick).sort(), share)
  const scalars = KEYS.map((key) => [
    key,
    at((year) => year[key], RUN_FIGURES[key].bad === 'high' ? badShare : 1 - badShare),
  ])
  const byPriority = (key: keyof typeof PRIORITY_FIGURES) =>
    Object.fromEntries(PRIORITIES.map((priority) => [priority, at((year) => year[key][priority], badShare)])) as Record<
      Priority,
      number
    >
  return {
    shortHours: byPriority('shortHours'),
    unmetWh: byPriority('unmetWh'),
    ...(Object.fromEntries(scalars) as Record<RunFigure, number>),
  }
}

/**
 * How far each figure at a percentile may be off because there are only so many years: half the way between the
 * percentiles one standard error of their rank below and above it.
 *
 * @param years at least one; of a single year nothing can be said, and all is 0
 * @example ((year) => figureErrors(Array.from({ length: 30 }, (_, i) => ({ ...year, generatorHours: i })),
 * 0.5).generatorHours)(figuresOf(new WinterEngine().year(larkspurBench(), 7, 0))) → 2.647
 * Source: order statistics, the rank of a quantile being binomial: √(p(1 − p) ÷ n).
 */
export function figureErrors(years: readonly YearFigures[], badShare: number): YearFigures {
  const off = Math.sqrt((badShare * (1 - badShare)) / years.length)
  const [low, high] = [figuresAt(years, Math.max(0, badShare - off)), figuresAt(years, Math.min(1, badShare + off))]
  const half = (a: number, b: number) => Math.abs(a - b) / 2
  const byPriority = (key: keyof typeof PRIORITY_FIGURES) =>
    Object.fromEntries(
      PRIORITIES.map((priority) => [priority, half(low[key][priority], high[key][priority])]),
    ) as Record<Priority, number>
  return {
    shortHours: byPriority('shortHours'),
    unmetWh: byPriority('unmetWh'),
    ...(Object.fromEntries(KEYS.map((key) => [key, half(low[key], high[key])])) as Record<RunFigure, number>),
  }
}

/** The worst of what was short, whatever its priority. */
export const worstOf = (byPriority: Record<Priority, number>): number => Math.max(...Object.values(byPriority))

/** Largest sum of any so many days in a row. */
export function mostWithin(days: ArrayLike<number>, length: number): number {
  let sum = 0
  let most = 0
  for (let day = 0; day < days.length; day++) {
    sum += days[day] - (day >= length ? days[day - length] : 0)
    if (sum > most) most = sum
  }
  return most
}
