import type { Cells, Read } from '../document/cells.ts'
import type { MonthlyClimate } from '../document/types.ts'
import type { Problem } from '../document/types.ts'
import { MONTH_NAMES } from '../calendar/calendar.ts'
import { readQuantity } from '../units/parse.ts'

type Key = keyof MonthlyClimate
/** Order of the columns where no header names them. */
const ORDER: Key[] = ['ghiKWhM2Day', 'meanC', 'minC', 'maxC', 'snowfallCm']
const COLUMNS: Record<Key, { name: string; words: RegExp; unit: string; min: number; max: number }> = {
  ghiKWhM2Day: { name: 'sun', words: /sun|ghi|irradi|insol|radiation|kwh|mj/i, unit: 'kWh/m²', min: 0, max: 14 },
  meanC: { name: 'mean', words: /mean|avg|average|^temp/i, unit: '°C', min: -80, max: 60 },
  minC: { name: 'minimum', words: /min|low/i, unit: '°C', min: -90, max: 60 },
  maxC: { name: 'maximum', words: /max|high/i, unit: '°C', min: -80, max: 70 },
  snowfallCm: { name: 'snowfall', words: /snow/i, unit: 'cm', min: 0, max: 1000 },
}
/** A header that says “mean of minima” means the minima. */
const SEARCH: Key[] = ['ghiKWhM2Day', 'snowfallCm', 'minC', 'maxC', 'meanC']
const isMonth = (cell: string) =>
  MONTH_NAMES.some((name) => cell.trim().toLowerCase().startsWith(name.toLowerCase())) ||
  /^(1[0-2]|0?[1-9])$/.test(cell.trim())

/**
 * Twelve monthly rows out of a pasted block: months down with a column per figure, or months across with a row per
 * figure. Names of months and of columns are understood where there are any; without names the order is sun, mean,
 * minimum, maximum, snowfall. What the block does not hold is taken from the present rows.
 *
 * @returns twelve rows, or the problems with their lines
 */
export function climateFromCells(cells: Cells, present: readonly MonthlyClimate[]): Read<MonthlyClimate> {
  const rows = cells.filter((row) => row.some((cell) => cell.trim() !== ''))
  const block = upright(rows)
  const problems: Problem[] = []
  if (!block)
    return {
      items: [],
      problems: [
        {
          path: '',
          value: rows.length,
          message: `twelve months are needed, down or across; this block is ${rows.length} by ${rows[0]?.length ?? 0}`,
        },
      ],
    }
  const { months, keys, across } = block
  const items = months.map((row, m): MonthlyClimate => {
    const made = { ...present[m] }
    keys.forEach((key, i) => {
      if (!key) return
      const cell = row[i] ?? ''
      const { name, unit, min, max } = COLUMNS[key]
      const where = across ? `${name} of ${MONTH_NAMES[m]}` : `line ${block.firstLine + m}, ${name}`
      const read = readQuantity(cell, unit)
      if ('problem' in read) problems.push({ path: String(m), value: cell, message: `${where}: ${read.problem}` })
      else if (read.value < min || read.value > max)
        problems.push({
          path: String(m),
          value: cell,
          message: `${where}: ${cell.trim()} must lie between ${min} and ${max} ${unit}`,
        })
      else made[key] = Math.round(read.value * 1000) / 1000
    })
    if (!keys.includes('minC') && keys.includes('meanC')) shiftSwing(made, present[m])
    return made
  })
  return { items, problems }
}

/** A new mean keeps the swing of the day that was there. */
function shiftSwing(made: MonthlyClimate, before: MonthlyClimate): void {
  made.minC = Math.round((made.meanC + before.minC - before.meanC) * 10) / 10
  made.maxC = Math.round((made.meanC + before.maxC - before.meanC) * 10) / 10
}

interface Block {
  months: string[][]
  keys: (Key | null)[]
  firstLine: number
  across: boolean
}

function upright(rows: Cells): Block | null {
  const down = blockOf(rows)
  if (down) return { ...down, across: false }
  const width = widthOf(rows)
  const turned = Array.from({ length: width }, (_, i) => rows.map((row) => row[i] ?? ''))
  const across = blockOf(turned)
  return across && { ...across, across: true }
}

const widthOf = (rows: Cells): number => rows.reduce((most, row) => Math.max(most, row.length), 0)

function blockOf(rows: Cells): Omit<Block, 'across'> | null {
  const header = rows.length >= 13 ? rows[0] : null
  const body = (header ? rows.slice(1) : rows).slice(0, 12)
  if (body.length !== 12 || rows.length > 14) return null
  const named = body.every((row) => isMonth(row[0] ?? '')) && (body[0].length > 1 || /[a-z]/i.test(body[0][0]))
  const from = named ? 1 : 0
  const months = body.map((row) => row.slice(from))
  const width = widthOf(months)
  const keys = Array.from({ length: width }, (_, i) =>
    header ? (SEARCH.find((key) => COLUMNS[key].words.test(header[i + from] ?? '')) ?? null) : (ORDER[i] ?? null),
  )
  return keys.some(Boolean) ? { months, keys, firstLine: header ? 2 : 1 } : null
}
