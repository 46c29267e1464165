import { setField } from '../../change/field.ts'
import { bankNominalV } from '../../bank/layout.ts'
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
    const { chargeA: setA, realW, chargerEfficiency } = backupPower(design)
    // no more comes than the set or the cord gives
    const chargeA = Math.min(setA, (realW * chargerEfficiency) / bankNominalV(bank))
    const { managed } = CHEMISTRIES[bank.part.chemistry]
    const limitA = bank.part.maxChargeA * stringsAtLimit(bank)
    if (chargeA <= limitA) return []
    const vehicle = generator.kind === 'vehicle'
    const remedy = {
      label: vehicle
        ? say`a charger that gives it ${amount(Math.floor(limitA), 'A')}`
        : say`set the charger to ${amount(Math.floor(limitA), 'A')}`,
      apply: setField('generator.chargeLimitA', Math.floor(limitA)),
    }
    // a charger is turned down; a cable from an alternator is not
    return [
      (!vehicle && limitA >= 1 ? watch : stop)(
        'generator',
        say`${vehicle ? 'The vehicle' : 'The charger'} can push ${amount(chargeA, 'A')}; the bank takes ${amount(limitA, 'A')}.`,
        managed
          ? 'The management units disconnect under it. Turn the charger down.'
          : 'Beyond its limit the bank overheats and gasses. Turn the charger down.',
        limitA >= 1 ? { remedy } : {},
      ),
    ]
  },
}
