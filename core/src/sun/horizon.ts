import type { HorizonCover, HorizonPoint } from '../document/types.ts'
import { clamp, DEG, wrap360 } from '../math/angles.ts'

/** Share of the beam that passes trees that drop their leaves, by month in the north. */
const LEAFLESS_BARE = 0.5
const LEAFLESS_IN_LEAF = 0.15

/**
 * Elevation and cover of the horizon at an azimuth: linear between the points, closed around 360°.
 *
 * @param points in any order; none means an open horizon
 * @param azimuthDeg any
 */
export function horizonAt(
  points: readonly HorizonPoint[],
  azimuthDeg: number,
): { elevationDeg: number; cover: HorizonCover } {
  if (points.length === 0) return { elevationDeg: 0, cover: 'terrain' }
  const sorted = [...points].sort((a, b) => wrap360(a.azimuthDeg) - wrap360(b.azimuthDeg))
  const at = wrap360(azimuthDeg)
  let index = sorted.length - 1
  for (let i = 0; i < sorted.length; i++) if (wrap360(sorted[i].azimuthDeg) <= at) index = i
  if (wrap360(sorted[0].azimuthDeg) > at) index = sorted.length - 1
  const from = sorted[index]
  const to = sorted[(index + 1) % sorted.length]
  const span = wrap360(to.azimuthDeg - from.azimuthDeg)
  const along = span === 0 ? 0 : wrap360(at - from.azimuthDeg) / span
  return { elevationDeg: from.elevationDeg + along * (to.elevationDeg - from.elevationDeg), cover: from.cover }
}

/** Share of the beam that passes the horizon for a sun at this place in this month (0…11). */
export function beamThrough(
  points: readonly HorizonPoint[],
  sunAzimuthDeg: number,
  sunElevationDeg: number,
  month: number,
  latitudeDeg: number,
): number {
  if (points.length === 0) return 1
  const { elevationDeg, cover } = horizonAt(points, sunAzimuthDeg)
  if (sunElevationDeg >= elevationDeg) return 1
  if (cover !== 'leafless') return 0
  const northMonth = latitudeDeg >= 0 ? month : (month + 6) % 12
  return northMonth >= 4 && northMonth <= 9 ? LEAFLESS_IN_LEAF : LEAFLESS_BARE
}

/**
 * Share of the isotropic sky seen by a tilted plane that stands above the horizon profile, 0…1.
 * Numerical integration of cos(incidence) over the visible hemisphere, 5° of azimuth by 2° of elevation.
 */
export function skyViewAbove(points: readonly HorizonPoint[], tiltDeg: number, azimuthDeg: number): number {
  if (points.every((point) => point.elevationDeg <= 0)) return 1
  let seen = 0
  let all = 0
  for (let az = 2.5; az < 360; az += 5) {
    const skyline = clamp(horizonAt(points, az).elevationDeg, 0, 90)
    for (let el = 1; el < 90; el += 2) {
      const cosine =
        Math.sin(el * DEG) * Math.cos(tiltDeg * DEG) +
        Math.cos(el * DEG) * Math.sin(tiltDeg * DEG) * Math.cos((az - azimuthDeg) * DEG)
      if (cosine <= 0) continue
      const weight = cosine * Math.cos(el * DEG)
      all += weight
      seen += weight * clamp((el + 1 - skyline) / 2, 0, 1)
    }
  }
  return all > 0 ? seen / all : 1
}
