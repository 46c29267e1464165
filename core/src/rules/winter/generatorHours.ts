import { sound, watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const generatorHours: Rule = {
  id: 'winter.generator-hours',
  step: 'winter',
  check: ({ design, winter }) => {
    if (!winter || !design.generator.present) return []
    const hours = winter.median.generatorHours
    return hours > 300
      ? [
          watch(
            'winter',
            say`The generator runs ${amount(hours, 'h')} in a typical year.`,
            'That is a generator house with panels. See what a steeper array or more storage saves.',
          ),
        ]
      : [
          sound(
            'winter',
            say`The generator runs ${amount(hours, 'h')} in a typical year.`,
            say`${amount(winter.median.generatorStarts, '')} starts; ${amount(winter.oneInTen.generatorHours, 'h')} in 1 of 10.`,
          ),
        ]
  },
}
