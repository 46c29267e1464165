import { normalQuantile } from '../math/random.ts'
import { DAYS, MONTH_OF_DAY } from '../calendar/calendar.ts'
import { MOST_CLEARNESS } from '../sun/mostSun.ts'
import { CLEARNESS_MINIMUM, clearnessCumulative, clearnessDistribution } from './clearness.ts'

/** Days of a month's worth are needed before a lag means anything. */
const FEWEST_DAYS = 20

/**
 * Lag-1 persistence of a sequence of daily clearnesses: each day is brought to a standard normal through the
 * distribution of its month, and the lag-1 autocorrelation of that series is taken.
 *
 * @param dailyClearness days in order, the first being 1 January where monthly means are given or there is a year or more
 * @param meanClearness twelve monthly means; without them the means of the sequence itself are used
 * @returns −1…1, in practice 0…0.8
 * @throws RangeError for fewer than twenty days or a clearness outside 0…1
 * Source: Graham, Hollands & Huget (1988), with the Bendt et al. (1981) distribution.
 * @example fitPersistence(Array.from({ length: 60 }, (_, day) => (day % 20 < 10 ? 0.3 : 0.6))) → 0.8772
 */
export function fitPersistence(dailyClearness: readonly number[], meanClearness?: readonly number[]): number {
  if (dailyClearness.length < FEWEST_DAYS)
    throw new RangeError(`dailyClearness has ${dailyClearness.length} days; at least ${FEWEST_DAYS}`)
  const wrong = dailyClearness.findIndex((value) => !(value >= 0 && value <= 1))
  if (wrong >= 0) throw new RangeError(`dailyClearness.${wrong} ${dailyClearness[wrong]} must lie between 0 and 1`)
  const monthOf = (day: number) => (dailyClearness.length >= DAYS || meanClearness ? MONTH_OF_DAY[day % DAYS] : 0)
  const means = meanClearness ?? monthlyMeans(dailyClearness, monthOf)
  const normal = dailyClearness.map((clearness, day) => normalClearness(clearness, means[monthOf(day)]))
  const lag = lagOne(normal)
  return lag === null ? 0 : unbiasedLag(lag, normal.length)
}

/**
 * A lag-1 autocorrelation of a short sequence freed of its bias towards nought: E[r] = ρ − (1 + 3ρ) ÷ n.
 *
 * @param lag as computed about the sequence's own mean, −1…1
 * @param count of its values, > 3
 * @returns −1…1
 * Source: Kendall (1954).
 * @example unbiasedLag(0.5, 31) → 0.5893
 */
export function unbiasedLag(lag: number, count: number): number {
  return Math.min(1, Math.max(-1, (lag * count + 1) / (count - 3)))
}

function monthlyMeans(values: readonly number[], monthOf: (day: number) => number): number[] {
  const sums = Array<number>(12).fill(0)
  const counts = Array<number>(12).fill(0)
  values.forEach((value, day) => {
    sums[monthOf(day)] += value
    counts[monthOf(day)]++
  })
  return sums.map((sum, month) => (counts[month] > 0 ? sum / counts[month] : 0.5))
}

/** Below this monthly mean the distribution has no room and nothing is fitted. */
export const CLEARNESS_FOR_FIT = CLEARNESS_MINIMUM + 0.01

/** A daily clearness as the standard normal deviate it stands for in a month of this mean clearness. */
export function normalClearness(clearness: number, mean: number): number {
  const inside = Math.min(Math.max(mean, CLEARNESS_FOR_FIT), MOST_CLEARNESS)
  const share = clearnessCumulative(clearnessDistribution(inside), clearness)
  return normalQuantile(Math.min(Math.max(share, 0.002), 0.998))
}

/** Null where nothing changes. */
function lagOne(series: readonly number[]): number | null {
  const mean = series.reduce((sum, value) => sum + value, 0) / series.length
  let product = 0
  let square = 0
  series.forEach((value, i) => {
    square += (value - mean) ** 2
    if (i > 0) product += (value - mean) * (series[i - 1] - mean)
  })
  return square > 1e-9 ? product / square : null
}
