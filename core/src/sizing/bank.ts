import { CHEMISTRIES } from '../bank/chemistry.ts'
import { classVoltage, ratedAh } from '../bank/layout.ts'
import { sizeByHand } from '../bank/sizeByHand.ts'
import { newBank } from '../design/defaults.ts'
import { derive, type Derived } from '../derive/derive.ts'
import type { Bank, BatteryPart, Chemistry, Design } from '../document/types.ts'
import { COUNTS } from '../fields/limits.ts'
import { batteryParts } from '../parts/shelf.ts'

/** A bank of one part of the shelf, in strings by the hand method. */
export interface HandBank {
  part: BatteryPart
  sizing: ReturnType<typeof sizeByHand>
  price: number
  bank: Bank
}

/** Strings beyond which leads taken off at opposite corners share too unevenly. */
const CORNERS_SERVE = 2

/** What a bank is sized for: the need of the darkest month, its days, depth and cold. */
export interface HandNeed {
  dailyWh: number
  days: number
  depth: number
  batteryC: number
}

/** What the hand method asks of a design's bank in a chemistry. */
export function handNeed(
  design: Design,
  chemistry: Chemistry,
  { worked, batteryC }: Pick<Derived, 'worked' | 'batteryC'> = derive(design),
): HandNeed {
  return {
    dailyWh: worked['loads.battery-day'].value,
    days: design.bank.autonomyDays,
    depth: Math.min(design.bank.allowedDepth, CHEMISTRIES[chemistry].depthMax),
    batteryC,
  }
}

/**
 * Banks of a chemistry and voltage by the hand method, one of every part of the shelf: those without too many strings first,
 * then the least money.
 */
export function handBanks(
  design: Design,
  { chemistry, systemV }: { chemistry: Chemistry; systemV: Bank['systemV'] },
  need: HandNeed = handNeed(design, chemistry),
): HandBank[] {
  const { recommended } = CHEMISTRIES[chemistry].parallel
  const over = ({ sizing }: HandBank) => Math.max(0, sizing.inParallel - recommended)
  return batteryParts
    .filter((part) => part.chemistry === chemistry && Number.isInteger(systemV / classVoltage(part)))
    .map((part) => {
      const sizing = sizeByHand({ ...need, chemistry, systemV, unitV: part.nominalV, unitAh: ratedAh(part) })
      const bank = handBank(design, part, systemV, sizing.inParallel, need.depth)
      return { part, sizing, price: part.price * sizing.inSeries * sizing.inParallel, bank }
    })
    .sort((a, b) => over(a) - over(b) || a.price - b.price)
}

/** A bank of so many strings of a part, with the days a design asks for. */
export const handBank = (
  design: Design,
  part: BatteryPart,
  systemV: Bank['systemV'],
  inParallel: number,
  depth: number,
): Bank => ({
  ...newBank(part.id, systemV, Math.min(COUNTS.stringsOfBank, inParallel)),
  autonomyDays: design.bank.autonomyDays,
  allowedDepth: depth,
  takeoff: inParallel > CORNERS_SERVE ? 'equal-leads' : 'opposite-corners',
  stringFuses: design.bank.stringFuses || inParallel > 1,
  // what was measured on the floor is not the unit’s
  linkMilliohm: design.bank.linkMilliohm,
  seriesM: design.bank.seriesM,
  linkM: design.bank.linkM,
  leadM: design.bank.leadM,
})

/**
 * The bank of a design sized by hand again: same chemistry and voltage, the part that does it best.
 * @param derived what is derived of the design, where it is at hand
 */
export function sizeBank(design: Design, derived?: Derived): Design {
  const { systemV, part } = design.bank
  const { chemistry } = part
  const [best] = handBanks(design, { chemistry, systemV }, handNeed(design, chemistry, derived))
  return best ? { ...design, bank: best.bank } : design
}
