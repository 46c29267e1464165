import { describe, expect, it } from 'vitest'
import { controllerParts, partById, moduleParts } from '../parts/shelf.ts'
import { layouts } from './layouts.ts'
import { modulePower, moduleTemperature } from './power.ts'
import { codeTableFactor, coldVoltage, hotVoltage } from './voltage.ts'

describe('cold voltage of a string', () => {
  const string = { inSeries: 9, vocV: 49.8, betaVocPctPerK: -0.26, coldestC: -31 }
  it.each([
    ['coefficient', 513.5],
    ['code-table', 9 * 49.8 * 1.23],
    ['flat', 9 * 49.8 * 1.25],
  ] as const)('by %s is %s V', (method, volts) => {
    expect(coldVoltage({ ...string, method })).toBeCloseTo(volts, 1)
  })

  // NEC table 690.7(A)
  it.each([
    [24, 1.02],
    [20, 1.02],
    [19.9, 1.04],
    [4, 1.1],
    [0, 1.1],
    [-16, 1.18],
    [-20, 1.18],
    [-21, 1.2],
    [-36, 1.25],
    [-40, 1.25],
    [-55, 1.25],
  ])('the table at %s °C is %s', (celsius, factor) => {
    expect(codeTableFactor(celsius)).toBe(factor)
  })

  it.each([
    [{ inSeries: 0 }, 'inSeries 0'],
    [{ inSeries: 2.5 }, 'inSeries 2.5'],
    [{ vocV: -3 }, 'vocV -3'],
    [{ betaVocPctPerK: 0.3 }, 'betaVocPctPerK 0.3'],
  ])('refuses %j', (change, message) => {
    expect(() => coldVoltage({ ...string, ...change })).toThrow(message)
  })

  it('hot: 7 × 31 V at −0.34 %/K and 70 °C', () => {
    expect(hotVoltage({ inSeries: 7, vmpV: 31, betaVmpPctPerK: -0.34, hottestCellC: 70 })).toBeCloseTo(183.8, 1)
  })
})

describe('module', () => {
  it('runs G/(25 + 6.84·wind) hotter than the air on an open rack', () => {
    expect(moduleTemperature(1000, 20, 1, 'open-rack')).toBeCloseTo(20 + 1000 / 31.84, 9)
    expect(moduleTemperature(1000, 20, 1, 'roof-parallel')).toBeCloseTo(20 + 1000 / 23, 9)
  })

  it('gives its rating at standard conditions and loses γ per kelvin', () => {
    expect(modulePower(415, 1000, 25, -0.34)).toBe(415)
    expect(modulePower(415, 500, 45, -0.34)).toBeCloseTo(207.5 * 0.932, 9)
  })
})

describe('legal layouts', () => {
  const module = moduleParts[0]
  const usual = { coldestC: -34, hottestCellC: 74 }
  it('never break a limit of the controller', () => {
    for (const controller of controllerParts) {
      const list = layouts({ module, controller, coldestC: -34, hottestCellC: 74, chargeV: 57.6, maxModules: 24 })
      for (const layout of list) {
        expect(layout.coldV).toBeLessThanOrEqual(controller.maxInputV)
        expect(layout.hotV).toBeGreaterThanOrEqual(controller.minTrackV)
        expect(layout.slots.reduce((sum, { strings }) => sum + strings, 0)).toBe(layout.inParallel)
        for (const { strings, tracker } of layout.slots) {
          expect(strings * module.iscA * 1.25).toBeLessThanOrEqual(controller.maxInputA + 1e-9)
          expect(tracker).toBeLessThanOrEqual(controller.trackers)
        }
      }
    }
  })

  it('reach one and a half times what the controllers pass, and no more', () => {
    // 56 A at 60 V pass 3360 W: twelve modules of 415 W make 1.48 of it, thirteen 1.61
    const controller = { ...partById(controllerParts, 'track-150-60'), maxInputV: 600, minTrackV: 20, maxTrackV: 550 }
    const wide = { ...controller, kind: 'tracker' as const, outputA: 56, outputAcW: null, maxInputA: 500 }
    const list = layouts({
      module: { ...module, ratedW: 415 },
      controller: wide,
      ...usual,
      chargeV: 60,
      maxModules: 40,
    })
    const most = list.filter(({ controllers }) => controllers === 1).map(({ watts }) => watts)
    expect(Math.max(...most)).toBe(12 * 415)
  })
})
