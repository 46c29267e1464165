import type { Design, Load } from '../document/types.ts'
import { normalShape, standbyEnergy, useEnergy } from '../loads/energy.ts'
import { PRIORITIES } from '../loads/profile.ts'
import { legsOfService, serviceOf } from '../inverter/service.ts'
import { legYear } from '../inverter/legs.ts'
import { DAYS, MONTH_START } from '../calendar/calendar.ts'
import type { Absence } from '../document/types.ts'
import { CYCLE_DAYS, inWeek, weekShares } from '../loads/week.ts'

/** What the household asks for, as the run looks it up: by kind of day, at home and away, by month, hour and part of it. */
export interface LoadTables {
  /** parts an hour is run in: 1 or 4 */
  parts: number
  /** by day of the four weeks that come again and again, the first a Monday: days on which the same is used are of a kind */
  kindOfDay: Uint8Array
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
  /** movable AC energy of a day by {@link potIndex}, Wh by priority: to be done the same day */
  movable: Float64Array[]
  /** and the same for what a store lets wait, with the energy its store holds, Wh by priority */
  stored: Float64Array[]
  storeWh: Float64Array
  /** watts movable work may draw at once */
  movableCapW: number
  /** 1 on days of the year, and on days of the week, on which nobody is at home */
  away: Uint8Array
  awayOnWeekday: Uint8Array
}

/**
 * Where a month lies among what is looked up once a day.
 * @param kind of day
 * @param away 0 at home, 1 away
 */
export const potIndex = (kind: number, away: number, month: number): number => (kind * 2 + away) * 12 + month

/**
 * Where an hour of a month lies in a table of loads.
 * @param pot {@link potIndex}
 * @param part of so many parts of the hour
 */
export const tableIndex = (pot: number, hour: number, part: number, parts: number): number =>
  (pot * 24 + hour) * parts + part

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
 * A load that is not used every day has the whole of its use on the days it is used on (`weekShares`).
 *
 * @param parts 1 for whole hours, 4 for quarters
 */
export function loadTables(given: Design, parts: 1 | 4): LoadTables {
  const design = inWeek(given)
  const shares = design.loads.map(weekShares)
  const { kindOfDay, days } = kindsOfDay(shares)
  const perKind = 2 * 12 * 24 * parts
  const table = () => new Float64Array(days.length * perKind)
  const pots = () => new Float64Array(days.length * 24)
  const tables: LoadTables = {
    parts,
    kindOfDay,
    acMust: table(),
    acShould: table(),
    acCanWait: table(),
    dc: table(),
    dcShould: table(),
    dcCanWait: table(),
    dcShouldSwitched: table(),
    dcCanWaitSwitched: table(),
    movable: PRIORITIES.map(pots),
    stored: PRIORITIES.map(pots),
    storeWh: new Float64Array(3),
    movableCapW: design.loads.filter(canMove).reduce((sum, load) => sum + load.runningW * load.quantity, 0),
    away: awayDays(design.household.away),
    awayOnWeekday: Uint8Array.from({ length: 7 }, (_, day) => ((design.household.weekdays?.[day] ?? 1) > 0 ? 0 : 1)),
  }
  const addTo = (i: number, kind: number, share: number) => addLoad(tables, design.loads[i], i, kind, share)
  shares.forEach((share, i) => share === null && addTo(i, 0, 1))
  for (const each of wattTables(tables))
    for (let kind = 1; kind < days.length; kind++) each.copyWithin(kind * perKind, 0, perKind)
  for (const each of [...tables.movable, ...tables.stored])
    for (let kind = 1; kind < days.length; kind++) each.copyWithin(kind * 24, 0, 24)
  shares.forEach((share, i) => share !== null && days.forEach((day, kind) => addTo(i, kind, share[day])))
  design.loads.forEach((load) => {
    if (canMove(load)) tables.storeWh[PRIORITIES.indexOf(load.priority)] += load.storeDays * mostOfDay(load)
  })
  return tables
}

/** Days of the cycle by what is used on them, and a day of each kind. */
function kindsOfDay(shares: readonly (number[] | null)[]): { kindOfDay: Uint8Array; days: number[] } {
  const kinds = new Map<string, number>()
  const days: number[] = []
  const kindOfDay = Uint8Array.from({ length: CYCLE_DAYS }, (_, day) => {
    const used = shares.map((share) => share?.[day] ?? 1).join()
    if (!kinds.has(used)) {
      kinds.set(used, days.length)
      days.push(day)
    }
    return kinds.get(used)!
  })
  return { kindOfDay, days }
}

const wattTables = (tables: LoadTables): Float64Array[] => [
  tables.acMust,
  tables.acShould,
  tables.acCanWait,
  tables.dc,
  tables.dcShould,
  tables.dcCanWait,
  tables.dcShouldSwitched,
  tables.dcCanWaitSwitched,
]

/** Most energy a mean day of any month takes, Wh. */
const mostOfDay = (load: Load): number => Math.max(...Array.from({ length: 12 }, (_, month) => useEnergy(load, month)))

/**
 * Adds a load to the tables of one kind of day.
 * @param order in the list
 * @param share of its mean day that it takes on such a day
 */
function addLoad(tables: LoadTables, load: Load, order: number, kind: number, share: number): void {
  const { parts } = tables
  const rank = PRIORITIES.indexOf(load.priority)
  const side = { must: tables.acMust, should: tables.acShould, canWait: tables.acCanWait }[load.priority]
  const sides = load.leg === 'DC' ? dcTables(tables, load) : [side]
  const shape = canMove(load) ? null : normalShape(load)
  for (let month = 0; month < 12; month++) {
    const useWh = useEnergy(load, month) * share
    const standbyW = standbyEnergy(load, month) / 24
    for (let away = 0; away < (load.whenAway ? 2 : 1); away++) {
      const pot = potIndex(kind, away, month)
      if (shape === null) (load.storeDays > 0 ? tables.stored : tables.movable)[rank][pot] += useWh
      for (let hour = 0; hour < 24; hour++)
        for (const each of sides)
          addHour(each, tableIndex(pot, hour, 0, parts), parts, standbyW, shape ? useWh * shape[hour] : 0, load, order)
    }
  }
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
  legYear(inWeek(design).loads).forEach((day, month) => {
    for (let hour = 0; hour < 24; hour++) {
      const total = names.reduce((sum, leg) => sum + day[leg][hour], 0)
      const heaviest = Math.max(...names.map((leg) => day[leg][hour]))
      if (total > 0) limits[month * 24 + hour] = Math.min(1, total / (names.length * heaviest))
    }
  })
  return limits
}
