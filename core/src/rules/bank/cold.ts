import { setField } from '../../change/field.ts'
import { freezingPointC } from '../../bank/chemistry.ts'
import { stop, watch, type Body, type Rule, type RuleInput } from '../rule.ts'
import { heatedRoom } from './heatedRoom.ts'
import { celsius, percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** The coldest of a buried room: that of the hand method, or what the run's years have seen. */
const groundC = ({ derived, winter }: RuleInput): number => Math.min(derived.batteryC, winter?.coldestBankC ?? Infinity)

/** The coldest the cells get: the run's years know it, before them the record outdoors. */
function coldestOf(input: RuleInput): number {
  const { place } = input.design
  return place.batteryRoom.kind === 'buried' ? groundC(input) : (input.winter?.coldestBankC ?? place.recordLowC)
}

function lithium(input: RuleInput, minChargeC: number): Body[] {
  const { part } = input.design.bank
  const coldestC = coldestOf(input)
  if (part.minDischargeC !== null && coldestC <= part.minDischargeC)
    return [
      (part.heaterW > 0 ? watch : stop)(
        'bank',
        say`In a room that falls to ${celsius(coldestC)} the bank lets go of every load: its management unit does so at ${celsius(part.minDischargeC)}.`,
        part.heaterW > 0
          ? 'Its heaters run while sun or backup gives them power, not through a dark night. The winter run counts the hours; a heated room is safer.'
          : 'Nothing is given until it is warmer, however full it is, and without a bank inverter and controllers stop, whatever the sun gives. Heat the room.',
        { remedy: heatedRoom(input.design) },
      ),
    ]
  return part.heaterW > 0
    ? []
    : [
        watch(
          'bank',
          'Lithium in an unheated room.',
          say`It must not be charged at or below ${celsius(minChargeC)}. Heat the room, or use units with heaters; the winter run counts the locked hours.`,
        ),
      ]
}

export const cold: Rule = {
  id: 'bank.cold',
  step: 'bank',
  check: (input) => {
    const { bank, place } = input.design
    const { winter } = input
    if (place.batteryRoom.kind === 'heated') return []
    if (bank.part.minChargeC !== null) return lithium(input, bank.part.minChargeC)
    const reached = winter ? winter.oneInTen.lowestStateOfCharge : 1 - bank.allowedDepth
    const freezes = freezingPointC(Math.max(0, reached))
    const coldest = place.batteryRoom.kind === 'buried' ? groundC(input) : place.recordLowC
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
