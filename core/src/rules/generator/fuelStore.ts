import { isTaken } from '../../generator/taken.ts'
import { sound, watch, type Rule } from '../rule.ts'
import { amount, counted } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const fuelStore: Rule = {
  id: 'generator.fuel-store',
  step: 'generator',
  check: ({ design, winter }) => {
    const { generator } = design
    if (!isTaken(design) || generator.kind !== 'generator' || !winter || generator.tankL === null) return []
    const needL = winter.oneInTen.fuelBetweenTripsL
    const says = say`${amount(needL, 'L')} burn in the worst ${amount(generator.fuelTripDays, 'days')}, 1 winter in 10; ${amount(generator.tankL, 'L')} are stored.`
    return needL > generator.tankL
      ? [watch('generator', says, 'Store more, or be sure of the road in that week.')]
      : [sound('generator', says, say`Over ${counted(winter.years, 'year')}.`)]
  },
}
