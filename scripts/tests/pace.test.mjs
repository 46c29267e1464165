import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ofQuiet, Pace } from '../pace.mjs'

describe('the pace of the processors', () => {
  beforeEach(() => vi.useFakeTimers())
  afterEach(() => vi.useRealTimers())

  it('is looked at every second until it ends, and whole where there was no time to look', () => {
    expect(new Pace().end()).toBe(1)
    const pace = new Pace()
    vi.advanceTimersByTime(6000)
    expect(pace.looks).toHaveLength(6)
    const pacing = pace.end()
    expect(pacing).toBeGreaterThan(0)
    expect(pacing).toBeLessThanOrEqual(1)
    vi.advanceTimersByTime(6000)
    expect(pace.looks).toHaveLength(6)
  })

  it('is a share of what the quickest looks took, but of a few that are too quick to be true', () => {
    expect(ofQuiet([4, 4, 8, 16], 0, 0)).toBeCloseTo((1 + 1 + 0.5 + 0.25) / 4)
    const looks = [...Array(90).fill(4), ...Array(9).fill(8), 1]
    expect(ofQuiet(looks, 0, 0)).toBeCloseTo((91 + 9 / 2) / 100)
  })

  it('is less by the time that other machines took', () => {
    expect(ofQuiet([4, 4], 900, 100)).toBeCloseTo(0.9)
    expect(ofQuiet([4, 8], 900, 100)).toBeCloseTo(0.75 * 0.9)
  })
})
