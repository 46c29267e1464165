import type { Design, Schools } from '../document/types.ts'
import { onAtOnce } from '../loads/peak.ts'
import type { Worked } from '../working/working.ts'
import { inverterRating, legsOfService, serviceOf } from './service.ts'

const acLoads = ({ loads }: Pick<Design, 'loads'>) =>
  loads.filter(({ leg, supply }) => leg !== 'DC' && supply === 'electric')
/** Whether anything on AC draws more volt-amperes than watts. */
export const drawsVA = (design: Pick<Design, 'loads'>): boolean =>
  acLoads(design).some(({ powerFactor }) => powerFactor < 1)

/**
 * Volt-amperes on at once: as the watts on at once, each load's over its power factor. Added plainly, which errs on the safe
 * side: currents that lead and lag partly cancel.
 *
 * @param school how much is taken to run together
 * Source: S = P ÷ cos φ; IEC 60050-131-11-41.
 * @example peakVA(larkspurBench(), 'everything') → 6896.4
 */
export function peakVA(design: Pick<Design, 'loads'>, school: Schools['peak']): number {
  const loads = acLoads(design)
  const [va] = onAtOnce(loads, school, [loads.map(({ powerFactor }) => 1 / powerFactor)])
  return va
}

/** Volt-amperes the inverters carry on each leg at their hottest; where a sheet states watts alone, as many. */
export function legVA(design: Pick<Design, 'inverter' | 'place'>): number {
  const { part, quantity } = design.inverter
  const { derating } = inverterRating(design)
  return ((part.ratedVA ?? part.ratedW) * quantity * derating) / legsOfService(serviceOf(design.inverter)).length
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
