import { isTaken } from '../../generator/taken.ts'
import { backupName, backupSays } from '../../generator/words.ts'
import { worstOf } from '../../winter/figures.ts'
import { sound, watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const generatorHours: Rule = {
  id: 'winter.generator-hours',
  step: 'winter',
  check: ({ design, winter }) => {
    if (!winter || !isTaken(design)) return []
    const hours = winter.median.generatorHours
    const short = worstOf(winter.oneInTen.shortHours)
    if (winter.oneInTen.generatorHours === 0 && short >= 1)
      return [
        watch(
          'winter',
          say`The backup never runs, though something is short ${amount(short, 'h')} in 1 winter of 10.`,
          'Its rules do not let it start when it is needed: look at its start level, its days of rest and who starts it.',
        ),
      ]
    const says = say`${backupSays(design)} ${design.generator.kind === 'shore' ? 'is used' : 'runs'} ${amount(hours, 'h')} in a typical year.`
    return hours > 300
      ? [
          watch(
            'winter',
            says,
            say`That is a house on ${backupName(design)} with panels beside it. See what a steeper array or more storage saves.`,
          ),
        ]
      : [
          sound(
            'winter',
            says,
            say`${amount(winter.median.generatorStarts, '')} starts; ${amount(winter.oneInTen.generatorHours, 'h')} in 1 of 10.`,
          ),
        ]
  },
}
