import { passesW } from '../../array/controllers.ts'
import { arrayRatedW } from '../../array/power.ts'
import { watch, type Rule } from '../rule.ts'
import { percent, watts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Below this there is nothing worth saying. */
const WORTH_SAYING = 1.1

export const clipping: Rule = {
  id: 'array.clipping',
  step: 'array',
  check: ({ design, derived }) =>
    design.controllers.flatMap((controller) => {
      const ratedW = design.arrays
        .filter(({ controllerId }) => controllerId === controller.id)
        .reduce((sum, array) => sum + arrayRatedW(array), 0)
      const limitW = passesW(controller.part, derived.chargeV)
      return ratedW > limitW * WORTH_SAYING
        ? [
            watch(
              controller.id,
              say`${controller.name} passes ${watts(limitW)} of ${watts(ratedW)}.`,
              say`The rest of a bright noon is clipped, ${percent(1 - limitW / ratedW)} at most. Harmless, and often worth it for dull days; the step shows the kWh of a year.`,
            ),
          ]
        : []
    }),
}
