import fc from 'fast-check'
import { freeze } from 'immer'
import { describe, expect, it } from 'vitest'
import {
  batteryParts,
  DESIGN,
  eachField,
  invariantProblems,
  larkspurBench,
  SAMPLE_FAMILIES,
  type AnyTable,
  type Design,
  type Field,
} from '@ambrel/core'
import { holds, holdsAll } from './holds.ts'
import { designSchema } from './design.ts'
import { PART_TABLES } from './partTables.ts'
import { checkDesign } from './problems.ts'
import { objectOf, schemaOf } from './schemaOf.ts'
import { isSound } from './sound.ts'

const FIELDS = eachField().map(({ field }) => field)
const SAMPLES = SAMPLE_FAMILIES.flat()
const takes = (field: Field, value: unknown): boolean =>
  schemaOf(field).validate(value, { convert: false }).error === undefined

/** Values at and beyond every edge of a field, and of every other kind. */
function about(field: Field): unknown[] {
  const strange = [
    null,
    undefined,
    NaN,
    Infinity,
    -Infinity,
    2 ** 60,
    true,
    'x',
    '',
    ' x',
    'x\u0000',
    '\ud800',
    {},
    [],
    [1],
    Array(3),
  ]
  const numbers = (min: number, max: number) => [
    min,
    max,
    min - 1,
    max + 1,
    min - 1e-9,
    max + 1e-9,
    (min + max) / 2,
    1.5,
    -0,
    String(min),
  ]
  switch (field.kind) {
    case 'number':
      return [...strange, ...numbers(field.min, field.max)]
    case 'choice':
      return [...strange, ...field.options.flatMap(({ value }) => [value, String(value), `${value} `])]
    case 'flag':
      return [...strange, false, 0, 'true']
    case 'text':
      return [...strange, ...TEXTS, 'y'.repeat(field.most), 'y'.repeat(field.most + 1)]
    case 'texts':
      return [
        ...strange,
        ['a'],
        ['a', ''],
        [7],
        Array(field.most).fill('b'),
        Array(field.most + 1).fill('b'),
        ['y'.repeat(field.letters + 1)],
      ]
    case 'numbers': {
      const size = field.count ?? field.most ?? 3
      const lists = [size, size - 1, size + 1].flatMap((length) =>
        numbers(field.min, field.max).map((value) => Array<unknown>(length).fill(value)),
      )
      const mixed = [
        Array.from({ length: size }, (_, i) => field.min + i),
        [...Array<unknown>(size - 1).fill(field.min), null],
        Array(size),
      ]
      const all = [...lists, ...mixed]
      return field.rows === undefined
        ? [...strange, ...all]
        : [
            ...strange,
            ...all,
            ...all.flatMap((list) => [Array(field.rows).fill(list), Array(field.rows! + 1).fill(list)]),
          ]
    }
    case 'rows':
      return [...strange, [{}], [null], Array(field.most + 1).fill({})]
    case 'part':
      return [...strange, { x: 1 }]
  }
}
const TEXTS = [
  'a name',
  'a name ',
  '2026-02-28',
  '2026-02-30',
  '2026-2-3',
  'EUR',
  'eur',
  'load-1',
  'load 1',
  'pv:array-1',
  'a'.repeat(61),
  'b'.repeat(81),
  '3f2504e0-4f89-41d3-9a0c-0305e82c3301',
  '3F2504E0-4F89-41D3-9A0C-0305E82C3301',
  '{3f2504e0-4f89-41d3-9a0c-0305e82c3301}',
  '3f2504e0-4f89-01d3-9a0c-0305e82c3301',
  '3f2504e04f8941d39a0c0305e82c3301',
]

describe('what surely is sound', () => {
  it('is so by the schema too, at every edge of every field', () => {
    for (const field of FIELDS)
      for (const value of about(field))
        if (holds(field, value)) expect(takes(field, value), `${field.label}: ${JSON.stringify(value)}`).toBe(true)
  })

  it('is all that the schema takes, but for other ways to write the number of a file', () => {
    for (const field of FIELDS)
      for (const value of about(field))
        if (takes(field, value) && !(field.kind === 'text' && field.form === 'file'))
          expect(holds(field, value), `${field.label}: ${JSON.stringify(value)}`).toBe(true)
  })

  it('is every sample, by field and as a whole, without a schema', () => {
    for (const make of SAMPLES) {
      const design = make()
      for (const [key, field] of Object.entries(DESIGN as AnyTable))
        expect(holds(field, design[key as keyof Design]), `${design.variant}: ${key}`).toBe(true)
      expect(isSound(design)).toBe(true)
      expect(isSound(freeze(design, true))).toBe(true)
      expect(isSound(design)).toBe(true)
    }
  })

  it('has every field of its table and no other', () => {
    const [battery] = batteryParts
    const table = PART_TABLES.battery as AnyTable
    const { name: _name, ...nameless } = battery
    for (const value of [
      battery,
      nameless,
      { ...battery, colour: 1 },
      { ...nameless, colour: 1 },
      [],
      null,
      'x',
      JSON.parse('{"__proto__":1}'),
    ])
      expect(holdsAll(table, value), JSON.stringify(value)).toBe(
        objectOf(table).validate(value, { convert: false }).error === undefined && value !== undefined,
      )
  })

  /** Places of a document, and what may be put there. */
  const places: string[][] = []
  const walk = (value: unknown, path: string[]): void => {
    places.push(path)
    if (typeof value === 'object' && value !== null)
      for (const [key, inner] of Object.entries(value)) walk(inner, [...path, key])
  }
  const { version: _version, ...rest } = larkspurBench()
  for (const [key, value] of Object.entries(rest)) walk(value, [key])
  const changed = (value: unknown, [key, ...rest]: string[], next: unknown): unknown => {
    if (key === undefined) return next
    const copy: Record<string, unknown> = (Array.isArray(value) ? [...value] : { ...(value as object) }) as never
    copy[key] = changed(copy[key], rest, next)
    return copy
  }

  it('is what the whole check takes, of any document with anything anywhere', () => {
    const anything = fc.oneof(
      fc.double(),
      fc.integer({ min: -5, max: 400 }),
      fc.string(),
      fc.boolean(),
      fc.constantFrom(null, undefined, [], {}),
      fc.anything(),
    )
    fc.assert(
      fc.property(
        fc.constantFrom(...SAMPLES),
        fc.array(fc.tuple(fc.constantFrom(...places), anything), { minLength: 1, maxLength: 3 }),
        (make, changes) => {
          let document: unknown = make()
          for (const [path, value] of changes) {
            try {
              document = changed(document, path, value)
            } catch {
              // this sample has no such place
            }
          }
          const { error } = designSchema().validate(document, { convert: false })
          const isRight = error === undefined && invariantProblems(document as Design).length === 0
          expect(isSound(document)).toBe(isRight)
          expect(checkDesign(document).design !== null).toBe(isRight)
        },
      ),
      { numRuns: 200 },
    )
  })

  it('is asked anew of a frozen part in another place', () => {
    const share = freeze(Array<number>(12).fill(0.2), true)
    const design = larkspurBench()
    const { monthly } = design.place
    expect(isSound(freeze({ ...design, place: { ...design.place, persistence: share } }, true))).toBe(true)
    expect(isSound({ ...design, place: { ...design.place, monthly: share as never } })).toBe(false)
    expect(isSound({ ...design, place: { ...design.place, monthly } })).toBe(true)
    expect(isSound({ ...design, version: 1 })).toBe(false)
  })
})
