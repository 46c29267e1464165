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
  return planeOfMonths(sun, monthly, surface, ALL_MONTHS)
}

const REPRESENTATIVE_DAYS = MEAN_DAYS.map((day) => day - 1)
const ALL_MONTHS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]

function planeOfMonths(
  sun: SunYear,
  monthly: readonly MonthlyClimate[],
  surface: Surface,
  months: readonly number[],
): number[] {
  const plane = new MonthlyPlane(sun, monthly, surface)
  return months.map((month) => plane.of(month))
}

class MonthlyPlane {
  private readonly plane: TiltedPlane
  private readonly skies
  private readonly snowy: boolean[]

  constructor(
    private readonly sun: SunYear,
    private readonly monthly: readonly MonthlyClimate[],
    surface: Surface,
  ) {
    this.plane = new TiltedPlane(sun, surface, REPRESENTATIVE_DAYS)
    this.skies = monthSkies(sun, monthly)
    this.snowy = snowyMonths(monthly)
  }

  of(month: number, each?: EachHour): number {
    const day = MEAN_DAYS[month] - 1
    const { distribution, meanClearness } = this.skies[month]
    const representative = this.sun.dailyExtraWhM2[day]
    if (representative <= 0) return 0
    const scale = (this.monthly[month].ghiKWhM2Day * 1000) / (meanClearness * representative || 1)
    let energy = 0
    for (let q = 0; q < QUANTILES; q++) {
      const clearness = distribution ? clearnessQuantile(distribution, (q + 0.5) / QUANTILES) : meanClearness
      energy += this.dayOf(day, clearness, clearness * representative * scale, this.snowy[month], each)
    }
    return energy / QUANTILES / 1000
  }

  private dayOf(day: number, clearness: number, dayEnergy: number, snow: boolean, each?: EachHour): number {
    const spread = cloudSpread(clearness)
    let energy = 0
    for (let node = 0; node < CLOUD_NODES.length; node++) {
      const cloud = Math.exp(spread * CLOUD_NODES[node] - (spread * spread) / 2)
      for (let at = day * 24; at < day * 24 + 24; at++) {
        const ghi = Math.min(dayEnergy * this.sun.profile[at] * cloud, HOURLY_CAP * this.sun.extraWhM2[at])
        if (ghi <= 0) continue
        const wattsM2 = this.plane.effective(at, ghi, snow)
        energy += CLOUD_WEIGHTS[node] * wattsM2
        each?.(wattsM2, CLOUD_WEIGHTS[node] / QUANTILES)
      }
    }
    return energy
  }
}

/** Told of an hour: its mean W/m² on the plane, and the share of the month's days on which it is so. */
type EachHour = (wattsM2: number, share: number) => void

/**
 * The hours of each month's days on a plane, of bright and dull days, as {@link monthlyPlane} adds them up.
 * @param each told of month 0…11, W/m² and the share of the month's days
 */
export function hoursOfMonths(
  sun: SunYear,
  monthly: readonly MonthlyClimate[],
  surface: Surface,
  each: (month: number, wattsM2: number, share: number) => void,
): void {
  const plane = new MonthlyPlane(sun, monthly, surface)
  for (const month of ALL_MONTHS) plane.of(month, (wattsM2, share) => each(month, wattsM2, share))
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
  const energyAt = (tiltDeg: number, azimuthDeg: number) =>
    planeOfMonths(sun, monthly, { ...place, tiltDeg, azimuthDeg }, months).reduce((a, b) => a + b, 0) / months.length
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
