/** Depth over which the yearly wave fades to 1/e in average ground, m. Source: Kusuda & Achenbach (1965), α ≈ 5.7e-7 m²/s. */
const DAMPING_DEPTH_M = 2.4
const DAYS = 365
/** Waves shorter than a fortnight do not reach a bank a foot below ground. */
const MOST_WAVES = 26
/** Cosine and sine of the yearly wave by half days. */
const HALF_DAYS = 2 * DAYS
const COSINE = Float64Array.from({ length: HALF_DAYS }, (_, i) => Math.cos((2 * Math.PI * i) / HALF_DAYS))
const SINE = Float64Array.from({ length: HALF_DAYS }, (_, i) => Math.sin((2 * Math.PI * i) / HALF_DAYS))

/**
 * Temperature of the ground through a year, °C by day: every wave of the year in the air goes down damped and late, the
 * quicker the more, A·e^(−z√n/d) with a lag of z√n/d, for the n-th wave of the year and a damping depth d of 2.4 m for
 * the yearly one. What is given counts as a year that comes again and again.
 *
 * @param airC of the year at equal distances: 12 months or 365 days, °C
 * @param depthM of ground and snow above, m, ≥ 0
 * @throws RangeError for fewer than three values or a depth below nought
 * Source: periodic conduction in a half-space, Kusuda & Achenbach (1965).
 * @example Math.max(...groundByDay(Array.from({ length: 365 }, (_, day) => 20 * Math.cos((2 * Math.PI * day) / 365)), 1))
 * → 13.18
 */
export function groundByDay(airC: ArrayLike<number>, depthM: number): Float64Array {
  const n = airC.length
  if (n < 3) throw new RangeError(`airC has ${n} values; at least 3`)
  if (!(depthM >= 0)) throw new RangeError(`depthM ${depthM} must not be negative`)
  let mean = 0
  for (let i = 0; i < n; i++) mean += airC[i] / n
  const days = new Float64Array(DAYS).fill(mean)
  for (let wave = 1; wave <= Math.min(MOST_WAVES, Math.floor((n - 1) / 2)); wave++) {
    const step = (2 * Math.PI * wave) / n
    let cosine = 0
    let sine = 0
    for (let i = 0; i < n; i++) {
      // a value stands for the middle of its stretch
      cosine += (2 * airC[i] * Math.cos(step * (i + 0.5))) / n
      sine += (2 * airC[i] * Math.sin(step * (i + 0.5))) / n
    }
    const damping = (depthM * Math.sqrt(wave)) / DAMPING_DEPTH_M
    const left = Math.exp(-damping)
    // a wave lags by as much of itself as it is damped
    const ofCosine = left * (cosine * Math.cos(damping) - sine * Math.sin(damping))
    const ofSine = left * (cosine * Math.sin(damping) + sine * Math.cos(damping))
    for (let day = 0; day < DAYS; day++) {
      const at = (wave * (2 * day + 1)) % HALF_DAYS
      days[day] += ofCosine * COSINE[at] + ofSine * SINE[at]
    }
  }
  return days
}
