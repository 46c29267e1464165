import { open, sound, stop, watch, type Rule } from '../rule.ts'
import { amount, counted } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const shortHours: Rule = {
  id: 'winter.short-hours',
  step: 'winter',
  check: ({ winter }) => {
    if (!winter)
      return [
        open(
          'winter',
          'No winter has been run yet.',
          'The run starts by itself as soon as the steps before are filled in.',
        ),
      ]
    const { must, should, canWait } = winter.oneInTen.shortHours
    const all = Math.max(must, should, canWait)
    if (must >= 1)
      return [
        stop(
          'winter',
          say`What must run is off ${amount(must, 'h')} in 1 winter of 10.`,
          'Storage, sun or backup is too small. “What next” ranks what helps most.',
        ),
      ]
    if (all >= 1)
      return [
        watch(
          'winter',
          say`Lights out ${amount(all, 'h')} in 1 winter of 10.`,
          'Only loads that should run or can wait drop out; what must run keeps running.',
        ),
      ]
    return [
      sound(
        'winter',
        'Nothing is short, 9 winters in 10.',
        say`Over ${counted(winter.years, 'made year')}; the run knows no breakdowns.`,
      ),
    ]
  },
}
