import { describe, expect, it } from 'vitest'
import { takePrices } from '../../change/work.ts'
import { derive } from '../../derive/derive.ts'
import { copperDraw, larkspurBench, larkspurMoreSun } from '../../design/samples.ts'
import type { Budget, Design } from '../../document/types.ts'
import { bill, pricedOf } from '../../money/bill.ts'
import { said } from '../../units/words.ts'
import type { Rule } from '../rule.ts'
import { groups } from './groups.ts'
import { kits } from './kits.ts'
import { phases } from './phases.ts'
import { prices } from './prices.ts'
import { quotes } from './quotes.ts'
import { stated } from './stated.ts'

const budgeted = (changes: Partial<Budget>, make = larkspurBench): Design => {
  const design = make()
  return { ...design, budget: { ...design.budget, ...changes } }
}
const check = (rule: Rule, design: Design) =>
  rule.check({ design, derived: derive(design), winter: null }).map(({ level, says }) => [level, said(says)])

describe('quotes', () => {
  const quoted = (quotedOn: string, changes: Partial<Budget> = {}) =>
    budgeted({ priced: [{ ...pricedOf(larkspurBench(), 'bank'), unitPrice: 1400, quotedOn }], ...changes })
  it('without a date are not judged', () => {
    expect(check(quotes, larkspurBench())).toEqual([])
  })
  it('with a date ask for the day of buying', () => {
    expect(check(quotes, quoted('2027-01-05'))).toEqual([
      ['open', '1 quote has a date, but nobody said when “Now” is bought.'],
    ])
  })
  it.each([
    ['2027-02-04', []],
    [
      '2027-02-05',
      [['watch', 'The quote for LFP 51.2 V 100 Ah rack unit ends 2027-02-04, before it is bought on 2027-02-05.']],
    ],
  ])('of 30 days from 5 January, bought on %s', (buyOn, expected) => {
    expect(check(quotes, quoted('2027-01-05', { buyOn, quoteDays: 30 }))).toEqual(expected)
  })
  it('of what comes later are held against its own day', () => {
    const design = quoted('2027-01-05', {
      buyOn: '2027-01-10',
      phases: [{ id: 'phase-1', name: 'Then', buyOn: '2028-01-10' }],
    })
    expect(check(quotes, design)).toEqual([])
    design.budget.priced[0].status = 'later'
    expect(check(quotes, design)[0][0]).toBe('watch')
  })
  it('of what is there already do not matter', () => {
    const design = quoted('2020-01-01', { buyOn: '2027-01-10' })
    design.budget.priced[0].status = 'owned'
    expect(check(quotes, design)).toEqual([])
  })
})

describe('what a bill lacks', () => {
  it('is named, and only that', () => {
    expect(check(groups, larkspurBench())).toEqual([])
    expect(check(groups, budgeted({ freight: 0, extras: [] }))).toEqual([
      ['watch', 'Nothing is put down for freight or permit and groundwork.'],
    ])
    expect(check(groups, budgeted({ contingencyPct: 0 }))).toEqual([
      ['watch', 'Nothing is put down for what nobody thought of.'],
    ])
  })
  it('is nothing where all is there already', () => {
    expect(check(groups, copperDraw())).toEqual([])
  })
})

describe('a total that was told', () => {
  const { total } = bill(larkspurBench())
  it('is sound to the cent, and watched beyond it', () => {
    expect(check(stated, budgeted({ statedTotal: total }))[0][0]).toBe('sound')
    expect(check(stated, budgeted({ statedTotal: total - 0.01 }))[0][0]).toBe('watch')
    expect(check(stated, budgeted({ statedTotal: 20000 }))[0][1]).toMatch(/^You were told 20\s?000.* more\.$/u)
    expect(check(stated, larkspurBench())).toEqual([])
  })
})

describe('kits', () => {
  it('that hold more than the design takes, or what it does not have, say so', () => {
    const kit = (key: string, quantity: number) =>
      budgeted({ kits: [{ id: 'kit-1', name: 'Starter', price: 5000, of: [{ key, quantity }] }] })
    expect(check(kits, kit('bank', 6))).toEqual([])
    expect(check(kits, kit('bank', 8))).toEqual([
      ['watch', '“Starter” holds 2 of LFP 51.2 V 100 Ah rack unit more than the design takes.'],
    ])
    expect(check(kits, kit('gnome', 1))[0][0]).toBe('watch')
  })
})

describe('phases', () => {
  it('after which nothing runs are named', () => {
    expect(check(phases, larkspurMoreSun())).toEqual([])
    const bench = larkspurBench()
    const without = budgeted({ priced: [{ ...pricedOf(bench, 'bank'), status: 'later' }] })
    expect(check(phases, without)).toEqual([
      ['watch', 'After “Now” there is no bank or no inverter, and nothing runs.'],
    ])
  })
})

describe('prices', () => {
  it('that were quoted are not made up, although they are the sample’s', () => {
    const { price } = larkspurBench().bank.part
    const told = (design: Design) => Number(/^\d+/.exec(check(prices, design)[0][1])![0])
    const taken = takePrices([{ key: 'bank', unitPrice: price, quotedOn: '2027-01-05', leadDays: null }])
    expect(told(taken(larkspurBench()))).toBe(told(larkspurBench()) - 1)
  })
  it('of nothing are counted, in what comes later too', () => {
    const bench = larkspurBench()
    bench.inverter.part.price = 0
    expect(check(prices, bench)[0][1]).toContain('1 part has none')
    bench.budget.priced = [{ ...pricedOf(bench, 'inverter'), status: 'later' }]
    expect(check(prices, bench)[0][1]).toContain('1 part has none')
    bench.budget.priced = []
    bench.inverter.part.price = 1750
    expect(check(prices, bench)[0][1]).not.toContain('none')
  })
})
