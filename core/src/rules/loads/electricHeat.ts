import { dailyEnergy } from '../../loads/energy.ts'
import { inWeek } from '../../loads/week.ts'
import { watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const electricHeat: Rule = {
  id: 'loads.large-share',
  step: 'loads',
  check: ({ design, derived: { loadsWh, worstMonth } }) =>
    inWeek(design)
      .loads.filter((load) => design.loads.length > 2 && dailyEnergy(load, worstMonth) > 0.35 * loadsWh[worstMonth])
      .map((load) =>
        watch(
          load.id,
          say`${load.name} alone is ${amount(Math.round((100 * dailyEnergy(load, worstMonth)) / loadsWh[worstMonth]), '%')} of the day.`,
          say`At ${amount(dailyEnergy(load, worstMonth), 'Wh')} a day it decides the size of everything; see whether it can run on something else.`,
        ),
      ),
}
