import { significant } from '../../units/format.ts'
import { suggestBank } from '../../suggest/bank.ts'
import { sound, watch, type Rule } from '../rule.ts'

export const autonomy: Rule = {
  id: 'bank.autonomy',
  step: 'bank',
  check: ({ design, derived: { worked } }) => {
    const days = worked['bank.days'].value
    const wanted = design.bank.autonomyDays
    return days < wanted * 0.95
      ? [
          watch(
            'bank',
            `${significant(days, 2)} days without sun, ${wanted} wanted.`,
            'After that the generator runs or the lights go out. The winter run says how often that happens.',
            { working: 'bank.days', remedy: { label: 'size it by hand', apply: (d) => suggestBank(d).design } },
          ),
        ]
      : [
          sound('bank', `${significant(days, 2)} days without sun.`, `The ${wanted}-day school is met.`, {
            working: 'bank.days',
          }),
        ]
  },
}
