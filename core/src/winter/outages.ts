import { DAYS, HOURS, MONTH_DAYS, MONTH_OF_DAY, MONTH_START } from '../calendar/calendar.ts'
import type { Grid } from '../document/types.ts'
import { Random } from '../math/random.ts'

/** Apart from every stream of the weather. */
const STREAM = 0x6772
const MOST_YEARS = 4096

/**
 * In which hours of a year of the run the grid is down.
 *
 * Now and then: in each hour in which it is there it fails with a chance of failures of the month ÷ hours of the month,
 * and in each hour in which it is not it comes back with a chance of 1 ÷ mean length; so lengths are geometric. Once a
 * year: from the first hour of the day that is named on.
 *
 * @param startDay day of year, from 0, on which the run's year begins
 * @param index year of the run; the same seed and year fail alike on every machine
 * @returns 8760 × 1 where it is down
 * @example failedHours({ ...larkspurBench().grid, failing: 'spell', spellMonth: 1, spellDay: 10, spellDays: 7 }, 181, 7,
 * 0).reduce((a, b) => a + b) → 168
 * Source: two-state model with constant rates of failure and repair, Billinton & Allan (1996).
 */
export function failedHours(grid: Grid, startDay: number, seed: number, index: number): Uint8Array {
  const down = new Uint8Array(HOURS)
  if (grid.failing === 'spell') {
    const first = (MONTH_START[grid.spellMonth - 1] + grid.spellDay - 1 - startDay + 2 * DAYS) % DAYS
    down.fill(1, first * 24, Math.min(HOURS, first * 24 + Math.round(grid.spellDays * 24)))
    return down
  }
  const random = new Random(seed, STREAM * MOST_YEARS + index)
  const back = 1 / grid.failureH
  let isDown = false
  for (let day = 0; day < DAYS; day++) {
    const month = MONTH_OF_DAY[(startDay + day) % DAYS]
    const fails = Math.min(1, grid.failuresByMonth[month] / (MONTH_DAYS[month] * 24))
    for (let hour = 0; hour < 24; hour++) {
      isDown = random.uniform() < (isDown ? 1 - back : fails)
      down[day * 24 + hour] = isDown ? 1 : 0
    }
  }
  return down
}

/** One failure of the grid in a year of the run. */
export interface Failure {
  /** hours since the run's year began, and its length */
  fromH: number
  hours: number
  /** how long it was until something that must run went off, h; null where nothing did */
  darkAfterH: number | null
  /** hours from its end until the bank was back where the grid keeps it; null where it was not before the next one */
  rechargeH: number | null
}

/** Follows the failures of a year step by step. */
export class FailureLog {
  readonly failures: Failure[] = []
  private on: Failure | null = null
  private recharging: Failure | null = null

  /**
   * @param now hours since the run's year began, at the start of the step, of so many hours
   * @param isDark something that must run was off in it
   * @param charge state of charge at its end
   * @param back state of charge at which it is back
   */
  step(now: number, stepH: number, isDown: boolean, isDark: boolean, charge: number, back: number): void {
    if (isDown) {
      if (this.on === null) {
        this.on = { fromH: now, hours: 0, darkAfterH: null, rechargeH: null }
        this.failures.push(this.on)
        this.recharging = null
      }
      this.on.hours = now + stepH - this.on.fromH
      if (isDark) this.on.darkAfterH ??= now - this.on.fromH
      return
    }
    if (this.on !== null) {
      this.recharging = this.on
      this.on = null
    }
    const { recharging } = this
    if (recharging !== null && charge >= back) {
      recharging.rechargeH = now + stepH - (recharging.fromH + recharging.hours)
      this.recharging = null
    }
  }
}

/** Failures of many years together. */
export interface FailureSummary {
  count: number
  /** share of them in which all that must run went on */
  lasted: number
  meanH: number
  longestH: number
  /** until something that must run went off, of all failures: in the middle one, in 1 of 10, and the soonest; null where nothing did */
  darkAfterH: Record<'typical' | 'oneInTen' | 'soonest', number | null>
  /** from the end of a failure until the bank is back, in the middle one and in 1 of 10; null where it was not */
  rechargeH: Record<'typical' | 'oneInTen', number | null>
}

/** @param failures of all years of a run, any number */
export function summariseFailures(failures: readonly Failure[]): FailureSummary {
  const hours = failures.map((failure) => failure.hours)
  const dark = ranked(failures.map(({ darkAfterH }) => darkAfterH))
  const recharged = ranked(failures.map(({ rechargeH }) => rechargeH))
  const count = failures.length
  return {
    count,
    lasted: count > 0 ? dark.filter((each) => each === null).length / count : 1,
    meanH: count > 0 ? hours.reduce((sum, each) => sum + each, 0) / count : 0,
    longestH: Math.max(0, ...hours),
    darkAfterH: { typical: at(dark, 0.5), oneInTen: at(dark, 0.1), soonest: dark[0] ?? null },
    rechargeH: { typical: at(recharged, 0.5), oneInTen: at(recharged, 0.9) },
  }
}

/** Shortest first, what never came last. */
const ranked = (hours: readonly (number | null)[]) => [...hours].sort((a, b) => (a ?? Infinity) - (b ?? Infinity))

/** The one at a rank; between two of them nothing is made up, for one may never have come. */
const at = (sorted: readonly (number | null)[], share: number): number | null =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? null
