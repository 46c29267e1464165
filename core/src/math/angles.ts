export const DEG = Math.PI / 180

/** An angle folded into 0 ≤ a < 360. */
export function wrap360(deg: number): number {
  const folded = deg % 360
  return folded < 0 ? folded + 360 : folded
}

/**
 * A value held between two others.
 * @param low ≤ high
 * @example clamp(120, 0, 90) → 90
 */
export function clamp(value: number, low: number, high: number): number {
  return value < low ? low : value > high ? high : value
}
