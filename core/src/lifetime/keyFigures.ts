import { arrayRatedW } from '../array/power.ts'
import { bankNominalV, ratedWh } from '../bank/layout.ts'
import type { Design } from '../document/types.ts'
import { runningCost } from '../generator/power.ts'
import { bill } from '../money/bill.ts'
import { costStack, type LayerOf } from '../money/stack.ts'
import { lifeOf, type LifeRun } from './life.ts'
import { PRIORITY_FIGURES, RUN_FIGURES, worstOf, type RunFigure } from '../winter/figures.ts'
import type { Percentile, WinterSummary } from '../winter/summary.ts'

/** One figure by which designs are set side by side. */
export interface KeyFigure {
  id: string
  label: string
  unit: string
  value: number
  /** which way is good; null where it is only a size */
  better: 'more' | 'less' | null
}

/**
 * The figures people weigh variants by: sizes and money, then what the same winters make of each, typical and 1 in 10.
 * @param winter of the design's own run; all that are compared over the same years and seed
 */
export function keyFigures(design: Design, winter: WinterSummary): KeyFigure[] {
  const { bank, arrays, budget } = design
  const { median, oneInTen } = winter
  const arrayW = arrays.reduce((sum, array) => sum + arrayRatedW(array), 0)
  const figure = (
    id: string,
    label: string,
    unit: string,
    value: number,
    better: KeyFigure['better'] = 'less',
  ): KeyFigure => ({ id, label, unit, value, better })
  const WHEN: Partial<Record<Percentile, string>> = { median: 'typical', oneInTen: '1 in 10' }
  /** A figure of the run by its own name, unit and good side. */
  const ofRun = (id: string, key: RunFigure, when: Percentile, isOnlySize = false): KeyFigure => {
    const { label, unit, bad } = RUN_FIGURES[key]
    return figure(
      id,
      `${label}, ${WHEN[when]}`,
      unit,
      winter[when][key],
      isOnlySize ? null : bad === 'low' ? 'more' : 'less',
    )
  }
  const { label, unit } = PRIORITY_FIGURES.shortHours
  return [
    figure('bank', 'bank', 'Wh', ratedWh(bank), null),
    figure('bank-ah', 'bank, at its volts', 'Ah', ratedWh(bank) / bankNominalV(bank), null),
    figure('array', 'array', 'W', arrayW, null),
    figure('price', 'total price', budget.currency, bill(design).total),
    figure('short', `${label}, 1 in 10`, unit, worstOf(oneInTen.shortHours)),
    ofRun('generator', 'generatorHours', 'median'),
    ofRun('generator-bad', 'generatorHours', 'oneInTen'),
    figure('running', 'running it, typical', `${budget.currency}/yr`, runningCost(median, design).money),
    ofRun('lowest', 'lowestStateOfCharge', 'oneInTen'),
    ofRun('spell', 'longestSpellDays', 'median'),
    ofRun('curtailed', 'curtailedWh', 'median', true),
  ]
}

/**
 * The figures people weigh variants by where it is about money: what is bought when, its life, and what energy comes to.
 * @param run of the design, over the same years for all that are compared
 */
export function costFigures(design: Design, run: LifeRun): KeyFigure[] {
  const { budget } = design
  const money = budget.currency
  const own = bill(design)
  const life = lifeOf(design, { bill: own, run })
  const stack = costStack(design, own)
  const figure = (id: string, label: string, unit: string, value: number, better: KeyFigure['better'] = 'less') => ({
    id,
    label,
    unit,
    value,
    better,
  })
  const layer = (id: LayerOf, label: string) =>
    figure(id, label, money, stack.find(({ of }) => of === id)?.sums.reduce((sum, each) => sum + each, 0) ?? 0, null)
  return [
    figure('now', 'bought now', money, own.total),
    figure('later', 'later', money, own.later),
    layer('bank', 'of it, bank'),
    layer('array', 'of it, array'),
    layer('inverter', 'of it, inverter'),
    layer('generator', 'of it, backup and sources'),
    layer('wiring', 'of it, wiring and racks'),
    figure('fuel', 'fuel and tariffs, a mean year', money, life.fuel),
    figure('bank-years', 'the bank lasts', 'years', life.bankYears, 'more'),
    figure('life', `over ${budget.life.years} ${budget.life.years === 1 ? 'year' : 'years'}`, money, life.presentValue),
    figure('per-kwh', 'a kilowatt-hour served', `${money}/kWh`, life.costPerKWh ?? 0),
    figure('per-usable', 'a usable kilowatt-hour of the bank', money, life.bankPerUsableKWh ?? 0),
  ]
}
