import { COUNTS } from '../fields/limits.ts'
import { bill, pricedOf } from '../money/bill.ts'
import { partAt, partsOf } from '../money/parts.ts'
import { toTheCent } from '../money/reckoning.ts'
import { nextId } from '../design/defaults.ts'
import type { Absence, BudgetKit, BudgetLine, BudgetPhase, PricedItem } from '../document/types.ts'
import { addTo, setField } from './field.ts'
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
    const next = { ...pricedOf(design, key), ...changes, partId: partAt(design, key)?.id ?? '' }
    const list = there ? priced.map((each) => (each === there ? next : each)) : [...priced, next]
    return { ...design, budget: { ...design.budget, priced: list } }
  }

/** What a list asks for lines of the bill, taken as quotes: of a part it goes into its data sheet. Nothing else of what is known of them changes. */
export const takePrices =
  (prices: readonly Pick<PricedItem, 'key' | 'unitPrice' | 'quotedOn' | 'leadDays'>[]): Change =>
  (design) =>
    prices.reduce<typeof design>((next, { key, unitPrice, quotedOn, leadDays }) => {
      const part = partAt(next, key)
      const quote = { quotedOn, ...(leadDays === null ? {} : { leadDays }) }
      return part
        ? setPriced(key, quote)(setField(`${part.path}.price`, unitPrice)(next))
        : setPriced(key, { unitPrice, ...quote })(next)
    }, design)

/** A kit of lines of the bill, all that is to be bought of each, at what they cost by themselves. @param keys of the lines */
export const addKit =
  (keys: readonly string[]): Change =>
  (design) => {
    const rows = bill(design).rows.filter(({ key, step, inKit }) => keys.includes(key) && step !== 'kit' && inKit === 0)
    const of = rows
      .map(({ key, quantity, owned }) => ({ key, quantity: quantity - owned }))
      .filter(({ quantity }) => quantity > 0)
      .slice(0, COUNTS.inKit)
    if (of.length === 0 || design.budget.kits.length >= COUNTS.kits) return design
    const price = rows.reduce((sum, { quantity, owned, unitPrice }) => sum + (quantity - owned) * unitPrice, 0)
    const kit: BudgetKit = { id: nextId('kit', design.budget.kits), name: 'New kit', price: toTheCent(price), of }
    return addTo('budget.kits', kit)(design)
  }

/** A later time of buying; the first is next year, the others follow. */
export const addPhase: Change = (design) => {
  const { phases } = design.budget
  if (phases.length >= COUNTS.phases) return design
  const name = phases.length === 0 ? 'Next year' : `Phase ${phases.length + 2}`
  const phase: BudgetPhase = { id: nextId('phase', phases), name, buyOn: null }
  return addTo('budget.phases', phase)(design)
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
