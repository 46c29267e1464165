import type { SkyModel } from '../document/types.ts'
import type { HorizonPoint } from '../document/types.ts'
import { clamp, DEG } from '../math/angles.ts'
import { diffuseFraction } from './diffuse.ts'
import { DAYS, MONTH_OF_DAY } from '../calendar/calendar.ts'
import { normalExtraterrestrial } from './extraterrestrial.ts'
import { beamThrough, skylineOf, skyViewAbove } from './horizon.ts'

/** Below this cosine of the zenith (87°) ratios to the horizontal are held, so that no hour blows up. */
export const COS_ZENITH_FLOOR = Math.cos(87 * DEG)

/** Places in the output of {@link transposeInto}. */
export const BEAM = 0
export const CIRCUMSOLAR = 1
export const SKY = 2
export const GROUND = 3

/** Coefficients F11 F12 F13 F21 F22 F23 by clearness bin. Source: Perez et al. (1990), table 6. */
const PEREZ = [
  [-0.008, 0.588, -0.062, -0.06, 0.072, -0.022],
  [0.13, 0.683, -0.151, -0.019, 0.066, -0.029],
  [0.33, 0.487, -0.221, 0.055, -0.064, -0.026],
  [0.568, 0.187, -0.295, 0.109, -0.152, -0.014],
  [0.873, -0.392, -0.362, 0.226, -0.462, 0.001],
  [1.132, -1.237, -0.412, 0.288, -0.823, 0.056],
  [1.06, -1.6, -0.359, 0.264, -1.127, 0.131],
  [0.678, -0.327, -0.25, 0.156, -1.377, 0.251],
]
const PEREZ_BINS = [1.065, 1.23, 1.5, 1.95, 2.8, 4.5, 6.2]

/**
 * Splits one hour of horizontal irradiance over a tilted plane, without allocating.
 * All irradiances W/m². Writes beam, circumsolar, rest of the sky and ground part to `out`.
 *
 * Source: Hay & Davies (1980) with isotropic ground reflection; Perez et al. (1990) as the second model.
 * @example ((out) => (transposeInto(out, 'hay-davies', 500, 150, 0.5, 0.9, 1367, 0.5, 0.866, 0.2), [...out]))(new
 * Float64Array(4)) → [630, 138.3, 54.89, 25]
 */
export function transposeInto(
  out: Float64Array,
  model: SkyModel,
  ghi: number,
  dhi: number,
  cosZenith: number,
  cosIncidence: number,
  normalExtra: number,
  cosTilt: number,
  sinTilt: number,
  albedo: number,
): void {
  const floored = cosZenith > COS_ZENITH_FLOOR ? cosZenith : COS_ZENITH_FLOOR
  const facing = cosZenith > 0 && cosIncidence > 0 ? cosIncidence : 0
  const beamNormal = cosZenith > 0 ? Math.min(Math.max(0, ghi - dhi) / floored, normalExtra) : 0
  const skyView = (1 + cosTilt) / 2
  out[BEAM] = beamNormal * facing
  out[GROUND] = (ghi * albedo * (1 - cosTilt)) / 2
  if (model === 'hay-davies') {
    const anisotropy = beamNormal / normalExtra
    out[CIRCUMSOLAR] = Math.min((dhi * anisotropy * facing) / floored, normalExtra)
    out[SKY] = dhi * (1 - anisotropy) * skyView
  } else {
    perezInto(out, dhi, beamNormal, cosZenith, facing, normalExtra, skyView, sinTilt)
  }
}

function perezInto(
  out: Float64Array,
  dhi: number,
  beamNormal: number,
  cosZenith: number,
  facing: number,
  normalExtra: number,
  skyView: number,
  sinTilt: number,
): void {
  if (dhi <= 0) {
    out[CIRCUMSOLAR] = out[SKY] = 0
    return
  }
  const zenith = Math.acos(clamp(cosZenith, -1, 1))
  const k = 1.041 * zenith ** 3
  const epsilon = ((dhi + beamNormal) / dhi + k) / (1 + k)
  let bin = 0
  while (bin < PEREZ_BINS.length && epsilon > PEREZ_BINS[bin]) bin++
  const f = PEREZ[bin]
  const zenithDeg = Math.min(zenith / DEG, 90)
  const airMass = 1 / (Math.cos(zenithDeg * DEG) + 0.50572 * (96.07995 - zenithDeg) ** -1.6364)
  const brightness = (dhi * airMass) / normalExtra
  const f1 = Math.max(0, f[0] + f[1] * brightness + f[2] * zenith)
  const f2 = f[3] + f[4] * brightness + f[5] * zenith
  out[CIRCUMSOLAR] = (dhi * f1 * facing) / Math.max(Math.cos(85 * DEG), cosZenith)
  out[SKY] = Math.max(0, dhi * ((1 - f1) * skyView + f2 * sinTilt))
}

/**
 * Incidence modifier of a flat glass cover on the beam.
 * @param cosIncidence cosine of the angle of incidence, ≤ 1
 * Source: ASHRAE 93, b0 = 0.05.
 * @example incidenceModifier(0.5) → 0.95
 */
export function incidenceModifier(cosIncidence: number): number {
  if (cosIncidence <= 0.0477) return 0
  return 1 - 0.05 * (1 / cosIncidence - 1)
}

/** Cosine of the angle between the sun and the normal of a tilted plane; all angles degrees. */
export function cosIncidenceOf(zenithDeg: number, sunAzimuthDeg: number, tiltDeg: number, azimuthDeg: number): number {
  return (
    Math.cos(zenithDeg * DEG) * Math.cos(tiltDeg * DEG) +
    Math.sin(zenithDeg * DEG) * Math.sin(tiltDeg * DEG) * Math.cos((sunAzimuthDeg - azimuthDeg) * DEG)
  )
}

export interface PlaneOfArrayInput {
  ghiWM2: number
  zenithDeg: number
  sunAzimuthDeg: number
  tiltDeg: number
  azimuthDeg: number
  dayOfYear: number
  albedo?: number
  skyModel?: SkyModel
  /** what stands around; an open horizon without it */
  horizon?: readonly HorizonPoint[]
  /** tells which months trees are bare; the north without it */
  latitudeDeg?: number
}

/**
 * Incidence modifiers of the light of the sky and of the ground on a tilted plane, each at the angle at which a beam would
 * lose as much.
 *
 * @param tiltDeg 0…90
 * @returns factors 0…1
 * Source: Brandemuehl & Beckman (1980), as in Duffie & Beckman, eqs. 5.4.1 and 5.4.2.
 * @example diffuseModifiers(45) → { sky: 0.9595, ground: 0.9078 }
 */
export function diffuseModifiers(tiltDeg: number): { sky: number; ground: number } {
  const skyDeg = 59.68 - 0.1388 * tiltDeg + 0.001497 * tiltDeg * tiltDeg
  const groundDeg = 90 - 0.5788 * tiltDeg + 0.002693 * tiltDeg * tiltDeg
  return { sky: incidenceModifier(Math.cos(skyDeg * DEG)), ground: incidenceModifier(Math.cos(groundDeg * DEG)) }
}

/**
 * Irradiance on a tilted plane from the global horizontal irradiance of one hour, before incidence and soiling losses.
 *
 * A horizon takes beam and circumsolar of a sun below it, and the part of the isotropic sky it hides.
 *
 * @param input ghiWM2 ≥ 0; zenithDeg 0…180; tiltDeg 0…90; dayOfYear 1…366; albedo 0…1
 * @returns beam, diffuse (circumsolar included), ground-reflected and total, W/m²
 * Source: Erbs et al. (1982), Hay & Davies (1980) or Perez et al. (1990).
 * @example planeOfArray({ ghiWM2: 300, zenithDeg: 70, sunAzimuthDeg: 180, tiltDeg: 60, azimuthDeg: 180, dayOfYear:
 * 355 }) → { beamWM2: 527.8, diffuseWM2: 182.2, groundWM2: 15, totalWM2: 724.9 }
 */
export function planeOfArray(input: PlaneOfArrayInput): {
  beamWM2: number
  diffuseWM2: number
  groundWM2: number
  totalWM2: number
} {
  const {
    ghiWM2,
    zenithDeg,
    sunAzimuthDeg,
    tiltDeg,
    azimuthDeg,
    dayOfYear,
    albedo = 0.2,
    skyModel = 'hay-davies',
    horizon = [],
    latitudeDeg = 45,
  } = input
  const normalExtra = normalExtraterrestrial(dayOfYear)
  const cosZenith = Math.cos(zenithDeg * DEG)
  const horizontalExtra = normalExtra * Math.max(cosZenith, COS_ZENITH_FLOOR)
  const dhi = cosZenith > 0 ? ghiWM2 * diffuseFraction(ghiWM2 / horizontalExtra) : ghiWM2
  const out = new Float64Array(4)
  transposeInto(
    out,
    skyModel,
    ghiWM2,
    dhi,
    cosZenith,
    cosIncidenceOf(zenithDeg, sunAzimuthDeg, tiltDeg, azimuthDeg),
    normalExtra,
    Math.cos(tiltDeg * DEG),
    Math.sin(tiltDeg * DEG),
    albedo,
  )
  const month = MONTH_OF_DAY[(dayOfYear - 1) % DAYS]
  const through = beamThrough(skylineOf(horizon), sunAzimuthDeg, 90 - zenithDeg, month, latitudeDeg)
  const beamWM2 = out[BEAM] * through
  const diffuseWM2 = out[CIRCUMSOLAR] * through + out[SKY] * skyViewAbove(horizon, tiltDeg, azimuthDeg)
  return { beamWM2, diffuseWM2, groundWM2: out[GROUND], totalWM2: beamWM2 + diffuseWM2 + out[GROUND] }
}
