import type { ArrayField, Design, Place } from '../document/types.ts'

/** The tilted surface an array stands on, under the sky of a place. */
export function surfaceOf(
  place: Place,
  array: Pick<ArrayField, 'tiltDeg' | 'azimuthDeg'> &
    Partial<Pick<ArrayField, 'tiltSeasons' | 'tracking' | 'horizonShare'>>,
  skyModel: Design['schools']['skyModel'],
) {
  return {
    tiltDeg: array.tiltDeg,
    azimuthDeg: array.azimuthDeg,
    tiltSeasons: array.tiltSeasons,
    tracking: array.tracking,
    horizonShare: array.horizonShare,
    horizon: place.horizon,
    latitudeDeg: place.latitudeDeg,
    skyModel,
    albedoBare: place.albedoBare,
    albedoSnow: place.albedoSnow,
  }
}
