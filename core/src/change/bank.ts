import { CHEMISTRIES } from '../bank/chemistry.ts'
import { classVoltage, trySeries } from '../bank/layout.ts'
import { unitOrder } from '../bank/strings.ts'
import type { Bank, BatteryPart, Chemistry, Design } from '../document/types.ts'
import { startVoltsFor } from '../generator/power.ts'
import { batteryParts, structuredCloneOf } from '../parts/shelf.ts'
import { isBoxed } from '../inverter/service.ts'
import { COUNTS } from '../fields/limits.ts'
import type { Change } from './change.ts'
import { settledGenerator } from './generator.ts'
import { followVoltage, inverterFor } from './inverter.ts'

const VOLTAGES = [48, 24, 12] as const

/** Units that are new stand in order, and none of them has aged. */
const NEW_UNITS = { order: [], weak: [] }

/**
 * Other units. Those of another chemistry bring its usual depth, cut-out, charge levels and care; those that do not make the
 * bank's voltage bring the nearest they make, with an inverter for it.
 *
 * @param strings how many in parallel; as many as there are unless said
 */
export const takeBattery =
  (part: BatteryPart, strings?: number): Change =>
  (design) => {
    const { bank, generator } = design
    const [systemV] = [...VOLTAGES]
      .filter((each) => trySeries(each, part) !== null)
      .sort((a, b) => Math.abs(a - bank.systemV) - Math.abs(b - bank.systemV))
    // what no bank can be made of is left for the reader to see
    const moved = systemV === undefined ? design : takeVoltage(systemV)(design)
    const another = part.chemistry !== bank.part.chemistry
    const facts = CHEMISTRIES[part.chemistry]
    const next: Design = {
      ...moved,
      bank: {
        ...moved.bank,
        ...NEW_UNITS,
        part: structuredCloneOf(part),
        inSeries: trySeries(moved.bank.systemV, part) ?? bank.inSeries,
        inParallel: Math.min(COUNTS.stringsOfBank, strings ?? bank.inParallel),
        ...(another ? { allowedDepth: facts.depth, cutoffStateOfCharge: facts.cutoff, absorbV: null } : {}),
      },
      generator: another
        ? {
            ...moved.generator,
            stopStateOfCharge: facts.generatorStop,
            equaliseEveryDays: facts.equaliseV ? generator.equaliseEveryDays : null,
            fullChargeEveryDays:
              facts.fullChargeEveryDays && (generator.fullChargeEveryDays ?? facts.fullChargeEveryDays),
          }
        : moved.generator,
    }
    // a set voltage may not suit the cells of the new units
    if (classVoltage(part) !== classVoltage(bank.part) || part.nominalV !== bank.part.nominalV) next.bank.absorbV = null
    return { ...next, generator: settledGenerator(next) }
  }

/** The usual unit of each chemistry, of those on the shelf that make a voltage. */
const USUAL_UNITS: Record<Chemistry, string> = {
  lfp: 'lfp-51-100',
  flooded: 'flooded-6-420',
  agm: 'agm-6-400',
  gel: 'gel-12-180',
}

/** A unit of the shelf of a chemistry that makes a voltage: the usual one, or the first that does. */
export function unitFor(chemistry: Chemistry, systemV: number): BatteryPart | undefined {
  const fits = batteryParts.filter((part) => part.chemistry === chemistry && trySeries(systemV, part) !== null)
  return fits.find(({ id }) => id === USUAL_UNITS[chemistry]) ?? fits[0]
}

/** Another chemistry in its usual unit, as many strings as there are. */
export const takeChemistry =
  (chemistry: Chemistry): Change =>
  (design) => {
    const part = unitFor(chemistry, design.bank.systemV)
    return part ? takeBattery(part)(design) : design
  }

/** The voltages a bank of a design can be taken to: its own, and those the shelf has a unit of its chemistry and an inverter for. */
export const voltagesFor = (design: Design): Bank['systemV'][] =>
  VOLTAGES.filter((each) => takeVoltage(each)(design).bank.systemV === each)

/**
 * Another voltage: units of the same chemistry that make it and an inverter made for it. Nothing changes where the shelf
 * has no such unit or inverter.
 */
export const takeVoltage =
  (systemV: Bank['systemV']): Change =>
  (design) => {
    const { bank, generator } = design
    if (systemV === bank.systemV) return design
    const fits = trySeries(systemV, bank.part) !== null
    const part = fits ? bank.part : unitFor(bank.part.chemistry, systemV)
    if (!part || inverterFor(design, systemV).part.bankV !== systemV) return design
    const next: Design = {
      ...design,
      bank: {
        ...bank,
        // the same units in other strings keep what is known of them, but not their places
        ...(fits ? { order: [] } : NEW_UNITS),
        systemV,
        part: structuredCloneOf(part),
        inSeries: trySeries(systemV, part)!,
        absorbV: null,
      },
      generator: { ...generator, startV: startVoltsFor(systemV) },
    }
    return followVoltage(systemV)(next)
  }

/** As the hand method sizes it for so many days, so deep. */
export const takeHandSize =
  (days: number, depth: number, strings: number): Change =>
  (design) => ({
    ...design,
    bank: {
      ...design.bank,
      autonomyDays: days,
      allowedDepth: depth,
      inParallel: Math.min(COUNTS.stringsOfBank, strings),
      order: [],
      cutoffStateOfCharge: Math.min(design.bank.cutoffStateOfCharge, 1 - depth),
    },
  })

/**
 * One more string of the bank, as long as there may be another; units then stand as they are numbered. A power box takes none.
 */
export const addString: Change = (design) =>
  isBoxed(design)
    ? design
    : {
        ...design,
        bank: { ...design.bank, order: [], inParallel: Math.min(COUNTS.stringsOfBank, design.bank.inParallel + 1) },
      }

/** Units of a bank that have places and states of their own; in a larger one they are taken as alike. */

/** Two units, numbered from 1, change places. */
export const swapUnits =
  (a: number, b: number): Change =>
  (design) => {
    if (design.bank.inSeries * design.bank.inParallel > COUNTS.units) return design
    const order = unitOrder(design.bank).map((unit) => (unit === a ? b : unit === b ? a : unit))
    return { ...design, bank: { ...design.bank, order } }
  }

/** A unit that has aged apart from the others, or is as new again. @param capacityShare 0…1 @param resistanceFactor ≥ 1 */
export const markUnit =
  (unit: number, capacityShare: number, resistanceFactor: number): Change =>
  (design) => {
    if (unit > COUNTS.units) return design
    const others = design.bank.weak.filter((each) => each.unit !== unit)
    const aged = capacityShare < 1 || resistanceFactor > 1
    const weak = aged ? [...others, { unit, capacityShare, resistanceFactor }] : others
    return { ...design, bank: { ...design.bank, weak } }
  }

/** A further rated capacity, at half the current of the last. */
export const addRate: Change = (design) => {
  const { part } = design.bank
  if (part.capacities.length >= COUNTS.capacities) return design
  const last = part.capacities[part.capacities.length - 1]
  const capacities = [...part.capacities, { hours: Math.min(1000, last.hours * 2), ampHours: last.ampHours }]
  return { ...design, bank: { ...design.bank, part: { ...part, capacities } } }
}
