import type { Field as Described } from '../fields/field.ts'
import { choice, integer, number, numbers, optional, type Field } from './fields.ts'

/** An input that may be what a field of the document may be. @throws RangeError for a field that is no input */
export function inputOf(field: Described): Field {
  switch (field.kind) {
    case 'number':
      return (field.whole ? integer : number)(field.unit, field.min, field.max)
    case 'choice':
      return choice(...field.options.map(({ value }) => String(value)))
    case 'numbers':
      return numbers(field.label.toLowerCase(), field.min, field.max, field.count)
    default:
      throw new RangeError(`${field.label} is no input`)
  }
}

/**
 * Inputs made from fields of a table.
 * @param wanted the keys; or keys with what holds where they are left out, null for nothing
 */
export function inputsOf<K extends string>(
  table: Readonly<Record<K, Described>>,
  ...wanted: NoInfer<K>[]
): Record<string, Field>
export function inputsOf<K extends string>(
  table: Readonly<Record<K, Described>>,
  wanted: { [P in NoInfer<K>]?: unknown },
): Record<string, Field>
export function inputsOf(table: Readonly<Record<string, Described>>, ...wanted: unknown[]): Record<string, Field> {
  const [first] = wanted
  return typeof first === 'object' && first !== null
    ? Object.fromEntries(Object.entries(first).map(([key, value]) => [key, optional(inputOf(table[key]), value)]))
    : Object.fromEntries((wanted as string[]).map((key) => [key, inputOf(table[key])]))
}
