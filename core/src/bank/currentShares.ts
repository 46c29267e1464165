import type { Takeoff } from '../document/types.ts'

/**
 * Share of the bank's current that each parallel string carries, in percent.
 *
 * The bank is a ladder: strings between a positive and a negative bar made of links. With the takeoff at one end both
 * leads leave at the first string; with opposite corners the positive leaves at the first, the negative at the last;
 * equal leads to bars have no links between the strings: each string carries two leads of its own, of the link's
 * resistance each. Solved as a resistor network, loop by loop.
 *
 * @param milliohm resistance of each string, > 0
 * @param linkMilliohm resistance of each jumper between neighbouring strings, or of each of a string's leads, ≥ 0
 * @throws RangeError for no strings or a resistance that is not positive
 * @example currentShares([7, 11, 7], 0.8, 'equal-leads') → [37.28, 25.44, 37.28]
 */
export function currentShares(milliohm: readonly number[], linkMilliohm: number, takeoff: Takeoff): number[] {
  const n = milliohm.length
  if (n === 0) throw new RangeError('milliohm must name at least one string')
  for (const value of milliohm) if (!(value > 0)) throw new RangeError(`milliohm ${value} must be above 0`)
  if (!(linkMilliohm >= 0)) throw new RangeError(`linkMilliohm ${linkMilliohm} must not be negative`)
  if (takeoff === 'equal-leads') return byConductance(milliohm.map((each) => each + 2 * linkMilliohm))
  if (linkMilliohm === 0 || n === 1) return byConductance(milliohm)
  return onLadder(milliohm, linkMilliohm, takeoff === 'one-end' ? 0 : n - 1)
}

function byConductance(milliohm: readonly number[]): number[] {
  const total = milliohm.reduce((sum, value) => sum + 1 / value, 0)
  return milliohm.map((value) => 100 / value / total)
}

/**
 * Unknowns: of the bank's current, what passes the links from each string on, away from the takeoff of the positive bar.
 * Each loop of two neighbouring strings and their links balances, which couples three neighbours: eliminated downwards and
 * solved upwards (Thomas), for the loops stand by their own strings and links.
 */
function onLadder(milliohm: readonly number[], link: number, negativeAt: number): number[] {
  const n = milliohm.length
  // beyond[j]: share of strings j … n − 1, all of it for the first and none beyond the last
  const beyond = new Float64Array(n + 1)
  beyond[0] = 1
  const factor = new Float64Array(n)
  for (let j = 1; j < n; j++) {
    // at opposite corners the negative bar carries the rest of the current the other way
    const driven = negativeAt === 0 ? 0 : link
    const pivot = milliohm[j - 1] + milliohm[j] + 2 * link - milliohm[j - 1] * factor[j - 1]
    factor[j] = milliohm[j] / pivot
    beyond[j] = (driven + milliohm[j - 1] * beyond[j - 1]) / pivot
  }
  for (let j = n - 1; j >= 1; j--) beyond[j] += factor[j] * beyond[j + 1]
  return milliohm.map((_, j) => 100 * (beyond[j] - beyond[j + 1]))
}
