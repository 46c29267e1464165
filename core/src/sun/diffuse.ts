/**
 * Diffuse share of the global horizontal irradiance of one hour.
 *
 * @param clearness hourly clearness index kt ≥ 0
 * @returns share 0…1
 * @throws RangeError for a negative clearness
 * Source: Erbs, Klein & Duffie (1982), hourly correlation.
 * @example diffuseFraction(0.5) → 0.6591
 */
export function diffuseFraction(clearness: number): number {
  if (!(clearness >= 0)) throw new RangeError(`clearness ${clearness} must not be negative`)
  if (clearness <= 0.22) return 1 - 0.09 * clearness
  if (clearness > 0.8) return 0.165
  return 0.9511 + clearness * (-0.1604 + clearness * (4.388 + clearness * (-16.638 + clearness * 12.336)))
}
