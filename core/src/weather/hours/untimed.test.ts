import { describe, expect, it } from 'vitest'
import { guessMapping, type ColumnMapping } from './columns.ts'
import { RowReader, understoodRows } from './rows.ts'

const date = (minutes: number) => new Date(minutes * 60_000).toISOString().slice(0, 16)
const mapping = (more: Partial<ColumnMapping> = {}): ColumnMapping => ({
  ...guessMapping(['GHI (W/m2)', 'Temp (°F)'], [['0', '14']], 1, -7),
  hourlyFrom: 2001,
  ...more,
})
const read = (count: number, from: number) => {
  const reader = new RowReader(mapping({ hourlyFrom: from, firstRow: 1 }))
  for (let i = 0; i < count; i++) reader.add(['1', '50'], i + 1)
  return (hour: number) => date(reader.minutes.values[hour])
}

describe('rows without a time', () => {
  it('are the hours of a year from the first of January, year after year without a 29th of February', () => {
    const at = read(3 * 8760, 2003)
    expect([at(0), at(58 * 24 + 23), at(59 * 24), at(8759)]).toEqual([
      '2003-01-01T00:00',
      '2003-02-28T23:00',
      '2003-03-01T00:00',
      '2003-12-31T23:00',
    ])
    // 2004 is a leap year: its 29th of February is left out
    expect([at(8760), at(8760 + 59 * 24), at(2 * 8760)]).toEqual([
      '2004-01-01T00:00',
      '2004-03-01T00:00',
      '2005-01-01T00:00',
    ])
  })

  it('are the 8,784 hours of a leap year where they begin in one', () => {
    const at = read(8784, 2004)
    expect([at(59 * 24), at(60 * 24), at(8783)]).toEqual(['2004-02-29T00:00', '2004-03-01T00:00', '2004-12-31T23:00'])
  })

  it('are refused where no year is named either', () => {
    expect(() => new RowReader(mapping({ hourlyFrom: undefined }))).toThrow('time: no column is chosen for the time')
  })
})

describe('what rows are understood as', () => {
  it('is told in stored units before the file is read', () => {
    expect(
      understoodRows(mapping(), [
        ['250', '14'],
        ['x', '50'],
      ]),
    ).toEqual([
      { minutes: Date.UTC(2001, 0, 1) / 60_000, figures: { ghiWM2: 250, airC: -10 } },
      { minutes: Date.UTC(2001, 0, 1) / 60_000 + 60, figures: { ghiWM2: NaN, airC: 10 } },
    ])
  })

  it.each([
    ['GHI (W·h/m²)', 'Wh/m² an hour', 'W/m²'],
    ['Solar [BTU/ft2]', 'BTU/ft² an hour', 'BTU/ft² an hour'],
    ['Insolation, langley', 'langley an hour', 'langley an hour'],
    ['Globalstrahlung kJ/m2', 'kJ/m² an hour', 'kJ/m² an hour'],
    ['Global radiation (MJ/m2)', 'MJ/m² an hour', 'MJ/m² an hour'],
    ['SSRD', 'W/m²', 'W/m²'],
    ['sun kW/m2', 'kW/m²', 'kW/m²'],
    ['Rayonnement global', 'W/m²', 'W/m²'],
    ['Pyranometer', 'W/m²', 'W/m²'],
  ])('finds the sun in a column called %s', (name, _, unit) => {
    expect(guessMapping(['date', name, 'air'], [['2019-01-01 00:00', '1', '2']], 1, 0).columns.ghiWM2).toEqual({
      column: 1,
      unit,
    })
  })

  it.each([
    ['Temp (°F)', '°F'],
    ['TEMP_F', '°F'],
    ['Outdoor, deg F', '°F'],
    ['T2M [K]', 'K'],
    ['Ambient °C', '°C'],
    ['Dry bulb °F', '°F'],
  ])('finds the temperature in a column called %s', (name, unit) => {
    expect(guessMapping(['date', 'GHI', name], [['2019-01-01 00:00', '1', '2']], 1, 0).columns.airC).toEqual({
      column: 2,
      unit,
    })
  })
})
