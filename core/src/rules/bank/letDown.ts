import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { setField } from '../../change/field.ts'
import { watch, type Rule } from '../rule.ts'
import { percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** A bank that no management unit takes off before it is harmed, by the charge it is let down to. */
export const letDown: Rule = {
  id: 'bank.let-down',
  step: 'bank',
  check: ({ design: { bank } }) => {
    const { managed, name, cutoff, freezes } = CHEMISTRIES[bank.part.chemistry]
    if (managed || bank.cutoffStateOfCharge >= cutoff - 1e-9) return []
    return [
      watch(
        'bank',
        say`The bank is let down to ${percent(bank.cutoffStateOfCharge)}.`,
        say`${name} is ruined by it in a few deep winters${freezes ? ', and freezes where it is cold' : ''}. Let the loads go at ${percent(cutoff)}.`,
        {
          remedy: { label: say`let go at ${percent(cutoff)}`, apply: setField('bank.cutoffStateOfCharge', cutoff) },
        },
      ),
    ]
  },
}
