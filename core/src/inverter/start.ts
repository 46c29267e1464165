import type { Design, Load } from '../document/types.ts'
import { coincidentPeak, extraStart, startSeconds } from '../loads/peak.ts'
import { legShare } from './legs.ts'
import { inverterRating, legsOfService, serviceOf, type LiveLeg } from './service.ts'

/** A start as one leg, or both, meet it. */
export interface StartQuestion {
  topology: 'split-phase' | 'single'
  /** of the whole inverter, W */
  surgeW: number
  leg: 'A' | 'B' | 'AB'
  /** already on that leg, or on both for AB, W */
  runningW: number
  startW: number
}

/**
 * A start against the surge its leg has: of a split-phase inverter half of it on a leg, all of it across both.
 *
 * @throws RangeError for a surge rating that is not above 0
 * Source: each half of a split-phase inverter carries its own leg.
 * @example startOnLeg({ topology: 'split-phase', surgeW: 12000, leg: 'A', runningW: 1000, startW: 6000 }) → { share:
 * 1.167, carries: false }
 */
export function startOnLeg({ topology, surgeW, leg, runningW, startW }: StartQuestion): {
  share: number
  carries: boolean
} {
  if (!(surgeW > 0)) throw new RangeError(`surgeW ${surgeW} must be above 0`)
  const has = topology === 'split-phase' && leg !== 'AB' ? surgeW / 2 : surgeW
  const share = (runningW + startW) / has
  return { share, carries: share <= 1 }
}

/** The start that comes nearest to what its leg, or the whole inverter, gives for its seconds. */
export interface HardestStart {
  load: Load
  /** where it is met: a leg, or all of them together */
  at: LiveLeg | 'all'
  /** W there: what is on at once, and what the start adds to it */
  baseW: number
  addedW: number
  limitW: number
  share: number
}

/**
 * Every load of a design that starts above what it runs at, where its start is hardest: on each leg it hangs on and on the
 * inverter as a whole, on top of what is on there at once. Those that were seen starting are left out.
 * @returns the hardest first
 */
export function startsOf(design: Design): HardestStart[] {
  const legs = legsOfService(serviceOf(design.inverter))
  const ac = design.loads.filter(({ leg, supply }) => leg !== 'DC' && supply === 'electric')
  const onLeg = (leg: LiveLeg) =>
    coincidentPeak(
      ac.flatMap((load) => partOf(load, legShare(leg, load.leg))),
      design.schools.peak,
    ).continuousW
  const places = [
    { at: 'all' as const, baseW: coincidentPeak(ac, design.schools.peak).continuousW, of: 1 },
    ...(legs.length > 1 ? legs.map((leg) => ({ at: leg, baseW: onLeg(leg), of: legs.length })) : []),
  ]
  return ac
    .filter((load) => extraStart(load) > 0 && !load.seenStarting)
    .map((load) => {
      const { surgeW } = inverterRating(design, startSeconds(load))
      return places
        .map(({ at, baseW, of }): HardestStart => {
          const addedW = extraStart(load) * (at === 'all' ? 1 : legShare(at, load.leg))
          return { load, at, baseW, addedW, limitW: surgeW / of, share: ((baseW + addedW) * of) / surgeW }
        })
        .filter(({ addedW }) => addedW > 0)
        .reduce((hardest, each) => (each.share > hardest.share ? each : hardest))
    })
    .sort((a, b) => b.share - a.share)
}

/** The hardest start of all; null where nothing starts hard. */
export const hardestStart = (design: Design): HardestStart | null => startsOf(design)[0] ?? null

/** So much of a load, by every way in which it may be stated. */
function partOf(load: Load, share: number): Load[] {
  if (share <= 0) return []
  if (share === 1) return [load]
  const part = (value: number | null) => (value === null ? null : value * share)
  return [
    {
      ...load,
      runningW: load.runningW * share,
      startW: part(load.startW),
      standbyW: load.standbyW * share,
      meteredKWh: part(load.meteredKWh),
      cycleWh: part(load.cycleWh),
      monthKWh: part(load.monthKWh),
    },
  ]
}
