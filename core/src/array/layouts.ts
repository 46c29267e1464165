import type { ControllerPart, ModulePart } from '../design/types.ts'
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
  const found: (Layout & { score: number })[] = []
  for (let inSeries = 1; inSeries <= Math.min(maxModules, 40); inSeries++) {
    if (!stringFits(question, inSeries)) continue
    const perController = Math.floor(controller.maxInputA / (module.iscA * 1.25))
    for (let inParallel = 1; inSeries * inParallel <= maxModules; inParallel++) {
      if (perController < 1) break
      const controllers = Math.ceil(inParallel / perController)
      const watts = inSeries * inParallel * module.ratedW
      const passes = controllers * controller.outputA * question.chargeV
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

function stringFits(
  { module, controller, coldestC, hottestCellC, chargeV, method }: LayoutQuestion,
  inSeries: number,
): boolean {
  const coldV = coldVoltage({ inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC, method })
  const hotV = hotVoltage({ inSeries, vmpV: module.vmpV, betaVmpPctPerK: module.gammaPctPerK, hottestCellC })
  return coldV <= controller.maxInputV && hotV >= Math.max(controller.minTrackV, chargeV + HEADROOM_V)
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
  if (inParallel / controllers > 2) remarks.push('needs a fuse per string')
  if (inParallel === 1) remarks.push('one string, least copper')
  return { inSeries, inParallel, controllers, coldV, hotV, watts, remarks }
}
