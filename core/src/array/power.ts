import type { ArrayField, Mounting } from '../document/types.ts'

/** Heat-loss factors u0, u1 by mounting. Source: Faiman (2008); close to a roof from field practice. */
export const HEAT_LOSS: Record<Mounting, { u0: number; u1: number }> = {
  'open-rack': { u0: 25, u1: 6.84 },
  'roof-parallel': { u0: 20, u1: 3 },
}

/**
 * Temperature of the cells, °C: Tc = Ta + G / (u0 + u1·wind).
 * @param irradianceWM2 ≥ 0
 * @param windMS ≥ 0
 * Source: Faiman (2008).
 * @example moduleTemperature(800, -10, 1, 'open-rack') → 15.13
 */
export function moduleTemperature(irradianceWM2: number, airC: number, windMS: number, mounting: Mounting): number {
  const { u0, u1 } = HEAT_LOSS[mounting]
  return airC + irradianceWM2 / (u0 + u1 * windMS)
}

/** Power of a module, W: P = Pstc·G/1000·(1 + γ(Tc − 25)), never negative. */
export function modulePower(ratedW: number, irradianceWM2: number, cellC: number, gammaPctPerK: number): number {
  return Math.max(0, ((ratedW * irradianceWM2) / 1000) * (1 + (gammaPctPerK / 100) * (cellC - 25)))
}

/** Share left after each named loss in turn: soiling, mismatch, light-induced, wiring where it is known, and 0.5 % a year of age. */
export function lossFactor(array: ArrayField): number {
  return (
    (1 - array.soilingLoss) *
    (1 - array.mismatchLoss) *
    (1 - array.lightInducedLoss) *
    (1 - (array.wiringLoss ?? 0)) *
    (1 - 0.005 * array.ageYears)
  )
}

/** Rated power of an array, W. */
export function arrayRatedW(array: Pick<ArrayField, 'module' | 'inSeries' | 'inParallel'>): number {
  return array.module.ratedW * array.inSeries * array.inParallel
}
