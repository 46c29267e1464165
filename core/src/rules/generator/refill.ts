import { isTaken } from '../../generator/taken.ts'
import { sound, watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const refill: Rule = {
  id: 'generator.refill',
  step: 'generator',
  check: ({ design, derived: { worked } }) => {
    const { generator } = design
    if (!isTaken(design) || generator.kind === 'vehicle') return []
    const hours = worked['generator.refill-hours']?.value ?? 0
    const more = { working: 'generator.refill-hours' }
    // a cord never has to stop
    if (generator.kind === 'shore')
      return [sound('generator', say`A refill takes ${amount(hours, 'h')}.`, 'A cord may stay in that long.', more)]
    return hours > generator.maxRunH
      ? [
          watch(
            'generator',
            say`A refill takes ${amount(hours, 'h')}; the longest run is ${amount(generator.maxRunH, 'h')}.`,
            'The bank never comes back in one go. More charger, or longer runs.',
            more,
          ),
        ]
      : [sound('generator', say`A refill takes ${amount(hours, 'h')}.`, 'Within the longest run allowed.', more)]
  },
}
