/** What one input of a public function may be. */
export interface Field {
  kind: 'number' | 'integer' | 'text' | 'choice' | 'object' | 'list' | 'numbers' | 'any'
  unit: string
  min?: number
  max?: number
  choices?: readonly string[]
  /** exact length of a list */
  length?: number
  /** what an object, or each object of a list, holds; names beyond these are left out */
  fields?: Record<string, Field>
  /** present where the input may be left out */
  fallback?: unknown
}

/**
 * A number.
 * @param min and max: both allowed
 */
export const number = (unit: string, min: number, max: number): Field => ({ kind: 'number', unit, min, max })
/**
 * A whole number.
 * @param min and max: both allowed
 */
export const integer = (unit: string, min: number, max: number): Field => ({ kind: 'integer', unit, min, max })
/** Any words. */
export const text = (unit: string): Field => ({ kind: 'text', unit })
/** One of some words. */
export const choice = (...choices: string[]): Field => ({ kind: 'choice', unit: '', choices })
/** Several keys under one. */
export const object = (unit: string, fields: Record<string, Field>): Field => ({ kind: 'object', unit, fields })
/**
 * Rows of the same keys.
 * @param length how many there must be; any number without it
 */
export const list = (unit: string, fields: Record<string, Field>, length?: number): Field => ({
  kind: 'list',
  unit,
  fields,
  length,
})
/** A list of numbers; a single number stands for a list of one. */
export const numbers = (unit: string, min: number, max: number, length?: number): Field => ({
  kind: 'numbers',
  unit,
  min,
  max,
  length,
})
/**
 * A field that may be left out.
 * @param fallback what holds then
 */
export const optional = (field: Field, fallback: unknown): Field => ({ ...field, fallback })

/**
 * The checked inputs of a call.
 * @throws RangeError on construction for an input that is missing, unknown, or out of range
 */
export class Fields {
  private readonly values: Record<string, unknown>

  constructor(fields: Record<string, Field>, input: unknown) {
    if (!isObject(input)) throw new RangeError(`with ${JSON.stringify(input)} must be a JSON object`)
    for (const name of Object.keys(input))
      if (!(name in fields))
        throw new RangeError(`${name} is not an input; allowed are ${Object.keys(fields).join(', ')}`)
    this.values = filled('', fields, input)
  }

  has(name: string): boolean {
    return name in this.values
  }

  number(name: string): number {
    return this.values[name] as number
  }

  text(name: string): string {
    return this.values[name] as string
  }

  numbers(name: string): number[] {
    return this.values[name] as number[]
  }

  object(name: string): Record<string, unknown> {
    return this.values[name] as Record<string, unknown>
  }

  rows(name: string): Record<string, unknown>[] {
    return this.values[name] as Record<string, unknown>[]
  }

  /** A time given as ISO text, milliseconds. */
  time(name: string): number {
    const value = this.text(name)
    const epoch = Date.parse(/[zZ]|[+-]\d\d:?\d\d$/.test(value) ? value : `${value}Z`)
    if (!Number.isFinite(epoch))
      throw new RangeError(`${name} ${JSON.stringify(value)} must be an ISO date and time in UTC`)
    return epoch
  }

  /** All inputs at once, for a function that takes just these. */
  all<T>(): T {
    return this.values as T
  }
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Every field of an object, checked, with what may be left out filled in. @param path of the object, ending in a dot */
function filled(path: string, fields: Record<string, Field>, given: Record<string, unknown>): Record<string, unknown> {
  const values: Record<string, unknown> = {}
  for (const [name, field] of Object.entries(fields)) {
    const value = given[name]
    if (value === undefined || value === null) {
      if (!('fallback' in field)) throw new RangeError(`${path}${name} is missing; ${describeField(field)}`)
      if (field.fallback !== null) values[name] = field.fallback
    } else values[name] = checked(path + name, field, value)
  }
  return values
}

function checked(name: string, field: Field, value: unknown): unknown {
  const refuse = () => new RangeError(`${name} ${JSON.stringify(value)} is not allowed; ${describeField(field)}`)
  const length = (items: unknown[]) => field.length === undefined || items.length === field.length
  switch (field.kind) {
    case 'number':
    case 'integer':
      if (typeof value !== 'number' || !Number.isFinite(value) || value < field.min! || value > field.max!)
        throw refuse()
      if (field.kind === 'integer' && !Number.isInteger(value)) throw refuse()
      return value
    case 'choice':
      if (!field.choices!.includes(value as string)) throw refuse()
      return value
    case 'numbers': {
      const items: unknown[] = Array.isArray(value) ? value : [value]
      if (items.length === 0 || !length(items)) throw refuse()
      return Array.from(items, (item, i) => checked(`${name}.${i}`, { ...field, kind: 'number' }, item))
    }
    case 'object':
      if (!isObject(value)) throw refuse()
      return filled(`${name}.`, field.fields!, value)
    case 'list':
      if (!Array.isArray(value) || !length(value)) throw refuse()
      return Array.from(value as unknown[], (item, i) => checked(`${name}.${i}`, { ...field, kind: 'object' }, item))
    case 'text':
      if (typeof value !== 'string') throw refuse()
      return value
    case 'any':
      return value
  }
}

/** One input in words: `number in ° from -90 to 90`. */
export function describeField(field: Field): string {
  const unit = field.unit ? ` in ${field.unit}` : ''
  const names = Object.keys(field.fields ?? {}).join(', ')
  const count = field.length === undefined ? '' : `${field.length} `
  switch (field.kind) {
    case 'choice':
      return `one of ${field.choices!.join(', ')}`
    case 'object':
      return `${field.unit}: {${names}}`
    case 'list':
      return `a list of ${count}${field.unit}: {${names}}`
    case 'text':
      return `text, ${field.unit}`
    case 'any':
      return `as in the document${unit}`
    case 'numbers':
      return `${count}numbers from ${field.min} to ${field.max}, ${field.unit}`
    default:
      return `${field.kind === 'integer' ? 'whole number' : 'number'}${unit} from ${field.min} to ${field.max}`
  }
}
