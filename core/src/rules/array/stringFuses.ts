import { needsStringFuses } from '../../array/power.ts'
import { watch, type Rule } from '../rule.ts'
import { amps } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const stringFuses: Rule = {
  id: 'array.string-fuses',
  step: 'array',
  check: ({ design: { arrays } }) =>
    arrays
      .filter(needsStringFuses)
      .map((array) =>
        watch(
          array.id,
          say`${array.name} needs a fuse in every string.`,
          say`A short in one would be fed ${amps((array.inParallel - 1) * 1.25 * array.module.iscA)} by the others; its modules stand ${amps(array.module.seriesFuseA)}.`,
        ),
      ),
}
