import type { Bank, Chemistry } from '../document/types.ts'
import { clamp } from '../math/angles.ts'
import { interpolate } from '../math/interpolate.ts'
import { CHEMISTRIES } from './chemistry.ts'
import { bankNominalV } from './layout.ts'

/**
 * Rested voltage of a bank, V, by the curve of its chemistry.
 *
 * @param nominalV of the bank: 12 V per six lead-acid cells; 12.8 V per four LFP cells
 * @param stateOfCharge 0…1
 */
export function restedVoltage(chemistry: Chemistry, nominalV: number, stateOfCharge: number): number {
  const { cellV, restedCellV } = CHEMISTRIES[chemistry]
  return (nominalV / cellV) * interpolate(restedCellV, clamp(stateOfCharge, 0, 1))
}

/** As {@link restedVoltage}, of a whole bank. */
export const restedBankV = (bank: Pick<Bank, 'part' | 'inSeries'>, stateOfCharge: number): number =>
  restedVoltage(bank.part.chemistry, bankNominalV(bank), stateOfCharge)

/**
 * Terminal voltage while a constant power is drawn: V = (E + √(E² − 4PR)) / 2.
 *
 * @param openCircuitV > 0
 * @param ohm ≥ 0
 * @param watts ≥ 0
 * @returns whether the bank can carry it at all, and at what voltage
 * @throws RangeError for a voltage not above 0 or a negative resistance
 */
export function sag(openCircuitV: number, ohm: number, watts: number): { carries: boolean; volts: number | null } {
  if (!(openCircuitV > 0)) throw new RangeError(`openCircuitV ${openCircuitV} must be above 0`)
  if (!(ohm >= 0)) throw new RangeError(`ohm ${ohm} must not be negative`)
  const discriminant = openCircuitV * openCircuitV - 4 * watts * ohm
  return discriminant < 0
    ? { carries: false, volts: null }
    : { carries: true, volts: (openCircuitV + Math.sqrt(discriminant)) / 2 }
}
