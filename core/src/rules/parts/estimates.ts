import type { AnyTable } from '../../fields/field.ts'
import { CONTROLLER, MODULE } from '../../fields/array.ts'
import { BATTERY } from '../../fields/bank.ts'
import { GENERATOR_PART } from '../../fields/generator.ts'
import { INVERTER_PART } from '../../fields/inverter.ts'
import type { Design } from '../../document/types.ts'
import { sheetsRead } from '../../change/parts.ts'
import { open, type Rule, type Step } from '../rule.ts'
import { say } from '../../units/words.ts'

interface Estimated {
  subject: string
  part: { name: string; estimated: readonly string[] }
  /** where the part stands in the document */
  path: string
}

/** Names of so many figures are told, the others only counted. */
const TOLD = 6

/** Figures of a part that nobody has read off a data sheet yet, as long as there are any. */
const ruleOf = (id: string, step: Step, table: AnyTable, partsOf: (design: Design) => Estimated[]): Rule => ({
  id,
  step,
  check: ({ design }) =>
    partsOf(design).flatMap(({ subject, part, path }) => {
      const labels = part.estimated.flatMap((key) => (Object.hasOwn(table, key) ? [table[key].label] : []))
      if (labels.length === 0) return []
      const more = labels.length > TOLD ? ` and ${labels.length - TOLD} more` : ''
      return [
        open(
          subject,
          say`Estimates in “${part.name}”: ${labels.slice(0, TOLD).join(', ')}${more}.`,
          'They were reckoned from its label by rules of thumb; what stands on them is no firmer. Type the data sheet’s figures; each takes the mark away.',
          { remedy: { label: 'they are as the sheet says', apply: sheetsRead(path) } },
        ),
      ]
    }),
})

/** One rule for each kind of part, in the step it belongs to. */
export const ESTIMATES: readonly Rule[] = [
  ruleOf('bank.estimates', 'bank', BATTERY, ({ bank }) => [{ subject: 'bank', part: bank.part, path: 'bank.part' }]),
  ruleOf('array.estimates', 'array', MODULE, ({ arrays }) =>
    arrays.map(({ id, module }, i) => ({ subject: id, part: module, path: `arrays.${i}.module` })),
  ),
  ruleOf('array.controller-estimates', 'array', CONTROLLER, ({ controllers }) =>
    controllers.map(({ id, part }, i) => ({ subject: id, part, path: `controllers.${i}.part` })),
  ),
  ruleOf('inverter.estimates', 'inverter', INVERTER_PART, ({ inverter }) => [
    { subject: 'inverter', part: inverter.part, path: 'inverter.part' },
  ]),
  ruleOf('generator.estimates', 'generator', GENERATOR_PART, ({ generator }) =>
    generator.present && generator.kind === 'generator'
      ? [{ subject: 'generator', part: generator.part, path: 'generator.part' }]
      : [],
  ),
]
