import type { Chemistry } from '../design/types.ts'
import { clamp } from '../sun/angles.ts'

export interface ChemistryFacts {
  name: string
  /** depth of discharge the hand method allows by default, and at most */
  depth: number
  depthMax: number
  /** share of charged energy that is stored */
  chargeEfficiency: number
  /** charge rate that is wanted and that stops, as shares of rated capacity per hour */
  chargeRate: { low: number; wanted: number; high: number }
  /** parallel strings recommended and at most */
  parallel: { recommended: number; most: number }
  /** state of charge at which a generator run usually ends */
  generatorStop: number
  /** lowest state of charge before the low-voltage cut-out lets go */
  cutoff: number
  /** charging voltages per 12 V of bank at 25 °C */
  absorbV: [number, number]
  floatV: [number, number]
  equaliseV: [number, number] | null
}

/** Usual figures by chemistry; the battery maker's sheet overrides every one. */
export const CHEMISTRIES: Record<Chemistry, ChemistryFacts> = {
  lfp: {
    name: 'Lithium iron phosphate',
    depth: 0.8,
    depthMax: 0.9,
    chargeEfficiency: 0.95,
    chargeRate: { low: 0, wanted: 0.2, high: 1 },
    parallel: { recommended: 8, most: 16 },
    generatorStop: 0.9,
    cutoff: 0.1,
    absorbV: [14, 14.4],
    floatV: [13.4, 13.6],
    equaliseV: null,
  },
  flooded: {
    name: 'Flooded lead-acid',
    depth: 0.5,
    depthMax: 0.8,
    chargeEfficiency: 0.85,
    chargeRate: { low: 0.05, wanted: 0.1, high: 0.2 },
    parallel: { recommended: 3, most: 4 },
    generatorStop: 0.82,
    cutoff: 0.2,
    absorbV: [14.4, 14.8],
    floatV: [13.2, 13.5],
    equaliseV: [15.5, 16],
  },
  agm: {
    name: 'AGM lead-acid',
    depth: 0.5,
    depthMax: 0.8,
    chargeEfficiency: 0.88,
    chargeRate: { low: 0.05, wanted: 0.1, high: 0.25 },
    parallel: { recommended: 3, most: 4 },
    generatorStop: 0.82,
    cutoff: 0.2,
    absorbV: [14.4, 14.7],
    floatV: [13.5, 13.8],
    equaliseV: null,
  },
  gel: {
    name: 'Gel lead-acid',
    depth: 0.5,
    depthMax: 0.8,
    chargeEfficiency: 0.88,
    chargeRate: { low: 0.05, wanted: 0.1, high: 0.2 },
    parallel: { recommended: 3, most: 4 },
    generatorStop: 0.82,
    cutoff: 0.2,
    absorbV: [14.1, 14.2],
    floatV: [13.5, 13.8],
    equaliseV: null,
  },
}

/** Lead-acid multipliers by temperature, °C → multiplier on the needed capacity. Source: IEEE 1013 practice. */
const LEAD_ACID_MULTIPLIER: [number, number][] = [
  [-6.7, 1.59],
  [-1.1, 1.4],
  [4.4, 1.3],
  [10, 1.19],
  [15.6, 1.11],
  [21.1, 1.04],
  [26.7, 1],
]

/** LFP capacity by temperature. */
const LFP_FACTOR: [number, number][] = [
  [-20, 0.7],
  [-10, 0.82],
  [0, 0.92],
  [10, 0.97],
  [25, 1],
]

/**
 * Share of the rated capacity that a cold bank gives, 0…1; never above 1.
 * Linear between the tabulated temperatures, the last slope carried on below them, floored at 0.2.
 *
 * @param batteryC temperature of the cells, °C
 * Source: stand-alone sizing multipliers (IEEE 1013), inverted; LFP from makers' typical curves.
 */
export function coldFactor(chemistry: Chemistry, batteryC: number): number {
  if (chemistry === 'lfp') return clamp(interpolate(LFP_FACTOR, batteryC), 0.2, 1)
  return clamp(1 / interpolate(LEAD_ACID_MULTIPLIER, batteryC), 0.2, 1)
}

/** Linear interpolation in a table of rising x; extended below by its first slope, held above its last value. */
export function interpolate(table: readonly (readonly [number, number])[], x: number): number {
  const last = table[table.length - 1]
  if (x >= last[0]) return last[1]
  let i = 1
  while (i < table.length - 1 && x > table[i][0]) i++
  const [x0, y0] = table[i - 1]
  const [x1, y1] = table[i]
  return y0 + ((x - x0) / (x1 - x0)) * (y1 - y0)
}

/**
 * Temperature at which the electrolyte of a lead-acid cell freezes.
 * @param stateOfCharge 0…1
 * @throws RangeError outside 0…1
 * Source: specific gravity 1.120 empty to 1.265 full; freezing points of sulphuric acid, linear between.
 */
export function freezingPointC(stateOfCharge: number): number {
  if (!(stateOfCharge >= 0 && stateOfCharge <= 1))
    throw new RangeError(`stateOfCharge ${stateOfCharge} must lie between 0 and 1`)
  const gravity = 1.12 + 0.145 * stateOfCharge
  return interpolate(
    [
      [1.1, -8],
      [1.15, -15],
      [1.2, -27],
      [1.25, -52],
      [1.28, -68],
    ],
    gravity,
  )
}
