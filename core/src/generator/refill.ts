import { kineticStepOf, type Kinetic } from '../bank/kinetic.ts'

/** A charge by generator from one level to another. */
export interface Refill {
  hours: number
  /** the part of it in which the bank, not the charger, sets the current: the absorption tail */
  tailHours: number
  /** mean share of the charger's current */
  meanShare: number
}

const STEP_H = 0.05
const LONGEST_H = 96

/**
 * Hours a charger takes from one state of charge to another, with the acceptance of a lead-acid bank falling towards
 * the end as its kinetic model has it; a bank without that effect (c = 1) takes the full current to the end.
 *
 * @param kinetic of the whole bank, Ah
 * @param chargeA current the charger gives, > 0
 * @param efficiency share of the charge that is stored, 0…1
 * @param ratedAh C20, in which the levels are counted: 1 − ampere-hours below full ÷ C20
 * @returns hours up to 96; Infinity where the level is never reached in that time
 * @throws RangeError for levels that do not rise
 * Source: Manwell & McGowan (1993) charge limit, stepped.
 * @example refillHours({ qmaxAh: 200, c: 1, kPerH: 1 }, 0.3, 0.8, 50, 1).hours → 2
 */
export function refillHours(
  kinetic: Kinetic,
  from: number,
  to: number,
  chargeA: number,
  efficiency: number,
  ratedAh = kinetic.qmaxAh,
): Refill {
  if (!(from >= 0 && to <= 1 && to > from)) throw new RangeError(`from ${from} must lie below to ${to}, both 0…1`)
  if (!(chargeA > 0)) throw new RangeError(`chargeA ${chargeA} must be above 0`)
  if (!(efficiency > 0 && efficiency <= 1)) throw new RangeError(`efficiency ${efficiency} must lie between 0 and 1`)
  const { qmaxAh, c } = kinetic
  const step = kineticStepOf(kinetic, STEP_H)
  const heldAh = qmaxAh - (1 - from) * ratedAh
  let available = c * heldAh
  let bound = (1 - c) * heldAh
  let tail = 0
  let given = 0
  for (let i = 1; i * STEP_H <= LONGEST_H; i++) {
    const total = available + bound
    const resting = step.a1 * available + step.a2 * total
    const accepts = Math.max(0, (step.cqmaxAh - resting) / step.a3)
    const stored = Math.min(chargeA * efficiency, accepts)
    if (accepts < chargeA * efficiency) tail += STEP_H
    given += stored / efficiency / chargeA
    available = resting + step.a3 * stored
    bound = total + stored * STEP_H - available
    if (1 - (qmaxAh - available - bound) / ratedAh >= to - 1e-9)
      return { hours: i * STEP_H, tailHours: tail, meanShare: given / i }
  }
  return { hours: Infinity, tailHours: tail, meanShare: given / (LONGEST_H / STEP_H) }
}
