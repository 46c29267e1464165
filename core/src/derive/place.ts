import { MONTH_DAYS, MONTH_NAMES } from '../calendar/calendar.ts'
import { term, worked, type Worked } from '../working/working.ts'

/**
 * Sheet of the sun in the worst month.
 * @param sunHours peak sun hours by month, h a day
 */
export function worstSun(sunHours: readonly number[], worstMonth: number): Worked {
  return worked('place.worst-month-sun', 'Sun in the worst month', sunHours[worstMonth], 'h', {
    says: 'least mean daily plane-of-array energy of the twelve months, kWh/m² (peak sun hours)',
    terms: sunHours.map((hours, month) => term(MONTH_NAMES[month], hours, 'h')),
    source: 'Bendt et al. 1981; Erbs et al. 1982; Hay & Davies 1980 or Perez et al. 1990',
  })
}

/**
 * Sheet of the sun through the year.
 * @param sunHours peak sun hours by month, h a day
 */
export function yearSun(sunHours: readonly number[]): Worked {
  const mean = sunHours.reduce((sum, hours, month) => sum + hours * MONTH_DAYS[month], 0) / 365
  return worked('place.annual-sun', 'Sun, mean of the year', mean, 'h', {
    says: 'mean over the year; shown for contrast only, nothing is sized with it',
    terms: [],
    source: 'as the monthly figures',
  })
}
