import { seasonOf, summariseWinter, type Design, type WinterSummary, type YearResult } from '@ambrel/core'

/** The winters of a run, a row per year, a column per day of the run's year. */
export interface Winters {
  years: number
  seed: number
  startDay: number
  summary: WinterSummary
  lowest: Float32Array
  generatorHours: Float32Array
  shortHours: Float32Array
}

const DAYS = 365

/** What the page draws of a run's years. */
export function packWinters(design: Design, results: readonly YearResult[]): Winters {
  const { startDay } = seasonOf(design.place)
  const lowest = new Float32Array(results.length * DAYS)
  const generatorHours = new Float32Array(results.length * DAYS)
  const shortHours = new Float32Array(results.length * DAYS)
  results.forEach((year, i) => {
    lowest.set(year.lowestByDay, i * DAYS)
    generatorHours.set(year.generatorHoursByDay, i * DAYS)
    shortHours.set(year.shortHoursByDay, i * DAYS)
  })
  return {
    years: results.length,
    seed: design.winter.seed,
    startDay,
    summary: summariseWinter(results, design),
    lowest,
    generatorHours,
    shortHours,
  }
}
