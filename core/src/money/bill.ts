import type { Budget, Design, PricedItem } from '../document/types.ts'
import { said, type Words } from '../units/words.ts'
import { idsIn, materialsOf, quantityFor, type Material, type MaterialGroup } from './materials.ts'
import { holds, partsOf, pricedLines, type PartsLine } from './parts.ts'
import { phasesOf, putOff, standingAt, type Phase } from './phases.ts'
import { reckonBill, toTheCent } from './reckoning.ts'

/** A line of the bill: a part, a material, a kit, or something the list cannot know. */
export interface BillRow {
  /** of a part `bank`, `inverter`, an array's …; of a material what it is and its size */
  key: string
  group: MaterialGroup | 'other'
  step: PartsLine['step'] | 'wiring' | 'kit'
  /** of the part on the shelf; empty for materials */
  partId: string
  name: Words
  unit: '' | 'm'
  quantity: number
  /** so many are there already and cost nothing now */
  owned: number
  /** how many are bought in each of the bill's phases, now first */
  comes: number[]
  /** so many come in a kit, and of which; they cost nothing by themselves, and `unitPrice` is what replacing one takes */
  inKit: number
  kit: string
  unitPrice: number
  /** nobody was asked for it: a sample of no shop and no year */
  sample: boolean
  status: PricedItem['status']
  /** after its discount, of what is bought now, in whole cents */
  sum: number
  quotedOn: string | null
  leadDays: number | null
}

/** What one time of buying comes to: with tax, contingency and what incentives give back. */
export interface BillPhase extends Phase {
  sum: number
}

export interface Bill {
  rows: BillRow[]
  partsSum: number
  tax: number
  freight: number
  labour: number
  contingency: number
  incentives: number
  /** of what is bought now */
  total: number
  /** now first, with {@link Bill.total} */
  phases: BillPhase[]
  /** of all that comes later */
  later: number
  /** of what is bought whatever comes of this design, within the total, with its tax and contingency */
  anyway: number
}

const BARE: Omit<PricedItem, 'key'> = {
  partId: '',
  unitPrice: null,
  discountPct: 0,
  freight: 0,
  taxed: true,
  eligible: true,
  status: 'buy',
  laterCount: null,
  phase: '',
  quotedOn: null,
  leadDays: null,
}

/** What somebody said of a line's price, or nothing. */
export function pricedOf(design: Design, key: string): PricedItem {
  const item = design.budget.priced.find((each) => each.key === key)
  return item && holds(design, item) ? item : { key, ...BARE }
}

/** What is paid for work: the sum that was agreed, and the hours at their price. */
export const labourOf = ({ labour, hourly, hours }: Pick<Budget, 'labour' | 'hourly' | 'hours'>): number =>
  toTheCent(labour + hourly * Object.values(hours).reduce((sum, each) => sum + each, 0))

/**
 * Everything a design costs: its parts, the materials that follow from its graph, and what the list cannot know;
 * (goods − discount) + tax on the taxed ones + freight + labour, contingency on all of it, less incentives. Sums are in
 * whole cents, each line rounded by itself.
 *
 * Materials come with what they are for: those of a string that is put off are bought with it.
 */
export function bill(design: Design, materials: readonly Material[] = materialsOf(design)): Bill {
  const { budget } = design
  const known = pricedLines(design)
  const kitOf = new Map(budget.kits.flatMap(({ id, of }) => of.map((item) => [item.key, { ...item, id }] as const)))
  const phases = phasesOf(design)
  const rows: BillRow[] = []
  type Given = Pick<BillRow, 'key' | 'group' | 'step' | 'partId' | 'name' | 'unit' | 'quantity' | 'owned'>
  const add = (given: Given, price: number, isMaterial: boolean, comes?: number[]) => {
    const { key, group, step, partId, name, unit, quantity, owned } = given
    const item = known.get(key)
    const { unitPrice, discountPct, status, quotedOn, leadDays } = item ?? BARE
    const kit = kitOf.get(key)
    const isThere = status === 'owned' || (owned >= quantity && quantity > 0)
    const inKit = isThere ? 0 : Math.min(kit?.quantity ?? 0, quantity - owned)
    const toBuy = quantity - owned - inKit
    const off = putOff(design, item, toBuy)
    const when = comes
      ? lessFirst(comes, inKit)
      : phases.map((_, k) => (k === 0 ? toBuy - off.count : k === off.phase ? off.count : 0))
    // a part's price stands in its data sheet, and only there
    const each = (isMaterial ? unitPrice : null) ?? price
    // one of each of hundreds of lines: an object spread over another is slow
    rows.push({
      key,
      group,
      step,
      partId,
      name,
      unit,
      quantity,
      owned,
      comes: isThere ? phases.map(() => 0) : when,
      inKit,
      kit: inKit > 0 ? kit!.id : '',
      unitPrice: each,
      status: isThere ? 'owned' : status,
      sample: isMaterial && unitPrice === null,
      sum: isThere ? 0 : toTheCent(when[0] * each * (1 - discountPct / 100)),
      quotedOn,
      leadDays,
    })
  }
  for (const { key, partId, name, step, quantity, unitPrice, owned } of partsOf(design)) {
    const group = step === 'extra' ? 'other' : 'major'
    add({ key, group, step, partId, name, unit: '', quantity, owned }, unitPrice, false)
  }
  for (const { id, name, price } of budget.kits)
    add({ key: id, group: 'major', step: 'kit', partId: '', name, unit: '', quantity: 1, owned: 0 }, price, false)
  const standing = standingOf(design, materials, phases.length)
  for (const material of materials) {
    const { key, group, what, unit, quantity, unitPrice } = material
    const chosen = known.get(key)?.status === 'later'
    const comes =
      standing && !chosen
        ? byPhase(
            quantity,
            standing.map((ids) => quantityFor(material, ids)),
          )
        : undefined
    add({ key, group, step: 'wiring', partId: '', name: what, unit, quantity, owned: 0 }, unitPrice, true, comes)
  }
  const { taxPct, contingencyPct, incentivePct } = budget
  /** A line as it is bought in a phase; what is carried for it is paid with the first of it. */
  const lineIn = (k: number) => (row: BillRow) => {
    if (row.comes[k] === 0) return []
    const { discountPct, taxed, freight, eligible } = known.get(row.key) ?? BARE
    const isFirst = row.comes.slice(0, k).every((count) => count === 0)
    return [
      {
        quantity: row.comes[k],
        unitPrice: row.unitPrice,
        discountPct,
        taxed,
        freight: isFirst ? freight : 0,
        eligible,
      },
    ]
  }
  const labour = labourOf(budget)
  const now = reckonBill(
    [
      ...rows.flatMap(lineIn(0)),
      // taken off the whole before tax, and what is carried for all of it
      { quantity: 1, unitPrice: -budget.discount, freight: budget.freight },
    ],
    { taxPct, labour, contingencyPct, incentivePct, incentive: budget.incentive },
  )
  const sums = phases.map((_, k) =>
    k === 0 ? now.net : reckonBill(rows.flatMap(lineIn(k)), { taxPct, contingencyPct, incentivePct }).net,
  )
  const anyway = rows.filter(({ status }) => status === 'anyway')
  return {
    rows,
    partsSum: toTheCent(rows.reduce((sum, row) => sum + row.sum, 0)),
    tax: now.tax,
    freight: now.freight,
    labour,
    contingency: now.contingency,
    incentives: now.incentives,
    total: now.net,
    phases: phases.map((phase, k) => ({ ...phase, sum: sums[k] })),
    later: toTheCent(sums.slice(1).reduce((sum, each) => sum + each, 0)),
    anyway: reckonBill(anyway.flatMap(lineIn(0)), { taxPct, contingencyPct, incentivePct }).net,
  }
}

/**
 * What stands after each phase, as ids of what materials are for.
 * @returns null where nothing of the parts comes later
 */
function standingOf(design: Design, materials: readonly Material[], phases: number): Set<string>[] | null {
  if (phases < 2) return null
  const designs = Array.from({ length: phases }, (_, k) => standingAt(design, k).design)
  return designs.every((each) => each === design)
    ? null
    : designs.map((each) => idsIn(each === design ? materials : materialsOf(each)))
}

/** What is still bought in each phase where so many are there already: those that come first are not. */
function lessFirst(comes: readonly number[], already: number): number[] {
  let left = already
  return comes.map((count) => {
    const less = Math.min(count, left)
    left -= less
    return count - less
  })
}

/** What of a quantity is bought in each phase; the last brings what is still missing. @param standing how much of it stands after each */
function byPhase(quantity: number, standing: readonly number[]): number[] {
  let there = 0
  return standing.map((stands, k) => {
    const until = k === standing.length - 1 ? quantity : Math.max(there, Math.min(quantity, stands))
    const more = until - there
    there = until
    return more
  })
}

/** The whole list as rows of cells, for a spreadsheet. */
export function billCells(
  design: Design,
  { rows }: Bill,
  write: (words: Words) => string = said,
): (string | number)[][] {
  return [
    ['group', 'what', 'unit', 'quantity', 'owned', 'each', 'currency', 'status', 'later', 'kit', 'sum', 'key'],
    ...rows.map(({ group, name, unit, quantity, owned, unitPrice, status, comes, kit, sum, key }) => [
      group,
      write(name),
      unit || 'piece',
      quantity,
      owned,
      unitPrice,
      design.budget.currency,
      status,
      comes.slice(1).reduce((total, count) => total + count, 0),
      design.budget.kits.find(({ id }) => id === kit)?.name ?? '',
      sum,
      key,
    ]),
  ]
}
