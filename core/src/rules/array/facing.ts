import { faceArray } from '../../change/array.ts'
import type { ArrayField } from '../../document/types.ts'
import { wrap360 } from '../../math/angles.ts'
import { watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Nearer to the equator the sun stands on either side, and flatter than this an array hardly faces anywhere. */
const LEAST_LATITUDE_DEG = 15
const LEAST_TILT_DEG = 15
/** Further than this from the sun at noon it is not a matter of east or west. */
const AWAY_DEG = 110

/** Degrees between two bearings, 0…180. */
const apartDeg = (a: number, b: number): number => Math.abs(wrap360(a - b + 180) - 180)

const steepest = ({ tiltDeg, tiltSeasons }: ArrayField): number =>
  tiltSeasons.reduce((most, season) => Math.max(most, season.tiltDeg), tiltDeg)

/** A fixed array with its back to the sun at noon: mostly degrees that were counted from south. */
export const facing: Rule = {
  id: 'array.facing',
  step: 'array',
  check: ({ design: { arrays, place } }) => {
    if (Math.abs(place.latitudeDeg) < LEAST_LATITUDE_DEG) return []
    const [noonDeg, side] = place.latitudeDeg > 0 ? ([180, 'south'] as const) : ([0, 'north'] as const)
    return arrays
      .filter(
        (array) =>
          array.tracking === 'fixed' &&
          steepest(array) >= LEAST_TILT_DEG &&
          apartDeg(array.azimuthDeg, noonDeg) > AWAY_DEG,
      )
      .map((array) =>
        watch(
          array.id,
          say`${array.name} faces ${amount(array.azimuthDeg, '°')}; at noon the sun stands in the ${side}.`,
          'Bearings count from north over east: east is 90, south 180, west 270. Some sheets count from south.',
          { remedy: { label: say`face it ${side}`, apply: faceArray(array.id, noonDeg) } },
        ),
      )
  },
}
