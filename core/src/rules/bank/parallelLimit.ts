import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { isBoxed } from '../../inverter/service.ts'
import { sizeBank } from '../../sizing/bank.ts'
import { stop, watch, type Remedy, type Rule, type RuleInput } from '../rule.ts'
import { say } from '../../units/words.ts'

/** Offered where the shelf has larger units of its kind that need fewer strings. */
const larger = ({ design, derived }: RuleInput) => ({
  remedy: (): Remedy | null =>
    !isBoxed(design) && sizeBank(design, derived).bank.inParallel < design.bank.inParallel
      ? { label: 'size it with larger units', apply: sizeBank }
      : null,
})

export const parallelLimit: Rule = {
  id: 'bank.parallel',
  step: 'bank',
  check: (input) => {
    const { bank } = input.design
    const { recommended } = CHEMISTRIES[bank.part.chemistry].parallel
    if (bank.inParallel > bank.part.parallelLimit)
      return [
        stop(
          'bank',
          say`${bank.inParallel} strings in parallel; the part allows ${bank.part.parallelLimit}.`,
          'Unequal strings overload the best one. Use fewer, larger units.',
          larger(input),
        ),
      ]
    if (bank.inParallel > recommended)
      return [
        watch(
          'bank',
          say`${bank.inParallel} strings in parallel.`,
          say`Up to ${recommended} share the current well; beyond that the ends age first. Larger units would be kinder.`,
          larger(input),
        ),
      ]
    return []
  },
}
