import { setField } from '../../change/field.ts'
import { stringsAtLimit } from '../../bank/strings.ts'
import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { backupPower } from '../../generator/backup.ts'
import { significant } from '../../units/format.ts'
import { stop, watch, type Rule } from '../rule.ts'

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
      label: `set the charger to ${Math.floor(limitA)} A`,
      apply: setField('generator.chargeLimitA', Math.floor(limitA)),
    }
    return [
      (managed ? watch : stop)(
        'generator',
        `The charger can push ${significant(chargeA)} A; the bank takes ${significant(limitA)} A.`,
        managed
          ? 'The management units disconnect under it. Turn the charger down.'
          : 'Beyond its limit the bank overheats and gasses. Turn the charger down.',
        limitA >= 1 ? { remedy } : {},
      ),
    ]
  },
}
