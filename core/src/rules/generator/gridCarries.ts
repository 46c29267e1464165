import { gridIsTaken } from '../../generator/taken.ts'
import { watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const gridCarries: Rule = {
  id: 'generator.grid-carries',
  step: 'generator',
  check: ({ design, derived: { peak } }) => {
    const { grid } = design
    const watts = grid.breakerA * grid.breakerV
    return gridIsTaken(design) && peak.continuousW > watts
      ? [
          watch(
            'grid',
            say`${amount(peak.continuousW, 'W')} can be on at once; the grid’s breaker gives ${amount(watts, 'W')}.`,
            'The rest must come from the bank, which not every inverter does while it passes the grid on: else the breaker trips.',
            { working: 'loads.peak' },
          ),
        ]
      : []
  },
}
