import { quantile } from '../math/quantile.ts'
import type { TiltedPlane } from './plane.ts'
import { DAYS, HOURS } from '../calendar/calendar.ts'
import type { WeatherYear } from '../weather/generate.ts'
import { snowOnGround } from '../weather/snow.ts'
import { dayTotal } from '../weather/summary.ts'

export interface DarkSpells {
  /** longest spell of a year that is reached or passed once in so many years, days */
  longestByReturnPeriod: { 2: number; 5: number; 10: number; 20: number }
  /** spells a year, on average */
  count: number
  /** days under the threshold a year, on average */
  daysPerYear: number
}

/**
 * Runs of days whose energy stays under a threshold.
 *
 * @param years daily plane-of-array energy of each year, kWh/m²
 * @param thresholdKWhM2 above 0
 * Return periods are read off the ranked yearly longest spells: one in T years is the 1 − 1/T quantile.
 * @throws RangeError for no years
 */
export function darkSpells(years: readonly (readonly number[] | Float64Array)[], thresholdKWhM2: number): DarkSpells {
  if (years.length === 0) throw new RangeError('years must hold at least one year')
  let count = 0
  let dark = 0
  const longest = years.map((days) => {
    let most = 0
    let run = 0
    for (const energy of days) {
      if (energy < thresholdKWhM2) {
        run++
        dark++
        if (run === 1) count++
        if (run > most) most = run
      } else run = 0
    }
    return most
  })
  longest.sort((a, b) => a - b)
  const oneIn = (period: number) => quantile(longest, 1 - 1 / period)
  return {
    longestByReturnPeriod: { 2: oneIn(2), 5: oneIn(5), 10: oneIn(10), 20: oneIn(20) },
    count: count / years.length,
    daysPerYear: dark / years.length,
  }
}

/** Daily plane-of-array energy of weather years, kWh/m², before snow on the modules. */
export function dailyPlaneEnergy(plane: TiltedPlane, years: readonly WeatherYear[]): Float64Array[] {
  const hours = new Float32Array(HOURS)
  const ground = new Uint8Array(HOURS)
  return years.map((year) => {
    snowOnGround(year, ground)
    plane.fillYear(year, ground, hours)
    return dailySums(hours)
  })
}

/** Sums of each day's hours, in thousands: W/m² become kWh/m². */
export function dailySums(hours: Float32Array): Float64Array {
  return Float64Array.from({ length: DAYS }, (_, day) => dayTotal(hours, day) / 1000)
}
