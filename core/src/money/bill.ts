import type { Design, PricedItem } from '../document/types.ts'
import { said, type Words } from '../units/words.ts'
import { materialsOf, type Material, type MaterialGroup } from './materials.ts'
import { partsOf, type PartsLine } from './parts.ts'
import { reckonBill, toTheCent } from './reckoning.ts'

/** A line of the bill: a part, a material, or something the list cannot know. */
export interface BillRow {
  /** of a part `bank`, `inverter`, an array's …; of a material what it is and its size */
  key: string
  group: MaterialGroup | 'other'
  step: PartsLine['step'] | 'wiring'
  /** of the part on the shelf; empty for materials */
  partId: string
  name: Words
  unit: '' | 'm'
  quantity: number
  /** so many are there already and cost nothing now */
  owned: number
  unitPrice: number
  /** nobody was asked for it: a sample of no shop and no year */
  sample: boolean
  status: PricedItem['status']
  /** after its discount, of what is bought now, in whole cents */
  sum: number
}

export interface Bill {
  rows: BillRow[]
  partsSum: number
  tax: number
  freight: number
  contingency: number
  incentives: number
  total: number
  /** of what is marked for later, with its tax */
  later: number
}

const BARE: Omit<PricedItem, 'key'> = {
  unitPrice: null,
  discountPct: 0,
  freight: 0,
  taxed: true,
  eligible: true,
  status: 'buy',
}

/** What somebody said of a line's price, or nothing. */
export const pricedOf = (design: Pick<Design, 'budget'>, key: string): PricedItem =>
  design.budget.priced.find((each) => each.key === key) ?? { key, ...BARE }

/**
 * Everything a design costs: its parts, the materials that follow from its graph, and what the list cannot know;
 * (goods − discount) + tax on the taxed ones + freight + labour, contingency on all of it, less incentives. Sums are in
 * whole cents, each line rounded by itself.
 */
export function bill(design: Design, materials: readonly Material[] = materialsOf(design)): Bill {
  const { budget } = design
  const known = new Map(budget.priced.map((each) => [each.key, each]))
  const rows: BillRow[] = []
  const add = (row: Omit<BillRow, 'sum' | 'status' | 'unitPrice' | 'sample'> & { price: number; made: boolean }) => {
    const { price, made, ...rest } = row
    const priced = known.get(row.key) ?? BARE
    const unitPrice = priced.unitPrice ?? price
    const status = rest.owned >= rest.quantity && rest.quantity > 0 ? 'owned' : priced.status
    const bought = status === 'buy' ? rest.quantity - rest.owned : 0
    rows.push({
      ...rest,
      unitPrice,
      status,
      sample: made && priced.unitPrice === null,
      sum: toTheCent(bought * unitPrice * (1 - priced.discountPct / 100)),
    })
  }
  for (const { key, partId, name, step, quantity, unitPrice, owned } of partsOf(design)) {
    const group = step === 'extra' ? 'other' : 'major'
    add({ key, group, step, partId, name, unit: '', quantity, owned, price: unitPrice, made: false })
  }
  for (const { key, group, what, unit, quantity, unitPrice } of materials)
    add({ key, group, step: 'wiring', partId: '', name: what, unit, quantity, owned: 0, price: unitPrice, made: true })
  const lineOf = ({ key, quantity, owned, unitPrice }: BillRow) => {
    const { discountPct, taxed, freight, eligible } = known.get(key) ?? BARE
    return { quantity: quantity - owned, unitPrice, discountPct, taxed, freight, eligible }
  }
  const terms = {
    taxPct: budget.taxPct,
    labour: budget.labour,
    contingencyPct: budget.contingencyPct,
    incentivePct: budget.incentivePct,
    incentive: budget.incentive,
  }
  const now = reckonBill(
    [
      ...rows.filter(({ status }) => status === 'buy').map(lineOf),
      // taken off the whole before tax, and what is carried for all of it
      { quantity: 1, unitPrice: -budget.discount, freight: budget.freight },
    ],
    terms,
  )
  const later = reckonBill(rows.filter(({ status }) => status === 'later').map(lineOf), { taxPct: budget.taxPct })
  return {
    rows,
    partsSum: toTheCent(rows.reduce((sum, row) => sum + row.sum, 0)),
    tax: now.tax,
    freight: now.freight,
    contingency: now.contingency,
    incentives: now.incentives,
    total: now.net,
    later: later.net,
  }
}

/** The whole list as rows of cells, for a spreadsheet. */
export function billCells(
  design: Design,
  { rows }: Bill,
  write: (words: Words) => string = said,
): (string | number)[][] {
  return [
    ['group', 'what', 'unit', 'quantity', 'owned', 'each', 'currency', 'status', 'sum', 'key'],
    ...rows.map(({ group, name, unit, quantity, owned, unitPrice, status, sum, key }) => [
      group,
      write(name),
      unit || 'piece',
      quantity,
      owned,
      unitPrice,
      design.budget.currency,
      status,
      sum,
      key,
    ]),
  ]
}
