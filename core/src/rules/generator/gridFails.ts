import { sound, stop, watch, type Rule } from '../rule.ts'
import { amount, counted, percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Below this share of failures that what must run lasts through, the bank does not do what it is there for. */
const MOST_LAST = 0.9

export const gridFails: Rule = {
  id: 'generator.grid-fails',
  step: 'generator',
  check: ({ winter }) => {
    if (!winter?.failures) return []
    const { count, lasted, longestH, darkAfterH } = winter.failures
    if (count === 0)
      return [
        sound('grid', say`The grid never fails in ${counted(winter.years, 'year')}.`, 'As its failures are stated.'),
      ]
    const of = say`${counted(count, 'failure')} in ${counted(winter.years, 'year')}, the longest ${amount(longestH, 'h')}`
    if (lasted === 1) return [sound('grid', 'What must run goes on through every failure of the grid.', say`${of}.`)]
    const says = say`What must run goes on through ${percent(lasted)} of the failures of the grid.`
    const because = say`${of}; the soonest it goes off is after ${amount(darkAfterH.soonest!, 'h')}. More storage, fewer loads that must run, or a generator beside it.`
    return [lasted < MOST_LAST ? stop('grid', says, because) : watch('grid', says, because)]
  },
}
