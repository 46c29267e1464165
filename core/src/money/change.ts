import type { Design } from '../document/types.ts'
import { partsOf, type PartsLine } from './parts.ts'

/** What of each part a bill counts: how many, and what one costs. */
function counted(lines: readonly PartsLine[]): Map<string, { quantity: number; unitPrice: number }> {
  const parts = new Map<string, { quantity: number; unitPrice: number }>()
  for (const { step, partId, quantity, unitPrice } of lines) {
    const key = `${step} ${partId}`
    const before = parts.get(key)
    parts.set(key, { quantity: (before?.quantity ?? 0) + quantity, unitPrice })
  }
  return parts
}

/**
 * What a change costs: the parts that have to be bought for it, with their tax and contingency. Nothing comes back for parts
 * that are thrown away.
 *
 * @returns price in the budget's currency, and whether a part that has to be bought has none
 * @example priceOfChange(larkspurBench(), larkspurBench()) → { price: 0, unpriced: false }
 * Source: plain addition.
 */
export function priceOfChange(before: Design, after: Design): { price: number; unpriced: boolean } {
  const had = counted(partsOf(before))
  let sum = 0
  let unpriced = false
  for (const [key, { quantity, unitPrice }] of counted(partsOf(after))) {
    const more = quantity - (had.get(key)?.quantity ?? 0)
    if (more <= 0) continue
    sum += more * unitPrice
    if (unitPrice <= 0 && !isWithin(key, after)) unpriced = true
  }
  const { taxPct, contingencyPct } = after.budget
  return { price: sum * (1 + taxPct / 100) * (1 + contingencyPct / 100), unpriced }
}

/** The controller of an all-in-one has no price of its own. */
const isWithin = (key: string, { inverter }: Design) =>
  inverter.part.controller !== null && key === `array ${inverter.part.controller.id}`
