import { stop, type Rule } from '../rule.ts'
import { amps } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const inputCurrent: Rule = {
  id: 'array.input-current',
  step: 'array',
  check: ({ design, derived }) =>
    design.controllers.flatMap((controller) => {
      const iscA = design.arrays.reduce(
        (sum, array, i) => (array.controllerId === controller.id ? sum + derived.arrays[i].iscA * 1.25 : sum),
        0,
      )
      return iscA > controller.part.maxInputA
        ? [
            stop(
              controller.id,
              say`${controller.name} may see ${amps(iscA)} from the array.`,
              say`Its input limit is ${amps(controller.part.maxInputA)}. Use fewer strings on it or a second controller.`,
            ),
          ]
        : []
    }),
}
