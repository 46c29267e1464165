import type { Chemistry } from '../document/types.ts'
import { clamp } from '../math/angles.ts'
import { interpolate } from '../math/interpolate.ts'
import { celsius, kelvin } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'

/**
 * Everything a chemistry is to this program. Nothing else asks which one it is: a further one is an entry here and in
 * {@link Chemistry}, and the compiler names what it lacks.
 */
export interface ChemistryFacts {
  name: string
  /** the one it is usually weighed against */
  counterpart: Chemistry
  /** depth of discharge the hand method allows by default, and at most, 0…1 */
  depth: number
  depthMax: number
  /** share of charged energy that is stored, 0…1 */
  chargeEfficiency: number
  /** charge rates as shares of rated capacity per hour: under the one it suffers, over the other too */
  chargeRate: { low: number; high: number }
  /** parallel strings recommended and at most */
  parallel: { recommended: number; most: number }
  /** states of charge at which a generator usually starts and stops, and ends a charge that is to be full: the last of it belongs to the sun */
  generatorStart: number
  generatorStop: number
  generatorFull: number
  /** wants a full charge so often, days; null for never */
  fullChargeEveryDays: number | null
  /** lowest state of charge before the low-voltage cut-out lets go, 0…1 */
  cutoff: number
  /** volts of a cell under load at which nothing more should be taken. Source: IEEE 485, end-of-discharge voltage; data sheets */
  emptyCellV: number
  /** charging voltages per 12 V of bank at 25 °C: least and most */
  absorbV: [number, number]
  floatV: [number, number]
  equaliseV: [number, number] | null
  /** what it is charged higher by for each kelvin below 25 °C, mV a cell */
  compensationMVPerCellK: number
  /** nominal volts of a cell, and those it counts as where 12, 24 and 48 V are spoken of */
  cellV: number
  classCellV: number
  /** rested volts of a cell by state of charge, rising */
  restedCellV: [number, number][]
  /** whether a faster discharge gives less */
  rateEffect: boolean
  /** share of the rated capacity that is left at a temperature of the cells, °C, before it is held within 0.2…1 */
  coldShare: (batteryC: number) => number
  /** its electrolyte freezes, the sooner the emptier it is */
  freezes: boolean
  /** a management unit takes it off before it is harmed */
  managed: boolean
  /** gives off hydrogen when charged */
  vents: boolean
  /** wants water */
  watered: boolean
  /** energy in a litre of case, Wh. Source: typical data sheets of deep-cycle units */
  whPerL: number
  upkeep: string
  inTheCold: Words
  /** how to keep units that were bought before there is anything to charge them */
  storage: Words[]
}

/** Multipliers on the needed capacity by temperature, °C. Source: IEEE 1013 practice. */
const LEAD_ACID_MULTIPLIER: [number, number][] = [
  [-6.7, 1.59],
  [-1.1, 1.4],
  [4.4, 1.3],
  [10, 1.19],
  [15.6, 1.11],
  [21.1, 1.04],
  [26.7, 1],
]

/** Capacity by temperature, °C. Source: makers' typical curves. */
const LFP_FACTOR: [number, number][] = [
  [-20, 0.7],
  [-10, 0.82],
  [0, 0.92],
  [10, 0.97],
  [25, 1],
]

/** What the lead-acid kinds have in common. */
const LEAD = {
  counterpart: 'lfp',
  depth: 0.5,
  depthMax: 0.8,
  parallel: { recommended: 3, most: 4 },
  generatorStart: 0.5,
  generatorStop: 0.82,
  generatorFull: 0.96,
  fullChargeEveryDays: 14,
  cutoff: 0.2,
  emptyCellV: 1.75,
  compensationMVPerCellK: 4,
  cellV: 2,
  classCellV: 2,
  rateEffect: true,
  coldShare: (batteryC: number) => 1 / interpolate(LEAD_ACID_MULTIPLIER, batteryC),
  freezes: true,
  managed: false,
  vents: true,
  watered: false,
  inTheCold: 'Charges in the cold but holds less; freezes when empty.',
  storage: [
    say`Store full, cool and dry: at ${celsius(25)} lead loses 3–5 % a month (flooded), 1–3 % (sealed); half that for every ${kelvin(10)} cooler.`,
    'Top up every month or two; a unit left under 80 % sulphates, one left flat freezes.',
    'Units waiting together may be charged in parallel groups of the same type and age with equal leads; take the groups apart before they are left alone.',
    'Off season: full charge, loads off, a small array left on float if the bank stays connected.',
  ],
} satisfies Partial<ChemistryFacts>

/** Usual figures by chemistry; the battery maker's sheet overrides every one. */
export const CHEMISTRIES: Record<Chemistry, ChemistryFacts> = {
  lfp: {
    name: 'Lithium iron phosphate',
    counterpart: 'flooded',
    depth: 0.8,
    depthMax: 0.9,
    chargeEfficiency: 0.95,
    chargeRate: { low: 0, high: 1 },
    parallel: { recommended: 8, most: 16 },
    generatorStart: 0.3,
    generatorStop: 0.9,
    generatorFull: 0.99,
    fullChargeEveryDays: null,
    cutoff: 0.1,
    emptyCellV: 2.5,
    absorbV: [14, 14.4],
    floatV: [13.4, 13.6],
    equaliseV: null,
    compensationMVPerCellK: 0,
    cellV: 3.2,
    classCellV: 3,
    restedCellV: [
      [0, 2.8],
      [0.05, 3.1],
      [0.1, 3.2],
      [0.2, 3.24],
      [0.5, 3.29],
      [0.8, 3.33],
      [0.95, 3.36],
      [1, 3.45],
    ],
    rateEffect: false,
    coldShare: (batteryC) => interpolate(LFP_FACTOR, batteryC),
    freezes: false,
    managed: true,
    vents: false,
    watered: false,
    whPerL: 170,
    upkeep: 'Nearly none; the management unit must stay in circuit.',
    inTheCold: say`No charging at or below ${celsius(0)}, or heaters that eat energy.`,
    storage: [
      say`Store at about half charge, between ${celsius(0)} and ${celsius(25)}, switched off at the management unit.`,
      'Look at the voltage every three months; charge back to half when it has fallen to a fifth.',
      'Before they are joined, charge every unit full by itself and let it rest: parallel units must stand within 0.1 V of each other.',
    ],
  },
  flooded: {
    ...LEAD,
    name: 'Flooded lead-acid',
    chargeEfficiency: 0.85,
    chargeRate: { low: 0.05, high: 0.2 },
    absorbV: [14.4, 14.8],
    floatV: [13.2, 13.5],
    equaliseV: [15.5, 16],
    restedCellV: [
      [0, 1.95],
      [1, 2.12],
    ],
    watered: true,
    whPerL: 75,
    upkeep: 'Water and terminals every month, equalise every quarter, ventilate: it gives off hydrogen.',
  },
  agm: {
    ...LEAD,
    name: 'AGM lead-acid',
    chargeEfficiency: 0.88,
    chargeRate: { low: 0.05, high: 0.25 },
    absorbV: [14.4, 14.7],
    floatV: [13.5, 13.8],
    equaliseV: null,
    restedCellV: [
      [0, 1.95],
      [1, 2.14],
    ],
    whPerL: 85,
    upkeep: 'Terminals yearly; must be charged full often, takes no equalising.',
  },
  gel: {
    ...LEAD,
    name: 'Gel lead-acid',
    chargeEfficiency: 0.88,
    chargeRate: { low: 0.05, high: 0.2 },
    absorbV: [14.1, 14.2],
    floatV: [13.5, 13.8],
    equaliseV: null,
    restedCellV: [
      [0, 1.95],
      [1, 2.14],
    ],
    whPerL: 80,
    upkeep: 'Terminals yearly; slow, gentle charging, takes no equalising.',
  },
}

/** Every chemistry there is. */
export const CHEMISTRY_IDS = Object.keys(CHEMISTRIES) as Chemistry[]

/**
 * Share of the rated capacity that a cold bank gives, 0.2…1; never above 1.
 * Linear between the tabulated temperatures, the last slope carried on below them.
 *
 * @param batteryC temperature of the cells, °C
 * Source: stand-alone sizing multipliers (IEEE 1013), inverted; LFP from makers' typical curves.
 * @example coldFactor('flooded', 27) → 1
 */
export function coldFactor(chemistry: Chemistry, batteryC: number): number {
  return clamp(CHEMISTRIES[chemistry].coldShare(batteryC), 0.2, 1)
}

/**
 * Temperature at which the electrolyte of a lead-acid cell freezes.
 * @param stateOfCharge 0…1
 * @throws RangeError outside 0…1
 * Source: specific gravity 1.120 empty to 1.265 full; freezing points of sulphuric acid, linear between.
 * @example freezingPointC(0.5) → -25.2
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
