import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { setField } from '../../change/field.ts'
import { stop, watch, type Rule } from '../rule.ts'
import { percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const gridKeeps: Rule = {
  id: 'generator.grid-keeps',
  step: 'generator',
  check: ({ design: { grid, bank } }) => {
    if (!grid.present) return []
    const { keepStateOfCharge: keep } = grid
    const full = { remedy: { label: 'keep it full', apply: setField('grid.keepStateOfCharge', 1) } }
    if (keep <= bank.cutoffStateOfCharge)
      return [
        stop(
          'grid',
          say`The grid keeps the bank at ${percent(keep)}, where it gives nothing.`,
          say`Loads go off at the cut-out, ${percent(bank.cutoffStateOfCharge)}.`,
          full,
        ),
      ]
    return CHEMISTRIES[bank.part.chemistry].fullChargeEveryDays !== null && keep < 1
      ? [
          watch(
            'grid',
            say`Lead is kept at ${percent(keep)}.`,
            'Lead that is not kept full sulphates and is lost in a season or two.',
            full,
          ),
        ]
      : []
  },
}
