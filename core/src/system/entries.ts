import { conductor } from '../wiring/conductors.ts'
import { conduitInnerMm } from '../wiring/protection.ts'
import { amount } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import type { WallUnit } from './wall.ts'
import type { WorkedCircuit } from './work.ts'

/** Where a cable comes into a unit on the wall, from below. */
export interface Entry {
  /** of its circuit, and what that is called */
  id: string
  name: string
  /** what it comes through: a conduit, or a gland for each conductor */
  through: Words
  /** hole in the unit, mm */
  holeMm: number
  /** along the lower edge, 0…1 of its breadth */
  along: number
}

/** The wall of a conduit, and the thread of its fitting or of a gland, take so much more than what is inside. */
const FITTING = 1.3
const nodeOf = ({ id, of }: Pick<WallUnit, 'id' | 'of'>): string => of ?? id

/** Every cable that comes into a unit, in the order of the circuits, spread over its lower edge. */
export function entriesOf(unit: WallUnit, circuits: readonly WorkedCircuit[]): Entry[] {
  const node = nodeOf(unit)
  const own = circuits.filter(
    ({ circuit, choice, conductor: laid }) =>
      (circuit.from === node || circuit.to === node) && !circuit.within && !choice.unused && laid,
  )
  return own.map(({ circuit, conduit, conductor: laid }, i) => {
    const innerMm = conduit && conduitInnerMm(conduit.name)
    const cableMm = conductor(laid!.size).outerMm
    const wires = circuit.wires * laid!.parallel
    return {
      id: circuit.id,
      name: circuit.name,
      through: conduit ? say`conduit ${conduit.name}` : say`${wires} glands for ${amount(cableMm, 'mm')}`,
      holeMm: (innerMm ?? cableMm) * FITTING,
      along: (i + 1) / (own.length + 1),
    }
  })
}
