import { describe, expect, it } from 'vitest'
import { takeBackup } from '../change/generator.ts'
import { addString } from '../change/bank.ts'
import { setOwned } from '../change/work.ts'
import { copperDraw, gannetSkerry, larkspurBench } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { bill } from '../money/bill.ts'
import { materialsOf } from '../money/materials.ts'
import { priceOfChange } from '../money/change.ts'
import { said } from '../units/words.ts'
import { candidates } from './candidates.ts'
import { faultsOf } from './tried.ts'
import { rankedBy, whatNext, type Candidate, type Measured } from './whatNext.ts'

const changed = (design: Design, change: (design: Design) => unknown): Design => {
  change(design)
  return design
}
const idsOf = (design: Design) => candidates(design).map(({ id }) => id)
/** A measure that knows what each change is worth, by what differs from the design it is about. */
const measure =
  (base: Design, hours: (strings: number, modules: number) => Measured) =>
  (each: Design): Measured =>
    hours(each.bank.inParallel - base.bank.inParallel, modulesOf(each) - modulesOf(base))
const modulesOf = ({ arrays }: Design) =>
  arrays.reduce((sum, { inSeries, inParallel }) => sum + inSeries * inParallel, 0)

describe('what a change costs', () => {
  it('is what has to be bought; nothing comes back for a bank thrown away', () => {
    const design = larkspurBench()
    const lead = candidates(design).find(({ id }) => id === 'chemistry')!
    const { bank } = lead.design
    const units = bank.inSeries * bank.inParallel * bank.part.price
    // its leads, lugs and fuses are others too; what of them was there already is not bought twice
    const had = new Map(materialsOf(design).map(({ key, quantity }) => [key, quantity]))
    const materials = materialsOf(lead.design).reduce(
      (sum, { key, quantity, unitPrice }) => sum + Math.max(0, quantity - (had.get(key) ?? 0)) * unitPrice,
      0,
    )
    const more = (1 + design.budget.taxPct / 100) * (1 + design.budget.contingencyPct / 100)
    expect(materials).toBeGreaterThan(0)
    expect(priceOfChange(design, lead.design).price).toBeCloseTo((units + materials) * more, 6)
  })

  it('one more string costs its unit and what joins it, with tax and contingency', () => {
    const design = changed(larkspurBench(), ({ budget }) => Object.assign(budget, { taxPct: 10, contingencyPct: 5 }))
    const string = candidates(design).find(({ id }) => id === 'battery')!
    const { price } = priceOfChange(design, string.design)
    const unit = design.bank.part.price * 1.1 * 1.05
    expect(price).toBeGreaterThan(unit)
    expect(price).toBeLessThan(unit * 1.1)
  })

  it('parts without a price say so and rank apart', () => {
    const design = changed(larkspurBench(), ({ bank }) => (bank.part.price = 0))
    const string = candidates(design).find(({ id }) => id === 'battery')!
    expect(priceOfChange(design, string.design).unpriced).toBe(true)
    const of = (id: string, unpriced: boolean, saved: number): Candidate => ({
      id,
      says: id,
      price: 100,
      unpriced,
      generatorHours: 0,
      shortHours: 0,
      generatorHoursSaved: saved,
      shortHoursSaved: 0,
      design,
    })
    const ranked = rankedBy([of('dear', true, 90), of('a', false, 1), of('b', false, 5)], 'money')
    expect(ranked.map(({ id }) => id)).toEqual(['b', 'a', 'dear'])
  })

  it('what is owned is on the bill at nothing', () => {
    const design = larkspurBench()
    const owned = setOwned('bank', true)(design)
    const { bank } = design
    expect(bill(design, []).partsSum - bill(owned, []).partsSum).toBe(bank.inSeries * bank.inParallel * bank.part.price)
    expect(setOwned('bank', false)(owned).budget.owned).toEqual([])
    expect(bill(copperDraw()).partsSum).toBe(0)
    // one string more is to buy, and so is another part in the place of what is there
    expect(bill(addString(owned), []).partsSum - bill(owned, []).partsSum).toBe(bank.inSeries * bank.part.price)
    const other = { ...owned, bank: { ...bank, part: { ...bank.part, id: 'other' } } }
    expect(bill(other, []).partsSum).toBe(bill(design, []).partsSum)
  })
})

describe('what is offered', () => {
  it('no brush where no snow falls', () => {
    expect(idsOf(changed(larkspurBench(), ({ place }) => (place.brushSnowDays = null)))).toContain('brush')
    const bare = changed(larkspurBench(), ({ place }) => {
      place.brushSnowDays = null
      place.monthly = place.monthly.map((month) => ({ ...month, snowfallCm: 0 }))
    })
    expect(idsOf(bare)).not.toContain('brush')
  })

  it('a backup where there is none', () => {
    expect(idsOf(larkspurBench())).not.toContain('backup')
    const alone = takeBackup('none')(larkspurBench())
    const backup = candidates(alone).find(({ id }) => id === 'backup')!
    expect(backup.design.generator.present).toBe(true)
    expect(said(backup.says)).toMatch(/^A backup: “/)
  })

  it('nothing that raises a stop', () => {
    for (const make of [larkspurBench, gannetSkerry, copperDraw]) {
      const design = changed(make(), ({ bank }) => (bank.part.parallelLimit = bank.inParallel))
      const stops = (each: Design) => faultsOf(each).filter(({ level }) => level === 'stop').length
      expect(idsOf(design)).not.toContain('battery')
      for (const candidate of candidates(design))
        expect(stops(candidate.design), candidate.id).toBeLessThanOrEqual(stops(design))
    }
  })
})

describe('how changes are ranked', () => {
  it('by hours for the money, by short hours, by hours of backup', async () => {
    const design = larkspurBench()
    const list = (await whatNext(
      design,
      measure(design, (strings, modules) => ({
        generatorHours: 100 - 60 * strings - (modules > 0 ? 5 : 0),
        shortHours: 10 - (modules > 0 ? 9 : 0),
      })),
      1,
      () => true,
      ['battery', 'string'],
    ))!
    const order = (care: Parameters<typeof rankedBy>[1]) => rankedBy(list, care).map(({ id }) => id)
    expect(order('short')).toEqual(['string', 'battery'])
    expect(order('backup')).toEqual(['battery', 'string'])
    expect(order('money')).toHaveLength(2)
  })

  it('two together are tried where one alone helps little', async () => {
    const design = larkspurBench()
    const both = measure(design, (strings, modules) => ({
      generatorHours: strings > 0 && modules > 0 ? 10 : 100 - strings - (modules > 0 ? 2 : 0),
      shortHours: 0,
    }))
    const list = (await whatNext(design, both))!
    expect(list[0].generatorHoursSaved).toBe(90)
    expect(list[0].id).toMatch(/^(battery \+ string|string \+ battery)$/)
    expect(said(list[0].says)).toContain(', and ')
  })

  it('and are not where one does', async () => {
    const design = larkspurBench()
    const list = (await whatNext(
      design,
      measure(design, (strings) => ({ generatorHours: strings > 0 ? 20 : 100, shortHours: 0 })),
    ))!
    expect(list.some(({ id }) => id.includes('+'))).toBe(false)
  })
})
