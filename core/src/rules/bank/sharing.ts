import type { Design } from '../../design/types.ts'
import { stop, watch, sound, type Rule } from '../rule.ts'

export const sharing: Rule = {
  id: 'bank.sharing',
  step: 'bank',
  check: ({ design: { bank }, derived: { shares } }) => {
    if (bank.inParallel < 2) return []
    const excess = Math.max(...shares) / (100 / bank.inParallel) - 1
    const remedy = {
      label: 'equal leads to bars',
      apply: (d: Design) => ({ ...d, bank: { ...d.bank, takeoff: 'equal-leads' as const } }),
    }
    if (excess > 0.25)
      return [
        stop(
          'bank',
          `One string carries ${Math.round(excess * 100)} % more than its share.`,
          'It wears out first and takes the others with it. Take the leads from opposite corners or to bars.',
          { remedy },
        ),
      ]
    if (excess > 0.1)
      return [
        watch(
          'bank',
          `One string carries ${Math.round(excess * 100)} % more than its share.`,
          'It ages first. Equal leads to bars share evenly.',
          { remedy },
        ),
      ]
    return [
      sound(
        'bank',
        'The strings share the current.',
        `The busiest carries ${Math.round(excess * 100)} % over its share.`,
      ),
    ]
  },
}
