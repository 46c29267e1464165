import { isTaken } from '../../generator/taken.ts'
import { setField } from '../../change/field.ts'
import { sound, watch, type Rule } from '../rule.ts'
import { amount, percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** The economical range of small sets, and where they glaze. */
const GLAZES = 0.3

const LONG_RUN = 0.8

export const generatorLoad: Rule = {
  id: 'generator.load',
  step: 'generator',
  check: ({ design, derived: { worked } }) => {
    const { generator } = design
    if (!isTaken(design) || generator.kind !== 'generator') return []
    const share = worked['generator.load-share'].value
    const says = say`It works at ${percent(share)} of its power while charging.`
    const more = { working: 'generator.load-share' }
    if (share < GLAZES)
      return [
        watch('generator', says, 'Under 30 % it glazes and wastes fuel. A bigger charger or a smaller set.', more),
      ]
    if (share >= LONG_RUN - 1e-9) {
      const amps = Math.floor(worked['generator.charge-limit'].value)
      return [
        watch('generator', says, 'The house comes on top. Seventy per cent is where a long run is quiet and thrifty.', {
          ...more,
          remedy: {
            label: say`set the charger to ${amount(amps, 'A')}`,
            apply: setField('generator.chargeLimitA', amps),
          },
        }),
      ]
    }
    return [sound('generator', says, 'Fifty to seventy-five per cent is the economical range.', more)]
  },
}
