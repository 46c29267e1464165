import { DAYS, MONTH_DAYS, MONTH_START } from '../calendar/calendar.ts'

/** The middle of one dark season, day by day. */
export interface WinterSample {
  says: 'gloomiest' | 'middling' | 'brightest'
  /** which of the years */
  index: number
  /** energy of each day, kWh/m² */
  days: number[]
  totalKWhM2: number
}

/**
 * Three winters that differ as much as the years allow: by the energy of the four darkest months.
 *
 * @param years daily energy of each year from `startDay` on, kWh/m²; at least one
 * @param startDay day of year (from 0) of the first day
 * @param dark seven months of the dark season, as of {@link Season}
 */
export function contrastingWinters(
  years: readonly Float64Array[],
  startDay: number,
  dark: readonly number[],
): WinterSample[] {
  const months = dark.slice(1, 5)
  const from = (MONTH_START[months[0]] - startDay + DAYS) % DAYS
  const length = months.reduce((sum, month) => sum + MONTH_DAYS[month], 0)
  const winters = years.map((year, index) => {
    const days = Array.from({ length }, (_, day) => year[(from + day) % DAYS])
    return { index, days, totalKWhM2: days.reduce((sum, energy) => sum + energy, 0) }
  })
  winters.sort((a, b) => a.totalKWhM2 - b.totalKWhM2)
  const pick = (says: WinterSample['says'], at: number): WinterSample => ({ says, ...winters[at] })
  return [
    pick('gloomiest', 0),
    pick('middling', Math.floor((winters.length - 1) / 2)),
    pick('brightest', winters.length - 1),
  ]
}
