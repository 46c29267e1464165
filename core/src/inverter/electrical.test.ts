import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { larkspurBench } from '../design/samples.ts'
import { derate, fuelLitres, runningCost } from '../generator/power.ts'
import { inverterCurve, inverterInput, inverterOutput } from './efficiency.ts'
import { legs } from './legs.ts'

const points = { idleW: 40, ratedW: 6000, peakEfficiency: 0.945, peakAtFraction: 0.3, fullLoadEfficiency: 0.9 }

describe('inverter curve', () => {
  const curve = inverterCurve(points)
  it('meets its three points', () => {
    expect(inverterInput(curve, 0)).toBe(40)
    expect(1800 / inverterInput(curve, 1800)).toBeCloseTo(0.945, 12)
    expect(6000 / inverterInput(curve, 6000)).toBeCloseTo(0.9, 12)
  })

  it('its inverse undoes it', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 9000, noNaN: true }), (watts) => {
        expect(inverterOutput(curve, inverterInput(curve, watts))).toBeCloseTo(watts, 6)
      }),
    )
    expect(inverterOutput(curve, 39)).toBe(0)
  })

  it('names an efficiency that cannot be', () => {
    expect(() => inverterCurve({ ...points, peakEfficiency: 94 })).toThrow('peakEfficiency 94')
  })
})

describe('legs', () => {
  it('by hand: 1200 W on A, 300 W on B, 1100 W at 240 V', () => {
    expect(
      legs([
        { watts: 1200, leg: 'A' },
        { watts: 300, leg: 'B' },
        { watts: 1100, leg: 'AB' },
      ]),
    ).toEqual({ legAW: 1750, legBW: 850, legCW: 0, neutralA: 7.5 })
  })
})

describe('generator', () => {
  it.each([
    [7000, 0, 20, 'petrol', 7000],
    [7000, 1050, 25, 'petrol', 7000 * 0.895],
    [7000, 150, 36, 'propane', 7000 * 0.98 * 0.9],
  ] as const)('%s W at %s m, %s °C, %s → %s W', (rated, elevation, air, fuel, watts) => {
    expect(derate(rated, elevation, air, fuel)).toBeCloseTo(watts, 6)
  })

  it('a year costs its litres and an oil change every hundred hours begun', () => {
    const { generator: rules, grid } = larkspurBench()
    Object.assign(rules, { fuelPricePerL: 0.8, oilEveryH: 100 })
    const year = { fuelL: 250, generatorHours: 101, generatorWh: 400_000, gridWh: 0 }
    const idle = { fuelL: 0, generatorHours: 0, generatorWh: 0, gridWh: 0 }
    const shore = { ...rules, kind: 'shore' as const, pricePerKWh: 0.25 }
    expect(runningCost(year, { generator: rules, grid })).toEqual({ money: 200, oilChanges: 2 })
    expect(runningCost(idle, { generator: rules, grid })).toEqual({ money: 0, oilChanges: 0 })
    expect(runningCost(year, { generator: shore, grid })).toEqual({ money: 100, oilChanges: 0 })
    // energy of the grid comes on top, at its own price
    const metered = { ...grid, pricePerKWh: 0.3 }
    expect(runningCost({ ...year, gridWh: 1_000_000 }, { generator: rules, grid: metered }).money).toBe(500)
  })

  it('burns a straight line of fuel', () => {
    expect(fuelLitres(6000, 3000, 2, 'petrol')).toBeCloseTo((0.12 * 6 + 0.3 * 3) * 2, 12)
  })
})
