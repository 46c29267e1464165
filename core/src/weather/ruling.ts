import type { MonthlyClimate } from '../document/types.ts'
import type { Place } from '../document/types.ts'

/** The rows that closed forms and made years take. */
export interface ClimateRows {
  monthly: readonly MonthlyClimate[]
  persistence: readonly number[]
  windMS: number
  /** how much the sun of winters differs from year to year, %; null for the usual of its brightness */
  interannualPct: number | null
}

/** The climate that rules at a place: its own rows, or those of the imported hours it is set to. */
export function climateOf(place: Place): ClimateRows {
  return place.source !== 'monthly' && place.hours ? place.hours : place
}

/** How many different years a run of a design can have: imported hours as they were end with the file. */
export function yearsOfRun(place: Place, wanted: number): number {
  return place.source === 'hours' && place.hours ? Math.min(wanted, place.hours.years) : wanted
}
