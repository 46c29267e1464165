import type { DisconnectChoice } from '../document/types.ts'
import type { Asks, Inline } from './graph.ts'

/** A disconnect as somebody has it: a switch of its own, the one in a unit that has one, or what is wanting. */
export function disconnectOf(
  own: Inline,
  choice: Exclude<DisconnectChoice, ''>,
  unitHasOne: boolean,
): { inline: Inline[]; lacks: Asks[] } {
  if (choice === 'external') return { inline: [own], lacks: [] }
  if (choice === 'built-in' && unitHasOne) return { inline: [{ ...own, builtIn: true }], lacks: [] }
  return { inline: [], lacks: ['disconnect'] }
}
