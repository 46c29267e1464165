import { DESIGN, invariantProblems, type AnyTable, type Design, type Field } from '@ambrel/core'
import { holds, holdsAll } from './holds.ts'

/** Frozen parts that were found sound, with what they were found to be; an edit leaves all others as they were. */
const known = new WeakMap<object, AnyTable | Field>()

/**
 * Whether a value surely is what a field may hold, or has the fields of a table; frozen ones are not looked through
 * again.
 *
 * @param as the field, or the table of an item of a list
 */
export function isSoundPart(as: AnyTable | Field, value: unknown): boolean {
  if (typeof value === 'object' && value !== null && known.get(value) === as) return true
  const sound = isField(as) ? holds(as, value) : holdsAll(as, value)
  if (sound) keepSound(as, value)
  return sound
}

export const isField = (as: AnyTable | Field): as is Field => typeof as.kind === 'string'

/** Remembers a part that was found sound, if it can no longer change. */
export function keepSound(as: AnyTable | Field, value: unknown): void {
  if (typeof value === 'object' && value !== null && Object.isFrozen(value)) known.set(value, as)
}

/**
 * Whether this surely is a sound document of today's version: what is yes needs no schema and is what `checkDesign`
 * takes; what is no goes there for what is wrong with it.
 */
export function isSound(value: unknown): value is Design {
  if (typeof value !== 'object' || value === null) return false
  const table: AnyTable = DESIGN
  if (known.get(value) === table) return true
  const keys = Object.keys(value)
  if (keys.length !== Object.keys(table).length) return false
  for (const key of keys) {
    if (!Object.hasOwn(table, key)) return false
    const field = table[key]
    const part = (value as Record<string, unknown>)[key]
    const isRight =
      field.kind === 'rows' && key in LISTS
        ? Array.isArray(part) && part.length <= field.most && part.every((item) => isSoundPart(field.of, item))
        : isSoundPart(field, part)
    if (!isRight) return false
  }
  if (invariantProblems(value as Design).length > 0) return false
  keepSound(table, value)
  return true
}

/** Lists of the document whose items are checked one by one, as an edit changes one of them. */
export const LISTS = {
  loads: DESIGN.loads,
  arrays: DESIGN.arrays,
  controllers: DESIGN.controllers,
  sources: DESIGN.sources,
  circuits: DESIGN.circuits,
}
