import type { Load } from '../document/types.ts'

const DAYS_PER_MONTH = 365 / 12

/**
 * Energy of a load on an average day of a month, at the load itself (before the inverter).
 *
 * rated: watts × quantity × hours × duty × days a week / 7.
 * metered: kWh over the hours it was watched, brought to a day. cycle: Wh × depth ÷ charger efficiency × times a week / 7.
 * strip: as metered, of one meter on several loads, times this load's share of it.
 * month: kWh of a month ÷ the days of a mean month. Standby comes on top of rated and cycle.
 * Each times the season share of the month.
 * A load carried by propane, or taken out, draws nothing.
 *
 * @param load as in the document
 * @param month 0…11
 * @returns Wh/day ≥ 0
 * @throws RangeError where the figure the chosen basis needs is missing, or the month does not exist
 * Source: stand-alone sizing practice, IEEE 1013; a meter reading outranks a nameplate.
 * @example dailyEnergy({ ...larkspurBench().loads[0], basis: 'month', monthKWh: 36.5, seasonShare: Array(12).fill(1)
 * }, 0) → 1200
 */
export function dailyEnergy(load: Load, month: number): number {
  return useEnergy(load, month) + standbyEnergy(load, month)
}

/**
 * The part of {@link dailyEnergy} that is drawn while the load is in use, Wh/day.
 * @throws RangeError for a month that does not exist
 */
export function useEnergy(load: Load, month: number): number {
  if (!(Number.isInteger(month) && month >= 0 && month < 12)) throw new RangeError(`month ${month} must be 0 to 11`)
  return load.supply === 'electric' ? statedDailyEnergy(load) * load.seasonShare[month] : 0
}

/**
 * The part of {@link dailyEnergy} that is drawn, evenly, while the load only stands by, Wh/day. A meter and a bill have
 * it in their figure already; a month without use has it unplugged.
 */
export function standbyEnergy(load: Load, month: number): number {
  if (load.supply !== 'electric' || load.standbyW <= 0 || load.seasonShare[month] <= 0) return 0
  if (load.basis === 'metered' || load.basis === 'strip' || load.basis === 'month') return 0
  const usedHours =
    load.basis === 'rated'
      ? (load.hoursPerDay * load.duty * load.daysPerWeek) / 7
      : load.runningW > 0
        ? statedDailyEnergy(load) / (load.runningW * Math.max(1, load.quantity))
        : 0
  return load.standbyW * load.quantity * Math.max(0, 24 - usedHours)
}

/** Daily energy as stated, before the season share, Wh/day. */
export function statedDailyEnergy(load: Load): number {
  const { quantity } = load
  switch (load.basis) {
    case 'rated':
      return (load.runningW * quantity * load.hoursPerDay * load.duty * load.daysPerWeek) / 7
    case 'metered':
      return (need(load, 'meteredKWh') * 1000 * 24 * quantity) / need(load, 'meteredHours')
    case 'strip':
      // the meter counted all that hangs on the strip, and the share is of all units of this load
      return (need(load, 'meteredKWh') * 1000 * 24 * load.stripShare) / need(load, 'meteredHours')
    case 'cycle':
      return (
        (need(load, 'cycleWh') * need(load, 'cycleDepth') * need(load, 'cyclesPerWeek') * quantity) /
        (7 * need(load, 'cycleChargerEfficiency'))
      )
    case 'month':
      return (need(load, 'monthKWh') * 1000 * quantity) / DAYS_PER_MONTH
  }
}

type Needed =
  | 'meteredKWh'
  | 'meteredHours'
  | 'cycleWh'
  | 'cycleDepth'
  | 'cycleChargerEfficiency'
  | 'cyclesPerWeek'
  | 'monthKWh'

/** The figures each basis cannot do without. */
export const BASIS_NEEDS: Record<Load['basis'], readonly Needed[]> = {
  rated: [],
  metered: ['meteredKWh', 'meteredHours'],
  strip: ['meteredKWh', 'meteredHours'],
  cycle: ['cycleWh', 'cycleDepth', 'cycleChargerEfficiency', 'cyclesPerWeek'],
  month: ['monthKWh'],
}

function need(load: Load, field: Needed): number {
  const value = load[field]
  if (value === null || value === undefined) throw new RangeError(`${field} is missing for ${load.name}`)
  return value
}

/** Hour-of-day weights that sum to 1. */
export function normalShape(load: Load): number[] {
  const sum = load.hourShape.reduce((a, b) => a + b, 0)
  return sum > 0 ? load.hourShape.map((weight) => weight / sum) : Array<number>(24).fill(1 / 24)
}
