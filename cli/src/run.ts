import { writeFileSync } from 'node:fs'
import {
  emptyTrace,
  figuresAt,
  figuresOf,
  runPlanOf,
  WinterEngine,
  yearsOfRun,
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
 * @param series imported hours the design is set to, or null; a run ends with them
 */
export function runDesign(
  design: Design,
  series: HourlySeries | null,
  years: number,
  seed: number,
  tracePath?: string,
) {
  const engine = new WinterEngine()
  if (series) engine.provide(design.place.hours!.fileId, series)
  const length = yearsOfRun(design.place, years)
  const plan = runPlanOf(design)
  const traces: Trace[] = []
  const results = Array.from({ length }, (_, index) => {
    const trace = tracePath ? emptyTrace() : null
    if (trace) traces.push(trace)
    return engine.year(design, plan, seed, index, trace)
  })
  if (tracePath) writeFileSync(tracePath, traceCsv(traces))
  return {
    years: results.map((year) => ({ ...figuresOf(year), ...balanceOf(year) })),
    median: figuresAt(results, 0.5),
    oneInTen: figuresAt(results, 0.9),
  }
}

function traceCsv(traces: readonly Trace[]): string {
  const columns = ['stateOfCharge', 'arrayW', 'generatorW', 'servedW', 'unmetW', 'curtailedW'] as const
  const lines = [`year,hour,${columns.join(',')}`]
  traces.forEach((trace, year) => {
    for (let hour = 0; hour < trace.arrayW.length; hour++)
      lines.push(
        `${year + 1},${hour},${columns.map((column) => trace[column][hour].toFixed(column === 'stateOfCharge' ? 5 : 1)).join(',')}`,
      )
  })
  return `${lines.join('\n')}\n`
}
