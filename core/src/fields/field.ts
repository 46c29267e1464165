import { COUNTS, LETTERS } from './limits.ts'
import type { Words } from '../units/words.ts'

/** Units a stored number is in. `share` is one of 1, `money` the budget's currency. */
export type Unit =
  | ''
  | 'W'
  | 'VA'
  | 'Wh'
  | 'kWh'
  | 'V'
  | 'A'
  | 'kA'
  | 'Ah'
  | 'mΩ'
  | 'm'
  | 'cm'
  | 'kg'
  | 'L'
  | 'L/h'
  | 'L/d'
  | 'm/s'
  | '°'
  | '°C'
  | 's'
  | 'min'
  | 'h'
  | 'd'
  | 'years'
  | 'share'
  | '%'
  | '%/K'
  | '%/100 m'
  | '%/month'
  | '/week'
  | 'kWh/m²·day'
  | 'money'
  | 'money/L'
  | 'money/m'
  | 'money/kWh'

/** A version of the format that brought a field, and what held in every document before it. It never changes again. */
export interface Since {
  version: number
  /** the value, or how it follows from what holds the field and from the document as it was */
  before: unknown
}
/** How the value of an older document follows from it. */
export type Before = (within: Readonly<Record<string, unknown>>, document: Readonly<Record<string, unknown>>) => unknown

interface About {
  /** what the reader calls it, alone and without its unit */
  label: string
  /** what it is, where it is found, and what is usual */
  help: Words
  since?: Since
}

export interface NumberField extends About {
  kind: 'number'
  unit: Unit
  min: number
  max: number
  whole: boolean
  /** what it means when it is left empty; no meaning, no leaving empty */
  empty?: string
  /** what an arrow key adds, in the unit it is shown in */
  step: number
}

export interface Option<T extends string | number = string | number> {
  value: T
  label: string
}
export interface ChoiceField<T extends string | number = string | number> extends About {
  kind: 'choice'
  options: readonly Option<T>[]
}
export interface FlagField extends About {
  kind: 'flag'
}
/** What a text may be: a name, words, the key of a thing, a day, a code of three letters, or the number of a file. */
export type TextForm = 'name' | 'words' | 'id' | 'day' | 'currency' | 'file' | 'circuit'
export interface TextField extends About {
  kind: 'text'
  form: TextForm
  /** letters */
  most: number
  empty?: string
}
/** A list of numbers, or of lists of them. */
export interface NumbersField extends About {
  kind: 'numbers'
  unit: Unit
  min: number
  max: number
  whole: boolean
  /** so many exactly */
  count?: number
  /** so many at most */
  most?: number
  /** no number twice */
  unique?: boolean
  /** so many lists of it */
  rows?: number
  empty?: string
}
export interface TextsField extends About {
  kind: 'texts'
  most: number
  letters: number
}
export interface RowsField<T = unknown> extends About {
  kind: 'rows'
  of: FieldTable<T>
  least: number
  most: number
  /** no two rows agree in this */
  unique?: string
}
export interface PartField<T = unknown> extends About {
  kind: 'part'
  of: FieldTable<T>
  empty?: string
}

export type Field =
  | ChoiceField
  | FlagField
  | NumberField
  | NumbersField
  | PartField
  | RowsField
  | TextField
  | TextsField

/** The kind of field a value of that type has. */
export type FieldOf<V> = [V] extends [boolean]
  ? FlagField
  : [V] extends [number | null]
    ? number extends V
      ? NumberField
      : null extends V
        ? NumberField
        : ChoiceField<V & number>
    : [V] extends [string | null]
      ? string extends V
        ? ChoiceField<string> | TextField
        : null extends V
          ? TextField
          : ChoiceField<V & string>
      : [V] extends [readonly number[] | null]
        ? NumbersField
        : [V] extends [readonly (readonly number[])[]]
          ? NumbersField
          : [V] extends [readonly string[]]
            ? TextsField
            : [V] extends [readonly (infer R)[]]
              ? RowsField<R>
              : [V] extends [string | number]
                ? ChoiceField<V>
                : PartField<NonNullable<V>>

/** A table whose noun does not matter. */
export type AnyTable = Readonly<Record<string, Field>>
/** Every field of a noun: a key that is missing, or too many, does not compile. */
export type FieldTable<T> = unknown extends T ? AnyTable : { readonly [K in keyof T]-?: FieldOf<T[K]> }

interface More {
  step?: number
  empty?: string
  since?: Since
}

/** A number of a unit within a range, both ends allowed. */
export const number = (
  label: string,
  unit: Unit,
  min: number,
  max: number,
  help: Words,
  more: More = {},
): NumberField => ({ kind: 'number', label, unit, min, max, whole: false, step: 1, help, ...more })
/**
 * A whole number.
 * @param min and max: both allowed
 */
export const whole = (
  label: string,
  unit: Unit,
  min: number,
  max: number,
  help: Words,
  more: More = {},
): NumberField => ({ ...number(label, unit, min, max, help, more), whole: true })
/** A share of one; it is shown and typed in per cent. */
export const share = (label: string, help: Words, more: More & { min?: number; max?: number } = {}): NumberField => {
  const { min = 0, max = 1, ...rest } = more
  return number(label, 'share', min, max, help, rest)
}
/** A choice among words or numbers. */
export const choice = <T extends string | number>(
  label: string,
  options: readonly Option<T>[],
  help: Words,
  since?: Since,
): ChoiceField<T> => ({ kind: 'choice', label, options, help, since })
/** Options from a table of their names. */
export const optionsOf = <T extends string>(names: Readonly<Record<T, string>>): Option<T>[] =>
  (Object.entries(names) as [T, string][]).map(([value, label]) => ({ value, label }))
/** Yes or no. */
export const flag = (label: string, help: Words, since?: Since): FlagField => ({ kind: 'flag', label, help, since })
const text = (label: string, form: TextForm, most: number, help: Words): TextField => ({
  kind: 'text',
  label,
  form,
  most,
  help,
})
/** What something is called. */
export const named = (label: string, help: Words): TextField => text(label, 'name', LETTERS.name, help)
/**
 * Words of any kind.
 * @param most letters
 */
export const words = (label: string, most: number, help: Words, since?: Since): TextField => ({
  ...text(label, 'words', most, help),
  since,
})
/** By which other parts of the document name a thing. */
export const key = (label: string, help: Words): TextField => text(label, 'id', 60, help)
/** A day, YYYY-MM-DD. */
export const day = (label: string, help: Words): TextField => text(label, 'day', 10, help)
/** A code of three letters. */
export const code = (label: string, help: Words): TextField => text(label, 'currency', 3, help)
/** The number of a file of hours. */
export const fileKey = (label: string, help: Words): TextField => text(label, 'file', 36, help)
/** The key of a circuit: what kind it is and what it belongs to. */
export const circuitKey = (label: string, help: Words): TextField => text(label, 'circuit', 80, help)
/** The key of something else in the document, or none. */
export const reference = (label: string, help: Words, empty: string): TextField => ({
  ...text(label, 'words', 60, help),
  empty,
})

/**
 * Several numbers of one kind.
 * @param min and max: both allowed, of each
 */
export const numbers = (
  label: string,
  unit: Unit,
  min: number,
  max: number,
  size: Pick<NumbersField, 'count' | 'most' | 'rows' | 'unique'> & { whole?: boolean; empty?: string },
  help: Words,
  since?: Since,
): NumbersField => ({ kind: 'numbers', label, unit, min, max, whole: false, ...size, help, since })
/**
 * Days of the week, Monday first, 1 or 0 each.
 * @param empty what it means where none are named
 */
export const weekdays = (label: string, empty: string, help: Words): NumbersField =>
  numbers(label, '', 0, 1, { count: 7, whole: true, empty }, help, since(5, null))
/**
 * A list of words.
 * @param most how many
 * @param letters of each
 */
export const texts = (label: string, most: number, letters: number, help: Words, since?: Since): TextsField => ({
  kind: 'texts',
  label,
  most,
  letters,
  help,
  since,
})
/**
 * A list of parts.
 * @param size least and most of them, and the key that tells them apart
 */
export const rows = <T>(
  label: string,
  of: NoInfer<FieldTable<T>>,
  size: { least?: number; most: number; unique?: string },
  help: Words,
  since?: Since,
): RowsField<T> => ({ kind: 'rows', label, of, least: 0, ...size, help, since })
/** A part with fields of its own. */
export const part = <T>(
  label: string,
  of: NoInfer<FieldTable<T>>,
  help: Words,
  more: Pick<More, 'empty' | 'since'> = {},
): PartField<T> => ({
  kind: 'part',
  label,
  of,
  help,
  ...more,
})
/** What held in documents before a version. */
export const since = (version: number, before: unknown): Since => ({ version, before })

/** Which figures of a part are estimates. */
export const estimates = (): TextsField =>
  texts(
    'Estimated figures',
    COUNTS.estimated,
    60,
    'Names of the figures that are estimates; one is struck off when its figure is typed.',
    since(7, []),
  )
