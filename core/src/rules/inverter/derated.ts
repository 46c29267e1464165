import { watch, type Rule } from '../rule.ts'
import { amount, watts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Below this share of its rating heat and elevation deserve a word. */
const DERATED = 0.9

export const derated: Rule = {
  id: 'inverter.derated',
  step: 'inverter',
  check: ({ design, derived: { worked } }) => {
    const rating = worked['inverter.rating']
    const sheetW = design.inverter.part.ratedW * design.inverter.quantity
    return rating.value < DERATED * sheetW
      ? [
          watch(
            'inverter',
            say`Of ${watts(sheetW)} it gives ${watts(rating.value)} at ${amount(design.inverter.hottestC, '°C')} and ${amount(design.place.elevationM, 'm')}.`,
            'Heat and thin air take the rest. A cooler, open place on the wall gives most of it back.',
            { working: 'inverter.rating' },
          ),
        ]
      : []
  },
}
