import { setField } from '../../change/field.ts'
import { significant } from '../../units/format.ts'
import { stop, type Rule } from '../rule.ts'

export const coldLock: Rule = {
  id: 'winter.cold-lock',
  step: 'winter',
  check: ({ winter }) =>
    winter && winter.median.coldLockHours > 0
      ? [
          stop(
            'winter',
            `Charging is locked by cold for ${significant(winter.median.coldLockHours)} h a year.`,
            'Lithium must not be charged at or below 0 °C. Heat the room.',
            {
              remedy: {
                label: 'heated room, 8 °C',
                apply: setField('place.batteryRoom', { kind: 'heated', setC: 8 }),
              },
            },
          ),
        ]
      : [],
}
