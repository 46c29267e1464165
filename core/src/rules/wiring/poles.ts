import { setField } from '../../change/field.ts'
import { watch, type Rule } from '../rule.ts'

/** Disconnects that part the + alone leave an array that is not grounded live at its other pole. */
export const poles: Rule = {
  id: 'wiring.poles',
  step: 'wiring',
  check: ({ design }) =>
    design.schools.poles !== 'positive' || design.arrays.length === 0
      ? []
      : [
          watch(
            'wiring',
            'The switches of the arrays part the + alone.',
            'An array is grounded at neither pole today: with a fault to its frame the other pole stays live behind an open switch. Codes ask for both.',
            { remedy: { label: 'both poles of arrays', apply: setField('schools.poles', 'arrays') } },
          ),
        ],
}
