import { isBuiltIn, trackerOf } from '../array/controllers.ts'
import type { LayoutQuestion } from '../array/layouts.ts'
import { arrayRatedW } from '../array/power.ts'
import { hottestCellC } from '../array/voltage.ts'
import type { ControllerPart, Design, ModulePart } from '../document/types.ts'
import { absorptionV } from '../bank/layout.ts'

/** What has to be known to lay out a module on a controller at a design's place and bank. */
export function layoutQuestion(
  design: Design,
  module: ModulePart,
  controller: ControllerPart,
  maxModules: number,
): LayoutQuestion {
  const { place, schools } = design
  return {
    module,
    controller,
    coldestC: place.recordLowC,
    hottestCellC: hottestCellC(place.recordHighC, module),
    chargeV: absorptionV(design.bank),
    systemV: design.bank.systemV,
    maxModules,
    method: schools.coldVoltage,
  }
}

/** Enough for half as much again as is wanted, or for a little more than there is. */
const BEYOND_NEED = 1.5
const MOST_OFFERED = 60

/**
 * How one array of a design can be laid out on its controller, beside what the others bring and take of it.
 * @param needW what the hand method wants of all arrays together, W
 */
export function layoutQuestionOf(design: Design, index: number, needW: number): LayoutQuestion | null {
  const { arrays, controllers } = design
  const array = arrays[index]
  const controller = controllers.find(({ id }) => id === array?.controllerId)
  if (!controller) return null
  const others = arrays.filter((_, i) => i !== index)
  const on = others.filter(({ controllerId }) => controllerId === controller.id)
  const wantedW = Math.max(0, needW - others.reduce((sum, each) => sum + arrayRatedW(each), 0))
  const now = array.inSeries * array.inParallel
  const most = Math.min(MOST_OFFERED, Math.max(now + 4, Math.ceil((wantedW * BEYOND_NEED) / array.module.ratedW)))
  const own = trackerOf(design, array)
  const numbers = Array.from({ length: controller.part.trackers }, (_, i) => i + 1)
  const empty = numbers.filter((tracker) => on.every((each) => trackerOf(design, each) !== tracker))
  const shared = empty.length > 0 ? [] : on.filter((each) => trackerOf(design, each) === own)
  return {
    ...layoutQuestion(design, array.module, controller.part, most),
    needW: wantedW,
    ...(isBuiltIn(design, controller) ? { mostControllers: 1 } : {}),
    ...(on.length > 0
      ? {
          beside: {
            free: empty.length > 0 ? empty : [own],
            shortA: shared.reduce((sum, { module, inParallel }) => sum + module.iscA * inParallel, 0),
            watts: on.reduce((sum, each) => sum + arrayRatedW(each), 0),
          },
        }
      : {}),
  }
}
