import { significant } from '../../units/format.ts'
import { sound, watch, type Rule } from '../rule.ts'

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
            `The generator runs ${significant(hours)} h in a typical year.`,
            'That is a generator house with panels. See what a steeper array or more storage saves.',
          ),
        ]
      : [
          sound(
            'winter',
            `The generator runs ${significant(hours)} h in a typical year.`,
            `${significant(winter.median.generatorStarts)} starts; ${significant(winter.oneInTen.generatorHours)} h in 1 of 10.`,
          ),
        ]
  },
}
