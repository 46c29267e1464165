import type { Design } from '../document/types.ts'
import { CHEMISTRIES } from './chemistry.ts'
import { kept } from '../math/kept.ts'
import { capacityLeft } from './strings.ts'

/** Parameters of the kinetic battery model: size, share available at once, rate at which the rest follows. */
export interface Kinetic {
  qmaxAh: number
  c: number
  kPerH: number
}

/**
 * Capacity at the constant current that empties a full battery in so many hours, Ah.
 *
 * @param hours > 0
 * @throws RangeError for hours ≤ 0
 * Source: Manwell & McGowan (1993): Q(T) = qmax·k·c·T / [1 − e^(−kT) + c(kT − 1 + e^(−kT))].
 * @example kineticCapacity({ qmaxAh: 300, c: 0.5, kPerH: 0.5 }, 20) → 272.7
 */
export function kineticCapacity({ qmaxAh, c, kPerH }: Kinetic, hours: number): number {
  if (!(hours > 0)) throw new RangeError(`hours ${hours} must be above 0`)
  const kT = kPerH * hours
  const fade = -Math.expm1(-kT)
  return (qmaxAh * c * kT) / (fade + c * (kT - fade))
}

/**
 * Fits the kinetic model to rated capacities by least squares on relative error.
 * For given c and k the size is closed form; c and k are found by a shrinking grid search, which cannot diverge.
 *
 * @param points at least one; with a single rate, or rates that do not differ, the battery has no rate effect (c = 1)
 * @returns parameters and the worst relative residual
 * @throws RangeError for no points or values ≤ 0
 * Source: Manwell & McGowan (1993).
 * @example fitKinetic([{ hours: 100, ampHours: 270 }, { hours: 20, ampHours: 225 }, { hours: 5, ampHours: 185
 * }]).qmaxAh → 285.99
 */
export function fitKinetic(
  points: readonly { hours: number; ampHours: number }[],
): Kinetic & { worstResidual: number } {
  if (points.length === 0) throw new RangeError('points must hold at least one rated capacity')
  for (const { hours, ampHours } of points)
    if (!(hours > 0 && ampHours > 0)) throw new RangeError(`capacity ${ampHours} Ah at ${hours} h must be above 0`)
  const largest = Math.max(...points.map((point) => point.ampHours))
  const smallest = Math.min(...points.map((point) => point.ampHours))
  if (points.length === 1 || largest - smallest < 1e-9 * largest)
    return { qmaxAh: largest, c: 1, kPerH: 1, worstResidual: 0 }
  let best = evaluate(points, 0.5, 0.5)
  let c = 0.5
  let logK = Math.log(0.5)
  let stepC = 0.25
  let stepK = 2
  for (let round = 0; round < 60; round++) {
    const fromC = c
    const fromK = logK
    for (let i = -4; i <= 4; i++)
      for (let j = -4; j <= 4; j++) {
        const tryC = Math.min(0.999, Math.max(0.02, fromC + (i / 4) * stepC))
        const tryK = Math.min(Math.log(20), Math.max(Math.log(0.005), fromK + (j / 4) * stepK))
        const candidate = evaluate(points, tryC, Math.exp(tryK))
        if (candidate.error < best.error) {
          best = candidate
          c = tryC
          logK = tryK
        }
      }
    stepC *= 0.8
    stepK *= 0.8
  }
  return { qmaxAh: best.qmaxAh, c, kPerH: Math.exp(logK), worstResidual: best.worst }
}

function evaluate(points: readonly { hours: number; ampHours: number }[], c: number, kPerH: number) {
  let top = 0
  let bottom = 0
  for (const { hours, ampHours } of points) {
    const share = kineticCapacity({ qmaxAh: 1, c, kPerH }, hours) / ampHours
    top += share
    bottom += share * share
  }
  const qmaxAh = top / bottom
  let error = 0
  let worst = 0
  for (const { hours, ampHours } of points) {
    const residual = kineticCapacity({ qmaxAh, c, kPerH }, hours) / ampHours - 1
    error += residual * residual
    worst = Math.max(worst, Math.abs(residual))
  }
  return { error, worst, qmaxAh }
}

/** The kinetic model over a fixed step as linear maps of (available, bound, current), worked out once. */
export interface KineticStep {
  hours: number
  /** new available = a1·available + a2·(available + bound) − a3·I */
  a1: number
  a2: number
  a3: number
  /** current limits: discharge (a1·available + a2·total)/a3, charge (c·qmax − a1·available − a2·total)/a3 */
  cqmaxAh: number
}

/**
 * Coefficients of one step of the kinetic model.
 * @param hours length of the step, > 0
 * Source: Manwell & McGowan (1993), constant current within the step.
 * @example kineticStepOf({ qmaxAh: 300, c: 0.5, kPerH: 0.5 }, 1) → { hours: 1, a1: 0.6065, a2: 0.1967, a3: 0.8935,
 * cqmaxAh: 150 }
 */
export function kineticStepOf({ qmaxAh, c, kPerH }: Kinetic, hours: number): KineticStep {
  const fade = -Math.expm1(-kPerH * hours)
  return {
    hours,
    a1: 1 - fade,
    a2: c * fade,
    a3: (fade + c * (kPerH * hours - fade)) / kPerH,
    cqmaxAh: c * qmaxAh,
  }
}

/**
 * One step of the kinetic model.
 *
 * @param state charge available at once and bound, Ah, each ≥ 0
 * @param currentA discharge positive, charge negative, constant over the step
 * @returns new state, and the limits for this step from the given state (both as positive amps)
 * @throws RangeError for hours that are not above 0
 */
export function kineticStep(
  kinetic: Kinetic,
  state: { availableAh: number; boundAh: number },
  currentA: number,
  hours: number,
): { availableAh: number; boundAh: number; maxDischargeA: number; maxChargeA: number } {
  if (!(hours > 0)) throw new RangeError(`hours ${hours} must be above 0`)
  const step = kineticStepOf(kinetic, hours)
  const total = state.availableAh + state.boundAh
  const resting = step.a1 * state.availableAh + step.a2 * total
  const availableAh = resting - step.a3 * currentA
  return {
    availableAh,
    boundAh: total - currentA * hours - availableAh,
    maxDischargeA: Math.max(0, resting / step.a3),
    maxChargeA: Math.max(0, (step.cqmaxAh - resting) / step.a3),
  }
}

const fits = kept<Kinetic>(60)

/** The kinetic battery of a whole bank, Ah at the bank's voltage. */
export function bankKinetic(design: Design): Kinetic {
  const { part } = design.bank
  const inParallel = design.bank.inParallel * capacityLeft(design.bank)
  if (!CHEMISTRIES[part.chemistry].rateEffect)
    return { qmaxAh: Math.max(...part.capacities.map((rate) => rate.ampHours)) * inParallel, c: 1, kPerH: 1 }
  const fit = fits(JSON.stringify(part.capacities), () => fitKinetic(part.capacities))
  return { qmaxAh: fit.qmaxAh * inParallel, c: fit.c, kPerH: fit.kPerH }
}
