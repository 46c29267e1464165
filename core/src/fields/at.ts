import { DESIGN } from './design.ts'
import type { AnyTable, Field } from './field.ts'

/**
 * The field at a place of the document.
 *
 * @param path dotted, things of a list by their number or as `[]`: `loads.2.runningW`, `arrays[].module.vocV`
 * @returns the field; what a list of numbers holds is the list's own field; null where the document has no such place
 */
export function fieldAt(path: string): Field | null {
  let table: AnyTable = DESIGN
  let field: Field | null = null
  let listed = false
  for (const key of path.split('.').flatMap((part) => (part.endsWith('[]') ? [part.slice(0, -2), '0'] : [part]))) {
    const isNumber = /^\d+$/.test(key)
    if (isNumber && (listed || field?.kind === 'numbers' || field?.kind === 'texts')) {
      listed = false
      continue
    }
    const found: Field | undefined = !listed && Object.hasOwn(table, key) ? table[key] : undefined
    if (!found) return null
    field = found
    listed = found.kind === 'rows'
    table = found.kind === 'rows' || found.kind === 'part' ? found.of : {}
  }
  return field
}

/** A field with its place: `arrays[].module.vocV`. */
export interface PlacedField {
  path: string
  field: Field
}

/** Every field of a table in order, what holds others before what it holds. */
export function eachField(table: AnyTable = DESIGN, within = ''): PlacedField[] {
  return Object.entries(table).flatMap(([key, field]) => {
    const path = `${within}${key}${field.kind === 'rows' ? '[]' : ''}`
    const inner = field.kind === 'rows' || field.kind === 'part' ? eachField(field.of, `${path}.`) : []
    return [{ path, field }, ...inner]
  })
}
