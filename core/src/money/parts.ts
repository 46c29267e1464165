import type { Design } from '../document/types.ts'

export interface PartsLine {
  name: string
  step: 'bank' | 'array' | 'inverter' | 'generator' | 'extra'
  quantity: number
  unitPrice: number
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
 * The parts of a design with their prices, and what they come to:
 * (parts − discount) + tax on that + freight + labour, and contingency on all of it.
 */
export function bill(design: Design): Bill {
  const { bank, arrays, controllers, inverter, generator, sources, budget } = design
  const line = (name: string, step: PartsLine['step'], quantity: number, unitPrice: number): PartsLine => ({
    name,
    step,
    quantity,
    unitPrice,
    sum: quantity * unitPrice,
  })
  const lines = [
    line(bank.part.name, 'bank', bank.inSeries * bank.inParallel, bank.part.price),
    ...arrays.map((array) => line(array.module.name, 'array', array.inSeries * array.inParallel, array.module.price)),
    ...controllers.map(({ part }) => line(part.name, 'array', 1, part.price)),
    line(inverter.part.name, 'inverter', inverter.quantity, inverter.part.price),
    ...(generator.present && generator.kind === 'generator'
      ? [line(generator.part.name, 'generator', 1, generator.part.price)]
      : []),
    ...sources.map(({ name, price }) => line(name, 'generator', 1, price)),
    ...budget.extras.map((extra) => line(extra.name, 'extra', extra.quantity, extra.unitPrice)),
  ]
  const partsSum = lines.reduce((sum, { sum: each }) => sum + each, 0)
  const net = partsSum - budget.discount
  const tax = (net * budget.taxPct) / 100
  const before = net + tax + budget.freight + budget.labour
  const contingency = (before * budget.contingencyPct) / 100
  return { lines, partsSum, tax, contingency, total: before + contingency }
}
