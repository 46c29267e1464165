import type { Bank, BatteryPart, Design } from '../document/types.ts'
import { CHEMISTRIES, coldFactor } from './chemistry.ts'
import { capacityLeft } from './strings.ts'

/** The 12/24/48 V class a unit counts as: a 51.2 V LFP unit is of the 48 V class. */
export function classVoltage({ chemistry, nominalV }: Pick<BatteryPart, 'chemistry' | 'nominalV'>): number {
  const { cellV, classCellV } = CHEMISTRIES[chemistry]
  return cellV === classCellV ? nominalV : Math.round(nominalV / cellV) * classCellV
}

/**
 * Units in series that make the bank's voltage.
 * @throws RangeError where the unit does not divide the bank voltage
 */
export function seriesFor(systemV: number, part: Pick<BatteryPart, 'chemistry' | 'nominalV'>): number {
  const series = systemV / classVoltage(part)
  if (!Number.isInteger(series) || series < 1)
    throw new RangeError(
      `bank.part.nominalV ${part.nominalV} V does not divide the ${systemV} V bank; units must make it in whole numbers`,
    )
  return series
}

/** Capacity a unit is known by: its rate nearest to 20 h. */
export function ratedAh(part: Pick<BatteryPart, 'capacities'>): number {
  return part.capacities.reduce((best, candidate) =>
    Math.abs(Math.log(candidate.hours / 20)) < Math.abs(Math.log(best.hours / 20)) ? candidate : best,
  ).ampHours
}

/** C20 of the bank as it is, what aged units leave considered, Ah: what its charge is counted in. */
export const bankRatedAh = (bank: Bank): number => ratedAh(bank.part) * bank.inParallel * capacityLeft(bank)

/** Nominal voltage of the whole bank from its units. */
export function bankNominalV(bank: { part: Pick<BatteryPart, 'nominalV'>; inSeries: number }): number {
  return bank.part.nominalV * bank.inSeries
}

/** Rated energy of the bank, Wh. */
export function ratedWh(bank: Pick<Bank, 'part' | 'inSeries' | 'inParallel'>): number {
  return bankNominalV(bank) * ratedAh(bank.part) * bank.inParallel
}

/** Energy the hand method counts on: rated × what aged units leave × allowed depth × cold factor, Wh. */
export function usableWh(bank: Bank, batteryC: number): number {
  return ratedWh(bank) * capacityLeft(bank) * bank.allowedDepth * coldFactor(bank.part.chemistry, batteryC)
}

/** Internal resistance of the bank, Ω: units in series, strings in parallel. */
export function bankOhm(bank: Pick<Bank, 'part' | 'inSeries' | 'inParallel'>): number {
  return (bank.part.resistanceMilliohm * bank.inSeries) / bank.inParallel / 1000
}

/** Absorption voltage of the whole bank at 25 °C, V: as it is set, or the upper end of what is usual. */
export function absorptionV({
  part,
  systemV,
  absorbV,
}: Pick<Bank, 'systemV' | 'absorbV'> & { part: Pick<BatteryPart, 'chemistry'> }): number {
  return absorbV ?? (systemV / 12) * CHEMISTRIES[part.chemistry].absorbV[1]
}

/**
 * What a bank is charged higher by in the cold, V; 0 for chemistries that are not compensated.
 * Source: 4 mV a cell of lead for each kelvin from 25 °C, as its makers' manuals state it.
 * @example compensationV({ systemV: 48, part: { chemistry: 'flooded' } }, 5) → 1.92
 */
export function compensationV(
  { part, systemV }: Pick<Bank, 'systemV'> & { part: Pick<BatteryPart, 'chemistry'> },
  batteryC: number,
): number {
  const { compensationMVPerCellK, classCellV } = CHEMISTRIES[part.chemistry]
  return (compensationMVPerCellK / 1000) * (systemV / classCellV) * Math.max(0, 25 - batteryC)
}

/** As {@link seriesFor}, null where the unit does not divide the bank voltage. */
export function trySeries(systemV: number, part: Pick<BatteryPart, 'chemistry' | 'nominalV'>): number | null {
  const series = systemV / classVoltage(part)
  return Number.isInteger(series) && series >= 1 ? series : null
}

/** Wh a day beside the loads that fill the usable part of an empty bank within the days wanted; 0 where none are. */
export const refillDayWh = ({ bank }: Pick<Design, 'bank'>, batteryC: number): number =>
  bank.rechargeDays === null ? 0 : usableWh(bank, batteryC) / bank.rechargeDays
