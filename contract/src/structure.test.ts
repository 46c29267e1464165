import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { larkspurBench } from '@ambrel/core'
import { LIMITS } from './limits.ts'
import { checkDesign, checkDesignInSlices, checkDesignText } from './problems.ts'
import { excessOf, structureProblem } from './structure.ts'

const nested = (depth: number) => '['.repeat(depth) + ']'.repeat(depth)

describe('JSON before it is parsed', () => {
  it.each<[string, string, string]>([
    ['nesting', nested(LIMITS.depth + 1), 'deep'],
    ['nesting without end', '{"a":'.repeat(100_000), 'deep'],
    ['a long list', `[${'0,'.repeat(LIMITS.entries)}0]`, 'list of more than'],
    ['a wide object', `{${Array.from({ length: 500 }, (_, i) => `"k${i}":0`).join()}}`, 'object of more than'],
    ['many values', `[${`[${'0,'.repeat(9999)}0],`.repeat(80)}0]`, 'values'],
  ])('%s is refused', (_, text, message) => {
    expect(excessOf(text)?.message).toContain(message)
    expect(excessOf(new TextEncoder().encode(text))?.message).toContain(message)
  })

  it('what stands in a text counts for nothing', () => {
    expect(excessOf(JSON.stringify({ notes: '[{,'.repeat(100_000), more: '\\"[[[' }))).toBeNull()
  })

  it('lets any small JSON pass, and says of text and bytes the same', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 5 }), (value) => {
        const text = JSON.stringify(value)
        expect(excessOf(text)).toBeNull()
        expect(excessOf(new TextEncoder().encode(text))).toBeNull()
      }),
    )
  })
})

describe('a parsed value', () => {
  it.each(['__proto__', 'constructor', 'prototype'])('with the key %s is refused at its place', (key) => {
    const value: unknown = JSON.parse(`{"place":{"monthly":[{"${key}":{"polluted":true}}]}}`)
    expect(structureProblem(value)?.path).toBe(`place.monthly.0.${key}`)
    const text = JSON.stringify(larkspurBench()).replace('"label"', `"${key}":1,"label"`)
    expect(checkDesignText(text).problems[0].path).toBe(`place.${key}`)
  })

  it('holds no text longer than the longest that is allowed', () => {
    const design = { ...larkspurBench(), name: 'n'.repeat(LIMITS.notes + 1) }
    expect(checkDesign(design).problems).toMatchObject([
      { path: 'name', message: expect.stringContaining('20\u202f001 letters') },
    ])
  })
})

describe('problems', () => {
  it('hold nothing large of what was wrong', () => {
    const design = { ...larkspurBench(), notes: Array(5000).fill('x'.repeat(500)), winter: { years: 'y'.repeat(9000) } }
    expect(JSON.stringify(checkDesign(design).problems).length).toBeLessThan(3000)
  })

  it('are the same in slices and at once', async () => {
    const design = larkspurBench()
    design.loads[3].quantity = -1
    design.budget.taxPct = 400
    expect(await checkDesignInSlices(design)).toEqual(checkDesign(design))
    expect(await checkDesignInSlices(larkspurBench())).toEqual(checkDesign(larkspurBench()))
  })

  it('of a document that takes too long are that it does', async () => {
    expect((await checkDesignInSlices(larkspurBench(), 0)).problems[0].message).toContain('too long')
  })
})
