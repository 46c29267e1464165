import type { ArrayField, ControllerPart, ModulePart } from '../document/types.ts'
import { kept } from '../math/kept.ts'
import { tableAt } from '../math/interpolate.ts'
import { trackerNeedsV, trackerStartsV } from './layouts.ts'
import { byLight } from './lowLight.ts'
import { atConditions, currentAt, fitSingleDiode, openCircuitV, powerPoint } from './singleDiode.ts'

/** How the volts of a module go with the light, and its power with the volts it is held at. */
export interface ModuleVolts {
  /** volts at the power point and open, as shares of those at 1000 W/m², by steps of light from none on */
  power: Float64Array
  open: Float64Array
  /** share of its power that it gives where it is held between its power point, 0, and open circuit, 1 */
  beyond: Float64Array
}

/** Steps between the power point and open circuit. */
const BEYOND = 32

const keptVolts = kept<ModuleVolts>(16)

/**
 * The volts of a module at 25 °C by light, and its power beyond the power point.
 * @throws RangeError for a module whose three points are no curve
 * Source: De Soto, Klein & Beckman (2006).
 * @example [0, 16, 32].map((i) => moduleVolts(moduleParts[0]).beyond[i]) → [1, 0.8107, 0]
 */
export function moduleVolts(module: ModulePart): ModuleVolts {
  const { vocV, iscA, vmpV, impA, cells, alphaIscPctPerK, betaVocPctPerK } = module
  return keptVolts(JSON.stringify([vocV, iscA, vmpV, impA, cells, alphaIscPctPerK, betaVocPctPerK]), () => {
    const fit = fitSingleDiode(module)
    const at = (light: number) => {
      const curve = atConditions(fit, module, light, 25)
      const openV = openCircuitV(curve)
      return { openV, powerV: powerPoint((volts) => currentAt(curve, volts), openV).volts }
    }
    const full = at(1000)
    const all = byLight(at)
    const watts = (volts: number) => volts * currentAt(fit, volts)
    const most = watts(full.powerV)
    return {
      power: Float64Array.from(all, ({ powerV }) => powerV / full.powerV),
      open: Float64Array.from(all, ({ openV }) => openV / full.openV),
      // one entry past its end
      beyond: Float64Array.from({ length: BEYOND + 2 }, (_, i) =>
        Math.max(0, watts(full.powerV + (Math.min(i, BEYOND) / BEYOND) * (full.openV - full.powerV)) / most),
      ),
    }
  })
}

/** Cells of the run are never hotter, °C, and no module keeps less of its volts in light that gives anything. */
const HOTTEST_C = 100
const LEAST_SHARE = 0.75

/**
 * A string on a controller that cannot use it at all its volts: what comes through of the power at its power point, hour
 * by hour in their order. Held above its power point it gives less, and at open circuit nothing; a day begins with the
 * first hour whose open volts start the controller.
 */
export class HeldString {
  private started = false
  private readonly volts: ModuleVolts
  private readonly powerV: number
  private readonly openV: number
  private readonly perKOfPower: number
  private readonly perKOfOpen: number

  /**
   * @param leastV it is held at, V; below it nothing flows
   * @param startsV open volts that begin a day's charging, V
   */
  constructor(
    { module, inSeries }: Pick<ArrayField, 'module' | 'inSeries'>,
    private readonly leastV: number,
    private readonly startsV: number,
  ) {
    this.volts = moduleVolts(module)
    this.powerV = module.vmpV * inSeries
    this.openV = module.vocV * inSeries
    this.perKOfPower = module.gammaPctPerK / 100
    this.perKOfOpen = module.betaVocPctPerK / 100
  }

  /** Before the first hour of each day. */
  newDay(): void {
    this.started = false
  }

  /**
   * Share of its power in the next hour with sun.
   * @param below entry of a table by light that lies below it
   * @param above part of a step that the light lies above it, 0…1
   * @returns 0…1
   */
  share(below: number, above: number, cellC: number): number {
    const { power, open, beyond } = this.volts
    const warmer = cellC - 25
    const openV = this.openV * (open[below] + (open[below + 1] - open[below]) * above) * (1 + this.perKOfOpen * warmer)
    if (!this.started && openV < this.startsV) return 0
    this.started = true
    const powerV =
      this.powerV * (power[below] + (power[below + 1] - power[below]) * above) * (1 + this.perKOfPower * warmer)
    if (powerV >= this.leastV) return 1
    return openV <= this.leastV ? 0 : tableAt(beyond, (this.leastV - powerV) / (openV - powerV))
  }
}

/**
 * How a controller holds a string of an array down; null where it uses it at all its volts.
 * @param busV volts of the bank while it is charged
 */
export function heldString(
  array: Pick<ArrayField, 'module' | 'inSeries'>,
  part: Pick<ControllerPart, 'kind' | 'minTrackV' | 'aboveBankV' | 'startV' | 'startAboveBankV'>,
  busV: number,
): HeldString | null {
  const { module, inSeries } = array
  const isTracking = part.kind !== 'pulse-width'
  const leastV = isTracking ? trackerNeedsV(part, busV) : busV
  const startsV = isTracking ? trackerStartsV(part, busV) : 0
  const hottest = (stcV: number, pctPerK: number) =>
    inSeries * stcV * LEAST_SHARE * (1 + (pctPerK / 100) * (HOTTEST_C - 25))
  const takesAll =
    hottest(module.vmpV, module.gammaPctPerK) >= leastV && hottest(module.vocV, module.betaVocPctPerK) >= startsV
  return takesAll ? null : new HeldString(array, leastV, startsV)
}
