import type { Load } from '../document/types.ts'
import { standbyEnergy, useEnergy } from './energy.ts'
import { shareOfUse, WEEKDAY_NAMES } from './week.ts'

/**
 * Energy of a load on a day on which it is used, Wh: a load of two days a week takes half of its week on such a day.
 *
 * @param load as `loadInWeek` leaves it
 * @param month 0…11
 * @throws RangeError for a month that does not exist
 */
export const dayOfUse = (load: Load, month: number): number =>
  useEnergy(load, month) * shareOfUse(load) + standbyEnergy(load, month)

/**
 * Energy of a day of a month on which everything is used that can be used on that day of the week, Wh.
 *
 * @param loads as `loadInWeek` leaves them
 * @param month 0…11
 * @returns the day of the week with the most, 0 for Monday, and its energy
 * @throws RangeError for a month that does not exist
 */
export function heaviestDay(loads: readonly Load[], month: number): { weekday: number; wh: number } {
  const used = loads.map((load) => dayOfUse(load, month))
  const idle = loads.map((load) => standbyEnergy(load, month))
  const days = WEEKDAY_NAMES.map((_, day) =>
    loads.reduce((sum, { weekdays }, i) => sum + ((weekdays?.[day] ?? 1) > 0 ? used[i] : idle[i]), 0),
  )
  const wh = Math.max(...days)
  return { weekday: days.indexOf(wh), wh }
}
