import { joined, say } from '../../units/words.ts'
import { watch, type Rule } from '../rule.ts'

/** What a bill of a whole system has beside its parts, and this one has not. */
export const groups: Rule = {
  id: 'cost.groups',
  step: 'cost',
  check: ({ design: { budget }, derived: { bill } }) => {
    if (!bill.rows.some(({ group, comes }) => group === 'major' && comes.some((count) => count > 0))) return []
    const missing = [
      ...(bill.freight === 0 ? ['freight'] : []),
      ...(budget.extras.length === 0 ? ['permit and groundwork'] : []),
      ...(budget.contingencyPct === 0 ? ['what nobody thought of'] : []),
    ]
    if (missing.length === 0) return []
    return [
      watch(
        'cost',
        say`Nothing is put down for ${joined(missing, ' or ')}.`,
        'Pallets to the end of a road, posts and trench, a permit and its inspection are seldom free, and few bills are kept without a tenth to spare. Put down a line for what you know costs nothing.',
      ),
    ]
  },
}
