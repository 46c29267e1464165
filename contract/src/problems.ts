import type Joi from 'joi'
import {
  DESIGN,
  exact,
  fieldAt,
  invariantProblems,
  migrate,
  say,
  type AnyTable,
  type Design,
  type Field,
  type Problem,
  type Word,
  type Words,
} from '@ambrel/core'
import { LIMITS } from './limits.ts'
import { objectOf, schemaOf } from './schemaOf.ts'
import { isField, isSoundPart, keepSound, LISTS } from './sound.ts'
import { excessOf, structureProblem } from './structure.ts'

/**
 * Checks a value against a schema and says every problem at its place, fifty at most.
 * Nothing is converted and unknown fields are refused by name, so that a typing error is never swallowed.
 */
export function problemsOf(schema: Joi.Schema, value: unknown, naming: Naming = () => null): Problem[] {
  const structure = structureProblem(value)
  return structure ? [structure] : problemsAt(schema, value, [], naming)
}

/** What a field is called, and in which unit its numbers are; null for what has no table, which is called by its key. */
export type Naming = (path: string) => Named | null
interface Named {
  label: string
  unit: string
}
const byKey = (path: string): Named => ({ label: path.split('.').pop() || 'document', unit: '' })
const byTable: Naming = (path) => {
  const field = fieldAt(path)
  return field && { label: field.label, unit: 'unit' in field ? field.unit : '' }
}

function problemsAt(schema: Joi.Schema, value: unknown, at: readonly string[], naming: Naming): Problem[] {
  const { error } = schema.validate(value, { abortEarly: false, convert: false, errors: { wrap: { label: false } } })
  return (error?.details ?? []).slice(0, LIMITS.problems).map((detail) => {
    const path = [...at, ...detail.path].join('.')
    return { path, value: brief(detail.context?.value), message: sentence(detail, naming(path) ?? byKey(path)) }
  })
}

/** One plain sentence: the field, its value, what is allowed. */
function sentence({ type, context, message }: Joi.ValidationErrorItem, { label, unit: stored }: Named): Words {
  const unit = stored.startsWith('money') ? '' : stored
  const value = shown(context?.value, unit)
  const limit = () => exact(context!.limit as number, unit)
  switch (type) {
    case 'number.min':
      return say`${label}: ${value} is too small; at least ${limit()}`
    case 'number.max':
      return say`${label}: ${value} is too large; at most ${limit()}`
    case 'number.base':
    case 'number.infinity':
    case 'number.unsafe':
      return say`${label}: ${value} is not a number`
    case 'number.integer':
      return say`${label}: ${value} must be a whole number`
    case 'any.required':
      return say`${label} is missing`
    case 'any.only':
      return say`${label}: ${value} is not allowed; one of ${(context!.valids as unknown[]).filter((each) => each !== '').join(', ')}`
    case 'object.unknown':
      return say`${label} is not a field of this document`
    case 'object.base':
      return say`${label}: ${value} is not an object`
    case 'array.base':
      return say`${label}: ${value} is not a list`
    case 'string.empty':
    case 'string.min':
      return say`${label} is empty; write at least one character`
    case 'string.max':
      return say`${label} is too long; at most ${context!.limit as number} letters`
    case 'string.trim':
      return say`${label}: ${value} begins or ends with a space`
    case 'string.pattern.invert.name':
      return say`${label} holds a letter that cannot be kept, a NUL or half of a pair; write it anew`
    case 'array.length':
      return say`${label} has ${(context!.value as unknown[]).length} entries; exactly ${context!.limit as number}`
    case 'array.min':
      return say`${label} has ${(context!.value as unknown[]).length} entries; at least ${context!.limit as number}`
    case 'array.max':
      return tooLong(label, (context!.value as unknown[]).length, context!.limit as number)
    default:
      return say`${label}: ${message.startsWith('value ') ? message.slice('value '.length) : message} (${value})`
  }
}

const tooLong = (label: string, entries: number, most: number): Words =>
  say`${label} has ${exact(entries, '')} entries; at most ${most}`

const SHOWN = 60

/** A value as it can be told: what is long or large is cut or left out. */
function brief(value: unknown): unknown {
  if (typeof value === 'string') return value.slice(0, SHOWN)
  if (typeof value === 'object' && value !== null) return Array.isArray(value) && value.length === 0 ? [] : null
  return value ?? null
}

function shown(value: unknown, unit: string): Word {
  if (typeof value === 'number') return exact(value, unit)
  if (Array.isArray(value) && value.length > SHOWN) return `a list of ${value.length}`
  if (typeof value === 'object' && value !== null && Object.keys(value).length > SHOWN)
    return 'an object of many fields'
  const json = JSON.stringify(typeof value === 'string' ? value.slice(0, SHOWN) : value) ?? 'nothing'
  return json.length > SHOWN ? `${json.slice(0, SHOWN - 3)}…` : json
}

/** Either a sound document, or what is wrong with it: every problem, fifty at most. */
export type Checked = { design: Design; problems: [] } | { design: null; problems: Problem[] }

/**
 * Checks anything that claims to be a design: version, structure, shape and ranges, then what contradicts itself.
 * Parts that are frozen and were found sound before are not looked through again.
 *
 * @param value parsed JSON
 */
export function checkDesign(value: unknown): Checked {
  const check = checking(value)
  for (;;) {
    const { done, value: result } = check.next()
    if (done) return result
  }
}

const SLICE_MS = 12

/**
 * As {@link checkDesign}, in slices of a few milliseconds, so that a server answers others meanwhile.
 *
 * @param budgetMs time after which it gives up
 */
export async function checkDesignInSlices(value: unknown, budgetMs = 20_000): Promise<Checked> {
  const began = performance.now()
  let slice = began
  const check = checking(value)
  for (;;) {
    const { done, value: result } = check.next()
    if (done) return result
    const now = performance.now()
    if (now - began > budgetMs)
      return { design: null, problems: [{ path: '', value: null, message: 'this document takes too long to check' }] }
    if (now - slice < SLICE_MS) continue
    await new Promise((resolve) => setTimeout(resolve))
    slice = performance.now()
  }
}

/** The check, pausing between parts. */
function* checking(value: unknown): Generator<undefined, Checked> {
  const refused = (problem: Problem): Checked => ({ design: null, problems: [problem] })
  const tooMany = longList(value)
  if (tooMany) return refused(tooMany)
  const migrated = migrate(value)
  if ('problem' in migrated) return refused(migrated.problem)
  yield
  const document = migrated.document as Record<string, unknown>
  const keys = Object.keys(document)
  if (keys.length > LIMITS.fields)
    return refused({
      path: '',
      value: null,
      message: say`an object of ${keys.length} fields; at most ${LIMITS.fields}`,
    })
  const problems: Problem[] = []
  for (const key of keys)
    if (!Object.hasOwn(DESIGN, key))
      problems.push({ path: key, value: null, message: `${key} is not a field of this document` })
  for (const [key, field] of Object.entries(DESIGN as AnyTable)) {
    if (problems.length >= LIMITS.problems) break
    const part = document[key]
    if (key in LISTS && Array.isArray(part)) yield* checkingList(key as keyof typeof LISTS, part, problems)
    else if (!isSoundPart(field, part)) problems.push(...problemsOfPart(field, part, [key]))
    yield
  }
  if (problems.length > 0) return { design: null, problems: problems.slice(0, LIMITS.problems) }
  const design = document as unknown as Design
  const contradictions = invariantProblems(design).slice(0, LIMITS.problems)
  if (contradictions.length > 0) return { design: null, problems: contradictions }
  keepSound(DESIGN, design)
  return { design, problems: [] }
}

/** A list of far too many things is refused before any of it is looked at, or brought up to date. */
function longList(value: unknown): Problem | null {
  if (typeof value !== 'object' || value === null) return null
  for (const [key, { most }] of Object.entries(LISTS)) {
    const list = (value as Record<string, unknown>)[key]
    if (Array.isArray(list) && list.length > most)
      return { path: key, value: null, message: tooLong(byTable(key)!.label, list.length, most) }
  }
  return null
}

function* checkingList(key: keyof typeof LISTS, list: unknown[], problems: Problem[]): Generator<undefined> {
  const { of } = LISTS[key]
  for (let i = 0; i < list.length && problems.length < LIMITS.problems; i++) {
    if (!isSoundPart(of, list[i])) problems.push(...problemsOfPart(of, list[i], [key, String(i)]))
    yield
  }
}

function problemsOfPart(as: AnyTable | Field, value: unknown, at: readonly string[]): Problem[] {
  const structure = structureProblem(value, at, LIMITS.notes)
  if (structure) return [structure]
  const problems = problemsAt(isField(as) ? schemaOf(as) : objectOf(as).required(), value, at, byTable)
  if (problems.length === 0) keepSound(as, value)
  return problems
}

/** As {@link checkDesign}, from text; broken JSON is a problem like any other. */
export function checkDesignText(source: string): Checked {
  const refused = (problem: Problem): Checked => ({ design: null, problems: [problem] })
  const excess = excessOf(source)
  if (excess) return refused(excess)
  try {
    return checkDesign(JSON.parse(source.replace(/^\uFEFF/, '')))
  } catch (error) {
    return refused({ path: '', value: source.slice(0, 40), message: `not JSON: ${(error as Error).message}` })
  }
}
