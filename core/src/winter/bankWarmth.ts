import type { BankPlan } from './plan.ts'

/** So far above the least temperature a heater's thermostat keeps the cells, K. */
const MARGIN_K = 3

/** How much warmer than its room a heated bank is. */
export class BankWarmth {
  private warmerK = 0
  /** hours since the run began, to which it belongs */
  private since = 0

  constructor(private readonly bank: Pick<BankPlan, 'heaterW' | 'heatWhPerK' | 'coolsInH'>) {}

  /** @returns K at a time, h since the run began */
  at(now: number): number {
    return this.warmerK > 0 ? this.warmerK * Math.exp((this.since - now) / this.bank.coolsInH) : 0
  }

  /**
   * Heats through a step towards a little above the least temperature.
   * @param belowK how far the room is below that
   * @returns what the heaters draw, W
   * Source: lumped capacitance, exact over a step of constant power.
   */
  heat(now: number, stepH: number, belowK: number): number {
    const { heaterW, heatWhPerK, coolsInH } = this.bank
    const left = Math.exp(-stepH / coolsInH)
    const perW = (coolsInH / heatWhPerK) * (1 - left)
    const cooled = this.at(now) * left
    const watts = Math.max(0, Math.min(heaterW, (belowK + MARGIN_K - cooled) / perW))
    this.warmerK = cooled + watts * perW
    this.since = now + stepH
    return watts
  }
}
