import type { MonthlyClimate, Place } from '../document/types.ts'
import { darkMonths, MONTH_DAYS, MONTH_START } from '../calendar/calendar.ts'
import { climateOf } from './ruling.ts'

/** Another part of the year is the dark one only where it is darker than the winter by more than this. */
const DARKER_BY = 0.85
const DARKEST = 4

/** The dark season of a place and the year of its runs, which begins long before it. */
export interface Season {
  /** seven months 0…11 in order; the second to the fifth are the darkest */
  months: number[]
  /** day of year, from 0, on which every year of a run starts */
  startDay: number
}

/**
 * The dark season by the sun of the months: the winter of the hemisphere, or the rains where they are darker.
 *
 * @param monthly twelve rows
 * @returns seven months around the four darkest, October to April in the north where nothing speaks against it
 */
export function seasonOfMonths(latitudeDeg: number, monthly: readonly MonthlyClimate[]): Season {
  const totals = MONTH_DAYS.map((_, first) =>
    Array.from({ length: DARKEST }, (_, i) => (first + i) % 12).reduce(
      (sum, month) => sum + MONTH_DAYS[month] * monthly[month].ghiKWhM2Day,
      0,
    ),
  )
  const winter = darkMonths(latitudeDeg)
  const least = totals.indexOf(Math.min(...totals))
  const first = totals[least] < DARKER_BY * totals[winter[1]] ? (least + 11) % 12 : winter[0]
  return { months: winter.map((_, i) => (first + i) % 12), startDay: MONTH_START[(first + 9) % 12] }
}

/** As {@link seasonOfMonths}, by the climate that rules at a place. */
export const seasonOf = (place: Place): Season => seasonOfMonths(place.latitudeDeg, climateOf(place).monthly)
