import { setField } from '../../change/field.ts'
import { stop, type Rule } from '../rule.ts'
import { amount, celsius } from '../../units/say.ts'
import { say } from '../../units/words.ts'

const ROOM_C = 8

export const coldLock: Rule = {
  id: 'winter.cold-lock',
  step: 'winter',
  check: ({ design, winter }) =>
    winter && winter.median.coldLockHours > 0
      ? [
          stop(
            'winter',
            say`Charging is locked by cold for ${amount(winter.median.coldLockHours, 'h')} a year.`,
            say`Lithium must not be charged at or below ${celsius(design.bank.part.minChargeC ?? 0)}. Heat the room.`,
            {
              remedy: {
                label: say`heated room, ${celsius(ROOM_C)}`,
                apply: setField('place.batteryRoom', { ...design.place.batteryRoom, kind: 'heated', setC: ROOM_C }),
              },
            },
          ),
        ]
      : [],
}
