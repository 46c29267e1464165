import type { ArrayField, ControllerPart, Design } from '../../document/types.ts'
import { stringFits } from '../../array/layouts.ts'
import { layoutQuestion } from '../../sizing/layoutQuestion.ts'
import { relaid } from './relaid.ts'
import { watch, type Remedy, type Rule } from '../rule.ts'
import { percent, volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** The same modules in the longest strings that the tracker follows. */
function shorter(design: Design, array: ArrayField, part: ControllerPart): Remedy | null {
  const n = Math.floor(part.maxTrackV / array.module.vmpV)
  return n >= 1 && stringFits(layoutQuestion(design, array.module, part, n), n) ? relaid(array, n) : null
}

/** A string whose power point lies above what its tracker follows: it is held below it. */
export const trackRange: Rule = {
  id: 'array.track-range',
  step: 'array',
  check: ({ design }) =>
    design.arrays.flatMap((array) => {
      const part = design.controllers.find(({ id }) => id === array.controllerId)?.part
      const labelV = array.inSeries * array.module.vmpV
      if (!part || part.kind === 'pulse-width' || labelV <= part.maxTrackV) return []
      return [
        watch(
          array.id,
          say`${array.name} works at ${volts(labelV)}; its tracker follows up to ${volts(part.maxTrackV)}.`,
          say`Held there it gives about ${percent(part.maxTrackV / labelV)} of its power, and some trackers stop. Fewer modules in series.`,
          { remedy: () => shorter(design, array, part) },
        ),
      ]
    }),
}
