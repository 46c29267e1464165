import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import { ampacity, deviceFor, deviceLimit, drop } from './conductors.ts'
import { said } from '../units/words.ts'
import { cableName, sizeFor, workedRuns } from './runs.ts'

describe('conductors', () => {
  it('6 AWG, 140 ft one way, 18.5 A at 118 V drops 2.543 V, 2.16 %', () => {
    const result = drop({ size: '6 AWG', oneWayM: 140 * 0.3048, amps: 18.5, volts: 118 })
    expect(result.dropV).toBeCloseTo(2.543, 3)
    expect(result.dropPct).toBeCloseTo(2.16, 2)
  })

  // NEC 310.16 with √((Tc − Ta)/(Tc − 30)); 75 °C terminals cap 90 °C insulation
  it.each([
    ['6 AWG', 75, 30, 3, 65],
    ['6 AWG', 90, 30, 3, 65],
    ['6 AWG', 90, 50, 3, 75 * Math.sqrt(40 / 60)],
    ['10 AWG', 90, 30, 6, 32],
    ['16 mm2', 75, 30, 2, 76],
  ] as const)('%s, %s °C insulation at %s °C, %s conductors: %s A', (size, insulation, ambient, conductors, amps) => {
    expect(ampacity(size, { insulationC: insulation, ambientC: ambient, conductors })).toBeCloseTo(amps, 9)
  })

  it.each([
    [31, 35],
    [100, 100],
    [401, null],
  ])('%s A takes a %s A device', (amps, device) => {
    expect(deviceFor(amps)).toBe(device)
  })

  it('names the sizes where one is unknown', () => {
    expect(() => drop({ size: '7 AWG', oneWayM: 1, amps: 1, volts: 12 })).toThrow('size "7 AWG" is not one of 14 AWG')
  })
})

describe('runs of a design', () => {
  it('are sound once sized, where a size exists', () => {
    const design = larkspurBench()
    design.runs = design.runs.map((run) => ({ ...run, ...sizeFor(design, run) }))
    for (const worked of workedRuns(design)) expect(worked.sound, worked.run.name).toBe(true)
  })

  it('reckon the inverter cable at the low voltage of the bank', () => {
    const run = workedRuns(larkspurBench()).find((worked) => worked.run.circuit === 'bank-inverter')!
    expect(run.workingA).toBeCloseTo(6000 / (0.9 * 44), 6)
  })
})

describe('protection of a run', () => {
  // NEC 240.4(D): 14, 12 and 10 AWG take no more than 15, 20 and 30 A
  it.each([
    ['14 AWG', 20, 15],
    ['12 AWG', 25, 20],
    ['10 AWG', 35, 30],
    ['8 AWG', 50, 50],
    ['16 mm2', 76, 76],
  ])('%s of %s A may be protected with %s A', (size, ampacityA, limit) => {
    expect(deviceLimit(size, ampacityA)).toBe(limit)
  })

  it('a suggested cable is never thinner than its device', () => {
    for (const ratedW of [1200, 3000, 6000, 12000]) {
      const design = larkspurBench()
      design.inverter.part.ratedW = ratedW
      for (const run of design.runs) {
        const sized = { ...run, ...sizeFor(design, run) }
        const [worked] = workedRuns({ ...design, runs: [sized] })
        expect(worked.deviceA!).toBeLessThanOrEqual(deviceLimit(sized.size, worked.ampacityA))
      }
    }
  })

  it('goes to parallel cables only from the size the code allows', () => {
    const design = larkspurBench()
    design.bank.systemV = 24
    design.inverter.part = { ...design.inverter.part, ratedW: 6000, lowCutV: 22, bankV: 24 }
    const run = design.runs.find(({ circuit }) => circuit === 'bank-inverter')!
    const sized = sizeFor(design, run)
    expect(sized.parallel).toBe(2)
    expect(sized.size).toMatch(/\/0 AWG$/)
    expect(said(cableName(sized), 'imperial')).toMatch(/^2 × \d\/0 AWG$/)
  })

  it('a current beyond every standard device is not sound', () => {
    const design = larkspurBench()
    design.inverter.part.ratedW *= 3
    const worked = workedRuns(design).find(({ run }) => run.circuit === 'bank-inverter')!
    expect(worked.deviceA).toBeNull()
    expect(worked.sound).toBe(false)
  })
})
