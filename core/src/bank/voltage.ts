import type { Chemistry } from '../design/types.ts'
import { clamp } from '../sun/angles.ts'
import { interpolate } from './chemistry.ts'

const LFP_CELL: [number, number][] = [
  [0, 2.8],
  [0.05, 3.1],
  [0.1, 3.2],
  [0.2, 3.24],
  [0.5, 3.29],
  [0.8, 3.33],
  [0.95, 3.36],
  [1, 3.45],
]

/**
 * Rested voltage of a bank, V.
 * Lead-acid: 2.0 V/cell empty-ish to 2.12 V full, gel and AGM 0.02 V higher; LFP from its flat plateau.
 *
 * @param nominalV of the bank: 12 V per six lead-acid cells; 12.8 V per four LFP cells
 * @param stateOfCharge 0…1
 */
export function restedVoltage(chemistry: Chemistry, nominalV: number, stateOfCharge: number): number {
  const charge = clamp(stateOfCharge, 0, 1)
  if (chemistry === 'lfp') return (nominalV / 3.2) * interpolate(LFP_CELL, charge)
  const full = chemistry === 'flooded' ? 2.12 : 2.14
  return (nominalV / 2) * (1.95 + (full - 1.95) * charge)
}

/**
 * Terminal voltage while a constant power is drawn: V = (E + √(E² − 4PR)) / 2.
 *
 * @param openCircuitV > 0
 * @param ohm ≥ 0
 * @param watts ≥ 0
 * @returns whether the bank can carry it at all, and at what voltage
 */
export function sag(openCircuitV: number, ohm: number, watts: number): { carries: boolean; volts: number | null } {
  if (!(openCircuitV > 0)) throw new RangeError(`openCircuitV ${openCircuitV} must be above 0`)
  if (!(ohm >= 0)) throw new RangeError(`ohm ${ohm} must not be negative`)
  const discriminant = openCircuitV * openCircuitV - 4 * watts * ohm
  return discriminant < 0
    ? { carries: false, volts: null }
    : { carries: true, volts: (openCircuitV + Math.sqrt(discriminant)) / 2 }
}
