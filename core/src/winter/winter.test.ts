import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { larkspurBench, larkspurFlooded, larkspurMoreSun } from '../design/samples.ts'
import type { Design } from '../design/types.ts'
import { runYear } from './loop.ts'
import { emptyTrace } from './year.ts'
import { WinterEngine } from './engine.ts'
import { runPlan } from './plan.ts'
import { flatYear, tiny } from './testDesigns.ts'
import { summariseWinter } from './summary.ts'

const engine = new WinterEngine()

describe('the run, by hand', () => {
  it('100 W against no sun: 5120 Wh less the cut-out last 46.08 h, then every hour is short', () => {
    const result = runYear(runPlan(tiny()), flatYear(Array(24).fill(0)))
    expect(result.shortHours.must).toBe(8760 - 46)
    expect(result.unmetWh.must).toBeCloseTo(8760 * 100 - 5120 * 0.9, 6)
    expect(result.lowestStateOfCharge).toBeCloseTo(0.1, 6)
  })

  it('sun of exactly the load leaves the bank full and nothing curtailed', () => {
    const result = runYear(runPlan(tiny()), flatYear(Array(24).fill(100)))
    expect(result.servedWh).toBeCloseTo(876_000, 6)
    expect(result.curtailedWh).toBeCloseTo(0, 6)
    expect(result.lowestStateOfCharge).toBe(1)
  })

  it('a night of 12 h takes 1200 Wh; the next day gives them back through 95 % and curtails the rest', () => {
    const sun = Array.from({ length: 24 }, (_, hour) => (hour < 12 ? 0 : 1000))
    const trace = emptyTrace()
    runYear(runPlan(tiny()), flatYear(sun), trace)
    expect(trace.stateOfCharge[11]).toBeCloseTo(1 - 1200 / 5120, 6)
    expect(trace.stateOfCharge[12]).toBeCloseTo(1 - 1200 / 5120 + (900 * 0.95) / 5120, 6)
    expect(trace.stateOfCharge[13]).toBeCloseTo(1, 6)
    const intake = (1200 - 900 * 0.95) / 0.95
    expect(trace.curtailedW[13]).toBeCloseTo(900 - intake, 3)
    expect(trace.curtailedW[14]).toBeCloseTo(900, 3)
  })

  it('lithium below freezing takes no charge', () => {
    const sun = Array.from({ length: 24 }, (_, hour) => (hour < 12 ? 0 : 1000))
    const result = runYear(runPlan(tiny()), flatYear(sun, -5))
    expect(result.coldLockHours).toBe(8760)
    expect(result.lowestStateOfCharge).toBeCloseTo(0.1, 6)
  })
})

describe('the generator’s state machine', () => {
  const hours = flatYear(Array(24).fill(0))
  const withGenerator = (change: Partial<Design['generator']>) => {
    const design = tiny((d) => {
      d.generator = {
        ...d.generator,
        present: true,
        startStateOfCharge: 0.3,
        stopStateOfCharge: 0.8,
        minRunH: 1,
        maxRunH: 10,
        quietFromH: 0,
        quietToH: 0,
        ...change,
      }
    })
    const trace = emptyTrace()
    return { result: runYear(runPlan(design), hours, trace), trace }
  }
  const runsOf = (generatorW: Float32Array) => {
    const runs: { start: number; length: number }[] = []
    generatorW.forEach((watts, i) => {
      if (watts <= 0) return
      const last = runs[runs.length - 1]
      if (last && last.start + last.length === i) last.length++
      else runs.push({ start: i, length: 1 })
    })
    return runs
  }

  it('starts at the start level, stops at the stop level', () => {
    const { result, trace } = withGenerator({})
    const [first] = runsOf(trace.generatorW)
    // full 5120 Wh falls below 30 % after 35.84 h → on in hour 36
    expect(first.start).toBe(36)
    expect(result.shortHours.must).toBe(0)
    expect(trace.stateOfCharge[first.start + first.length - 1]).toBeGreaterThanOrEqual(0.8 - 1e-6)
  })

  it('waits through quiet hours', () => {
    const { trace } = withGenerator({ quietFromH: 10, quietToH: 15 })
    for (const { start } of runsOf(trace.generatorW)) expect(start % 24 < 10 || start % 24 >= 15).toBe(true)
  })

  it('keeps to the minimum and the maximum run', () => {
    for (const { length } of runsOf(withGenerator({ minRunH: 4, maxRunH: 6 }).trace.generatorW).slice(0, -1)) {
      expect(length).toBeGreaterThanOrEqual(4)
      expect(length).toBeLessThanOrEqual(6)
    }
  })

  it('counts starts as runs', () => {
    const { result, trace } = withGenerator({})
    expect(result.generatorStarts).toBe(runsOf(trace.generatorW).length)
    expect(result.generatorHours).toBe(trace.generatorW.filter((watts) => watts > 0).length)
  })
})

describe('the books', () => {
  const designs = fc.record({
    base: fc.constantFrom(larkspurBench, larkspurFlooded, larkspurMoreSun),
    inParallel: fc.integer({ min: 1, max: 6 }),
    strings: fc.integer({ min: 1, max: 4 }),
    generator: fc.boolean(),
    room: fc.constantFrom('heated' as const, 'unheated' as const, 'buried' as const),
    scale: fc.double({ min: 0.2, max: 4, noNaN: true }),
    seed: fc.integer({ min: 1, max: 50 }),
  })

  it('balance to 1e-9 in every step and over the year, for any design and weather', () => {
    fc.assert(
      fc.property(designs, ({ base, inParallel, strings, generator, room, scale, seed }) => {
        const design = base()
        design.bank.inParallel = inParallel
        design.arrays[0].inParallel = strings
        design.generator.present = generator
        design.place.batteryRoom.kind = room
        design.loads.forEach((load) => (load.runningW *= scale))
        const [year] = engine.run(design, { years: 1, seed })
        expect(year.residualRelative).toBeLessThan(1e-9)
        const out = year.servedWh + year.lossesWh + year.storedChangeWh + year.curtailedWh
        expect(Math.abs(year.sourcesWh / out - 1)).toBeLessThan(1e-9)
        expect(year.lowestStateOfCharge).toBeGreaterThanOrEqual(-1e-9)
        expect(year.curtailedWh).toBeGreaterThanOrEqual(-1e-3)
        expect(year.lossesWh).toBeGreaterThan(0)
      }),
      { numRuns: 25 },
    )
  })

  it('the same seed gives the same years, whatever was run between', () => {
    const first = engine.run(larkspurBench(), { years: 3, seed: 7 })
    engine.run(larkspurFlooded(), { years: 2, seed: 9 })
    expect(engine.run(larkspurBench(), { years: 3, seed: 7 })).toEqual(first)
    expect(new WinterEngine().run(larkspurBench(), { years: 3, seed: 7 })).toEqual(first)
  })

  const unmet = (change: (design: Design) => void) => {
    const design = larkspurBench()
    design.generator.present = false
    design.loads.forEach((load) => (load.movable = false))
    change(design)
    return engine
      .run(design, { years: 5, seed: 3 })
      .reduce((sum, { unmetWh }) => sum + unmetWh.must + unmetWh.should + unmetWh.canWait, 0)
  }

  it('more panels never leave more unmet, nor does a bigger bank', () => {
    let last = Infinity
    for (const strings of [1, 2, 3]) {
      const now = unmet((design) => (design.arrays[0].inParallel = strings))
      expect(now).toBeLessThanOrEqual(last)
      last = now
    }
    last = Infinity
    for (const units of [2, 4, 8]) {
      const now = unmet((design) => (design.bank.inParallel = units))
      expect(now).toBeLessThanOrEqual(last)
      last = now
    }
  })

  it('refuses a run of no years', () => {
    expect(() => engine.run(larkspurBench(), { years: 0, seed: 1 })).toThrow('years 0')
    expect(() => engine.run(larkspurBench(), { years: 1.5, seed: 1 })).toThrow('years 1.5')
  })
})

describe('the strip', () => {
  it('has thirty weeks from October in the north and from April in the south, the bad year never above the typical', () => {
    const north = larkspurBench()
    const weeks = summariseWinter(engine.run(north, { years: 10, seed: 7 }), north).weeks
    expect(weeks).toHaveLength(30)
    expect(weeks[0].startDay).toBe(273)
    for (const week of weeks) expect(week.lowOneInTen).toBeLessThanOrEqual(week.lowTypical)
    const south = larkspurBench()
    south.place.latitudeDeg = -45
    const southWeeks = summariseWinter(engine.run(south, { years: 2, seed: 7 }), south).weeks
    expect(southWeeks[0].startDay).toBe(90)
  })
})
