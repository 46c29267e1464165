import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lifeCycle, payback, reckonBill } from './reckoning.ts'

describe('a bill', () => {
  it('by hand, to the cent', () => {
    const lines = [
      { quantity: 14, unitPrice: 189.9 },
      { quantity: 1, unitPrice: 1249.5, discountPct: 12.5, freight: 85 },
      { quantity: 3, unitPrice: 0.335, taxed: false, eligible: false },
    ]
    // goods 2658.60 + 1093.31 + 1.01; tax 6 % of 3751.91; contingency 10 % of 3752.92 + 225.11 + 85 + 1500
    expect(
      reckonBill(lines, { taxPct: 6, labour: 1500, contingencyPct: 10, incentivePct: 30, incentive: 200 }),
    ).toEqual({
      goods: 3752.92,
      tax: 225.11,
      freight: 85,
      contingency: 556.3,
      gross: 6119.33,
      // 30 % of 3751.91 × 1.06, and 200
      incentives: 1393.11,
      net: 4726.22,
    })
  })
  it('holds no binary fraction: 0.1 three times is 0.30', () => {
    const line = { quantity: 1, unitPrice: 0.1 }
    expect(reckonBill([line, line, line], { taxPct: 0 })).toMatchObject({ goods: 0.3, net: 0.3 })
    expect(reckonBill([{ quantity: 1, unitPrice: 1.005 }], { taxPct: 0 }).goods).toBe(1.01)
  })
  it('always adds up, whatever the lines', () => {
    const line = fc.record({
      quantity: fc.integer({ min: 0, max: 500 }),
      unitPrice: fc.integer({ min: 0, max: 500_000 }).map((cents) => cents / 100),
      discountPct: fc.integer({ min: 0, max: 100 }),
      taxed: fc.boolean(),
    })
    fc.assert(
      fc.property(fc.array(line, { maxLength: 40 }), fc.integer({ min: 0, max: 30 }), (lines, taxPct) => {
        const sums = reckonBill(lines, { taxPct, labour: 99.99, contingencyPct: 7 })
        const cents = (value: number) => Math.round(value * 100)
        expect(cents(sums.gross)).toBe(
          cents(sums.goods) + cents(sums.tax) + cents(sums.freight) + cents(sums.contingency) + 9999,
        )
        for (const value of Object.values(sums)) expect(value).toBe(cents(value) / 100)
      }),
    )
  })
})

describe('a life', () => {
  it('two years at 10 % by hand', () => {
    // 1000 + 100/1.1 + 100/1.21 + 200/1.1 − 50/1.21 over 500/1.1 + 500/1.21
    const { presentValue, costPerKWh } = lifeCycle({
      years: 2,
      discountRate: 0.1,
      firstCost: 1000,
      yearlyCost: 100,
      replacements: [{ year: 1, cost: 200 }],
      endValue: 50,
      kWhPerYear: 500,
    })
    expect(presentValue).toBeCloseTo(1314.05, 2)
    expect(costPerKWh).toBeCloseTo(1314.0496 / 867.7686, 5)
  })
  it('has no price of a kilowatt-hour where none is served', () => {
    const none = { years: 5, discountRate: 0, firstCost: 10, yearlyCost: 0, replacements: [], kWhPerYear: 0 }
    expect(lifeCycle(none).costPerKWh).toBeNull()
  })
})

describe('payback', () => {
  it.each([
    [1000, 250, 0, 4],
    [1000, 0, 0, null],
    [1000, -5, 0, null],
    [0, 10, 0, 0],
    // saving × (1 − 1.1^−n) ÷ 0.1 = 1000 at n = 5.36
    [1000, 250, 0.1, 5.3596],
    [1000, 90, 0.1, null],
  ])('%s at %s a year and %s: %s', (cost, saving, rate, years) => {
    const found = payback(cost, saving, rate)
    if (years === null) expect(found).toBeNull()
    else expect(found).toBeCloseTo(years, 3)
  })
})
