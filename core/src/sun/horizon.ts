import type { HorizonCover, HorizonPoint } from '../document/types.ts'
import { clamp, DEG, wrap360 } from '../math/angles.ts'

/** Share of the beam that passes trees that drop their leaves, by month in the north. */
const LEAFLESS_BARE = 0.5
const LEAFLESS_IN_LEAF = 0.15

/** What stands at an azimuth: how high, and whether leaves are shed. */
interface Standing {
  elevationDeg: number
  cover: HorizonCover
}

/** A horizon made ready to be asked for many azimuths; null for an open one. */
export type Skyline = ((azimuthDeg: number) => Standing) | null

/**
 * A horizon made ready: linear between its points, closed around 360°.
 *
 * @param points in any order; none means an open horizon
 */
export function skylineOf(points: readonly HorizonPoint[]): Skyline {
  if (points.length === 0) return null
  const sorted = points
    .map((point) => ({ ...point, azimuthDeg: wrap360(point.azimuthDeg) }))
    .sort((a, b) => a.azimuthDeg - b.azimuthDeg)
  return (azimuthDeg) => {
    const at = wrap360(azimuthDeg)
    let after = 0
    while (after < sorted.length && sorted[after].azimuthDeg <= at) after++
    const from = sorted[after === 0 ? sorted.length - 1 : after - 1]
    const to = sorted[after === sorted.length ? 0 : after]
    const span = wrap360(to.azimuthDeg - from.azimuthDeg)
    const along = span === 0 ? 0 : wrap360(at - from.azimuthDeg) / span
    return { elevationDeg: from.elevationDeg + along * (to.elevationDeg - from.elevationDeg), cover: from.cover }
  }
}

/**
 * Elevation and cover of the horizon at an azimuth.
 *
 * @param points in any order; none means an open horizon
 * @param azimuthDeg any
 */
export function horizonAt(points: readonly HorizonPoint[], azimuthDeg: number): Standing {
  return skylineOf(points)?.(azimuthDeg) ?? { elevationDeg: 0, cover: 'terrain' }
}

/** Share of the beam that passes the horizon for a sun at this place in this month (0…11). */
export function beamThrough(
  skyline: Skyline,
  sunAzimuthDeg: number,
  sunElevationDeg: number,
  month: number,
  latitudeDeg: number,
): number {
  if (skyline === null) return 1
  const { elevationDeg, cover } = skyline(sunAzimuthDeg)
  if (sunElevationDeg >= elevationDeg) return 1
  if (cover !== 'leafless') return 0
  const northMonth = latitudeDeg >= 0 ? month : (month + 6) % 12
  return northMonth >= 4 && northMonth <= 9 ? LEAFLESS_IN_LEAF : LEAFLESS_BARE
}

/** Rings of the sky: middle of each, and its sine and cosine. */
const RING_DEG = 2
const RINGS = Array.from({ length: 90 / RING_DEG }, (_, ring) => {
  const elevationDeg = (ring + 0.5) * RING_DEG
  return { elevationDeg, sine: Math.sin(elevationDeg * DEG), cosine: Math.cos(elevationDeg * DEG) }
})
const SECTOR_DEG = 5

/**
 * Share of the isotropic sky seen by a tilted plane that stands above the horizon profile, 0…1.
 * Numerical integration of cos(incidence) over the visible hemisphere, 5° of azimuth by 2° of elevation.
 */
export function skyViewAbove(points: readonly HorizonPoint[], tiltDeg: number, azimuthDeg: number): number {
  const skyline = skylineOf(points.some((point) => point.elevationDeg > 0) ? points : [])
  if (skyline === null) return 1
  const cosTilt = Math.cos(tiltDeg * DEG)
  const sinTilt = Math.sin(tiltDeg * DEG)
  let seen = 0
  let all = 0
  for (let az = SECTOR_DEG / 2; az < 360; az += SECTOR_DEG) {
    const blockedDeg = clamp(skyline(az).elevationDeg, 0, 90)
    const facing = sinTilt * Math.cos((az - azimuthDeg) * DEG)
    for (const { elevationDeg, sine, cosine } of RINGS) {
      const incidence = sine * cosTilt + cosine * facing
      if (incidence <= 0) continue
      const weight = incidence * cosine
      all += weight
      seen += weight * clamp((elevationDeg + RING_DEG / 2 - blockedDeg) / RING_DEG, 0, 1)
    }
  }
  return all > 0 ? seen / all : 1
}
