import type { Design, PricedItem } from '../document/types.ts'

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

/**
 * Where a part of the bill stands in the document.
 * @returns its dotted place and its shelf key; null for what is no part
 */
export function partAt(design: Design, key: string): { path: string; id: string } | null {
  if (key === 'bank' || key === 'inverter' || key === 'generator')
    return { path: `${key}.part`, id: design[key].part.id }
  const lists = [
    ['arrays', '.module', design.arrays.map(({ id, module }) => ({ id, part: module }))],
    ['controllers', '.part', design.controllers],
    ['sources', '', design.sources.map((source) => ({ id: source.id, part: source }))],
    ['pumps', '', design.pumps.map((pump) => ({ id: pump.id, part: pump }))],
  ] as const
  for (const [list, within, things] of lists) {
    const at = things.findIndex(({ id }) => id === key)
    if (at >= 0) return { path: `${list}.${at}${within}`, id: things[at].part.id }
  }
  return null
}

/** Whether what somebody said of a line still holds: of a part only while it is that part. */
export const holds = (design: Design, { key, partId }: Pick<PricedItem, 'key' | 'partId'>): boolean =>
  partId === '' || partAt(design, key)?.id === partId

/** What somebody said of prices, by line, as far as it still holds. */
export const pricedLines = (design: Design): Map<string, PricedItem> =>
  new Map(design.budget.priced.filter((each) => holds(design, each)).map((each) => [each.key, each]))

/** What is inside another part has no price of its own: it is bought with it. */
export const isInside = (partId: string): boolean => partId.startsWith('in-')
