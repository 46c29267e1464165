import { DAYS, MONTH_DAYS, MONTH_OF_DAY } from '../calendar/calendar.ts'
import type { WeatherYear } from './generate.ts'

export interface WeatherSummary {
  monthlyGhiKWhM2Day: number[]
  monthlyMeanC: number[]
  lag1: number
  /** the first thirty daily sums from 1 January of the first year, kWh/m² */
  firstDays: number[]
}

/** Means of many years by month, and the lag-1 autocorrelation of the Gaussian series behind the daily clearness. */
export function summariseWeather(years: readonly WeatherYear[]): WeatherSummary {
  const ghi = new Float64Array(12)
  const air = new Float64Array(12)
  for (const year of years)
    for (let i = 0; i < DAYS; i++) {
      const month = MONTH_OF_DAY[(year.startDay + i) % DAYS]
      ghi[month] += dayTotal(year.ghiWM2, i)
      air[month] += dayTotal(year.airC, i) / 24
    }
  const perMonth = (sums: Float64Array, factor: number) =>
    Array.from(sums, (sum, m) => (sum * factor) / (MONTH_DAYS[m] * years.length))
  return {
    monthlyGhiKWhM2Day: perMonth(ghi, 1 / 1000),
    monthlyMeanC: perMonth(air, 1),
    lag1: lag1(years.map((year) => year.gaussian)),
    firstDays: Array.from({ length: 30 }, (_, day) => {
      const first = years[0]
      return dayTotal(first.ghiWM2, (day - first.startDay + DAYS) % DAYS) / 1000
    }),
  }
}

/** How much the sun differs from year to year, standard deviation ÷ mean over the years. */
export interface Interannual {
  /** of each month's total */
  monthlyCv: number[]
  /** of the total of the four darkest months */
  winterCv: number
}

/**
 * @param years two or more
 * @param dark the four darkest months 0…11
 * @throws RangeError for fewer than two years
 */
export function interannual(years: readonly WeatherYear[], dark: readonly number[]): Interannual {
  if (years.length < 2) throw new RangeError(`years ${years.length} must be 2 or more`)
  const months = years.map((year) => {
    const totals = Array<number>(12).fill(0)
    for (let i = 0; i < DAYS; i++) totals[MONTH_OF_DAY[(year.startDay + i) % DAYS]] += dayTotal(year.ghiWM2, i)
    return totals
  })
  return {
    monthlyCv: MONTH_DAYS.map((_, month) => variation(months.map((totals) => totals[month]))),
    winterCv: variation(months.map((totals) => dark.reduce((sum, month) => sum + totals[month], 0))),
  }
}

/** Standard deviation ÷ mean; 0 where there is nothing. */
function variation(values: readonly number[]): number {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length
  const square = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1)
  return mean > 0 ? Math.sqrt(square) / mean : 0
}

/** Sum over the 24 hours of day `i` of a year's hours. */
export function dayTotal(hours: Float32Array | Float64Array, i: number): number {
  let sum = 0
  for (let hour = 0; hour < 24; hour++) sum += hours[i * 24 + hour]
  return sum
}

function lag1(series: readonly Float32Array[]): number {
  let product = 0
  let first = 0
  let second = 0
  for (const z of series)
    for (let i = 1; i < z.length; i++) {
      product += z[i] * z[i - 1]
      first += z[i] * z[i]
      second += z[i - 1] * z[i - 1]
    }
  return product / Math.sqrt(first * second)
}
