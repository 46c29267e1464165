import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { larkspurBench, larkspurFlooded } from '../design/samples.ts'
import { derive } from '../derive/derive.ts'
import { refillHours } from '../generator/refill.ts'
import { surge, surgeTable } from './surge.ts'

const question = {
  baseW: 1500,
  startW: 5520,
  surgeRatingW: 15000,
  efficiency: 0.9,
  openCircuitV: 51.8,
  ohm: 0.021,
  lowCutV: 44,
  surgeLimitA: 900,
}

describe('a start', () => {
  it('7.02 kW at 0.9 is 7.8 kW from the bank: 48.417 V', () => {
    const answer = surge(question)
    expect(answer.volts).toBeCloseTo(48.417, 3)
    expect(answer.amps).toBeCloseTo(7800 / 48.417, 2)
    expect(answer).toMatchObject({ starts: true, limitedBy: 'none', outputW: 7020 })
  })

  // what is changed, and what stops the start first
  it.each([
    [{ surgeRatingW: 7000 }, 'inverter'],
    [{ lowCutV: 48.5 }, 'voltage'],
    [{ ohm: 0.2 }, 'voltage'],
    [{ surgeLimitA: 160 }, 'bank-current'],
  ] as const)('%j: %s', (change, limitedBy) => {
    expect(surge({ ...question, ...change })).toMatchObject({ starts: false, limitedBy })
  })

  it('that cannot be carried at all has no voltage', () => {
    expect(surge({ ...question, ohm: 0.2 })).toMatchObject({ volts: null, amps: null })
    expect(() => surge({ ...question, efficiency: 0 })).toThrow('efficiency 0')
  })

  it('never sags less for more watts or more resistance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 9000, noNaN: true }),
        fc.double({ min: 0.001, max: 0.04, noNaN: true }),
        (startW, ohm) => {
          const volts = (w: number, r: number) => surge({ ...question, startW: w, ohm: r }).volts ?? 0
          expect(volts(startW + 500, ohm)).toBeLessThanOrEqual(volts(startW, ohm) + 1e-9)
          expect(volts(startW, ohm * 1.2)).toBeLessThanOrEqual(volts(startW, ohm) + 1e-9)
        },
      ),
    )
  })
})

describe('the start through the charge of the bank', () => {
  const table = (resistanceMilliohm?: number) => {
    const design = larkspurFlooded()
    if (resistanceMilliohm) design.bank.part.resistanceMilliohm = resistanceMilliohm
    return surgeTable(design, derive(design).peak, 0)
  }

  it('is looked at warm and cold, down to the cut-out', () => {
    const rows = table()
    expect(new Set(rows.map(({ bankC }) => bankC))).toEqual(new Set([25, 0]))
    expect(Math.min(...rows.map(({ stateOfCharge }) => stateOfCharge))).toBeGreaterThanOrEqual(
      larkspurFlooded().bank.cutoffStateOfCharge,
    )
  })

  it('a tired bank starts the pump when full and warm, not on a cold night at little charge', () => {
    const rows = table(12)
    const at = (stateOfCharge: number, bankC: number) =>
      rows.find((row) => row.stateOfCharge === stateOfCharge && row.bankC === bankC)!
    expect(at(1, 25).volts!).toBeGreaterThan(at(0.4, 0).volts ?? 0)
    expect(at(0.4, 0).starts).toBe(false)
  })

  it('the demo starts its pump all winter', () => {
    const design = larkspurBench()
    expect(surgeTable(design, derive(design).peak, 12).every(({ starts }) => starts)).toBe(true)
  })
})

describe('how long a start lasts', () => {
  it('within its seconds the surge rating counts, beyond them the continuous one', () => {
    const design = larkspurBench()
    const share = (startS: number | null) => {
      design.loads[2].startS = startS
      return derive(design).worked['inverter.surge-share'].value
    }
    design.loads.forEach((load, i) => i !== 2 && (load.seenStarting = true))
    // the pump's usual second, and five, are within the surge's 5 s; six are not: 15 kW against 5.76 kW
    expect(share(null)).toBe(share(5))
    expect(share(6) / share(5)).toBeCloseTo(15000 / 5760, 6)
    expect(derive(design).start.rows.some(({ limitedBy }) => limitedBy === 'inverter')).toBe(false)
    design.inverter.part.ratedW = 5000
    design.loads[2].startS = 6
    expect(derive(design).start.rows.every(({ limitedBy }) => limitedBy === 'inverter')).toBe(true)
  })
})

describe('hours to refill', () => {
  const lead = { qmaxAh: 257.9, c: 0.484, kPerH: 0.355 }
  const lithium = { qmaxAh: 600, c: 1, kPerH: 1 }

  it('lithium takes the full current to the end: 300 Ah at 60 A × 0.95', () => {
    const { hours, tailHours, meanShare } = refillHours(lithium, 0.4, 0.9, 60, 0.95)
    expect(hours).toBeCloseTo(300 / (60 * 0.95), 1)
    expect(tailHours).toBeLessThan(0.06)
    expect(meanShare).toBeCloseTo(1, 2)
  })

  it('lead-acid has a tail that grows with the level asked for', () => {
    const to = (level: number) => refillHours(lead, 0.5, level, 50, 0.85)
    expect(to(0.8).hours).toBeLessThan(to(0.9).hours)
    expect(to(0.95).tailHours).toBeGreaterThan(to(0.8).tailHours)
    expect(to(0.95).meanShare).toBeLessThan(0.9)
    expect(to(1).hours).toBeGreaterThan(2 * to(0.85).hours)
  })

  it('a bigger charger is never slower, but in the tail it hardly helps', () => {
    const hours = [20, 40, 80, 160].map((amps) => refillHours(lead, 0.5, 0.97, amps, 0.85).hours)
    hours.forEach((each, i) => i > 0 && expect(each).toBeLessThanOrEqual(hours[i - 1]))
    expect(hours[2] - hours[3]).toBeLessThan(0.4 * (hours[0] - hours[1]))
  })

  it.each([
    [0.9, 0.5, 10, 'from 0.9'],
    [0.2, 0.5, 0, 'chargeA 0'],
  ])('from %s to %s at %s A is refused', (from, to, amps, says) => {
    expect(() => refillHours(lead, from, to, amps, 0.85)).toThrow(says)
  })
})
