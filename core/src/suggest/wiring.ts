import { thinnestCircuits } from '../change/circuits.ts'
import type { Design } from '../document/types.ts'
import { cableName, workedCircuits } from '../system/work.ts'
import { say } from '../units/words.ts'
import type { Suggestion } from './suggestion.ts'

/** Every circuit in the thinnest conductor that carries it, is protected and keeps its drop. */
export function suggestWiring(design: Design): Suggestion {
  const next = thinnestCircuits(design)
  const chosen = new Set(design.circuits.filter(({ size }) => size !== '').map(({ id }) => id))
  const reasons = workedCircuits(next).flatMap(({ circuit, conductor }) =>
    chosen.has(circuit.id) && conductor ? [say`${circuit.name}: ${cableName(conductor)}.`] : [],
  )
  return {
    design: next,
    reasons: reasons.length > 0 ? reasons : ['Every circuit already has the thinnest conductor that does.'],
  }
}
