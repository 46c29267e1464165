import { describe, expect, it } from 'vitest'
import { epwLayout } from './published.ts'
import { RowReader } from './rows.ts'

const layout = epwLayout([
  ['LOCATION', 'Larkspur Bench', 'MT', 'USA', 'made up', '999999', '48.2', '-115.4', '-7', '940'],
])!

/** One EPW hour with a cell set apart. */
function read(column: number, cell: string) {
  const reader = new RowReader(layout.mapping)
  const row = Array<string>(35).fill('0')
  row.splice(0, 4, '2001', '6', '21', '12')
  row[column] = cell
  reader.add(row, 9)
  return reader
}

describe('an EPW figure that was not measured', () => {
  // Crawley, Hand & Lawrie (1999): what stands in each field where nothing was measured
  it.each([
    ['airC', 6, '99.9'],
    ['ghiWM2', 13, '9999'],
    ['dniWM2', 14, '9999'],
    ['dhiWM2', 15, '9999'],
    ['windMS', 21, '999'],
    ['snowDepthCm', 30, '999'],
    ['ghiWM2', 13, '99999'],
    ['ghiWM2', 13, '999999'],
    ['ghiWM2', 13, '-999'],
    ['ghiWM2', 13, '-9999'],
    ['ghiWM2', 13, '-99999'],
    ['ghiWM2', 13, '-9900'],
    ['airC', 6, ''],
    ['airC', 6, 'NaN'],
  ] as const)('%s in column %i: %s is missing and no fault of the file', (channel, column, cell) => {
    const reader = read(column, cell)
    expect(reader.values(channel)![0]).toBeNaN()
    expect(reader.refused).toEqual([])
  })

  it.each([
    ['airC', 6, '-39.9', -39.9],
    ['ghiWM2', 13, '999', 999],
    ['windMS', 21, '9.9', 9.9],
  ] as const)('%s in column %i: %s is a figure', (channel, column, cell, value) => {
    expect(read(column, cell).values(channel)![0]).toBeCloseTo(value, 9)
  })

  it.each([
    ['ghiWM2', 13, '7000'],
    ['airC', 6, '88'],
    ['airC', 6, 'warm'],
  ] as const)('%s in column %i: %s is refused with its row', (channel, column, cell) => {
    const reader = read(column, cell)
    expect(reader.values(channel)![0]).toBeNaN()
    expect(reader.refused).toMatchObject([{ fromRow: 9, toRow: 9 }])
  })
})
