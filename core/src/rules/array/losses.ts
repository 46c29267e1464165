import { lossFactor } from '../../array/power.ts'
import { watch, type Rule } from '../rule.ts'
import { percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Soiling, mismatch, first light, wires and age of a sound array are a tenth to a fifth. */
const MOST_LOST = 0.35

/** Losses that were named for an array, taken together. */
export const losses: Rule = {
  id: 'array.losses',
  step: 'array',
  check: ({ design: { arrays } }) =>
    arrays
      .filter((array) => 1 - lossFactor(array) > MOST_LOST)
      .map((array) =>
        watch(
          array.id,
          say`The losses of ${array.name} take ${percent(1 - lossFactor(array))} of what it would give.`,
          'Soiling, mismatch, first light, wires and age: a tenth to a fifth is usual. Look whether one of them is too high, or clean, rewire or replace.',
        ),
      ),
}
