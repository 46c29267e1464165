import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { coldFactor } from '../bank/chemistry.ts'
import { copperDraw, gannetSkerry, larkspurBench, larkspurFlooded, larkspurMoreSun } from '../design/samples.ts'
import type { Design, OtherSource } from '../document/types.ts'
import { newSource } from '../generator/sources.ts'
import { ageAt } from './ageing.ts'
import { WinterEngine } from './engine.ts'
import { runYear } from './loop.ts'
import { partsOf, runPlan } from './plan.ts'
import { mostWithin } from './figures.ts'
import { flatYear, tiny } from './testDesigns.ts'
import { weekOf } from './week.ts'
import { emptyTrace, type YearResult } from './year.ts'

const engine = new WinterEngine()

/** Any design the document allows to be run, with everything the run knows of in some of them. */
const anyDesign: fc.Arbitrary<Design> = fc
  .record({
    base: fc.constantFrom(larkspurBench, larkspurFlooded, larkspurMoreSun, gannetSkerry, copperDraw),
    inParallel: fc.integer({ min: 1, max: 5 }),
    strings: fc.integer({ min: 1, max: 3 }),
    present: fc.boolean(),
    kind: fc.constantFrom('generator' as const, 'shore' as const, 'vehicle' as const),
    startBy: fc.constantFrom('charge' as const, 'voltage' as const, 'morning' as const),
    charger: fc.constantFrom('inverter' as const, 'separate' as const),
    warmUpMin: fc.integer({ min: 0, max: 20 }),
    exercise: fc.constantFrom(null, 14),
    equalise: fc.constantFrom(null, 60),
    full: fc.constantFrom(null, 10),
    away: fc.boolean(),
    shed: fc.constantFrom(null, [0.6, 0.45], [0.45, 0.6], [0.5, 0.5], [null, 0.7], [0.8, null]),
    store: fc.integer({ min: 0, max: 3 }),
    search: fc.boolean(),
    source: fc.constantFrom(null, 'ac' as const, 'dc' as const),
    acArray: fc.boolean(),
    stepMin: fc.constantFrom(60 as const, 15 as const),
    heaterW: fc.constantFrom(0, 80),
    room: fc.constantFrom('heated' as const, 'unheated' as const, 'buried' as const),
    absorbLow: fc.boolean(),
    scale: fc.double({ min: 0.2, max: 5, noNaN: true }),
    startWhenEmpty: fc.boolean(),
    onDc: fc.constantFrom(null, 'should' as const, 'canWait' as const),
    switched: fc.boolean(),
    weekends: fc.boolean(),
    weekly: fc.constantFrom(null, 1, 2.5),
    grid: fc.constantFrom(null, 'drawn' as const, 'spell' as const),
    keep: fc.constantFrom(0.7, 1),
    nightly: fc.boolean(),
  })
  .map((pick) => {
    const design = pick.base()
    design.bank.inParallel = pick.inParallel
    design.bank.part.heaterW = pick.heaterW
    if (pick.absorbLow && design.bank.part.chemistry !== 'lfp') design.bank.absorbV = design.bank.systemV * 1.1
    design.arrays[0].inParallel = pick.strings
    design.place.batteryRoom.kind = pick.room
    Object.assign(design.generator, {
      present: pick.present,
      kind: pick.kind,
      startBy: pick.startBy,
      startV: design.bank.systemV * 1.02,
      charger: pick.charger,
      startWhenEmpty: pick.startWhenEmpty,
      warmUpMin: pick.warmUpMin,
      exerciseEveryDays: pick.exercise,
      equaliseEveryDays: pick.equalise,
      fullChargeEveryDays: pick.full,
    })
    if (pick.away) design.household.away = [{ fromMonth: 12, fromDay: 24, toMonth: 1, toDay: 6 }]
    if (pick.shed) {
      const [shedCanWaitBelow, shedShouldBelow] = pick.shed
      Object.assign(design.household, { shedCanWaitBelow, shedShouldBelow })
    }
    design.loads.forEach((load) => {
      load.runningW *= pick.scale
      if (load.movable) load.storeDays = pick.store
    })
    if (pick.onDc) Object.assign(design.loads[1], { leg: 'DC', priority: pick.onDc, switched: pick.switched })
    if (pick.weekends) design.household.weekdays = [0, 0, 0, 0, 1, 1, 1]
    if (pick.weekly) Object.assign(design.loads[2], { daysPerWeek: pick.weekly, weekdays: [0, 0, 1, 0, 0, 1, 1] })
    if (pick.grid)
      Object.assign(design.grid, {
        present: true,
        failing: pick.grid,
        failuresByMonth: Array<number>(12).fill(4),
        failureH: 30,
        breakerA: 8,
        keepStateOfCharge: pick.keep,
        ...(pick.nightly ? { chargeFromH: 22, chargeToH: 6 } : {}),
      })
    design.inverter.search = pick.search
    if (pick.source) design.sources = [{ ...newSource('source-1', 'stream', 60), side: pick.source }]
    if (pick.acArray) {
      const [array] = design.arrays
      const [{ part }] = design.controllers
      design.arrays.push({ ...array, id: 'array-9', controllerId: 'controller-9' })
      design.controllers.push({
        id: 'controller-9',
        name: 'AC',
        part: { ...part, kind: 'ac-coupled', outputAcW: 2000 },
        chargeLimitA: null,
      })
    }
    design.winter.stepMin = pick.stepMin
    return design
  })

/** Every figure of a year by its place, but the residual, which is no figure of the year. */
const figures = ({ residualRelative: _residual, ...year }: YearResult): Map<string, number> => {
  const found = new Map<string, number>()
  const walk = (value: unknown, path: string) => {
    if (typeof value === 'number') found.set(path, value)
    else if (value !== null) for (const [key, each] of Object.entries(value as object)) walk(each, `${path}.${key}`)
  }
  walk(year, '')
  return found
}
/** The same to nine digits. */
const alike = (other: number | undefined, value: number): boolean => {
  const digits = Math.max(0, 6 - Math.ceil(Math.log10(Math.abs(value) + 1)))
  return other !== undefined && (Object.is(other, value) || Math.abs(other - value) < 10 ** -digits / 2)
}

describe('for any design and weather', () => {
  it('every step balances to 1e-9, and so does the year with its losses one by one', () => {
    fc.assert(
      fc.property(anyDesign, fc.integer({ min: 1, max: 40 }), (design, seed) => {
        const [year] = engine.run(design, { years: 1, seed })
        expect(year.residualRelative).toBeLessThan(1e-9)
        const out = year.servedWh + year.lossesWh + year.storedChangeWh + year.curtailedWh
        expect(Math.abs(year.sourcesWh / out - 1)).toBeLessThan(1e-9)
        expect(year.lowestStateOfCharge).toBeGreaterThanOrEqual(-1e-9)
        expect(year.curtailedWh).toBeGreaterThanOrEqual(-1e-3)
        for (const [name, wh] of Object.entries(year.losses)) if (!(wh >= -1e-6)) throw new Error(`${name} is ${wh}`)
        for (const months of Object.values(year.months))
          expect(months.every((each) => Number.isFinite(each) && each >= -1e-6)).toBe(true)
      }),
      { numRuns: 60 },
    )
  })

  it('the figures are the same with a record of every step and without', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const plain = engine.run(design, { years: 1, seed: 5 })[0]
        const trace = emptyTrace(partsOf(design))
        const charge = new Float32Array(trace.stateOfCharge.length)
        for (const column of [...Object.values(trace), charge]) column.fill(NaN)
        const records = [engine.year(design, 5, 0, { trace }), engine.year(design, 5, 0, { charge })]
        for (const [name, column] of Object.entries({ ...trace, charge }))
          expect(column.every(Number.isFinite), name).toBe(true)
        const apart = charge.findIndex((each, step) => !(Math.abs(each - trace.stateOfCharge[step]) < 1e-6))
        expect(apart).toBe(-1)
        // one question for thousands of figures: asking each takes longer than the run
        for (const others of records.map(figures))
          expect([...figures(plain)].filter(([name, value]) => !alike(others.get(name), value))).toEqual([])
      }),
      { numRuns: 40 },
    )
  })

  const unmet = ({ unmetWh }: YearResult) => unmetWh.must + unmetWh.should + unmetWh.canWait
  /** Fixed loads, nothing but the sun, nothing that is decided by the level of charge. */
  const plain = (base: () => Design, change: (design: Design) => void): Design => {
    const design = base()
    design.generator.present = false
    design.loads.forEach((load) => (load.movable = false))
    design.place.batteryRoom.kind = 'unheated'
    change(design)
    return design
  }
  const unmetOf = (base: () => Design, change: (design: Design) => void, seed: number) =>
    unmet(engine.run(plain(base, change), { years: 1, seed })[0])

  it('more panels or a bigger bank never leave more unmet', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(larkspurBench, larkspurFlooded),
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 1, max: 3 }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (base, seed, size, scale) => {
          const loads = (d: Design) => d.loads.forEach((load) => (load.runningW *= scale))
          const panels = (strings: number) =>
            unmetOf(
              base,
              (d) => {
                loads(d)
                d.arrays[0].inParallel = strings
              },
              seed,
            )
          const bank = (strings: number) =>
            unmetOf(
              base,
              (d) => {
                loads(d)
                d.bank.inParallel = strings
              },
              seed,
            )
          expect(panels(size + 1)).toBeLessThanOrEqual(panels(size) + 1e-6)
          expect(bank(size + 1)).toBeLessThanOrEqual(bank(size) + 1e-6)
        },
      ),
      { numRuns: 20 },
    )
  })

  it('a colder room never gives a lead-acid bank more capacity', () => {
    for (const chemistry of ['flooded', 'agm', 'gel'] as const)
      fc.assert(
        fc.property(
          fc.double({ min: -40, max: 45, noNaN: true }),
          fc.double({ min: 0, max: 20, noNaN: true }),
          (c, by) => {
            expect(coldFactor(chemistry, c - by)).toBeLessThanOrEqual(coldFactor(chemistry, c) + 1e-12)
          },
        ),
      )
    const hours = (roomC: number) => {
      const design = tiny((d) => {
        d.bank.part.chemistry = 'flooded'
        d.bank.part.minChargeC = null
      })
      const year = flatYear(Array(24).fill(0), roomC)
      year.coldShare.fill(coldFactor('flooded', roomC))
      return 8760 - runYear(runPlan(design), year).shortHours.must
    }
    expect([25, 10, 0, -15].map(hours)).toEqual([...[25, 10, 0, -15].map(hours)].sort((a, b) => b - a))
    expect(hours(-15)).toBeLessThan(hours(25))
  })
})

describe('a small case worked by hand, hour by hour', () => {
  // 5120 Wh, 95 % of what is charged is stored, no idle draw; 300 W on AC through an inverter of η = 1/(a + b·300)
  const design = tiny((d) => {
    d.loads = [{ ...d.loads[0], leg: 'A', runningW: 300 }]
    Object.assign(d.inverter.part, {
      ratedW: 1000,
      idleW: 20,
      peakEfficiency: 0.9,
      peakAtFraction: 0.3,
      fullLoadEfficiency: 0.88,
    })
    d.controllers[0].part.selfW = 5
  })
  // 1/0.9 at 300 W: idle 20 W and all, 300 W ask for 333.333 W
  const inputW = 300 / 0.9
  const sun = [0, 0, 0, 1000, 1000, 100, ...Array<number>(18).fill(0)]
  const trace = emptyTrace()
  runYear(runPlan(design), flatYear(sun), { trace })
  const asked = inputW + 5

  it.each([
    // hour, into store (+) or out (−), of the sun used, curtailed
    [0, -asked, 0, 0],
    [1, -asked, 0, 0],
    [2, -asked, 0, 0],
    // 1000 − 338.33 = 661.67 W charge; 95 % of them are stored
    [3, (1000 - asked) * 0.95, 1000, 0],
    // what three nights took less what came back: 1015 − 628.58 = 386.42 Wh of room, which 406.75 W fill
    [4, 3 * asked - (1000 - asked) * 0.95, asked + (3 * asked - (1000 - asked) * 0.95) / 0.95, NaN],
    [5, 100 - asked, 100, 0],
    [6, -asked, 0, 0],
  ])('hour %s stores %s W', (hour, storedW, usedW, curtailedW) => {
    expect(trace.bankW[hour]).toBeCloseTo(storedW, 3)
    expect(trace.arrayW[hour]).toBeCloseTo(usedW, 3)
    expect(trace.curtailedW[hour]).toBeCloseTo(Number.isNaN(curtailedW) ? 1000 - usedW : curtailedW, 3)
    expect(trace.servedW[hour]).toBeCloseTo(300, 4)
  })

  it('the bank’s voltage follows from its charge and current', () => {
    // full: 55.2 V; 338.33 W ÷ 51.2 V through one unit of 18 mΩ
    expect(trace.voltsV[0]).toBeCloseTo(55.2 - (asked / 51.2) * 0.018, 3)
  })
})

describe('an ideal battery has a closed form', () => {
  it('lasts capacity ÷ load, to the watt-hour, for any load', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 900 }), (watts) => {
        const design = tiny((d) => (d.loads[0].runningW = watts))
        const { unmetWh, servedWh } = runYear(runPlan(design), flatYear(Array(24).fill(0)))
        expect(servedWh).toBeCloseTo(5120 * 0.9, 6)
        expect(unmetWh.must).toBeCloseTo(watts * 8760 - 5120 * 0.9, 5)
      }),
    )
  })
})

describe('years of service', () => {
  it('a bank fades to 80 % over its life and is renewed, modules lose half a per cent a year', () => {
    expect(ageAt(0, 10)).toEqual({ bankShare: 1, arrayShare: 1 })
    expect(ageAt(5, 10).bankShare).toBeCloseTo(0.9, 12)
    expect(ageAt(10, 10).bankShare).toBe(1)
    expect(ageAt(20, 15).arrayShare).toBeCloseTo(0.9, 12)
  })

  it('an ageing system needs more help than a new one, and the same years whatever was run before', () => {
    const design = larkspurBench()
    const ageing: Design = { ...design, winter: { ...design.winter, ageing: true } }
    const hours = (each: Design) =>
      engine.run(each, { years: 12, seed: 7 }).reduce((sum, year) => sum + year.generatorHours, 0)
    expect(hours(ageing)).toBeGreaterThan(hours(design))
    const ninth = new WinterEngine().year(ageing, 7, 9)
    expect(engine.run(ageing, { years: 10, seed: 7 })[9]).toEqual(ninth)
  })
})

describe('a year that starts in another month', () => {
  it('begins on its first day with a full bank', () => {
    const design = larkspurBench()
    const trace = emptyTrace()
    new WinterEngine(304).year(design, 7, 0, { trace })
    expect(trace.stateOfCharge[0]).toBeGreaterThan(0.95)
    const weather = new WinterEngine(304).weatherOf(design, 7, 0)
    expect(weather.startDay).toBe(304)
  })
})

describe('a week of a run', () => {
  const design = larkspurBench()
  const week = weekOf(engine, design, 2, 180)

  it('is that part of the year’s record, with its calendar day', () => {
    const trace = emptyTrace()
    engine.year(design, design.winter.seed, 2, { trace })
    expect(week.trace.stateOfCharge).toHaveLength(168)
    expect([...week.trace.arrayW]).toEqual([...trace.arrayW.slice(180 * 24, 187 * 24)])
    // a run from 1 July: day 180 is 28 December, day 361 of the year from 0
    expect(week.startDay).toBe(361)
    expect(week.airC).toHaveLength(168)
  })

  it('never runs over the end of the year', () => {
    expect(weekOf(engine, design, 0, 364).firstDay).toBe(358)
    expect(weekOf(engine, design, 0, -5).firstDay).toBe(0)
  })
})

describe('fuel between two trips', () => {
  it.each([
    [[1, 2, 3, 4], 2, 7],
    [[5, 0, 0, 5], 3, 5],
    [[1, 1, 1], 10, 3],
    [[0, 0], 1, 0],
  ])('most of %j within %s days is %s', (days, length, most) => expect(mostWithin(days, length)).toBe(most))
})

describe('hours of another source', () => {
  it('rule in the order of the calendar, whatever day the run starts on', () => {
    const design = tiny()
    const source: OtherSource = {
      ...newSource('source-1', 'wind', 500),
      hourlyW: Array.from({ length: 8760 }, (_, hour) => (hour < 24 ? 77 : 0)),
    }
    design.sources = [source]
    design.arrays = []
    const trace = emptyTrace()
    const year = engine.run(design, { years: 1, seed: 1 })[0]
    engine.year(design, 1, 0, { trace })
    expect(year.otherWh).toBeCloseTo(77 * 24, 6)
    // 1 January is day 184 of a run from 1 July
    expect(trace.otherW[184 * 24 + 5]).toBeGreaterThan(0)
    expect(trace.otherW[183 * 24 + 23]).toBe(0)
  })
})
