import type { Leg, Load } from '../design/types.ts'

export interface LegBalance {
  legAW: number
  legBW: number
  /** current in the neutral, A, unity power factor */
  neutralA: number
}

/**
 * Power on each leg of a split-phase system and the current in its neutral.
 * A 240 V load takes half from each leg and nothing from the neutral.
 *
 * @param loads watts ≥ 0; 120 V to neutral
 */
export function legs(loads: readonly { watts: number; leg: Exclude<Leg, 'DC'> }[]): LegBalance {
  let legAW = 0
  let legBW = 0
  for (const { watts, leg } of loads) {
    if (leg !== 'B') legAW += leg === 'AB' ? watts / 2 : watts
    if (leg !== 'A') legBW += leg === 'AB' ? watts / 2 : watts
  }
  return { legAW, legBW, neutralA: Math.abs(legAW - legBW) / 120 }
}

/**
 * Puts the 120 V loads on the two legs so that the heavier leg is as light as can be: largest first onto the lighter
 * leg. Source: longest-processing-time rule, Graham (1969), within a sixth of the best.
 */
export function bestLegs(loads: readonly Load[]): Record<string, Leg> {
  const assignment: Record<string, Leg> = {}
  const level = { A: 0, B: 0 }
  const movable = loads.filter((load) => load.leg === 'A' || load.leg === 'B')
  for (const load of [...movable].sort((x, y) => y.runningW * y.quantity - x.runningW * x.quantity)) {
    const leg = level.A <= level.B ? 'A' : 'B'
    assignment[load.id] = leg
    level[leg] += load.runningW * load.quantity
  }
  return assignment
}
