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

/** Share left after each named loss in turn: soiling, mismatch, light-induced, wiring, and 0.5 % a year of age. */
export function lossFactor(array: ArrayField): number {
  return (
    (1 - array.soilingLoss) *
    (1 - array.mismatchLoss) *
    (1 - array.lightInducedLoss) *
    (1 - array.wiringLoss) *
    (1 - 0.005 * array.ageYears)
  )
}

/** Rated power of an array, W. */
export function arrayRatedW(array: Pick<ArrayField, 'module' | 'inSeries' | 'inParallel'>): number {
  return array.module.ratedW * array.inSeries * array.inParallel
}

/** Whether a short in one string would be fed more by the others than its modules stand: (n − 1)·1.25·Isc over the fuse rating. */
export function needsStringFuses({ inParallel, module }: Pick<ArrayField, 'inParallel' | 'module'>): boolean {
  return (inParallel - 1) * 1.25 * module.iscA > module.seriesFuseA
}

/** Share of the sun on the modules that reaches the bank. Source: the hand method's system factor. */
export const SYSTEM_FACTOR = 0.8

/** Rated watts of modules that bring so much a day to the bank; 0 where there is no sun at all. */
export function modulesForDay(whPerDay: number, sunHours: number): number {
  return sunHours > 0 ? whPerDay / (sunHours * SYSTEM_FACTOR) : 0
}
