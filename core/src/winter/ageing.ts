import type { Age } from './plan.ts'

/** Share of its capacity a bank has left when its life is said to be over. Source: the usual end of life of makers' curves. */
const END_OF_LIFE = 0.8
/** Share of their power modules lose in a year. Source: 0.5 %/yr, as in the array's own losses. */
const MODULES_PER_YEAR = 0.005

/**
 * What so many years of service leave of a system. The bank fades evenly to 80 % over its life and is then renewed.
 *
 * @param years of service behind it, ≥ 0
 * @param bankLifeYears > 0
 */
export function ageAt(years: number, bankLifeYears: number): Age {
  const ofBank = (years % bankLifeYears) / bankLifeYears
  return { bankShare: 1 - (1 - END_OF_LIFE) * ofBank, arrayShare: Math.max(0, 1 - MODULES_PER_YEAR * years) }
}
