import type { Design, Leg, Load } from '../document/types.ts'
import { normalShape, standbyEnergy, useEnergy } from '../loads/energy.ts'
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

/** Share of all AC load that the heaviest leg carries; an even share where nothing is on. */
export function heaviestShare({ legAW, legBW, legCW }: LegBalance, legCount: number): number {
  const total = legAW + legBW + legCW
  return total > 0 ? Math.max(legAW, legBW, legCW) / total : 1 / legCount
}

/**
 * What each leg carries of what is on at once, W: as much of it as of everything that hangs on the legs.
 * @param onceW on at once by the school that rules, W
 * @example legsAtOnce({ legAW: 3000, legBW: 1000, legCW: 0, neutralA: 17 }, 2000) → { A: 1500, B: 500, C: 0 }
 */
export function legsAtOnce({ legAW, legBW, legCW }: LegBalance, onceW: number): Record<LiveLeg, number> {
  const share = onceW / Math.max(legAW + legBW + legCW, Number.MIN_VALUE)
  return { A: legAW * share, B: legBW * share, C: legCW * share }
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
