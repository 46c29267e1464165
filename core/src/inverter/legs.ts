import type { Design, Leg, Load, Schools } from '../document/types.ts'
import { normalShape, standbyEnergy, useEnergy } from '../loads/energy.ts'
import { onAtOnce } from '../loads/peak.ts'
import { legsOfService, legVolts, serviceOf, type LiveLeg, type Service } from './service.ts'

export interface LegBalance {
  legAW: number
  legBW: number
  legCW: number
  /** current in the neutral, A, unity power factor */
  neutralA: number
}

/** Share of a load that each leg carries. */
const SHARE: Record<LiveLeg, Record<Exclude<Leg, 'DC'>, number>> = {
  A: { A: 1, B: 0, C: 0, AB: 1 / 2, ABC: 1 / 3 },
  B: { A: 0, B: 1, C: 0, AB: 1 / 2, ABC: 1 / 3 },
  C: { A: 0, B: 0, C: 1, AB: 0, ABC: 1 / 3 },
}

/** Share of a load on one leg. */
export const legShare = (on: LiveLeg, leg: Leg): number => (leg === 'DC' ? 0 : SHARE[on][leg])

/**
 * Power on each leg and the current in the neutral, unity power factor.
 *
 * Split phase: a 240 V load takes half from each leg and nothing from the neutral; the legs oppose each other, so the
 * neutral carries their difference. Three phases 120° apart: the neutral carries their vector sum,
 * √(a² + b² + c² − ab − bc − ca); a three-phase load takes a third from each.
 *
 * @param loads watts ≥ 0
 * @param volts leg to neutral
 * Source: Kirchhoff's current law at the neutral.
 * @example legs([{ watts: 1200, leg: 'A' }, { watts: 600, leg: 'B' }, { watts: 2400, leg: 'AB' }]) → { legAW: 2400,
 * legBW: 1800, legCW: 0, neutralA: 5 }
 */
export function legs(
  loads: readonly { watts: number; leg: Exclude<Leg, 'DC'> }[],
  service: Service = 'split-phase',
  volts = 120,
): LegBalance {
  const on = (leg: LiveLeg) => loads.reduce((sum, load) => sum + load.watts * SHARE[leg][load.leg], 0)
  const [legAW, legBW, legCW] = [on('A'), on('B'), on('C')]
  return { legAW, legBW, legCW, neutralA: inNeutral(legAW, legBW, legCW, service) / volts }
}

/** Watts' worth of current that does not cancel between the legs. */
function inNeutral(a: number, b: number, c: number, service: Service): number {
  if (service === 'split-phase') return Math.abs(a - b)
  if (service === 'three-phase') return Math.sqrt(Math.max(0, a * a + b * b + c * c - a * b - b * c - c * a))
  return a
}

/** Every leg with every AC load on: what the busiest moment could ask of each. */
export function runningLegs({ loads, inverter }: Design): LegBalance {
  return legs(
    loads.flatMap((load) =>
      load.leg === 'DC' || load.supply !== 'electric' ? [] : [{ watts: load.runningW * load.quantity, leg: load.leg }],
    ),
    serviceOf(inverter),
    legVolts(inverter),
  )
}

/**
 * Watts on at once on each leg, by a school. Each leg is asked by itself: what runs on one at its fullest is not on the other,
 * so that together they may be more than the inverter has on at once, and none is less than the largest load it carries.
 *
 * @param school how much is taken to run together
 * @param per what a watt of a load counts as: one, or 1 ÷ power factor where volt-amperes are asked for
 * @returns W (or VA) by leg of the service, 0 for one it does not have
 * @example legsAtOnce(larkspurBench(), 'everything').A → 3894
 */
export function legsAtOnce(
  { loads, inverter }: Pick<Design, 'loads' | 'inverter'>,
  school: Schools['peak'],
  per: (load: Load) => number = () => 1,
): Record<LiveLeg, number> {
  const names = legsOfService(serviceOf(inverter))
  const ac = loads.filter(({ leg, supply }) => leg !== 'DC' && supply === 'electric')
  const shareOf = (leg: LiveLeg, load: Load) => (names.length > 1 ? legShare(leg, load.leg) : 1)
  const on = onAtOnce(
    ac,
    school,
    names.map((leg) => ac.map((load) => shareOf(leg, load) * per(load))),
  )
  return { A: 0, B: 0, C: 0, ...Object.fromEntries(names.map((leg, i) => [leg, on[i]])) }
}

/**
 * Puts the single-leg loads on the legs so that the heaviest leg is as light as can be: largest first onto the lightest
 * leg. Source: longest-processing-time rule, Graham (1969), within a sixth of the best.
 * @example bestLegs([9, 7, 6].map((watts) => ({ ...larkspurBench().loads[0], id: `w${watts}`, leg: 'A', runningW:
 * watts, quantity: 1 }))) → { w9: 'A', w7: 'B', w6: 'B' }
 */
export function bestLegs(loads: readonly Load[], service: Service = 'split-phase'): Record<string, Leg> {
  const assignment: Record<string, Leg> = {}
  const names = legsOfService(service)
  const level = new Map<LiveLeg, number>(names.map((leg) => [leg, 0]))
  const single = loads.filter(({ leg }) => leg === 'A' || leg === 'B' || leg === 'C')
  for (const load of [...single].sort((x, y) => y.runningW * y.quantity - x.runningW * x.quantity)) {
    const leg = names.reduce((lightest, each) => (level.get(each)! < level.get(lightest)! ? each : lightest))
    assignment[load.id] = leg
    level.set(leg, level.get(leg)! + load.runningW * load.quantity)
  }
  return assignment
}

/** The hour in which one leg carries most, on an average day of a month. */
export interface WorstLegHour {
  leg: LiveLeg
  month: number
  hour: number
  watts: number
  /** by hour, W, of every leg of the service in that month */
  day: Record<LiveLeg, number[]>
}

/** Average watts of each leg by month and hour, loads at their own hours. */
export function legYear(loads: readonly Load[]): Record<LiveLeg, number[]>[] {
  const year = Array.from({ length: 12 }, () => ({
    A: Array<number>(24).fill(0),
    B: Array<number>(24).fill(0),
    C: Array<number>(24).fill(0),
  }))
  for (const load of loads) {
    const { leg } = load
    if (leg === 'DC' || load.supply !== 'electric') continue
    const shape = normalShape(load)
    const carrying = (['A', 'B', 'C'] as const).filter((live) => SHARE[live][leg] > 0)
    year.forEach((day, month) => {
      const use = useEnergy(load, month)
      const standbyW = standbyEnergy(load, month) / 24
      for (const live of carrying)
        for (let hour = 0; hour < 24; hour++) day[live][hour] += (use * shape[hour] + standbyW) * SHARE[live][leg]
    })
  }
  return year
}

/** The worst hour of any leg through the year. */
export function worstLegHour(loads: readonly Load[], service: Service): WorstLegHour {
  const year = legYear(loads)
  const names = legsOfService(service)
  let worst: WorstLegHour = { leg: names[0], month: 0, hour: 0, watts: year[0][names[0]][0], day: year[0] }
  year.forEach((day, month) => {
    for (const leg of names)
      day[leg].forEach((watts, hour) => {
        if (watts > worst.watts) worst = { leg, month, hour, watts, day }
      })
  })
  return worst
}
