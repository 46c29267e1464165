/** What one input of a public function may be. */
export interface Field {
  kind: 'number' | 'integer' | 'text' | 'choice' | 'list' | 'numbers'
  unit: string
  min?: number
  max?: number
  choices?: readonly string[]
  length?: number
  /** present where the input may be left out */
  fallback?: unknown
}

export const number = (unit: string, min: number, max: number): Field => ({ kind: 'number', unit, min, max })
export const integer = (unit: string, min: number, max: number): Field => ({ kind: 'integer', unit, min, max })
export const text = (unit: string): Field => ({ kind: 'text', unit })
export const choice = (...choices: string[]): Field => ({ kind: 'choice', unit: '', choices })
export const list = (unit: string, length?: number): Field => ({ kind: 'list', unit, length })
export const numbers = (unit: string, min: number, max: number): Field => ({ kind: 'numbers', unit, min, max })
export const optional = (field: Field, fallback: unknown): Field => ({ ...field, fallback })

/**
 * The checked inputs of a call.
 * @throws RangeError on construction for an input that is missing, unknown, or out of range
 */
export class Fields {
  private readonly values: Record<string, unknown> = {}

  constructor(fields: Record<string, Field>, input: unknown) {
    if (typeof input !== 'object' || input === null || Array.isArray(input))
      throw new RangeError(`with ${JSON.stringify(input)} must be a JSON object`)
    const given = input as Record<string, unknown>
    for (const name of Object.keys(given))
      if (!(name in fields))
        throw new RangeError(`${name} is not an input; allowed are ${Object.keys(fields).join(', ')}`)
    for (const [name, field] of Object.entries(fields)) {
      const value = given[name]
      if (value === undefined || value === null) {
        if (!('fallback' in field)) throw new RangeError(`${name} is missing; ${describeField(field)}`)
        if (field.fallback !== null) this.values[name] = field.fallback
      } else this.values[name] = checked(name, field, value)
    }
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
    const value = this.values[name]
    if (typeof value !== 'object' || value === null)
      throw new RangeError(`${name} ${JSON.stringify(value)} must be an object`)
    return value as Record<string, unknown>
  }

  /** A list of objects of any shape. */
  objects(name: string): Record<string, unknown>[] {
    return (this.values[name] as unknown[]).map((value, i) => {
      if (typeof value !== 'object' || value === null)
        throw new RangeError(`${name}.${i} ${JSON.stringify(value)} must be an object`)
      return value as Record<string, unknown>
    })
  }

  /** A list of whole numbers within a range. */
  integers(name: string, min: number, max: number): number[] {
    const field = integer('', min, max)
    return (this.values[name] as unknown[]).map((value, i) => checked(`${name}.${i}`, field, value) as number)
  }

  /** A list of objects, each checked by its own fields; unknown names are left out. */
  rows(name: string, fields: Record<string, Field>): Record<string, unknown>[] {
    return (this.values[name] as unknown[]).map((row, i) => {
      if (typeof row !== 'object' || row === null)
        throw new RangeError(`${name}.${i} ${JSON.stringify(row)} must be an object`)
      const known = Object.fromEntries(Object.entries(row).filter(([key]) => key in fields))
      try {
        return new Fields(fields, known).values
      } catch (error) {
        throw new RangeError(`${name}.${i}.${(error as Error).message}`, { cause: error })
      }
    })
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

function checked(name: string, field: Field, value: unknown): unknown {
  const refuse = () => new RangeError(`${name} ${JSON.stringify(value)} is not allowed; ${describeField(field)}`)
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
      const items = Array.isArray(value) ? value : [value]
      if (items.length === 0) throw refuse()
      return items.map((item, i) => checked(`${name}.${i}`, { ...field, kind: 'number' }, item))
    }
    case 'list':
      if (!Array.isArray(value) || (field.length !== undefined && value.length !== field.length)) throw refuse()
      return value
    case 'text':
      return value
  }
}

/** One input in words: `number in °, -90 to 90`. */
export function describeField(field: Field): string {
  const unit = field.unit ? ` in ${field.unit}` : ''
  switch (field.kind) {
    case 'choice':
      return `one of ${field.choices!.join(', ')}`
    case 'list':
      return `a list of ${field.unit}`
    case 'text':
      return field.unit
    case 'numbers':
      return `numbers, ${field.unit}`
    default:
      return `${field.kind === 'integer' ? 'whole number' : 'number'}${unit} from ${field.min} to ${field.max}`
  }
}
