import { newDesign, type NewPlace } from '../design/defaults.ts'
import type { Bank, Design, Topology } from '../document/types.ts'
import { takeVoltage } from './bank.ts'

/** What a new house is wired for, where it is known. */
export interface NewHouse {
  /** what comes out of its sockets; the usual of the place unless said */
  service?: Topology
  /** the bank's voltage; a beginning of 24 V unless said, until a suggestion advises */
  systemV?: Bank['systemV']
}

/**
 * A new design at a place, for the house that is known.
 * @throws RangeError for an unknown climate or a latitude out of range
 */
export function beginDesign(name: string, { systemV, ...where }: NewPlace & NewHouse): Design {
  const design = newDesign(name, where)
  return systemV === undefined ? design : takeVoltage(systemV)(design)
}
