import { describe, expect, it } from 'vitest'
import { larkspurBench, larkspurFlooded } from '../design/samples.ts'
import { runYear } from './loop.ts'
import { emptyTrace } from './year.ts'
import { WinterEngine } from './engine.ts'
import { climateAt } from '../weather/climates.ts'
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
    runYear(runPlan(tiny()), flatYear(sun), { trace })
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
    // counted are the hours of sun in which charge was really refused
    expect(result.coldLockHours).toBe(8760 / 2)
    expect(result.lowestStateOfCharge).toBeCloseTo(0.1, 6)
  })
})

describe('a run of years', () => {
  it('the same seed gives the same years, whatever was run between', () => {
    const first = engine.run(larkspurBench(), { years: 3, seed: 7 })
    engine.run(larkspurFlooded(), { years: 2, seed: 9 })
    expect(engine.run(larkspurBench(), { years: 3, seed: 7 })).toEqual(first)
    expect(new WinterEngine().run(larkspurBench(), { years: 3, seed: 7 })).toEqual(first)
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
    Object.assign(south.place, { latitudeDeg: -45, ...climateAt('cold-valley', -45) })
    const southWeeks = summariseWinter(engine.run(south, { years: 2, seed: 7 }), south).weeks
    expect(southWeeks[0].startDay).toBe(90)
  })
})
