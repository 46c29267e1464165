import { watch, type Rule } from '../rule.ts'

export const gridSafety: Rule = {
  id: 'generator.grid-safety',
  step: 'generator',
  check: ({ design: { grid } }) =>
    grid.present
      ? [
          watch(
            'grid',
            'Connected by a licensed electrician, as the utility allows it.',
            'The inverter must let go of the line by itself: back-feed kills people who work on it. Neutral and earth are bonded at one place only.',
          ),
        ]
      : [],
}
