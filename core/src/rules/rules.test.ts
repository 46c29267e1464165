import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { copperDraw, gannetSkerry, larkspurBench, larkspurFlooded, larkspurMoreSun } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { WinterEngine } from '../winter/engine.ts'
import { summariseWinter, type WinterSummary } from '../winter/summary.ts'
import { summariseFailures } from '../winter/outages.ts'
import { needsHelp, verdict } from '../winter/verdict.ts'
import { candidates } from '../suggest/candidates.ts'
import { provedBottleneck, type Candidate } from '../suggest/whatNext.ts'
import { invariantProblems } from '../design/invariants.ts'
import { findings, RULES, stepLevel } from './registry.ts'
import { STEPS } from './rule.ts'
import { said } from '../units/words.ts'

const streamTurbine: Design['sources'][number] = {
  id: 'source-1',
  name: 'Stream turbine',
  kind: 'stream',
  side: 'dc',
  surplus: 'dump-load',
  wattsByMonth: Array<number[]>(12).fill(Array<number>(24).fill(200)),
  hourlyW: null,
  price: 2400,
}
const engine = new WinterEngine()
const winterOf = (design: Design, years = 3): WinterSummary =>
  summariseWinter(engine.run(design, { years, seed: 7 }), design)
const check = (design: Design, winter: WinterSummary | null = null) =>
  findings({ design, derived: derive(design), winter })
const levelsOf = (id: string, design: Design, winter: WinterSummary | null = null) =>
  check(design, winter)
    .filter((finding) => finding.id === id)
    .map(({ level }) => level)

function changed(make: () => Design, change: (design: Design) => void): Design {
  const design = make()
  change(design)
  return design
}

describe('the registry', () => {
  it('holds each rule once, under the name of its step', () => {
    const ids = RULES.map(({ id }) => id)
    expect(new Set(ids).size).toBe(ids.length)
    for (const { id, step } of RULES) expect(id.startsWith(`${step}.`)).toBe(true)
    for (const { step } of RULES) expect(STEPS).toContain(step)
  })

  it('says everything in whole sentences, worst first', () => {
    const design = changed(larkspurBench, (d) => (d.arrays[0].inSeries = 12))
    const all = check(design, winterOf(design))
    const order = { stop: 0, watch: 1, open: 2, sound: 3 }
    all.forEach((finding, i) => {
      expect(said(finding.says), finding.id).toMatch(/[.:]$/)
      expect(said(finding.because), finding.id).toMatch(/\.$/)
      if (i > 0) expect(order[finding.level]).toBeGreaterThanOrEqual(order[all[i - 1].level])
    })
  })

  it('every working a finding points to is there', () => {
    for (const make of [larkspurBench, larkspurFlooded, gannetSkerry]) {
      const design = make()
      const { worked } = derive(design)
      for (const { working, id } of check(design))
        if (working) expect(worked[working], `${id} → ${working}`).toBeDefined()
    }
  })

  it('marks a step by its worst finding', () => {
    const all = check(changed(larkspurBench, (d) => (d.arrays[0].inSeries = 12)))
    expect(stepLevel(all, 'array')).toBe('stop')
    expect(stepLevel(all, 'cost')).toBe('open')
    expect(stepLevel(all, 'wiring')).toBe('sound')
  })
})

/** Sets a design to imported hours that say what its own rows say. */
function onFile({ place }: Design, source: 'fitted' | 'hours', years: number) {
  const { monthly, persistence, windMS } = place
  place.source = source
  place.hours = {
    fileId: 'f',
    name: 'hours',
    years,
    utcOffsetH: -7,
    monthly,
    persistence,
    windMS,
    interannualPct: null,
    lowestC: -20,
    highestC: 35,
  }
  return place.hours
}

/** Rule, the state it must be in, the design and what is changed in it. */
// oxfmt-ignore
const CASES: [string, string, () => Design, (design: Design) => void][] = [
  ['place.dark-month', 'watch', larkspurBench, () => {}],
  ['place.dark-month', 'sound', larkspurBench, (d) => d.place.monthly.forEach((month) => (month.ghiKWhM2Day = Math.max(month.ghiKWhM2Day, 2)))],
  ['place.illustrative-climate', 'open', larkspurBench, () => {}],
  ['place.weather-file', 'sound', larkspurBench, (d) => onFile(d, 'fitted', 1)],
  ['place.weather-file', 'sound', larkspurBench, (d) => onFile(d, 'hours', 12)],
  ['place.weather-file', 'watch', larkspurBench, (d) => onFile(d, 'hours', 1)],
  ['place.weather-file', 'watch', larkspurBench, (d) => Object.assign(onFile(d, 'fitted', 12), { lowestC: -44 })],
  ['place.clock', 'watch', larkspurBench, (d) => (d.place.utcOffsetH = 7)],
  ['loads.unmetered', 'watch', larkspurBench, () => {}],
  ['loads.unmetered', 'sound', larkspurBench, (d) => d.loads.forEach((load) => Object.assign(load, { basis: 'metered', meteredKWh: 3, meteredHours: 168 }))],
  ['loads.large-share', 'watch', larkspurBench, (d) => Object.assign(d.loads[3], { runningW: 2000, hoursPerDay: 20 })],
  ['bank.parallel', 'watch', larkspurBench, (d) => (d.bank.inParallel = 10)],
  ['bank.parallel', 'stop', larkspurFlooded, (d) => (d.bank.inParallel = 5)],
  ['bank.sharing', 'sound', larkspurFlooded, () => {}],
  ['bank.charge-rate', 'watch', larkspurFlooded, (d) => (d.arrays[0].inParallel = 1)],
  ['bank.charge-rate', 'sound', larkspurFlooded, () => {}],
  ['bank.charge-rate', 'watch', larkspurFlooded, (d) => (d.bank.inParallel = 1)],
  ['bank.charge-rate', 'stop', gannetSkerry, (d) => Object.assign(d.controllers[0].part, { kind: 'pulse-width', outputA: 200 }, (d.arrays[0].inParallel = 20))],
  ['bank.charge-rate', 'watch', larkspurBench, (d) => (d.bank.inParallel = 1)],
  ['bank.cold', 'stop', larkspurFlooded, (d) => Object.assign(d.place, { recordLowC: -45, batteryRoom: { kind: 'unheated', setC: 0, depthM: 1 } })],
  ['bank.cold', 'stop', larkspurBench, (d) => (d.place.batteryRoom.kind = 'unheated')],
  ['bank.cold', 'watch', larkspurBench, (d) => ((d.bank.part.heaterW = 100), (d.place.batteryRoom.kind = 'unheated'))],
  ['bank.cold', 'watch', larkspurBench, (d) => Object.assign(d.place, { recordLowC: -15, batteryRoom: { kind: 'unheated', setC: 0, depthM: 1 } })],
  ['bank.series', 'stop', larkspurFlooded, (d) => (d.bank.part.seriesLimit = 4)],
  ['array.bank-class', 'stop', larkspurBench, (d) => (d.controllers[0].part.mostBankV = 24)],
  ['array.bank-class', 'stop', gannetSkerry, (d) => (d.controllers[0].part.leastBankV = 48)],
  ['array.system-voltage', 'stop', larkspurBench, (d) => (d.arrays[0].module.maxSystemV = 100)],
  ['inverter.high-cut', 'stop', larkspurFlooded, (d) => (d.inverter.part.highCutV = 60)],
  ['inverter.high-cut', 'watch', larkspurFlooded, (d) => (d.inverter.part.highCutV = 62)],
  ['inverter.high-cut', 'stop', larkspurBench, (d) => (d.inverter.part.highCutV = 57)],
  ['array.missing', 'open', larkspurBench, (d) => (d.arrays = [])],
  ['array.cold-voltage', 'watch', larkspurBench, (d) => (d.arrays[0].inSeries = 10)],
  ['array.hot-voltage', 'sound', larkspurBench, () => {}],
  ['array.hot-voltage', 'watch', larkspurBench, (d) => (d.arrays[0].inSeries = 3)],
  ['array.hot-voltage', 'stop', larkspurBench, (d) => (d.arrays[0].inSeries = 2)],
  ['array.facing', 'watch', larkspurBench, (d) => (d.arrays[0].azimuthDeg = 0)],
  ['array.facing', 'watch', larkspurBench, (d) => ((d.place.latitudeDeg = -40), (d.arrays[0].azimuthDeg = 190))],
  ['array.losses', 'watch', larkspurBench, (d) => (d.arrays[0].wiringLoss = 0.5)],
  ['array.losses', 'watch', larkspurBench, (d) => Object.assign(d.arrays[0], { ageYears: 40, soilingLoss: 0.2 })],
  ['array.track-range', 'watch', larkspurBench, (d) => (d.controllers[0].part.maxTrackV = 200)],
  ['generator.carries', 'watch', larkspurBench, (d) => (d.generator.part.ratedW = 2000)],
  ['generator.carries', 'watch', larkspurBench, (d) => Object.assign(d.generator, { kind: 'shore', cordA: 5 })],
  [
    'generator.carries',
    'stop',
    larkspurBench,
    (d) => ((d.generator.part.ratedW = 2000), (d.generator.charger = 'separate')),
  ],
  ['generator.charger-over-bank', 'watch', larkspurBench, (d) => (d.bank.part.maxChargeA = 20)],
  ['generator.charger-over-bank', 'watch', gannetSkerry, () => {}],
  ['bank.let-down', 'watch', larkspurFlooded, (d) => (d.bank.cutoffStateOfCharge = 0.1)],
  ['inverter.low-cut', 'watch', larkspurFlooded, (d) => (d.inverter.part.lowCutV = 36)],
  ['inverter.legs-there', 'stop', larkspurBench, (d) => (d.inverter.part.topology = 'single-230')],
  ['inverter.carries', 'stop', larkspurBench, (d) => (d.inverter.part.ratedVA = 2000)],
  ['bank.charge-rate', 'watch', larkspurFlooded, (d) => (d.bank.part.maxChargeA = 20)],
  [
    'bank.charge-rate',
    'stop',
    larkspurBench,
    (d) => ((d.bank.part.maxChargeA = 3), (d.controllers[0].part.kind = 'pulse-width')),
  ],
  [
    'generator.charger-over-bank',
    'stop',
    larkspurBench,
    (d) => ((d.bank.part.maxChargeA = 5), (d.generator.kind = 'vehicle')),
  ],
  // it works, and does not start
  ['array.hot-voltage', 'stop', larkspurBench, (d) => (d.controllers[0].part.startV = 300)],
  ['array.hot-voltage', 'watch', larkspurBench, (d) => (d.controllers[0].part.startV = 250)],
  [
    'array.hot-voltage',
    'stop',
    larkspurBench,
    (d) => Object.assign(d.controllers[0].part, { kind: 'ac-coupled', outputAcW: 5000, minTrackV: 250 }),
  ],
  ['inverter.carries', 'watch', larkspurBench, (d) => (d.inverter.part.ratedW = 3600)],
  ['inverter.starts', 'watch', larkspurBench, (d) => (d.inverter.part.surgeW = 10000)],
  // the saw's start is a guess: it is to be measured; the same watts stated, or seen starting
  ['inverter.starts', 'watch', larkspurBench, (d) => ((d.inverter.part.surgeW = 5000), d.loads.forEach((load) => (load.startW = null)))],
  ['inverter.starts', 'stop', larkspurBench, (d) => (d.inverter.part.surgeW = 5000)],
  ['inverter.starts', 'watch', larkspurFlooded, (d) => ((d.bank.part.resistanceMilliohm = 10), (d.place.batteryRoom.setC = 2), d.loads.forEach((load) => (load.startW = load.runningW * 4)))],
  ['bank.discharge', 'sound', larkspurBench, () => {}],
  ['bank.discharge', 'stop', larkspurBench, (d) => (d.bank.part.maxDischargeA = 4)],
  // 12 kW on units that give 150 A together, with little on at once
  ['bank.discharge', 'watch', larkspurBench, (d) => Object.assign(d.bank.part, { maxDischargeA: 25 })],
  ['inverter.carries', 'stop', larkspurBench, (d) => (d.bank.part.maxDischargeA = 4)],
  ['bank.discharge', 'stop', larkspurBench, (d) => (d.bank.part.resistanceMilliohm = 1500)],
  ['inverter.carries', 'stop', larkspurBench, (d) => (d.bank.part.resistanceMilliohm = 1500)],
  ['bank.discharge', 'stop', larkspurBench, (d) => (d.loads[0].runningW = 90000)],
  ['bank.string-fuses', 'watch', larkspurBench, (d) => (d.bank.stringFuses = false)],
  ['inverter.frequency', 'watch', larkspurBench, (d) => (d.inverter.part.frequencyHz = 50)],
  ['inverter.voltage-class', 'watch', gannetSkerry, (d) => (d.inverter.part.ratedW = 4000)],
  ['generator.load', 'watch', larkspurBench, () => {}],
  ['generator.load', 'watch', larkspurBench, (d) => (d.generator.part.ratedW = 60000)],
  ['generator.load', 'sound', larkspurBench, (d) => (d.generator.chargeLimitA = 70)],
  ['generator.charger-over-bank', 'watch', larkspurBench, (d) => (d.bank.inParallel = 1)],
  ['generator.charger-over-bank', 'watch', larkspurFlooded, (d) => (d.bank.part.maxChargeA = 20)],
  ['generator.output', 'stop', larkspurBench, (d) => (d.generator.part.output = 'single')],
  ['generator.output', 'stop', larkspurBench, (d) => (d.generator.part.output = 'three-phase')],
  ['generator.output', 'stop', larkspurBench, (d) => Object.assign(d.generator, { kind: 'shore', cordV: 120 })],
  ['generator.output', 'stop', gannetSkerry, (d) => Object.assign(d.generator, { kind: 'shore', cordV: 120 })],
  ['generator.output', 'open', larkspurBench, (d) => (d.generator.part.output = 'unknown')],
  ['generator.output', 'stop', larkspurBench, (d) => (d.generator.part.frequencyHz = 50)],
  ['generator.output', 'stop', gannetSkerry, (d) => (d.generator.part.frequencyHz = 60)],
  [
    'generator.output',
    'watch',
    larkspurBench,
    (d) => ((d.generator.part.frequencyHz = 50), (d.generator.adapted = true)),
  ],
  ['generator.output', 'watch', copperDraw, (d) => (d.generator.part.output = 'split')],
  ['generator.equalise', 'watch', larkspurBench, (d) => (d.generator.equaliseEveryDays = 90)],
  [
    'generator.nobody-home',
    'watch',
    larkspurBench,
    (d) => {
      d.generator.startBy = 'morning'
      d.household.away = [{ fromMonth: 1, fromDay: 5, toMonth: 1, toDay: 20 }]
    },
  ],
  ['inverter.derated', 'watch', larkspurBench, (d) => (d.inverter.hottestC = 45)],
  ['inverter.transfer', 'stop', larkspurBench, (d) => (d.inverter.part.transferA = 15)],
  ['inverter.idle', 'watch', larkspurBench, (d) => (d.inverter.quantity = 3)],
  ['inverter.search', 'watch', larkspurBench, (d) => (d.inverter.search = true)],
  ['inverter.waveform', 'watch', larkspurBench, (d) => (d.inverter.part.waveform = 'stepped')],
  [
    'inverter.ac-coupled',
    'watch',
    larkspurBench,
    (d) => (d.sources = [{ ...streamTurbine, side: 'ac' }]),
  ],
  [
    'inverter.ac-coupled',
    'stop',
    larkspurBench,
    (d) => (d.sources = [{ ...streamTurbine, side: 'ac', wattsByMonth: Array(12).fill(Array(24).fill(9000)) }]),
  ],
  ['bank.weak', 'watch', larkspurBench, (d) => d.bank.weak.push({ unit: 2, capacityShare: 0.7, resistanceFactor: 2 })],
  ['bank.sharing', 'watch', larkspurMoreSun, (d) => d.bank.weak.push({ unit: 1, capacityShare: 0.6, resistanceFactor: 2 })],
  ['winter.step', 'watch', larkspurBench, (d) => (d.bank.inParallel = 1)],
  ['winter.step', 'watch', larkspurBench, (d) => (d.inverter.part.ratedW = 2400)],
  [
    'inverter.starts',
    'stop',
    larkspurBench,
    (d) => {
      Object.assign(d.loads[2], { startW: 4950, startS: 9 })
      d.inverter.part.ratedW = 5000
    },
  ],
]

describe('each rule', () => {
  it.each(CASES)('%s is %s', (id, level, make, change) => {
    expect(levelsOf(id, changed(make, change))).toContain(level)
  })

  it.each([
    ['place.illustrative-climate', larkspurBench, (d: Design): unknown => (d.place.climate = 'own')],
    ['place.clock', larkspurBench, (): unknown => undefined],
    ['place.weather-file', larkspurBench, (): unknown => undefined],
    ['place.illustrative-climate', larkspurBench, (d: Design): unknown => onFile(d, 'hours', 12)],
    ['bank.sharing', larkspurBench, (d: Design): unknown => (d.bank.inParallel = 1)],
    ['generator.refill', larkspurBench, (d: Design): unknown => (d.generator.present = false)],
    ['generator.output', larkspurBench, (): unknown => undefined],
    ['generator.output', gannetSkerry, (d: Design): unknown => (d.generator.part.output = 'split')],
    ['generator.output', larkspurBench, (d: Design): unknown => (d.generator.part.frequencyHz = 60)],
    ['array.track-range', larkspurBench, (): unknown => undefined],
    ['array.facing', larkspurBench, (d: Design): unknown => (d.arrays[0].azimuthDeg = 90)],
    ['array.facing', larkspurBench, (d: Design): unknown => (d.arrays[0].azimuthDeg = 285)],
    ['array.facing', larkspurBench, (d: Design): unknown => Object.assign(d.arrays[0], { azimuthDeg: 0, tiltDeg: 10 })],
    [
      'array.facing',
      larkspurBench,
      (d: Design): unknown => Object.assign(d.arrays[0], { azimuthDeg: 0, tracking: 'single-axis' }),
    ],
    ['array.facing', larkspurBench, (d: Design): unknown => ((d.place.latitudeDeg = 5), (d.arrays[0].azimuthDeg = 0))],
    [
      'array.facing',
      larkspurBench,
      (d: Design): unknown => ((d.place.latitudeDeg = -40), (d.arrays[0].azimuthDeg = 350)),
    ],
    ['array.losses', larkspurBench, (d: Design): unknown => (d.arrays[0].ageYears = 25)],
    ['generator.carries', larkspurBench, (): unknown => undefined],
    [
      'generator.carries',
      larkspurBench,
      (d: Design): unknown => ((d.generator.part.ratedW = 3000), (d.generator.charger = 'separate')),
    ],
    ['generator.charger-over-bank', larkspurBench, (): unknown => undefined],
    ['inverter.low-cut', larkspurFlooded, (): unknown => undefined],
    ['bank.let-down', larkspurBench, (d: Design): unknown => (d.bank.cutoffStateOfCharge = 0)],
    ['bank.let-down', larkspurFlooded, (): unknown => undefined],
    ['inverter.low-cut', larkspurBench, (d: Design): unknown => (d.inverter.part.lowCutV = 36)],
    ['inverter.legs-there', gannetSkerry, (): unknown => undefined],
    [
      'inverter.legs-there',
      larkspurBench,
      (d: Design): unknown => (
        (d.inverter.part.topology = 'single-230'),
        d.loads.forEach((load) => (load.leg = load.leg === 'AB' ? 'C' : load.leg))
      ),
    ],
    ['generator.output', gannetSkerry, (d: Design): unknown => (d.generator.part.frequencyHz = 50)],
    [
      'generator.output',
      larkspurBench,
      (d: Design): unknown => ((d.generator.part.frequencyHz = 50), (d.generator.charger = 'separate')),
    ],
    [
      'generator.output',
      larkspurBench,
      (d: Design): unknown =>
        Object.assign(d.generator, { kind: 'shore', part: { ...d.generator.part, frequencyHz: 50 } }),
    ],
    ['generator.output', copperDraw, (): unknown => undefined],
    ['generator.output', gannetSkerry, (d: Design): unknown => (d.generator.part.output = 'unknown')],
    [
      'generator.output',
      larkspurBench,
      (d: Design): unknown => ((d.generator.part.output = 'single'), (d.generator.adapted = true)),
    ],
    [
      'generator.output',
      larkspurBench,
      (d: Design): unknown => ((d.generator.part.output = 'single'), (d.generator.charger = 'separate')),
    ],
    [
      'generator.output',
      larkspurBench,
      (d: Design): unknown => Object.assign(d.generator, { kind: 'shore', cordV: 208 }),
    ],
    ['bank.cold', larkspurBench, (): unknown => undefined],
    [
      'bank.cold',
      larkspurBench,
      (d: Design): unknown =>
        Object.assign(
          d.place,
          { recordLowC: -15, batteryRoom: { kind: 'unheated', setC: 0, depthM: 1 } },
          (d.bank.part.heaterW = 100),
        ),
    ],
    ['bank.series', larkspurFlooded, (d: Design): unknown => (d.bank.part.seriesLimit = 8)],
    ['bank.series', larkspurFlooded, (): unknown => undefined],
    [
      'array.bank-class',
      larkspurBench,
      (d: Design): unknown =>
        Object.assign(d.controllers[0].part, { kind: 'ac-coupled', outputAcW: 5000, mostBankV: 24 }),
    ],
    [
      'array.bank-class',
      larkspurBench,
      (d: Design): unknown =>
        d.controllers.push({ ...d.controllers[0], id: 'unused', part: { ...d.controllers[0].part, mostBankV: 12 } }),
    ],
    ['array.system-voltage', larkspurBench, (d: Design): unknown => (d.arrays[0].module.maxSystemV = 600)],
    ['inverter.high-cut', larkspurFlooded, (): unknown => undefined],
    [
      'inverter.high-cut',
      larkspurFlooded,
      (d: Design): unknown => ((d.inverter.part.highCutV = 62), (d.generator.equaliseEveryDays = null)),
    ],
    ['inverter.high-cut', larkspurFlooded, (d: Design): unknown => (d.inverter.part.highCutV = null)],
    ['inverter.idle', larkspurBench, (d: Design): unknown => (d.inverter.part.idleW = 4)],
    ['inverter.frequency', larkspurBench, (): unknown => undefined],
    ['inverter.starts', larkspurBench, (d: Design): unknown => d.loads.forEach((load) => (load.seenStarting = true))],
    ['bank.string-fuses', larkspurBench, (d: Design): unknown => (d.bank.stringFuses = true)],
    ['bank.string-fuses', larkspurBench, (d: Design): unknown => (d.bank.inParallel = 1)],
  ] as const)('%s is silent where it does not apply', (id, make, change) => {
    expect(levelsOf(id, changed(make, change))).toEqual([])
  })
})

it('a set that the inverter does not take is sound in nothing', () => {
  const design = changed(larkspurBench, (d) => Object.assign(d.generator, { tankL: 500 }))
  const ofBackup = (of: Design) =>
    check(of, winterOf(of)).filter(({ id }) => id.startsWith('generator.') || id === 'winter.generator-hours')
  expect(ofBackup(design).length).toBeGreaterThan(2)
  design.generator.part.output = 'single'
  expect(ofBackup(design).map(({ id, level }) => [id, level])).toEqual([['generator.output', 'stop']])
})

describe('one load that takes most of the day', () => {
  it.each([
    [3, ['watch']],
    [2, []],
  ])('is told among %s', (count, levels) => {
    const design = changed(larkspurBench, (d) => {
      d.loads = d.loads.slice(0, count)
      Object.assign(d.loads[0], { basis: 'rated', runningW: 2000, hoursPerDay: 20 })
    })
    expect(levelsOf('loads.large-share', design)).toEqual(levels)
  })
})

describe('rules of the winter', () => {
  it('fuel for the worst days between two trips is held against what is stored', () => {
    const design = changed(larkspurBench, (d) => {
      d.bank.inParallel = 1
      d.generator.fuelTripDays = 30
      d.generator.tankL = 1
    })
    const winter = winterOf(design)
    expect(levelsOf('generator.fuel-store', design, winter)).toEqual(['watch'])
    design.generator.tankL = winter.oneInTen.fuelBetweenTripsL + 1
    expect(levelsOf('generator.fuel-store', design, winter)).toEqual(['sound'])
    design.generator.fuelTripDays = 1
    const told = check(design, winter).find(({ id }) => id === 'generator.fuel-store')!
    expect(said(told.says)).toContain('in the worst 1 day,')
    design.generator.tankL = null
    expect(levelsOf('generator.fuel-store', design, winter)).toEqual([])
  })

  it('strings that are unlike in themselves are not sent to other leads', () => {
    const design = changed(larkspurMoreSun, (d) => {
      d.bank.weak.push({ unit: 1, capacityShare: 0.6, resistanceFactor: 2 })
      d.bank.takeoff = 'equal-leads'
    })
    const sharing = check(design).find(({ id }) => id === 'bank.sharing')!
    expect(said(sharing.because)).toContain('unlike')
    expect(sharing.remedy).toBeUndefined()
  })

  it('wait for a run', () => {
    expect(levelsOf('winter.short-hours', larkspurBench())).toEqual(['open'])
  })

  it('stop where what must run goes dark, watch where only the rest does, sound where nothing does', () => {
    const starved = changed(larkspurBench, (d) => {
      d.generator.present = false
      d.bank.inParallel = 1
    })
    expect(levelsOf('winter.short-hours', starved, winterOf(starved))).toEqual(['stop'])
    const design = larkspurBench()
    const winter = winterOf(design)
    expect(levelsOf('winter.short-hours', design, winter)).toEqual(['sound'])
    const some = { ...winter, oneInTen: { ...winter.oneInTen, shortHours: { must: 0, should: 0, canWait: 5 } } }
    expect(levelsOf('winter.short-hours', design, some)).toEqual(['watch'])
  })

  it('lithium locked by cold is a stop whose remedy heats the room', () => {
    const cold = changed(larkspurBench, (d) => (d.place.batteryRoom.kind = 'unheated'))
    const found = check(cold, winterOf(cold)).find(({ id }) => id === 'winter.cold-lock')!
    expect(found.level).toBe('stop')
    const warm = found.remedy!.apply(cold)
    expect(winterOf(warm).median.coldLockHours).toBe(0)
  })

  it('a generator house is named as one', () => {
    const design = changed(larkspurBench, (d) => d.loads.forEach((load) => (load.runningW *= 6)))
    expect(levelsOf('winter.generator-hours', design, winterOf(design))).toEqual(['watch'])
  })
})

describe('the verdict', () => {
  const design = larkspurBench()
  const winter = winterOf(design)
  const months = (value: number) => Array<number>(12).fill(value)
  const made = (arrayKWh: number, curtailedKWh: number, generatorKWh: number, unmetKWh: number): WinterSummary => ({
    ...winter,
    months: {
      ...winter.months,
      arrayKWh: months(arrayKWh),
      curtailedKWh: months(curtailedKWh),
      generatorKWh: months(generatorKWh),
      servedKWh: months(200),
      unmetKWh: months(unmetKWh),
    },
  })
  it.each([
    [made(220, 40, 1, 0), /^The sun carries the dark months almost alone/],
    // 60 of the 210 kWh that were supplied, whatever was served of them
    [
      made(150, 100, 60, 0),
      /^The generator gives 28\.6 % of the energy supplied in the dark months, and 40 % of the sun/,
    ],
    [made(150, 5, 60, 0), /hardly any sun is thrown away\. /],
    [made(150, 5, 0, 60), /240 kWh are short in the dark months/],
  ])('%#: names what limits the design', (summary, words) => {
    expect(said(verdict(design, summary))).toMatch(words)
  })

  it('what was proved is said, and nothing before it has been tried', () => {
    const says = said(verdict(design, made(150, 100, 60, 0), 'Tried: modules hold it back.'))
    expect(says).toMatch(
      /thrown away on bright days\. The bank is full before noon on .* % of those days.*\. Tried: modules hold it back\.$/,
    )
    expect(said(verdict(design, made(150, 100, 60, 0)))).toMatch(/of those days.*\.$/)
    expect(said(verdict(design, made(150, 100, 60, 0)))).not.toMatch(/storage|modules|panels/)
  })

  it('nothing is to be tried where the sun carries the dark months, or a grid does', () => {
    const proof = 'Tried: storage holds it back.'
    expect(needsHelp(design, made(150, 100, 60, 0))).toBe(true)
    const sunny = made(220, 40, 1, 0)
    expect(needsHelp(design, sunny)).toBe(false)
    expect(said(verdict(design, sunny, proof))).not.toContain(proof)
    const onGrid: WinterSummary = {
      ...sunny,
      months: { ...sunny.months, gridKWh: months(60) },
      failures: summariseFailures([]),
    }
    expect(needsHelp(design, onGrid)).toBe(false)
    expect(said(verdict(design, onGrid, proof))).toMatch(/^The grid gives/)
  })
})

describe('what the tried changes prove', () => {
  const tried = (id: string, generatorHoursSaved: number, shortHoursSaved = 0): Candidate => ({
    id,
    says: id,
    price: 1,
    unpriced: false,
    generatorHours: 0,
    shortHours: 0,
    generatorHoursSaved,
    shortHoursSaved,
    design: larkspurBench(),
  })
  it.each([
    [5, 20, /modules hold it back, not storage/],
    [20, 5, /storage holds it back, not modules/],
    [16, 21, /about equally short/],
    [0, 0.2, /neither holds this design back/],
    [-3, 4, /modules hold it back/],
  ])('batteries save %s h, modules %s h', (battery, string, says) => {
    expect(said(provedBottleneck([tried('battery', battery), tried('string', string)])!)).toMatch(says)
  })
  it('short hours weigh as ten of the generator’s', () => {
    expect(said(provedBottleneck([tried('battery', 0, 5), tried('string', 20)])!)).toContain('storage holds it back')
  })
  it('says nothing where only one was tried', () => {
    expect(provedBottleneck([tried('battery', 4)])).toBeNull()
  })

  it('every change tried is a sound design, and leaves the one it came from alone', () => {
    for (const make of [larkspurBench, larkspurFlooded, gannetSkerry]) {
      const subject = make()
      const list = candidates(subject)
      expect(list.map(({ id }) => id)).toContain('chemistry')
      for (const candidate of list) expect(invariantProblems(candidate.design), said(candidate.says)).toEqual([])
      expect(subject).toEqual(make())
    }
  })
})
