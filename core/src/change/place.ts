import { MONTH_NAMES } from '../calendar/calendar.ts'
import type { HorizonPoint, MonthlyClimate, Place, PlaceHours } from '../document/types.ts'
import { horizonAt } from '../sun/horizon.ts'
import { climateAt } from '../weather/climates.ts'
import { COUNTS } from '../fields/limits.ts'
import type { Change } from './change.ts'

const withPlace =
  (make: (place: Place) => Partial<Place>): Change =>
  (design) => ({ ...design, place: { ...design.place, ...make(design.place) } })

/** One figure of a month's row; the rows are the reader's own from then on. @param month 0…11 */
export const setMonth = (month: number, key: keyof MonthlyClimate, value: number): Change =>
  withPlace(({ monthly }) => ({
    climate: 'own',
    monthly: monthly.map((row, m) => (m === month ? { ...row, [key]: value } : row)),
  }))

/** Another latitude; the rows of an illustration are those of the new one. */
export const moveTo = (latitudeDeg: number): Change =>
  withPlace(({ climate }) => ({
    latitudeDeg,
    ...(climate !== 'own' && Math.abs(latitudeDeg) <= 90 ? { monthly: climateAt(climate, latitudeDeg).monthly } : {}),
  }))

/** Twelve rows of the reader's own. */
export const takeMonths = (monthly: MonthlyClimate[]): Change => withPlace(() => ({ monthly, climate: 'own' }))

/** The rows of an illustrative climate at the place's latitude, or the rows that are there as one's own. */
export const takeClimate = (id: string): Change =>
  withPlace(({ latitudeDeg }) => ({ climate: id, ...(id === 'own' ? {} : climateAt(id, latitudeDeg)) }))

/** The same persistence, 0…0.95, in every month. */
export const setPersistence = (value: number): Change =>
  withPlace(() => ({ persistence: MONTH_NAMES.map(() => value) }))

/** So many years of hours are better run as they were; fewer are better made into many. */
const YEARS_TO_RUN = 10

/** Imported hours rule, and the clock is theirs. */
export const takeHours = (hours: PlaceHours): Change =>
  withPlace(() => ({
    hours,
    source: hours.years >= YEARS_TO_RUN ? 'hours' : 'fitted',
    utcOffsetH: hours.utcOffsetH,
  }))

/** The whole horizon at once. */
export const setHorizon = (horizon: HorizonPoint[]): Change => withPlace(() => ({ horizon }))

/** Another point of the horizon, in its place around the circle; without one given, a little on from the last. */
export const addHorizonPoint = (at?: Pick<HorizonPoint, 'azimuthDeg' | 'elevationDeg'>): Change =>
  withPlace(({ horizon }) => {
    if (horizon.length >= COUNTS.horizonPoints) return {}
    const last = horizon[horizon.length - 1]
    const point: HorizonPoint = at
      ? { ...at, cover: horizonAt(horizon, at.azimuthDeg).cover }
      : {
          azimuthDeg: last ? Math.min(360, last.azimuthDeg + 30) : 90,
          elevationDeg: last?.elevationDeg ?? 5,
          cover: 'terrain',
        }
    return { horizon: [...horizon, point].sort((a, b) => a.azimuthDeg - b.azimuthDeg) }
  })
