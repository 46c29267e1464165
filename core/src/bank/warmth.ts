import type { BatteryPart } from '../document/types.ts'
import { CHEMISTRIES } from './chemistry.ts'
import { ratedAh } from './layout.ts'

/** Heat that warms a kilogram of battery by a kelvin, Wh. Source: cells with case, about 1000 J/(kg·K). */
const WH_PER_KG_K = 1000 / 3600
/** No battery holds more in a kilogram; where no weight is stated it stands for it. */
const MOST_WH_PER_KG = 200
/** Loss through a case into still air, W/(m²·K). Source: still air on both sides of a plain case. */
const CASE_W_PER_M2_K = 3

/**
 * Heat that warms a unit by a kelvin, Wh/K.
 * Source: mass × specific heat.
 * @example heatOfUnit(batteryParts[0]) → 12.5
 */
export const heatOfUnit = (part: BatteryPart): number =>
  Math.max(part.weightKg, unitWh(part) / MOST_WH_PER_KG) * WH_PER_KG_K

const unitWh = (part: BatteryPart): number => ratedAh(part) * part.nominalV

/**
 * Time constant with which a unit cools to the air of its room, h: its heat over the loss through the faces of a cube of
 * its volume.
 * Source: lumped capacitance.
 * @example coolingTime(batteryParts[0]) → 7.17
 */
export function coolingTime(part: BatteryPart): number {
  const side = Math.cbrt(unitWh(part) / CHEMISTRIES[part.chemistry].whPerL / 1000)
  return heatOfUnit(part) / (CASE_W_PER_M2_K * 6 * side ** 2)
}
