import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import { BankWarmth } from './bankWarmth.ts'
import { runYear } from './loop.ts'
import { runPlan } from './plan.ts'
import { flatYear } from './testDesigns.ts'
import { emptyTrace } from './year.ts'

describe('the warmth of a heated bank', () => {
  const bank = { heaterW: 100, heatWhPerK: 50, coolsInH: 10 }

  it('by hand: an hour of 100 W warms 50 Wh/K by a little less than 2 K', () => {
    const warmth = new BankWarmth(bank)
    expect(warmth.heat(0, 1, 20)).toBe(100)
    expect(warmth.at(1)).toBeCloseTo(20 * (1 - Math.exp(-0.1)), 12)
    expect(warmth.at(11)).toBeCloseTo(20 * (1 - Math.exp(-0.1)) * Math.exp(-1), 12)
  })

  it('quarters of an hour come to the same as hours', () => {
    const hours = new BankWarmth(bank)
    const quarters = new BankWarmth(bank)
    for (let i = 0; i < 6; i++) hours.heat(i, 1, 30)
    for (let i = 0; i < 24; i++) quarters.heat(i / 4, 0.25, 30)
    expect(quarters.at(6)).toBeCloseTo(hours.at(6), 9)
  })

  it('is held a little above what it must be, with what it loses and no more', () => {
    const warmth = new BankWarmth(bank)
    let watts = 0
    for (let i = 0; i < 200; i++) watts = warmth.heat(i, 1, 5)
    expect(warmth.at(200)).toBeCloseTo(8, 6)
    expect(watts).toBeCloseTo((8 * 50) / 10, 6)
  })
})

describe('the run with heaters', () => {
  const year = (heaterW: number, weightKg: number) => {
    const design = larkspurBench()
    design.generator.present = false
    design.place.batteryRoom.kind = 'unheated'
    Object.assign(design.bank.part, { heaterW, weightKg, minChargeC: 0 })
    const day = Array.from({ length: 24 }, (_, hour) => (hour >= 8 && hour < 16 ? 1500 : 0))
    const trace = emptyTrace()
    return { result: runYear(runPlan(design), flatYear(day, -6), { trace }), trace }
  }

  it('charges some hours after the sun is there, the later the heavier the bank', () => {
    const first = (weightKg: number) => {
      const { trace } = year(60, weightKg)
      const from = 5 * 24
      return Array.from({ length: 24 }, (_, hour) => hour).find((hour) => trace.bankW[from + hour] > 10)!
    }
    expect(first(10)).toBeGreaterThan(8)
    expect(first(45)).toBeGreaterThan(first(10))
    expect(first(45)).toBeLessThan(16)
  })

  it('a heater too weak for the cold never unlocks it; none is locked all day', () => {
    expect(year(0, 45).result.servedWh).toBeLessThan(year(60, 45).result.servedWh)
    const weak = year(2, 45)
    expect(Math.max(...weak.trace.bankW)).toBeLessThanOrEqual(0)
    expect(weak.result.coldLockHours).toBeGreaterThan(2000)
    expect(year(60, 45).result.coldLockHours).toBeLessThan(weak.result.coldLockHours)
    expect(year(60, 45).result.residualRelative).toBeLessThan(1e-9)
  })
})
