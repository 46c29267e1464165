import { backAt } from '../bank/full.ts'
import { hourWithin } from '../calendar/clock.ts'
import { FailureLog, failedHours, type Failure } from './outages.ts'
import type { BankPlan, GridPlan } from './plan.ts'

/** The grid through a year of the run: when it is there, and what it may give. */
export class GridState {
  private readonly down: Uint8Array
  private readonly log = new FailureLog()
  private readonly keepAh: number

  /** @param index year of the run */
  constructor(
    private readonly plan: GridPlan,
    private readonly bank: BankPlan,
    startDay: number,
    seed: number,
    index: number,
  ) {
    this.down = failedHours(plan.failures, startDay, seed, index)
    this.keepAh = bank.qmaxAh - (1 - plan.keep) * bank.ratedAh
  }

  /** @param hour of the run's year */
  isThere(hour: number): boolean {
    return this.down[hour] === 0
  }

  /** What it gives the house of so many watts, W. */
  carriesW(wantedW: number): number {
    return Math.min(wantedW, this.plan.acW)
  }

  /**
   * What the charger may draw of it, W AC: in its hours, while the bank is not above where it is kept.
   * @param hour of the day
   * @param carriedW what the house takes of it
   * @param overW what AC sources give the same charger
   * @param equalises whatever the bank holds
   */
  chargerW(hour: number, carriedW: number, overW: number, heldAh: number, equalises: boolean): number {
    const { acW, chargerAcW, chargeFromH, chargeToH } = this.plan
    const inHours = chargeFromH === chargeToH || hourWithin(hour, chargeFromH, chargeToH)
    const wants = inHours && (equalises || heldAh <= this.keepAh + 1e-9 * this.bank.ratedAh)
    return wants ? Math.max(0, Math.min(acW - carriedW, chargerAcW - overW)) : 0
  }

  /** What may be put into the bank in a step before it holds what the grid keeps, W. */
  roomW(heldAh: number, stepH: number): number {
    return (Math.max(0, this.keepAh - heldAh) * this.bank.volts) / (stepH * this.bank.chargeEfficiency)
  }

  /** Takes a step that ends into account. @param charge at its end */
  step(now: number, stepH: number, isThere: boolean, isDark: boolean, charge: number): void {
    this.log.step(now, stepH, !isThere, isDark, charge, backAt(this.plan.keep))
  }

  get failures(): Failure[] {
    return this.log.failures
  }
}
