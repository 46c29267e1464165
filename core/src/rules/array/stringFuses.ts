import { fedByOthersA, needsStringFuses } from '../../array/stringFuses.ts'
import { watch, type Rule } from '../rule.ts'
import { amps } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const stringFuses: Rule = {
  id: 'array.string-fuses',
  step: 'array',
  check: ({ design }) =>
    design.arrays
      .filter((array) => needsStringFuses(design, array))
      .map((array) =>
        watch(
          array.id,
          say`${array.name} needs a fuse in every string.`,
          say`A short in one would be fed ${amps(fedByOthersA(design, array))} by the others on its tracker; its modules stand ${amps(array.module.seriesFuseA)}.`,
        ),
      ),
}
