import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import { appliance, loadFromAppliance } from '../loads/appliances.ts'
import { controllerParts, moduleParts } from '../parts/shelf.ts'
import { climateAt } from '../weather/climates.ts'
import { calculate, CALC_FUNCTIONS } from './functions.ts'

const monthly = climateAt('cold-valley', 48.2).monthly
const place = { latitudeDeg: 48.2, longitudeDeg: -115.4 }

const { vocV, iscA, vmpV, impA, cells, alphaIscPctPerK, betaVocPctPerK } = moduleParts[0]
const sheet = { vocV, iscA, vmpV, impA, cells, alphaIscPctPerK, betaVocPctPerK }
const behindHill = {
  ghiWM2: 300,
  zenithDeg: 70,
  sunAzimuthDeg: 180,
  tiltDeg: 0,
  azimuthDeg: 180,
  dayOfYear: 20,
  horizon: [{ azimuthDeg: 180, elevationDeg: 30 }],
}
const evening = Array.from({ length: 24 }, (_, hour) => (hour === 18 ? 1 : 0))
const saw = {
  ...loadFromAppliance(appliance('table-saw'), 'saw'),
  hoursPerDay: 0.1,
  duty: 1,
  daysPerWeek: 7,
  hourShape: evening,
}
const fan = {
  ...loadFromAppliance(appliance('radio'), 'fan'),
  runningW: 20,
  hoursPerDay: 24,
  duty: 1,
  hourShape: Array(24).fill(1),
}

const wire = {
  basis: 'awg',
  designA: 50,
  oneWayM: 10,
  workingA: 40,
  volts: 48,
  allowedDropPct: 3,
  insulationC: 90,
  terminalC: 75,
  ambientC: 30,
  conductors: 2,
}
const bill = {
  lines: [
    { quantity: 14, unitPrice: 189.9 },
    { quantity: 1, unitPrice: 1249.5, discountPct: 12.5, freight: 85 },
    { quantity: 3, unitPrice: 0.335, taxed: false, eligible: false },
  ],
  taxPct: 6,
  labour: 1500,
  contingencyPct: 10,
  incentivePct: 30,
  incentive: 200,
}

/** as documents of version 1 had it */
const { standbyW: _standbyW, supply: _supply, meterReadings: _meterReadings, ...olderFan } = fan

/** Published check values and figures worked by hand: name, input, path of the output, value, tolerance. */
// oxfmt-ignore
const TABLE: [string, object, string, number, number][] = [
  // NREL solar position algorithm, its published example
  ['sun.position', { latitudeDeg: 39.742476, longitudeDeg: -105.1786, at: '2003-10-17T19:30:30Z' }, 'azimuthDeg', 194.34, 0.02],
  ['sun.position', { latitudeDeg: 39.742476, longitudeDeg: -105.1786, at: '2003-10-17T19:30:30Z' }, 'elevationDeg', 39.89, 0.02],
  // Duffie & Beckman, daily extraterrestrial radiation, with 1361 W/m²
  ['sun.extraterrestrialDaily', { latitudeDeg: 43, dayOfYear: 105 }, 'energyKWhM2', 9.362, 0.005],
  ['sun.extraterrestrialDaily', { latitudeDeg: 57, dayOfYear: 17 }, 'energyKWhM2', 1.393, 0.005],
  ['sun.extraterrestrialDaily', { latitudeDeg: 68, dayOfYear: 344 }, 'energyKWhM2', 0, 1e-12],
  // Erbs et al. (1982)
  ['sun.diffuseFraction', { clearness: 0.35 }, 'fraction', 0.90425, 1e-5],
  ['sun.diffuseFraction', { clearness: 0.65 }, 'fraction', 0.33361, 1e-5],
  ['sun.diffuseFraction', { clearness: 0.9 }, 'fraction', 0.165, 1e-12],
  // isotropic ground: GHI·albedo·(1 − cos 90°)/2
  ['sun.planeOfArray', { ghiWM2: 500, zenithDeg: 60, sunAzimuthDeg: 180, tiltDeg: 90, azimuthDeg: 180, dayOfYear: 100 }, 'groundWM2', 50, 1e-9],
  // a sun behind a hill: no beam, and the sky above 30° seen by a level plane is cos² 30° of the whole
  ['sun.planeOfArray', { ...behindHill, skyModel: 'hay-davies' }, 'beamWM2', 0, 1e-12],
  ['sun.planeOfArray', { ...behindHill, ghiWM2: 10, skyModel: 'perez' }, 'beamWM2', 0, 1e-12],
  // worst hour 18: the saw at full watts beside the fan; its start is 4 × 1,400 W
  ['loads.coincidentPeak', { loads: [saw, fan] }, 'continuousW', 1420, 1e-9],
  ['loads.coincidentPeak', { loads: [saw, fan] }, 'surgeW', 1420 + 3 * 1400, 1e-9],
  ['loads.coincidentPeak', { loads: [saw, fan], school: 'everything' }, 'continuousW', 1.2 * 1420, 1e-9],
  ['loads.dailyEnergy', { load: olderFan, month: 1 }, 'whPerDay', 480, 1e-9],
  // Bendt et al. (1981)
  ['weather.clearnessDistribution', { meanClearness: 0.3 }, 'gamma', -2.125, 0.01],
  ['weather.clearnessDistribution', { meanClearness: 0.5 }, 'gamma', 2.272, 0.01],
  ['weather.clearnessDistribution', { meanClearness: 0.5, at: 0.05 }, 'cumulative', 0, 1e-12],
  // code and hand
  ['array.coldVoltage', { inSeries: 9, vocV: 49.8, betaVocPctPerK: -0.26, coldestC: -31 }, 'volts', 513.5, 0.05],
  ['array.coldVoltage', { inSeries: 10, vocV: 40, betaVocPctPerK: -0.3, coldestC: -18, method: 'code-table' }, 'volts', 472, 1e-9],
  ['array.hotVoltage', { inSeries: 4, vmpV: 31.3, betaVmpPctPerK: -0.34, hottestCellC: 65 }, 'volts', 125.2 * 0.864, 1e-9],
  // Faiman (2008): 800/(25 + 6.84·2) above the air
  ['array.moduleTemperature', { irradianceWM2: 800, airC: -5, windMS: 2, mounting: 'open-rack' }, 'cellC', -5 + 800 / 38.68, 1e-9],
  ['array.power', { ratedW: 400, irradianceWM2: 250, cellC: 5, gammaPctPerK: -0.35 }, 'watts', 107, 1e-9],
  // Manwell & McGowan (1993), 225 Ah unit
  ['bank.kineticCapacity', { qmaxAh: 257.9, c: 0.484, kPerH: 0.355, hours: 20 }, 'ampHours', 225, 1],
  ['bank.kineticCapacity', { qmaxAh: 257.9, c: 0.484, kPerH: 0.355, hours: 5 }, 'ampHours', 172, 1],
  ['bank.freezingPoint', { stateOfCharge: 0.5 }, 'celsius', -25.2, 0.05],
  ['bank.freezingPoint', { stateOfCharge: 0 }, 'celsius', -10.8, 0.05],
  // floor 1 − 0.8 ÷ 1.4 at −1.1 °C; what lies above it of the way to full
  ['winter.usable', { chemistry: 'flooded', batteryC: -1.1, cutoff: 0.2, stateOfCharge: 0.7 }, 'floorStateOfCharge', 1 - 0.8 / 1.4, 1e-9],
  ['winter.usable', { chemistry: 'flooded', batteryC: -1.1, cutoff: 0.2, stateOfCharge: 0.7 }, 'usableShare', 0.475, 1e-9],
  ['winter.usable', { chemistry: 'lfp', batteryC: 25, cutoff: 0.1, stateOfCharge: 0.05 }, 'usableShare', 0, 1e-12],
  // 12 kW at 44 V and 0.9 on three strings of 50 A; a fuse of 125 A comes first
  ['bank.weakestLink', { inParallel: 3, maxDischargeA: 50, surgeA: 100, watts: 12000, startWatts: 5000, lowV: 44, efficiency: 0.9 }, 'loadA', 12000 / 39.6, 1e-9],
  ['bank.weakestLink', { inParallel: 3, maxDischargeA: 50, surgeA: 100, watts: 12000, startWatts: 5000, lowV: 44, efficiency: 0.9 }, 'surgeLimitA', 300, 1e-9],
  ['bank.weakestLink', { inParallel: 3, maxDischargeA: 50, surgeA: 100, watts: 12000, startWatts: 5000, lowV: 44, efficiency: 0.9, fuseA: 125 }, 'limitA', 125, 1e-9],
  ['bank.stateFromRest', { chemistry: 'flooded', volts: 50.4, nominalV: 48 }, 'stateOfCharge', 15 / 17, 1e-9],
  ['bank.stateFromRest', { chemistry: 'lfp', volts: 52.64, nominalV: 51.2 }, 'stateOfCharge', 0.5, 1e-9],
  ['bank.stateFromRest', { chemistry: 'lfp', volts: 52.64, nominalV: 51.2 }, 'high', 0.575, 1e-9],
  // half of the surge on a leg, all of it across both
  ['inverter.start', { topology: 'split-phase', ratedW: 6000, surgeW: 12000, leg: 'A', runningW: 1000, startW: 6000 }, 'share', 7 / 6, 1e-12],
  ['inverter.start', { topology: 'split-phase', ratedW: 6000, surgeW: 12000, leg: 'AB', runningW: 1000, startW: 6000 }, 'share', 7 / 12, 1e-12],
  ['inverter.start', { topology: 'single', ratedW: 6000, surgeW: 12000, leg: 'A', runningW: 1000, startW: 6000 }, 'share', 7 / 12, 1e-12],
  // December asks for most; January's 0.8 h are left to the backup
  ['array.need', { dailyWh: Array<number>(12).fill(9000), sunHours: [0.8, 2, 3, 4, 5, 5, 5, 5, 4, 3, 2, 1.5] }, 'watts', 7500, 1e-9],
  ['array.need', { dailyWh: [1000, 1000, 1000, 1000, 1000, 1000, 9000, 1000, 1000, 1000, 1000, 1000], sunHours: [2, 2, 3, 4, 5, 5, 5, 5, 4, 3, 2, 2], factor: 0.5 }, 'month', 7, 0],
  ['bank.sag', { openCircuitV: 51.8, ohm: 0.021, watts: 7800 }, 'volts', 48.417, 0.001],
  ['bank.sizeByHand', { dailyWh: 7000, days: 3, depth: 0.5, batteryC: 10, chemistry: 'flooded', systemV: 48, unitV: 6, unitAh: 420 }, 'inParallel', 3, 0],
  [
    'bank.fitKinetic',
    {
      points: [
        { hours: 5, ampHours: 172 },
        { hours: 10, ampHours: 199 },
        { hours: 20, ampHours: 225 },
        { hours: 100, ampHours: 250 },
      ],
    },
    'c',
    0.484,
    0.005,
  ],
  ['bank.rainflow', { series: [0, 1, 0] }, 'cycles.0.count', 0.5, 1e-12],
  ['bank.lifeYears', { stateOfCharge: [1, 0.5, 1, 0.5, 1], yearsCovered: 1, cycles: [{ depth: 0.5, cycles: 100 }, { depth: 1, cycles: 40 }], calendarYears: 90 }, 'cyclicYears', 50, 1e-9],
  ['array.singleDiode', sheet, 'mpp.watts', 415.04, 0.05],
  ['array.mismatch', { strings: [{ module: moduleParts[0], inSeries: 3 }, { module: moduleParts[0], inSeries: 3 }] }, 'lossFraction', 0, 1e-9],
  ['bank.currentShares', { milliohm: [12, 12, 12], linkMilliohm: 0.6, takeoff: 'one-end' }, 'sharesPct.0', 38.42, 0.01],
  ['bank.currentShares', { milliohm: [12, 12, 12, 12], linkMilliohm: 0.6, takeoff: 'one-end' }, 'sharesPct.3', 19.76, 0.01],
  ['inverter.input', { idleW: 40, ratedW: 6000, peakEfficiency: 0.945, peakAtFraction: 0.3, fullLoadEfficiency: 0.9, watts: 6000 }, 'efficiency', 0.9, 1e-12],
  ['inverter.input', { idleW: 40, ratedW: 6000, peakEfficiency: 0.945, peakAtFraction: 0.3, fullLoadEfficiency: 0.9, watts: 0 }, 'inputW', 40, 1e-12],
  [
    'inverter.legs',
    {
      loads: [
        { watts: 1200, leg: 'A' },
        { watts: 600, leg: 'B' },
        { watts: 1000, leg: 'AB' },
      ],
    },
    'neutralA',
    5,
    1e-12,
  ],
  ['generator.derate', { ratedW: 7000, elevationM: 1050, airC: 25, fuel: 'propane' }, 'watts', 7000 * 0.895 * 0.9, 1e-6],
  ['generator.fuel', { ratedW: 6000, watts: 3000, hours: 2, fuel: 'diesel' }, 'litres', (0.07 * 6 + 0.25 * 3) * 2, 1e-9],
  ['wiring.drop', { size: '6 AWG', oneWayM: 42.672, amps: 18.5, volts: 118 }, 'dropV', 2.543, 0.001],
  ['wiring.ampacity', { size: '2/0 AWG', insulationC: 75, ambientC: 30, conductors: 3 }, 'amps', 175, 1e-9],
  ['wiring.ampacity', { size: '4/0 AWG', insulationC: 90, ambientC: 30, conductors: 1, school: 'free-air' }, 'amps', 405, 1e-9],
  // NEC 310.16 behind 75 °C terminals: 8 AWG carries 50 A, and 6 AWG keeps the drop over 10 m
  ['wiring.conductor', wire, 'ampacityA', 65, 1e-9],
  ['wiring.conductor', wire, 'parallel', 1, 0],
  // 2 · 10 m · 40 A · 0.491 Ω/1000 ft
  ['wiring.conductor', wire, 'dropPct', (2 * 10 * 40 * 0.491) / 304.8 / 48 * 100, 1e-9],
  ['wiring.device', { designA: 28.6 }, 'amps', 30, 0],
  ['wiring.device', { designA: 400 }, 'amps', 400, 0],
  ['wiring.shortCircuit', { openV: 54, milliohm: 20, inParallel: 4, leadMilliohm: 1 }, 'amps', 9000, 1e-9],
  ['wiring.groundConductor', { basis: 'awg', deviceA: 60 }, 'areaMm2', 5.26, 0],
  ['wiring.groundConductor', { basis: 'metric', phaseSize: '25 mm2' }, 'areaMm2', 16, 0],
  ['wiring.conduitFill', { innerMm: 20, outerMm: [10] }, 'share', 0.25, 1e-12],
  ['wiring.conduitFill', { innerMm: 20, outerMm: [10, 10] }, 'allowed', 0.31, 0],
  ['money.bill', bill, 'net', 4726.22, 0],
  ['money.lifeCycle', { years: 1, discountRate: 0.1, firstCost: 100, yearlyCost: 11, replacements: [], kWhPerYear: 110 }, 'costPerKWh', 1.1, 1e-12],
  ['money.payback', { cost: 1000, yearlySaving: 250 }, 'years', 4, 1e-12],
]

const kinetic = { qmaxAh: 257.9, c: 0.484, kPerH: 0.355 }
const coldPlane = { tiltDeg: 40, azimuthDeg: 180, horizon: behindHill.horizon }
/** A sound call of every function: the check values' and one for each of the others. */
const EXAMPLES = new Map<string, object>([
  ...[...TABLE].reverse().map(([name, input]) => [name, input] as const),
  ['weather.generate', { ...place, monthly, persistence: 0.4, years: 1, seed: 3 }],
  ['weather.interannual', { ...place, monthly, persistence: 0.4, years: 2, seed: 3 }],
  ['weather.darkSpells', { ...place, monthly, persistence: 0.4, years: 2, seed: 3, ...coldPlane }],
  [
    'weather.fitPersistence',
    {
      dailyClearness: Array.from({ length: 40 }, (_, i) => 0.3 + 0.2 * Math.sin(i)),
      meanClearness: Array(12).fill(0.4),
    },
  ],
  ['sun.bestTilt', { ...place, monthly, months: [12], horizon: behindHill.horizon }],
  ['bank.kineticStep', { ...kinetic, availableAh: 60, boundAh: 70, currentA: 10, hours: 1 }],
  [
    'inverter.surge',
    { baseW: 500, startW: 4000, surgeRatingW: 9000, openCircuitV: 51, ohm: 0.02, lowCutV: 42, surgeLimitA: 300 },
  ],
  ['parts.fromLabel', { kind: 'module', vocV: 22.4, iscA: 6.2, ratedW: 100 }],
  ['generator.refillHours', { ...kinetic, from: 0.4, to: 0.9, chargeA: 30 }],
  [
    'array.layouts',
    {
      module: moduleParts[0],
      controller: controllerParts[0],
      coldestC: -34,
      hottestCellC: 74,
      chargeV: 57.6,
      maxModules: 16,
    },
  ],
])

function at(result: unknown, path: string): number {
  return path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown>)[key], result) as number
}

describe('check values', () => {
  it('every function has a sound call', () => {
    expect([...EXAMPLES.keys()].sort()).toEqual(Object.keys(CALC_FUNCTIONS).sort())
    for (const [name, input] of EXAMPLES) expect(allNumbers(calculate(name, input)), name).toBe(true)
  })

  it.each(TABLE)('%s of %j: %s is %s', (name, input, path, value, tolerance) => {
    expect(Math.abs(at(calculate(name, input), path) - value)).toBeLessThanOrEqual(tolerance)
  })
})

describe('functions that return more than a number', () => {
  it('a bank that cannot carry a load has no voltage', () => {
    expect(calculate('bank.sag', { openCircuitV: 24, ohm: 0.1, watts: 5000 })).toEqual({ carries: false, volts: null })
  })

  it('a kinetic step keeps charge and states its limits from the given state', () => {
    const result = calculate('bank.kineticStep', { ...kinetic, availableAh: 60, boundAh: 70, currentA: 10, hours: 1 })
    expect((result.availableAh as number) + (result.boundAh as number)).toBeCloseTo(120, 9)
    const most = result.maxDischargeA as number
    expect(
      calculate('bank.kineticStep', { ...kinetic, availableAh: 60, boundAh: 70, currentA: most, hours: 1 }).availableAh,
    ).toBeCloseTo(0, 9)
    const charge = result.maxChargeA as number
    expect(
      calculate('bank.kineticStep', { ...kinetic, availableAh: 60, boundAh: 70, currentA: -charge, hours: 1 })
        .availableAh,
    ).toBeCloseTo(0.484 * 257.9, 9)
  })

  it('synthetic years keep the monthly sun and persistence; one number stands for twelve', () => {
    const input = { ...place, monthly, persistence: 0.4, years: 40, seed: 3 }
    const result = calculate('weather.generate', input)
    const ghi = result.monthlyGhiKWhM2Day as number[]
    ghi.forEach((value, m) => expect(Math.abs(value / monthly[m].ghiKWhM2Day - 1)).toBeLessThan(0.03))
    expect(Math.abs((result.lag1 as number) - 0.4)).toBeLessThan(0.03)
    expect(result.firstDays).toHaveLength(30)
    expect(calculate('weather.generate', { ...input, persistence: Array(12).fill(0.4) })).toEqual(result)
  })

  it('best tilt in December at 48° N is steeper than latitude + 10°', () => {
    const result = calculate('sun.bestTilt', { ...place, monthly, months: [12] })
    expect(result.tiltDeg as number).toBeGreaterThan(58.2)
  })

  it('layouts are legal and say why', () => {
    const { layouts } = calculate('array.layouts', {
      module: moduleParts[0],
      controller: controllerParts[0],
      coldestC: -34,
      hottestCellC: 74,
      chargeV: 57.6,
      maxModules: 16,
    }) as { layouts: { coldV: number; remarks: string[] }[] }
    expect(layouts.length).toBeGreaterThan(3)
    for (const { coldV, remarks } of layouts) {
      expect(coldV).toBeLessThanOrEqual(controllerParts[0].maxInputV)
      for (const remark of remarks) expect(remark).toEqual(expect.any(String))
    }
  })

  it('a load as it stands in the document has its day by month, January being 1', () => {
    const freezer = larkspurBench().loads[1]
    const january = calculate('loads.dailyEnergy', { load: freezer, month: 1 }).whPerDay as number
    const july = calculate('loads.dailyEnergy', { load: freezer, month: 7 }).whPerDay as number
    expect(january).toBeCloseTo(80 * 24 * 0.35 * 0.85, 9)
    expect(july).toBeCloseTo(80 * 24 * 0.35 * 1.25, 9)
  })
})

describe('bad input', () => {
  it.each(Object.entries(CALC_FUNCTIONS))(
    '%s refuses a call without its inputs and one that is not an object',
    (name, { inputs }) => {
      const needed = Object.entries(inputs).find(([, field]) => !('fallback' in field))!
      expect(() => calculate(name, {})).toThrow(`${needed[0]} is missing`)
      expect(() => calculate(name, [])).toThrow('must be a JSON object')
      expect(() => calculate(name, 5)).toThrow('must be a JSON object')
    },
  )

  const numeric = Object.entries(CALC_FUNCTIONS).flatMap(([name, { inputs }]) =>
    Object.entries(inputs)
      .filter(([, field]) => field.kind === 'number' || field.kind === 'integer')
      .map(([field, spec]) => [name, field, spec.max!] as const),
  )
  it.each(numeric)('%s refuses %s above its range, as text, and as nothing a number is', (name, field, max) => {
    for (const value of [max * 2 + 1, '5', NaN, true])
      expect(() => calculate(name, { ...EXAMPLES.get(name), [field]: value })).toThrow(field)
  })

  it.each([...EXAMPLES])('%s with nonsense at any place answers in numbers or names the place', (name, input) => {
    for (const path of placesOf(input))
      for (const value of NONSENSE) {
        const call = JSON.parse(JSON.stringify(input)) as Record<string, unknown>
        put(call, path, value)
        const told = `${path.join('.')} = ${JSON.stringify(value)}`
        try {
          expect(allNumbers(calculate(name, call)), told).toBe(true)
        } catch (error) {
          expect(error, told).toBeInstanceOf(RangeError)
          expect((error as Error).message, told).toContain(path.find((key) => typeof key === 'string'))
        }
      }
  })

  it.each([
    ['weather.generate', { ...place, monthly: monthly.slice(1), persistence: 0.3, years: 1, seed: 1 }, 'monthly'],
    [
      'weather.generate',
      {
        ...place,
        monthly: [{ ...monthly[0], ghiKWhM2Day: -1 }, ...monthly.slice(1)],
        persistence: 0.3,
        years: 1,
        seed: 1,
      },
      'monthly.0.ghiKWhM2Day -1',
    ],
    ['weather.generate', { ...place, monthly, persistence: 1.2, years: 1, seed: 1 }, 'persistence.0 1.2'],
    ['weather.generate', { ...place, monthly, persistence: 0.3, years: 0, seed: 1 }, 'years 0'],
    ['sun.bestTilt', { ...place, monthly, months: [13] }, 'months.0 13'],
    ['sun.bestTilt', { ...place, monthly, months: [] }, 'months'],
    ['bank.fitKinetic', { points: [{ hours: 0, ampHours: 10 }] }, 'points.0.hours 0'],
    ['bank.fitKinetic', { points: [] }, 'points'],
    ['bank.currentShares', { milliohm: [12, 0], linkMilliohm: 0.6, takeoff: 'one-end' }, 'milliohm.1 0'],
    ['bank.currentShares', { milliohm: [12], linkMilliohm: 0.6, takeoff: 'middle' }, 'takeoff "middle"'],
    [
      'bank.sizeByHand',
      { dailyWh: 7000, days: 3, depth: 0.5, batteryC: 10, chemistry: 'agm', systemV: 48, unitV: 7, unitAh: 420 },
      'does not divide',
    ],
    ['inverter.legs', { loads: [{ watts: 100, leg: 'D' }] }, 'loads.0.leg "D"'],
    ['inverter.legs', { loads: [{ watts: 100, leg: 'C' }] }, 'loads.0.leg "C" is not on a split-phase service'],
    ['inverter.legs', { loads: [{ watts: 1, leg: 'AB' }], service: 'single-230' }, 'loads.0.leg "AB" is not on a'],
    ['loads.dailyEnergy', { load: { ...fan, runningW: '20' }, month: 1 }, 'load.runningW "20"'],
    ['loads.dailyEnergy', { load: { ...fan, seasonShare: [1, 2] }, month: 1 }, 'load.seasonShare [1,2]'],
    ['loads.dailyEnergy', { load: { ...fan, basis: 'metered', meteredKWh: null }, month: 1 }, 'meteredKWh is missing'],
    ['array.layouts', { ...EXAMPLES.get('array.layouts'), controller: {} }, 'controller.maxInputV is missing'],
    ['array.mismatch', { strings: [{ inSeries: 2 }] }, 'strings.0.module is missing'],
    ['sun.position', { ...place, at: 5 }, 'at 5 is not allowed; text'],
    ['wiring.drop', { size: 6, oneWayM: 1, amps: 1, volts: 12 }, 'size 6 is not allowed'],
    ['wiring.drop', { size: '7 AWG', oneWayM: 1, amps: 1, volts: 12 }, 'size "7 AWG"'],
    ['weather.clearnessDistribution', { meanClearness: 0.9 }, 'meanClearness 0.9'],
  ])('%s with %j names %s', (name, input, message) => {
    expect(() => calculate(name, input)).toThrow(message)
  })
})

const NONSENSE = [undefined, null, 'x', '', NaN, 1e300, -1e300, -1, 0, {}, [], true, [null], 1e9]
type Path = (string | number)[]

/** Every place of a call: its fields, what they hold, and the first of each list. */
function* placesOf(value: unknown, path: Path = []): Generator<Path> {
  if (typeof value !== 'object' || value === null) return
  for (const key of Array.isArray(value) ? [0] : Object.keys(value)) {
    yield [...path, key]
    yield* placesOf((value as Record<string | number, unknown>)[key], [...path, key])
  }
}

function put(call: Record<string, unknown>, path: Path, value: unknown): void {
  const holder = path.slice(0, -1).reduce<Record<string, unknown>>((at, key) => at[key] as never, call)
  holder[path[path.length - 1]] = value
}

/** Whether an answer holds no number that is none. */
function allNumbers(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value)
  return typeof value === 'object' && value !== null ? Object.values(value).every(allNumbers) : value !== undefined
}
