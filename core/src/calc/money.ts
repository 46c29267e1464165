import { lifeCycle, payback, reckonBill, type BillLine, type BillTerms, type LifeCycle } from '../money/reckoning.ts'
import { choice, integer, list, number, optional, type Field } from './fields.ts'
import type { CalcFunction } from './inputs.ts'

const sum = number('money', 0, 1e12)
const pct = number('%', 0, 100)
const flag = (fallback: boolean): Field => ({ ...choice(), kind: 'any', unit: 'true or false', fallback })
const rate = number('a year, 0.05 for 5 %', -0.5, 1)

/** @throws RangeError for what is neither true nor false */
function yesOrNo(lines: readonly Record<string, unknown>[]): void {
  lines.forEach((line, i) => {
    for (const key of ['taxed', 'eligible'])
      if (typeof line[key] !== 'boolean')
        throw new RangeError(`lines.${i}.${key} ${JSON.stringify(line[key])} must be true or false`)
  })
}

/** Bills and lives, by name. */
export const MONEY: Record<string, CalcFunction> = {
  'money.bill': {
    says: 'what a list of lines comes to, to the cent',
    inputs: {
      lines: list('lines', {
        quantity: number('', 0, 1e9),
        unitPrice: number('money', 0, 1e9),
        discountPct: optional(pct, 0),
        taxed: flag(true),
        freight: optional(sum, 0),
        eligible: flag(true),
      }),
      taxPct: pct,
      labour: optional(sum, 0),
      contingencyPct: optional(pct, 0),
      incentivePct: optional(pct, 0),
      incentive: optional(sum, 0),
    },
    outputs: {
      goods: 'after discounts',
      tax: 'of taxed goods',
      freight: '',
      contingency: 'of goods, tax, freight and labour',
      gross: '',
      incentives: 'share of eligible goods with their tax, and the fixed sum',
      net: '',
    },
    source: 'plain addition in whole cents',
    run: (input) => {
      const { lines, ...terms } = input.all() as unknown as BillTerms & { lines: BillLine[] }
      yesOrNo(lines as unknown as Record<string, unknown>[])
      return { ...reckonBill(lines, terms) }
    },
  },
  'money.lifeCycle': {
    says: 'present value of a system over its life, and of a kilowatt-hour',
    inputs: {
      years: integer('years', 1, 200),
      discountRate: rate,
      firstCost: sum,
      yearlyCost: sum,
      replacements: list('costs', { year: number('years', 0, 200), cost: sum }),
      endValue: optional(sum, 0),
      kWhPerYear: number('kWh', 0, 1e9),
    },
    outputs: { presentValue: 'money', costPerKWh: 'money, null where no energy is served' },
    source: 'NREL/TP-462-5173; sums and energy at the end of each year, discounted alike',
    run: (input) => ({ ...lifeCycle(input.all() as unknown as LifeCycle) }),
  },
  'money.payback': {
    says: 'years until savings have paid a cost',
    inputs: { cost: sum, yearlySaving: number('money', -1e12, 1e12), discountRate: optional(rate, 0) },
    outputs: { years: 'null where it never pays' },
    source: 'discounted payback, NREL/TP-462-5173',
    run: (input) => ({
      years: payback(input.number('cost'), input.number('yearlySaving'), input.number('discountRate')),
    }),
  },
}
