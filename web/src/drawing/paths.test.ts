import { describe, expect, it } from 'vitest'
import { bandPath, linePath } from './paths.ts'

const x = (step: number) => step * 10
const y = (value: number) => 100 - value

describe('paths', () => {
  it('a line holds each value for its step', () => {
    expect(linePath([1, 5], x, y)).toBe('M0 99H10V95H20')
    expect(linePath([], x, y)).toBe('')
  })

  it('a band goes there along the top and back along the bottom', () => {
    expect(bandPath([0, 0], [5, 2], x, y)).toBe('M0 95H10V98H20V100H10V100H0Z')
    expect(bandPath([3, 3], [3, 3], x, y)).toBe('')
  })
})
