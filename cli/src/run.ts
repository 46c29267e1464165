import { writeFileSync } from 'node:fs'
import Papa from 'papaparse'
import {
  emptyTrace,
  PERCENTILES,
  TRACE_COLUMNS,
  partsOf,
  figuresAt,
  figuresOf,
  WinterEngine,
  type Design,
  type HourlySeries,
  type Trace,
  type YearResult,
} from '@ambrel/core'

/** The balance terms of a year, as `winter.balance` gives them. */
export function balanceOf(year: YearResult) {
  const { sourcesWh, servedWh, lossesWh, storedChangeWh, curtailedWh, residualRelative } = year
  return { sourcesWh, servedWh, lossesWh, storedChangeWh, curtailedWh, residualRelative }
}

/**
 * Runs a design and puts its years, median and 1 in 10 together.
 * @param series imported hours the design is set to, or null
 * @param years no more than those hours hold
 * @param from day of year on which every year starts; null for the usual
 */
export function runDesign(
  design: Design,
  series: HourlySeries | null,
  { years, seed, from }: { years: number; seed: number; from: number | null },
  tracePath?: string,
) {
  const engine = new WinterEngine(from)
  if (series) engine.provide(design.place.hours!.fileId, series)
  const traces: Trace[] = []
  const results = Array.from({ length: years }, (_, index) => {
    const trace = tracePath ? emptyTrace(partsOf(design)) : null
    if (trace) traces.push(trace)
    return engine.year(design, seed, index, { trace })
  })
  if (tracePath) writeFileSync(tracePath, traceCsv(traces, partsOf(design) === 1 ? 'hour' : 'quarter'))
  const figures = results.map((year) => figuresOf(year, design.generator.fuelTripDays))
  return {
    years: results.map((year, i) => ({ ...figures[i], ...balanceOf(year) })),
    median: figuresAt(figures, PERCENTILES.median),
    oneInTen: figuresAt(figures, PERCENTILES.oneInTen),
  }
}

function traceCsv(traces: readonly Trace[], stepWord: string): string {
  const data = traces.flatMap((trace, year) =>
    Array.from(trace.arrayW, (_, hour) => [
      year + 1,
      hour,
      ...TRACE_COLUMNS.map((column) => trace[column][hour].toFixed(column === 'stateOfCharge' ? 5 : 1)),
    ]),
  )
  return `${Papa.unparse({ fields: ['year', stepWord, ...TRACE_COLUMNS], data }, { newline: '\n' })}\n`
}
