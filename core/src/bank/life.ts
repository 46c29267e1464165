import type { BatteryPart } from '../document/types.ts'
import { rainflow } from './rainflow.ts'

export interface BankLife {
  /** years until the cycles are used up; Infinity where it is never cycled */
  cyclicYears: number
  calendarYears: number
  /** the smaller of the two */
  years: number
  limitedBy: 'cycles' | 'calendar'
  /** share of the cycle life used in a year */
  wearPerYear: number
  /** the same, as full cycles of a depth of 80 % */
  equivalentCyclesPerYear: number
}

/** Cycles shallower than this wear nothing that a data sheet could tell. */
const SHALLOWEST = 0.02
const REFERENCE_DEPTH = 0.8

/**
 * Cycles to the end of life at a depth: a power law between the data sheet's points, carried on beyond them.
 * @param curve at least one point, depth 0…1
 * @param depth 0…1
 * @throws RangeError for a curve without points
 */
export function cyclesToFailure(curve: BatteryPart['cycles'], depth: number): number {
  if (curve.length === 0) throw new RangeError('cycles must hold at least one point of depth and cycles')
  const points = [...curve].sort((a, b) => a.depth - b.depth)
  if (points.length === 1) return (points[0].cycles * points[0].depth) / Math.max(depth, 1e-6)
  let i = 1
  while (i < points.length - 1 && depth > points[i].depth) i++
  const [from, to] = [points[i - 1], points[i]]
  const slope = Math.log(to.cycles / from.cycles) / Math.log(to.depth / from.depth)
  return from.cycles * (depth / from.depth) ** slope
}

/**
 * How long a bank lasts: Miner's sum of the rainflow cycles of its state of charge over the part's cycle curve, and its
 * calendar life, whichever ends first.
 *
 * @param stateOfCharge 0…1, in order
 * @param yearsCovered how many years the series spans, > 0
 * @throws RangeError for years that are not above 0
 * Source: ASTM E1049-85; Palmgren–Miner rule.
 * @example lifeYears([1, 0.5, 1], 1 / 365, { cycles: [{ depth: 0.5, cycles: 3650 }, { depth: 1, cycles: 1800 }],
 * calendarYears: 15 }).years → 10
 */
export function lifeYears(
  stateOfCharge: ArrayLike<number>,
  yearsCovered: number,
  part: Pick<BatteryPart, 'cycles' | 'calendarYears'>,
): BankLife {
  if (!(yearsCovered > 0)) throw new RangeError(`yearsCovered ${yearsCovered} must be above 0`)
  if (!(part.calendarYears > 0)) throw new RangeError(`calendarYears ${part.calendarYears} must be above 0`)
  let damage = 0
  for (const { range, count } of rainflow(stateOfCharge))
    if (range >= SHALLOWEST) damage += count / cyclesToFailure(part.cycles, Math.min(range, 1))
  const wearPerYear = damage / yearsCovered
  const cyclicYears = wearPerYear > 0 ? 1 / wearPerYear : Infinity
  const { calendarYears } = part
  return {
    cyclicYears,
    calendarYears,
    years: Math.min(cyclicYears, calendarYears),
    limitedBy: cyclicYears < calendarYears ? 'cycles' : 'calendar',
    wearPerYear,
    equivalentCyclesPerYear: wearPerYear * cyclesToFailure(part.cycles, REFERENCE_DEPTH),
  }
}
