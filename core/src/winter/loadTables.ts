import type { Design, Load } from '../document/types.ts'
import { normalShape, standbyEnergy, useEnergy } from '../loads/energy.ts'
import { PRIORITIES } from '../loads/profile.ts'
import { legsOfService, serviceOf } from '../inverter/service.ts'
import { legYear } from '../inverter/legs.ts'
import { DAYS, MONTH_START } from '../calendar/calendar.ts'
import type { Absence } from '../document/types.ts'

/** What the household asks for, as the run looks it up: at home and away, by month, hour and part of the hour. */
export interface LoadTables {
  /** parts an hour is run in: 1 or 4 */
  parts: number
  /** fixed AC loads by priority, W; index {@link tableIndex} */
  acMust: Float64Array
  acShould: Float64Array
  acCanWait: Float64Array
  /** all DC loads, and those of them that do not have to run, W */
  dc: Float64Array
  dcShould: Float64Array
  dcCanWait: Float64Array
  /** and of those what hangs on a switched output, W: it can be shed */
  dcShouldSwitched: Float64Array
  dcCanWaitSwitched: Float64Array
  /** movable AC energy of a day by (away, month), Wh by priority: to be done the same day */
  movable: Float64Array[]
  /** and the same for what a store lets wait, with the energy its store holds, Wh by priority */
  stored: Float64Array[]
  storeWh: Float64Array
  /** watts movable work may draw at once */
  movableCapW: number
  /** 1 on days of the year on which nobody is at home */
  away: Uint8Array
}

/**
 * Where an hour of a month lies in a table of loads.
 * @param away 0 at home, 1 away
 * @param part of so many parts of the hour
 */
export const tableIndex = (away: number, month: number, hour: number, part: number, parts: number): number =>
  ((away * 12 + month) * 24 + hour) * parts + part

const canMove = (load: Load) => load.movable && load.leg !== 'DC' && load.supply === 'electric'

/** Days of the year (from 0) on which nobody is at home. */
export function awayDays(absences: readonly Absence[]): Uint8Array {
  const days = new Uint8Array(DAYS)
  for (const { fromMonth, fromDay, toMonth, toDay } of absences) {
    const first = (MONTH_START[fromMonth - 1] + fromDay - 1) % DAYS
    const last = (MONTH_START[toMonth - 1] + toDay - 1) % DAYS
    const length = ((last - first + DAYS) % DAYS) + 1
    for (let i = 0; i < length; i++) days[(first + i) % DAYS] = 1
  }
  return days
}

/**
 * Tables of what a household draws.
 *
 * In whole hours a load counts with its mean over the hour. In quarters it runs at its running watts in as few quarters
 * as its energy of the hour needs, each load from another quarter on, so that bursts meet the limits they would meet.
 *
 * @param parts 1 for whole hours, 4 for quarters
 */
export function loadTables(design: Design, parts: 1 | 4): LoadTables {
  const size = 2 * 12 * 24 * parts
  const table = () => new Float64Array(size)
  const months = () => new Float64Array(24)
  const tables: LoadTables = {
    parts,
    acMust: table(),
    acShould: table(),
    acCanWait: table(),
    dc: table(),
    dcShould: table(),
    dcCanWait: table(),
    dcShouldSwitched: table(),
    dcCanWaitSwitched: table(),
    movable: PRIORITIES.map(months),
    stored: PRIORITIES.map(months),
    storeWh: new Float64Array(3),
    movableCapW: design.loads.filter(canMove).reduce((sum, load) => sum + load.runningW * load.quantity, 0),
    away: awayDays(design.household.away),
  }
  const ac = { must: tables.acMust, should: tables.acShould, canWait: tables.acCanWait }
  design.loads.forEach((load, i) => {
    const rank = PRIORITIES.indexOf(load.priority)
    const sides = load.leg === 'DC' ? dcTables(tables, load) : [ac[load.priority]]
    let mostDayWh = 0
    for (let away = 0; away < (load.whenAway ? 2 : 1); away++)
      for (let month = 0; month < 12; month++) {
        const useWh = useEnergy(load, month)
        const standbyW = standbyEnergy(load, month) / 24
        if (canMove(load)) {
          ;(load.storeDays > 0 ? tables.stored : tables.movable)[rank][away * 12 + month] += useWh
          mostDayWh = Math.max(mostDayWh, useWh)
        }
        const shape = canMove(load) ? null : normalShape(load)
        for (let hour = 0; hour < 24; hour++)
          for (const side of sides)
            addHour(
              side,
              tableIndex(away, month, hour, 0, parts),
              parts,
              standbyW,
              shape ? useWh * shape[hour] : 0,
              load,
              i,
            )
      }
    if (canMove(load)) tables.storeWh[rank] += load.storeDays * mostDayWh
  })
  return tables
}

/** The tables a DC load counts in. */
function dcTables(tables: LoadTables, { priority, switched }: Load): Float64Array[] {
  const { dc, dcShould, dcCanWait, dcShouldSwitched, dcCanWaitSwitched } = tables
  if (priority === 'must') return [dc]
  const [own, ownSwitched] = priority === 'should' ? [dcShould, dcShouldSwitched] : [dcCanWait, dcCanWaitSwitched]
  return switched ? [dc, own, ownSwitched] : [dc, own]
}

/** Adds one load's watts to the parts of an hour. */
function addHour(
  side: Float64Array,
  at: number,
  parts: number,
  standbyW: number,
  meanW: number,
  load: Load,
  order: number,
): void {
  const fullW = load.runningW * load.quantity
  const lasting = parts === 1 || fullW <= meanW ? parts : Math.max(1, Math.ceil((meanW / fullW) * parts - 1e-9))
  for (let part = 0; part < parts; part++) {
    const turn = (part + order) % parts
    side[at + part] += standbyW + (turn < lasting ? (meanW * parts) / lasting : 0)
  }
}

/**
 * Share of the continuous rating the inverter can give in each month and hour before its heaviest leg is full.
 * @returns 288 shares, 0…1
 */
export function legLimits(design: Design): Float64Array {
  const names = legsOfService(serviceOf(design.inverter))
  const limits = new Float64Array(288).fill(1)
  if (names.length === 1) return limits
  legYear(design.loads).forEach((day, month) => {
    for (let hour = 0; hour < 24; hour++) {
      const total = names.reduce((sum, leg) => sum + day[leg][hour], 0)
      const heaviest = Math.max(...names.map((leg) => day[leg][hour]))
      if (total > 0) limits[month * 24 + hour] = Math.min(1, total / (names.length * heaviest))
    }
  })
  return limits
}
