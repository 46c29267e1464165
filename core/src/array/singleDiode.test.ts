import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { moduleParts } from '../parts/shelf.ts'
import { curvePoints, mismatch } from './mismatch.ts'
import { atConditions, currentAt, fitSingleDiode, openCircuitV, powerPoint, type ModuleSheet } from './singleDiode.ts'

const [mono, , large, small, poly] = moduleParts

describe('five parameters of a data sheet', () => {
  it.each(moduleParts.map((module) => [module.name, module] as const))(
    '%s: its three points within 0.5 %%',
    (_, module) => {
      const fit = fitSingleDiode(module)
      expect(Math.abs(currentAt(fit, 0) / module.iscA - 1)).toBeLessThan(0.005)
      expect(Math.abs(openCircuitV(fit) / module.vocV - 1)).toBeLessThan(0.005)
      const best = powerPoint((volts) => currentAt(fit, volts), module.vocV)
      expect(Math.abs(best.volts / module.vmpV - 1)).toBeLessThan(0.005)
      expect(Math.abs(best.amps / module.impA - 1)).toBeLessThan(0.005)
      expect(fit.seriesOhm).toBeGreaterThan(0)
      expect(fit.shuntOhm).toBeGreaterThan(0)
    },
  )

  it.each(moduleParts.map((module) => [module.name, module] as const))(
    '%s: its voltage falls with heat as β says',
    (_, module) => {
      const hot = openCircuitV(atConditions(fitSingleDiode(module), module, 1000, 45))
      expect(Math.abs((hot / module.vocV - 1) / 20 - module.betaVocPctPerK / 100)).toBeLessThan(1.5e-4)
    },
  )

  it('meets the three points of any module a document takes', () => {
    fc.assert(
      fc.property(
        fc.record({
          cells: fc.integer({ min: 1, max: 150 }),
          cellV: fc.double({ min: 0.25, max: 2, noNaN: true }),
          iscA: fc.double({ min: 0.1, max: 60, noNaN: true }),
          vmpShare: fc.double({ min: 0.6, max: 0.88, noNaN: true }),
          impShare: fc.double({ min: 0.7, max: 0.995, noNaN: true }),
          betaVocPctPerK: fc.double({ min: -1, max: -0.01, noNaN: true }),
        }),
        ({ cells, cellV, iscA, vmpShare, impShare, betaVocPctPerK }) => {
          const vocV = cells * cellV
          const sheet = {
            vocV,
            iscA,
            vmpV: vocV * vmpShare,
            impA: iscA * impShare,
            cells,
            betaVocPctPerK,
            alphaIscPctPerK: 0.05,
          }
          const fit = fitSingleDiode(sheet)
          expect(Math.abs(currentAt(fit, 0) / iscA - 1)).toBeLessThan(0.005)
          expect(Math.abs(currentAt(fit, sheet.vmpV) / sheet.impA - 1)).toBeLessThan(0.005)
          expect(Math.abs(currentAt(fit, vocV)) / iscA).toBeLessThan(0.005)
        },
      ),
      { numRuns: 300 },
    )
  })

  it('the current falls as the voltage rises, at any light and heat', () => {
    const fit = fitSingleDiode(mono)
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 1200, noNaN: true }),
        fc.double({ min: -40, max: 80, noNaN: true }),
        (light, cellC) => {
          const at = atConditions(fit, mono, light, cellC)
          const open = openCircuitV(at)
          let last = Infinity
          for (let i = 0; i <= 20; i++) {
            const amps = currentAt(at, (open * i) / 20)
            expect(amps).toBeLessThanOrEqual(last + 1e-9)
            last = amps
          }
          expect(Math.abs(last)).toBeLessThan(1e-6)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('a fifth of the light gives about a fifth of the current and a little less voltage', () => {
    const fit = fitSingleDiode(mono)
    const dull = atConditions(fit, mono, 200, 25)
    expect(currentAt(dull, 0) / mono.iscA).toBeCloseTo(0.2, 2)
    expect(openCircuitV(dull)).toBeGreaterThan(0.9 * mono.vocV)
    expect(openCircuitV(dull)).toBeLessThan(mono.vocV)
  })

  it.each<[Partial<ModuleSheet>, string]>([
    [{ vmpV: 38 }, 'vmpV 38 must lie below vocV'],
    [{ impA: 14 }, 'impA 14 must lie below iscA'],
    [{ betaVocPctPerK: 0.26 }, 'betaVocPctPerK 0.26 must be below 0'],
    [{ vocV: 0 }, 'vocV 0 must be above 0'],
  ])('%j is refused', (change, says) => {
    expect(() => fitSingleDiode({ ...mono, ...change })).toThrow(says)
  })
})

describe('mismatch', () => {
  it('identical modules lose nothing, however they are put in series and parallel', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...moduleParts),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 6 }),
        fc.double({ min: 50, max: 1100, noNaN: true }),
        fc.double({ min: -30, max: 70, noNaN: true }),
        (module, inSeries, strings, light, cellC) => {
          const list = Array.from({ length: strings }, () => ({ module, inSeries }))
          const { combined, separateW, lossFraction } = mismatch(list, light, cellC)
          expect(lossFraction).toBeLessThan(1e-6)
          expect(combined.watts).toBeCloseTo(separateW, 4)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('is never negative and never all, for any two kinds', () => {
    const kind = fc.record({ module: fc.constantFrom(...moduleParts), inSeries: fc.integer({ min: 1, max: 8 }) })
    fc.assert(
      fc.property(fc.array(kind, { minLength: 2, maxLength: 3 }), fc.constantFrom(1000, 200), (strings, light) => {
        const { lossFraction, combined } = mismatch(strings, light, 25)
        expect(lossFraction).toBeGreaterThanOrEqual(0)
        expect(lossFraction).toBeLessThan(1)
        expect(combined.watts).toBeGreaterThan(0)
      }),
      { numRuns: 60 },
    )
  })

  it('strings of unlike voltage lose much, of unlike current hardly anything', () => {
    const volts = mismatch(
      [
        { module: poly, inSeries: 3 },
        { module: poly, inSeries: 4 },
      ],
      1000,
      25,
    )
    const amps = mismatch(
      [
        { module: small, inSeries: 3 },
        { module: { ...small, iscA: 9, impA: 8.6 }, inSeries: 3 },
      ],
      1000,
      25,
    )
    expect(volts.lossFraction).toBeGreaterThan(0.05)
    expect(amps.lossFraction).toBeLessThan(0.01)
  })

  it('counts of a kind are the same as the kind named so often', () => {
    const counted = mismatch(
      [
        { module: mono, inSeries: 2, count: 3 },
        { module: large, inSeries: 2 },
      ],
      1000,
      45,
    )
    const named = mismatch(
      [...Array.from({ length: 3 }, () => ({ module: mono, inSeries: 2 })), { module: large, inSeries: 2 }],
      1000,
      45,
    )
    expect(counted.lossFraction).toBeCloseTo(named.lossFraction, 9)
  })

  it('the drawn curve adds up and ends at the highest open-circuit voltage', () => {
    const { volts, combinedA, eachA } = curvePoints(
      [
        { module: mono, inSeries: 2 },
        { module: poly, inSeries: 2 },
      ],
      1000,
      25,
    )
    expect(volts.at(-1)).toBeCloseTo(Math.max(2 * mono.vocV, 2 * poly.vocV), 3)
    expect(combinedA[0]).toBeCloseTo(eachA[0][0] + eachA[1][0], 9)
  })
})
