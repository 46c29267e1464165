import equal from 'fast-deep-equal/es6/index.js'
import type { HourlySeries } from '../weather/hours/series.ts'
import type { RunPlan } from './plan.ts'
import type { YearResult } from './year.ts'

/** All that the years of a run rest on: whatever else a document says, they are the same. */
export interface RunQuestion {
  /** keys of the weather, of what it brings to the arrays, and of what the run reads in the document beside its plan */
  keys: string
  /** the hours of which the weather is made, where a file of them rules; those of another reading are others */
  series: HourlySeries | null
  plan: RunPlan
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

/** A plan is compared figure by figure, and last: it is long. */
const isSame = (a: RunQuestion, b: RunQuestion): boolean =>
  a.keys === b.keys && a.series === b.series && equal(a.plan, b.plan)
