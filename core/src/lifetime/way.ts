import type { LifeTerms } from '../document/types.ts'
import { lifeCycle } from '../money/reckoning.ts'

/** A sum that falls due once, so many years on. */
export interface Dated {
  year: number
  cost: number
}

/** One year of a way to have power, in money of today and before discounting. */
export interface WayYear {
  year: number
  energy: number
  upkeep: number
  replaced: number
}

/** A way to have power, over its life. */
export interface Way {
  /** paid before the first year */
  first: number
  /** fuel and tariffs of a year at today's prices; what else is paid in each */
  energyYearly: number
  upkeepYearly: number
  /** what is bought later, and again */
  dated: Dated[]
  endValue: number
  kWhPerYear: number
  /** all of it in money of today; what is left at the end is taken off */
  presentValue: number
  costPerKWh: number | null
  /** what has been paid by the end of each year from 0, discounted; without what is left at the end */
  paid: number[]
  years: WayYear[]
}

export type WayGiven = Pick<Way, 'first' | 'energyYearly' | 'upkeepYearly' | 'dated' | 'endValue' | 'kWhPerYear'>
export type WayTerms = Pick<LifeTerms, 'years' | 'discountPct' | 'energyRisePct'>

/**
 * A way to have power reckoned over so many years: energy that rises in price, upkeep that does not, and what is bought
 * later, all discounted to today.
 *
 * @param given money ≥ 0, kWhPerYear ≥ 0, what is dated within the years
 * @returns costPerKWh null where no energy is served
 * Source: NIST Handbook 135 (modified uniform present value of energy) and NREL/TP-462-5173 (levelised cost).
 * @example wayOf({ first: 100, energyYearly: 10, upkeepYearly: 0, dated: [], endValue: 0, kWhPerYear: 100 },
 * { years: 1, discountPct: 0, energyRisePct: 0 }).presentValue → 110
 */
export function wayOf(given: WayGiven, { years, discountPct, energyRisePct }: WayTerms): Way {
  const rate = discountPct / 100
  const energyIn = (year: number) => given.energyYearly * (1 + energyRisePct / 100) ** year
  const rows = Array.from({ length: years }, (_, i): WayYear => {
    const year = i + 1
    const replaced = given.dated.reduce((sum, each) => sum + (yearOf(each) === year ? each.cost : 0), 0)
    return { year, energy: energyIn(year), upkeep: given.upkeepYearly, replaced }
  })
  const { presentValue, costPerKWh } = lifeCycle({
    years,
    discountRate: rate,
    firstCost: given.first,
    yearlyCost: given.upkeepYearly,
    replacements: [...given.dated, ...rows.map(({ year, energy }) => ({ year, cost: energy }))],
    endValue: given.endValue,
    kWhPerYear: given.kWhPerYear,
  })
  const paid = [given.first]
  for (const { year, energy, upkeep } of rows) {
    const due = given.dated.filter((each) => yearOf(each) === year)
    const once = due.reduce((sum, each) => sum + each.cost * (1 + rate) ** -each.year, 0)
    paid.push(paid[year - 1] + (energy + upkeep) * (1 + rate) ** -year + once)
  }
  return { ...given, presentValue, costPerKWh, paid, years: rows }
}

/** The year in which a dated sum falls due: what is bought after 11.4 years, in the twelfth. */
const yearOf = ({ year }: Dated): number => Math.max(1, Math.ceil(year - 1e-9))

/**
 * Years after which one way has cost less than another and goes on to do so; part of a year as its share. 0 where it
 * never costs more, null where it does at the end.
 *
 * @param paid and other: discounted sums by the end of each year from 0, of the same length
 * @example paysBackAfter([100, 110, 120], [0, 100, 200]) → 1.111
 * Source: discounted payback with dated replacements, NREL/TP-462-5173.
 */
export function paysBackAfter(paid: readonly number[], other: readonly number[]): number | null {
  const over = paid.map((sum, year) => sum - other[year])
  const last = over.findLastIndex((each) => each > 0)
  if (last === over.length - 1) return null
  if (last < 0) return 0
  return last + over[last] / (over[last] - over[last + 1])
}

/**
 * What is bought again each time it is worn out, within the years; nothing at their very end.
 * @param lasts years, > 0
 */
export const everySoOften = (lasts: number, years: number, cost: number): Dated[] =>
  Array.from({ length: Math.max(0, Math.ceil(years / lasts - 1e-9) - 1) }, (_, i) => ({ year: (i + 1) * lasts, cost }))

/** Share of its life that what was bought last still has at the end. */
export const leftAfter = (lasts: number, years: number): number => {
  const bought = Math.max(0, Math.ceil(years / lasts - 1e-9) - 1) * lasts
  return Math.max(0, 1 - (years - bought) / lasts)
}
