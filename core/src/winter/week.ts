import type { Design } from '../document/types.ts'
import { DAYS } from '../calendar/calendar.ts'
import type { WinterEngine } from './engine.ts'
import { firstOfCycle } from '../loads/week.ts'
import { partsOf } from './plan.ts'
import { emptyTrace, TRACE_COLUMNS, type Trace } from './year.ts'

/** Seven days of one year of a run, step by step. */
export interface Week {
  /** year of the run, from 0, and the week's first day of the run's year */
  year: number
  firstDay: number
  /** day of the calendar year, from 0, on which it starts */
  startDay: number
  /** day of the week on which it starts, 0 for Monday */
  weekday: number
  stepH: number
  trace: Trace
  /** air outside, °C, by hour */
  airC: Float32Array
}

export const WEEK_DAYS = 7

/**
 * A week of a run, hour by hour.
 * @param firstDay of the run's year, 0…364; moved back where the year ends sooner
 */
export function weekOf(engine: WinterEngine, design: Design, year: number, firstDay: number): Week {
  const parts = partsOf(design)
  const { seed } = design.winter
  const trace = emptyTrace(parts)
  engine.year(design, seed, year, { trace })
  const from = Math.max(0, Math.min(DAYS - WEEK_DAYS, firstDay))
  const cut = (values: Float32Array, perDay: number) => values.slice(from * perDay, (from + WEEK_DAYS) * perDay)
  const weather = engine.weatherOf(design, seed, year)
  return {
    year,
    firstDay: from,
    startDay: (weather.startDay + from) % DAYS,
    weekday: (firstOfCycle(year) + from) % 7,
    stepH: 1 / parts,
    trace: Object.fromEntries(TRACE_COLUMNS.map((column) => [column, cut(trace[column], 24 * parts)])) as Trace,
    airC: cut(weather.airC, 24),
  }
}
