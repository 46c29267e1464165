import { MOST_IN_SERIES, stringFits, trackerNeedsV, trackerStartsV } from '../../array/layouts.ts'
import type { ArrayField, ControllerPart, Design } from '../../document/types.ts'
import { layoutQuestion } from '../../sizing/layoutQuestion.ts'
import { relaid } from './relaid.ts'
import { sound, stop, watch, type Remedy, type Rule } from '../rule.ts'
import { volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** The same modules in the shortest strings that the controller can use on every afternoon and survives on every dawn. */
function longer(design: Design, array: ArrayField, part: ControllerPart): Remedy | null {
  const question = layoutQuestion(design, array.module, part, MOST_IN_SERIES)
  for (let n = array.inSeries + 1; n <= MOST_IN_SERIES; n++) if (stringFits(question, n)) return relaid(array, n)
  return null
}

export const hotVoltageRule: Rule = {
  id: 'array.hot-voltage',
  step: 'array',
  check: ({ design, derived }) =>
    design.arrays.flatMap((array, i) => {
      const controller = design.controllers.find(({ id }) => id === array.controllerId)
      if (!controller || controller.part.kind === 'pulse-width') return []
      const { hotV } = derived.arrays[i]
      const openV = (hotV * array.module.vocV) / array.module.vmpV
      const needed = trackerNeedsV(controller.part, derived.chargeV)
      const working = `array.hot-voltage.${array.id}`
      const more = { working, remedy: () => longer(design, array, controller.part) }
      const startsV = trackerStartsV(controller.part, derived.chargeV)
      const labelV = array.inSeries * array.module.vmpV
      const labelOpenV = array.inSeries * array.module.vocV
      if (labelV < needed || labelOpenV < startsV)
        return [
          stop(
            array.id,
            labelV < needed
              ? say`${array.name} works at ${volts(labelV)}; its tracker needs ${volts(needed)}.`
              : say`${array.name} opens at ${volts(labelOpenV)}; charging starts from ${volts(startsV)}.`,
            controller.part.kind === 'ac-coupled'
              ? 'A string below it gives little or nothing. Put more modules in series.'
              : 'A tracker cannot raise the voltage: the bank is never charged full by it, or not at all. Put more modules in series.',
            more,
          ),
        ]
      if (openV < startsV)
        return [
          watch(
            array.id,
            say`${array.name} opens at ${volts(openV)} when hot; charging starts from ${volts(startsV)}.`,
            'It may not start again after a hot noon. Put more modules in series.',
            more,
          ),
        ]
      return hotV < needed
        ? [
            watch(
              array.id,
              say`${array.name} falls to ${volts(hotV)} on a hot afternoon.`,
              say`The tracker needs ${volts(needed)}; below it charging stops. Put more modules in series.`,
              more,
            ),
          ]
        : [
            sound(
              array.id,
              say`${volts(hotV)} on the hottest afternoon.`,
              say`Above the ${volts(needed)} the tracker needs.`,
              { working },
            ),
          ]
    }),
}
