import type { Bank } from '../document/types.ts'
import { currentShares } from './currentShares.ts'

/** One string of a bank: which units stand in it, and what they make of it. */
export interface BankString {
  units: number[]
  milliohm: number
  /** share of the rated capacity its weakest unit leaves to it */
  capacityShare: number
}

/** The unit that stands at each place, string by string: in order, or as they were moved. */
export function unitOrder({ inSeries, inParallel, order }: Pick<Bank, 'inSeries' | 'inParallel' | 'order'>): number[] {
  const count = inSeries * inParallel
  const isValid = order.length === count && [...order].sort((a, b) => a - b).every((unit, i) => unit === i + 1)
  return isValid ? [...order] : Array.from({ length: count }, (_, i) => i + 1)
}

const LEAST_MILLIOHM = 0.01

/** The strings of a bank with the resistance and capacity that aged units leave them. */
export function bankStrings(bank: Bank): BankString[] {
  const order = unitOrder(bank)
  const weak = new Map(bank.weak.map((unit) => [unit.unit, unit]))
  return Array.from({ length: bank.inParallel }, (_, i) => {
    const units = order.slice(i * bank.inSeries, (i + 1) * bank.inSeries)
    const factor = units.reduce((sum, unit) => sum + (weak.get(unit)?.resistanceFactor ?? 1), 0)
    return {
      units,
      milliohm: Math.max(LEAST_MILLIOHM, bank.part.resistanceMilliohm * factor),
      capacityShare: Math.min(1, ...units.map((unit) => weak.get(unit)?.capacityShare ?? 1)),
    }
  })
}

/** How the strings share the bank's current, %. */
export function bankShares(bank: Bank): number[] {
  return currentShares(
    bankStrings(bank).map(({ milliohm }) => milliohm),
    bank.linkMilliohm,
    bank.takeoff,
  )
}

/** Share of the bank's rated capacity that its strings have together. */
export function capacityLeft(bank: Bank): number {
  const strings = bankStrings(bank)
  return strings.reduce((sum, { capacityShare }) => sum + capacityShare, 0) / strings.length
}

/** How many strings' current the bank may carry before its busiest string is at its own limit, at most all of them. */
export function stringsAtLimit(bank: Bank): number {
  return 100 / Math.max(...bankShares(bank))
}

/** A cable of the bank, for the list that goes along to the bench. */
export interface BankCable {
  part: 'jumper' | 'link' | 'lead' | 'main' | 'fuse'
  says: string
  quantity: number
  lengthM: number
}

/** Every jumper, link and lead of a bank; leads and links of parallel strings must be of equal length. */
export function bankCables(bank: Bank): BankCable[] {
  const { inSeries, inParallel, takeoff, seriesM, linkM, leadM, stringFuses } = bank
  const cables: BankCable[] = []
  const add = (part: BankCable['part'], says: string, quantity: number, lengthM: number) => {
    if (quantity > 0) cables.push({ part, says, quantity, lengthM })
  }
  add('jumper', 'jumper from + to − of the next unit', (inSeries - 1) * inParallel, seriesM)
  if (takeoff === 'equal-leads') add('lead', 'lead from a string to its bar, all of one length', 2 * inParallel, linkM)
  else add('link', 'link between neighbouring strings, + to + and − to −', 2 * (inParallel - 1), linkM)
  add('main', 'main lead', 2, leadM)
  if (stringFuses) add('fuse', 'fuse at the + of a string', inParallel, 0)
  return cables
}
