import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { isBoxed } from '../../inverter/service.ts'
import { sizeBank } from '../../sizing/bank.ts'
import { stop, type Remedy, type Rule, type RuleInput } from '../rule.ts'
import { say } from '../../units/words.ts'

/** Offered where the shelf has units that need no more in series than they may. */
function resized({ design, derived }: RuleInput): Remedy | null {
  if (isBoxed(design)) return null
  const { part, inSeries } = sizeBank(design, derived).bank
  return inSeries <= (part.seriesLimit ?? Infinity) ? { label: 'size it with other units', apply: sizeBank } : null
}

/** Units that may not stand so many in series. */
export const seriesLimit: Rule = {
  id: 'bank.series',
  step: 'bank',
  check: (input) => {
    const { part, inSeries } = input.design.bank
    if (part.seriesLimit === null || inSeries <= part.seriesLimit) return []
    return [
      stop(
        'bank',
        say`${inSeries} units in series; “${part.name}” allows ${part.seriesLimit}.`,
        CHEMISTRIES[part.chemistry].managed
          ? 'The switches of its management unit break only so many volts. Above them they fail closed, and nothing guards the cells any more. Units of the bank’s own voltage need none in series.'
          : 'Its maker guards against more. Units of a higher voltage need fewer in series.',
        { remedy: () => resized(input) },
      ),
    ]
  },
}
