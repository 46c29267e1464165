import equal from 'fast-deep-equal/es6/index.js'
import type { BatteryPart } from '../document/types.ts'
import type { HourlySeries } from '../weather/hours/series.ts'
import type { RunPlan } from './plan.ts'
import type { YearResult } from './year.ts'

/** All that the years of a run rest on: whatever else a document says, they are the same. */
export interface RunQuestion {
  /** of the weather and its seed, and the hours it is made from where a file of them rules */
  sky: string
  series: HourlySeries | null
  /** of what the weather brings to the arrays */
  hours: string
  plan: RunPlan
  /** whose life ages the system; null where it does not age */
  ages: BatteryPart | null
}

/** Runs that are kept: the one that is shown, and those that undo and redo lead back to. */
const RUNS_KEPT = 3

/** The years of the latest runs, by what they rest on. */
export class RanYears {
  private runs: { question: RunQuestion; years: YearResult[] }[] = []

  /** The years of a run that are there, each under its index; what is run of it is put there. */
  of(question: RunQuestion): YearResult[] {
    const found = this.runs.find((run) => isSame(run.question, question))
    const run = found ?? { question, years: [] }
    this.runs = [run, ...this.runs.filter((each) => each !== run)].slice(0, RUNS_KEPT)
    return run.years
  }
}

/** Hours are read once, and those of another reading are others; all else is compared figure by figure. */
const isSame = ({ series, ...a }: RunQuestion, { series: otherSeries, ...b }: RunQuestion): boolean =>
  series === otherSeries && equal(a, b)
