import type { Design, DirectPump } from '../document/types.ts'
import { hoursOfMonths } from '../plane/monthly.ts'
import { sunOfMonths } from '../plane/sunOfMonths.ts'
import { surfaceOf } from '../plane/surface.ts'
import { climateOf } from '../weather/ruling.ts'
import { kept } from '../math/kept.ts'

/** Share of the modules' rated power that reaches the pump in full sun: heat, dust, cable and its controller. Source: practice of solar pumping, 0.8 to 0.9. */
export const PUMP_SYSTEM = 0.85
const GRAVITY = 9.81
const SECONDS_AN_HOUR = 3600

/**
 * Water a pump lifts while it is given so many watts, litres an hour.
 *
 * Q = η P ÷ (ρ g H); nothing below the watts it turns from, no more than at its rating.
 *
 * @param electricW ≥ 0
 * Source: hydraulic power ρ g Q H; a litre of water is a kilogram.
 * @example litresPerHour({ headM: 30, startW: 60, ratedW: 400, efficiency: 0.4 }, 300) → 1467.9
 */
export function litresPerHour(
  { headM, startW, ratedW, efficiency }: Pick<DirectPump, 'headM' | 'startW' | 'ratedW' | 'efficiency'>,
  electricW: number,
): number {
  if (electricW < startW || electricW <= 0) return 0
  return (efficiency * Math.min(electricW, ratedW) * SECONDS_AN_HOUR) / (GRAVITY * headM)
}

const known = kept<number[]>(40)

/**
 * Litres a pump on modules of its own brings on a mean day of each month: the hours of the month's bright and dull days, each
 * with the power of its own sun, so that the watts it needs to turn count.
 *
 * @returns twelve values, L/d, before snow on the modules
 * Source: as the sun on a plane (`plane/monthly.ts`); hydraulic power as above.
 * @example pumpLitres(larkspurBench(), { arrayW: 400, tiltDeg: 45, azimuthDeg: 180, headM: 30, startW: 60, ratedW: 400,
 * efficiency: 0.4 }).length → 12
 */
export function pumpLitres(
  { place, schools }: Pick<Design, 'place' | 'schools'>,
  pump: Pick<DirectPump, 'arrayW' | 'tiltDeg' | 'azimuthDeg' | 'headM' | 'startW' | 'ratedW' | 'efficiency'>,
): number[] {
  const { monthly } = climateOf(place)
  const surface = surfaceOf(place, pump, schools.skyModel)
  const { arrayW, headM, startW, ratedW, efficiency } = pump
  const site = [place.latitudeDeg, place.longitudeDeg, place.utcOffsetH, place.elevationM]
  const key = JSON.stringify([site, monthly, surface, arrayW, headM, startW, ratedW, efficiency])
  return known(key, () => {
    const litres = Array<number>(12).fill(0)
    hoursOfMonths(sunOfMonths(place), monthly, surface, (month, wattsM2, share) => {
      litres[month] += share * litresPerHour(pump, (arrayW * wattsM2 * PUMP_SYSTEM) / 1000)
    })
    return litres
  })
}
