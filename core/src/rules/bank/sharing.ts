import { setField } from '../../change/field.ts'
import { bankShares } from '../../bank/strings.ts'
import type { Bank } from '../../document/types.ts'
import { stop, watch, sound, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Share by which the busiest string carries more than its own. */
const excessOf = (shares: readonly number[]) => Math.max(...shares) / (100 / shares.length) - 1
const withBars = (bank: Bank): Bank => ({ ...bank, takeoff: 'equal-leads' })

export const sharing: Rule = {
  id: 'bank.sharing',
  step: 'bank',
  check: ({ design: { bank }, derived: { shares } }) => {
    if (bank.inParallel < 2) return []
    const excess = excessOf(shares)
    if (excess <= 0.1)
      return [
        sound(
          'bank',
          'The strings share the current.',
          say`The busiest carries ${amount(Math.round(excess * 100), '%')} over its share.`,
        ),
      ]
    const says = say`One string carries ${amount(Math.round(excess * 100), '%')} more than its share.`
    const harm = excess > 0.25 ? 'It wears out first and takes the others with it.' : 'It ages first.'
    const cured = excessOf(bankShares(withBars(bank))) < excess - 0.01
    return [
      (excess > 0.25 ? stop : watch)(
        'bank',
        says,
        cured
          ? say`${harm} Take the leads from opposite corners or, most evenly, to bars.`
          : say`${harm} The strings themselves are unlike, which no way of joining them cures: replace the bank as a whole.`,
        cured ? { remedy: { label: 'equal leads to bars', apply: setField('bank.takeoff', 'equal-leads') } } : {},
      ),
    ]
  },
}
