import type { ColumnMapping } from './columns.ts'
import { MISSING_CODES } from './columns.ts'

/** Where the hours of a published layout were taken or made. */
export interface Station {
  name: string
  latitudeDeg: number
  longitudeDeg: number
  elevationM: number
  utcOffsetH: number
}

export interface PublishedLayout {
  kind: 'epw' | 'tmy3'
  station: Station
  mapping: ColumnMapping
}

const EPW_HEADER_ROWS = 8

/**
 * Recognises an EPW file by its first row: eight header rows, then one hour a row, hours counted 1 to 24 and named by
 * their end, missing irradiance 9999, temperature 99.9, wind 999, snow depth 999.
 *
 * @param rows the first rows of the file
 * @returns null for any other file
 * Source: Crawley, Hand & Lawrie (1999), the published EnergyPlus weather layout.
 * @example epwLayout([['LOCATION', 'Larkspur', '', '', '', '', '48.2', '-115.4', '-7', '900']]).station → { name:
 * 'Larkspur', latitudeDeg: 48.2, longitudeDeg: -115.4, utcOffsetH: -7, elevationM: 900 }
 */
export function epwLayout(rows: readonly (readonly string[])[]): PublishedLayout | null {
  const first = rows[0]
  if (first?.[0]?.trim().toUpperCase() !== 'LOCATION') return null
  const at = (column: number) => Number(first[column])
  return {
    kind: 'epw',
    station: {
      name: first[1]?.trim() || 'unnamed station',
      latitudeDeg: at(6),
      longitudeDeg: at(7),
      utcOffsetH: at(8),
      elevationM: at(9),
    },
    mapping: {
      time: [0, 1, 2, 3],
      dateOrder: 'ymd',
      label: 'ending',
      utcOffsetH: at(8),
      columns: {
        airC: { column: 6, unit: '°C', missing: [99.9] },
        ghiWM2: { column: 13, unit: 'W/m²' },
        dniWM2: { column: 14, unit: 'W/m²' },
        dhiWM2: { column: 15, unit: 'W/m²' },
        windMS: { column: 21, unit: 'm/s', missing: [999] },
        snowDepthCm: { column: 30, unit: 'cm', missing: [999] },
      },
      decimalComma: false,
      firstRow: EPW_HEADER_ROWS + 1,
      missing: MISSING_CODES,
    },
  }
}

/**
 * Recognises a TMY3 file: a station row, a header row, then hours named by their end from 01:00 to 24:00.
 *
 * @param rows the first rows of the file
 * @returns null for any other file
 * @throws RangeError where a column the run needs is not in the header
 * Source: Wilcox & Marion (2008), NREL/TP-581-43156.
 * @example tmy3Layout([['date', 'watts']]) → null
 */
export function tmy3Layout(rows: readonly (readonly string[])[]): PublishedLayout | null {
  const [first, header] = rows
  if (!header || !/^date \(mm\/dd\/yyyy\)/i.test(header[0]?.trim() ?? '') || first.length < 7) return null
  const find = (start: string) => header.findIndex((name) => name.trim().toLowerCase().startsWith(start))
  const columns: ColumnMapping['columns'] = {}
  const wanted = [
    ['ghiWM2', 'ghi (', 'W/m²', true],
    ['dniWM2', 'dni (', 'W/m²', false],
    ['dhiWM2', 'dhi (', 'W/m²', false],
    ['airC', 'dry-bulb (', '°C', true],
    ['windMS', 'wspd', 'm/s', false],
  ] as const
  for (const [channel, start, unit, needed] of wanted) {
    const column = find(start)
    if (column >= 0) columns[channel] = { column, unit }
    else if (needed) throw new RangeError(`row 2 names no column “${start}…”; a TMY3 file needs it`)
  }
  return {
    kind: 'tmy3',
    station: {
      name: first[1]?.trim() || 'unnamed station',
      utcOffsetH: Number(first[3]),
      latitudeDeg: Number(first[4]),
      longitudeDeg: Number(first[5]),
      elevationM: Number(first[6]),
    },
    mapping: {
      time: [0, 1],
      dateOrder: 'mdy',
      label: 'ending',
      utcOffsetH: Number(first[3]),
      columns,
      decimalComma: false,
      firstRow: 3,
      missing: MISSING_CODES,
    },
  }
}
