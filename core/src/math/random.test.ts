import { describe, expect, it } from 'vitest'
import { normalCumulative, normalQuantile, Random } from './random.ts'

describe('the seeded stream', () => {
  it('repeats for a seed and differs between seeds and streams', () => {
    const draw = (seed: number, stream: number) => {
      const random = new Random(seed, stream)
      return Array.from({ length: 5 }, () => random.uniform())
    }
    expect(draw(7, 0)).toEqual(draw(7, 0))
    expect(draw(7, 0)).not.toEqual(draw(8, 0))
    expect(draw(7, 0)).not.toEqual(draw(7, 1))
  })

  it('is uniform: mean 1/2, variance 1/12', () => {
    const random = new Random(1)
    const n = 200_000
    let sum = 0
    let square = 0
    for (let i = 0; i < n; i++) {
      const u = random.uniform()
      sum += u
      square += u * u
    }
    expect(sum / n).toBeCloseTo(0.5, 2)
    expect(square / n - (sum / n) ** 2).toBeCloseTo(1 / 12, 3)
  })

  // Abramowitz & Stegun (1964), table 26.1
  it.each([
    [0, 0.5],
    [1, 0.841344746],
    [1.96, 0.975002105],
    [-2, 0.022750132],
    [3, 0.998650102],
  ])('Φ(%s) = %s', (z, p) => {
    expect(normalCumulative(z)).toBeCloseTo(p, 8)
    expect(normalQuantile(p)).toBeCloseTo(z, 5)
  })

  it('refuses a probability outside (0, 1)', () => {
    expect(() => normalQuantile(0)).toThrow(RangeError)
    expect(() => normalQuantile(1.2)).toThrow('1.2')
  })
})
