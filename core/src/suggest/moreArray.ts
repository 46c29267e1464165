import { sunChargeA } from '../array/controllers.ts'
import { layouts } from '../array/layouts.ts'
import { bankNominalV, ratedAh } from '../bank/layout.ts'
import { newArray, nextId } from '../design/defaults.ts'
import type { Design } from '../document/types.ts'
import { moduleParts, separateTrackers, structuredCloneOf } from '../parts/shelf.ts'
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
  const { bank, place } = design
  const volts = bankNominalV(bank)
  const wantedA = rate * ratedAh(bank.part) * bank.inParallel
  const needA = wantedA - sunChargeA(design, volts)
  const found = separateTrackers()
    .filter(({ outputA }) => outputA >= needA)
    .flatMap((controller) =>
      moduleParts.slice(0, 3).flatMap((module) =>
        layouts(layoutQuestion(design, module, controller, MOST_MODULES))
          .filter((layout) => layout.controllers === 1 && layout.inParallel <= 2 && layout.watts >= needA * volts)
          .map((layout) => ({
            layout,
            module,
            controller,
            price: controller.price + layout.inSeries * layout.inParallel * module.price,
          })),
      ),
    )
    .sort((a, b) => a.price - b.price)[0]
  if (!found) return design
  const [first] = design.arrays
  const controllerId = nextId('controller', design.controllers)
  const { inSeries, inParallel } = found.layout
  const array = newArray(nextId('array', design.arrays), found.module.id, controllerId, {
    ...(first
      ? { tiltDeg: first.tiltDeg, azimuthDeg: first.azimuthDeg, mounting: first.mounting, site: first.site }
      : { tiltDeg: 60, azimuthDeg: place.latitudeDeg >= 0 ? 180 : 0 }),
    name: 'Added array',
    inSeries,
    inParallel,
  })
  const controller = {
    id: controllerId,
    name: `Controller ${design.controllers.length + 1}`,
    part: structuredCloneOf(found.controller),
  }
  return { ...design, arrays: [...design.arrays, array], controllers: [...design.controllers, controller] }
}
