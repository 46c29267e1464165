import type { Design } from '../document/types.ts'
import { pricedOf, type Bill, type BillRow } from './bill.ts'
import { toTheCent } from './reckoning.ts'

/** What a layer of the stack is: a step's parts, work, or what comes on top of both. */
export type LayerOf = BillRow['step'] | 'labour' | 'carriage' | 'back'

export interface Layer {
  of: LayerOf
  /** by phase of the bill; `back`, what discount and incentives take off, is below 0 */
  sums: number[]
}

/**
 * The bill as a stack, by phase: the goods of each step, work, what comes on top of them (tax, freight, contingency), and
 * what discount and incentives take off. The layers of a phase come to its sum.
 */
export function costStack(design: Design, bill: Bill): Layer[] {
  const goods = new Map<LayerOf, number[]>()
  for (const { step, key, comes, unitPrice } of bill.rows) {
    const { discountPct } = pricedOf(design, key)
    const sums = goods.get(step) ?? comes.map(() => 0)
    comes.forEach((count, k) => (sums[k] += toTheCent(count * unitPrice * (1 - discountPct / 100))))
    goods.set(step, sums)
  }
  const labour = bill.phases.map((_, k) => (k === 0 ? bill.labour : 0))
  const back = bill.phases.map((_, k) => (k === 0 ? -(design.budget.discount + bill.incentives) : 0))
  const onTop = bill.phases.map(({ sum }, k) =>
    toTheCent(sum - labour[k] - back[k] - [...goods.values()].reduce((total, each) => total + each[k], 0)),
  )
  const layers: Layer[] = [
    ...[...goods].map(([of, sums]) => ({ of, sums: sums.map(toTheCent) })),
    { of: 'labour', sums: labour },
    { of: 'carriage', sums: onTop },
    { of: 'back', sums: back },
  ]
  return layers.filter(({ sums }) => sums.some((sum) => sum !== 0))
}
