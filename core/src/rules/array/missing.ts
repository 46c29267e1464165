import { open, type Rule } from '../rule.ts'

export const missingArray: Rule = {
  id: 'array.missing',
  step: 'array',
  check: ({ design: { arrays } }) =>
    arrays.length === 0
      ? [open('array', 'No array yet.', 'Add one, or let Suggest lay it out for the worst month.')]
      : [],
}
