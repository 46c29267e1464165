import type { FittedClimate } from '../../document/types.ts'
import type { MonthlyClimate } from '../../document/types.ts'
import { DAYS, MONTH_DAYS, MONTH_OF_DAY } from '../../calendar/calendar.ts'
import type { SunYear } from '../../sun/geometry.ts'
import { seasonOfMonths } from '../season.ts'
import { CLEARNESS_FOR_FIT, normalClearness, unbiasedLag } from '../fitPersistence.ts'
import type { HourlySeries } from './series.ts'

/** With fewer years than this a month is fitted together with its neighbours. */
const YEARS_FOR_A_MONTH_ALONE = 4
const LEAST_SKY_WHM2 = 200
/** Persistence where nothing can be fitted, as in polar night. Source: the published mean, Graham et al. (1988). */
const PUBLISHED_PERSISTENCE = 0.29

/**
 * Monthly rows and persistence of imported hours.
 *
 * Means are plain; minima and maxima are means of the daily ones. Persistence is the lag-1 autocorrelation of the daily
 * clearness brought to a normal through its month's distribution (Graham, Hollands & Huget 1988), per month; with fewer
 * than four years each month is taken together with its neighbours, since thirty days alone say little.
 *
 * @param series whole years of hours
 * @param sun of the place, on the clock of the series
 * @param otherwise stands in where the hours hold no wind or no snow
 */
export function fitClimate(
  series: HourlySeries,
  sun: SunYear,
  otherwise: { windMS: number; snowfallCm: readonly number[] },
): FittedClimate {
  const days = daysOf(series, sun)
  const monthly = MONTH_DAYS.map((_, month): MonthlyClimate => {
    const rows = days.filter((day) => day.month === month)
    const mean = (pick: (day: Day) => number) => rows.reduce((sum, day) => sum + pick(day), 0) / rows.length
    return {
      ghiKWhM2Day: round(mean((day) => day.ghiWh) / 1000, 3),
      meanC: round(
        mean((day) => day.meanC),
        1,
      ),
      minC: round(
        mean((day) => day.minC),
        1,
      ),
      maxC: round(
        mean((day) => day.maxC),
        1,
      ),
      snowfallCm: series.snowfallCm
        ? round(mean((day) => day.snowCm) * MONTH_DAYS[month], 1)
        : otherwise.snowfallCm[month],
    }
  })
  return {
    monthly,
    persistence: persistenceByMonth(days, series.years),
    interannualPct: interannualOf(days, sun, series),
    windMS: series.windMS ? round(meanOf(series.windMS), 1) : otherwise.windMS,
    lowestC: round(
      days.reduce((lowest, { minC }) => Math.min(lowest, minC), Infinity),
      1,
    ),
    highestC: round(
      days.reduce((highest, { maxC }) => Math.max(highest, maxC), -Infinity),
      1,
    ),
  }
}

interface Day {
  month: number
  ghiWh: number
  skyWh: number
  meanC: number
  minC: number
  maxC: number
  snowCm: number
}

/** With fewer winters than this their spread is chance. */
const WINTERS_FOR_A_SPREAD = 5

/** Standard deviation over the mean of the sun of the four darkest months, %; null with too few years. */
function interannualOf(days: readonly Day[], sun: SunYear, series: HourlySeries): number | null {
  if (series.years < WINTERS_FOR_A_SPREAD) return null
  const { startDay, months } = darkestOf(days, sun)
  const from = (startDay - series.firstDay + DAYS) % DAYS
  const totals: number[] = []
  for (let first = from; first + DAYS <= days.length; first += DAYS)
    totals.push(
      days.slice(first, first + DAYS).reduce((sum, day) => sum + (months.includes(day.month) ? day.ghiWh : 0), 0),
    )
  if (totals.length < WINTERS_FOR_A_SPREAD - 1) return null
  const mean = totals.reduce((sum, each) => sum + each, 0) / totals.length
  const square = totals.reduce((sum, each) => sum + (each - mean) ** 2, 0) / (totals.length - 1)
  return mean > 0 ? Math.min(25, round((100 * Math.sqrt(square)) / mean, 1)) : null
}

/** The four darkest months in a row, and a day far from them. */
function darkestOf(days: readonly Day[], { dailyExtraWhM2 }: SunYear): { startDay: number; months: number[] } {
  const sums = MONTH_DAYS.map((_, month) => days.reduce((sum, day) => sum + (day.month === month ? day.ghiWh : 0), 0))
  const north = dailyExtraWhM2[171] >= dailyExtraWhM2[354]
  const { months, startDay } = seasonOfMonths(
    north ? 1 : -1,
    sums.map((ghiWh, month) => ({ ...EMPTY_ROW, ghiKWhM2Day: ghiWh / MONTH_DAYS[month] })),
  )
  return { startDay, months: months.slice(1, 5) }
}
const EMPTY_ROW = { meanC: 0, minC: 0, maxC: 0, snowfallCm: 0 }

function daysOf(series: HourlySeries, sun: SunYear): Day[] {
  return Array.from({ length: series.years * DAYS }, (_, i) => {
    const dayOfYear = (series.firstDay + i) % DAYS
    const air = series.airC.subarray(i * 24, i * 24 + 24)
    return {
      month: MONTH_OF_DAY[dayOfYear],
      ghiWh: total(series.ghiWM2, i),
      skyWh: sun.dailyExtraWhM2[dayOfYear],
      meanC: meanOf(air),
      minC: Math.min(...air),
      maxC: Math.max(...air),
      snowCm: series.snowfallCm ? total(series.snowfallCm, i) : 0,
    }
  })
}

function persistenceByMonth(days: readonly Day[], years: number): number[] {
  const means = MONTH_DAYS.map((_, month) => {
    const lit = days.filter((day) => day.month === month && day.skyWh > LEAST_SKY_WHM2)
    return lit.length > 0 ? lit.reduce((sum, day) => sum + day.ghiWh / day.skyWh, 0) / lit.length : NaN
  })
  const normal = days.map((day) =>
    day.skyWh > LEAST_SKY_WHM2 && means[day.month] > CLEARNESS_FOR_FIT
      ? normalClearness(Math.min(1, day.ghiWh / day.skyWh), means[day.month])
      : NaN,
  )
  const reach = years < YEARS_FOR_A_MONTH_ALONE ? 1 : 0
  return MONTH_DAYS.map((_, month) => {
    const near = (other: number) => Math.min((other - month + 12) % 12, (month - other + 12) % 12) <= reach
    return lagOfPairs(normal, (i) => near(days[i].month) && near(days[i - 1].month))
  })
}

/** Lag-1 autocorrelation over the pairs of following days that count. */
function lagOfPairs(series: readonly number[], counts: (i: number) => boolean): number {
  let pairs = 0
  let a = 0
  let b = 0
  let aa = 0
  let bb = 0
  let ab = 0
  for (let i = 1; i < series.length; i++) {
    const first = series[i - 1]
    const second = series[i]
    if (Number.isNaN(first) || Number.isNaN(second) || !counts(i)) continue
    pairs++
    a += first
    b += second
    aa += first * first
    bb += second * second
    ab += first * second
  }
  if (pairs < 20) return PUBLISHED_PERSISTENCE
  const spread = Math.sqrt((aa - (a * a) / pairs) * (bb - (b * b) / pairs))
  if (spread <= 1e-9) return PUBLISHED_PERSISTENCE
  return round(Math.min(0.9, Math.max(0, unbiasedLag((ab - (a * b) / pairs) / spread, pairs))), 2)
}

function total(hours: Float32Array, day: number): number {
  let sum = 0
  for (let i = day * 24; i < day * 24 + 24; i++) sum += hours[i]
  return sum
}

const meanOf = (values: Float32Array) => values.reduce((sum, value) => sum + value, 0) / values.length
const round = (value: number, decimals: number) => Math.round(value * 10 ** decimals) / 10 ** decimals
