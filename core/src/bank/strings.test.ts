import { CHEMISTRIES } from './chemistry.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { copperDraw, larkspurBench } from '../design/samples.ts'
import { newBank } from '../design/defaults.ts'
import type { Bank } from '../document/types.ts'
import { derive } from '../derive/derive.ts'
import { WinterEngine } from '../winter/engine.ts'
import { advisedVoltage, chemistryChoices, handSchools, voltageChoices } from '../choices/bank.ts'
import { currentShares } from './currentShares.ts'
import { bankCables, bankShares, bankStrings, capacityLeft, stringsAtLimit, unitOrder } from './strings.ts'
import { said } from '../units/words.ts'

const flooded = (change: Partial<Bank> = {}): Bank => ({ ...newBank('flooded-6-225', 24, 3), ...change })

describe('strings of a bank', () => {
  it('units stand in order until they are moved, and an order that fits no longer is forgotten', () => {
    expect(unitOrder(flooded())).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12])
    const moved = [5, 2, 3, 4, 1, 6, 7, 8, 9, 10, 11, 12]
    expect(unitOrder(flooded({ order: moved }))).toEqual(moved)
    expect(unitOrder(flooded({ order: moved, inParallel: 2 }))).toEqual([1, 2, 3, 4, 5, 6, 7, 8])
    expect(unitOrder(flooded({ order: [1, 1] }))).toHaveLength(12)
  })

  it('a weak unit raises the resistance of its own string and lowers its capacity, wherever it is moved', () => {
    const weak = [{ unit: 6, capacityShare: 0.6, resistanceFactor: 2 }]
    const strings = bankStrings(flooded({ weak }))
    const plain = bankStrings(flooded())[0].milliohm
    expect(strings.map(({ capacityShare }) => capacityShare)).toEqual([1, 0.6, 1])
    expect(strings[1].milliohm).toBeCloseTo((plain * 5) / 4, 9)
    const order = [6, 2, 3, 4, 5, 1, 7, 8, 9, 10, 11, 12]
    expect(bankStrings(flooded({ weak, order }))[0].capacityShare).toBe(0.6)
    expect(capacityLeft(flooded({ weak }))).toBeCloseTo((1 + 0.6 + 1) / 3, 12)
  })

  it('two weak units in one string cost one string, in two strings two', () => {
    const weak = [1, 5].map((unit) => ({ unit, capacityShare: 0.5, resistanceFactor: 2 }))
    const together = [1, 5, 3, 4, 2, 6, 7, 8, 9, 10, 11, 12]
    expect(capacityLeft(flooded({ weak, order: together }))).toBeGreaterThan(capacityLeft(flooded({ weak })))
  })

  it('shares add up to 100 %, and a higher link resistance never evens them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 8 }),
        fc.constantFrom('one-end' as const, 'opposite-corners' as const, 'equal-leads' as const),
        fc.double({ min: 0.05, max: 5, noNaN: true }),
        (n, takeoff, link) => {
          const spread = (ohm: number) => {
            const shares = currentShares(Array<number>(n).fill(12), ohm, takeoff)
            expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(100, 6)
            return Math.max(...shares) - Math.min(...shares)
          }
          expect(spread(link * 1.5)).toBeGreaterThanOrEqual(spread(link) - 1e-9)
        },
      ),
    )
  })

  it('every loop of a ladder is in balance: strings and links of any resistance, as many as there may be', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.01, max: 200, noNaN: true }), { minLength: 2, maxLength: 64 }),
        fc.constantFrom('one-end' as const, 'opposite-corners' as const),
        fc.double({ min: 0.001, max: 50, noNaN: true }),
        (strings, takeoff, link) => {
          const shares = currentShares(strings, link, takeoff)
          const sum = (some: number[]) => some.reduce((a, b) => a + b, 0)
          expect(sum(shares)).toBeCloseTo(100, 6)
          for (let i = 0; i + 1 < strings.length; i++) {
            // each bar by itself: what its link passes from the strings on one side of it to the takeoff on the other
            const positive = link * sum(shares.slice(i + 1))
            const negative = takeoff === 'one-end' ? positive : -link * sum(shares.slice(0, i + 1))
            const round = strings[i] * shares[i] - strings[i + 1] * shares[i + 1] - positive - negative
            expect(Math.abs(round)).toBeLessThan(1e-6 * (strings[i] + strings[i + 1] + link) * 100)
          }
        },
      ),
    )
  })

  it('uneven shares lower what the bank may carry; even ones do not', () => {
    expect(stringsAtLimit(flooded({ takeoff: 'equal-leads' }))).toBeCloseTo(3, 9)
    expect(stringsAtLimit(flooded({ takeoff: 'one-end' }))).toBeLessThan(3)
    expect(bankShares(flooded({ takeoff: 'equal-leads' }))).toEqual([100 / 3, 100 / 3, 100 / 3])
  })

  it('its cables by hand: 3 strings of 4', () => {
    const list = (takeoff: Bank['takeoff'], stringFuses = false) =>
      bankCables(flooded({ takeoff, stringFuses })).map(({ quantity }) => quantity)
    expect(list('one-end')).toEqual([9, 4, 2])
    expect(list('equal-leads', true)).toEqual([9, 6, 2, 3])
  })

  it('a weak unit makes a run worse, never better', () => {
    const design = copperDraw()
    const low = (weak: Bank['weak']) =>
      new WinterEngine()
        .run({ ...design, bank: { ...design.bank, weak } }, { years: 3, seed: 7 })
        .reduce((sum, year) => sum + year.lowestStateOfCharge * capacityLeft({ ...design.bank, weak }), 0)
    expect(low([{ unit: 1, capacityShare: 0.3, resistanceFactor: 4 }])).toBeLessThan(low([]))
  })
})

describe('which voltage and chemistry', () => {
  const design = larkspurBench()
  const { worked, batteryC } = derive(design)
  const dailyWh = worked['loads.battery-day'].value

  // practice: over 3 kW at once or 4 kWh a day 48 V, else 24 V
  it.each([
    [2000, 3000, 24],
    [3001, 100, 48],
    [100, 4001, 48],
  ])('%s W at once and %s Wh a day: %s V', (peakW, dayWh, volts) => {
    expect(advisedVoltage(peakW, dayWh)).toBe(volts)
  })

  it('half the voltage is twice the current, and never thinner copper', () => {
    const [high, middle, low] = voltageChoices(design, { peakW: 1860, surgeW: 5700, dailyWh })
    expect(middle.fullLoadA).toBeCloseTo(2 * high.fullLoadA, 6)
    expect(low.surgeA).toBeCloseTo(4 * high.surgeA, 6)
    expect(high.controllerW).toBeCloseTo(60 * 57.6, 6)
    expect([high.advised, middle.advised, low.advised]).toEqual([true, false, false])
    expect(high.cable).not.toBe(middle.cable)
  })

  it('every chemistry meets the days asked for, in whole strings', () => {
    const choices = chemistryChoices(design, dailyWh, batteryC)
    expect(choices.map(({ chemistry }) => chemistry)).toEqual(['lfp', 'flooded', 'agm', 'gel'])
    for (const { usableWh, years, part } of choices) {
      expect(usableWh).toBeGreaterThanOrEqual(dailyWh * design.bank.autonomyDays - 1e-6)
      expect(years).toBeLessThanOrEqual(part.calendarYears)
    }
    const [lfp, lead] = choices
    expect(lfp.weightKg).toBeLessThan(lead.weightKg)
    expect(lfp.volumeL).toBeLessThan(lead.volumeL)
  })

  it('more days or less depth never need fewer strings; the dark spells are a school of their own', () => {
    const schools = handSchools(design, dailyWh, batteryC, 9)
    expect(schools.filter(({ fromSpells }) => fromSpells).map(({ days }) => days)).toEqual([9, 9])
    const byDays = schools.filter(({ depth }) => depth === 0.8).sort((a, b) => a.days - b.days)
    byDays.forEach((school, i) => i > 0 && expect(school.strings).toBeGreaterThanOrEqual(byDays[i - 1].strings))
    expect(handSchools(design, dailyWh, batteryC, null)).toHaveLength(6)
  })

  it('there is advice for units that wait', () => {
    expect(CHEMISTRIES.lfp.storage.map((each) => said(each)).join(' ')).toContain('half charge')
    expect(CHEMISTRIES.flooded.storage.map((each) => said(each)).join(' ')).toContain('parallel groups')
  })
})
