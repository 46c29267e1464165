/**
 * A seeded stream of uniform numbers, the same on every machine: sfc32 (Doty-Humphrey, PractRand), 32-bit integer
 * arithmetic only.
 */
export class Random {
  private a: number
  private b: number
  private c: number
  private counter = 1

  /**
   * @param seed whole number; streams of different `stream` numbers are independent for all practical purposes
   */
  constructor(seed: number, stream = 0) {
    this.a = (seed | 0) ^ 0x9e3779b9
    this.b = (Math.floor(seed / 4294967296) | 0) ^ Math.imul(stream | 0, 0x85ebca6b)
    this.c = (stream | 0) ^ 0xc2b2ae35
    for (let i = 0; i < 16; i++) this.uniform()
  }

  /** Uniform in the open interval (0, 1). */
  uniform(): number {
    const sum = (((this.a + this.b) | 0) + this.counter) | 0
    this.counter = (this.counter + 1) | 0
    this.a = this.b ^ (this.b >>> 9)
    this.b = (this.c + (this.c << 3)) | 0
    this.c = (this.c << 21) | (this.c >>> 11)
    this.c = (this.c + sum) | 0
    return ((sum >>> 0) + 0.5) / 4294967296
  }

  /** Standard normal deviate, by inversion so that one uniform gives one deviate and `1 − u` gives its mirror. */
  gaussian(): number {
    return normalQuantile(this.uniform())
  }
}

/**
 * Standard normal cumulative probability.
 *
 * Source: Hart (1968) as given by West (2005), double precision.
 * @example normalCumulative(1.96) → 0.975
 */
export function normalCumulative(z: number): number {
  const x = Math.abs(z)
  if (x > 37) return z > 0 ? 1 : 0
  const e = Math.exp((-x * x) / 2)
  let tail: number
  if (x < 7.07106781186547) {
    const top =
      ((((((3.52624965998911e-2 * x + 0.700383064443688) * x + 6.37396220353165) * x + 33.912866078383) * x +
        112.079291497871) *
        x +
        221.213596169931) *
        x +
        220.206867912376) *
      e
    const bottom =
      ((((((8.83883476483184e-2 * x + 1.75566716318264) * x + 16.064177579207) * x + 86.7807322029461) * x +
        296.564248779674) *
        x +
        637.333633378831) *
        x +
        793.826512519948) *
        x +
      440.413735824752
    tail = top / bottom
  } else {
    const fraction = x + 1 / (x + 2 / (x + 3 / (x + 4 / (x + 0.65))))
    tail = e / fraction / 2.506628274631
  }
  return z > 0 ? 1 - tail : tail
}

/**
 * Standard normal quantile.
 *
 * @param p probability in (0, 1)
 * @throws RangeError for a probability outside (0, 1)
 * Source: Acklam (2003), relative error below 1.2e-9.
 * @example normalQuantile(0.9) → 1.282
 */
export function normalQuantile(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`probability ${p} must lie between 0 and 1`)
  if (p < 0.02425) return lowTail(Math.sqrt(-2 * Math.log(p)))
  if (p > 1 - 0.02425) return -lowTail(Math.sqrt(-2 * Math.log(1 - p)))
  const q = p - 0.5
  const r = q * q
  const top =
    ((((-39.69683028665376 * r + 220.9460984245205) * r - 275.9285104469687) * r + 138.357751867269) * r -
      30.66479806614716) *
      r +
    2.506628277459239
  const bottom =
    ((((-54.47609879822406 * r + 161.5858368580409) * r - 155.6989798598866) * r + 66.80131188771972) * r -
      13.28068155288572) *
      r +
    1
  return (top * q) / bottom
}

function lowTail(q: number): number {
  const top =
    ((((-0.007784894002430293 * q - 0.3223964580411365) * q - 2.400758277161838) * q - 2.549732539343734) * q +
      4.374664141464968) *
      q +
    2.938163982698783
  const bottom =
    (((0.007784695709041462 * q + 0.3224671290700398) * q + 2.445134137142996) * q + 3.754408661907416) * q + 1
  return top / bottom
}
