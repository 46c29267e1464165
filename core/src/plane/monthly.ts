import type { MonthlyClimate } from '../document/types.ts'
import { monthSkies } from '../weather/climate.ts'
import { cloudSpread, HOURLY_CAP } from '../weather/generate.ts'
import { snowyMonths } from '../weather/snow.ts'
import { clearnessQuantile } from '../weather/clearness.ts'
import { MEAN_DAYS } from '../calendar/calendar.ts'
import { sunYear, type Location, type SunYear } from '../sun/geometry.ts'
import { TiltedPlane, type Surface } from './plane.ts'

/** Days of each month are stood for by this many equally likely clearnesses. */
const QUANTILES = 7

/** Three-point Gauss–Hermite nodes and weights for the passing clouds within a day. */
const CLOUD_NODES = [-Math.sqrt(3), 0, Math.sqrt(3)]
const CLOUD_WEIGHTS = [1 / 6, 2 / 3, 1 / 6]

/**
 * Mean daily plane-of-array energy by month, kWh/m²: peak sun hours.
 *
 * Closed form, no random years: each month is its representative day (Klein 1977) under seven equally likely
 * clearnesses of the month's distribution (Bendt et al. 1981), hours by Collares-Pereira & Rabl (1979) with the same
 * spread of passing clouds as the synthetic years. Before soiling and snow on the modules; snow lies on the ground in
 * months that end with a pack by the degree-day balance.
 */
export function monthlyPlane(sun: SunYear, monthly: readonly MonthlyClimate[], surface: Surface): number[] {
  const hours = hoursOfSky(sun, monthly, ALL_MONTHS)
  const plane = planeOf(sun, surface, hours)
  return hours.map((month) => energyOn(plane, month))
}

const ALL_MONTHS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]

/** The hours of a month's representative day under all its clearnesses and clouds. */
interface MonthHours {
  day: number
  snow: boolean
  /** hours of the calendar year, their mean global horizontal irradiance, W/m², and the share of the month's days */
  at: number[]
  ghiWM2: number[]
  share: number[]
}

/** What falls on the level in the hours of months, whatever plane stands under it. */
function hoursOfSky(sun: SunYear, monthly: readonly MonthlyClimate[], months: readonly number[]): MonthHours[] {
  const skies = monthSkies(sun, monthly)
  const snowy = snowyMonths(monthly)
  return months.map((month) => {
    const day = MEAN_DAYS[month] - 1
    const hours: MonthHours = { day, snow: snowy[month], at: [], ghiWM2: [], share: [] }
    const { distribution, meanClearness } = skies[month]
    const representative = sun.dailyExtraWhM2[day]
    if (representative <= 0) return hours
    const scale = (monthly[month].ghiKWhM2Day * 1000) / (meanClearness * representative || 1)
    for (let q = 0; q < QUANTILES; q++) {
      const clearness = distribution ? clearnessQuantile(distribution, (q + 0.5) / QUANTILES) : meanClearness
      addDay(hours, sun, clearness, clearness * representative * scale)
    }
    return hours
  })
}

/** Adds the hours of a day of a clearness, Wh/m², under passing clouds. */
function addDay({ day, at, ghiWM2, share }: MonthHours, sun: SunYear, clearness: number, energyWhM2: number): void {
  const spread = cloudSpread(clearness)
  for (let node = 0; node < CLOUD_NODES.length; node++) {
    const cloud = Math.exp(spread * CLOUD_NODES[node] - (spread * spread) / 2)
    for (let hour = day * 24; hour < day * 24 + 24; hour++) {
      const ghi = Math.min(energyWhM2 * sun.profile[hour] * cloud, HOURLY_CAP * sun.extraWhM2[hour])
      if (ghi <= 0) continue
      at.push(hour)
      ghiWM2.push(ghi)
      share.push(CLOUD_WEIGHTS[node] / QUANTILES)
    }
  }
}

const planeOf = (sun: SunYear, surface: Surface, hours: readonly MonthHours[]) =>
  new TiltedPlane(
    sun,
    surface,
    hours.map(({ day }) => day),
  )

/** Mean daily energy of a month on a plane, kWh/m². */
function energyOn(plane: TiltedPlane, { at, ghiWM2, share, snow }: MonthHours): number {
  let energyWhM2 = 0
  for (let i = 0; i < at.length; i++) energyWhM2 += share[i] * plane.effective(at[i], ghiWM2[i], snow)
  return energyWhM2 / 1000
}

/**
 * The hours of each month's days on a plane, of bright and dull days, as {@link monthlyPlane} adds them up.
 * @param each told of month 0…11, mean W/m² on the plane, and the share of the month's days on which it is so
 */
export function hoursOfMonths(
  sun: SunYear,
  monthly: readonly MonthlyClimate[],
  surface: Surface,
  each: (month: number, wattsM2: number, share: number) => void,
): void {
  const hours = hoursOfSky(sun, monthly, ALL_MONTHS)
  const plane = planeOf(sun, surface, hours)
  hours.forEach(({ at, ghiWM2, share, snow }, month) => {
    for (let i = 0; i < at.length; i++) each(month, plane.effective(at[i], ghiWM2[i], snow), share[i])
  })
}

export interface BestTilt {
  tiltDeg: number
  azimuthDeg: number
  energyKWhM2Day: number
}

/**
 * Tilt and azimuth that collect most in the chosen months, by search on the energy itself rather than a latitude rule.
 *
 * @param location where
 * @param monthly twelve rows
 * @param months 0…11, at least one
 * @param horizon and albedos as of the place
 * @throws RangeError where no month is chosen
 */
export function bestTilt(
  location: Location,
  monthly: readonly MonthlyClimate[],
  months: readonly number[],
  place: Omit<Surface, 'tiltDeg' | 'azimuthDeg'>,
  sun: SunYear = sunYear(location),
): BestTilt {
  if (months.length === 0) throw new RangeError('months must name at least one month')
  const toEquator = location.latitudeDeg >= 0 ? 180 : 0
  const hours = hoursOfSky(sun, monthly, months)
  const plane = planeOf(sun, { ...place, tiltDeg: 0, azimuthDeg: toEquator }, hours)
  const energyAt = (tiltDeg: number, azimuthDeg: number) => {
    plane.face({ ...place, tiltDeg, azimuthDeg })
    return hours.reduce((sum, month) => sum + energyOn(plane, month), 0) / months.length
  }
  let best: BestTilt = { tiltDeg: 0, azimuthDeg: toEquator, energyKWhM2Day: energyAt(0, toEquator) }
  for (const step of [16, 8, 4, 2, 1]) best = climb(best, step, energyAt)
  return { ...best, azimuthDeg: (best.azimuthDeg + 360) % 360 }
}

function climb(from: BestTilt, step: number, energyAt: (tilt: number, azimuth: number) => number): BestTilt {
  let best = from
  for (let moved = true; moved;) {
    moved = false
    const around = [
      [step, 0],
      [-step, 0],
      [0, step],
      [0, -step],
    ]
    for (const [tiltStep, azimuthStep] of around) {
      const tiltDeg = best.tiltDeg + tiltStep
      if (tiltDeg < 0 || tiltDeg > 90) continue
      const azimuthDeg = best.azimuthDeg + azimuthStep
      const energyKWhM2Day = energyAt(tiltDeg, azimuthDeg)
      if (energyKWhM2Day <= best.energyKWhM2Day + 1e-9) continue
      best = { tiltDeg, azimuthDeg, energyKWhM2Day }
      moved = true
    }
  }
  return best
}

/** The two latitude rules shown beside the searched tilt: latitude, and latitude + 15° for winter. */
export function latitudeRules(latitudeDeg: number): { yearDeg: number; winterDeg: number } {
  const yearDeg = Math.abs(latitudeDeg)
  return { yearDeg, winterDeg: Math.min(90, yearDeg + 15) }
}
