import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chooseConductor, judged, type Asked } from './choose.ts'
import { ampacity, conductor, CONDUCTORS } from './conductors.ts'
import { conduitFill, conduitFor, groundConductor, shortCircuitA, upsizedGround } from './protection.ts'

const asked: Asked = {
  basis: 'awg',
  designA: 50,
  oneWayM: 5,
  workingA: 40,
  volts: 48,
  allowedDropPct: 3,
  insulationC: 90,
  terminalC: 75,
  ambientC: 30,
  conductors: 2,
}

describe('choosing a conductor', () => {
  // by hand: NEC 310.16 at 75 °C terminals, chapter 9 table 8
  it.each([
    ['50 A over 5 m: 8 AWG carries it, but loses 2.1 %', { oneWayM: 5 }, '8 AWG', 1],
    ['over 10 m 8 AWG loses 4.3 %, 6 AWG 2.7 %', { oneWayM: 10 }, '6 AWG', 1],
    ['behind a 60 A device 8 AWG burns first', { deviceA: 60 }, '6 AWG', 1],
    [
      '300 A: no single one to 4/0, two of 1/0 carry it',
      { designA: 300, workingA: 240, allowedDropPct: 5 },
      '1/0 AWG',
      2,
    ],
    ['at 55 °C 8 AWG of 55 A is left 42', { ambientC: 55 }, '6 AWG', 1],
    ['IEC B1: 50 A at 70 °C terminals is 10 mm²', { basis: 'metric' }, '10 mm2', 1],
    ['60 °C terminals cap 8 AWG at 40 A', { terminalC: 60 }, '6 AWG', 1],
  ] as [string, Partial<Asked>, string, number][])('%s', (_, more, size, parallel) => {
    expect(chooseConductor({ ...asked, ...more })).toMatchObject({ size, parallel })
  })

  it('photovoltaic circuits need 1.5625 Isc uncorrected, and 1.25 Isc with heat and neighbours', () => {
    // 13.9 A × 2: 43.4 A at the terminals takes 8 AWG at 75 °C; on a hot roof at 65 °C 34.75 A are wanted of 55 × 0.645
    const roof = { ...asked, designA: 43.4, correctedA: 34.75, ambientC: 65, oneWayM: 1 }
    expect(chooseConductor(roof)).toMatchObject({ size: '8 AWG' })
    expect(judged({ ...roof, ambientC: 67 }, '8 AWG', 1).fails).toEqual(['ampacity'])
    expect(judged({ ...roof, designA: 51 }, '8 AWG', 1).fails).toEqual(['terminals'])
  })

  it('finds none where nothing carries it, nor over 5 km', () => {
    expect(chooseConductor({ ...asked, designA: 2000 })).toBeNull()
    expect(chooseConductor({ ...asked, oneWayM: 5000 })).toBeNull()
    expect(chooseConductor({ ...asked, oneWayM: 0 })).toMatchObject({ size: '8 AWG', dropPct: 0 })
  })

  it('the one chosen fails in nothing, and the next thinner in something', () => {
    fc.assert(
      fc.property(
        fc.record({
          basis: fc.constantFrom('awg' as const, 'metric' as const),
          designA: fc.double({ min: 1, max: 600, noNaN: true }),
          oneWayM: fc.double({ min: 0, max: 120, noNaN: true }),
          volts: fc.double({ min: 12, max: 600, noNaN: true }),
          ambientC: fc.integer({ min: -20, max: 55 }),
          conductors: fc.integer({ min: 1, max: 9 }),
          insulationC: fc.constantFrom(60 as const, 75 as const, 90 as const),
        }),
        (drawn) => {
          const question: Asked = { ...asked, terminalC: undefined, ...drawn, workingA: drawn.designA / 1.25 }
          const chosen = chooseConductor(question)
          if (!chosen) return
          expect(judged(question, chosen.size, chosen.parallel).fails).toEqual([])
          const sizes = CONDUCTORS.filter(({ basis }) => basis === drawn.basis).map(({ size }) => size)
          const thinner = sizes[sizes.indexOf(chosen.size) - 1]
          if (thinner && chosen.parallel === 1) expect(judged(question, thinner, 1).fails).not.toEqual([])
        },
      ),
    )
  })
})

describe('ways of laying and schools', () => {
  it.each([
    ['4/0 AWG', { insulationC: 90, school: 'free-air' }, 405],
    ['4/0 AWG', { insulationC: 105, school: 'free-air' }, 405 * Math.sqrt(75 / 60)],
    // a cable maker's figure means nothing where a 75 °C terminal ends it
    ['4/0 AWG', { insulationC: 105, laid: 'free-air' }, 230],
    ['16 mm2', { insulationC: 90, terminalC: 90, laid: 'surface' }, 107],
    ['16 mm2', { insulationC: 90, terminalC: 90, laid: 'buried', ambientC: 20 }, 91],
    ['16 mm2', { insulationC: 90, terminalC: 90, laid: 'buried', ambientC: 30 }, 91 * Math.sqrt(60 / 70)],
  ] as const)('%s %o carries %s A', (size, lying, amps) => {
    expect(ampacity(size, { ambientC: 30, conductors: 2, ...lying })).toBeCloseTo(amps, 6)
  })
  it('every table rises with the size', () => {
    for (const basis of ['awg', 'metric'] as const) {
      const sizes = CONDUCTORS.filter((each) => each.basis === basis)
      sizes.slice(1).forEach((each, i) => {
        for (const key of ['ampacity', 'freeAir', 'surface', 'buried'] as const)
          for (const at of [60, 75, 90] as const)
            if (each[key]) expect(each[key][at]).toBeGreaterThan(sizes[i][key]![at])
        expect(each.outerMm).toBeGreaterThan(sizes[i].outerMm)
        expect(each.ohmPerM).toBeLessThan(sizes[i].ohmPerM)
      })
    }
    expect(conductor('4/0 AWG').areaMm2).toBe(107.2)
  })
})

describe('what protects', () => {
  it('a bank’s short circuit is its open voltage over all its resistance', () => {
    expect(shortCircuitA({ openV: 53, milliohm: 20, inParallel: 4, leadMilliohm: 1 })).toBeCloseTo(53 / 0.006, 6)
  })
  it.each([
    ['awg', 15, '14 AWG'],
    ['awg', 60, '10 AWG'],
    ['awg', 61, '8 AWG'],
    ['awg', 200, '6 AWG'],
    ['awg', 400, '3 AWG'],
    ['metric', '6 mm2', '6 mm2'],
    ['metric', '25 mm2', '16 mm2'],
    ['metric', '35 mm2', '16 mm2'],
    ['metric', '70 mm2', '35 mm2'],
    ['metric', '95 mm2', '50 mm2'],
  ] as const)('%s %s takes a ground of %s', (basis, of, size) => {
    const asked =
      basis === 'awg' ? { basis, deviceA: of as number } : { basis: 'metric' as const, phaseSize: of as string }
    expect(groundConductor(asked)).toBe(size)
  })
  it('refuses a device above the table', () => {
    expect(() => groundConductor({ basis: 'awg', deviceA: 2000 })).toThrow('deviceA 2000')
  })
  it('grows with conductors that are thicker for their drop', () => {
    // 21.15 ÷ 13.3 × 5.26 = 8.36 mm²
    expect(upsizedGround('10 AWG', '4 AWG', '6 AWG')).toBe('8 AWG')
    expect(upsizedGround('10 AWG', '6 AWG', '6 AWG')).toBe('10 AWG')
  })
  it.each([
    [[20], 0.53],
    [[10, 10], 0.31],
    [[7, 7, 7], 0.4],
  ])('%s may fill %s of a conduit', (outer, allowed) => {
    const fill = conduitFill(30, outer)
    expect(fill.allowed).toBe(allowed)
    expect(fill.share).toBeCloseTo(outer.reduce((sum, mm) => sum + mm ** 2, 0) / 900, 12)
    expect(fill.fits).toBe(fill.share <= allowed)
  })
  it('finds the smallest conduit that holds them', () => {
    expect(conduitFor('awg', [6.96, 6.96, 4.47])?.name).toBe('3/4 in')
    expect(conduitFor('awg', Array<number>(30).fill(18))).toBeNull()
  })
})
