import { setField } from '../../change/field.ts'
import { capacityLeft } from '../../bank/strings.ts'
import { watch, type Rule } from '../rule.ts'
import { percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const weakUnits: Rule = {
  id: 'bank.weak',
  step: 'bank',
  check: ({ design: { bank } }) => {
    if (bank.weak.length === 0) return []
    const names = bank.weak.map(({ unit }) => unit).join(', ')
    return [
      watch(
        'bank',
        say`Unit${bank.weak.length > 1 ? 's' : ''} ${names} of the bank ${bank.weak.length > 1 ? 'have' : 'has'} aged.`,
        say`${percent(1 - capacityLeft(bank))} of the bank’s capacity is gone with it, and the strings no longer share alike. Never mix new units with old: replace the bank, or run without the string.`,
        {
          remedy: {
            label: 'a whole new bank',
            apply: setField('bank.weak', []),
          },
        },
      ),
    ]
  },
}
