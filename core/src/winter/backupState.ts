import { hourIsQuiet } from '../generator/limits.ts'
import type { BackupPlan } from './plan.ts'

/** A charge that is due to be full is begun in these hours, so that its long tail ends before the evening; so is exercise. */
export const TAIL_FROM = 7
export const TAIL_UNTIL = 12
/** So long an equalising charge waits for sun to do it before a generator is started for it, h. */
const SUN_MAY_EQUALISE_H = 14 * 24
/** The sun equalises where the arrays give so many times what that takes. */
export const SUN_EQUALISES_BY = 1.5
const TINY_H = 1e-9

/** What the backup decides on, at the start of a step. */
export interface BackupView {
  /** hours since the run began, and the step's length */
  now: number
  dt: number
  hour: number
  /** the step begins a full hour */
  onTheHour: boolean
  away: boolean
  /** the grid is there: nothing else has to run */
  onGrid: boolean
  charge: number
  /** how long the volts under load have been at or below the level that starts it */
  heldLowH: number
  /** hours since the bank was full and was equalised */
  sinceFullH: number
  sinceEqualisedH: number
  /** the bank and everything else cannot carry what is asked for */
  short: boolean
}

/** The backup's state machine: whether it runs, and for how much of a step it does. */
export class BackupState {
  running = false
  starts = 0
  /** share of the step in which it carries load, and in which it runs */
  loadShare = 0
  runShare = 0
  /** time since the bank was full, summed over the starts, h */
  fullToStartH = 0
  private runH = 0
  private warmLeftH = 0
  private exerciseLeftH = 0
  private startedAt = -Infinity
  private ranAt = 0

  constructor(private readonly plan: BackupPlan) {}

  /**
   * Charge below which it may be started then for a full charge, to equalise or for exercise: Infinity where it may be at
   * any, −Infinity where it may not.
   * @param now and when the bank was full and equalised, h since the run began
   */
  mayBeginBelow(now: number, fullAt: number, equalisedAt: number): number {
    const { present, fullEveryH, fullStop, exerciseEveryH, equaliseEveryH } = this.plan
    if (!present) return -Infinity
    if (exerciseEveryH > 0 && now - this.ranAt >= exerciseEveryH) return Infinity
    if (equaliseEveryH > 0 && now - equalisedAt >= equaliseEveryH + SUN_MAY_EQUALISE_H) return Infinity
    return fullEveryH > 0 && now - fullAt >= fullEveryH ? fullStop : -Infinity
  }

  equaliseIsDue(view: BackupView): boolean {
    return this.plan.equaliseEveryH > 0 && view.sinceEqualisedH >= this.plan.equaliseEveryH
  }

  /** Starts, goes on or stops for the step that begins. */
  decide(view: BackupView): void {
    this.loadShare = 0
    this.runShare = 0
    if (!this.plan.present) return
    const equaliseDue = this.equaliseIsDue(view)
    const fullDue = this.plan.fullEveryH > 0 && view.sinceFullH >= this.plan.fullEveryH
    const done = view.onGrid && this.exerciseLeftH <= TINY_H
    if (this.running && (done || this.isDone(view.charge, fullDue, equaliseDue))) this.running = false
    if (!this.running && this.mayStart(view)) this.start(view, fullDue, equaliseDue)
    if (!this.running) return
    const { dt } = view
    this.runShare = this.exerciseLeftH > 0 && this.exerciseLeftH < dt ? this.exerciseLeftH / dt : 1
    const warming = Math.min(this.warmLeftH, this.runShare * dt)
    this.warmLeftH -= warming
    this.loadShare = this.runShare - warming / dt
  }

  private isDone(charge: number, fullDue: boolean, equaliseDue: boolean): boolean {
    const { plan, runH } = this
    if (this.exerciseLeftH > 0) return this.exerciseLeftH <= TINY_H
    if (!equaliseDue && charge >= (fullDue ? plan.fullStop : plan.stop) && runH >= plan.minRunH - TINY_H) return true
    return runH >= (equaliseDue ? plan.maxRunH + plan.equaliseH : plan.maxRunH) - TINY_H
  }

  private mayStart({ now, away }: BackupView): boolean {
    const { restH, byHand } = this.plan
    return now - this.startedAt >= restH && !(away && byHand)
  }

  private start(view: BackupView, fullDue: boolean, equaliseDue: boolean): void {
    const { plan } = this
    const forTheTail = view.hour >= TAIL_FROM && view.hour < TAIL_UNTIL
    const overdue = equaliseDue && view.sinceEqualisedH >= plan.equaliseEveryH + SUN_MAY_EQUALISE_H
    const quiet = hourIsQuiet(plan, view.hour)
    // quiet hours put a charge off; they do not leave the house dark
    const wanted =
      !view.onGrid &&
      ((plan.whenEmpty && view.short) ||
        (!quiet && (this.isLow(view) || (forTheTail && ((fullDue && view.charge < plan.fullStop) || overdue)))))
    const exercises = !quiet && plan.exerciseEveryH > 0 && view.now - this.ranAt >= plan.exerciseEveryH && forTheTail
    if (!wanted && !exercises) return
    this.running = true
    this.exerciseLeftH = wanted ? 0 : plan.exerciseH
    this.runH = 0
    this.startedAt = view.now
    this.warmLeftH = plan.warmUpH
    this.fullToStartH += view.sinceFullH
    this.starts++
  }

  private isLow({ charge, heldLowH, hour, onTheHour }: BackupView): boolean {
    const { startBy, start, holdH, morningH } = this.plan
    if (startBy === 'voltage') return heldLowH >= holdH - TINY_H && heldLowH > 0
    return charge <= start && (startBy !== 'morning' || (hour === morningH && onTheHour))
  }

  /** Takes the step that ends into account. @returns hours it ran in it */
  ran(now: number, dt: number): number {
    if (!this.running) return 0
    const ran = this.runShare * dt
    this.runH += ran
    if (this.exerciseLeftH > 0) {
      this.exerciseLeftH -= ran
      if (this.exerciseLeftH < TINY_H) this.running = false
    }
    this.ranAt = now + dt
    return ran
  }
}
