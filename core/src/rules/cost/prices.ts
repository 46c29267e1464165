import { batteryParts, controllerParts, generatorParts, inverterParts, moduleParts } from '../../parts/shelf.ts'
import { isInside } from '../../money/parts.ts'
import { open, type Rule } from '../rule.ts'
import { say } from '../../units/words.ts'

/** Prices of the program's own parts, which are made up. */
const MADE_UP = new Map(
  [batteryParts, controllerParts, generatorParts, inverterParts, moduleParts].flatMap((parts) =>
    parts.map(({ id, price }) => [id, price] as const),
  ),
)

export const prices: Rule = {
  id: 'cost.prices',
  step: 'cost',
  check: ({ derived: { bill } }) => {
    const toBuy = bill.rows.filter(({ comes, group }) => group !== 'other' && comes.some((count) => count > 0))
    const madeUp = toBuy.filter(
      ({ partId, unitPrice, sample, quotedOn }) =>
        sample || (quotedOn === null && unitPrice > 0 && MADE_UP.get(partId) === unitPrice),
    )
    const without = toBuy.filter(({ partId, unitPrice }) => unitPrice === 0 && !isInside(partId))
    if (madeUp.length + without.length === 0) return []
    const told = [
      ...(madeUp.length > 0 ? [`${madeUp.length} of ${toBuy.length} prices are made up`] : []),
      ...(without.length > 0 ? [`${without.length} part${without.length === 1 ? ' has' : 's have'} none`] : []),
    ].join(', ')
    return [
      open(
        'cost',
        say`${told.charAt(0).toUpperCase()}${told.slice(1)}.`,
        'What comes with the program has sample prices, of no shop and no year. Type what you were quoted: of a part in its data sheet, of a material in the list.',
      ),
    ]
  },
}
