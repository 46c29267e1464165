import { open, type Rule } from '../rule.ts'
import { say } from '../../units/words.ts'

/** A load that nobody has said the watts of counts for nothing, and is asked about. */
export const blank: Rule = {
  id: 'loads.blank',
  step: 'loads',
  check: ({ design: { loads } }) => {
    const without = loads.filter(
      ({ basis, supply, runningW, standbyW, quantity }) =>
        basis === 'rated' && supply === 'electric' && quantity > 0 && runningW === 0 && standbyW === 0,
    )
    if (without.length === 0) return []
    const [{ id, name }] = without
    const more = without.length > 1 ? ` and ${without.length - 1} more have` : ' has'
    return [
      open(
        id,
        say`${name}${more} no watts yet.`,
        'Nothing of it is reckoned with. Its label, its manual or a plug-in meter says how many.',
      ),
    ]
  },
}
