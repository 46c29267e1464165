import { watch, type Rule } from '../rule.ts'

export const nobodyHome: Rule = {
  id: 'generator.nobody-home',
  step: 'generator',
  check: ({ design: { generator, household } }) =>
    generator.present &&
    (household.away.length > 0 || household.weekdays !== null) &&
    (generator.kind === 'vehicle' || generator.startBy === 'morning')
      ? [
          watch(
            'generator',
            'Nobody is there to start it while you are away.',
            'What stays on then lives off sun and bank alone; the run counts it so.',
          ),
        ]
      : [],
}
