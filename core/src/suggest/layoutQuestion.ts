import type { LayoutQuestion } from '../array/layouts.ts'
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
    maxModules,
    method: schools.coldVoltage,
  }
}
