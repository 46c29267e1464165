import type { ModulePart } from '../document/types.ts'
import { kept } from '../math/kept.ts'
import { atConditions, fitSingleDiode, junctionCurrent, openCircuitV, type SingleDiode } from './singleDiode.ts'

/** Between two entries of a table by light, W/m². */
export const LIGHT_STEP = 50
/** How many there are: up to 1400 W/m². */
const ENTRIES = 29
/** What stands for no light at all, W/m²: an efficiency needs some. */
const LEAST_LIGHT = 5

/** What is made of each light of a table, W/m², from none on. */
export const byLight = <T>(make: (lightWM2: number) => T): T[] =>
  Array.from({ length: ENTRIES }, (_, i) => make(Math.max(LEAST_LIGHT, i * LIGHT_STEP)))

const keptTable = kept<Float64Array>(16)

/**
 * Efficiency of a module at 25 °C by light, as a share of that at 1000 W/m²: the shunt takes its part of a weak light, the
 * series resistance its part of a strong one.
 *
 * @returns by steps of 50 W/m² from none on
 * @throws RangeError for a module whose three points are no curve
 * Source: De Soto, Klein & Beckman (2006).
 * @example [4, 20].map((i) => lowLight(moduleParts[0])[i]) → [0.981, 1]
 */
export function lowLight(module: ModulePart): Float64Array {
  const { vocV, iscA, vmpV, impA, cells, alphaIscPctPerK, betaVocPctPerK } = module
  return keptTable(JSON.stringify([vocV, iscA, vmpV, impA, cells, alphaIscPctPerK, betaVocPctPerK]), () => {
    const fit = fitSingleDiode(module)
    const perLight = (light: number) => mostWatts(atConditions(fit, module, light, 25)) / light
    const full = perLight(1000)
    return Float64Array.from(byLight((light) => perLight(light) / full))
  })
}

/** Power at the power point, W; of one module the curve of power over the junction's voltage has one hill. */
function mostWatts(fit: SingleDiode): number {
  const watts = (vj: number) => {
    const amps = junctionCurrent(fit, vj)
    return amps * (vj - amps * fit.seriesOhm)
  }
  let low = 0
  let high = openCircuitV(fit)
  for (let i = 0; i < 60; i++) {
    const a = low + (high - low) / 3
    const b = high - (high - low) / 3
    if (watts(a) < watts(b)) low = a
    else high = b
  }
  return watts((low + high) / 2)
}
