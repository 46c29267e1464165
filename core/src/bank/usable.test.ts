import { describe, expect, it } from 'vitest'
import { larkspurBench, larkspurFlooded } from '../design/samples.ts'
import { coldFactor } from './chemistry.ts'
import { bankOhm, bankRatedAh } from './layout.ts'
import { floorStateOfCharge, hoursToCutOut, kneeOf, loadedBankV, usableShare, warmEquivalent } from './usable.ts'
import { restedBankV } from './voltage.ts'

describe('what a cold bank can give', () => {
  // floor = 1 − f·(1 − cut-out), f the inverse of the sizing multipliers: 1.40 at −1.1 °C, 1.59 at −6.7 °C
  it.each([
    ['flooded', 26.7, 0.2, 0.2],
    ['flooded', -1.1, 0.2, 1 - 0.8 / 1.4],
    ['agm', -6.7, 0.2, 1 - 0.8 / 1.59],
    ['flooded', -1.1, 0.5, 1 - 0.5 / 1.4],
    ['lfp', -10, 0.1, 1 - 0.82 * 0.9],
    ['lfp', 25, 0.1, 0.1],
  ] as const)('%s at %s °C, cut out at %s, lets go at %s', (chemistry, batteryC, cutoff, floor) => {
    expect(floorStateOfCharge(chemistry, batteryC, cutoff)).toBeCloseTo(floor, 9)
    expect(usableShare(chemistry, batteryC, cutoff, 1)).toBe(1)
    expect(usableShare(chemistry, batteryC, cutoff, floor)).toBeCloseTo(0, 9)
    expect(usableShare(chemistry, batteryC, cutoff, floor / 2)).toBe(0)
    expect(usableShare(chemistry, batteryC, cutoff, (1 + floor) / 2)).toBeCloseTo(0.5, 9)
    // where it lets go it has as much left as the warm bank at its cut-out
    expect(warmEquivalent(floor, coldFactor(chemistry, batteryC))).toBeCloseTo(cutoff, 9)
  })

  it('refuses what is no share', () => {
    expect(() => floorStateOfCharge('lfp', 0, 1.2)).toThrow('cutoff 1.2')
    expect(() => usableShare('lfp', 0, 0.1, -0.1)).toThrow('stateOfCharge -0.1')
  })
})

describe('its volts under load', () => {
  const { bank, inverter } = larkspurFlooded()
  const { lowCutV } = inverter.part
  const { cutoffStateOfCharge: cutoff } = bank

  it('are those at rest while there is much left, and the low cut-out when nothing is', () => {
    for (const charge of [1, 0.8, 0.5, kneeOf(cutoff)])
      expect(loadedBankV(bank, lowCutV, charge)).toBeCloseTo(restedBankV(bank, charge), 9)
    expect(loadedBankV(bank, lowCutV, cutoff)).toBeCloseTo(lowCutV, 9)
    expect(loadedBankV(bank, lowCutV, 0)).toBeCloseTo(lowCutV, 9)
  })

  it('never rise as it empties', () => {
    for (const { bank: each, inverter: at } of [larkspurBench(), larkspurFlooded()])
      for (let i = 0; i < 200; i++)
        expect(loadedBankV(each, at.part.lowCutV, i / 200)).toBeLessThanOrEqual(
          loadedBankV(each, at.part.lowCutV, (i + 1) / 200) + 1e-12,
        )
  })

  it('take as long from a level to the cut-out as what lies between gives', () => {
    const loadA = 20
    const batteryC = -20
    const cold = coldFactor('flooded', batteryC)
    const drop = (loadA * bankOhm(bank)) / cold
    const at = (charge: number) => loadedBankV(bank, lowCutV, charge) - drop
    // the cut-out itself is reached a little above the cut-out charge, where the drop brings it down
    const hours = hoursToCutOut(bank, lowCutV, batteryC, loadA, at(0.6))
    const span = 0.6 - cutoff
    expect(hours).toBeLessThan((span * cold * bankRatedAh(bank)) / loadA)
    expect(hours).toBeGreaterThan((0.97 * span * cold * bankRatedAh(bank)) / loadA)
    expect(hoursToCutOut(bank, lowCutV, batteryC, loadA, lowCutV)).toBeCloseTo(0, 9)
    expect(hoursToCutOut(bank, lowCutV, batteryC, 2 * loadA, at(0.6) - drop)).toBeLessThan(hours)
    expect(() => hoursToCutOut(bank, lowCutV, batteryC, 0, 48)).toThrow('loadA 0')
  })
})
