import { describe, expect, it } from 'vitest'
import {
  copperDraw,
  gannetSkerry,
  larkspurBench,
  larkspurFlooded,
  larkspurMoreSun,
  SAMPLE_FAMILIES,
} from '../design/samples.ts'
import { said } from '../units/words.ts'
import { newSource } from '../generator/sources.ts'
import type { Design } from '../document/types.ts'
import { bill } from './bill.ts'
import { partsOf } from './parts.ts'

function priced(change: (design: Design) => void): Design {
  const design = larkspurBench()
  change(design)
  return design
}

describe('the bill', () => {
  it('worked by hand: parts less discount, tax on that, freight and labour without tax, contingency on all', () => {
    const design = priced((d) => {
      Object.assign(d.bank, { inSeries: 1, inParallel: 2 })
      d.bank.part.price = 1000
      d.arrays = [d.arrays[0]]
      Object.assign(d.arrays[0], { inSeries: 2, inParallel: 3 })
      d.arrays[0].module.price = 100
      d.controllers = [d.controllers[0]]
      d.controllers[0].part.price = 400
      d.inverter.quantity = 2
      d.inverter.part.price = 500
      d.generator.part.price = 800
      d.sources = []
      d.budget = {
        ...d.budget,
        extras: [{ id: 'extra-1', name: 'Breakers', quantity: 4, unitPrice: 50 }],
        discount: 500,
        taxPct: 10,
        freight: 200,
        labour: 300,
        contingencyPct: 5,
      }
    })
    // 2000 + 600 + 400 + 1000 + 800 + 200 = 5000; − 500 = 4500; + 450 tax + 200 + 300 = 5450; + 5 %
    const { partsSum, tax, contingency, total } = bill(design, [])
    expect(partsSum).toBe(5000)
    expect(tax).toBe(450)
    expect(contingency).toBeCloseTo(272.5, 9)
    expect(total).toBeCloseTo(5722.5, 9)
  })

  it('has a generator only where there is one to buy, and every other source', () => {
    const names = (change: (design: Design) => void) => partsOf(priced(change)).map(({ name }) => name)
    const set = larkspurBench().generator.part.name
    expect(names(() => {})).toContain(set)
    expect(names((d) => (d.generator.present = false))).not.toContain(set)
    expect(names((d) => (d.generator.kind = 'shore'))).not.toContain(set)
    const stream = newSource('source-1', 'stream', 80)
    expect(names((d) => (d.sources = [stream]))).toContain(stream.name)
  })

  it.each([larkspurBench, larkspurFlooded, larkspurMoreSun, gannetSkerry, copperDraw])(
    '%o: lines are quantity times price and sum to the parts; one more battery string costs its units',
    (make) => {
      const design = make()
      design.budget.owned = []
      design.budget.priced = []
      const { rows, partsSum, total } = bill(design, [])
      for (const { quantity, unitPrice, sum } of rows) expect(sum).toBe(quantity * unitPrice)
      expect(rows.reduce((sum, row) => sum + row.sum, 0)).toBeCloseTo(partsSum, 6)
      design.bank.inParallel++
      const { taxPct, contingencyPct } = design.budget
      const string = design.bank.inSeries * design.bank.part.price
      const asked = string * (1 + taxPct / 100) * (1 + contingencyPct / 100)
      // tax and contingency are each rounded to the cent, before and after
      expect(Math.abs(bill(design, []).total - total - asked)).toBeLessThanOrEqual(0.02)
    },
  )

  it.each(SAMPLE_FAMILIES.flat())(
    '%o: nothing of it is without a price, and no line is typed that the list has',
    (make) => {
      const { rows } = bill(make())
      const bare = rows.filter(({ unitPrice, partId }) => unitPrice <= 0 && !partId.startsWith('in-'))
      expect(bare.map(({ key }) => key)).toEqual([])
      const typed = rows.filter(({ step }) => step === 'extra').map(({ name }) => said(name))
      expect(typed.filter((name) => /fuse|breaker|cable|conduit|rail|clamp|lug|enclosure|box/i.test(name))).toEqual([])
      expect(new Set(rows.map(({ key }) => key)).size).toBe(rows.length)
    },
  )
})
