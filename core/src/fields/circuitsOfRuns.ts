import type { Before } from './field.ts'

type Json = Readonly<Record<string, unknown>>
const rowsOf = (value: unknown): Json[] =>
  Array.isArray(value) ? value.filter((each): each is Json => typeof each === 'object' && each !== null) : []
const idOf = (rows: readonly Json[], id: unknown): string => {
  const found = rows.find((each) => each.id === id) ?? rows[0]
  return typeof found?.id === 'string' ? found.id : ''
}

/**
 * What the runs of documents to version 7 said of their circuits: their lengths, and the conductors that lie there. A run
 * without an array or controller of its own was the first one's, and the first run of a circuit is the one that counts.
 */
export const circuitsOfRuns: Before = (_, document) => {
  const arrays = rowsOf(document.arrays)
  const controllers = rowsOf(document.controllers)
  const circuits = new Map<string, Json>()
  for (const run of rowsOf(document.runs)) {
    const ids: Record<string, string> = {
      array: `array:${idOf(arrays, run.subjectId)}`,
      'controller-bank': `controller:${idOf(controllers, run.subjectId)}`,
      'bank-inverter': 'inverter',
      'inverter-house': 'panel',
      generator: 'backup',
    }
    const id = ids[String(run.circuit)]
    if (!id || id.endsWith(':') || circuits.has(id)) continue
    const insulationC = Number(run.insulationC)
    const choice = {
      oneWayM: run.oneWayM,
      size: run.size,
      parallel: run.parallel,
      insulationC: run.insulationC,
      terminalC: insulationC === 60 ? 60 : 75,
      laid: 'conduit',
      ambientC: run.ambientC,
      conductors: run.conductors,
      allowedDropPct: run.allowedDropPct,
      device: '',
      deviceA: null,
      deviceV: null,
      deviceKA: null,
      builtIn: false,
      unused: false,
    }
    circuits.set(id, { id, ...choice })
    // one run stood for the generator's cable and the grid's
    if (id === 'backup') circuits.set('grid', { id: 'grid', ...choice })
  }
  return [...circuits.values()]
}
