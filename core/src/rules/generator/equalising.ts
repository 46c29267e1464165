import { setField } from '../../change/field.ts'
import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { watch, type Rule } from '../rule.ts'
import { say } from '../../units/words.ts'

export const equalising: Rule = {
  id: 'generator.equalise',
  step: 'generator',
  check: ({ design: { generator, bank } }) =>
    generator.present && generator.equaliseEveryDays !== null && CHEMISTRIES[bank.part.chemistry].equaliseV === null
      ? [
          watch(
            'generator',
            say`${CHEMISTRIES[bank.part.chemistry].name} is not equalised; the run leaves it out.`,
            'Sealed cells lose water they cannot get back, and lithium is damaged. Only flooded banks are equalised.',
            {
              remedy: {
                label: 'no equalising',
                apply: setField('generator.equaliseEveryDays', null),
              },
            },
          ),
        ]
      : [],
}
