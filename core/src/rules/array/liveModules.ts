import { watch, type Rule } from '../rule.ts'

export const liveModules: Rule = {
  id: 'array.live-modules',
  step: 'array',
  check: ({ design: { arrays } }) =>
    arrays.length > 0
      ? [
          watch(
            'array',
            'Modules are live in any light.',
            'Cover or disconnect before you touch a lead; DC arcs do not go out. Follow local code and the maker’s manual.',
          ),
        ]
      : [],
}
