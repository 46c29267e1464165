import { watch, type Rule } from '../rule.ts'

export const shock: Rule = {
  id: 'bank.shock',
  step: 'bank',
  check: ({ design: { bank } }) =>
    bank.systemV === 48
      ? [
          watch(
            'bank',
            'Over 50 V while charging.',
            'That can kill, and a DC arc does not go out by itself. Covers on the terminals, insulated tools, rated disconnects; local code and the maker’s manual come first.',
          ),
        ]
      : [],
}
