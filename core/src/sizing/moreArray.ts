import { sunChargeA } from '../array/controllers.ts'
import { layouts } from '../array/layouts.ts'
import { bankNominalV, ratedAh } from '../bank/layout.ts'
import { addArrayOf } from '../change/array.ts'
import type { Design } from '../document/types.ts'
import { moduleParts, separateTrackers } from '../parts/shelf.ts'
import { layoutQuestion } from './layoutQuestion.ts'

const MOST_MODULES = 24

/**
 * Adds an array on a controller of its own, in the cheapest legal layout of the shelf that brings the bright-sun
 * charging current to a share of the bank's capacity. The array stands as the first one does.
 *
 * @param rate charging current ÷ rated capacity, 1/h
 * @returns the design unchanged where no layout reaches it
 */
export function moreArray(design: Design, rate: number): Design {
  const { bank } = design
  const volts = bankNominalV(bank)
  const wantedA = rate * ratedAh(bank.part) * bank.inParallel
  const needA = wantedA - sunChargeA(design, volts)
  const found = separateTrackers()
    .filter(({ outputA }) => outputA >= needA)
    .flatMap((controller) =>
      moduleParts.slice(0, 3).flatMap((module) =>
        layouts({ ...layoutQuestion(design, module, controller, MOST_MODULES), mostControllers: 1, mostParallel: 2 })
          .filter(({ watts }) => watts >= needA * volts)
          .map((layout) => ({
            layout,
            module,
            controller,
            price: controller.price + layout.inSeries * layout.inParallel * module.price,
          })),
      ),
    )
    .sort((a, b) => a.price - b.price)[0]
  return found ? addArrayOf(found.module, found.controller, found.layout)(design) : design
}
