import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { coldFactor, freezingPointC } from './chemistry.ts'
import { currentShares } from './currentShares.ts'
import { larkspurBench, larkspurFlooded } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { bankKinetic, fitKinetic, kineticCapacity, kineticStep } from './kinetic.ts'
import { classVoltage, seriesFor } from './layout.ts'
import { sizeByHand } from './sizeByHand.ts'
import { restedVoltage, sag } from './voltage.ts'

describe('kinetic model', () => {
  const rates = [
    { hours: 5, ampHours: 172 },
    { hours: 10, ampHours: 199 },
    { hours: 20, ampHours: 225 },
    { hours: 100, ampHours: 250 },
  ]
  const fit = fitKinetic(rates)

  it('fits a 225 Ah unit to its four rated capacities', () => {
    expect(fit.qmaxAh).toBeCloseTo(257.9, 0)
    expect(fit.c).toBeCloseTo(0.484, 2)
    expect(fit.kPerH).toBeCloseTo(0.355, 2)
    expect(fit.worstResidual).toBeLessThan(0.005)
  })

  it.each([
    ['lithium', larkspurBench],
    ['lead', larkspurFlooded],
  ])('a %s bank of three strings holds three times one, a tired string less, at the same rates', (_, make) => {
    const bank = (inParallel: number, weak: Design['bank']['weak'] = []) => {
      const design = make()
      Object.assign(design.bank, { inParallel, weak, order: [] })
      return bankKinetic(design)
    }
    const one = bank(1)
    expect(one.qmaxAh).toBeGreaterThanOrEqual(Math.max(...make().bank.part.capacities.map((rate) => rate.ampHours)))
    expect(bank(3)).toEqual({ qmaxAh: expect.closeTo(3 * one.qmaxAh, 9), c: one.c, kPerH: one.kPerH })
    const tired = [{ unit: 1, capacityShare: 0.4, resistanceFactor: 1 }]
    expect(bank(3, tired).qmaxAh).toBeCloseTo(2.4 * one.qmaxAh, 9)
  })

  it('one rate means no rate effect', () => {
    expect(fitKinetic([{ hours: 20, ampHours: 100 }])).toMatchObject({ qmaxAh: 100, c: 1 })
  })

  it('a constant current empties a full battery in the hours its capacity says', () => {
    for (const hours of [2, 5, 20, 72]) {
      const current = kineticCapacity(fit, hours) / hours
      const full = { availableAh: fit.c * fit.qmaxAh, boundAh: (1 - fit.c) * fit.qmaxAh }
      expect(kineticStep(fit, full, current, hours).availableAh).toBeCloseTo(0, 6)
      expect(kineticStep(fit, full, 0, hours).maxDischargeA).toBeCloseTo(current, 6)
    }
  })

  it('keeps charge: what leaves is the current times the time, and two half steps are one step', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        (level, current) => {
          const state = { availableAh: level * fit.c * fit.qmaxAh, boundAh: level * (1 - fit.c) * fit.qmaxAh }
          const once = kineticStep(fit, state, current, 1)
          const half = kineticStep(fit, state, current, 0.5)
          const twice = kineticStep(fit, half, current, 0.5)
          expect(once.availableAh + once.boundAh).toBeCloseTo(state.availableAh + state.boundAh - current, 9)
          expect(twice.availableAh).toBeCloseTo(once.availableAh, 9)
        },
      ),
    )
  })
})

describe('current shares of parallel strings', () => {
  it.each([
    [[12, 12, 12], 'one-end', [38.42, 32.26, 29.33]],
    [[12, 12, 12], 'opposite-corners', [33.87, 32.26, 33.87]],
    [[12, 12, 12, 12], 'one-end', [32.62, 25.88, 21.74, 19.76]],
    [[12, 12, 12], 'equal-leads', [33.33, 33.33, 33.33]],
  ] as const)('%s mΩ, %s', (strings, takeoff, expected) => {
    currentShares(strings, 0.6, takeoff).forEach((share, i) => expect(share).toBeCloseTo(expected[i], 1.9))
  })

  it('each string carries two leads of its own to the bars', () => {
    // 8.6, 12.6 and 8.6 mΩ side by side
    currentShares([7, 11, 7], 0.8, 'equal-leads').forEach((share, i) =>
      expect(share).toBeCloseTo([37.28, 25.44, 37.28][i], 2),
    )
    const by = (link: number) => currentShares([7, 11, 7], link, 'equal-leads')[1]
    expect(by(5)).toBeGreaterThan(by(0.8))
  })

  it('sum to 100 % and a stiffer link never makes one end fairer', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 1, max: 50, noNaN: true }), { minLength: 1, maxLength: 6 }), (strings) => {
        for (const takeoff of ['one-end', 'opposite-corners', 'equal-leads'] as const)
          expect(currentShares(strings, 0.7, takeoff).reduce((a, b) => a + b, 0)).toBeCloseTo(100, 8)
      }),
    )
    let last = 0
    for (const link of [0, 0.2, 0.6, 1, 3]) {
      const shares = currentShares([12, 12, 12], link, 'one-end')
      const spread = Math.max(...shares) - Math.min(...shares)
      expect(spread).toBeGreaterThanOrEqual(last)
      last = spread
    }
  })
})

describe('cold', () => {
  // IEEE 1013 multipliers, inverted
  it.each([
    ['flooded', 26.7, 1],
    ['flooded', 10, 1 / 1.19],
    ['agm', -6.7, 1 / 1.59],
    ['lfp', 0, 0.92],
    ['lfp', -15, 0.76],
    ['lfp', 40, 1],
  ] as const)('%s at %s °C gives %s of its capacity', (chemistry, celsius, factor) => {
    expect(coldFactor(chemistry, celsius)).toBeCloseTo(factor, 6)
  })

  it('a colder bank never gives more', () => {
    for (const chemistry of ['lfp', 'flooded', 'agm', 'gel'] as const)
      for (let celsius = -60; celsius < 50; celsius++)
        expect(coldFactor(chemistry, celsius)).toBeLessThanOrEqual(coldFactor(chemistry, celsius + 1))
  })

  it.each([
    [0.5, -25.2],
    [0, -10.8],
  ])('electrolyte at %s freezes at %s °C', (charge, celsius) => {
    expect(freezingPointC(charge)).toBeCloseTo(celsius, 1)
  })
})

describe('voltage', () => {
  it('sags under constant power as the quadratic says', () => {
    expect(sag(51.8, 0.021, 7800).volts).toBeCloseTo(48.417, 3)
    expect(sag(24, 0.1, 5000)).toEqual({ carries: false, volts: null })
  })

  it('rises with charge', () => {
    for (const chemistry of ['lfp', 'flooded', 'agm', 'gel'] as const)
      for (let charge = 0; charge < 1; charge += 0.05)
        expect(restedVoltage(chemistry, 48, charge + 0.05)).toBeGreaterThan(restedVoltage(chemistry, 48, charge))
  })
})

describe('hand method', () => {
  it('needs daily × days ÷ depth ÷ cold', () => {
    // 7 kWh a day, 3 days, 50 %, 10 °C: 7000·3/0.5·1.19 = 49 980 Wh; ÷ 48 V = 1041.25 Ah; ÷ 420 Ah → 3 strings of 8
    expect(
      sizeByHand({
        dailyWh: 7000,
        days: 3,
        depth: 0.5,
        batteryC: 10,
        chemistry: 'flooded',
        systemV: 48,
        unitV: 6,
        unitAh: 420,
      }),
    ).toEqual({ needWh: 49980, needAh: 1041.25, inSeries: 8, inParallel: 3 })
  })

  it.each([
    [51.2, 48],
    [25.6, 24],
    [12.8, 12],
    [3.2, 3],
  ])('an LFP unit of %s V is of the %s V class', (nominalV, volts) => {
    expect(classVoltage({ chemistry: 'lfp', nominalV })).toBe(volts)
  })

  it('refuses a unit that does not divide the bank', () => {
    expect(() => seriesFor(24, { chemistry: 'lfp', nominalV: 51.2 })).toThrow('does not divide the 24 V bank')
    expect(() => seriesFor(48, { chemistry: 'agm', nominalV: 7 })).toThrow(RangeError)
  })
})
