import { describe, expect, it } from 'vitest'
import { newSource, sourceFromCells, sourceMeans, withMonthMean } from './sources.ts'

const months = (cells: string[]) => Array.from({ length: 12 }, (_, m) => [`month ${m + 1}`, ...cells])

describe('watts of another source', () => {
  it('by month: a mean is set in proportion to the hours there are', () => {
    const stream = newSource('source-1', 'stream', 200)
    stream.wattsByMonth[0] = stream.wattsByMonth[0].map((_, hour) => (hour < 12 ? 100 : 300))
    const more = withMonthMean(stream, 0, 400)
    expect(sourceMeans(more)[0]).toBeCloseTo(400, 9)
    expect(more.wattsByMonth[0][0]).toBeCloseTo(200, 9)
    expect(more.wattsByMonth[0][23]).toBeCloseTo(600, 9)
    expect(sourceMeans(more)[1]).toBe(200)
    expect(withMonthMean(newSource('s', 'wind', 0), 3, 50).wattsByMonth[3]).toEqual(Array(24).fill(50))
  })

  it('by the hours of a year: their own means', () => {
    const source = {
      ...newSource('s', 'wind', 0),
      hourlyW: Array.from({ length: 8760 }, (_, i) => (i < 744 ? 90 : 10)),
    }
    expect(sourceMeans(source).map(Math.round)).toEqual([90, ...Array(11).fill(10)])
  })

  it.each<[string, string[][], number, number]>([
    ['a mean a month', months(['150']), 5, 150],
    ['hours of each month', months(Array(24).fill('80')), 3, 80],
    ['hours without a name', months(Array(24).fill('80')).map((row) => row.slice(1)), 3, 80],
    ['a header above', [['month', 'W'], ...months(['1,5'])], 0, 1.5],
  ])('%s is read', (_, cells, month, watts) => {
    const { items, problems } = sourceFromCells(cells)
    expect(problems).toEqual([])
    expect(items[0]).toMatchObject({ wattsByMonth: expect.anything() })
    expect('wattsByMonth' in items[0] && items[0].wattsByMonth[month]).toEqual(Array(24).fill(watts))
  })

  it('a year of hours is read, a leap day left out', () => {
    const hours = (count: number) => Array.from({ length: count }, (_, i) => [`h${i}`, String(i)])
    const plain = sourceFromCells(hours(8760)).items[0]
    expect('hourlyW' in plain && plain.hourlyW[8759]).toBe(8759)
    const leap = sourceFromCells([['hour', 'watts'], ...hours(8784)]).items[0]
    expect('hourlyW' in leap && [leap.hourlyW.length, leap.hourlyW[1415], leap.hourlyW[1416]]).toEqual([
      8760, 1415, 1440,
    ])
  })

  it.each<[string[][], string]>([
    [[['1'], ['2']], '2 rows of numbers; 12 months, or the 8760 hours of a year are wanted'],
    [months(['150']).map((row, m) => (m === 4 ? ['May', '-3'] : row)), 'line 5: “-3” is not watts of at least 0'],
    [months(['150']).map((row, m) => (m === 4 ? ['May', 'x'] : row)), 'line 5: “x” is not watts of at least 0'],
    [months(Array(24).fill('1')).map((row, m) => (m === 2 ? row.slice(3) : row)), 'line 3: 22 values; 24 are wanted'],
    [[], '0 rows of numbers; 12 months'],
  ])('%#: what is wrong is named with its line', (cells, says) => {
    const { items, problems } = sourceFromCells(cells)
    expect(items).toEqual([])
    expect(problems[0].message).toContain(says)
  })
})
