import type { ArrayField, Design } from '../document/types.ts'
import { wireLossShare } from '../wiring/loss.ts'
import { Builder } from './builder.ts'
import { arrayLines } from './solar.ts'
import { dropOf } from './work.ts'

/**
 * The arrays of a design with the loss of their wiring: what somebody entered, or what the string leads and the line to
 * the controller lose as they are laid.
 */
export function wiredArrays(design: Design): ArrayField[] {
  if (design.arrays.every(({ wiringLoss }) => wiringLoss !== null)) return design.arrays
  const builder = new Builder(design)
  arrayLines(builder)
  const drops = new Map(builder.system.circuits.map((circuit) => [circuit.id, dropOf(design, circuit)]))
  return design.arrays.map((array) => {
    if (array.wiringLoss !== null) return array
    const dropPct = (drops.get(`array:${array.id}`) ?? 0) + (drops.get(`string:${array.id}`) ?? 0)
    return { ...array, wiringLoss: wireLossShare(dropPct) }
  })
}
