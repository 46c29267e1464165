import type { MonthlyClimate } from '../document/types.ts'
import { MONTH_DAYS } from '../calendar/calendar.ts'
import { normalQuantile } from '../math/random.ts'
import type { SunYear } from '../sun/geometry.ts'
import { clearnessQuantile } from './clearness.ts'
import { meanExtraWhM2, type MonthSky } from './climate.ts'

/** How much the sun of the four darkest months differs between winters, %, where skies are clear and where they are dull. */
const BRIGHT_PCT = 5
const GLOOMY_PCT = 10.5
/** Mean clearness of those months from which on it counts as bright, and down to which as gloomy. */
const BRIGHT_FROM = 0.45
const GLOOMY_TO = 0.32

/**
 * Usual spread of the sun of winters: standard deviation ÷ mean of the four darkest months' total over the years, %.
 *
 * @param clearness mean of those months, 0…1
 * Source: about 4–6 % in dry bright climates and 9–12 % in gloomy ones; straight between.
 * @example usualInterannualPct(0.6) → 5
 */
export function usualInterannualPct(clearness: number): number {
  const gloom = Math.min(1, Math.max(0, (BRIGHT_FROM - clearness) / (BRIGHT_FROM - GLOOMY_TO)))
  return BRIGHT_PCT + gloom * (GLOOMY_PCT - BRIGHT_PCT)
}

const NODES = 96

/** Mean, spread and first Hermite coefficient E[z·K(z)] of a month's clearness. */
function momentsOf({ distribution, meanClearness }: MonthSky): { mean: number; variance: number; slope: number } {
  if (!distribution) return { mean: meanClearness, variance: 0, slope: 0 }
  let mean = 0
  let square = 0
  let slope = 0
  for (let i = 0; i < NODES; i++) {
    const share = (i + 0.5) / NODES
    const clearness = clearnessQuantile(distribution, share)
    mean += clearness / NODES
    square += (clearness * clearness) / NODES
    slope += (clearness * normalQuantile(share)) / NODES
  }
  return { mean, variance: square - mean * mean, slope }
}

/**
 * How heavily a winter's own deviate weighs in the daily Gaussian series, by month 0…11. The series stays standard
 * normal and its lag-1 stays the month's persistence, so that monthly means and sequences are untouched: the daily part
 * alone gives some of the spread between winters, and only what is missing is added. Weighs fully in the four darkest
 * months and half in those beside them.
 *
 * @param dark the seven months around the darkest, in order
 * @param targetPct wanted spread of the four darkest months' total, %; null for the usual of their brightness
 * @returns twelve weights w, 0…1: z = √(1 − w²)·daily + w·winter
 * @example ((sun, { monthly, persistence }) => winterWeights(sun, monthly, monthSkies(sun, monthly), persistence, [9, 10,
 * 11, 0, 1, 2, 3], 10)[0])(sunYear({ latitudeDeg: 48, longitudeDeg: 0, utcOffsetH: 0 }), climateAt('open-plains', 48))
 * → 0.2206
 * Source: variance components of a first-order autoregressive series; Hermite expansion of the clearness.
 */
export function winterWeights(
  sun: SunYear,
  monthly: readonly MonthlyClimate[],
  skies: readonly MonthSky[],
  persistence: readonly number[],
  dark: readonly number[],
  targetPct: number | null,
): Float64Array {
  const weights = new Float64Array(12)
  const darkest = dark.slice(1, 5)
  let total = 0
  let slope = 0
  let clearness = 0
  const rows = darkest.map((month) => {
    const moments = momentsOf(skies[month])
    const extra = meanExtraWhM2(sun, month)
    total += MONTH_DAYS[month] * extra * moments.mean
    slope += MONTH_DAYS[month] * extra * moments.slope
    clearness += (monthly[month].ghiKWhM2Day > 0 ? moments.mean : 0) / darkest.length
    return { month, extra, ...moments }
  })
  if (total <= 0 || slope <= 0) return weights
  const target = ((targetPct ?? usualInterannualPct(clearness)) / 100) * total
  const most = Math.min(...darkest.map((month) => 0.9 * persistence[month]))
  let square = 0
  // what the winter takes over leaves the days less persistent, and so less of a spread of their own
  for (let round = 0; round < 8; round++) {
    const ofDays = rows.reduce((sum, { month, extra, variance }) => {
      const lag = Math.max(0, (persistence[month] - square) / (1 - square))
      return sum + MONTH_DAYS[month] * extra * extra * variance * (1 - square) * ((1 + lag) / (1 - lag))
    }, 0)
    square = Math.min(most, Math.max(0, target * target - ofDays) / (slope * slope))
  }
  for (const month of darkest) weights[month] = Math.sqrt(square)
  for (const month of [dark[0], dark[5]]) weights[month] = Math.sqrt(square) / 2
  return weights
}
