import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type Joi from 'joi'
import {
  checklist,
  copperDraw,
  derive,
  findings,
  gannetSkerry,
  larkspurBench,
  larkspurFlooded,
  summariseWinter,
  verdict,
  WinterEngine,
  type Design,
  suggestionByRules,
} from '@ambrel/core'
import { said, type Words } from '@ambrel/core/units'
import { designSchema } from './design.ts'
import { checkDesign } from './problems.ts'

const ruleOf = (schema: Joi.Description, name: string) =>
  (schema.rules as { name: string; args?: { limit?: number } }[] | undefined)?.find((each) => each.name === name)?.args
    ?.limit
const allowedBy = (schema: Joi.Description) => (schema.allow as unknown[] | undefined) ?? []

/** Every field of the document, the first of each list standing for all of them. */
function* fieldsOf(schema: Joi.Description, path: string[] = []): Generator<[string, Joi.Description]> {
  if (schema.type === 'object' && schema.keys)
    for (const [key, field] of Object.entries(schema.keys as Record<string, Joi.Description>))
      yield* fieldsOf(field, [...path, key])
  else if (schema.type === 'array') {
    yield [path.join('.'), schema]
    const [items] = (schema.items as Joi.Description[] | undefined) ?? []
    if (items) yield* fieldsOf(items, [...path, '0'])
  } else yield [path.join('.'), schema]
}

/** The ends of what a field may be: least and most, each choice, nothing where that is allowed. */
function endsOf(schema: Joi.Description): unknown[] {
  if ((schema.flags as { only?: boolean } | undefined)?.only) return allowedBy(schema)
  const empty = allowedBy(schema).includes(null) ? [null] : []
  switch (schema.type) {
    case 'number':
      return [...empty, ruleOf(schema, 'min'), ruleOf(schema, 'max')]
    case 'boolean':
      return [true, false]
    case 'array':
      return [[]]
    default:
      return [...empty, 'x'.repeat(ruleOf(schema, 'max') ?? 10)]
  }
}

/** Sets one place of a document. @returns false where it has no such place */
function put(design: Design, path: string, value: unknown): boolean {
  const keys = path.split('.')
  const last = keys.pop()!
  let holder: unknown = design
  for (const key of keys) holder = (holder as Record<string, unknown> | null | undefined)?.[key]
  if (typeof holder !== 'object' || holder === null) return false
  ;(holder as Record<string, unknown>)[last] = value
  return true
}

/** Where a result holds a number that is none, or words that show one. */
function flaw(value: unknown, at = ''): string | null {
  if (typeof value === 'number') return Number.isFinite(value) ? null : `${at} is ${value}`
  if (typeof value === 'string') return /NaN|Infinity|undefined|\[object/.test(value) ? `${at} says “${value}”` : null
  if (typeof value !== 'object' || value === null) return null
  for (const [key, each] of Object.entries(value)) {
    const found = flaw(each, `${at}.${key}`)
    if (found) return found
  }
  return null
}

const engine = new WinterEngine()
const sample = copperDraw()
/** What each suggestion is made from. */
const SUGGESTS = [
  [/^place/, 'place'],
  [/^loads/, 'loads'],
  [/^(loads|bank|place)/, 'bank'],
  [/^(arrays|controllers)/, 'array'],
  [/^(loads|inverter)/, 'inverter'],
  [/^(bank|inverter|generator)/, 'generator'],
] as const

function withEnd(design: Design, path: string, value: unknown): Design {
  const copy = structuredClone(design)
  put(copy, path, value)
  return copy
}

const fields = [...fieldsOf(designSchema().describe())].filter(([path]) => !['format', 'version'].includes(path))

/** Everything that is worked out of a design is told in finite numbers, and its year is in balance. */
function expectSound(design: Design, told: string): void {
  const derived = derive(design)
  const year = engine.year(design, 1, 0)
  const winter = summariseWinter([year], design)
  expect(year.residualRelative, told).toBeLessThan(1e-9)
  const found = findings({ design, derived, winter }).map(({ says, because }) => ({ says, because }))
  const tells = { found, verdict: verdict(design, winter), tasks: checklist(design), worked: derived.worked }
  expect(flaw({ ...tells, winter, bill: derived.bill }), told).toBeNull()
  expect(
    textsOf(tells).filter((text) => MANY_OF_ONE.test(text)),
    told,
  ).toEqual([])
}

/** One of a thing told as if it were several. */
const MANY_OF_ONE =
  /(?<![\d.,:\u2009\u202f−–/-])1 (?:years|days|hours|weeks|months|winters|times|strings|units|modules|loads|circuits|lines|arrays|fuses|breakers|batteries|controllers|inverters|trackers|pumps|cells|nights|phases|quotes|parts|pieces)\b/

/** Every text within what is told, its figures written out. */
function textsOf(value: unknown): string[] {
  if (typeof value === 'string') return [value]
  if (typeof value !== 'object' || value === null) return []
  const isWords = Array.isArray(value) && value.some((each) => typeof each === 'string' && each.includes(' '))
  return isWords ? [said(value as Words)] : Object.values(value).flatMap(textsOf)
}

describe('a field at either end of its range', () => {
  it.each(fields)('%s is refused by name, or the whole design is worked out in numbers', (path, schema) => {
    for (const value of endsOf(schema)) {
      const design = structuredClone(sample)
      if (!put(design, path, value)) continue
      const told = `${path} = ${JSON.stringify(value)}`
      const { problems } = checkDesign(design)
      for (const { message } of problems) expect(flaw(message), told).toBeNull()
      if (problems.length > 0) continue
      expectSound(design, told)
      for (const [from, suggest] of SUGGESTS)
        if (from.test(path)) {
          const suggestion = suggestionByRules(suggest, design)
          expect(flaw(suggestion.reasons), `${told}: ${suggest}`).toBeNull()
          expect(checkDesign(suggestion.design).problems, `${told}: ${suggest}`).toEqual([])
        }
    }
  })

  const numeric = fields.filter(([, { type, flags }]) => type === 'number' && !(flags as { only?: boolean })?.only)
  it.each(numeric)('%s beyond it is refused at its place', (path, schema) => {
    for (const value of [ruleOf(schema, 'min')! - 1, ruleOf(schema, 'max')! + 1]) {
      const design = structuredClone(sample)
      if (put(design, path, value)) expect(checkDesign(design).problems.map((problem) => problem.path)).toContain(path)
    }
  })

  it('so are several at once', () => {
    const ends = fields.flatMap(([path, schema]) => endsOf(schema).map((value) => ({ path, value })))
    const base = fc.constantFrom(copperDraw, larkspurBench, larkspurFlooded, gannetSkerry)
    fc.assert(
      fc.property(base, fc.array(fc.constantFrom(...ends), { minLength: 2, maxLength: 6 }), (make, changes) => {
        const design = make()
        for (const { path, value } of changes)
          if (checkDesign(withEnd(design, path, value)).problems.length === 0) put(design, path, structuredClone(value))
        expectSound(design, JSON.stringify(changes))
      }),
      { numRuns: 60 },
    )
  })
})
