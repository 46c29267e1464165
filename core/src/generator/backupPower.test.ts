import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { larkspurBench, larkspurFlooded } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { suggestGenerator } from '../suggest/generator.ts'
import { backupPower, economicalChargeA } from './backup.ts'

const withGenerator = (change: Partial<Design['generator']>): Design => {
  const design = larkspurBench()
  return { ...design, generator: { ...design.generator, ...change } }
}

describe('what a backup gives', () => {
  it('a set: de-rated, and no more of it than is planned on', () => {
    // 7000 × 0.9 for propane × (1 − 3.5 % × 790/300) at 940 m, 80 % of it planned
    const { realW, acW, passesHouse } = backupPower(larkspurBench())
    expect(realW).toBeCloseTo(7000 * 0.9 * (1 - (0.035 * 790) / 300), 6)
    expect(acW).toBeCloseTo(0.8 * realW, 9)
    expect(passesHouse).toBe(true)
  })

  it('shore: amps × volts, no fuel', () => {
    expect(backupPower(withGenerator({ kind: 'shore', cordA: 15, cordV: 120 }))).toMatchObject({
      realW: 1800,
      acW: 1800,
      litresPerWh: 0,
      idleLPerH: 0,
    })
  })

  it('a vehicle: direct current, fuel by the hour, nothing for the house', () => {
    expect(backupPower(withGenerator({ kind: 'vehicle', vehicleA: 40, vehicleLPerH: 1.3 }))).toMatchObject({
      acW: 0,
      chargeA: 40,
      idleLPerH: 1.3,
      passesHouse: false,
    })
  })

  it('the charger: of its own, or turned down', () => {
    expect(backupPower(withGenerator({ charger: 'separate', separateChargerA: 25 })).chargeA).toBe(25)
    expect(backupPower(withGenerator({ chargeLimitA: 33 })).chargeA).toBe(33)
    expect(backupPower(withGenerator({ chargeLimitA: 500 })).chargeA).toBe(90)
  })

  it('the setting for seventy per cent, by hand: real power × 0.7 × 0.9 ÷ 51.2 V', () => {
    const { realW } = backupPower(larkspurBench())
    expect(economicalChargeA(larkspurBench())).toBeCloseTo((realW * 0.7 * 0.9) / 51.2, 9)
    // a small charger on a big set is all that can be had
    expect(economicalChargeA(withGenerator({ charger: 'separate', separateChargerA: 10 }))).toBe(10)
  })

  it('set to it, the load while charging is seventy per cent', () => {
    const amps = economicalChargeA(larkspurBench())
    const { worked } = derive(withGenerator({ chargeLimitA: amps }))
    expect(worked['generator.load-share'].value).toBeCloseTo(0.7, 9)
  })

  it.each([
    ['shore', { kind: 'shore' as const }, ['generator.power', 'generator.load-share'], ['generator.fuel-hour']],
    ['a vehicle', { kind: 'vehicle' as const }, ['generator.fuel-hour'], ['generator.load-share']],
    ['none', { present: false }, [], ['generator.power', 'generator.refill-hours']],
  ])('%s has the sheets that mean something for it', (_, change, there, not) => {
    const { worked } = derive(withGenerator(change))
    for (const id of there) expect(worked[id], id).toBeDefined()
    for (const id of not) expect(worked[id], id).toBeUndefined()
  })
})

describe('suggested', () => {
  it.each([
    ['lithium', larkspurBench],
    ['flooded', larkspurFlooded],
  ])('a set for %s is worked economically and within what the bank takes', (_, make) => {
    const { design, reasons } = suggestGenerator(make())
    expect(derive(design).worked['generator.load-share'].value).toBeLessThanOrEqual(0.71)
    expect(backupPower(design).chargeA).toBeLessThanOrEqual(design.bank.part.maxChargeA * design.bank.inParallel)
    expect(design.generator.equaliseEveryDays).toBe(design.bank.part.chemistry === 'flooded' ? 90 : null)
    expect(reasons).toHaveLength(3)
  })
})
