import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { stop, watch, type Rule } from '../rule.ts'

export const parallelLimit: Rule = {
  id: 'bank.parallel',
  step: 'bank',
  check: ({ design: { bank } }) => {
    const { recommended } = CHEMISTRIES[bank.part.chemistry].parallel
    if (bank.inParallel > bank.part.parallelLimit)
      return [
        stop(
          'bank',
          `${bank.inParallel} strings in parallel; the part allows ${bank.part.parallelLimit}.`,
          'Unequal strings overload the best one. Use fewer, larger units.',
        ),
      ]
    if (bank.inParallel > recommended)
      return [
        watch(
          'bank',
          `${bank.inParallel} strings in parallel.`,
          `Up to ${recommended} share the current well; beyond that the ends age first. Larger units would be kinder.`,
        ),
      ]
    return []
  },
}
