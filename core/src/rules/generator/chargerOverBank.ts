import { sunChargeA } from '../../array/controllers.ts'
import type { Design } from '../../document/types.ts'
import { setField } from '../../change/field.ts'
import { bankNominalV } from '../../bank/layout.ts'
import { stringsAtLimit } from '../../bank/strings.ts'
import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { backupPower } from '../../generator/backup.ts'
import { stop, watch, type Body, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Each alone is within what the bank takes, and both at once are not. */
function withTheSun(design: Design, chargeA: number, limitA: number): Body[] {
  const { bank, generator } = design
  const sunA = sunChargeA(design, bankNominalV(bank))
  if (sunA > limitA || sunA + chargeA <= limitA) return []
  const amps = Math.floor(limitA - sunA)
  return [
    watch(
      'generator',
      say`Sun and ${generator.kind === 'vehicle' ? 'vehicle' : 'charger'} together can push ${amount(sunA + chargeA, 'A')}; the bank takes ${amount(limitA, 'A')}.`,
      CHEMISTRIES[bank.part.chemistry].managed
        ? 'On a bright day with the backup on, the management units may disconnect. A lower setting, controllers that are told by the bank how much it takes, or no backup while the sun shines.'
        : 'On a bright day with the backup on, the bank overheats and gasses. A lower setting, or no backup while the sun shines.',
      amps >= 1
        ? {
            remedy: {
              label: say`set the charger to ${amount(amps, 'A')}`,
              apply: setField('generator.chargeLimitA', amps),
            },
          }
        : {},
    ),
  ]
}

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
    if (chargeA <= limitA) return withTheSun(design, chargeA, limitA)
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
