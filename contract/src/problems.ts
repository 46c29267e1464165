import type Joi from 'joi'
import { invariantProblems, migrate, type Design, type Problem } from '@ambrel/core'
import { designSchema } from './design.ts'

/**
 * Checks a value against a schema and says every problem at its place.
 * Nothing is converted and unknown fields are refused by name, so that a typing error is never swallowed.
 */
export function problemsOf(schema: Joi.Schema, value: unknown): Problem[] {
  const { error } = schema.validate(value, { abortEarly: false, convert: false, errors: { wrap: { label: false } } })
  return (error?.details ?? []).map((detail) => ({
    path: detail.path.join('.'),
    value: detail.context?.value ?? null,
    message: sentence(detail),
  }))
}

/** One plain sentence: the field, its value, what is allowed. */
function sentence({ path, type, context, message }: Joi.ValidationErrorItem): string {
  const field = path.length > 0 ? String(path[path.length - 1]) : 'document'
  const value = shown(context?.value)
  switch (type) {
    case 'number.min':
      return `${field} ${value} is too small; at least ${context!.limit}`
    case 'number.max':
      return `${field} ${value} is too large; at most ${context!.limit}`
    case 'number.base':
    case 'number.infinity':
      return `${field} ${value} is not a number`
    case 'number.integer':
      return `${field} ${value} must be a whole number`
    case 'any.required':
      return `${field} is missing`
    case 'any.only':
      return `${field} ${value} is not allowed; one of ${(context!.valids as unknown[]).join(', ')}`
    case 'object.unknown':
      return `${field} is not a field of this document`
    case 'string.empty':
    case 'string.min':
      return `${field} is empty; write at least one character`
    case 'string.pattern.invert.name':
      return `${field} holds a letter that cannot be kept, a NUL or half of a pair; write it anew`
    case 'array.length':
      return `${field} has ${(context!.value as unknown[]).length} entries; exactly ${context!.limit}`
    default:
      return `${message} (${value})`
  }
}

function shown(value: unknown): string {
  const json = JSON.stringify(value) ?? 'nothing'
  return json.length > 60 ? `${json.slice(0, 57)}…` : json
}

/** Either a sound document, or everything that is wrong with it. */
export type Checked = { design: Design; problems: [] } | { design: null; problems: Problem[] }

/**
 * Checks anything that claims to be a design: version, shape and ranges, then what contradicts itself.
 * @param value parsed JSON
 */
export function checkDesign(value: unknown): Checked {
  const migrated = migrate(value)
  if ('problem' in migrated) return { design: null, problems: [migrated.problem] }
  const shape = problemsOf(designSchema, migrated.document)
  if (shape.length > 0) return { design: null, problems: shape }
  const design = migrated.document as Design
  const problems = invariantProblems(design)
  return problems.length > 0 ? { design: null, problems } : { design, problems: [] }
}

/** As {@link checkDesign}, from text; broken JSON is a problem like any other. */
export function checkDesignText(source: string): Checked {
  let value: unknown
  try {
    value = JSON.parse(source.replace(/^\uFEFF/, ''))
  } catch (error) {
    return {
      design: null,
      problems: [{ path: '', value: source.slice(0, 40), message: `not JSON: ${(error as Error).message}` }],
    }
  }
  return checkDesign(value)
}
