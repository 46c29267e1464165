/** A line of a bill. */
export interface BillLine {
  quantity: number
  unitPrice: number
  discountPct?: number
  taxed?: boolean
  freight?: number
  /** counts for incentives */
  eligible?: boolean
}
export interface BillTerms {
  taxPct: number
  labour?: number
  contingencyPct?: number
  incentivePct?: number
  incentive?: number
}
/** Every sum of a bill, each to the cent. */
export interface BillSums {
  goods: number
  tax: number
  freight: number
  contingency: number
  gross: number
  incentives: number
  net: number
}

const CENTS = 100
/** Whole cents, half a cent away from zero; what a decimal hides behind its binary neighbour is brought back first. */
const cents = (value: number): number => {
  const scaled = Number((Math.abs(value) * CENTS).toPrecision(15))
  return Math.sign(value) * Math.floor(scaled + 0.5)
}
const money = (whole: number): number => (whole === 0 ? 0 : whole / CENTS)
/** A sum to the cent, as every sum of a bill is. */
export const toTheCent = (value: number): number => money(cents(value))

/**
 * A bill by its lines: goods after discounts, tax on the taxed ones, freight, contingency on all of it, and what
 * incentives give back: a share of eligible goods with their tax, and a fixed sum.
 *
 * Sums are made in whole cents, each line rounded by itself, as a till does it.
 * @param lines quantity ≥ 0, unitPrice ≥ 0, discountPct 0…100, freight ≥ 0
 * Source: plain addition.
 * @example reckonBill([{ quantity: 2, unitPrice: 10 }], { taxPct: 5 }).net → 21
 */
export function reckonBill(lines: readonly BillLine[], terms: BillTerms): BillSums {
  const { taxPct, labour = 0, contingencyPct = 0, incentivePct = 0, incentive = 0 } = terms
  let [goods, taxedGoods, freight, eligible] = [0, 0, 0, 0]
  for (const line of lines) {
    const { discountPct = 0, taxed = true, eligible: counts = true } = line
    const sum = cents(line.quantity * line.unitPrice * (1 - discountPct / 100))
    goods += sum
    freight += cents(line.freight ?? 0)
    if (taxed) taxedGoods += sum
    if (counts) eligible += sum + (taxed ? (sum * taxPct) / 100 : 0)
  }
  const tax = cents((taxedGoods * taxPct) / 100 / CENTS)
  const labourCents = cents(labour)
  const contingency = cents(((goods + tax + freight + labourCents) * contingencyPct) / 100 / CENTS)
  const gross = goods + tax + freight + labourCents + contingency
  const incentives = cents((eligible * incentivePct) / 100 / CENTS) + cents(incentive)
  return {
    goods: money(goods),
    tax: money(tax),
    freight: money(freight),
    contingency: money(contingency),
    gross: money(gross),
    incentives: money(incentives),
    net: money(gross - incentives),
  }
}

export interface LifeCycle {
  years: number
  discountRate: number
  firstCost: number
  yearlyCost: number
  replacements: readonly { year: number; cost: number }[]
  endValue?: number
  kWhPerYear: number
}

/**
 * What a system costs over its life in today's money, and a kilowatt-hour of it. Yearly sums, replacements and energy
 * fall at the end of their years and are discounted alike; what is left at the end is taken off.
 *
 * @param of years ≥ 1 whole; discountRate > −1; kWhPerYear ≥ 0
 * @returns costPerKWh null where no energy is served
 * Source: NREL/TP-462-5173 (Short, Packey, Holt 1995), total life-cycle cost and levelised cost of energy.
 * @example lifeCycle({ years: 1, discountRate: 0, firstCost: 100, yearlyCost: 10, replacements: [], kWhPerYear: 100 })
 * → { presentValue: 110, costPerKWh: 1.1 }
 */
export function lifeCycle(of: LifeCycle): { presentValue: number; costPerKWh: number | null } {
  const at = (year: number) => (1 + of.discountRate) ** -year
  let presentValue = of.firstCost
  let energy = 0
  for (let year = 1; year <= of.years; year++) {
    presentValue += of.yearlyCost * at(year)
    energy += of.kWhPerYear * at(year)
  }
  for (const { year, cost } of of.replacements) presentValue += cost * at(year)
  presentValue -= (of.endValue ?? 0) * at(of.years)
  return { presentValue, costPerKWh: energy > 0 ? presentValue / energy : null }
}

/**
 * Years until savings have paid a cost, the part of a year as a share of that year's saving; null where they never do.
 *
 * @param cost ≥ 0, yearlySaving of any sign, discountRate > −1
 * Source: discounted payback: cost = saving · (1 − (1 + r)^−n) / r, solved for n.
 * @example payback(1000, 250) → 4
 */
export function payback(cost: number, yearlySaving: number, discountRate = 0): number | null {
  if (cost <= 0) return 0
  if (yearlySaving <= 0) return null
  if (discountRate === 0) return cost / yearlySaving
  const left = 1 - (cost * discountRate) / yearlySaving
  return left > 0 ? -Math.log(left) / Math.log1p(discountRate) : null
}
