import type { ArrayField, Design } from '../document/types.ts'
import { wireLossShare } from '../wiring/loss.ts'
import { workedCircuits } from './work.ts'
import { systemOf } from './systemOf.ts'

const known = new WeakMap<Design, ArrayField[]>()

/**
 * The arrays of a design with the loss of their wiring: what somebody entered, or what the string leads and the line to
 * the controller lose as they are laid.
 */
export function wiredArrays(design: Design): ArrayField[] {
  if (design.arrays.every(({ wiringLoss }) => wiringLoss !== null)) return design.arrays
  const before = known.get(design)
  if (before) return before
  const drops = new Map(
    workedCircuits(design, systemOf(design)).map(({ circuit, conductor }) => [circuit.id, conductor?.dropPct ?? 0]),
  )
  const arrays = design.arrays.map((array) => {
    if (array.wiringLoss !== null) return array
    const dropPct = (drops.get(`array:${array.id}`) ?? 0) + (drops.get(`string:${array.id}`) ?? 0)
    return { ...array, wiringLoss: wireLossShare(dropPct) }
  })
  known.set(design, arrays)
  return arrays
}
