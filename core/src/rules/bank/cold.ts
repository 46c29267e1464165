import { setField } from '../../change/field.ts'
import { freezingPointC } from '../../bank/chemistry.ts'
import { stop, watch, type Rule } from '../rule.ts'
import { celsius, percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const cold: Rule = {
  id: 'bank.cold',
  step: 'bank',
  check: ({ design: { bank, place }, derived, winter }) => {
    if (place.batteryRoom.kind === 'heated') return []
    if (bank.part.minChargeC !== null)
      return bank.part.heaterW > 0
        ? []
        : [
            watch(
              'bank',
              'Lithium in an unheated room.',
              say`It must not be charged at or below ${celsius(bank.part.minChargeC)}. Heat the room, or use units with heaters; the winter run counts the locked hours.`,
            ),
          ]
    const reached = winter ? winter.oneInTen.lowestStateOfCharge : 1 - bank.allowedDepth
    const freezes = freezingPointC(Math.max(0, reached))
    const ground = Math.min(derived.batteryC, winter?.coldestBankC ?? Infinity)
    const coldest = place.batteryRoom.kind === 'buried' ? ground : place.recordLowC
    return coldest < freezes
      ? [
          stop(
            'bank',
            say`At ${celsius(coldest)} a bank ${winter ? say`as low as the winter run takes it, ${percent(reached)},` : 'at the allowed depth'} freezes (${celsius(freezes)}).`,
            'Frozen cells crack, and a frozen bank must never be charged. Keep it warmer or fuller.',
            {
              remedy: {
                label: 'bury or insulate its room',
                apply: setField('place.batteryRoom.kind', 'buried'),
              },
            },
          ),
        ]
      : []
  },
}
