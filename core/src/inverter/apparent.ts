import type { Design, Load, Schools } from '../document/types.ts'
import { onAtOnce } from '../loads/peak.ts'
import type { Worked } from '../working/working.ts'
import { legsAtOnce } from './legs.ts'
import { inverterRating, legsOfService, serviceOf, type LiveLeg } from './service.ts'

const acLoads = ({ loads }: Pick<Design, 'loads'>) =>
  loads.filter(({ leg, supply }) => leg !== 'DC' && supply === 'electric')
/** Whether volt-amperes may be nearer to their rating than watts: something on AC draws more of them, or fewer are carried. */
export const countsVA = (design: Pick<Design, 'loads' | 'inverter'>): boolean => {
  const { ratedVA, ratedW } = design.inverter.part
  return (ratedVA ?? ratedW) < ratedW || acLoads(design).some(({ powerFactor }) => powerFactor < 1)
}

/**
 * Volt-amperes a watt of a load counts as. Added plainly, which errs on the safe side: currents that lead and lag partly
 * cancel.
 * Source: S = P ÷ cos φ; IEC 60050-131-11-41.
 * @example perWatt({ ...larkspurBench().loads[0], powerFactor: 0.5 }) → 2
 */
export const perWatt = ({ powerFactor }: Load): number => 1 / powerFactor

/**
 * Volt-amperes on at once of all that is on AC.
 *
 * @param school how much is taken to run together
 * Source: as {@link perWatt}.
 * @example peakVA(larkspurBench(), 'everything') → 6896.4
 */
export function peakVA(design: Pick<Design, 'loads'>, school: Schools['peak']): number {
  const loads = acLoads(design)
  const [va] = onAtOnce(loads, school, [loads.map(perWatt)])
  return va
}

/** Volt-amperes the inverters carry on each leg at their hottest; where a sheet states watts alone, as many. */
export function legVA(design: Pick<Design, 'inverter' | 'place'>): number {
  const { part, quantity } = design.inverter
  const { derating } = inverterRating(design)
  return ((part.ratedVA ?? part.ratedW) * quantity * derating) / legsOfService(serviceOf(design.inverter)).length
}

/** What is on at once on a leg: W, VA, and the share it fills of the leg by whichever of them is nearer to its rating. */
export interface LegLoad {
  leg: LiveLeg
  watts: number
  va: number
  share: number
}

/** Every leg of a design's inverter with what is on at once, by its school. @param design with its loads on legs the inverter has */
export function legLoads(design: Design): LegLoad[] {
  const { inverter, schools } = design
  const watts = legsAtOnce(design, schools.peak)
  const va = countsVA(design) ? legsAtOnce(design, schools.peak, perWatt) : watts
  const { legW } = inverterRating(design)
  const byVA = countsVA(design) ? 1 / legVA(design) : 0
  return legsOfService(serviceOf(inverter)).map((leg) => ({
    ...{ leg, watts: watts[leg], va: va[leg] },
    share: Math.max(watts[leg] / legW, va[leg] * byVA),
  }))
}

/** A leg fuller than this has little left for what was forgotten or a hot day, and bursts within the hour pass it. */
export const FULL_LEG = 0.8
/** How a share of what a leg carries for long is judged. */
export const legLevel = (share: number): 'sound' | 'watch' | 'stop' =>
  share > 1 ? 'stop' : share > FULL_LEG ? 'watch' : 'sound'

/** The continuous share that rules: by watts, or by volt-amperes where these are nearer to their rating. */
export function continuousShare(worked: Readonly<Record<string, Worked>>): Worked {
  const byWatts = worked['inverter.leg-share']
  const byVA = worked['inverter.va-share']
  return byVA && byVA.value > byWatts.value ? byVA : byWatts
}
