import type { Design } from '../document/types.ts'

export interface PartsLine {
  /** what of the design it is: `bank`, `inverter`, `generator`, or an id */
  key: string
  name: string
  step: 'bank' | 'array' | 'inverter' | 'generator' | 'extra'
  quantity: number
  unitPrice: number
  /** it is there already and costs nothing now */
  owned: boolean
  sum: number
}

export interface Bill {
  lines: PartsLine[]
  partsSum: number
  tax: number
  contingency: number
  total: number
}

/**
 * The parts of a design with their prices, those that are owned at none, and what they come to:
 * (parts − discount) + tax on that + freight + labour, and contingency on all of it.
 */
export function bill(design: Design): Bill {
  const { bank, arrays, controllers, inverter, generator, sources, budget } = design
  const have = new Set(budget.owned)
  const line = (
    key: string,
    name: string,
    step: PartsLine['step'],
    quantity: number,
    unitPrice: number,
  ): PartsLine => ({
    key,
    name,
    step,
    quantity,
    unitPrice,
    owned: have.has(key),
    sum: have.has(key) ? 0 : quantity * unitPrice,
  })
  const lines = [
    line('bank', bank.part.name, 'bank', bank.inSeries * bank.inParallel, bank.part.price),
    ...arrays.map(({ id, module, inSeries, inParallel }) =>
      line(id, module.name, 'array', inSeries * inParallel, module.price),
    ),
    ...controllers.map(({ id, part }) => line(id, part.name, 'array', 1, part.price)),
    line('inverter', inverter.part.name, 'inverter', inverter.quantity, inverter.part.price),
    ...(generator.present && generator.kind === 'generator'
      ? [line('generator', generator.part.name, 'generator', 1, generator.part.price)]
      : []),
    ...sources.map(({ id, name, price }) => line(id, name, 'generator', 1, price)),
    ...budget.extras.map((extra) => line(extra.id, extra.name, 'extra', extra.quantity, extra.unitPrice)),
  ]
  const partsSum = lines.reduce((sum, { sum: each }) => sum + each, 0)
  const net = partsSum - budget.discount
  const tax = (net * budget.taxPct) / 100
  const before = net + tax + budget.freight + budget.labour
  const contingency = (before * budget.contingencyPct) / 100
  return { lines, partsSum, tax, contingency, total: before + contingency }
}
