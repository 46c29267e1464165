import { significant } from '../../units/format.ts'
import { sound, watch, type Rule } from '../rule.ts'

export const fuelStore: Rule = {
  id: 'generator.fuel-store',
  step: 'generator',
  check: ({ design: { generator }, winter }) => {
    if (!generator.present || generator.kind !== 'generator' || !winter || generator.tankL === null) return []
    const needL = winter.oneInTen.fuelBetweenTripsL
    const says = `${significant(needL)} L burn in the worst ${significant(generator.fuelTripDays)} days, 1 winter in 10; ${significant(generator.tankL)} L are stored.`
    return needL > generator.tankL
      ? [watch('generator', says, 'Store more, or be sure of the road in that week.')]
      : [sound('generator', says, `Over ${winter.years} years.`)]
  },
}
