import type { Place } from '../document/types.ts'
import { sunYear, type SunYear } from '../sun/geometry.ts'

let lastSun: { key: string; year: SunYear } | null = null

/** The sun's year of a place; the last one is kept because every edit asks for it again. */
export function sunYearOf(place: Place): SunYear {
  const key = `${place.latitudeDeg}|${place.longitudeDeg}|${place.utcOffsetH}|${place.elevationM}`
  if (lastSun?.key !== key) lastSun = { key, year: sunYear(place) }
  return lastSun.year
}
