import { bankCables, type BankCable } from '../bank/strings.ts'
import type { Design } from '../document/types.ts'
import { isBoxed } from '../inverter/service.ts'
import type { Words } from '../units/words.ts'
import { cableName, workedCircuits, type WorkedCircuit } from './work.ts'

/** A cable or fuse of the bank with the current it sees and what carries it. */
export interface BankConductor extends BankCable {
  amps: number
  /** null for a fuse, and where nothing carries it */
  cable: Words | null
  /** of a fuse; null for a cable, and where no standard one is made for it */
  deviceA: number | null
}

/** Every jumper, link, lead and fuse of a bank with its current, the thinnest cable or the one chosen, and the device. */
export function bankConductors(
  design: Design,
  circuits: readonly WorkedCircuit[] = workedCircuits(design),
): BankConductor[] {
  // inside a power box nobody lays a cable
  if (isBoxed(design)) return []
  const shared = design.bank.takeoff === 'equal-leads' ? 'bank-lead' : 'bank-link'
  const idOf: Record<BankCable['part'], string> = {
    jumper: 'bank-jumper',
    link: shared,
    lead: shared,
    main: 'bank-main',
    fuse: shared,
  }
  return bankCables(design.bank).flatMap((cable): BankConductor[] => {
    const worked = circuits.find(({ circuit }) => circuit.id === idOf[cable.part])
    if (!worked) return []
    const { circuit, conductor, device } = worked
    const isFuse = cable.part === 'fuse'
    return [
      {
        ...cable,
        amps: circuit.workingA,
        cable: isFuse || !conductor ? null : cableName(conductor),
        deviceA: isFuse ? (device?.amps ?? null) : null,
      },
    ]
  })
}
