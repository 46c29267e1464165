import { setCircuit } from '../change/circuits.ts'
import { describe, expect, it } from 'vitest'
import { calculate, CALC_FUNCTIONS } from '../calc/functions.ts'
import { newDesign } from '../design/defaults.ts'
import { invariantProblems } from '../design/invariants.ts'
import { migrate } from '../design/migrate.ts'
import { larkspurBench, SAMPLE_FAMILIES } from '../design/samples.ts'
import { DESIGN_VERSION, type Design } from '../document/types.ts'
import { dailyEnergy } from '../loads/energy.ts'
import { coincidentPeak } from '../loads/peak.ts'
import { findings } from '../rules/registry.ts'
import { suggestArray } from '../suggest/array.ts'
import { suggestBank } from '../suggest/bank.ts'
import { suggestGenerator } from '../suggest/generator.ts'
import { suggestInverter } from '../suggest/inverter.ts'
import { suggestLoads } from '../suggest/loads.ts'
import { suggestPlace } from '../suggest/place.ts'
import { measured, whatNext } from '../suggest/whatNext.ts'
import { suggestWiring } from '../suggest/wiring.ts'
import { said } from '../units/words.ts'
import { ILLUSTRATIVE_CLIMATES } from '../weather/climates.ts'
import { WinterEngine } from '../winter/engine.ts'
import { derive } from './derive.ts'
import { atOnce } from '../math/pieces.ts'

const check = (design: Design) => findings({ design, derived: derive(design), winter: null })

describe('derive', () => {
  it.each(SAMPLE_FAMILIES.flat().map((make) => [make().variant, make] as const))(
    '%s is sound and fully worked',
    (_, make) => {
      const design = make()
      expect(invariantProblems(design)).toEqual([])
      const derived = derive(design)
      for (const sheet of Object.values(derived.worked)) {
        expect(Number.isFinite(sheet.value), sheet.id).toBe(true)
        expect(sheet.says.length).toBeGreaterThan(0)
        expect(sheet.source.length).toBeGreaterThan(0)
        for (const { value, label } of sheet.terms) expect(Number.isFinite(value), `${sheet.id}: ${label}`).toBe(true)
      }
      const stops = check(design).filter(({ level }) => level === 'stop')
      expect(stops.map(({ id }) => id)).toEqual(design.name === 'Copper Draw' ? ['bank.sharing'] : [])
    },
  )

  it('days without sun are usable ÷ need', () => {
    const { worked } = derive(larkspurBench())
    expect(worked['bank.days'].value).toBeCloseTo(worked['bank.usable'].value / worked['loads.battery-day'].value, 12)
    expect(worked['bank.usable'].value).toBeCloseTo(6 * 5120 * 0.8 * (0.97 + (2 / 15) * 0.03), 6)
  })
})

describe('loads', () => {
  const [load] = larkspurBench().loads
  // each by hand
  it.each([
    [{ basis: 'rated' as const, runningW: 100, quantity: 2, hoursPerDay: 5, duty: 0.5, daysPerWeek: 7 }, 500],
    [{ basis: 'rated' as const, runningW: 700, quantity: 1, hoursPerDay: 1, duty: 1, daysPerWeek: 2 }, 200],
    [{ basis: 'metered' as const, meteredKWh: 5.6, meteredHours: 168, quantity: 1 }, 800],
    [
      {
        basis: 'cycle' as const,
        cycleWh: 90,
        cycleDepth: 0.7,
        cycleChargerEfficiency: 0.9,
        cyclesPerWeek: 10,
        quantity: 1,
      },
      100,
    ],
    [{ basis: 'month' as const, monthKWh: 36.5, quantity: 1 }, 1200],
  ])('%j is %s Wh a day', (change, wh) => {
    const one = { ...load, ...change, seasonShare: Array<number>(12).fill(1) }
    expect(dailyEnergy(one, 0)).toBeCloseTo(wh, 9)
    expect(dailyEnergy({ ...one, seasonShare: Array<number>(12).fill(0.5) }, 3)).toBeCloseTo(wh / 2, 9)
  })

  it('everything at once is never less than coincidence', () => {
    const ac = larkspurBench().loads.filter(({ leg }) => leg !== 'DC')
    expect(coincidentPeak(ac, 'everything').continuousW).toBeGreaterThan(coincidentPeak(ac, 'coincidence').continuousW)
    expect(coincidentPeak(ac, 'coincidence').surgeW).toBeGreaterThan(coincidentPeak(ac, 'coincidence').continuousW)
  })
})

describe('suggestions', () => {
  const places = ILLUSTRATIVE_CLIMATES.flatMap((climate) =>
    [
      [48, -115],
      [57, -6],
      [-43, 171],
      [66, 25],
    ].map(([latitudeDeg, longitudeDeg]) => [climate.id, latitudeDeg, longitudeDeg] as const),
  )
  it.each(places)(
    '%s at %s°, %s°: step by step they make a sound design without a stop',
    (climate, latitudeDeg, longitudeDeg) => {
      let design = newDesign('Test', { label: 'Test', latitudeDeg, longitudeDeg, climate })
      for (const suggest of [
        suggestPlace,
        suggestLoads,
        suggestBank,
        suggestArray,
        suggestInverter,
        suggestGenerator,
        suggestWiring,
      ]) {
        const { design: next, reasons } = suggest(design)
        expect(reasons.length).toBeGreaterThan(0)
        design = next
      }
      if (design.loads.some(({ leg }) => leg === 'AB')) expect(design.inverter.part.topology).toBe('split-phase')
      expect(invariantProblems(design)).toEqual([])
      const stops = check(design).filter(({ level }) => level === 'stop')
      expect(stops.map(({ id }) => id)).toEqual(design.name === 'Copper Draw' ? ['bank.sharing'] : [])
    },
  )

  it('what next ranks changes over the same weather and can be cancelled', async () => {
    const engine = new WinterEngine()
    const measure = (years: number) => (each: Design) => atOnce(measured(engine, each, { years, seed: 7 }))
    const ranked = (await whatNext(larkspurBench(), measure(3)))!
    expect(ranked.length).toBeGreaterThan(4)
    const battery = ranked.find(({ id }) => id === 'battery')!
    expect(ranked.find(({ id }) => id === 'string')!.generatorHoursSaved).toBeGreaterThan(0)
    expect(battery.price).toBeGreaterThan(1450)
    expect(await whatNext(larkspurBench(), measure(1), 1, () => false)).toBeNull()
    expect(await whatNext(larkspurBench(), measure(3), 3)).toEqual(ranked)
  })
})

describe('rules', () => {
  const with_ = (change: (design: Design) => void) => {
    const design = larkspurBench()
    change(design)
    return design
  }

  it.each([
    ['array.cold-voltage', 'stop', (d: Design): unknown => (d.arrays[0].inSeries = 12)],
    ['array.hot-voltage', 'stop', (d: Design): unknown => (d.arrays[0].inSeries = 2)],
    ['array.hot-voltage', 'watch', (d: Design): unknown => (d.arrays[0].inSeries = 3)],
    ['array.input-current', 'stop', (d: Design): unknown => (d.arrays[0].inParallel = 4)],
    ['array.string-fuses', 'watch', (d: Design): unknown => (d.arrays[0].inParallel = 3)],
    ['bank.parallel', 'stop', (d: Design): unknown => (d.bank.inParallel = 17)],
    ['bank.sharing', 'stop', (d: Design): unknown => Object.assign(d.bank, { takeoff: 'one-end', linkMilliohm: 3 })],
    ['bank.autonomy', 'watch', (d: Design): unknown => (d.bank.inParallel = 1)],
    ['bank.cold', 'stop', (d: Design): unknown => (d.place.batteryRoom.kind = 'unheated')],
    ['inverter.carries', 'stop', (d: Design): unknown => (d.loads[0].runningW = 9000)],
    ['inverter.starts', 'stop', (d: Design): unknown => (d.loads[2].startW = 30000)],
    ['inverter.transfer', 'stop', (d: Design): unknown => (d.generator.part.ratedW = 60000)],
    ['generator.refill', 'watch', (d: Design): unknown => (d.generator.maxRunH = 1)],
    ['wiring.runs', 'stop', (d: Design): unknown => Object.assign(d, setCircuit('inverter', { size: '10 AWG' })(d))],
  ] as const)('%s says %s', (id, level, change) => {
    expect(
      check(with_(change))
        .filter((finding) => finding.id === id)
        .map((finding) => finding.level),
    ).toContain(level)
    expect(check(larkspurBench()).some((finding) => finding.id === id && finding.level === level)).toBe(false)
  })

  it('every remedy clears the finding that offers it', () => {
    const faulty = with_((d) => {
      d.arrays[0].inSeries = 12
      Object.assign(d, setCircuit('inverter', { size: '10 AWG' })(d))
      Object.assign(d.bank, { takeoff: 'one-end', linkMilliohm: 3 })
    })
    const offered = check(faulty).filter(({ remedy }) => remedy)
    expect(offered.length).toBeGreaterThan(2)
    for (const { id, subject, level, remedy } of offered) {
      const after = check(remedy!.apply(faulty))
      expect(
        after.some((finding) => finding.id === id && finding.subject === subject && finding.level === level),
        id,
      ).toBe(false)
    }
  })
})

describe('what contradicts itself', () => {
  it.each([
    ['loads', (d: Design): unknown => (d.loads = [])],
    ['bank.cutoffStateOfCharge', (d: Design): unknown => (d.bank.cutoffStateOfCharge = 0.25)],
    ['bank.part.nominalV', (d: Design): unknown => (d.bank.part.nominalV = 36)],
    ['bank.inSeries', (d: Design): unknown => (d.bank.inSeries = 2)],
    ['place.recordLowC', (d: Design): unknown => (d.place.recordLowC = 50)],
    ['place.monthly.3.meanC', (d: Design): unknown => (d.place.monthly[3].meanC = 55)],
    ['loads.0.hourShape', (d: Design): unknown => d.loads[0].hourShape.fill(0)],
    ['loads.0.meteredKWh', (d: Design): unknown => (d.loads[0].meteredKWh = null)],
    ['arrays.0.controllerId', (d: Design): unknown => (d.arrays[0].controllerId = 'gone')],
    ['arrays.0.module.vmpV', (d: Design): unknown => (d.arrays[0].module.vmpV = 99)],
    ['generator.startStateOfCharge', (d: Design): unknown => (d.generator.startStateOfCharge = 0.9)],
    ['generator.quietFromH', (d: Design): unknown => Object.assign(d.generator, { quietFromH: 8, quietToH: 7 })],
    ['generator.minRunH', (d: Design): unknown => Object.assign(d.generator, { minRunH: 6, maxRunH: 2 })],
    ['generator.morningH', (d: Design): unknown => Object.assign(d.generator, { startBy: 'morning', morningH: 23 })],
    ['generator.startV', (d: Design): unknown => Object.assign(d.generator, { startBy: 'voltage', startV: 40 })],
    ['generator.startV', (d: Design): unknown => Object.assign(d.generator, { startBy: 'voltage', startV: 55 })],
    ['inverter.stacking', (d: Design): unknown => (d.inverter.stacking = 'three-phase')],
    [
      'inverter.search',
      (d: Design): unknown => {
        d.inverter.search = true
        return (d.inverter.part.searchW = null)
      },
    ],
    ['inverter.part.surgeW', (d: Design): unknown => (d.inverter.part.surgeW = 500)],
    ['bank.absorbV', (d: Design): unknown => (d.bank.absorbV = 50)],
    ['bank.absorbV', (d: Design): unknown => (d.bank.absorbV = 66)],
    ['controllers.0.part.outputAcW', (d: Design): unknown => (d.controllers[0].part.outputAcW = 900)],
    ['controllers.0.part.outputAcW', (d: Design): unknown => (d.controllers[0].part.kind = 'ac-coupled')],
    [
      'household.away.0.fromDay',
      (d: Design): unknown => d.household.away.push({ fromMonth: 2, fromDay: 30, toMonth: 3, toDay: 1 }),
    ],
    [
      'household.shedShouldBelow',
      (d: Design): unknown => Object.assign(d.household, { shedCanWaitBelow: 0.4, shedShouldBelow: 0.6 }),
    ],
  ] as const)('%s is named', (path, change) => {
    const design = larkspurBench()
    change(design)
    expect(invariantProblems(design).map((problem) => problem.path)).toContain(path)
  })

  it.each([
    ['ac-coupled', null, 'feeds the AC side; its AC watts are missing'],
    ['tracker', 900, 'charges the bank directly; AC watts belong to an AC-coupled one'],
  ] as const)('a %s controller of %s AC watts is told what is wrong', (kind, outputAcW, says) => {
    const design = larkspurBench()
    Object.assign(design.controllers[0].part, { kind, outputAcW })
    const [problem] = invariantProblems(design).filter(({ path }) => path.endsWith('outputAcW'))
    expect(said(problem.message, 'metric')).toContain(says)
  })

  it('a newer version, another format and a non-object are told apart', () => {
    expect(migrate({ format: 'ambrel-design', version: DESIGN_VERSION + 1 })).toMatchObject({
      problem: { path: 'version' },
    })
    expect(migrate({ format: 'other' })).toMatchObject({ problem: { path: 'format' } })
    expect(migrate([])).toMatchObject({ problem: { path: '' } })
    expect(migrate(larkspurBench())).toHaveProperty('document')
  })
})

describe('calculate', () => {
  it.each([
    [
      'sun.position',
      { latitudeDeg: 95, longitudeDeg: 0, at: '2024-01-01T00:00:00Z' },
      'latitudeDeg 95 is not allowed; number in ° from -90 to 90',
    ],
    ['sun.position', { latitudeDeg: 5, longitudeDeg: 0, at: 'yesterday' }, 'at "yesterday" must be an ISO date'],
    ['sun.diffuseFraction', {}, 'clearness is missing'],
    ['sun.diffuseFraction', { clearness: 0.3, other: 1 }, 'other is not an input'],
    [
      'array.coldVoltage',
      { inSeries: 1.5, vocV: 40, betaVocPctPerK: -0.3, coldestC: 0 },
      'inSeries 1.5 is not allowed; whole number',
    ],
    [
      'weather.generate',
      { latitudeDeg: 48, longitudeDeg: 0, monthly: [], persistence: 0.3, years: 1, seed: 1 },
      'monthly [] is not allowed',
    ],
    ['nothing.here', {}, 'name "nothing.here" is not a function'],
  ])('%s with %j is refused', (name, input, message) => {
    expect(() => calculate(name, input)).toThrow(message)
  })

  it.each([
    ['sun.extraterrestrialDaily', { latitudeDeg: 43, dayOfYear: 105 }, { energyKWhM2: 9.362 }],
    ['bank.kineticCapacity', { qmaxAh: 257.9, c: 0.484, kPerH: 0.355, hours: 20 }, { ampHours: 225 }],
    ['array.coldVoltage', { inSeries: 9, vocV: 49.8, betaVocPctPerK: -0.26, coldestC: -31 }, { volts: 513.5 }],
    ['inverter.legs', { loads: [{ watts: 1200, leg: 'A' }] }, { neutralA: 10 }],
  ])('%s of %j', (name, input, expected) => {
    const result = calculate(name, input)
    for (const [key, value] of Object.entries(expected))
      expect(Math.abs((result[key] as number) / value - 1)).toBeLessThan(0.005)
  })

  it('every function says what it takes, gives and comes from', () => {
    for (const [name, { says, outputs, source }] of Object.entries(CALC_FUNCTIONS)) {
      expect(name).toMatch(/^[a-z]+\.[a-zA-Z]+$/)
      expect(says && source && Object.keys(outputs).length).toBeTruthy()
    }
  })
})
