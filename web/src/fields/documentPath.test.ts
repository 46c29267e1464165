import { describe, expect, it } from 'vitest'
import { larkspurBench } from '@ambrel/core'
import { putAt, valueAt } from './documentPath.ts'

describe('a place in a document', () => {
  it('is read and written, list items by index, the rest left alone', () => {
    const design = larkspurBench()
    expect(valueAt(design, 'loads.2.name')).toBe(design.loads[2].name)
    putAt(design, 'loads.2.runningW', 77)
    putAt(design, 'generator.chargeLimitA', null)
    expect(design.loads[2].runningW).toBe(77)
    expect(valueAt(design, 'generator.chargeLimitA')).toBeNull()
    expect(design.loads[1].runningW).toBe(larkspurBench().loads[1].runningW)
  })

  it('what is not there reads as nothing', () => {
    expect(valueAt(larkspurBench(), 'loads.99.name')).toBeUndefined()
  })
})
