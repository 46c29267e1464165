import type { Chemistry } from '../document/types.ts'
import { coldFactor } from './chemistry.ts'
import { seriesFor } from './layout.ts'

export interface HandSizing {
  dailyWh: number
  days: number
  depth: number
  batteryC: number
  chemistry: Chemistry
  systemV: number
  unitV: number
  unitAh: number
}

/**
 * The bank by the hand method: daily Wh at the battery × days ÷ depth ÷ cold factor; Ah = Wh ÷ nominal V of the bank.
 *
 * @param sizing dailyWh ≥ 0, days > 0, depth 0…1, unitAh > 0
 * @returns energy and ampere-hours needed, units in series and strings in parallel (at least 1)
 * @throws RangeError for a value out of range, or a unit voltage that does not divide the bank voltage
 * Source: stand-alone sizing practice, IEEE 1013.
 * @example sizeByHand({ dailyWh: 6000, days: 3, depth: 0.5, batteryC: 25, chemistry: 'flooded', systemV: 48, unitV:
 * 6, unitAh: 400 }) → { needWh: 36437.1, needAh: 759.1, inSeries: 8, inParallel: 2 }
 */
export function sizeByHand(sizing: HandSizing): {
  needWh: number
  needAh: number
  inSeries: number
  inParallel: number
} {
  const { dailyWh, days, depth, batteryC, chemistry, systemV, unitV, unitAh } = sizing
  if (!(dailyWh >= 0)) throw new RangeError(`dailyWh ${dailyWh} must not be negative`)
  if (!(days > 0)) throw new RangeError(`days ${days} must be above 0`)
  if (!(depth > 0 && depth <= 1)) throw new RangeError(`depth ${depth} must lie between 0 and 1`)
  if (!(unitAh > 0)) throw new RangeError(`unitAh ${unitAh} must be above 0`)
  const inSeries = seriesFor(systemV, { chemistry, nominalV: unitV })
  const needWh = (dailyWh * days) / depth / coldFactor(chemistry, batteryC)
  const needAh = needWh / (unitV * inSeries)
  return { needWh, needAh, inSeries, inParallel: Math.max(1, Math.ceil(needAh / unitAh - 1e-9)) }
}
