import { usableWh } from '../bank/layout.ts'
import { daysBetween } from '../calendar/days.ts'
import type { BankLife } from '../bank/life.ts'
import type { Design } from '../document/types.ts'
import { runningCost } from '../generator/power.ts'
import { pricedOf, type Bill, type BillRow } from '../money/bill.ts'
import { isInside } from '../money/parts.ts'
import type { Words } from '../units/words.ts'
import type { WinterSummary } from '../winter/summary.ts'
import { everySoOften, leftAfter, wayOf, type Dated, type Way } from './way.ts'

/** What the winters of a design say that its life depends on. */
export interface LifeRun {
  winter: WinterSummary
  bankLife: BankLife
}

/** A part that wears out, and how often it is bought within the years. */
export interface Wearing {
  key: string
  name: Words
  /** years it lasts */
  lasts: number
  /** what all of it costs anew, with its tax */
  cost: number
  /** each time it is bought again */
  bought: Dated[]
  /** what is left of it at the end */
  left: number
}

export interface Life extends Way {
  /** what a mean year of the run burns, buys from shore or grid, and asks for in oil changes */
  fuel: number
  fuelL: number
  oilChanges: number
  wearing: Wearing[]
  /** later phases, within `dated` */
  later: Dated[]
  bankYears: number
  usableKWh: number
  /** what a usable kilowatt-hour of the bank costs, with tax; null where its units have no price */
  bankPerUsableKWh: number | null
}

/** However seldom it runs, seals and windings age. Source: usual life of small sets that stand by. */
const GENERATOR_YEARS = 25

/** What a mean year of the run burns and does. */
export function meanYear({ months }: Pick<WinterSummary, 'months'>) {
  const sum = (of: readonly number[]) => of.reduce((total, each) => total + each, 0)
  return {
    fuelL: sum(months.fuelL),
    generatorHours: sum(months.generatorHours),
    generatorWh: 1000 * sum(months.generatorKWh),
    gridWh: 1000 * sum(months.gridKWh),
    servedKWh: sum(months.servedKWh),
    unmetKWh: sum(months.unmetKWh),
  }
}

/**
 * What a design costs over its life: what is bought now and later, fuel, oil and upkeep of a mean year of the run, the bank
 * anew at its simulated life, and everything else that wears out; what is left at the end is taken off by the share of
 * its life that each part still has.
 *
 * @param of the design's own bill and run
 * Lives of electronics, pumps and modules are as the design states them; money is reckoned by {@link wayOf}.
 */
export function lifeOf(design: Design, { bill, run }: { bill: Bill; run: LifeRun }): Life {
  const { budget, bank } = design
  const { life } = budget
  const year = meanYear(run.winter)
  const { money: fuel, oilChanges } = runningCost(year, design)
  const bankYears = run.bankLife.years
  const generatorYears = Math.min(GENERATOR_YEARS, life.generatorHours / Math.max(1e-9, year.generatorHours))
  const controllers = new Set(design.controllers.map(({ id }) => id))
  const lastsOf = ({ key, step }: BillRow): number | null => {
    if (step === 'bank') return bankYears
    if (step === 'inverter' || controllers.has(key)) return life.electronicsYears
    if (key === 'generator') return generatorYears
    if (step === 'array' || step === 'generator') return life.moduleYears
    return step === 'loads' ? life.pumpYears : null
  }
  const wearing = bill.rows.flatMap((row): Wearing[] => {
    const lasts = lastsOf(row)
    if (lasts === null || isInside(row.partId)) return []
    const cost = anew(design, row)
    const bought = everySoOften(lasts, life.years, cost)
    const left = life.endValue ? cost * leftAfter(lasts, life.years) : 0
    return [{ key: row.key, name: row.name, lasts, cost, bought, left }]
  })
  const later = laterOf(design, bill)
  const bankCost = wearing.find(({ key }) => key === 'bank')!.cost
  const usableKWh = usableWh(bank, 25) / 1000
  return {
    ...wayOf(
      {
        first: bill.total,
        energyYearly: fuel,
        upkeepYearly: oilChanges * life.oilChange + life.yearly,
        dated: [...later, ...wearing.flatMap(({ bought }) => bought)],
        endValue: wearing.reduce((sum, each) => sum + each.left, 0),
        kWhPerYear: year.servedKWh,
      },
      life,
    ),
    fuel,
    fuelL: year.fuelL,
    oilChanges,
    wearing,
    later,
    bankYears,
    usableKWh,
    bankPerUsableKWh: bankCost > 0 && usableKWh > 0 ? bankCost / usableKWh : null,
  }
}

/** What all of a line costs when it is bought again: at its own price, kit or not, with its tax. */
const anew = (design: Design, { key, quantity, unitPrice }: BillRow): number =>
  quantity * unitPrice * (pricedOf(design, key).taxed ? 1 + design.budget.taxPct / 100 : 1)

const DAYS_A_YEAR = 365.25

/** Later phases by the years from now to their day; those without one a year after the one before. */
function laterOf({ budget }: Pick<Design, 'budget'>, { phases }: Bill): Dated[] {
  const [now, ...later] = phases
  let last = 0
  return later.flatMap(({ buyOn, sum }) => {
    const days = buyOn && now.buyOn ? daysBetween(now.buyOn, buyOn) : null
    last = days === null ? last + 1 : Math.max(0, days / DAYS_A_YEAR)
    return sum > 0 && last <= budget.life.years ? [{ year: last, cost: sum }] : []
  })
}
