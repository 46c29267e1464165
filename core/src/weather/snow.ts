import type { MonthlyClimate } from '../document/types.ts'
import { DEG } from '../math/angles.ts'
import type { Random } from '../math/random.ts'
import { DAYS, HOURS, MONTH_DAYS, MONTH_OF_DAY } from '../calendar/calendar.ts'
import type { WeatherYear } from './generate.ts'

/** Depth of settled snow lost per degree above freezing and day, cm. Source: degree-day practice, 0.4–0.6 cm/(°C·d). */
const MELT_CM_PER_DEGREE_HOUR = 0.5 / 24
const SNOW_GROUND_FROM_CM = 2

/** Fresh snow settles to so much of its depth. Source: typical densities, 100 kg/m³ fresh, 200 kg/m³ settled. */
const SETTLED = 0.5
/** The quarter of the year with most snow is what keeps the ground warm. */
const SNOWY_QUARTER = 4

/** Depth of snow after an hour in which some may fall and melt, cm as it fell. */
function depthAfter(depth: number, fallenCm: number, airC: number): number {
  const lying = depth + fallenCm
  if (lying === 0 || airC <= 0) return lying
  const left = lying - airC * MELT_CM_PER_DEGREE_HOUR
  return left > 0 ? left : 0
}

/** Mean depth of settled snow on the ground over the snowiest quarter of a year of hours, m. */
export function snowOfYear(weather: WeatherYear): number {
  const { snowfallCm, airC } = weather
  const days = new Float64Array(DAYS)
  let depth = 0
  for (let day = 0; day < DAYS; day++) {
    let sum = 0
    for (let i = day * 24; i < (day + 1) * 24; i++) {
      depth = depthAfter(depth, snowfallCm[i], airC[i])
      sum += depth
    }
    days[day] = sum / 24
  }
  return snowiest(days)
}

/** The same by the degree-day balance on monthly means. */
export const snowOfMonths = (monthly: readonly MonthlyClimate[]): number =>
  snowiest(Float64Array.from(snowDepths(monthly)))

function snowiest(depthsCm: Float64Array): number {
  const most = depthsCm.sort().subarray(-Math.round(depthsCm.length / SNOWY_QUARTER))
  return ((most.reduce((sum, depth) => sum + depth, 0) / most.length) * SETTLED) / 100
}

/** Marks the hours in which snow lies on the ground, by a degree-day melt of what fell (for the albedo). */
export function snowOnGround(weather: WeatherYear, out: Uint8Array): void {
  const { snowfallCm, airC } = weather
  let depth = 0
  for (let i = 0; i < HOURS; i++) {
    depth = depthAfter(depth, snowfallCm[i], airC[i])
    out[i] = depth >= SNOW_GROUND_FROM_CM ? 1 : 0
  }
}

/** Months that end with snow on the ground, by the same degree-day balance on monthly means. */
export const snowyMonths = (monthly: readonly MonthlyClimate[]): boolean[] =>
  snowDepths(monthly).map((depth) => depth >= SNOW_GROUND_FROM_CM)

/** Depth of snow at the end of each month by that balance, cm as it fell. */
function snowDepths(monthly: readonly MonthlyClimate[]): number[] {
  const depths = Array<number>(12).fill(0)
  let depth = 0
  for (let i = 0; i < 24; i++) {
    const { snowfallCm, meanC } = monthly[i % 12]
    depth += snowfallCm - Math.max(0, meanC) * MELT_CM_PER_DEGREE_HOUR * 24 * MONTH_DAYS[i % 12]
    depth = Math.max(0, depth)
    depths[i % 12] = depth
  }
  return depths
}

/**
 * Takes from the plane-of-array irradiance the share that snow on the modules hides.
 *
 * A day's fall of over 1 cm covers the row; it slides when the air is warmer than irradiance/−80 (°C per W/m²), by
 * 1.97·sin(tilt) tenths of the row height an hour; somebody brushes it off within `brushDays`, or nobody does.
 *
 * @param planeWM2 changed in place
 * @param tiltOf tilt on a day of the year (from 0), 0…90
 * @param brushDays days until it is brushed off, or null for never
 * @param steps cell strings one above the other, each lost as soon as snow lies on part of it, ≥ 1
 * Source: Marion et al. (2013).
 * @example ((plane) => (hideUnderSnow(plane, { startDay: 0, airC: new Float32Array(8760).fill(-20), snowfallCm: new
 * Float32Array(8760).fill(2, 0, 1) }, () => 40, 3, 1), [plane[12], plane[71], plane[72]]))(new
 * Float32Array(8760).fill(300)) → [0, 0, 300]
 */
export function hideUnderSnow(
  planeWM2: Float32Array,
  weather: WeatherYear,
  tiltOf: (day: number) => number,
  brushDays: number | null,
  steps: number,
): void {
  const { snowfallCm, airC } = weather
  let covered = 0
  let age = 0
  for (let day = 0; day < DAYS; day++) {
    let fall = 0
    const slidePerHour = 0.197 * Math.sin(tiltOf((weather.startDay + day) % DAYS) * DEG)
    for (let hour = 0; hour < 24; hour++) {
      const i = day * 24 + hour
      const fallen = snowfallCm[i]
      fall += fallen
      age++
      if (fallen > 0 && fall > 1) {
        covered = 1
        age = 0
      }
      if (covered === 0) continue
      if (brushDays !== null && age >= brushDays * 24) covered = 0
      else if (airC[i] > planeWM2[i] / -80 && planeWM2[i] > 0) covered = Math.max(0, covered - slidePerHour)
      planeWM2[i] *= 1 - Math.ceil(covered * steps - 1e-9) / steps
    }
  }
}

const FALL_HOURS = 6

/** Snowfall of a winter differs by so much of its mean from year to year. Source: typical station records. */
const YEARLY_SPREAD = 0.3
/** A duller day draws snow sooner, by this power of its rank. */
const DULL_POWER = 3

/**
 * Lets the snow of each month fall, all of it: as much as that year has of the month's mean, on freezing days drawn the
 * sooner the duller they are, and where those do not suffice on the coldest others.
 *
 * @param year its air is there already; its snowfall is filled
 * @param clearness of each day of the year
 * @param monthly rows with the month's mean snowfall, cm
 * @param mirror −1 for the mirrored year of a pair
 */
export function letSnowFall(
  year: WeatherYear,
  clearness: Float64Array,
  monthly: readonly MonthlyClimate[],
  random: Random,
  mirror = 1,
): void {
  const share = Math.exp(YEARLY_SPREAD * mirror * random.gaussian() - YEARLY_SPREAD ** 2 / 2)
  let from = 0
  while (from < DAYS) {
    const month = MONTH_OF_DAY[(year.startDay + from) % DAYS]
    const to = from + MONTH_DAYS[month]
    if (monthly[month].snowfallCm > 0)
      snowOn(drawnDays(daysBetween(from, to), year, clearness, random), share * monthly[month].snowfallCm, year, random)
    from = to
  }
}

/** Freezing days in the order in which snow falls on them, then the others from the coldest on. */
function drawnDays(days: readonly number[], year: WeatherYear, clearness: Float64Array, random: Random): number[] {
  const drawn = days.map((i) => ({ i, mean: dailyMean(year.airC, i), key: 0 }))
  const freezing = drawn.filter(({ mean }) => mean < 0.5).sort((a, b) => clearness[a.i] - clearness[b.i])
  const rest = drawn.filter(({ mean }) => mean >= 0.5).sort((a, b) => a.mean - b.mean)
  // weighted draw without putting back: Efraimidis & Spirakis (2006)
  freezing.forEach((day, rank) => (day.key = Math.log(random.uniform()) / (1 - rank / freezing.length) ** DULL_POWER))
  freezing.sort((a, b) => b.key - a.key)
  return [...freezing, ...rest].map(({ i }) => i)
}

function snowOn(days: readonly number[], totalCm: number, year: WeatherYear, random: Random): void {
  let left = totalCm
  for (const [rank, i] of days.entries()) {
    if (left <= 0) return
    const fall = rank === days.length - 1 ? left : Math.min(left, 1 - 5 * Math.log(random.uniform()))
    const start = Math.floor(random.uniform() * (24 - FALL_HOURS))
    for (let hour = 0; hour < FALL_HOURS; hour++) year.snowfallCm[i * 24 + start + hour] = fall / FALL_HOURS
    left -= fall
  }
}

function daysBetween(from: number, to: number): number[] {
  return Array.from({ length: to - from }, (_, i) => from + i)
}

function dailyMean(hours: Float32Array, day: number): number {
  let sum = 0
  for (let hour = 0; hour < 24; hour++) sum += hours[day * 24 + hour]
  return sum / 24
}
