import { percent } from '../say.ts'
import { significant } from '../../units/format.ts'
import { sound, watch, type Rule } from '../rule.ts'

export const generatorLoad: Rule = {
  id: 'generator.load',
  step: 'generator',
  check: ({ design: { generator }, derived: { worked } }) => {
    if (!generator.present) return []
    const share = worked['generator.load-share'].value
    const more = { working: 'generator.load-share' }
    if (share < 0.3)
      return [
        watch(
          'generator',
          `It works at ${percent(share)} of its power while charging.`,
          'Under 30 % it glazes and wastes fuel. A bigger charger or a smaller set.',
          more,
        ),
      ]
    return [
      sound(
        'generator',
        `It works at ${percent(share)} of its power while charging.`,
        'Fifty to seventy-five per cent is the economical range.',
        more,
      ),
    ]
  },
}

export const refill: Rule = {
  id: 'generator.refill',
  step: 'generator',
  check: ({ design: { generator }, derived: { worked } }) => {
    if (!generator.present) return []
    const hours = worked['generator.refill-hours'].value
    const more = { working: 'generator.refill-hours' }
    return hours > generator.maxRunH
      ? [
          watch(
            'generator',
            `A refill takes ${significant(hours, 2)} h; the longest run is ${generator.maxRunH} h.`,
            'The bank never comes back in one go. More charger, or longer runs.',
            more,
          ),
        ]
      : [sound('generator', `A refill takes ${significant(hours, 2)} h.`, 'Within the longest run allowed.', more)]
  },
}

export const generatorSafety: Rule = {
  id: 'generator.safety',
  step: 'generator',
  check: ({ design: { generator } }) =>
    generator.present
      ? [
          watch(
            'generator',
            'Outside, far from openings, with a carbon-monoxide alarm.',
            'Exhaust kills without smell. Transfer switch or interlock, never a cord with two plugs: back-feed kills people on the line.',
          ),
        ]
      : [],
}
