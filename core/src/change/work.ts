import { COUNTS } from '../fields/limits.ts'
import { pricedOf } from '../money/bill.ts'
import { partsOf } from '../money/parts.ts'
import { nextId } from '../design/defaults.ts'
import type { Absence, BudgetLine, PricedItem } from '../document/types.ts'
import { addTo } from './field.ts'
import type { Change } from './change.ts'

/** Two weeks of January, to be put right. */
const FIRST_ABSENCE: Absence = { fromMonth: 1, fromDay: 5, toMonth: 1, toDay: 19 }

/** A time in which nobody is there, to be put right. */
export const addAbsence: Change = addTo('household.away', FIRST_ABSENCE)

/** A line of the budget that the parts list cannot know. */
export const addBudgetLine: Change = (design) => {
  const line: BudgetLine = { id: nextId('extra', design.budget.extras), name: 'New line', quantity: 1, unitPrice: 0 }
  return addTo('budget.extras', line)(design)
}

/** A task of the build list, done or not. */
export const setTaskDone =
  (id: string, done: boolean): Change =>
  (design) => {
    const others = design.build.done.filter((each) => each !== id)
    return { ...design, build: { ...design.build, done: done ? [...others, id] : others } }
  }

/** Something known of the price of a line of the bill. @param key of the part, or of the material */
export const setPriced =
  (key: string, changes: Partial<Omit<PricedItem, 'key'>>): Change =>
  (design) => {
    const { priced } = design.budget
    const there = priced.find((each) => each.key === key)
    if (!there && priced.length >= COUNTS.priced) return design
    const next = { ...pricedOf(design, key), ...changes }
    const list = there ? priced.map((each) => (each === there ? next : each)) : [...priced, next]
    return { ...design, budget: { ...design.budget, priced: list } }
  }

/** A line of the bill marked as there already, all of it as it is now, or as to be bought. @param key of the line */
export const setOwned =
  (key: string, owned: boolean): Change =>
  (design) => {
    const others = design.budget.owned.filter((each) => each.key !== key)
    const line = partsOf(design).find((each) => each.key === key)
    if (owned && (!line || others.length >= COUNTS.owned)) return design
    const here = owned && line ? [{ key, partId: line.partId, quantity: line.quantity }] : []
    return { ...design, budget: { ...design.budget, owned: [...others, ...here] } }
  }
