import { arrayRatedW } from '../array/power.ts'
import { ratedWh } from '../bank/layout.ts'
import type { Design } from '../document/types.ts'
import { runningCost } from '../generator/power.ts'
import { bill } from '../money/parts.ts'
import type { WinterSummary } from './summary.ts'

/** One figure by which designs are set side by side. */
export interface KeyFigure {
  id: string
  label: string
  unit: string
  value: number
  /** which way is good; null where it is only a size */
  better: 'more' | 'less' | null
}

const worstOf = ({ must, should, canWait }: Record<'must' | 'should' | 'canWait', number>) =>
  Math.max(must, should, canWait)

/**
 * The figures people weigh variants by: sizes and money, then what the same winters make of each, typical and 1 in 10.
 * @param winter of the design's own run; all that are compared over the same years and seed
 */
export function keyFigures(design: Design, winter: WinterSummary): KeyFigure[] {
  const { bank, arrays, generator, budget } = design
  const { median, oneInTen } = winter
  const arrayW = arrays.reduce((sum, array) => sum + arrayRatedW(array), 0)
  const figure = (
    id: string,
    label: string,
    unit: string,
    value: number,
    better: KeyFigure['better'] = 'less',
  ): KeyFigure => ({ id, label, unit, value, better })
  return [
    figure('bank', 'bank', 'Wh', ratedWh(bank), null),
    figure('array', 'array', 'W', arrayW, null),
    figure('price', 'total price', budget.currency, bill(design).total),
    figure('short', 'short, 1 in 10', 'h', worstOf(oneInTen.shortHours)),
    figure('generator', 'backup, typical', 'h', median.generatorHours),
    figure('generator-bad', 'backup, 1 in 10', 'h', oneInTen.generatorHours),
    figure('running', 'running it, typical', `${budget.currency}/yr`, runningCost(median, generator).money),
    figure('lowest', 'lowest charge, 1 in 10', 'share', oneInTen.lowestStateOfCharge, 'more'),
    figure('spell', 'longest spell ridden through', 'd', median.longestSpellDays, 'more'),
    figure('curtailed', 'curtailed a year', 'Wh', median.curtailedWh, null),
  ]
}
