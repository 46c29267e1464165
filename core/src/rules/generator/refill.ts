import { significant } from '../../units/format.ts'
import { sound, watch, type Rule } from '../rule.ts'

export const refill: Rule = {
  id: 'generator.refill',
  step: 'generator',
  check: ({ design: { generator }, derived: { worked } }) => {
    if (!generator.present || generator.kind === 'vehicle') return []
    const hours = worked['generator.refill-hours']?.value ?? 0
    const more = { working: 'generator.refill-hours' }
    return hours > generator.maxRunH
      ? [
          watch(
            'generator',
            `A refill takes ${significant(hours, 2)} h; the longest run is ${generator.maxRunH} h.`,
            'The bank never comes back in one go. More charger, or longer runs.',
            more,
          ),
        ]
      : [sound('generator', `A refill takes ${significant(hours, 2)} h.`, 'Within the longest run allowed.', more)]
  },
}
