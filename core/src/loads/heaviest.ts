import type { Load } from '../document/types.ts'
import { standbyEnergy, useEnergy } from './energy.ts'

/**
 * Energy of a load on a day on which it is used, Wh: a load of two days a week takes half of its week on such a day.
 *
 * @param month 0…11
 * @throws RangeError for a month that does not exist
 */
export function dayOfUse(load: Load, month: number): number {
  const { basis, daysPerWeek, cyclesPerWeek } = load
  const timesAWeek = basis === 'rated' ? daysPerWeek : basis === 'cycle' ? (cyclesPerWeek ?? 7) : 7
  const spread = timesAWeek > 0 && timesAWeek < 7 ? 7 / timesAWeek : 1
  return useEnergy(load, month) * spread + standbyEnergy(load, month)
}

/**
 * Energy of a day of a month on which everything is used that is used on some days of the week, Wh.
 *
 * @param month 0…11
 * @throws RangeError for a month that does not exist
 */
export const heaviestDay = (loads: readonly Load[], month: number): number =>
  loads.reduce((sum, load) => sum + dayOfUse(load, month), 0)
