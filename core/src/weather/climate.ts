import type { MonthlyClimate } from '../document/types.ts'
import { MONTH_DAYS, MONTH_START } from '../calendar/calendar.ts'
import { DEG } from '../math/angles.ts'
import { MOST_CLEARNESS } from '../sun/mostSun.ts'
import type { SunYear } from '../sun/geometry.ts'
import { clearnessDistribution, clearnessMaximum, type ClearnessDistribution } from './clearness.ts'

/** Aerosol of the clear days that bound a month, optical depth at 550 nm. Source: rural background, Ineichen (2008). */
const CLEAR_AEROSOL = 0.05
/** Relative humidity by which the water in the air follows from its temperature. */
const HUMIDITY = 0.4

/**
 * Linke turbidity of clear air from its temperature, the water in it taken at 40 % humidity, as on clear days, and the elevation.
 * Source: Ineichen (2008), with precipitable water by Leckner (1978).
 * @example linkeTurbidity(-10, 0) → 2.01
 */
export function linkeTurbidity(airC: number, elevationM: number): number {
  const pressure = Math.exp(-elevationM / 8434.5)
  const kelvins = airC + 273.15
  const saturationPa = Math.exp(26.23 - 5416 / kelvins)
  const waterCm = Math.max(0.1, (0.493 * HUMIDITY * saturationPa) / kelvins) * pressure
  const aerosol = 3.91 * Math.exp(0.689 / pressure) * CLEAR_AEROSOL
  return aerosol + 0.376 * Math.log(waterCm) + (2 + 0.54 * pressure - 0.5 * pressure * pressure + 0.16 * pressure ** 3)
}

/**
 * Clear-sky horizontal irradiance, W/m²: more of it the higher and the drier the place.
 *
 * @param cosZenith of the sun
 * @param normalExtraWM2 above the atmosphere, facing the sun
 * @param linke turbidity, as {@link linkeTurbidity}
 * Source: Ineichen & Perez (2002), air mass by Kasten & Young (1989).
 * @example clearSkyWM2(1, 1361, 0, 3) → 1062.5
 */
export function clearSkyWM2(cosZenith: number, normalExtraWM2: number, elevationM: number, linke: number): number {
  if (cosZenith <= 0) return 0
  const elevationDeg = 90 - Math.acos(Math.min(1, cosZenith)) / DEG
  const airMass = 1 / (cosZenith + 0.50572 * (elevationDeg + 6.07995) ** -1.6364)
  const low = Math.exp(-elevationM / 8000)
  const high = Math.exp(-elevationM / 1250)
  const scale = 5.09e-5 * elevationM + 0.868
  const depth = 3.92e-5 * elevationM + 0.0387
  return (
    scale *
    normalExtraWM2 *
    cosZenith *
    Math.exp(-depth * airMass * (low + high * (linke - 1))) *
    Math.exp(0.01 * airMass ** 1.8)
  )
}

/** What a month's days are drawn from; `energyWhM2` holds where the sun is too low for a clearness to mean anything. */
export interface MonthSky {
  meanClearness: number
  distribution: ClearnessDistribution | null
}

/** Monthly mean clearness of a place: mean horizontal energy over mean extraterrestrial energy; 0 in polar night. */
export function monthlyClearness(sun: SunYear, monthly: readonly MonthlyClimate[]): number[] {
  return monthly.map((month, m) => {
    const extra = meanExtraWhM2(sun, m)
    return extra > 0 ? (month.ghiKWhM2Day * 1000) / extra : 0
  })
}

/** Mean daily extraterrestrial energy on the horizontal in a month 0…11, Wh/m². */
export function meanExtraWhM2(sun: SunYear, month: number): number {
  let sum = 0
  for (let day = 0; day < MONTH_DAYS[month]; day++) sum += sun.dailyExtraWhM2[MONTH_START[month] + day]
  return sum / MONTH_DAYS[month]
}

/**
 * The distribution of daily clearness for each month of a place. The published maximum is lowered to what a clear sky
 * gives at this sun, height and cold, plus 5 %, but never so far that the month's own mean could not be met.
 */
export function monthSkies(sun: SunYear, monthly: readonly MonthlyClimate[]): MonthSky[] {
  return monthlyClearness(sun, monthly).map((clearness, month) => {
    const meanClearness = Math.min(Math.max(clearness, 0), MOST_CLEARNESS)
    if (meanClearness <= 0.06) return { meanClearness, distribution: null }
    const bound = Math.max(1.05 * clearSkyClearness(sun, month, monthly[month].meanC), meanClearness + 0.08)
    const maximum = Math.min(bound, clearnessMaximum(meanClearness))
    if (maximum <= meanClearness + 0.005) return { meanClearness, distribution: null }
    return { meanClearness, distribution: clearnessDistribution(meanClearness, bound) }
  })
}

function clearSkyClearness(sun: SunYear, month: number, meanC: number): number {
  const linke = linkeTurbidity(meanC, sun.elevationM)
  const day = MONTH_START[month] + 15
  let clear = 0
  let extra = 0
  for (let hour = 0; hour < 24; hour++) {
    const i = day * 24 + hour
    if (sun.extraWhM2[i] <= 0) continue
    const hourExtra = sun.extraWhM2[i]
    const cosZenith = Math.max(sun.cosZenith[i], 0.01)
    const normal = sun.normalExtraWM2[day]
    // at the very horizon the fit has no meaning
    clear += Math.min(1, clearSkyWM2(cosZenith, normal, sun.elevationM, linke) / (normal * cosZenith)) * hourExtra
    extra += hourExtra
  }
  return extra > 0 ? clear / extra : 0
}

/** Of whatever the monthly values are; a millionth of anything that is measured. */
const CLOSE_ENOUGH = 1e-11

/**
 * Daily values that run smoothly through the year and whose mean over each month is exactly the monthly value:
 * piecewise linear between knots at mid-month, the knots found by fixed-point iteration.
 *
 * @param monthlyMeans twelve values
 * @returns 365 values
 */
export function smoothDaily(monthlyMeans: readonly number[]): Float64Array {
  const knots = [...monthlyMeans]
  const daily = new Float64Array(365)
  for (let round = 0; round < 40; round++) {
    interpolate(knots, daily)
    let most = 0
    for (let m = 0; m < 12; m++) {
      const off = monthlyMeans[m] - meanOfMonth(daily, m)
      knots[m] += off
      most = Math.max(most, Math.abs(off))
    }
    if (most < CLOSE_ENOUGH) break
  }
  interpolate(knots, daily)
  return daily
}

function interpolate(knots: readonly number[], daily: Float64Array): void {
  for (let m = 0; m < 12; m++) {
    const next = (m + 1) % 12
    const from = MONTH_START[m] + MONTH_DAYS[m] / 2
    const span = (MONTH_DAYS[m] + MONTH_DAYS[next]) / 2
    for (let day = Math.ceil(from - 0.5); day + 0.5 < from + span; day++) {
      const along = (day + 0.5 - from) / span
      daily[day % 365] = knots[m] + along * (knots[next] - knots[m])
    }
  }
}

function meanOfMonth(daily: Float64Array, month: number): number {
  let sum = 0
  for (let day = 0; day < MONTH_DAYS[month]; day++) sum += daily[MONTH_START[month] + day]
  return sum / MONTH_DAYS[month]
}
