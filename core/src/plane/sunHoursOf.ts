import { surfaceOf } from './surface.ts'
import type { Design } from '../document/types.ts'
import { monthlyPlane } from './monthly.ts'
import { climateOf } from '../weather/ruling.ts'
import { kept } from '../math/kept.ts'
import { sunOfMonths } from './sunOfMonths.ts'

/** Surfaces whose sun is kept: every array of a large design, and those of a few edits before. */
const known = kept<readonly number[]>(300)

/**
 * Peak sun hours by month on each array of a design. Arrays that face alike share them, and what an edit did not touch
 * is not worked out again.
 *
 * @returns twelve values an array, kWh/m² a day, in the order of the arrays
 */
export function sunHoursOf({ place, arrays, schools }: Design): (readonly number[])[] {
  const sun = sunOfMonths(place)
  const { monthly } = climateOf(place)
  const under = JSON.stringify([place.latitudeDeg, place.longitudeDeg, place.utcOffsetH, monthly])
  return arrays.map((array) => {
    const surface = surfaceOf(place, array, schools.skyModel)
    return known(under + JSON.stringify(surface), () => monthlyPlane(sun, monthly, surface))
  })
}
