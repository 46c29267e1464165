import { DEG } from '../sun/angles.ts'
import { DAYS, HOURS, MONTH_DAYS } from '../sun/calendar.ts'
import type { MonthlyClimate } from './climate.ts'
import type { WeatherYear } from './generate.ts'

/** Depth of settled snow lost per degree above freezing and day, cm. Source: degree-day practice, 0.4–0.6 cm/(°C·d). */
const MELT_CM_PER_DEGREE_HOUR = 0.5 / 24
const SNOW_GROUND_FROM_CM = 2

/** Marks the hours in which snow lies on the ground, by a degree-day melt of what fell (for the albedo). */
export function snowOnGround(weather: WeatherYear, out: Uint8Array): void {
  let depth = 0
  for (let i = 0; i < HOURS; i++) {
    depth += weather.snowfallCm[i]
    if (weather.airC[i] > 0) depth = Math.max(0, depth - weather.airC[i] * MELT_CM_PER_DEGREE_HOUR)
    out[i] = depth >= SNOW_GROUND_FROM_CM ? 1 : 0
  }
}

/** Months that end with snow on the ground, by the same degree-day balance on monthly means. */
export function snowyMonths(monthly: readonly MonthlyClimate[]): boolean[] {
  const snowy = Array<boolean>(12).fill(false)
  let depth = 0
  for (let i = 0; i < 24; i++) {
    const { snowfallCm, meanC } = monthly[i % 12]
    depth += snowfallCm - Math.max(0, meanC) * MELT_CM_PER_DEGREE_HOUR * 24 * MONTH_DAYS[i % 12]
    depth = Math.max(0, depth)
    snowy[i % 12] = depth >= SNOW_GROUND_FROM_CM
  }
  return snowy
}

/**
 * Takes from the plane-of-array irradiance the share that snow on the modules hides.
 *
 * A day's fall of over 1 cm covers the row; it slides when the air is warmer than irradiance/−80 (°C per W/m²), by
 * 1.97·sin(tilt) tenths of the row height an hour; somebody brushes it off within `brushDays`, or nobody does.
 *
 * @param planeWM2 changed in place
 * @param tiltDeg 0…90
 * @param brushDays days until it is brushed off, or null for never
 * Source: Marion et al. (2013).
 */
export function hideUnderSnow(
  planeWM2: Float32Array,
  weather: WeatherYear,
  tiltDeg: number,
  brushDays: number | null,
): void {
  const slidePerHour = 0.197 * Math.sin(tiltDeg * DEG)
  let covered = 0
  let age = 0
  for (let day = 0; day < DAYS; day++) {
    let fall = 0
    for (let hour = 0; hour < 24; hour++) {
      const i = day * 24 + hour
      fall += weather.snowfallCm[i]
      age++
      if (fall > 1 && weather.snowfallCm[i] > 0) {
        covered = 1
        age = 0
      }
      if (covered === 0) continue
      if (brushDays !== null && age >= brushDays * 24) covered = 0
      else if (weather.airC[i] > planeWM2[i] / -80 && planeWM2[i] > 0) covered = Math.max(0, covered - slidePerHour)
      planeWM2[i] *= 1 - covered
    }
  }
}
