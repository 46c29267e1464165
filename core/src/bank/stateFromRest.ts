import type { Chemistry } from '../document/types.ts'
import { clamp } from '../math/angles.ts'
import { CHEMISTRIES } from './chemistry.ts'

/** What a meter and a rest that was too short may make of a cell's volts, V. Source: half a per cent of a hand meter. */
const CELL_OFF_V = 0.01
/** Rested volts of a lead cell rise with warmth, V/K; of lithium hardly. Source: Bode, Lead-Acid Batteries (1977). */
const LEAD_V_PER_K = 0.0002
const WARM_C = 25

/**
 * State of charge by the volts of a bank that has rested for hours.
 *
 * @param volts of the whole bank, > 0
 * @param nominalV of the whole bank, > 0
 * @returns the likeliest, and between what it lies with a hand meter: narrow for lead, wide on the flat part of lithium
 * @throws RangeError for volts that are not above 0
 * Source: rested curves of the chemistries.
 * @example stateFromRest('flooded', 50.4, 48) → { stateOfCharge: 0.8824, low: 0.8235, high: 0.9412 }
 */
export function stateFromRest(
  chemistry: Chemistry,
  volts: number,
  nominalV: number,
  batteryC: number = WARM_C,
): { stateOfCharge: number; low: number; high: number } {
  if (!(volts > 0)) throw new RangeError(`volts ${volts} must be above 0`)
  if (!(nominalV > 0)) throw new RangeError(`nominalV ${nominalV} must be above 0`)
  const { cellV, managed } = CHEMISTRIES[chemistry]
  const cell = (volts * cellV) / nominalV - (managed ? 0 : LEAD_V_PER_K * (batteryC - WARM_C))
  return {
    stateOfCharge: chargeOfCell(chemistry, cell),
    low: chargeOfCell(chemistry, cell - CELL_OFF_V),
    high: chargeOfCell(chemistry, cell + CELL_OFF_V),
  }
}

/** The rested curve read the other way, held to 0…1. */
function chargeOfCell(chemistry: Chemistry, volts: number): number {
  const { restedCellV } = CHEMISTRIES[chemistry]
  const after = restedCellV.findIndex(([, v]) => v >= volts)
  if (after < 0) return 1
  if (after === 0) return 0
  const [c0, v0] = restedCellV[after - 1]
  const [c1, v1] = restedCellV[after]
  return clamp(c0 + ((volts - v0) / (v1 - v0)) * (c1 - c0), 0, 1)
}
