/** Lowest daily clearness index. Source: Bendt et al. (1981). */
export const CLEARNESS_MINIMUM = 0.05

export interface ClearnessDistribution {
  gamma: number
  minimum: number
  maximum: number
}

/**
 * Highest daily clearness index of a month, from its mean.
 * Source: Hollands & Huget (1983) fit to the Bendt distributions.
 * @example clearnessMaximum(0.5) → 0.7646
 */
export function clearnessMaximum(meanClearness: number): number {
  return 0.6313 + 0.267 * meanClearness - 11.9 * (meanClearness - 0.75) ** 8
}

/**
 * Distribution of daily clearness within a month: F(K) = (e^{γ·Kmin} − e^{γK}) / (e^{γ·Kmin} − e^{γ·Kmax}),
 * γ solved so that its mean is exactly the given one.
 *
 * @param meanClearness monthly mean, above 0.05 and below the maximum
 * @param upperBound highest clearness a clear sky allows here, where that is lower than the published maximum
 * @throws RangeError where the mean is not inside the bounds
 * Source: Bendt, Collares-Pereira & Rabl (1981).
 * @example clearnessDistribution(0.5) → { gamma: 2.272, minimum: 0.05, maximum: 0.7646 }
 */
export function clearnessDistribution(meanClearness: number, upperBound = Infinity): ClearnessDistribution {
  const maximum = Math.min(clearnessMaximum(meanClearness), upperBound)
  if (!(meanClearness > CLEARNESS_MINIMUM && meanClearness < maximum))
    throw new RangeError(
      `meanClearness ${meanClearness} must lie between ${CLEARNESS_MINIMUM} and its maximum ${maximum.toFixed(3)}`,
    )
  let low = -1000
  let high = 1000
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2
    if (meanOf(middle, CLEARNESS_MINIMUM, maximum) < meanClearness) low = middle
    else high = middle
  }
  return { gamma: (low + high) / 2, minimum: CLEARNESS_MINIMUM, maximum }
}

/** Mean of the exponential density e^{γK} on [minimum, maximum]. */
function meanOf(gamma: number, minimum: number, maximum: number): number {
  const width = maximum - minimum
  const x = gamma * width
  if (Math.abs(x) < 1e-4) return minimum + width * (0.5 + x / 12)
  return minimum + width * (1 / -Math.expm1(-x) - 1 / x)
}

/** Share of days with a clearness up to `clearness`. */
export function clearnessCumulative(distribution: ClearnessDistribution, clearness: number): number {
  const { gamma, minimum, maximum } = distribution
  if (clearness <= minimum) return 0
  if (clearness >= maximum) return 1
  const x = gamma * (maximum - minimum)
  if (Math.abs(x) < 1e-9) return (clearness - minimum) / (maximum - minimum)
  return Math.expm1(gamma * (clearness - minimum)) / Math.expm1(x)
}

/** Clearness that a share `probability` of days does not exceed. */
export function clearnessQuantile(distribution: ClearnessDistribution, probability: number): number {
  const { gamma, minimum, maximum } = distribution
  const x = gamma * (maximum - minimum)
  if (Math.abs(x) < 1e-9) return minimum + probability * (maximum - minimum)
  if (x > 30) return maximum + Math.log(probability + (1 - probability) * Math.exp(-x)) / gamma
  return minimum + Math.log1p(probability * Math.expm1(x)) / gamma
}
