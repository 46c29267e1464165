/** The computing year has 365 days: leap days are dropped on import and never made. */
export const DAYS = 365
export const HOURS = 8760
export const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const
export const MONTH_NAMES = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const

/** First day of each month, day of year counted from 0. */
export const MONTH_START: readonly number[] = MONTH_DAYS.map((_, m) =>
  MONTH_DAYS.slice(0, m).reduce((sum, days) => sum + days, 0),
)

/** Month 0…11 of each day 0…364. */
export const MONTH_OF_DAY: Uint8Array = Uint8Array.from(
  MONTH_DAYS.flatMap((days, month) => Array.from({ length: days }, () => month)),
)

/** Day of the month, from 1, and name of the month of a day of the year. @param day from 0; a later year's goes on */
export function dateOfDay(day: number): { day: number; month: string } {
  const month = MONTH_OF_DAY[day % DAYS]
  return { day: (day % DAYS) - MONTH_START[month] + 1, month: MONTH_NAMES[month] }
}

/** Klein's (1977) representative day of each month, day of year counted from 1. */
export const MEAN_DAYS = [17, 47, 75, 105, 135, 162, 198, 228, 258, 288, 318, 344] as const

/** Months 0…11 of the dark season, in order: October–April in the north, April–October in the south. */
export function darkMonths(latitudeDeg: number): number[] {
  const first = latitudeDeg >= 0 ? 9 : 3
  return Array.from({ length: 7 }, (_, i) => (first + i) % 12)
}
