import type { Read } from '../document/cells.ts'
import type { OtherSource } from '../document/types.ts'
import { HOURS, MONTH_DAYS, MONTH_OF_DAY } from '../calendar/calendar.ts'

/** A source that gives the same watts in every month and hour. */
export function newSource(id: string, kind: OtherSource['kind'], watts: number): OtherSource {
  return {
    id,
    name: { stream: 'Stream turbine', wind: 'Wind turbine', other: 'Other source' }[kind],
    kind,
    side: 'dc',
    surplus: 'none',
    wattsByMonth: Array.from({ length: 12 }, () => Array<number>(24).fill(watts)),
    hourlyW: null,
    price: 0,
  }
}

/** Mean watts by month 0…11, of the hourly figures where they rule. */
export function sourceMeans({ hourlyW, wattsByMonth }: OtherSource): number[] {
  if (!hourlyW) return wattsByMonth.map((hours) => hours.reduce((sum, watts) => sum + watts, 0) / 24)
  const sums = Array<number>(12).fill(0)
  for (let hour = 0; hour < HOURS; hour++) sums[MONTH_OF_DAY[Math.floor(hour / 24)]] += hourlyW[hour]
  return sums.map((sum, month) => sum / (MONTH_DAYS[month] * 24))
}

/** Most it gives in any hour, W. */
export const sourceMost = ({ hourlyW, wattsByMonth }: OtherSource): number =>
  (hourlyW ?? wattsByMonth.flat()).reduce((most, watts) => Math.max(most, watts), 0)

/** The month's hours with another mean: in proportion, or even where they were all nothing. */
export function withMonthMean(source: OtherSource, month: number, watts: number): OtherSource {
  const now = sourceMeans({ ...source, hourlyW: null })[month]
  const scaled = source.wattsByMonth.map((hours, m) =>
    m !== month ? hours : hours.map((each) => (now > 0 ? (each * watts) / now : watts)),
  )
  return { ...source, wattsByMonth: scaled }
}

/** Watts read from a table: months by hours, or the hours of a year. */
export type SourceTable = Pick<OtherSource, 'wattsByMonth'> | { hourlyW: number[] }

const HOURS_A_DAY = 24
const LEAP_DAY = (31 + 28) * HOURS_A_DAY

/**
 * Reads watts from the cells of a table: 12 rows of 24 hours or of one mean, the month's name before them or not; or
 * the hours of a year, 8760 of them or 8784 with a leap day, in the last column. A first row without numbers is a header.
 */
export function sourceFromCells(cells: readonly (readonly string[])[]): Read<SourceTable> {
  const filled = cells.filter((row) => row.some((cell) => cell.trim() !== ''))
  const header = filled.length > 0 && !filled[0].some((cell) => Number.isFinite(toWatts(cell)))
  const rows = header ? filled.slice(1) : filled
  const firstLine = header ? 2 : 1
  if (rows.length === 12) {
    const width = rows[0].length >= HOURS_A_DAY ? HOURS_A_DAY : 1
    const months = readRows(rows, width, firstLine)
    if ('problem' in months) return refused(months.problem)
    return {
      items: [{ wattsByMonth: months.watts.map((row) => (width === 1 ? Array<number>(24).fill(row[0]) : row)) }],
      problems: [],
    }
  }
  if (rows.length === HOURS || rows.length === HOURS + HOURS_A_DAY) {
    const hours = readRows(rows, 1, firstLine)
    if ('problem' in hours) return refused(hours.problem)
    const all = hours.watts.map(([watts]) => watts)
    const hourlyW = all.length === HOURS ? all : [...all.slice(0, LEAP_DAY), ...all.slice(LEAP_DAY + HOURS_A_DAY)]
    return { items: [{ hourlyW }], problems: [] }
  }
  return refused(`${rows.length} rows of numbers; 12 months, or the ${HOURS} hours of a year are wanted`)
}

const refused = (message: string): Read<SourceTable> => ({ items: [], problems: [{ path: '', value: null, message }] })

function toWatts(cell: string | undefined): number {
  const text = (cell ?? '').trim().replace(/\s/g, '').replace(',', '.')
  return text === '' ? NaN : Number(text)
}

/** The last so many cells of every row as watts, or the first that is none. */
function readRows(
  rows: readonly (readonly string[])[],
  width: number,
  firstLine: number,
): { watts: number[][] } | { problem: string } {
  const watts: number[][] = []
  for (const [i, row] of rows.entries()) {
    const cells = row.slice(-width)
    const wrong = cells.find((cell) => !(toWatts(cell) >= 0))
    if (cells.length < width || wrong !== undefined)
      return {
        problem: `line ${firstLine + i}: ${cells.length < width ? `${row.length} values; ${width} are wanted` : `“${wrong}” is not watts of at least 0`}`,
      }
    watts.push(cells.map(toWatts))
  }
  return { watts }
}
