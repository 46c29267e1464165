import { describe, expect, it } from 'vitest'
import {
  batteryParts,
  controllerParts,
  eachField,
  fieldAt,
  generatorParts,
  inverterParts,
  moduleParts,
  SAMPLE_FAMILIES,
  valueAt,
  type Design,
  type Field,
} from '@ambrel/core'
import { said } from '@ambrel/core/units'
import { partProblems } from './parts.ts'
import { PART_KINDS } from './partTables.ts'

const FIELDS = eachField()
const ofKind = <K extends Field['kind']>(kind: K) =>
  FIELDS.flatMap(({ path, field }) =>
    field.kind === kind ? [{ path, field: field as Extract<Field, { kind: K }> }] : [],
  )

/** Every leaf of a value with its place, things of a list as `[]`. */
function leaves(value: unknown, path = ''): string[] {
  if (Array.isArray(value))
    return value.length === 0 || typeof value[0] !== 'object' || Array.isArray(value[0])
      ? [path]
      : leaves(value[0], `${path}[]`)
  if (typeof value !== 'object' || value === null) return [path]
  return Object.entries(value).flatMap(([key, inner]) => leaves(inner, path ? `${path}.${key}` : key))
}

describe('the table of fields', () => {
  it('has every place of a document, and a field at each', () => {
    for (const make of SAMPLE_FAMILIES.flat())
      for (const path of leaves(make())) expect(fieldAt(path), path).not.toBeNull()
  })

  it('names each field and says what it is, in a sentence', () => {
    for (const { path, field } of FIELDS) {
      expect(field.label.trim(), path).toBe(field.label)
      expect(field.label, path).not.toBe('')
      for (const system of ['metric', 'imperial'] as const) {
        const help = said(field.help, system)
        expect(help, path).toMatch(/^[\p{L}\d].*\.$/u)
        expect(help.length, path).toBeLessThan(220)
      }
      expect(said(field.help, 'imperial'), path).not.toMatch(/\d (°C|m|kg|K|L|cm|m\/s)\b/)
    }
  })

  it('has ranges that hold something, and steps that fit in them', () => {
    for (const { path, field } of [...ofKind('number'), ...ofKind('numbers')])
      expect(field.max, path).toBeGreaterThan(field.min)
    for (const { path, field } of ofKind('number')) expect(field.step, path).toBeGreaterThan(0)
    for (const { path, field } of ofKind('choice'))
      expect(new Set(field.options.map(({ value }) => value)).size, path).toBe(field.options.length)
  })

  it('says nothing of what is no place', () => {
    for (const path of ['', 'colour', 'place.colour', 'loads.name', 'loads.0.name.first', 'bank.part.0'])
      expect(fieldAt(path), path).toBeNull()
  })

  it('finds things of a list by number, and lists of numbers as a whole', () => {
    expect(fieldAt('loads.2.runningW')).toBe(fieldAt('loads[].runningW'))
    expect(fieldAt('place.persistence.3')).toBe(fieldAt('place.persistence'))
    expect(valueAt(SAMPLE_FAMILIES.flat()[0]() as Design, 'place.persistence.3')).toBeTypeOf('number')
  })
})

describe('the parts of the shelf', () => {
  const SHELVES = {
    battery: batteryParts,
    module: moduleParts,
    controller: controllerParts,
    inverter: inverterParts,
    generator: generatorParts,
  }

  it.each(PART_KINDS)('of kind %s are what a design takes', (kind) => {
    for (const part of SHELVES[kind]) expect(partProblems(kind, part), part.id).toEqual([])
  })

  it('are refused by field, value and what is allowed', () => {
    const [battery] = batteryParts
    const [problem] = partProblems('battery', { ...battery, nominalV: 480 })
    expect(problem.path).toBe('nominalV')
    expect(said(problem.message)).toBe('Nominal: 480 V is too large; at most 60 V')
    expect(partProblems('module', battery).map(({ path }) => path)).toContain('vocV')
  })
})
