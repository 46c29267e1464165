import { measuredCircuits } from '../../change/circuits.ts'
import { joined, say } from '../../units/words.ts'
import { metres } from '../../units/say.ts'
import { open, type Rule } from '../rule.ts'

/** Names of so many are told, the rest are counted. */
const MOST_NAMED = 3

/** Lines that nobody has measured: their conductors rest on what is usual. */
export const lengths: Rule = {
  id: 'wiring.lengths',
  step: 'wiring',
  check: ({ derived: { circuits } }) => {
    const bare = circuits.filter(({ unmeasured }) => unmeasured)
    if (bare.length === 0) return []
    const told = bare
      .slice(0, MOST_NAMED)
      .map(({ circuit, choice }) => say`${circuit.name} (${metres(choice.oneWayM)})`)
    const more = bare.length > MOST_NAMED ? say` and ${bare.length - MOST_NAMED} more` : ''
    return [
      open(
        'wiring',
        say`${bare.length === 1 ? 'One line has' : say`${bare.length} lines have`} no measured length yet.`,
        say`Reckoned with what is usual: ${joined(told, ', ')}${more}. Its length decides the cable.`,
        { remedy: { label: 'they are as is usual', apply: measuredCircuits } },
      ),
    ]
  },
}
