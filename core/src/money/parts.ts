import type { Design } from '../document/types.ts'

export interface PartsLine {
  /** what of the design it is: `bank`, `inverter`, `generator`, or an id */
  key: string
  partId: string
  name: string
  step: 'bank' | 'array' | 'inverter' | 'generator' | 'loads' | 'extra'
  quantity: number
  unitPrice: number
  /** so many are there already and cost nothing now */
  owned: number
  sum: number
}

/** The parts of a design with their prices, those that are owned at none. */
export function partsOf(design: Design): PartsLine[] {
  const { bank, arrays, controllers, inverter, generator, sources, pumps, budget } = design
  const line = (
    key: string,
    { id: partId, name, price }: { id: string; name: string; price: number },
    step: PartsLine['step'],
    quantity: number,
  ): PartsLine => {
    const there = budget.owned.find((each) => each.key === key && each.partId === partId)
    const owned = Math.min(quantity, there?.quantity ?? 0)
    return { key, partId, name, step, quantity, unitPrice: price, owned, sum: (quantity - owned) * price }
  }
  return [
    line('bank', bank.part, 'bank', bank.inSeries * bank.inParallel),
    ...arrays.map(({ id, module, inSeries, inParallel }) => line(id, module, 'array', inSeries * inParallel)),
    ...controllers.map(({ id, part }) => line(id, part, 'array', 1)),
    line('inverter', inverter.part, 'inverter', inverter.quantity),
    ...(generator.present && generator.kind === 'generator' ? [line('generator', generator.part, 'generator', 1)] : []),
    ...pumps.map((pump) => line(pump.id, pump, 'loads', 1)),
    ...sources.map((source) => line(source.id, source, 'generator', 1)),
    ...budget.extras.map(({ id, name, quantity, unitPrice }) =>
      line(id, { id, name, price: unitPrice }, 'extra', quantity),
    ),
  ]
}
