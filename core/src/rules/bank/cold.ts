import { freezingPointC } from '../../bank/chemistry.ts'
import { celsius } from '../say.ts'
import { stop, watch, type Rule } from '../rule.ts'

export const cold: Rule = {
  id: 'bank.cold',
  step: 'bank',
  check: ({ design: { bank, place } }) => {
    if (place.batteryRoom.kind === 'heated') return []
    if (bank.part.chemistry === 'lfp')
      return bank.part.heaterW > 0
        ? []
        : [
            watch(
              'bank',
              'Lithium in an unheated room.',
              'It must not be charged at or below 0 °C. Heat the room, or use units with heaters; the winter run counts the locked hours.',
            ),
          ]
    const freezes = freezingPointC(1 - bank.allowedDepth)
    return place.recordLowC < freezes
      ? [
          stop(
            'bank',
            `At ${celsius(place.recordLowC)} a bank at the allowed depth freezes (${celsius(freezes)}).`,
            'Frozen cells crack, and a frozen bank must never be charged. Keep it warmer or fuller.',
          ),
        ]
      : []
  },
}
