import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { setField } from '../../change/field.ts'
import { say } from '../../units/words.ts'
import { watch, type Rule } from '../rule.ts'

export const bankFuses: Rule = {
  id: 'bank.string-fuses',
  step: 'bank',
  check: ({ design: { bank } }) =>
    bank.inParallel < 2 || bank.stringFuses
      ? []
      : [
          watch(
            'bank',
            say`${bank.inParallel} strings stand in parallel, none with a fuse of its own.`,
            CHEMISTRIES[bank.part.chemistry].managed
              ? 'A fault in one is fed by all the others. A breaker in each unit that can break the bank’s short-circuit current counts as one; its manual says whether it can.'
              : 'A shorted cell or cable in one is fed by all the others, and burns. A fuse of the fastest class at the + of each string.',
            { remedy: { label: 'a fuse per string', apply: setField('bank.stringFuses', true) } },
          ),
        ],
}
