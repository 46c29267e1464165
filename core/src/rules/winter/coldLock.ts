import { heatedRoom } from '../bank/heatedRoom.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'
import { amount, celsius } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** More than a morning of each cold week. */
const LONG_WAIT_H = 100

export const coldLock: Rule = {
  id: 'winter.cold-lock',
  step: 'winter',
  check: ({ design, winter }) => {
    if (!winter || winter.median.coldLockHours <= 0) return []
    const hours = winter.median.coldLockHours
    return design.bank.part.heaterW > 0
      ? [
          (hours > LONG_WAIT_H ? watch : sound)(
            'winter',
            say`Charging waits ${amount(hours, 'h')} a year until heaters have warmed the bank.`,
            say`Sun and backup give it to the heaters first, ${amount(winter.median.heaterWh / 1000, 'kWh')} a year; the run counts it.`,
          ),
        ]
      : [
          stop(
            'winter',
            say`Charging is locked by cold for ${amount(hours, 'h')} a year.`,
            say`Lithium must not be charged at or below ${celsius(design.bank.part.minChargeC ?? 0)}. Heat the room.`,
            { remedy: heatedRoom(design) },
          ),
        ]
  },
}
