import { DAYS } from '../calendar/calendar.ts'
import type { Design, Household, Load } from '../document/types.ts'
import { Random } from '../math/random.ts'

export const WEEKDAY_NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const
/** Weeks are drawn for so many days, which then come again: four weeks, begun another day each year. */
export const CYCLE_DAYS = 28
const WEEK = 7

/** Day of the cycle with which a year of the run begins: a year is one day longer than so many whole weeks. */
export const firstOfCycle = (year: number): number => (year * DAYS) % CYCLE_DAYS

/** How many days of the week are named; all seven where none are. */
export const daysNamed = (weekdays: readonly number[] | null): number =>
  weekdays === null ? WEEK : weekdays.reduce((sum, named) => sum + (named > 0 ? 1 : 0), 0)

/** How often a week a load is used, 0…7, no more often than days are named; a meter or a bill knows of no days. */
export function timesAWeek({ basis, daysPerWeek, cyclesPerWeek, weekdays }: Load): number {
  const days = daysNamed(weekdays)
  if (basis === 'rated') return Math.min(daysPerWeek, days)
  return basis === 'cycle' ? Math.min(cyclesPerWeek ?? days, days) : days
}

/**
 * A load as the household's week lets it be used. One that does not go on while nobody is at home is used on no other
 * days than those; what is stated a day is then so much less a week, what was metered or billed is the same on fewer
 * days. The load itself where its week is not narrowed.
 */
export function loadInWeek(load: Load, { weekdays: atHome }: Pick<Household, 'weekdays'>): Load {
  if (atHome === null || load.whenAway) return load
  const weekdays = atHome.map((home, day) => (home > 0 && (load.weekdays?.[day] ?? 1) > 0 ? 1 : 0))
  const days = daysNamed(weekdays)
  if (days === 0) return { ...load, weekdays, supply: 'out' }
  return {
    ...load,
    weekdays,
    daysPerWeek: Math.min(load.daysPerWeek, days),
    standbyW: (load.standbyW * daysNamed(atHome)) / WEEK,
  }
}

/** A design with its loads as the household's week lets them be used; the design itself where somebody is always there. */
export const inWeek = (design: Design): Design =>
  design.household.weekdays === null
    ? design
    : { ...design, loads: design.loads.map((load) => loadInWeek(load, design.household)) }

/**
 * Energy of a load on a day on which it is used, as a multiple of its mean day: 3.5 at two days a week.
 * @param load as {@link loadInWeek} leaves it
 * @returns ≥ 1
 */
export function shareOfUse(load: Load): number {
  const times = timesAWeek(load)
  return times > 0 ? WEEK / times : 1
}

/**
 * On which days a load is used, as multiples of its mean day. Days of the week that are named get equal parts; where it
 * is used less often than there are days for it, days are drawn, the same for the same load whatever else the list
 * holds, so that two designs are compared in the same weeks. In the mean of all days it is 1.
 *
 * @param load as {@link loadInWeek} leaves it
 * @returns by day of the cycle, the first a Monday; null where every day is alike
 * @example weekShares({ ...larkspurBench().loads[0], weekdays: [0, 0, 0, 0, 0, 1, 0], daysPerWeek: 1 }).slice(0, 7) →
 * [0, 0, 0, 0, 0, 7, 0]
 * Source: a day's use is never spread over more days than it is used on; days drawn evenly by sfc32.
 */
export function weekShares(load: Load): number[] | null {
  const days = daysNamed(load.weekdays)
  const times = timesAWeek(load)
  // behind a store it does not matter on which day it is taken out
  if (days === WEEK && (times >= WEEK || load.storeDays > 0)) return null
  if (times <= 0) return null
  const open = Array.from({ length: WEEK }, (_, day) => day).filter((day) => (load.weekdays?.[day] ?? 1) > 0)
  const shares = Array<number>(CYCLE_DAYS).fill(0)
  if (times >= days) {
    for (let day = 0; day < CYCLE_DAYS; day++) if (open.includes(day % WEEK)) shares[day] = WEEK / days
    return shares
  }
  const weeks = CYCLE_DAYS / WEEK
  const uses = Math.max(1, Math.floor(times * weeks + 1e-9))
  const random = new Random(hashOf(load.id), uses)
  const phase = random.uniform()
  for (let week = 0; week < weeks; week++) {
    const count = Math.floor(((week + 1) * uses) / weeks + phase) - Math.floor((week * uses) / weeks + phase)
    const left = [...open]
    for (let use = 0; use < count; use++) {
      const [day] = left.splice(Math.floor(random.uniform() * left.length), 1)
      shares[week * WEEK + day] = CYCLE_DAYS / uses
    }
  }
  return shares
}

/** FNV-1a. */
function hashOf(text: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return hash >>> 0
}
