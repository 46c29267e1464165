import { kept } from '../math/kept.ts'
import {
  atConditions,
  currentAt,
  fitSingleDiode,
  openCircuitV,
  powerPoint,
  type ModuleSheet,
  type PowerPoint,
  type SingleDiode,
} from './singleDiode.ts'

/** Strings of one kind in parallel on a controller. */
export interface StringKind {
  module: ModuleSheet
  inSeries: number
  /** how many of them; 1 where it is not said */
  count?: number
}

export interface Mismatch {
  combined: PowerPoint
  /** each string at its own best, W together */
  separateW: number
  lossFraction: number
}

const fits = kept<SingleDiode>(60)

/** The fitted parameters of a data sheet, worked out once. */
export function fittedModule(sheet: ModuleSheet): SingleDiode {
  const { vocV, iscA, vmpV, impA, cells, alphaIscPctPerK, betaVocPctPerK } = sheet
  const key = [vocV, iscA, vmpV, impA, cells, alphaIscPctPerK, betaVocPctPerK].join('|')
  return fits(key, () => fitSingleDiode(sheet))
}

interface Curve {
  current: (volts: number) => number
  openV: number
  count: number
}

function curveOf({ module, inSeries, count = 1 }: StringKind, irradianceWM2: number, cellC: number): Curve {
  if (!(Number.isInteger(inSeries) && inSeries >= 1))
    throw new RangeError(`inSeries ${inSeries} must be a whole number of at least 1`)
  const fit = atConditions(fittedModule(module), module, irradianceWM2, cellC)
  return {
    current: (volts) => currentAt(fit, volts / inSeries),
    openV: openCircuitV(fit) * inSeries,
    count,
  }
}

/**
 * What unlike strings lose on one controller: they must all work at one voltage, which is the best of none.
 * Series adds voltage at the same current, parallel adds current at the same voltage; a string above whose open-circuit
 * voltage the others work takes current.
 *
 * @param strings at least one kind
 * @param irradianceWM2 > 0, the same on all
 * @param cellC °C, the same on all
 * @throws RangeError for no strings
 * Source: De Soto et al. (2006) for each module; loss = 1 − P(combined) / ΣP(each alone).
 * @example mismatch([{ module: moduleParts[0], inSeries: 3 }, { module: moduleParts[0], inSeries: 2 }], 1000,
 * 25).lossFraction → 0.1732
 */
export function mismatch(strings: readonly StringKind[], irradianceWM2: number, cellC: number): Mismatch {
  if (strings.length === 0) throw new RangeError('strings must name at least one')
  const curves = strings.map((string) => curveOf(string, irradianceWM2, cellC))
  const alone = curves.map(({ current, openV }) => powerPoint(current, openV).watts)
  const separateW = curves.reduce((sum, { count }, i) => sum + count * alone[i], 0)
  const highest = Math.max(...curves.map(({ openV }) => openV))
  const combined = powerPoint((volts) => together(curves, volts), highest)
  return { combined, separateW, lossFraction: Math.max(0, 1 - combined.watts / separateW) }
}

const together = (curves: readonly Curve[], volts: number) =>
  curves.reduce((sum, { current, count }) => sum + count * current(volts), 0)

/** Points of the combined current–voltage curve and of each kind's own, for drawing. */
export function curvePoints(
  strings: readonly StringKind[],
  irradianceWM2: number,
  cellC: number,
  points = 80,
): { volts: number[]; combinedA: number[]; eachA: number[][] } {
  const curves = strings.map((string) => curveOf(string, irradianceWM2, cellC))
  const highest = Math.max(...curves.map(({ openV }) => openV))
  const volts = Array.from({ length: points + 1 }, (_, i) => (highest * i) / points)
  return {
    volts,
    combinedA: volts.map((v) => Math.max(0, together(curves, v))),
    eachA: curves.map(({ current, count }) => volts.map((v) => Math.max(0, count * current(v)))),
  }
}
