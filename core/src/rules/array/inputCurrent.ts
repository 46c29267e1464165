import { trackerInputs } from '../../array/controllers.ts'
import { BRIGHT } from '../../array/stringFuses.ts'
import { stop, watch, type Rule } from '../rule.ts'
import { amps } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Short-circuit current of each tracker; what only clips is told by `array.clipping`. */
export const inputCurrent: Rule = {
  id: 'array.input-current',
  step: 'array',
  check: ({ design }) =>
    design.controllers.flatMap((controller) =>
      trackerInputs(controller, design.arrays).flatMap(({ tracker, shortA }) => {
        const { part } = controller
        const where = part.trackers > 1 ? say`Tracker ${tracker} of ${controller.name}` : controller.name
        if (shortA > part.maxInputA)
          return [
            stop(
              controller.id,
              say`${where} is joined to ${amps(shortA)} of short-circuit current.`,
              say`It survives ${amps(part.maxInputA)}. Fewer strings on it, another tracker or a second controller.`,
            ),
          ]
        if (shortA * BRIGHT > part.maxInputA)
          return [
            watch(
              controller.id,
              say`${where} may see ${amps(shortA * BRIGHT)} at the edge of a cloud.`,
              say`By the sheet it is ${amps(shortA)}, and ${amps(part.maxInputA)} are allowed. The code’s factor of ${BRIGHT} goes beyond: fewer strings on it, or ask its maker.`,
            ),
          ]
        return []
      }),
    ),
}
