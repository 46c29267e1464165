import { CHANNEL_UNITS, type ColumnMapping, type DateOrder } from './columns.ts'
import { CHANNEL_RANGE, type Channel } from './series.ts'

/** Something a file holds that could not be taken, with the rows of the file (from 1) it stands in. */
export interface RowNote {
  fromRow: number
  toRow: number
  says: string
}

/** How many single notes are kept; the rest are only counted. */
const NOTES_KEPT = 60
/** So many rows without a readable time and nothing before them: this is no such file. */
const HOPELESS_ROWS = 500

/** Samples of one channel in a growing array; NaN where there is none. */
class Column {
  values = new Float64Array(10_000)

  set(at: number, value: number): void {
    if (at >= this.values.length) {
      const grown = new Float64Array(this.values.length * 2)
      grown.set(this.values)
      this.values = grown
    }
    this.values[at] = value
  }
}

/**
 * Takes the rows of an hourly file one by one: reads each time and figure by the mapping, brings figures to stored
 * units, and notes with its row whatever it cannot take.
 */
export class RowReader {
  readonly minutes = new Column()
  readonly rowOf = new Column()
  readonly channels: Channel[]
  private readonly columns: Partial<Record<Channel, Column>> = {}
  /** rows taken */
  count = 0
  /** rows with anything on them, taken or not */
  private hours = 0
  /** notes on what was refused, at most sixty, and how many there were */
  readonly refused: RowNote[] = []
  refusedCount = 0

  /** @throws RangeError where the mapping names no time, no sun or no temperature, or a unit nobody knows */
  constructor(private readonly mapping: ColumnMapping) {
    this.channels = requireMapping(mapping)
    for (const channel of this.channels) this.columns[channel] = new Column()
  }

  values(channel: Channel): Float64Array | null {
    return this.columns[channel]?.values.subarray(0, this.count) ?? null
  }

  /**
   * @param row cells of one row
   * @param rowNumber its row in the file, from 1
   * @throws RangeError when the first rows hold no time at all
   */
  add(row: readonly string[], rowNumber: number): void {
    if (rowNumber < this.mapping.firstRow || (row.length === 1 && row[0].trim() === '')) return
    const minutes = this.timeOf(row)
    this.hours++
    if (minutes === null) {
      const cell = this.mapping.time.map((column) => row[column] ?? '').join(' ')
      this.refuse(rowNumber, `“${short(cell)}” is not a time (${ORDER_WORDS[this.mapping.dateOrder]})`)
      if (this.count === 0 && this.refusedCount >= HOPELESS_ROWS)
        throw new RangeError(
          `time: the first ${HOPELESS_ROWS} rows hold no date and hour in column ${this.mapping.time.map((c) => c + 1).join(', ')}`,
        )
      return
    }
    this.minutes.set(this.count, minutes)
    this.rowOf.set(this.count, rowNumber)
    for (const channel of this.channels) this.columns[channel]!.set(this.count, this.figure(channel, row, rowNumber))
    this.count++
  }

  /** By the columns of time, or by how many rows went before where there are none. */
  private timeOf(row: readonly string[]): number | null {
    const { time, dateOrder, hourlyFrom } = this.mapping
    if (time.length === 0 && hourlyFrom !== undefined) return minutesOfHour(hourlyFrom, this.hours)
    return readTime(time.map((column) => row[column] ?? '').join(' '), dateOrder)
  }

  /** @returns NaN where nothing was measured or what stands there cannot be a figure */
  private figure(channel: Channel, row: readonly string[], rowNumber: number): number {
    const { column, unit, missing } = this.mapping.columns[channel]!
    const cell = (row[column] ?? '').trim()
    if (cell === '' || /^(na|n\/a|nan|null|none|-|--|\?)$/i.test(cell)) return NaN
    const value = Number(this.mapping.decimalComma ? cell.replace(',', '.') : cell)
    const { name, unit: stored, min, max } = CHANNEL_RANGE[channel]
    if (!Number.isFinite(value)) {
      this.refuse(rowNumber, `${name} “${short(cell)}” is not a number`)
      return NaN
    }
    if (this.mapping.missing.includes(value) || missing?.includes(value)) return NaN
    const converted = CHANNEL_UNITS[channel][unit](value)
    // instruments read a little below nothing at night
    if (min === 0 && converted < 0 && converted > -25) return 0
    if (converted < min || converted > max) {
      this.refuse(rowNumber, `${name} ${short(cell)} ${unit} lies outside ${min} to ${max} ${stored}`)
      return NaN
    }
    return converted
  }

  refuse(row: number, says: string): void {
    this.refusedCount++
    if (this.refused.length < NOTES_KEPT) this.refused.push({ fromRow: row, toRow: row, says })
  }
}

export const ORDER_WORDS: Record<DateOrder, string> = {
  ymd: 'year, month, day',
  dmy: 'day, month, year',
  mdy: 'month, day, year',
}

const short = (text: string) => (text.length > 30 ? `${text.slice(0, 29)}…` : text)

function requireMapping(mapping: ColumnMapping): Channel[] {
  if (mapping.time.length === 0 && mapping.hourlyFrom === undefined)
    throw new RangeError('time: no column is chosen for the time')
  const { columns } = mapping
  const channels = Object.keys(columns) as Channel[]
  if (!columns.ghiWM2 && !(columns.dniWM2 && columns.dhiWM2))
    throw new RangeError(
      'irradiance: choose the column of the global horizontal irradiance (or both direct and diffuse)',
    )
  if (!columns.airC) throw new RangeError('temperature: choose the column of the air temperature')
  for (const channel of channels) {
    const { unit } = columns[channel]!
    if (!(unit in CHANNEL_UNITS[channel]))
      throw new RangeError(
        `${CHANNEL_RANGE[channel].name}: unit “${unit}” is not one of ${Object.keys(CHANNEL_UNITS[channel]).join(', ')}`,
      )
  }
  return channels
}

const MINUTE_MS = 60_000
const YEAR_HOURS = 8760

/**
 * The minutes since 1970 of an hour counted from the first of January; a leap year counted from has its 8,784 hours, all
 * after it have 8,760 and no 29th of February.
 *
 * @param year of the first hour
 * @param hour from 0
 */
function minutesOfHour(year: number, hour: number): number {
  const isLeap = new Date(Date.UTC(year, 1, 29)).getUTCMonth() === 1
  if (isLeap && hour < YEAR_HOURS + 24) return Date.UTC(year, 0, 1) / MINUTE_MS + hour * 60
  const left = isLeap ? hour - 24 : hour
  const at = new Date(Date.UTC(2001, 0, 1) + (left % YEAR_HOURS) * 60 * MINUTE_MS)
  const later = year + Math.floor(left / YEAR_HOURS)
  return Date.UTC(later, at.getUTCMonth(), at.getUTCDate(), at.getUTCHours()) / MINUTE_MS
}

/** A row as it is understood: its time by the file's own clock, and its figures in stored units. */
export interface UnderstoodRow {
  minutes: number
  figures: Partial<Record<Channel, number>>
}

/**
 * What some rows are taken for by a mapping, before the file is read whole.
 * @throws RangeError where the mapping names no time, no sun or no temperature, or a unit nobody knows
 */
export function understoodRows(mapping: ColumnMapping, rows: readonly (readonly string[])[]): UnderstoodRow[] {
  const reader = new RowReader({ ...mapping, firstRow: 1 })
  rows.forEach((row, i) => reader.add(row, i + 1))
  return Array.from({ length: reader.count }, (_, i) => ({
    minutes: reader.minutes.values[i],
    figures: Object.fromEntries(reader.channels.map((channel) => [channel, reader.values(channel)![i]])),
  }))
}

/**
 * The minutes since 1970 that a time's digits say, by the file's own clock.
 * Reads `2019-01-31 14:30`, `31.1.2019 14`, `01/31/2019 24:00`, `2019 1 31 14`, `20190131:1430`, `1/31/2019 2:30 PM`.
 *
 * @returns null where the digits are no date
 */
export function readTime(text: string, order: DateOrder): number | null {
  const digits = text.match(/\d+/g)
  if (!digits) return null
  const parts = digits.flatMap(splitPacked).map(Number)
  if (parts.length < 3) return null
  const [a, b, c, hour = 0, minute = 0] = parts
  const [year, month, day] = order === 'ymd' ? [a, b, c] : order === 'dmy' ? [c, b, a] : [c, a, b]
  const half = /p\.?m\.?\s*$/i.test(text) ? (hour % 12) + 12 : /a\.?m\.?\s*$/i.test(text) ? hour % 12 : hour
  if (year < 1900 || year > 2200 || month < 1 || month > 12 || day < 1 || day > 31 || half > 24 || minute > 60)
    return null
  const date = Date.UTC(year, month - 1, day)
  if (new Date(date).getUTCDate() !== day) return null
  return date / MINUTE_MS + half * 60 + minute
}

/** `20190131` is year, month, day; `1430` after a date is hour and minute. */
function splitPacked(digits: string, index: number): string[] {
  if (index === 0 && digits.length >= 8) {
    const rest = digits.slice(8)
    return [digits.slice(0, 4), digits.slice(4, 6), digits.slice(6, 8), ...(rest.match(/\d{2}/g) ?? [])]
  }
  return index === 1 && digits.length === 4 ? [digits.slice(0, 2), digits.slice(2)] : [digits]
}
