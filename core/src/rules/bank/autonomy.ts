import { isTaken } from '../../generator/taken.ts'
import { theBackup } from '../../generator/words.ts'
import { isBoxed } from '../../inverter/service.ts'
import { sizeBank } from '../../sizing/bank.ts'
import { sound, watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

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
            say`${amount(days, 'days')} without sun, ${wanted} wanted.`,
            say`After that ${isTaken(design) ? say`${theBackup(design)} ${design.generator.kind === 'generator' ? 'runs' : 'helps'} or ` : ''}the lights go out. The winter run says how often that happens.`,
            {
              working: 'bank.days',
              ...(isBoxed(design)
                ? {}
                : { remedy: { label: 'as many units as the hand method asks', apply: sizeBank } }),
            },
          ),
        ]
      : [
          sound('bank', say`${amount(days, 'days')} without sun.`, say`${amount(wanted, 'days')} wanted, and met.`, {
            working: 'bank.days',
          }),
        ]
  },
}
