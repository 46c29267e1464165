import { setField } from '../../change/field.ts'
import { stringsAtLimit } from '../../bank/strings.ts'
import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { backupPower } from '../../generator/backup.ts'
import { stop, watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const chargerOverBank: Rule = {
  id: 'generator.charger-over-bank',
  step: 'generator',
  check: ({ design }) => {
    const { generator, bank } = design
    if (!generator.present) return []
    const { chargeA } = backupPower(design)
    const { managed } = CHEMISTRIES[bank.part.chemistry]
    const limitA = bank.part.maxChargeA * stringsAtLimit(bank)
    if (chargeA <= limitA) return []
    const remedy = {
      label: say`set the charger to ${amount(Math.floor(limitA), 'A')}`,
      apply: setField('generator.chargeLimitA', Math.floor(limitA)),
    }
    return [
      (managed ? watch : stop)(
        'generator',
        say`The charger can push ${amount(chargeA, 'A')}; the bank takes ${amount(limitA, 'A')}.`,
        managed
          ? 'The management units disconnect under it. Turn the charger down.'
          : 'Beyond its limit the bank overheats and gasses. Turn the charger down.',
        limitA >= 1 ? { remedy } : {},
      ),
    ]
  },
}
