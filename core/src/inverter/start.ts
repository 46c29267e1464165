import type { Design, Load } from '../document/types.ts'
import { extraStart, onAtOnce, startSeconds } from '../loads/peak.ts'
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
  const ats: HardestStart['at'][] = legs.length > 1 ? ['all', ...legs] : ['all']
  const shareAt = (at: HardestStart['at'], load: Load) => (at === 'all' ? 1 : legShare(at, load.leg))
  const onAt = onAtOnce(
    ac,
    design.schools.peak,
    ats.map((at) => ac.map((load) => shareAt(at, load))),
  )
  const places = ats.map((at, i) => ({ at, baseW: onAt[i], of: at === 'all' ? 1 : legs.length }))
  return ac
    .filter((load) => extraStart(load) > 0 && !load.seenStarting)
    .map((load) => {
      const { surgeW } = inverterRating(design, startSeconds(load))
      return places
        .map(({ at, baseW, of }): HardestStart => {
          const addedW = extraStart(load) * shareAt(at, load)
          return { load, at, baseW, addedW, limitW: surgeW / of, share: ((baseW + addedW) * of) / surgeW }
        })
        .filter(({ addedW }) => addedW > 0)
        .reduce((hardest, each) => (each.share > hardest.share ? each : hardest))
    })
    .sort((a, b) => b.share - a.share)
}
