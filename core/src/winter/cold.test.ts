import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { invariantProblems } from '../design/invariants.ts'
import { larkspurBench, larkspurFlooded } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { newSource } from '../generator/sources.ts'
import { floorStateOfCharge } from '../bank/usable.ts'
import { bankRatedAh } from '../bank/layout.ts'
import { findings } from '../rules/registry.ts'
import { said } from '../units/words.ts'
import { WinterEngine } from './engine.ts'
import { runYear } from './loop.ts'
import { runPlan } from './plan.ts'
import { summariseWinter } from './summary.ts'
import { flatYear, tiny } from './testDesigns.ts'
import { emptyTrace } from './year.ts'

const engine = new WinterEngine()
const changed = (change: (design: Design) => unknown): Design => {
  const design = larkspurFlooded()
  change(design)
  return design
}
const winterOf = (design: Design, years = 10) => summariseWinter(engine.run(design, { years, seed: 7 }), design)
const found = (design: Design, id: string) =>
  findings({ design, derived: derive(design), winter: winterOf(design, 5) }).filter((each) => each.id === id)
const unheated = (design: Design) => (design.place.batteryRoom.kind = 'unheated')

describe('a cold flooded bank with a generator that stands by', () => {
  it('is not left to go dark: the set starts where the bank can give no more, in quiet hours too', () => {
    expect(winterOf(changed(unheated)).worst.shortHours).toEqual({ must: 0, should: 0, canWait: 0 })
  })

  it('goes dark where only its start level counts, because the cold bank never falls to it', () => {
    const design = changed((d) => {
      unheated(d)
      d.generator.startWhenEmpty = false
    })
    expect(winterOf(design).oneInTen.shortHours.must).toBeGreaterThan(50)
  })

  it('starts by volts before it is empty, because they follow what is usable', () => {
    const design = changed((d) => {
      unheated(d)
      Object.assign(d.generator, { startWhenEmpty: false, startBy: 'voltage', startV: 48, quietFromH: 0, quietToH: 0 })
    })
    const winter = winterOf(design)
    expect(winter.median.generatorHours).toBeGreaterThan(50)
    // an hour now and then, in which a load comes on at the very end of what there is
    expect(winter.oneInTen.shortHours.must).toBeLessThan(10)
    const byCharge = changed((d) => Object.assign(d, design, { generator: { ...design.generator, startBy: 'charge' } }))
    expect(winterOf(byCharge).oneInTen.shortHours.must).toBeGreaterThan(10 * winter.oneInTen.shortHours.must)
  })

  it('sheds by what is usable: in the cold sooner', () => {
    const shedAt = (roomC: number, coldShare: number) => {
      const design = changed((d) => {
        d.generator.present = false
        Object.assign(d.household, { shedCanWaitBelow: 0.5, shedShouldBelow: null })
      })
      const hours = flatYear(Array(24).fill(0), roomC)
      hours.coldShare.fill(coldShare)
      const trace = emptyTrace()
      runYear(runPlan(design), hours, { trace })
      return trace.stateOfCharge[trace.unmetW.findIndex((watts) => watts > 0) - 1]
    }
    expect(shedAt(25, 1)).toBeCloseTo(0.5, 1)
    expect(shedAt(-20, 0.5)).toBeCloseTo(0.75, 1)
  })
})

describe('the finding on the start level', () => {
  it('names start and floor, and its remedy raises the start above it', () => {
    const design = changed(unheated)
    const winter = winterOf(design, 5)
    const [finding] = findings({ design, derived: derive(design), winter }).filter(
      ({ id }) => id === 'generator.start-level',
    )
    const floor = floorStateOfCharge('flooded', winter.coldestBankC, design.bank.cutoffStateOfCharge)
    expect(floor).toBeGreaterThan(0.5)
    expect(finding.level).toBe('stop')
    expect(said(finding.says)).toContain('starts at 50 %')
    expect(said(finding.says)).toContain(`lets go at ${Math.round(floor * 100)} %`)
    const mended = finding.remedy!.apply(design)
    expect(mended.generator.startStateOfCharge).toBeGreaterThan(floor)
    expect(invariantProblems(mended)).toEqual([])
    expect(found(mended, 'generator.start-level')).toEqual([])
    // without the start of the last moment the raised level alone keeps the house lit by day
    const alone = { ...mended, generator: { ...mended.generator, startWhenEmpty: false, quietFromH: 0, quietToH: 0 } }
    expect(winterOf(alone).worst.shortHours.must).toBe(0)
  })

  it('is not there in a warm room, nor without a backup', () => {
    expect(found(larkspurFlooded(), 'generator.start-level')).toEqual([])
    expect(
      found(
        changed((d) => {
          unheated(d)
          d.generator.present = false
        }),
        'generator.start-level',
      ),
    ).toEqual([])
  })

  it('by volts, is there where the bank is empty before they are held low for long enough', () => {
    const at = (startV: number, holdMin: number) =>
      changed((d) => {
        unheated(d)
        Object.assign(d.generator, { startBy: 'voltage', startV, holdMin })
      })
    expect(found(at(48, 15), 'generator.start-level')).toEqual([])
    const late = at(44.3, 120)
    const [finding] = found(late, 'generator.start-level')
    expect(finding.level).toBe('stop')
    expect(said(finding.says)).toMatch(/Held low for 120 min, 44\.3 V start the backup.*cut-out at 44 V/)
    const mended = finding.remedy!.apply(late)
    expect(mended.generator.startV).toBeGreaterThan(44.3)
    expect(found(mended, 'generator.start-level')).toEqual([])
  })

  it('a backup that never runs while something is short is not sound', () => {
    const design = changed((d) => {
      unheated(d)
      d.arrays[0].inParallel = 1
      // somebody would have to start it, and nobody is ever there
      d.generator.startBy = 'morning'
      d.household.away = [{ fromMonth: 1, fromDay: 1, toMonth: 12, toDay: 31 }]
    })
    const winter = winterOf(design)
    expect(winter.oneInTen.generatorHours).toBe(0)
    const [finding] = findings({ design, derived: derive(design), winter }).filter(
      ({ id }) => id === 'winter.generator-hours',
    )
    expect(finding.level).toBe('watch')
    expect(said(finding.says)).toMatch(/never runs, though something is short \d/)
  })
})

describe('state of charge', () => {
  it('is 1 − ampere-hours below full ÷ C20, though the kinetic bank holds more', () => {
    const design = tiny((d) => {
      const part = { ...larkspurFlooded().bank.part, selfDischargePctPerMonth: 0 }
      d.bank = { ...larkspurFlooded().bank, part, inParallel: 1, weak: [] }
    })
    const plan = runPlan(design)
    expect(plan.bank.qmaxAh).toBeGreaterThan(1.1 * plan.bank.ratedAh)
    expect(plan.bank.ratedAh).toBeCloseTo(bankRatedAh(design.bank), 9)
    const trace = emptyTrace()
    runYear(plan, flatYear(Array(24).fill(0)), { trace })
    // 100 W from full: so many ampere-hours in ten hours
    expect(trace.stateOfCharge[9]).toBeCloseTo(1 - 1000 / plan.bank.volts / plan.bank.ratedAh, 6)
    // the warm bank lets go at its cut-out of C20
    expect(Math.min(...trace.stateOfCharge)).toBeCloseTo(design.bank.cutoffStateOfCharge, 2)
  })
})

describe('loads on the DC side', () => {
  const lamp = (change: Partial<Design['loads'][number]>) =>
    tiny((d) => {
      d.loads = [
        { ...d.loads[0], runningW: 60 },
        { ...d.loads[0], id: 'load-2', name: 'Lamp', runningW: 40, priority: 'should', ...change },
      ]
      Object.assign(d.household, { shedShouldBelow: 0.5 })
    })
  const run = (design: Design) => runYear(runPlan(design), flatYear(Array(24).fill(0)))

  it('are short by their own priority', () => {
    const { shortHours } = run(lamp({}))
    expect(shortHours.must).toBeGreaterThan(0)
    // 5120 Wh × 0.9 at 100 W; the lamp is the first to go, and what must run only by its last hour
    expect(shortHours.should).toBe(8760 - 46)
    expect(shortHours.must).toBeLessThanOrEqual(shortHours.should)
  })

  it('are shed where they hang on a switched output, and only there', () => {
    const wired = run(lamp({}))
    const switched = run(lamp({ switched: true }))
    // switched off at half charge: 2560 Wh at 100 W, then the rest at 60 W
    expect(switched.shortHours.should).toBe(8760 - 26)
    expect(switched.shortHours.must).toBeLessThan(wired.shortHours.must)
  })
})

describe('shore power', () => {
  it('knows no longest run and no quiet hours: neither holds it back, nor contradicts anything', () => {
    const design = changed((d) =>
      Object.assign(d.generator, { kind: 'shore', minRunH: 20, maxRunH: 1, quietFromH: 0, quietToH: 23 }),
    )
    expect(invariantProblems(design)).toEqual([])
    const [finding] = found(design, 'generator.refill')
    expect(finding.level).toBe('sound')
    expect(runPlan(design).generator).toMatchObject({ maxRunH: Infinity, quietFromH: 0, quietToH: 0 })
    design.generator.kind = 'generator'
    expect(invariantProblems(design).map(({ path }) => path)).toContain('generator.minRunH')
  })
})

describe('wind and water on a full bank', () => {
  const stream = (surplus: 'none' | 'dump-load' | 'brake') =>
    changed((d) => {
      d.sources = [{ ...newSource('source-1', 'stream', 600), surplus }]
    })

  it('the energy that is left over is told, and is what the bank did not take', () => {
    const year = engine.run(stream('none'), { years: 1, seed: 7 })[0]
    expect(year.spilledDcWh).toBeGreaterThan(50_000)
    expect(year.spilledDcWh).toBeLessThanOrEqual(600 * 8760)
    const none = changed(() => {})
    expect(engine.run(none, { years: 1, seed: 7 })[0].spilledDcWh).toBe(0)
  })

  it('is a stop where it has nowhere to go, and sound with a dump load or a brake', () => {
    const [bare] = found(stream('none'), 'generator.dump-load')
    expect(bare.level).toBe('stop')
    expect(said(bare.says)).toMatch(
      /Stream turbine has nowhere to go: the sources on the bank’s side give [\d\s]+ kWh a year more/,
    )
    expect(found(bare.remedy!.apply(stream('none')), 'generator.dump-load')[0].level).toBe('sound')
    expect(said(found(stream('brake'), 'generator.dump-load')[0].because)).toContain('must carry 600 W by itself')
  })
})

describe('the sun of a month', () => {
  it('cannot be more than 80 % of what arrives above the atmosphere', () => {
    const design = larkspurFlooded()
    expect(invariantProblems(design)).toEqual([])
    design.place.monthly[11] = { ...design.place.monthly[11], ghiKWhM2Day: 9 }
    const [problem] = invariantProblems(design)
    expect(problem.path).toBe('place.monthly.11.ghiKWhM2Day')
    expect(said(problem.message)).toMatch(
      /^sun of Dec: 9 kWh\/m² a day is more than a sky lets through; at most 2 kWh\/m²$/,
    )
  })
})

it('a bank stated without resistance is run in numbers, whatever hangs on it', () => {
  const design = larkspurFlooded()
  design.bank.part.resistanceMilliohm = 0
  Object.assign(design.loads[0], { basis: 'metered', meteredKWh: 59, meteredHours: 1 })
  const year = new WinterEngine().year(design, 7, 0)
  expect(Number.isFinite(year.lowestStateOfCharge)).toBe(true)
  expect(Number.isFinite(year.curtailedWh)).toBe(true)
})

describe('lithium in a room colder than its management unit gives', () => {
  const roomOf = (roomC: number, heaterW = 0, change: (design: Design) => void = () => {}) => {
    const design = tiny((d) => {
      d.bank.part.heaterW = heaterW
      change(d)
    })
    // four bright hours: more than the day needs, and than the heaters draw
    const sun = Array.from({ length: 24 }, (_, hour) => (hour >= 10 && hour < 14 ? 2000 : 0))
    return runYear(runPlan(design), flatYear(sun, roomC))
  }

  it('gives nothing, however full, nor does the sun: without a bank nothing holds the bus up', () => {
    const { shortHours, unmetWh, months, curtailedWh, arrayWh } = roomOf(-25)
    expect(shortHours.must).toBe(24 * 365)
    expect(unmetWh.must).toBeCloseTo(24 * 365 * 100, 6)
    expect(months.arrayWh.every((wh) => wh === 0)).toBe(true)
    expect(curtailedWh).toBeCloseTo(arrayWh, 6)
  })

  it('gives what it holds a little above that', () => {
    expect(roomOf(-19).shortHours.must).toBeLessThan(20 * 365)
  })

  it('lets the sun through where it may still be charged', () => {
    const charged = roomOf(-25, 0, (d) => (d.bank.part.minChargeC = null))
    expect(charged.shortHours.must).toBe(20 * 365)
  })

  it('and AC sources are out with the inverter, a dump load burns what the stream gives', () => {
    const acSourceW = new Float64Array(8760).fill(500)
    const dcSourceW = new Float64Array(8760).fill(300)
    const year = { ...flatYear(Array<number>(24).fill(0), -25), acSourceW, dcSourceW }
    const { spilledDcWh, months } = runYear(runPlan(tiny()), year)
    expect(months.otherWh.every((wh) => wh === 0)).toBe(true)
    expect(spilledDcWh).toBeCloseTo(365 * 24 * 300, 6)
  })

  it('is kept awake by heaters for a while after the sun', () => {
    const cold = roomOf(-25).shortHours.must
    const warmed = roomOf(-25, 400).shortHours.must
    expect(warmed).toBeLessThan(cold)
  })

  it('balances in every hour', () => {
    expect(roomOf(-25, 400).residualRelative).toBeLessThan(1e-9)
    expect(roomOf(-25).residualRelative).toBeLessThan(1e-9)
  })

  it('is no trouble while a backup runs, which carries the house past it', () => {
    const dark = roomOf(-25, 0, (d) => {
      d.generator.present = true
      Object.assign(d.generator, { startBy: 'charge', startWhenEmpty: true })
    })
    expect(dark.generatorHours).toBeGreaterThan(8000)
  })

  it('is told among the findings, with the coldest that the run has seen', () => {
    const design = larkspurBench()
    design.place.batteryRoom.kind = 'unheated'
    const winter = winterOf(design, 5)
    const finding = findings({ design, derived: derive(design), winter }).find(({ id }) => id === 'bank.cold')!
    expect(winter.coldestBankC).toBeLessThan(-20)
    expect(finding.level).toBe('stop')
    expect(said(finding.says)).toContain(`${Math.round(winter.coldestBankC)}`.replace('-', '−'))
    expect(
      findings({ design: finding.remedy!.apply(design), derived: derive(design), winter: null }).map(({ id }) => id),
    ).not.toContain('bank.cold')
  })
})
