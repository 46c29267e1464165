import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { larkspurBench, larkspurFlooded } from '../design/samples.ts'
import type { Design, Grid } from '../document/types.ts'
import { derive } from '../derive/derive.ts'
import { findings } from '../rules/registry.ts'
import { said } from '../units/words.ts'
import { WinterEngine } from './engine.ts'
import { runYear } from './loop.ts'
import { failedHours, FailureLog, summariseFailures } from './outages.ts'
import { runPlan } from './plan.ts'
import { summariseWinter } from './summary.ts'
import { flatYear, tiny } from './testDesigns.ts'
import { verdict } from './verdict.ts'
import { emptyTrace } from './year.ts'

const { grid: none } = larkspurBench()
const grid = (change: Partial<Grid> = {}): Grid => ({ ...none, present: true, ...change })
const NIGHT = flatYear(Array(24).fill(0))
const total = (hours: Uint8Array) => hours.reduce((sum, each) => sum + each, 0)
const starts = (hours: Uint8Array) => hours.reduce((sum, each, i) => sum + (each && !hours[i - 1] ? 1 : 0), 0)

describe('when the grid fails', () => {
  it('as often as is stated, and as long, in the mean of many years', () => {
    const often = grid({ failuresByMonth: Array<number>(12).fill(2), failureH: 6 })
    const years = Array.from({ length: 400 }, (_, index) => failedHours(often, 181, 7, index))
    const down = years.reduce((sum, each) => sum + total(each), 0)
    const count = years.reduce((sum, each) => sum + starts(each), 0)
    // two states with constant rates: the share of hours down is λ ÷ (λ + μ), and failures begin in the others
    const up = 1 / (1 + (24 / 8760) * 6)
    expect(count / 400 / (24 * up)).toBeCloseTo(1, 1)
    expect(down / count).toBeGreaterThan(5.7)
    expect(down / count).toBeLessThan(6.3)
  })

  it('in the months it is stated for', () => {
    const winter = grid({ failuresByMonth: [9, ...Array<number>(11).fill(0)], failureH: 1 })
    const down = failedHours(winter, 0, 3, 0)
    expect(total(down.subarray(0, 31 * 24))).toBeGreaterThan(0)
    expect(total(down.subarray(32 * 24))).toBe(0)
  })

  it('the same for the same seed and year, and otherwise in another', () => {
    const often = grid({ failuresByMonth: Array<number>(12).fill(5) })
    const of = (seed: number, index: number) => failedHours(often, 181, seed, index).join('')
    expect(of(7, 3)).toBe(of(7, 3))
    expect(new Set([of(7, 0), of(7, 1), of(8, 0)]).size).toBe(3)
  })

  it.each([
    [181, 10, (184 + 9) * 24],
    [0, 10, 9 * 24],
    [15, 10, (350 + 9) * 24],
  ])('a spell from 10 January is there where the year begins on day %s', (startDay, spellDay, first) => {
    const down = failedHours(grid({ failing: 'spell', spellDay, spellDays: 2 }), startDay, 1, 1)
    expect(down.indexOf(1)).toBe(first)
    expect(total(down)).toBe(48)
  })
})

describe('the log of failures', () => {
  it('tells length, when it went dark, and when the bank was back', () => {
    const log = new FailureLog()
    const steps: [down: boolean, dark: boolean, charge: number][] = [
      [false, false, 1],
      [true, false, 0.6],
      [true, false, 0.2],
      [true, true, 0.1],
      [false, false, 0.5],
      [false, false, 0.985],
      [false, false, 1],
      [true, false, 0.9],
      [false, false, 0.92],
      [true, true, 0.7],
    ]
    steps.forEach(([down, dark, charge], now) => log.step(now, 1, down, dark, charge, 0.96))
    expect(log.failures).toEqual([
      { fromH: 1, hours: 3, darkAfterH: 2, rechargeH: 2 },
      { fromH: 7, hours: 1, darkAfterH: null, rechargeH: null },
      { fromH: 9, hours: 1, darkAfterH: 0, rechargeH: null },
    ])
    expect(summariseFailures(log.failures)).toMatchObject({
      count: 3,
      lasted: 1 / 3,
      longestH: 3,
      darkAfterH: { typical: 2, soonest: 0 },
      rechargeH: { typical: null },
    })
  })

  it('of none says that all lasted', () => {
    expect(summariseFailures([])).toMatchObject({ count: 0, lasted: 1, longestH: 0, darkAfterH: { soonest: null } })
  })
})

describe('the run on the grid', () => {
  const run = (change: (design: Design) => void, hours = NIGHT) => {
    const design = tiny((each) => {
      each.grid = grid({ failing: 'spell', spellDays: 0.5 })
      change(each)
    })
    const trace = emptyTrace()
    return { design, trace, result: runYear(runPlan(design), hours, { trace, seed: 7 }) }
  }

  it('by hand: a 100 W DC load for a year, twelve hours of them from the bank', () => {
    const { design, result, trace } = run(() => {})
    const from = result.failures[0].fromH
    expect(result.failures).toHaveLength(1)
    expect(result.shortHours.must).toBe(0)
    expect(trace.gridW[from - 1] * design.inverter.part.chargerEfficiency).toBeCloseTo(100, 3)
    for (let hour = from; hour < from + 12; hour++) expect(trace.gridW[hour]).toBe(0)
    // 1200 Wh out of a bank of 5120 Wh, from full
    expect(result.lowestStateOfCharge).toBeCloseTo(1 - 1200 / 5120, 6)
    expect(result.residualRelative).toBeLessThan(1e-9)
  })

  it('hours until dark are those of the ideal bank, and of the worked sheet', () => {
    const { design, result } = run(({ grid: each }) => (each.spellDays = 7))
    const usableWh = 5120 * (1 - design.bank.cutoffStateOfCharge)
    const hours = Math.floor(usableWh / 100)
    expect(result.failures[0].darkAfterH).toBe(hours)
    expect(result.shortHours.must).toBeGreaterThanOrEqual(168 - hours - 1)
    const sheet = derive(design).worked['grid.hours-until-dark'].value
    expect(sheet).toBeGreaterThan(0.9 * hours)
    expect(sheet).toBeLessThan(1.02 * hours)
  })

  it('keeps the bank where it is told, and lets the sun bring it above', () => {
    const dark = run(({ grid: each }) => Object.assign(each, { keepStateOfCharge: 0.8, spellDays: 1 }))
    const last = dark.trace.stateOfCharge.at(-1)!
    expect(last).toBeCloseTo(0.8, 3)
    const sunny = run(
      ({ grid: each }) => Object.assign(each, { keepStateOfCharge: 0.8, spellDays: 1 }),
      flatYear(Array(24).fill(300)),
    )
    expect(sunny.trace.stateOfCharge.at(-1)).toBeGreaterThan(0.99)
    expect(sunny.result.gridWh).toBe(0)
  })

  it('charges in its hours only', () => {
    const { trace } = run(({ grid: each }) => Object.assign(each, { chargeFromH: 22, chargeToH: 6 }))
    trace.gridW.forEach((watts, hour) => {
      if (hour % 24 >= 6 && hour % 24 < 22) expect(watts).toBe(0)
    })
    expect(Math.max(...trace.gridW)).toBeGreaterThan(100)
  })

  it('a breaker that carries less than the house leaves the rest to the bank', () => {
    const design = larkspurBench()
    design.generator.present = false
    design.grid = grid({ breakerA: 1, breakerV: 120, failing: 'spell', spellDays: 0.5 })
    const trace = emptyTrace()
    runYear(runPlan(design), NIGHT, { trace })
    expect(Math.max(...trace.gridW)).toBeLessThanOrEqual(120 + 1e-3)
  })

  it('a generator beside it runs only while the grid is down, but for its exercise', () => {
    const design = larkspurBench()
    design.grid = grid({ failing: 'spell', spellDays: 14 })
    design.generator.exerciseEveryDays = null
    const trace = emptyTrace()
    const result = runYear(runPlan(design), NIGHT, { trace })
    const [{ fromH, hours }] = result.failures
    expect(result.generatorHours).toBeGreaterThan(0)
    trace.generatorW.forEach((watts, hour) => {
      if (watts > 0) expect(hour >= fromH && hour < fromH + hours).toBe(true)
    })
    expect(result.shortHours.must).toBe(0)
    design.generator.exerciseEveryDays = 30
    expect(runYear(runPlan(design), NIGHT).generatorStarts).toBeGreaterThan(8)
  })

  it('more outages, or longer ones, never leave less dark', () => {
    const engine = new WinterEngine()
    const dark = (spellDays: number) => {
      const design = larkspurFlooded()
      design.generator.present = false
      design.grid = grid({ failing: 'spell', spellDays })
      return engine.run(design, { years: 4, seed: 7 }).reduce((sum, { shortHours }) => sum + shortHours.must, 0)
    }
    const hours = [1, 3, 7, 14, 30].map(dark)
    expect(hours).toEqual([...hours].sort((a, b) => a - b))
    expect(hours.at(-1)).toBeGreaterThan(0)
  })

  it('without a failure nothing is ever short, whatever the bank', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 50 }), (inParallel, seed) => {
        const design = larkspurBench()
        design.bank.inParallel = inParallel
        design.generator.present = false
        design.grid = grid({ breakerA: 200, failuresByMonth: Array<number>(12).fill(0) })
        const year = runYear(runPlan(design), NIGHT, { seed })
        expect(year.failures).toEqual([])
        expect(Math.max(...Object.values(year.shortHours))).toBe(0)
      }),
      { numRuns: 12 },
    )
  })
})

describe('what is said of a grid that fails', () => {
  const told = (change: (design: Design) => void) => {
    const design = larkspurBench()
    design.generator.present = false
    design.grid = grid({ failing: 'spell' })
    change(design)
    const winter = summariseWinter(new WinterEngine().run(design, { years: 6, seed: 7 }), design)
    const list = findings({ design, derived: derive(design), winter })
    const of = (id: string) => list.find((each) => each.id === `generator.${id}`)
    const { worked } = derive(design)
    return { of, winter, worked, says: said(verdict(design, winter)) }
  }

  it('a bank that carries through it is sound', () => {
    const { of, winter, says } = told((design) => {
      design.grid.spellDays = 1
      design.bank.inParallel = 6
    })
    expect(winter.failures).toMatchObject({ count: 6, lasted: 1 })
    expect(of('grid-fails')).toMatchObject({ level: 'sound' })
    expect(says).toMatch(
      /^The grid gives [\d.]+ % of the energy supplied in the dark months\. It failed 6 times in 6 years/,
    )
    expect(says).toContain('what must run went on through all of them')
  })

  it('one that does not is a stop that says how soon it goes dark', () => {
    const { of, says } = told((design) => {
      design.grid.spellDays = 10
      design.bank.inParallel = 1
      design.arrays[0].inParallel = 1
    })
    expect(of('grid-fails')).toMatchObject({ level: 'stop' })
    expect(said(of('grid-fails')!.because)).toMatch(/the soonest it goes off is after \d+ h/)
    expect(says).toMatch(/the soonest it went off was after \d+ h/)
  })

  it.each([
    ['split-phase', 'parallel', 1, 120, 'The grid gives 120 V; the inverter takes 120/240 V.'],
    ['split-phase', 'parallel', 1, 240, ''],
    // two phases of three
    ['split-phase', 'parallel', 1, 208, ''],
    ['split-phase', 'parallel', 1, 230, ''],
    ['split-phase', 'parallel', 1, 400, 'The grid gives 400 V; the inverter takes 120/240 V.'],
    ['single-120', 'parallel', 1, 240, 'The grid gives 240 V; the inverter takes 120 V.'],
    ['single-120', 'parallel', 1, 120, ''],
    ['single-120', 'split-pair', 2, 240, ''],
    ['single-230', 'parallel', 1, 240, ''],
    ['single-230', 'parallel', 1, 400, 'The grid gives 400 V; the inverter takes 230 V.'],
    ['single-230', 'parallel', 1, 120, 'The grid gives 120 V; the inverter takes 230 V.'],
    // three phases are named by either of their voltages
    ['single-230', 'three-phase', 3, 400, ''],
    ['single-230', 'three-phase', 3, 230, ''],
    ['single-230', 'three-phase', 3, 120, 'The grid gives 120 V; the inverter takes three phases.'],
  ] as const)('%s, %s × %s, on a grid of %s V: “%s”', (topology, stacking, quantity, breakerV, says) => {
    const { inverter } = larkspurBench()
    const { of, winter, worked } = told((design) => {
      design.inverter = { ...inverter, part: { ...inverter.part, topology }, stacking, quantity }
      Object.assign(design.grid, { breakerV, spellDays: 1 })
    })
    const finding = of('grid-output')
    expect(finding ? said(finding.says) : '').toBe(says)
    // what the inverter does not take is neither in the run nor told of as if it were
    expect(winter.failures === null).toBe(says !== '')
    expect(winter.months.gridKWh.some((kWh) => kWh > 0)).toBe(says === '')
    expect(of('grid-fails') === undefined).toBe(says !== '')
    expect(worked['grid.hours-until-dark'] === undefined).toBe(says !== '')
    if (finding) expect(finding.level).toBe('stop')
  })

  it('lead that is not kept full, a bank kept empty, a breaker too small', () => {
    const lead = larkspurFlooded()
    lead.grid = grid({ keepStateOfCharge: 0.8, breakerA: 2 })
    const of = (design: Design) =>
      findings({ design, derived: derive(design), winter: null })
        .filter(({ id, level }) => id.startsWith('generator.grid') && level !== 'sound')
        .map(({ id, level }) => `${id}: ${level}`)
    expect(of(lead)).toEqual(['generator.grid-keeps: watch', 'generator.grid-carries: watch'])
    const empty = larkspurBench()
    empty.grid = grid({ keepStateOfCharge: 0.3 })
    empty.bank.cutoffStateOfCharge = 0.35
    expect(of(empty)).toContain('generator.grid-keeps: stop')
    const remedy = findings({ design: empty, derived: derive(empty), winter: null }).find(
      ({ id }) => id === 'generator.grid-keeps',
    )!.remedy!
    expect(of(remedy.apply(empty))).not.toContain('generator.grid-keeps: stop')
  })
})
