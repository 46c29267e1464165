import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { suggestBank } from '../../suggest/bank.ts'
import { stop, watch, type Remedy, type Rule } from '../rule.ts'
import { say } from '../../units/words.ts'

const LARGER: Remedy = { label: 'size it with larger units', apply: (design) => suggestBank(design).design }

export const parallelLimit: Rule = {
  id: 'bank.parallel',
  step: 'bank',
  check: ({ design: { bank } }) => {
    const { recommended } = CHEMISTRIES[bank.part.chemistry].parallel
    if (bank.inParallel > bank.part.parallelLimit)
      return [
        stop(
          'bank',
          say`${bank.inParallel} strings in parallel; the part allows ${bank.part.parallelLimit}.`,
          'Unequal strings overload the best one. Use fewer, larger units.',
          { remedy: LARGER },
        ),
      ]
    if (bank.inParallel > recommended)
      return [
        watch(
          'bank',
          say`${bank.inParallel} strings in parallel.`,
          say`Up to ${recommended} share the current well; beyond that the ends age first. Larger units would be kinder.`,
          { remedy: LARGER },
        ),
      ]
    return []
  },
}
