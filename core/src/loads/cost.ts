import { modulesForDay } from '../array/need.ts'
import { arrayRatedW } from '../array/power.ts'
import { coldFactor } from '../bank/chemistry.ts'
import { ratedWh, usableWh } from '../bank/layout.ts'
import type { Design } from '../document/types.ts'
import { dailyEnergy } from './energy.ts'

/** What a load takes of the battery for each Wh of its own, the inverter's idle draw left out: an efficiency of 0.9. */
export const CONVERSION = 1 / 0.9

/** What one load alone would need, as if the rest of the system were built for it in proportion. */
export interface LoadCost {
  loadId: string
  /** in the month the array is weakest, Wh a day at the load */
  dayWh: number
  /** share of the household in that month */
  share: number
  /** rated energy of the bank that carries it through the days without sun, Wh */
  bankWh: number
  /** rated array that replaces its day in the worst month, W */
  arrayW: number
  /** bank and modules at the prices of the parts chosen */
  money: number
  /** hours it runs in full, alone, on a full bank; null for what has no watts */
  aloneH: number | null
}

/**
 * What each load costs in bank and panels by the hand method: its day at the battery × days without sun ÷ depth ÷ cold
 * factor, and its day ÷ (sun hours of the worst month × the hand method's factor).
 *
 * @param atBattery energy at the battery for each Wh at the loads, ≥ 1
 * @param worstMonth 0…11, with its peak sun hours
 * @param batteryC temperature the bank is sized for
 * @returns in the order of the loads
 */
export function loadCosts(
  design: Design,
  {
    atBattery,
    worstMonth,
    sunHours,
    batteryC,
  }: { atBattery: number; worstMonth: number; sunHours: number; batteryC: number },
): LoadCost[] {
  const { bank, arrays, loads, schools } = design
  const days = loads.map((load) => dailyEnergy(load, worstMonth))
  const all = days.reduce((sum, wh) => sum + wh, 0)
  const bankPrice = (bank.part.price * bank.inSeries * bank.inParallel) / ratedWh(bank)
  const arrayW = arrays.reduce((sum, array) => sum + arrayRatedW(array), 0)
  const modulePrice = arrays.reduce((sum, array) => sum + array.module.price * array.inSeries * array.inParallel, 0)
  const fullWh = usableWh(bank, batteryC)
  return loads.map((load, i) => {
    const day = days[i] * (load.leg === 'DC' ? 1 : atBattery)
    const bankWh = (day * bank.autonomyDays) / bank.allowedDepth / coldFactor(bank.part.chemistry, batteryC)
    const watts = modulesForDay(day, sunHours, schools.handFactor)
    return {
      loadId: load.id,
      dayWh: days[i],
      share: all > 0 ? days[i] / all : 0,
      bankWh,
      arrayW: watts,
      aloneH:
        load.runningW > 0 ? fullWh / (load.runningW * load.quantity * (load.leg === 'DC' ? 1 : CONVERSION)) : null,
      money: bankWh * bankPrice + (arrayW > 0 ? (watts * modulePrice) / arrayW : 0),
    }
  })
}
