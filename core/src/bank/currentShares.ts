import { solve } from '../math/linear.ts'
import type { Takeoff } from '../document/types.ts'

/**
 * Share of the bank's current that each parallel string carries, in percent.
 *
 * The bank is a ladder: strings between a positive and a negative bar made of links. With the takeoff at one end both
 * leads leave at the first string; with opposite corners the positive leaves at the first, the negative at the last;
 * equal leads to bars have no links between the strings: each string carries two leads of its own, of the link's
 * resistance each. Solved as a resistor network by nodal analysis.
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

/** Unknowns: string currents. Each loop of neighbouring strings balances; the currents sum to 1. */
function onLadder(milliohm: readonly number[], link: number, negativeAt: number): number[] {
  const n = milliohm.length
  const rows = Array.from({ length: n }, () => new Float64Array(n + 1))
  for (let j = 0; j + 1 < n; j++) {
    rows[j][j] += milliohm[j]
    rows[j][j + 1] -= milliohm[j + 1]
    // positive bar: link j carries what comes from the strings beyond it towards the first
    for (let i = j + 1; i < n; i++) rows[j][i] -= link
    // negative bar: towards `negativeAt`
    if (negativeAt === 0) for (let i = j + 1; i < n; i++) rows[j][i] -= link
    else for (let i = 0; i <= j; i++) rows[j][i] += link
  }
  rows[n - 1].fill(1)
  return solve(rows).map((share) => share * 100)
}
