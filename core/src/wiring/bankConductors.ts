import { bankCables, bankShares, type BankCable } from '../bank/strings.ts'
import type { Bank, Design } from '../document/types.ts'
import { isBoxed } from '../inverter/service.ts'
import { fullLoadLaterA, thinnestFor } from './runs.ts'
import { deviceFor } from './conductors.ts'

/** A cable or fuse of the bank with the current it sees and what carries it. */
export interface BankConductor extends BankCable {
  amps: number
  /** as in {@link CONDUCTORS}; null for a fuse, and where no single cable carries it */
  size: string | null
  /** of a fuse; null for a cable, and where no standard one is made for it */
  deviceA: number | null
}

/**
 * Currents of a bank's strings while it gives so much in all, A, by how they share it.
 * @example stringAmps(larkspurBench().bank, 300) → [50, 50, 50, 50, 50, 50]
 */
export const stringAmps = (bank: Bank, totalA: number): number[] =>
  bankShares(bank).map((share) => (totalA * share) / 100)

/** Most that a link between neighbouring strings carries, A: all strings beyond it, on either bar. */
function linkAmps({ takeoff }: Bank, strings: readonly number[]): number {
  const total = strings.reduce((sum, amps) => sum + amps, 0)
  const last = takeoff === 'one-end' ? 0 : strings.length - 1
  return Math.max(total - strings[0], total - strings[last])
}

/** Every jumper, link, lead and fuse of a bank with its current at the inverter's full load, the thinnest cable and the device. */
export function bankConductors(design: Design): BankConductor[] {
  const { bank } = design
  // inside a power box nobody lays a cable
  if (isBoxed(design)) return []
  const totalA = fullLoadLaterA(design)
  const strings = stringAmps(bank, totalA)
  const stringA = Math.max(...strings)
  const amps: Record<BankCable['part'], number> = {
    jumper: stringA,
    link: linkAmps(bank, strings),
    lead: stringA,
    main: totalA,
    fuse: stringA,
  }
  return bankCables(bank).map((cable) => {
    const each = amps[cable.part]
    const designA = each * 1.25
    return cable.part === 'fuse'
      ? { ...cable, amps: each, size: null, deviceA: deviceFor(designA) }
      : { ...cable, amps: each, size: thinnestFor(design.place.wiringBasis, designA), deviceA: null }
  })
}
