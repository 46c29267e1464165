import type { BatteryRoom } from '../document/types.ts'
import { HOURS } from '../calendar/calendar.ts'

/** Hours in which a shed, and the ground a metre down, follow half-way to a change outdoors. */
const SHED_LAG_H = 18
const GROUND_LAG_H = 30 * 24

/**
 * Temperature of the cells through a year of hours: held in a heated room, following outdoors with a lag in an
 * unheated one, with a month's lag underground (never below −2 °C there).
 *
 * @param airC outdoor temperature of each hour
 * @param out filled, °C
 */
export function roomTemperature(room: BatteryRoom, airC: Float32Array, out: Float32Array): void {
  if (room.kind === 'heated') {
    out.fill(room.setC)
    return
  }
  const buried = room.kind === 'buried'
  const follow = 1 - Math.pow(0.5, 1 / (buried ? GROUND_LAG_H : SHED_LAG_H))
  let cells = 0
  const settle = buried ? HOURS : 96
  for (let i = 0; i < settle; i++) cells += airC[i]
  cells /= settle
  for (let i = 0; i < HOURS; i++) {
    cells += follow * (airC[i] - cells)
    out[i] = buried ? Math.max(-2, cells) : cells
  }
}

/** Cell temperature the hand method plans with: the coldest month in the room. */
export function designBatteryC(room: BatteryRoom, monthlyMeanC: readonly number[]): number {
  if (room.kind === 'heated') return room.setC
  const coldest = Math.min(...monthlyMeanC)
  if (room.kind === 'unheated') return coldest
  const mean = monthlyMeanC.reduce((a, b) => a + b, 0) / 12
  return Math.max(-2, mean + 0.45 * (coldest - mean))
}
