import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Pace } from '../pace.mjs'

describe('the pace of the processors', () => {
  beforeEach(() => vi.useFakeTimers())
  afterEach(() => vi.useRealTimers())

  it('is a share of their best, and all of it where there was no time to look', () => {
    expect(new Pace().end()).toBe(1)
    const pace = new Pace()
    vi.advanceTimersByTime(30_000)
    expect(pace.looks).toHaveLength(6)
    pace.looks = [40, 40, 80, 160]
    expect(pace.end()).toBeCloseTo((1 + 1 + 0.5 + 0.25) / 4)
    vi.advanceTimersByTime(30_000)
    expect(pace.looks).toHaveLength(4)
  })
})
