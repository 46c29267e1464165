import { clamp, DEG } from '../math/angles.ts'
import { requireLatitude } from './position.ts'

/** Total solar irradiance, W/m². Source: Kopp & Lean (2011). */
export const SOLAR_CONSTANT_WM2 = 1361

const dayAngle = (dayOfYear: number) => (2 * Math.PI * (dayOfYear - 1)) / 365

/**
 * Sun–earth distance factor (r0/r)². @param dayOfYear 1…366. Source: Spencer (1971).
 * @example eccentricityFactor(1) → 1.035
 */
export function eccentricityFactor(dayOfYear: number): number {
  const b = dayAngle(dayOfYear)
  return (
    1.00011 + 0.034221 * Math.cos(b) + 0.00128 * Math.sin(b) + 0.000719 * Math.cos(2 * b) + 0.000077 * Math.sin(2 * b)
  )
}

/**
 * Declination of the sun, degrees. @param dayOfYear 1…366. Source: Spencer (1971).
 * @example declinationDeg(172) → 23.45
 */
export function declinationDeg(dayOfYear: number): number {
  const b = dayAngle(dayOfYear)
  return (
    (0.006918 -
      0.399912 * Math.cos(b) +
      0.070257 * Math.sin(b) -
      0.006758 * Math.cos(2 * b) +
      0.000907 * Math.sin(2 * b) -
      0.002697 * Math.cos(3 * b) +
      0.00148 * Math.sin(3 * b)) /
    DEG
  )
}

/**
 * Equation of time, minutes: solar time less mean time. @param dayOfYear 1…366. Source: Spencer (1971).
 * @example equationOfTimeMin(42) → -14.21
 */
export function equationOfTimeMin(dayOfYear: number): number {
  const b = dayAngle(dayOfYear)
  return (
    229.18 *
    (0.000075 +
      0.001868 * Math.cos(b) -
      0.032077 * Math.sin(b) -
      0.014615 * Math.cos(2 * b) -
      0.04089 * Math.sin(2 * b))
  )
}

/** Hour angle of sunset, radians 0…π: 0 in polar night, π in polar day. */
export function sunsetHourAngle(latitudeDeg: number, declination: number): number {
  const cosine = -Math.tan(clamp(latitudeDeg, -89.999, 89.999) * DEG) * Math.tan(declination * DEG)
  return Math.acos(clamp(cosine, -1, 1))
}

/** Extraterrestrial irradiance on a plane facing the sun, W/m². */
export function normalExtraterrestrial(dayOfYear: number): number {
  return SOLAR_CONSTANT_WM2 * eccentricityFactor(dayOfYear)
}

/**
 * Extraterrestrial energy on a horizontal plane on one day, Wh/m², while the hour angle goes from one value to another.
 * Both angles must lie within ±the sunset hour angle; radians.
 */
export function extraterrestrialOn(latitudeDeg: number, dayOfYear: number): (from: number, to: number) => number {
  const latitude = latitudeDeg * DEG
  const declination = declinationDeg(dayOfYear) * DEG
  const scale = (12 / Math.PI) * normalExtraterrestrial(dayOfYear)
  const turning = Math.cos(latitude) * Math.cos(declination)
  const [sinLatitude, sinDeclination] = [Math.sin(latitude), Math.sin(declination)]
  return (from, to) =>
    to <= from
      ? 0
      : Math.max(0, scale * (turning * (Math.sin(to) - Math.sin(from)) + (to - from) * sinLatitude * sinDeclination))
}

/**
 * Daily extraterrestrial energy on a horizontal plane, kWh/m²; exactly 0 in polar night.
 *
 * @param latitudeDeg −90…90
 * @param dayOfYear 1…366
 * @throws RangeError out of range
 * Source: Duffie & Beckman, Solar Engineering of Thermal Processes, eq. 1.10.3.
 * @example extraterrestrialDaily(43, 105) → 9.362
 */
export function extraterrestrialDaily(latitudeDeg: number, dayOfYear: number): number {
  requireLatitude(latitudeDeg)
  if (!(dayOfYear >= 1 && dayOfYear <= 366)) throw new RangeError(`dayOfYear ${dayOfYear} must lie between 1 and 366`)
  const sunset = sunsetHourAngle(latitudeDeg, declinationDeg(dayOfYear))
  return extraterrestrialOn(latitudeDeg, dayOfYear)(-sunset, sunset) / 1000
}
