import { CONTROLLER, MODULE } from '../fields/array.ts'
import { BATTERY } from '../fields/bank.ts'
import type { AnyTable, Field as Described } from '../fields/field.ts'
import { GENERATOR_PART } from '../fields/generator.ts'
import { INVERTER_PART } from '../fields/inverter.ts'
import { partFromLabel, type LabelKind } from '../parts/fromLabel.ts'
import { choice, Fields, list, number, optional, text, type Field } from './fields.ts'
import { inputOf } from './fromTable.ts'
import type { CalcFunction } from './inputs.ts'

const TABLES: Record<LabelKind, AnyTable> = {
  module: MODULE,
  battery: BATTERY,
  inverter: INVERTER_PART,
  controller: CONTROLLER,
  generator: GENERATOR_PART,
}
const KINDS = Object.keys(TABLES) as LabelKind[]

/** A field of a part as an input that may be left out; what a label never says is none. */
function said(field: Described): Field | null {
  if (field.kind === 'number') return optional(inputOf(field), null)
  if (field.kind === 'choice') {
    const values = field.options.map(({ value }) => value)
    const [first] = values
    if (typeof first === 'string') return optional(choice(...values.map(String)), null)
    return optional(number('V', Math.min(...values.map(Number)), Math.max(...values.map(Number))), null)
  }
  if (field.kind === 'text' && field.form === 'name') return optional(text('its name'), null)
  if (field.kind === 'rows')
    return optional(
      list('rows', Object.fromEntries(Object.entries(field.of).map(([key, each]) => [key, inputOf(each)]))),
      null,
    )
  return null
}

const inputsFor = (kind: LabelKind): Record<string, Field> => ({
  kind: choice(kind),
  ...(kind === 'battery' ? { ampHours: optional(number('Ah', 0.1, 20000), null) } : {}),
  ...Object.fromEntries(
    Object.entries(TABLES[kind]).flatMap(([key, field]) => {
      const input = said(field)
      return input && key !== 'kind' ? [[key, input]] : []
    }),
  ),
})

/** Every field that a label of any kind may say; what it may be depends on the kind and is checked there. */
const ANY: Record<string, Field> = Object.fromEntries(
  KINDS.flatMap((kind) => Object.entries(inputsFor(kind))).map(([key, field]) => [key, { ...field, kind: 'any' }]),
)

/** Functions about parts. */
export const PARTS: Record<string, CalcFunction> = {
  'parts.fromLabel': {
    says: 'a part from what its label says, the rest estimated',
    inputs: { ...ANY, kind: choice(...KINDS) },
    outputs: { part: 'as in the document', estimated: 'names of the fields that were estimated' },
    source: 'rules of thumb from data sheets of each kind: docs/method.md',
    run: (input) => {
      const given = input.all<Record<string, unknown>>()
      const kind = given.kind as LabelKind
      const { kind: _kind, ...label } = new Fields(inputsFor(kind), given).all<Record<string, unknown>>()
      return { ...partFromLabel(kind, label) }
    },
  },
}
