import type { LoadTables } from './loadTables.ts'

/** Movable work that found no sun is done as an ordinary load in these hours. */
const EVENING_FROM = 18
const EVENING_TO = 22
const TINY_WH = 1e-6

/** Work that waits for sun, Wh by priority: what is due the same day, and what a store lets wait longer. */
export class WaitingWork {
  private readonly due = new Float64Array(3)
  private readonly owed = new Float64Array(3)

  /** steps of a day before which work waits for sun, and before which it is done without */
  readonly sunUntil: number
  readonly eveningUntil: number

  constructor(private readonly loads: LoadTables) {
    this.sunUntil = EVENING_FROM * loads.parts
    this.eveningUntil = EVENING_TO * loads.parts
  }

  /** @param pot as the tables of loads have it */
  newDay(pot: number): void {
    const { movable, stored } = this.loads
    for (let rank = 0; rank < 3; rank++) {
      this.due[rank] += movable[rank][pot]
      this.owed[rank] += stored[rank][pot]
    }
  }

  /** All that waits; nought where it is next to nothing. */
  waitingWh(): number {
    const { due, owed } = this
    const totalWh = due[0] + due[1] + due[2] + owed[0] + owed[1] + owed[2]
    return totalWh > TINY_WH ? totalWh : 0
  }

  /** Leaves so much of all that waits, each kind in proportion. */
  leave(leftWh: number): void {
    const { due, owed } = this
    const totalWh = this.waitingWh()
    if (leftWh === totalWh) return
    for (let rank = 0; rank < 3; rank++) {
      due[rank] *= leftWh / totalWh
      owed[rank] *= leftWh / totalWh
    }
  }

  /** What has to be done this evening, Wh: what is due, and what no store holds. */
  pressingWh(): number {
    const { due, owed } = this
    const { storeWh } = this.loads
    let pressingWh = 0
    for (let rank = 0; rank < 3; rank++) pressingWh += due[rank] + Math.max(0, owed[rank] - storeWh[rank])
    return pressingWh > TINY_WH ? pressingWh : 0
  }

  /** Leaves so much of what has to be done this evening, each kind in proportion. */
  leavePressing(leftWh: number): void {
    const { due, owed } = this
    const { storeWh } = this.loads
    const pressingWh = this.pressingWh()
    if (leftWh === pressingWh) return
    for (let rank = 0; rank < 3; rank++) {
      due[rank] *= leftWh / pressingWh
      const late = owed[rank] - storeWh[rank]
      if (late > 0) owed[rank] = storeWh[rank] + (late * leftWh) / pressingWh
    }
  }

  /**
   * Spreads what may wait no longer over the rest of the evening.
   * @param slot step of the day
   * @param askedW by priority, to which it is added
   */
  inTheEvening(slot: number, askedW: Float64Array): void {
    const { parts, storeWh } = this.loads
    const share = 1 / (this.eveningUntil - slot)
    for (let rank = 0; rank < 3; rank++) {
      const late = this.owed[rank] - storeWh[rank]
      const lateWh = late > 0 ? late * share : 0
      const dueWh = this.due[rank] * share
      askedW[rank] += (dueWh + lateWh) * parts
      this.owed[rank] -= lateWh
      this.due[rank] -= dueWh
    }
  }

  /**
   * Moves work into the sun that is left over.
   * @param sunnyW left over on the AC side
   * @param askedW by priority, to which it is added
   */
  intoTheSun(sunnyW: number, askedW: Float64Array): void {
    const { parts, movableCapW } = this.loads
    const waitingW = this.waitingWh() * parts
    const watts = Math.min(sunnyW, movableCapW, waitingW)
    if (!(watts > 0)) return
    const share = watts / waitingW
    for (let rank = 0; rank < 3; rank++) askedW[rank] += (this.due[rank] + this.owed[rank]) * share * parts
    this.leave((waitingW - watts) / parts)
  }
}
