import type { AnyTable, Field, TextForm } from '@ambrel/core'
import { isCalendarDay, UNKEEPABLE } from './letters.ts'

/**
 * Whether a field surely may hold a value. It asks what the schema of the same table asks, in a hundredth of the time
 * and without it: what it takes needs no schema. What it does not take may still be right; the schema says so, or says
 * what is wrong.
 *
 * @param value parsed JSON
 */
export function holds(field: Field, value: unknown): boolean {
  if (value === null) return 'empty' in field && field.empty !== undefined
  switch (field.kind) {
    case 'number':
      return isWithin(value, field)
    case 'choice':
      return field.options.some((option) => option.value === value)
    case 'flag':
      return typeof value === 'boolean'
    case 'text':
      return typeof value === 'string' && TEXTS[field.form](value, field.most)
    case 'texts':
      return isListOf(value, 0, field.most, (each) => isPlain(each, field.letters) && each !== '')
    case 'numbers': {
      const { count = field.most ?? Infinity, rows } = field
      const isOne = (list: unknown): boolean =>
        isListOf(list, field.count ?? 0, count, (each) => isWithin(each, field)) && (!field.unique || differ(list))
      return rows === undefined ? isOne(value) : isListOf(value, rows, rows, isOne)
    }
    case 'rows': {
      const { of, least, most, unique } = field
      return (
        isListOf(value, least, most, (row) => holdsAll(of, row)) &&
        (unique === undefined || differ(value.map((row) => (row as Values)[unique])))
      )
    }
    case 'part':
      return holdsAll(field.of, value)
  }
}

type Values = Record<string, unknown>

/** Whether an object surely has every field of a table, each holding what it may, and no other. */
export function holdsAll(table: AnyTable, value: unknown): value is Values {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false
  const keys = Object.keys(value)
  if (keys.length !== Object.keys(table).length) return false
  return keys.every((key) => Object.hasOwn(table, key) && holds(table[key], (value as Values)[key]))
}

const isWithin = (value: unknown, { min, max, whole }: { min: number; max: number; whole: boolean }): boolean =>
  typeof value === 'number' && value >= min && value <= max && (!whole || Number.isInteger(value))

/** A list of so many, each of which is right; its length is asked first, and a gap in it is one that is wrong. */
function isListOf(
  value: unknown,
  least: number,
  most: number,
  isRight: (each: unknown) => boolean,
): value is unknown[] {
  if (!Array.isArray(value) || value.length < least || value.length > most) return false
  for (let i = 0; i < value.length; i++) if (!isRight(value[i])) return false
  return true
}

const differ = (list: readonly unknown[]): boolean => new Set(list).size === list.length

const isPlain = (value: unknown, most: number): value is string =>
  typeof value === 'string' && value.length <= most && !UNKEEPABLE.test(value)

/** The forms as they are usually written; a schema takes some more. */
const TEXTS: Record<TextForm, (text: string, most: number) => boolean> = {
  name: (text, most) => isPlain(text, most) && text !== '' && text === text.trim(),
  words: isPlain,
  id: (text) => /^[\w-]{1,60}$/.test(text),
  circuit: (text) => /^[\w:-]{1,80}$/.test(text),
  day: (text) => /^\d{4}-\d{2}-\d{2}$/.test(text) && isCalendarDay(text),
  currency: (text) => /^[A-Z]{3}$/.test(text),
  file: (text) => /^[\da-f]{8}-[\da-f]{4}-[1-8][\da-f]{3}-[89ab][\da-f]{3}-[\da-f]{12}$/.test(text),
}
