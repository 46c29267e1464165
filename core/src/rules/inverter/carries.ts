import { sound, stop, watch, type Rule } from '../rule.ts'
import { percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const carries: Rule = {
  id: 'inverter.carries',
  step: 'inverter',
  check: ({ derived: { worked } }) => {
    const share = worked['inverter.leg-share'].value
    const more = { working: 'inverter.leg-share' }
    if (share > 1)
      return [
        stop(
          'inverter',
          say`${worked['inverter.leg-share'].label} is at ${percent(share)}.`,
          'The inverter trips. Move loads between legs, spread them over the day, or take a larger one.',
          more,
        ),
      ]
    if (share > 0.8)
      return [
        watch(
          'inverter',
          say`${worked['inverter.leg-share'].label} is at ${percent(share)}.`,
          'Little is left for what you forgot, or for a hot day.',
          more,
        ),
      ]
    return [
      sound(
        'inverter',
        say`${worked['inverter.leg-share'].label} at ${percent(share)}.`,
        'Carries what is on at once.',
        more,
      ),
    ]
  },
}
