import { dailyEnergy } from '../../loads/energy.ts'
import { inWeek } from '../../loads/week.ts'
import { sound, watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const unmetered: Rule = {
  id: 'loads.unmetered',
  step: 'loads',
  check: ({ design, derived: { worstMonth } }) => {
    const { loads } = inWeek(design)
    const all = loads.reduce((sum, load) => sum + dailyEnergy(load, worstMonth), 0)
    if (all <= 0) return []
    const guessed = loads.filter((load) => load.basis === 'rated')
    const guessedWh = guessed.reduce((sum, load) => sum + dailyEnergy(load, worstMonth), 0)
    const share = guessedWh / all
    const worst = [...guessed].sort((a, b) => dailyEnergy(b, worstMonth) - dailyEnergy(a, worstMonth))[0]
    return share > 0.5 && worst
      ? [
          watch(
            'loads',
            say`${amount(Math.round(share * 100), '%')} of the energy is nameplate guesses.`,
            say`Meter ${worst.name} first: ${amount(dailyEnergy(worst, worstMonth), 'Wh')} a day hangs on it.`,
            { working: 'loads.worst-day' },
          ),
        ]
      : [sound('loads', 'Most of the energy is metered.', 'A meter beats a nameplate.', { working: 'loads.worst-day' })]
  },
}
