import type { BatteryRoom } from '../document/types.ts'
import { DAYS, HOURS } from '../calendar/calendar.ts'
import { groundByDay } from './ground.ts'

/** Hours in which a shed follows half-way to a change outdoors. */
const SHED_LAG_H = 18

/**
 * Temperature of the cells through a year of hours: held in a heated room, following outdoors with a lag in an unheated
 * one, that of the ground in a buried one, by {@link groundByDay}.
 *
 * @param airC outdoor temperature of each hour
 * @param snowM depth of the snow on the ground in the snowy quarter of the year, m
 * @param out filled, °C
 */
export function roomTemperature(room: BatteryRoom, airC: Float32Array, snowM: number, out: Float32Array): void {
  if (room.kind === 'heated') {
    out.fill(room.setC)
    return
  }
  if (room.kind === 'buried') {
    const ground = groundByDay(dailyMeans(airC), room.depthM + snowM)
    for (let i = 0; i < HOURS; i++) out[i] = ground[Math.floor(i / 24)]
    return
  }
  const follow = 1 - Math.pow(0.5, 1 / SHED_LAG_H)
  const settle = 96
  let cells = 0
  for (let i = 0; i < settle; i++) cells += airC[i] / settle
  for (let i = 0; i < HOURS; i++) {
    cells += follow * (airC[i] - cells)
    out[i] = cells
  }
}

function dailyMeans(hours: Float32Array): Float64Array {
  const days = new Float64Array(DAYS)
  for (let i = 0; i < HOURS; i++) days[Math.floor(i / 24)] += hours[i] / 24
  return days
}

/**
 * Cell temperature the hand method plans with: the coldest month in the room, in a buried one the coldest day by the
 * same law as in the run.
 *
 * @param snowM depth of the snow on the ground in the snowy quarter of the year, m
 */
export function designBatteryC(room: BatteryRoom, monthlyMeanC: readonly number[], snowM: number): number {
  if (room.kind === 'heated') return room.setC
  if (room.kind === 'unheated') return Math.min(...monthlyMeanC)
  return Math.min(...groundByDay(monthlyMeanC, room.depthM + snowM))
}
