import { setField } from '../../change/field.ts'
import { FULL_LEG } from '../../inverter/apparent.ts'
import { watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** A refill quicker than this is cut short by whole hours. */
const QUICK_REFILL_H = 2

export const stepOfRun: Rule = {
  id: 'winter.step',
  step: 'winter',
  check: ({ design, derived: { worked } }) => {
    if (design.winter.stepMin === 15) return []
    const refillH = worked['generator.refill-hours']?.value ?? Infinity
    const quick = refillH < QUICK_REFILL_H
    if (!quick && worked['inverter.leg-share'].value <= FULL_LEG) return []
    return [
      watch(
        'winter',
        'Whole hours are coarse for this design.',
        quick
          ? say`A refill takes ${amount(refillH, 'h')}, and the run can only stop it on the hour: backup hours come out too high.`
          : 'Bursts within the hour pass what the inverter carries, and hours do not see them.',
        {
          remedy: {
            label: 'run in quarters of an hour',
            apply: setField('winter.stepMin', 15),
          },
        },
      ),
    ]
  },
}
