import type { Load, Priority } from '../document/types.ts'
import { dailyEnergy, normalShape, standbyEnergy, useEnergy } from './energy.ts'

export const PRIORITIES: readonly Priority[] = ['must', 'should', 'canWait']

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
