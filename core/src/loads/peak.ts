import { keptOf } from '../math/kept.ts'
import type { Load, Schools, StartKind } from '../document/types.ts'
import { normalShape, standbyEnergy, useEnergy } from './energy.ts'

/** Start watts as a multiple of running watts where nothing better is known. Source: motor practice, mid-range. */
export const START_MULTIPLE: Record<StartKind, number> = {
  none: 1,
  compressor: 4.5,
  'submersible-pump': 4.5,
  'soft-start-pump': 2,
  'induction-tool': 4,
  'universal-tool': 1.75,
}

/** Within which that lies for the kind. Source: as above, least to most. */
const START_RANGE: Record<StartKind, [number, number]> = {
  none: [1, 1],
  compressor: [3, 6],
  'submersible-pump': [3, 6],
  'soft-start-pump': [1.5, 2.5],
  'induction-tool': [3, 5],
  'universal-tool': [1.5, 2],
}

/** Least and most watts of a start that was neither measured nor stated; null of one that was. */
export const guessedStart = ({ startW, runningW, startKind }: Load): [number, number] | null =>
  startW === null ? [runningW * START_RANGE[startKind][0], runningW * START_RANGE[startKind][1]] : null

/** Usual length of a start, s. Source: motor practice; a soft starter trades watts for seconds. */
export const START_SECONDS: Record<StartKind, number> = {
  none: 0,
  compressor: 0.5,
  'submersible-pump': 1,
  'soft-start-pump': 3,
  'induction-tool': 2,
  'universal-tool': 0.5,
}

/** Start watts of one unit of a load: as stated, or the usual multiple of its running watts. */
export function startWatts(load: Load): number {
  return load.startW ?? load.runningW * START_MULTIPLE[load.startKind]
}

/** How long a load's start lasts, s. */
export const startSeconds = (load: Load): number => load.startS ?? START_SECONDS[load.startKind]

export interface CoincidentPeak {
  school: Schools['peak']
  /** running watts at the same time */
  continuousW: number
  /** the largest start on top of what runs then */
  surgeW: number
  /** the load whose start makes the surge, and how long it lasts, s */
  starter: string
  startS: number
}

/**
 * How much is on at once, by two schools.
 *
 * `coincidence`: in each hour a load that is used then counts with the share of the hour it runs, but never less than
 * the single largest load of that hour at full watts; the worst hour of any month rules. The surge is the largest start
 * on top of what else runs. `everything`: all running watts together plus 20 %, and the largest start on top.
 *
 * @param all AC loads; DC loads are left out by the caller. Loads on propane or taken out do not count.
 */
export function coincidentPeak(all: readonly Load[], school: Schools['peak']): CoincidentPeak {
  const loads = all.filter((load) => load.supply === 'electric')
  const starter = loads
    .filter(({ seenStarting }) => !seenStarting)
    .reduce<Load | null>((most, load) => (most === null || extraStart(load) > extraStart(most) ? load : most), null)
  const [continuousW] = onAtOnce(loads, school, [Array<number>(loads.length).fill(1)])
  return {
    school,
    continuousW,
    surgeW: continuousW + (starter ? extraStart(starter) : 0),
    starter: starter?.name ?? '',
    startS: starter ? startSeconds(starter) : 0,
  }
}

/** What a start adds to what a load runs at, W. */
export const extraStart = (load: Load): number => Math.max(0, startWatts(load) - load.runningW)

/**
 * Watts on at once by a school, for several places at a time.
 *
 * @param loads electric ones
 * @param shares for each place, what share of each load hangs on it
 * @returns W, in the order of the places
 */
export function onAtOnce(
  loads: readonly Load[],
  school: Schools['peak'],
  shares: readonly (readonly number[])[],
): number[] {
  if (school === 'everything')
    return shares.map(
      (of) => 1.2 * loads.reduce((sum, { runningW, quantity }, i) => sum + of[i] * runningW * quantity, 0),
    )
  const hours = loads.map(wattsByHour)
  return shares.map((of) => worstHour(hours, of))
}

/** The most of any hour: what runs on average together, and what the load that lacks most lacks of running in full. */
function worstHour(hours: readonly HoursOfLoad[], shares: readonly number[]): number {
  const together = new Float64Array(MONTH_HOURS)
  const most = new Float64Array(MONTH_HOURS)
  hours.forEach(({ mean, missing }, i) => {
    const share = shares[i]
    if (share === 0) return
    for (let at = 0; at < MONTH_HOURS; at++) {
      together[at] += share * mean[at]
      const lacks = share * missing[at]
      if (lacks > most[at]) most[at] = lacks
    }
  })
  let worst = 0
  for (let at = 0; at < MONTH_HOURS; at++) if (together[at] + most[at] > worst) worst = together[at] + most[at]
  return worst
}

/** Hours of the mean days of the twelve months. */
const MONTH_HOURS = 12 * 24

/** What a load draws in each hour of a mean day of each month, and what it lacks of running in full, W. */
interface HoursOfLoad {
  mean: Float64Array
  missing: Float64Array
}
const wattsByHour = keptOf((load: Load): HoursOfLoad => {
  const mean = new Float64Array(MONTH_HOURS)
  const missing = new Float64Array(MONTH_HOURS)
  const shape = normalShape(load)
  const { runningW } = load
  const mostW = runningW * load.quantity
  for (let month = 0; month < 12; month++) {
    const use = useEnergy(load, month)
    const standbyW = standbyEnergy(load, month) / 24
    for (let hour = 0; hour < 24; hour++) {
      const used = use * shape[hour]
      const average = used + standbyW
      const full = used > 0 ? runningW : 0
      const at = month * 24 + hour
      mean[at] = mostW > 0 && mostW < average ? mostW : average
      missing[at] = full > average ? full - average : 0
    }
  }
  return { mean, missing }
})
