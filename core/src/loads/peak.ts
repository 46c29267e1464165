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
  const worst = shares.map(() => 0)
  const shapes = loads.map(normalShape)
  const mean = shares.map(() => new Float64Array(24))
  const missing = shares.map(() => new Float64Array(24))
  for (let month = 0; month < 12; month++) {
    for (const each of [...mean, ...missing]) each.fill(0)
    loads.forEach((load, i) => {
      const use = useEnergy(load, month)
      const standbyW = standbyEnergy(load, month) / 24
      const { runningW } = load
      const mostW = runningW * load.quantity
      for (let hour = 0; hour < 24; hour++) {
        const used = use * shapes[i][hour]
        const average = used + standbyW
        const full = used > 0 ? runningW : 0
        const meanW = mostW > 0 && mostW < average ? mostW : average
        const missingW = full > average ? full - average : 0
        for (let place = 0; place < shares.length; place++) {
          const share = shares[place][i]
          if (share === 0) continue
          mean[place][hour] += share * meanW
          if (share * missingW > missing[place][hour]) missing[place][hour] = share * missingW
        }
      }
    })
    for (let place = 0; place < shares.length; place++)
      for (let hour = 0; hour < 24; hour++)
        worst[place] = Math.max(worst[place], mean[place][hour] + missing[place][hour])
  }
  return worst
}
