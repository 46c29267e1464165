import type { Design } from '../document/types.ts'
import { bill, pricedOf, type Bill } from './bill.ts'
import { isInside } from './parts.ts'

/** What of each part and material a bill counts: how many, what one costs, and whether it has to have a price. */
function counted(design: Design, { rows }: Bill): Map<string, { quantity: number; each: number; isInside: boolean }> {
  const things = new Map<string, { quantity: number; each: number; isInside: boolean }>()
  for (const { key, step, partId, quantity, unitPrice } of rows) {
    // a part is the same wherever it stands; a material is what it is and its size
    const thing = partId ? `${step} ${partId}` : key
    const before = things.get(thing)
    const each = unitPrice * (1 - pricedOf(design, key).discountPct / 100)
    things.set(thing, {
      quantity: (before?.quantity ?? 0) + quantity,
      each,
      isInside: isInside(partId),
    })
  }
  return things
}

/**
 * What a change costs: the parts and materials that have to be bought for it, with their tax and contingency. Nothing comes
 * back for what is thrown away.
 *
 * @param had of the design before, where it is known already
 * @returns price in the budget's currency, and whether a part that has to be bought has none
 * @example priceOfChange(larkspurBench(), larkspurBench()) → { price: 0, unpriced: false }
 * Source: plain addition.
 */
export function priceOfChange(
  before: Design,
  after: Design,
  had: Bill = bill(before),
): { price: number; unpriced: boolean } {
  const there = counted(before, had)
  let sum = 0
  let unpriced = false
  for (const [thing, { quantity, each, isInside }] of counted(after, bill(after))) {
    const more = quantity - (there.get(thing)?.quantity ?? 0)
    if (more <= 0) continue
    sum += more * each
    if (each <= 0 && !isInside) unpriced = true
  }
  const { taxPct, contingencyPct } = after.budget
  return { price: sum * (1 + taxPct / 100) * (1 + contingencyPct / 100), unpriced }
}
