import { stringsNeedFuses } from './power.ts'
import { passesW } from './controllers.ts'
import type { ControllerPart, ModulePart } from '../document/types.ts'
import { coldVoltage, hotVoltage, type ColdMethod } from './voltage.ts'

export interface Layout {
  inSeries: number
  inParallel: number
  controllers: number
  coldV: number
  hotV: number
  watts: number
  /** why it stands where it stands, best reason first */
  remarks: string[]
}

export interface LayoutQuestion {
  module: ModulePart
  controller: ControllerPart
  coldestC: number
  hottestCellC: number
  /** highest charging voltage of the bank, V */
  chargeV: number
  maxModules: number
  method?: ColdMethod
}

/** A tracker on the battery side must stay this far above the charging voltage. */
const HEADROOM_V = 5
/** Volts a string must keep on a hot afternoon for this controller and this charging voltage. */
export function trackerNeedsV(controller: Pick<ControllerPart, 'kind' | 'minTrackV'>, chargeV: number): number {
  if (controller.kind === 'ac-coupled') return controller.minTrackV
  return Math.max(controller.minTrackV, chargeV + HEADROOM_V)
}

/** Arrays beyond this share of what the controller can pass are refused; below it the excess is clipped. */
const OVERSIZE_LIMIT = 1.5

/**
 * Every legal series × parallel × controller count for a module and a controller, best first: most power that is used,
 * then fewest controllers, then least current.
 *
 * @throws RangeError where maxModules is not at least 1
 */
export function layouts(question: LayoutQuestion): Layout[] {
  const { module, controller, maxModules } = question
  if (!(maxModules >= 1)) throw new RangeError(`maxModules ${maxModules} must be at least 1`)
  if (question.controller.kind === 'pulse-width') return pulseWidthLayouts(question)
  const found: (Layout & { score: number })[] = []
  for (let inSeries = 1; inSeries <= Math.min(maxModules, 40); inSeries++) {
    if (!stringFits(question, inSeries)) continue
    const perController = Math.floor(controller.maxInputA / (module.iscA * 1.25))
    for (let inParallel = 1; inSeries * inParallel <= maxModules; inParallel++) {
      if (perController < 1) break
      const controllers = Math.ceil(inParallel / perController)
      const watts = inSeries * inParallel * module.ratedW
      const passes = controllers * passesW(controller, question.chargeV)
      if (watts > passes * OVERSIZE_LIMIT) break
      found.push({
        ...describe(question, inSeries, inParallel, controllers, watts, passes),
        score: Math.min(watts, passes),
      })
    }
  }
  return found
    .sort((a, b) => b.score - a.score || a.controllers - b.controllers || a.inParallel - b.inParallel)
    .map(({ score: _score, ...layout }) => layout)
}

/**
 * A pulse-width controller joins the array to the bank: only as many in series as make the bank's voltage (36 cells, or
 * about 18 V at the power point, to 12 V), strings up to its current.
 */
function pulseWidthLayouts({
  module,
  controller,
  coldestC,
  hottestCellC,
  chargeV,
  maxModules,
  method,
}: LayoutQuestion): Layout[] {
  const inSeries = Math.max(1, Math.round((chargeV * 1.25) / module.vmpV))
  const string = { inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC, method }
  const coldV = coldVoltage(string)
  const hotV = hotVoltage({ inSeries, vmpV: module.vmpV, betaVmpPctPerK: module.gammaPctPerK, hottestCellC })
  if (coldV > controller.maxInputV || hotV < chargeV) return []
  const most = Math.min(
    Math.floor(maxModules / inSeries),
    Math.floor(Math.min(controller.maxInputA, controller.outputA) / (module.iscA * 1.25)),
  )
  const thrown = Math.round(100 * (1 - chargeV / (inSeries * module.vmpV)))
  return Array.from({ length: Math.max(0, most) }, (_, i) => most - i).map((inParallel) => ({
    inSeries,
    inParallel,
    controllers: 1,
    coldV,
    hotV,
    watts: inSeries * inParallel * module.ratedW,
    remarks: [`held at the bank’s voltage: throws away about ${Math.max(0, thrown)} %`],
  }))
}

function stringFits(
  { module, controller, coldestC, hottestCellC, chargeV, method }: LayoutQuestion,
  inSeries: number,
): boolean {
  const coldV = coldVoltage({ inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC, method })
  const hotV = hotVoltage({ inSeries, vmpV: module.vmpV, betaVmpPctPerK: module.gammaPctPerK, hottestCellC })
  return coldV <= controller.maxInputV && hotV >= trackerNeedsV(controller, chargeV)
}

function describe(
  { module, controller, coldestC, hottestCellC, method }: LayoutQuestion,
  inSeries: number,
  inParallel: number,
  controllers: number,
  watts: number,
  passes: number,
): Layout {
  const coldV = coldVoltage({ inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC, method })
  const hotV = hotVoltage({ inSeries, vmpV: module.vmpV, betaVmpPctPerK: module.gammaPctPerK, hottestCellC })
  const remarks: string[] = []
  if (watts > passes) remarks.push(`clips above ${Math.round(passes)} W, harmlessly`)
  if (coldV > 0.9 * controller.maxInputV) remarks.push('close to the controller’s limit on a cold dawn')
  if (coldV > controller.maxTrackV) remarks.push('leaves the tracker’s window when cold')
  if (stringsNeedFuses(module, Math.ceil(inParallel / controllers))) remarks.push('needs a fuse per string')
  if (inParallel === 1) remarks.push('one string, least copper')
  return { inSeries, inParallel, controllers, coldV, hotV, watts, remarks }
}

/** A number of modules in series that a controller cannot have, and why. */
export interface RefusedLayout {
  inSeries: number
  coldV: number
  hotV: number
  says: string
}

/** Series counts next to the legal ones, with the reason each is refused. */
export function refusedLayouts(question: LayoutQuestion): RefusedLayout[] {
  const { module, controller, coldestC, hottestCellC, chargeV, maxModules, method } = question
  const refused: RefusedLayout[] = []
  let above = 0
  for (let inSeries = 1; inSeries <= Math.min(maxModules, 40) && above < 2; inSeries++) {
    if (stringFits(question, inSeries)) continue
    const coldV = coldVoltage({ inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC, method })
    const hotV = hotVoltage({ inSeries, vmpV: module.vmpV, betaVmpPctPerK: module.gammaPctPerK, hottestCellC })
    const high = coldV > controller.maxInputV
    if (high) above++
    const needed = trackerNeedsV(controller, chargeV)
    refused.push({
      inSeries,
      coldV,
      hotV,
      says: high
        ? `over ${controller.maxInputV} V on a cold dawn: destroys the controller`
        : `under ${Math.round(needed)} V on a hot afternoon: charging stops`,
    })
  }
  return refused
}
