import type { InverterPart } from '../document/types.ts'

/** Input power at output P: idle + a·P + b·P². */
export interface InverterCurve {
  idleW: number
  a: number
  b: number
}

export interface CurvePoints {
  idleW: number
  ratedW: number
  peakEfficiency: number
  peakAtFraction: number
  fullLoadEfficiency: number
}

/**
 * Fits the input curve to idle draw, efficiency at its peak and at full load.
 * Two equations in a and b: P/(idle + aP + bP²) equals the stated efficiency at both points.
 *
 * @throws RangeError where the efficiencies are not between 0 and 1, or the peak is not below full load
 */
export function inverterCurve(points: CurvePoints): InverterCurve {
  const { idleW, ratedW, peakEfficiency, peakAtFraction, fullLoadEfficiency } = points
  for (const [name, value] of Object.entries({ peakEfficiency, fullLoadEfficiency }))
    if (!(value > 0 && value < 1)) throw new RangeError(`${name} ${value} must lie between 0 and 1`)
  if (!(peakAtFraction > 0 && peakAtFraction < 1))
    throw new RangeError(`peakAtFraction ${peakAtFraction} must lie between 0 and 1`)
  if (!(ratedW > 0)) throw new RangeError(`ratedW ${ratedW} must be above 0`)
  const peakW = peakAtFraction * ratedW
  // (1/η − idle/P) = a + b·P at both points
  const atPeak = 1 / peakEfficiency - idleW / peakW
  const atFull = 1 / fullLoadEfficiency - idleW / ratedW
  const b = (atFull - atPeak) / (ratedW - peakW)
  return { idleW, a: atPeak - b * peakW, b }
}

/** DC input for an AC output, W. */
export function inverterInput(curve: InverterCurve, watts: number): number {
  return curve.idleW + watts * (curve.a + curve.b * watts)
}

/** AC output that a DC input can carry, W; 0 where it does not even cover the idle draw. */
export function inverterOutput(curve: InverterCurve, inputW: number): number {
  const spare = inputW - curve.idleW
  if (spare <= 0) return 0
  if (Math.abs(curve.b) < 1e-12) return spare / curve.a
  const root = curve.a * curve.a + 4 * curve.b * spare
  return root <= 0 ? spare / curve.a : (2 * spare) / (curve.a + Math.sqrt(root))
}

/** The curve of so many equal inverters sharing a load. */
export function curveOf(part: InverterPart, quantity: number): InverterCurve {
  const one = inverterCurve(part)
  return { idleW: one.idleW * quantity, a: one.a, b: one.b / quantity }
}
