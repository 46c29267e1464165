import type { Channel } from './series.ts'

export type DateOrder = 'ymd' | 'dmy' | 'mdy'
/** Which part of its interval a row's time names. */
export type TimeLabel = 'beginning' | 'middle' | 'ending'

export interface MappedColumn {
  /** from 0 */
  column: number
  unit: string
  /** codes of this column alone that stand for nothing measured */
  missing?: number[]
}

/** How the columns of an hourly file are to be read. */
export interface ColumnMapping {
  /** columns (from 0) whose numbers, one after another, make the time: one of date and time, or year, month, day, hour … */
  time: number[]
  /** year whose first hour the first row is, where the file has no times and a row an hour; only without columns of time */
  hourlyFrom?: number
  dateOrder: DateOrder
  label: TimeLabel
  /** clock of the file, hours east of UTC */
  utcOffsetH: number
  columns: Partial<Record<Channel, MappedColumn>>
  decimalComma: boolean
  /** row of the file (from 1) with the first hour */
  firstRow: number
  /** values that stand for nothing measured, in any column */
  missing: readonly number[]
}

/** Units a column may be in, with the way to the stored unit. Energies are those of one hour. */
export const CHANNEL_UNITS: Record<Channel, Record<string, (value: number) => number>> = (() => {
  const sun = {
    'W/m²': (value: number) => value,
    'Wh/m² an hour': (value: number) => value,
    'kW/m²': (value: number) => value * 1000,
    'kJ/m² an hour': (value: number) => value / 3.6,
    'MJ/m² an hour': (value: number) => value / 0.0036,
    'J/cm² an hour': (value: number) => (value * 1e4) / 3600,
    'BTU/ft² an hour': (value: number) => value * 3.154591,
    'langley an hour': (value: number) => value * 11.63,
  }
  return {
    ghiWM2: sun,
    dniWM2: sun,
    dhiWM2: sun,
    airC: {
      '°C': (value: number) => value,
      '°F': (value: number) => (value - 32) / 1.8,
      K: (value: number) => value - 273.15,
    },
    windMS: {
      'm/s': (value: number) => value,
      'km/h': (value: number) => value / 3.6,
      mph: (value: number) => value * 0.44704,
      kn: (value: number) => value * 0.514444,
    },
    snowfallCm: {
      cm: (value: number) => value,
      mm: (value: number) => value / 10,
      in: (value: number) => value * 2.54,
    },
    snowDepthCm: {
      cm: (value: number) => value,
      mm: (value: number) => value / 10,
      m: (value: number) => value * 100,
      in: (value: number) => value * 2.54,
    },
  }
})()

/** Codes that files use for "not measured"; EPW and TMY3 add their own. */
export const MISSING_CODES: readonly number[] = [9999, 99999, 999999, -999, -9999, -99999, -9900]

/** Words of a header that give a column away, most telling first. */
const HINTS: [Channel, RegExp][] = [
  [
    'ghiWM2',
    /\bghi\b|global|\bg\(h\)|short.?wave|sw.?down|\bssrd\b|solar|insolation|irradia|radiation|radiaci|rayonnement|strahlung|pyrano|\brad\b|\bgh\b|\bglo\b|\bsun\b/i,
  ],
  ['dniWM2', /\bdni\b|direct.*normal|beam.*normal|\bgb\(n\)/i],
  ['dhiWM2', /\bdhi\b|diffuse|\bgd\(h\)/i],
  [
    'airC',
    /dry.?bulb|air.?temp|temp|\bt2m\b|^t$|^t_|\bta\b|\btair\b|\btas\b|ambient|outdoor|outside|celsius|fahrenheit|°[cf]\b/i,
  ],
  ['windMS', /wind.?sp|\bws\b|ws10|wspd|wind/i],
  ['snowfallCm', /snow.?fall|fresh.?snow|new.?snow/i],
  ['snowDepthCm', /snow.?depth|snow.?on.?ground/i],
]
const NOT_MEASURED = /uncert|source|flag|direction|dewpoint|dew.?point|quality|illum|module|cell/i
const TIME_WORDS = /^(date|time|datetime|timestamp|valid|period|local.?time|utc|hour.?of)/i
const PARTS = [/^(year|yr|yyyy)$/i, /^(month|mon|mo|mm)$/i, /^(day|dd|dom)$/i, /^(hour|hr|hh)$/i, /^(minute|min|mi)$/i]

/**
 * A first guess at the mapping of a file from its header and a few rows; the person corrects it.
 *
 * @param header names of the columns
 * @param rows some rows after the header, the first of them first; more from further on help to tell day from month
 * @param headerRow row of the file (from 1) the header stands in; 0 for none
 * @param utcOffsetH clock of the place, taken unless the file says it is in UTC
 */
export function guessMapping(
  header: readonly string[],
  rows: readonly (readonly string[])[],
  headerRow: number,
  utcOffsetH: number,
): ColumnMapping {
  const time = timeColumns(header, rows)
  const texts = rows.map((row) => time.map((column) => row[column] ?? '').join(' '))
  const columns: ColumnMapping['columns'] = {}
  for (const [channel, words] of HINTS) {
    const column = header.findIndex(
      (name, i) => words.test(name) && !NOT_MEASURED.test(name) && !time.includes(i) && !taken(columns, i),
    )
    if (column >= 0) columns[channel] = { column, unit: unitOf(channel, header[column]) }
  }
  const inUtc = header.some((name, i) => time.includes(i) && /utc|gmt/i.test(name)) || /\dZ$|\+00:?00$/.test(texts[0])
  return {
    time,
    dateOrder: orderOf(texts),
    label: texts.length > 0 && texts.every((text) => /[:T ]?30(:00)?\s*$/.test(text)) ? 'middle' : 'beginning',
    utcOffsetH: inUtc ? 0 : utcOffsetH,
    columns,
    decimalComma: rows.some((row) => row.some((cell) => /^\s*-?\d+,\d+\s*$/.test(cell))),
    firstRow: headerRow + 1,
    missing: MISSING_CODES,
  }
}

const taken = (columns: ColumnMapping['columns'], i: number) =>
  Object.values(columns).some(({ column }) => column === i)

function timeColumns(header: readonly string[], rows: readonly (readonly string[])[]): number[] {
  const parts = PARTS.map((words) => header.findIndex((name) => words.test(name.trim())))
  if (parts[0] >= 0 && parts[1] >= 0 && parts[2] >= 0) return parts.filter((column) => column >= 0)
  const named = header.flatMap((name, i) => (TIME_WORDS.test(name.trim()) ? [i] : []))
  if (named.length > 0) return looksLikeDate(rows[0]?.[named[0]]) ? wholeTime(named, rows) : named.slice(0, 2)
  const found = (rows[0] ?? []).findIndex(looksLikeDate)
  return found >= 0 ? wholeTime([found, found + 1], rows) : []
}

/** A date with its hour in one cell needs no second column; a date alone takes the next. */
function wholeTime(columns: number[], rows: readonly (readonly string[])[]): number[] {
  const [first, second] = columns
  if ((rows[0]?.[first]?.match(/\d+/g)?.join('').length ?? 0) > 8) return [first]
  return second !== undefined && /^\s*\d{1,2}(:\d{2})?/.test(rows[0]?.[second] ?? '') ? [first, second] : [first]
}

const looksLikeDate = (cell: string | undefined): boolean =>
  cell !== undefined &&
  /^\s*(\d{4}[-/.]\d{1,2}[-/.]\d{1,2}|\d{1,2}[-/.]\d{1,2}[-/.]\d{4}|\d{8}([T:]?\d{4})?\s*$)/.test(cell)

function orderOf(texts: readonly string[]): DateOrder {
  const numbers = texts.map((text) => (text.match(/\d+/g) ?? []).map(Number))
  if (numbers.length === 0 || numbers.some(([first]) => first > 31)) return 'ymd'
  if (numbers.some(([first]) => first > 12) || texts.some((text) => /^\s*\d+\./.test(text))) return 'dmy'
  return 'mdy'
}

function unitOf(channel: Channel, name: string): string {
  const units = Object.keys(CHANNEL_UNITS[channel])
  const plain = name.toLowerCase()
  if (channel === 'airC')
    return /fahrenheit|°\s?f|deg\.?\s?f|\(f\)|_f$|\[f\]|,\s?f$|\sf$/.test(plain)
      ? '°F'
      : /kelvin|\(k\)|\[k\]/.test(plain)
        ? 'K'
        : '°C'
  if (channel === 'windMS')
    return /km\/?h|kph/.test(plain) ? 'km/h' : /mph/.test(plain) ? 'mph' : /knot|\bkn\b/.test(plain) ? 'kn' : 'm/s'
  if (channel === 'snowfallCm' || channel === 'snowDepthCm')
    return /\bmm\b/.test(plain) ? 'mm' : /\bin\b|inch/.test(plain) ? 'in' : 'cm'
  if (/mj/.test(plain)) return 'MJ/m² an hour'
  if (/kj/.test(plain)) return 'kJ/m² an hour'
  if (/j\/?cm/.test(plain)) return 'J/cm² an hour'
  if (/kw/.test(plain)) return 'kW/m²'
  if (/btu/.test(plain)) return 'BTU/ft² an hour'
  if (/langley|\bly\b/.test(plain)) return 'langley an hour'
  return units[0]
}
