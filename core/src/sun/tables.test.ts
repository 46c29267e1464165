import type { HorizonPoint } from '../document/types.ts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { climateAt } from '../weather/climates.ts'
import { climateFromCells } from '../weather/climateTable.ts'
import { MONTH_NAMES } from '../calendar/calendar.ts'
import { cellsOfHorizon, horizonFromCells } from './horizonTable.ts'

const cells = (text: string) => text.split('\n').map((line) => line.split('\t'))

describe('a horizon as rows', () => {
  it('comes back as it was written', () => {
    const point = fc.record({
      azimuthDeg: fc.integer({ min: 0, max: 360 }),
      elevationDeg: fc.integer({ min: 0, max: 90 }),
      cover: fc.constantFrom('terrain' as const, 'evergreen' as const, 'leafless' as const),
    })
    fc.assert(
      fc.property(
        fc.uniqueArray(point, { minLength: 1, maxLength: 20, selector: (each) => each.azimuthDeg }),
        (points) => {
          const sorted = [...points].sort((a, b) => a.azimuthDeg - b.azimuthDeg) as HorizonPoint[]
          expect(horizonFromCells(cellsOfHorizon(points))).toEqual({ items: sorted, problems: [] })
        },
      ),
    )
  })
  it.each([
    ['90\t95', 'line 1, elevation: 95° must lie between 0 and 90°'],
    ['azimuth\televation\n-10\t5', 'line 2, azimuth: -10° must lie between 0 and 360°'],
    ['90\tx', 'line 1, elevation: “x” is not a number'],
    ['90\t5\tclouds', 'cover: “clouds” is not one of terrain'],
    ['', 'there are no rows'],
  ])('%j is refused', (text, says) => {
    expect(horizonFromCells(cells(text)).problems[0].message).toContain(says)
  })
  it('degrees may be written', () => {
    expect(horizonFromCells(cells('90°\t5 deg\tevergreen')).items).toEqual([
      { azimuthDeg: 90, elevationDeg: 5, cover: 'evergreen' },
    ])
  })
})

describe('monthly rows as a block', () => {
  const present = climateAt('cold-valley', 48.2).monthly
  const suns = [1, 1.8, 3, 4.4, 5.5, 6.2, 6.9, 5.8, 4.1, 2.3, 1.1, 0.8]

  it('down with names of months and columns, the units in the cells', () => {
    const text = [
      'Month\tMean of minima\tSun kWh/m²',
      ...MONTH_NAMES.map((name, m) => `${name}\t${m - 20} °C\t${suns[m]}`),
    ].join('\n')
    const { items, problems } = climateFromCells(cells(text), present)
    expect(problems).toEqual([])
    expect(items.map((row) => row.ghiKWhM2Day)).toEqual(suns)
    expect(items[3].minC).toBe(-17)
    expect(items[3].meanC).toBe(present[3].meanC)
  })
  it('across, a row per figure', () => {
    const { items } = climateFromCells([suns.map(String), suns.map(() => '−3')], present)
    expect(items[11]).toMatchObject({ ghiKWhM2Day: 0.8, meanC: -3 })
    expect(items[11].maxC - items[11].minC).toBeCloseTo(present[11].maxC - present[11].minC, 6)
  })
  it('one column of twelve is the sun', () => {
    expect(
      climateFromCells(
        suns.map((sun) => [String(sun)]),
        present,
      ).items[0].ghiKWhM2Day,
    ).toBe(1)
  })
  it.each([
    ['1\t2\t3', 'twelve months are needed, down or across; this block is 1 by 3'],
    [suns.map((sun, m) => (m === 3 ? 'x' : sun)).join('\n'), 'line 4, sun: “x” is not a number'],
    [suns.map((sun) => sun * 10).join('\t'), 'sun of Feb: 18 must lie between 0 and 14 kWh/m²'],
  ])('%j is refused', (text, says) => {
    expect(
      climateFromCells(cells(text), present)
        .problems.map(({ message }) => message)
        .join('; '),
    ).toContain(says)
  })
})
