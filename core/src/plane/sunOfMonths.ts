import { DAYS, MEAN_DAYS, MONTH_START } from '../calendar/calendar.ts'
import type { Place } from '../document/types.ts'
import { sunYear, type SunYear } from '../sun/geometry.ts'

/**
 * Days (from 0) whose hours months are made of: the representative one of each with its neighbours, whose sun is looked
 * at about midnight, and the middle one, whose clear sky is.
 */
const DAYS_OF_MONTHS: ReadonlySet<number> = new Set([
  ...MEAN_DAYS.flatMap((day) => [day - 2, day - 1, day].map((each) => (each + DAYS) % DAYS)),
  ...Array.from({ length: 12 }, (_, month) => MONTH_START[month] + 15),
])

let last: { key: string; year: SunYear } | null = null

/**
 * The sun's year of a place as far as its months need it: whole days of all the year, hours of few. The last one is kept
 * because every edit asks for it again.
 */
export function sunOfMonths(place: Place): SunYear {
  const key = `${place.latitudeDeg}|${place.longitudeDeg}|${place.utcOffsetH}|${place.elevationM}`
  if (last?.key !== key) last = { key, year: sunYear(place, DAYS_OF_MONTHS) }
  return last.year
}
