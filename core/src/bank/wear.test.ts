import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cyclesToFailure, lifeYears } from './life.ts'
import { rainflow } from './rainflow.ts'

const counted = (series: number[]) => {
  const byRange = new Map<number, number>()
  for (const { range, count } of rainflow(series)) byRange.set(range, (byRange.get(range) ?? 0) + count)
  return Object.fromEntries(byRange)
}

describe('rainflow counting', () => {
  it('the example of ASTM E1049-85, figure 6', () => {
    expect(counted([-2, 1, -3, 5, -1, 3, -4, 4, -2])).toEqual({ 3: 0.5, 4: 1.5, 6: 0.5, 8: 1, 9: 0.5 })
  })

  it('its cycles with their means', () => {
    expect(rainflow([-2, 1, -3, 5, -1, 3, -4, 4, -2])).toContainEqual({ range: 4, mean: 1, count: 1 })
  })

  it('points on the way between two turns change nothing', () => {
    expect(counted([0, 0.3, 0.7, 1, 1, 0.5, 0])).toEqual(counted([0, 1, 0]))
  })

  it('a repeated cycle is counted as often as it comes', () => {
    const series = Array.from({ length: 21 }, (_, i) => (i % 2 === 0 ? 1 : 0.4))
    const total = rainflow(series).reduce((sum, { count }) => sum + count, 0)
    expect(total).toBe(10)
  })

  it('no cycle is wider than the whole series, and the ways up and down are all counted', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 2, maxLength: 60 }), (series) => {
        const cycles = rainflow(series)
        const widest = Math.max(...series) - Math.min(...series)
        let way = 0
        for (let i = 1; i < series.length; i++) way += Math.abs(series[i] - series[i - 1])
        for (const { range } of cycles) expect(range).toBeLessThanOrEqual(widest + 1e-12)
        expect(cycles.reduce((sum, { range, count }) => sum + 2 * range * count, 0)).toBeCloseTo(way, 9)
      }),
    )
  })

  it.each([[[]], [[1]], [[1, NaN, 2]]])('%j is refused', (series) => {
    expect(() => rainflow(series)).toThrow('series')
  })
})

describe('life of a bank', () => {
  const part = {
    cycles: [
      { depth: 0.2, cycles: 3000 },
      { depth: 0.5, cycles: 1200 },
      { depth: 0.8, cycles: 600 },
    ],
    calendarYears: 10,
  }

  it('meets the data sheet at its points and falls with depth between and beyond', () => {
    for (const { depth, cycles } of part.cycles) expect(cyclesToFailure(part.cycles, depth)).toBeCloseTo(cycles, 6)
    let last = Infinity
    for (let depth = 0.05; depth <= 1; depth += 0.05) {
      const now = cyclesToFailure(part.cycles, depth)
      expect(now).toBeLessThan(last)
      last = now
    }
  })

  it('one cycle of 50 % a day is 1,200 days', () => {
    const year = Array.from({ length: 731 }, (_, i) => (i % 2 === 0 ? 1 : 0.5))
    const life = lifeYears(year, 1, part)
    expect(life.cyclicYears).toBeCloseTo(1200 / 365, 3)
    expect(life.limitedBy).toBe('cycles')
    expect(life.equivalentCyclesPerYear).toBeCloseTo((365 * 600) / 1200, 3)
  })

  it('a bank mostly on float dies of its calendar', () => {
    const life = lifeYears([1, 0.97, 1, 0.96, 1], 1, part)
    expect(life).toMatchObject({ years: 10, limitedBy: 'calendar' })
  })

  it('is never cycled and never dies of cycles', () => {
    expect(lifeYears([1, 1, 1], 1, part).cyclicYears).toBe(Infinity)
  })

  it('deeper days never make it last longer', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 0.5, noNaN: true }), { minLength: 10, maxLength: 40 }),
        (depths) => {
          const series = (factor: number) => depths.flatMap((depth) => [1, 1 - factor * depth])
          expect(lifeYears(series(1.5), 1, part).cyclicYears).toBeLessThanOrEqual(
            lifeYears(series(1), 1, part).cyclicYears,
          )
        },
      ),
    )
  })
})
