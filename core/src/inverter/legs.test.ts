import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { larkspurBench } from '../design/samples.ts'
import type { Design, Load } from '../document/types.ts'
import { coincidentPeak } from '../loads/peak.ts'
import { findings } from '../rules/registry.ts'
import { legsAtOnce, legShare } from './legs.ts'

const LIVE = ['A', 'B'] as const

/** The demo with these loads alone, each used at every hour for a share of it. */
function withLoads(loads: { leg: Load['leg']; watts: number; share: number; quantity?: number }[]): Design {
  const design = larkspurBench()
  const [load] = design.loads
  design.loads = loads.map(({ leg, watts, share, quantity = 1 }, i) => ({
    ...{ ...load, id: `l${i}`, leg, runningW: watts, quantity, basis: 'rated', hoursPerDay: 24, duty: share },
    ...{
      standbyW: 0,
      daysPerWeek: 7,
      hourShape: Array(24).fill(1),
      seasonShare: Array(12).fill(1),
      supply: 'electric',
    },
    ...{ powerFactor: 1, startKind: 'none', startW: null },
  })) as Load[]
  return design
}
const anyLoads = fc.array(
  fc.record({
    leg: fc.constantFrom('A' as const, 'B' as const, 'AB' as const),
    watts: fc.integer({ min: 1, max: 4000 }),
    share: fc.double({ min: 0.01, max: 1, noNaN: true }),
  }),
  { minLength: 1, maxLength: 8 },
)

describe('what is on at once on each leg', () => {
  it('by hand: a quarter of 1200 W and what it lacks of running in full, beside half of 500 W', () => {
    const design = withLoads([
      { leg: 'A', watts: 1200, share: 0.25 },
      { leg: 'A', watts: 500, share: 0.5 },
      { leg: 'B', watts: 300, share: 1 },
      { leg: 'AB', watts: 1000, share: 0.1 },
    ])
    const { A, B, C } = legsAtOnce(design, 'coincidence')
    // 300 + 250 + half of 100, and the 900 that the first lacks
    expect(A).toBeCloseTo(1500, 6)
    // 300 + half of 100, and half of the 900 the last lacks
    expect(B).toBeCloseTo(800, 6)
    expect(C).toBe(0)
    const all = legsAtOnce(design, 'everything')
    expect([all.A, all.B]).toEqual([1.2 * 2200, 1.2 * 800])
    expect(legsAtOnce(design, 'everything', () => 2).A).toBeCloseTo(2 * all.A, 9)
  })

  it('is never less than the largest load on it, nor all legs together than what the inverter has on at once', () => {
    fc.assert(
      fc.property(anyLoads, fc.constantFrom('coincidence' as const, 'everything' as const), (loads, school) => {
        const design = withLoads(loads)
        const on = legsAtOnce(design, school)
        for (const { leg, watts } of loads)
          for (const live of LIVE) expect(on[live]).toBeGreaterThanOrEqual(watts * legShare(live, leg) - 1e-6)
        const { continuousW } = coincidentPeak(design.loads, school)
        expect(on.A + on.B).toBeGreaterThanOrEqual(continuousW - 1e-6)
        const most = loads.reduce((sum, { watts }) => sum + watts, 0) * (school === 'everything' ? 1.2 : 1)
        expect(on.A + on.B).toBeLessThanOrEqual(most + 1e-6)
      }),
    )
  })

  it('stops a leg that one large load alone passes, however little of it all is on together', () => {
    // in the mean 60 W and 900 W: by its part of all that hangs on both legs, leg A would be at 78 %
    const design = withLoads([
      { leg: 'A', watts: 3000, share: 0.02 },
      { leg: 'B', watts: 1500, share: 0.3 },
      { leg: 'B', watts: 1500, share: 0.3 },
    ])
    Object.assign(design.inverter.part, { ratedW: 5000, topology: 'split-phase', derateAboveC: 60, derateAboveM: 8000 })
    const derived = derive(design)
    expect(derived.worked['inverter.leg-share'].value).toBeCloseTo(3000 / 2500, 6)
    const finding = findings({ design, derived, winter: null }).find(({ id }) => id === 'inverter.carries')
    expect(finding?.level).toBe('stop')
  })

  it('is the whole where there is one leg', () => {
    const design = withLoads([
      { leg: 'A', watts: 1000, share: 0.5 },
      { leg: 'A', watts: 400, share: 0.5 },
    ])
    Object.assign(design.inverter, { quantity: 1 })
    Object.assign(design.inverter.part, { topology: 'single-230' })
    expect(legsAtOnce(design, 'coincidence')).toEqual({ A: 1200, B: 0, C: 0 })
  })
})
