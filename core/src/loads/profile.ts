import type { Load, Priority } from '../design/types.ts'
import { dailyEnergy, normalShape, standbyEnergy, useEnergy } from './energy.ts'

export const PRIORITIES: readonly Priority[] = ['must', 'should', 'canWait']

/** What a household draws through an average day of one month, W by hour, by priority and by side of the inverter. */
export interface LoadDay {
  /** AC watts by priority and hour */
  ac: Record<Priority, Float64Array>
  /** DC watts by priority and hour */
  dc: Record<Priority, Float64Array>
  /** AC energy of the day that may be moved into sunny hours, Wh by priority (not in `ac`) */
  movableWh: Record<Priority, number>
  totalWh: number
}

function emptyHours(): Record<Priority, Float64Array> {
  return { must: new Float64Array(24), should: new Float64Array(24), canWait: new Float64Array(24) }
}

/**
 * The average load day of a month.
 * @param month 0…11
 */
export function loadDay(loads: readonly Load[], month: number): LoadDay {
  const day: LoadDay = { ac: emptyHours(), dc: emptyHours(), movableWh: { must: 0, should: 0, canWait: 0 }, totalWh: 0 }
  for (const load of loads) {
    const energyWh = useEnergy(load, month)
    const standbyWh = standbyEnergy(load, month)
    day.totalWh += energyWh + standbyWh
    const side = load.leg === 'DC' ? day.dc : day.ac
    if (standbyWh > 0) for (let hour = 0; hour < 24; hour++) side[load.priority][hour] += standbyWh / 24
    if (load.movable && load.leg !== 'DC') {
      day.movableWh[load.priority] += energyWh
      continue
    }
    const hours = side[load.priority]
    if (energyWh > 0) normalShape(load).forEach((share, hour) => (hours[hour] += energyWh * share))
  }
  return day
}

/** Watts of each hour of an average day of a month by priority, movable loads at their own hours; for drawing. */
export function drawnProfile(loads: readonly Load[], month: number): Record<Priority, number[]> {
  const hours: Record<Priority, number[]> = {
    must: Array(24).fill(0),
    should: Array(24).fill(0),
    canWait: Array(24).fill(0),
  }
  for (const load of loads) {
    const energyWh = useEnergy(load, month)
    const standbyW = standbyEnergy(load, month) / 24
    normalShape(load).forEach((share, hour) => (hours[load.priority][hour] += energyWh * share + standbyW))
  }
  return hours
}

/** Household energy on an average day of each month, Wh/day at the loads. */
export function monthlyEnergy(loads: readonly Load[]): number[] {
  return Array.from({ length: 12 }, (_, month) => loads.reduce((sum, load) => sum + dailyEnergy(load, month), 0))
}
