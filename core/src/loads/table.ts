import type { Cells, Read } from '../document/cells.ts'
import type { Load, Problem } from '../document/types.ts'
import { readQuantity } from '../units/parse.ts'
import { appliance, APPLIANCES, loadFromAppliance } from './appliances.ts'
import { BASIS_NEEDS } from './energy.ts'
import { HOUR_SHAPES } from './shapes.ts'
import { daysNamed, WEEKDAY_NAMES } from './week.ts'

interface Column {
  key: keyof Load
  /** name in the header we write; others are understood as well */
  header: string
  also: RegExp
  unit?: string
  min?: number
  max?: number
  choices?: Record<string, RegExp>
}

const LEGS = {
  A: /^(a|l1|1)$/i,
  B: /^(b|l2|2)$/i,
  C: /^(c|l3|3)$/i,
  AB: /^(ab|a\+b|240.*|both)$/i,
  ABC: /^(abc|3ph.*|three.*)$/i,
  DC: /^dc$/i,
}
const YES_NO = { true: /^(yes|true|1|y)$/i, false: /^(no|false|0|n|)$/i }
const PRIORITIES = { must: /^must/i, should: /^should/i, canWait: /^can\s?-?wait/i }
const STARTS = {
  none: /^(none|no.*)?$/i,
  compressor: /compressor/i,
  'submersible-pump': /^submersible/i,
  'soft-start-pump': /soft/i,
  'induction-tool': /induction/i,
  'universal-tool': /universal/i,
}
const BASES = {
  rated: /^(rated|nameplate)/i,
  strip: /strip/i,
  metered: /^meter/i,
  cycle: /cycle/i,
  month: /month/i,
}
const SUPPLIES = { electric: /^(electric|yes)/i, propane: /^propane/i, out: /^out/i }

const COLUMNS: Column[] = [
  { key: 'name', header: 'name', also: /^(name|load|appliance|device|item)$/i },
  { key: 'room', header: 'room', also: /^(room|group|area|where)$/i },
  {
    key: 'quantity',
    header: 'quantity',
    also: /^(quantity|qty|count|number|how many|×|x)$/i,
    unit: '',
    min: 0,
    max: 1000,
  },
  {
    key: 'runningW',
    header: 'running W',
    also: /^(running ?w|watts?|power|running|w)( ?\(w\))?$/i,
    unit: 'W',
    min: 0,
    max: 100000,
  },
  { key: 'powerFactor', header: 'power factor', also: /^(power ?factor|pf)$/i, unit: '', min: 0.1, max: 1 },
  { key: 'hoursPerDay', header: 'hours a day', also: /^(hours?.*|h\/d.*|h|hrs.*)$/i, unit: 'h', min: 0, max: 24 },
  { key: 'duty', header: 'duty', also: /^duty/i, unit: 'share', min: 0, max: 1 },
  { key: 'weekdays', header: 'on', also: /^(on|weekdays|days? of the week)$/i },
  { key: 'daysPerWeek', header: 'days a week', also: /^days/i, unit: 'd', min: 0, max: 7 },
  { key: 'basis', header: 'stated by', also: /^(basis|stated.*)$/i, choices: BASES },
  { key: 'meteredKWh', header: 'metered kWh', also: /^metered ?kwh/i, unit: 'kWh', min: 0, max: 100000 },
  { key: 'meteredHours', header: 'metered hours', also: /^metered ?h/i, unit: 'h', min: 0.1, max: 20000 },
  { key: 'strip', header: 'strip', also: /^(metered )?strip$/i },
  {
    key: 'stripShare',
    header: 'share of the strip',
    also: /^(strip share|share of.*)$/i,
    unit: 'share',
    min: 0,
    max: 1,
  },
  { key: 'cycleWh', header: 'cycle Wh', also: /^cycle ?wh/i, unit: 'Wh', min: 0, max: 100000 },
  { key: 'cycleDepth', header: 'cycle depth', also: /^cycle ?depth/i, unit: 'share', min: 0, max: 1 },
  { key: 'cycleChargerEfficiency', header: 'charger efficiency', also: /^charger/i, unit: 'share', min: 0.1, max: 1 },
  { key: 'cyclesPerWeek', header: 'cycles a week', also: /^cycles/i, unit: '', min: 0, max: 1000 },
  {
    key: 'monthKWh',
    header: 'kWh a month',
    also: /^(kwh a month|month.*kwh|kwh.*month)/i,
    unit: 'kWh',
    min: 0,
    max: 100000,
  },
  { key: 'leg', header: 'leg', also: /^(leg|line|phase)$/i, choices: LEGS },
  {
    key: 'switched',
    header: 'switched output',
    also: /^switched/i,
    choices: YES_NO,
  },
  { key: 'priority', header: 'priority', also: /^priority/i, choices: PRIORITIES },
  {
    key: 'movable',
    header: 'movable',
    also: /^(movable|moveable|deferrable)/i,
    choices: YES_NO,
  },
  {
    key: 'storeDays',
    header: 'store days',
    also: /^(store|tank)/i,
    unit: 'd',
    min: 0,
    max: 60,
  },
  {
    key: 'whenAway',
    header: 'on while away',
    also: /^(on while away|away)/i,
    choices: YES_NO,
  },
  { key: 'startKind', header: 'start', also: /^(start|motor)( kind)?$/i, choices: STARTS },
  { key: 'startW', header: 'start W', also: /^(start ?w|surge)/i, unit: 'W', min: 0, max: 1e6 },
  { key: 'startS', header: 'start s', also: /^start ?s(econds)?$/i, unit: 's', min: 0.05, max: 120 },
  { key: 'seenStarting', header: 'seen starting', also: /^seen/i, choices: YES_NO },
  { key: 'standbyW', header: 'standby W', also: /^standby/i, unit: 'W', min: 0, max: 10000 },
  { key: 'supply', header: 'supply', also: /^supply/i, choices: SUPPLIES },
  { key: 'seasonShare', header: 'months', also: /^(months|season)/i, min: 0, max: 10 },
  { key: 'hourShape', header: 'hours of the day', also: /^hours of the day/i, min: 0, max: 1000 },
]
/** Without a header the columns are taken in this order. */
const PLAIN_ORDER: (keyof Load)[] = ['name', 'runningW', 'hoursPerDay', 'quantity', 'room']
const LIST_LENGTH = { seasonShare: 12, hourShape: 24 } as const

/**
 * Makes loads of pasted or imported rows. With a header the columns are found by name; without one they are name,
 * watts, hours a day, quantity, room. Units may stand in the cells. What a row leaves out comes from the appliance
 * shelf where the name is known there, else from a plain load.
 *
 * @param cells rows as they came; line 1 is the first
 * @param nextId gives each new load its id
 * @returns the loads of the rows that are sound, and every problem with its line
 */
export function loadsFromCells(cells: Cells, nextId: (made: readonly Load[]) => string): Read<Load> {
  const items: Load[] = []
  const problems: Problem[] = []
  const rows = cells.map((row, i) => ({ row, line: i + 1 })).filter(({ row }) => row.some((cell) => cell.trim() !== ''))
  if (rows.length === 0) return { items, problems: [{ path: '1', value: '', message: 'there are no rows' }] }
  const header = headerOf(rows[0].row)
  const columns = header ?? PLAIN_ORDER.map((key) => COLUMNS.find((column) => column.key === key)!)
  if (header && !header.some((column) => column?.key === 'name'))
    return { items, problems: [{ path: '1', value: rows[0].row.join(' '), message: 'line 1 names no column “name”' }] }
  for (const { row, line } of header ? rows.slice(1) : rows) {
    const before = problems.length
    const load = loadOf(row, columns, line, problems, nextId(items))
    if (load && problems.length === before) items.push(load)
  }
  return { items, problems }
}

function headerOf(row: readonly string[]): (Column | undefined)[] | null {
  const found = row.map(
    (cell) =>
      COLUMNS.find((column) => column.header === cell.trim()) ??
      COLUMNS.find((column) => column.also.test(cell.trim())),
  )
  const known = found.filter(Boolean).length
  return known >= 2 || (known === 1 && row.length === 1) ? found : null
}

function loadOf(
  row: readonly string[],
  columns: readonly (Column | undefined)[],
  line: number,
  problems: Problem[],
  id: string,
): Load | null {
  const name = (row[columns.findIndex((column) => column?.key === 'name')] ?? '').trim().slice(0, 120)
  const fail = (column: string, value: string, message: string) =>
    problems.push({ path: String(line), value, message: `line ${line}, ${column}: ${message}` })
  if (name === '') {
    fail('name', '', 'is empty; write what the load is called')
    return null
  }
  const known = APPLIANCES.find((each) => each.name.toLowerCase() === name.toLowerCase())
  const load: Load = { ...(known ? loadFromAppliance(known, id) : plainLoad(id)), name }
  columns.forEach((column, i) => {
    const cell = (row[i] ?? '').trim()
    if (!column || column.key === 'name' || cell === '') return
    const read = readCell(column, cell)
    if ('problem' in read) fail(column.header, cell, read.problem)
    else (load as unknown as Record<string, unknown>)[column.key] = read.value
  })
  const named = daysNamed(load.weekdays)
  const isGiven = (key: keyof Load) => columns.some((column, i) => column?.key === key && (row[i] ?? '').trim() !== '')
  if (isGiven('weekdays') && !isGiven('daysPerWeek')) load.daysPerWeek = named
  if (load.daysPerWeek > named)
    fail(
      'days a week',
      String(load.daysPerWeek),
      `${load.daysPerWeek} are more than the ${named === 1 ? 'one day that is' : `${named} days that are`} named`,
    )
  if (!columns.some((column) => column?.key === 'basis')) load.basis = impliedBasis(load)
  for (const needed of BASIS_NEEDS[load.basis])
    if (load[needed] === null)
      fail(COLUMNS.find(({ key }) => key === needed)!.header, '', `is missing; “${load.basis}” needs it`)
  return load
}

/** A row that only gives a meter's figure, a month's or a cycle's is stated by it. */
function impliedBasis(load: Load): Load['basis'] {
  const whole = (basis: Load['basis']) => BASIS_NEEDS[basis].every((field) => load[field] !== null)
  return (['metered', 'month', 'cycle'] as const).find(whole) ?? 'rated'
}

function plainLoad(id: string): Load {
  const plain = loadFromAppliance(appliance('phantom'), id)
  return { ...plain, room: '', runningW: 0, hoursPerDay: 24, priority: 'should', leg: 'A' }
}

function readCell(column: Column, cell: string): { value: unknown } | { problem: string } {
  if (column.choices) {
    const found = Object.entries(column.choices).find(([, words]) => words.test(cell))
    if (!found) return { problem: `“${cell}” is not one of ${Object.keys(column.choices).join(', ')}` }
    return { value: column.choices === YES_NO ? found[0] === 'true' : found[0] }
  }
  if (column.key === 'seasonShare' || column.key === 'hourShape') return readList(column.key, column, cell)
  if (column.key === 'weekdays') return readWeekdays(cell)
  if (column.unit === undefined) return { value: cell.slice(0, 80) }
  const read = readQuantity(cell, column.unit)
  if ('problem' in read) return read
  if (read.value < column.min! || read.value > column.max!)
    return {
      problem: `${cell} must lie between ${column.min} and ${column.max}${column.unit ? ` ${column.unit}` : ''}`,
    }
  return read
}

/** Days of the week by their first letters: `Sat Sun`. */
function readWeekdays(cell: string): { value: number[] } | { problem: string } {
  const words = cell.toLowerCase().split(/[\s,;/]+/)
  const days = words.map((word) =>
    WEEKDAY_NAMES.findIndex((name) => word.length > 1 && word.startsWith(name.toLowerCase().slice(0, word.length))),
  )
  if (days.includes(-1)) return { problem: `“${cell.slice(0, 30)}” must be days of the week, as in “Sat Sun”` }
  return { value: WEEKDAY_NAMES.map((_, day) => (days.includes(day) ? 1 : 0)) }
}

function readList(
  key: 'seasonShare' | 'hourShape',
  column: Column,
  cell: string,
): { value: number[] } | { problem: string } {
  const named =
    key === 'hourShape'
      ? Object.values(HOUR_SHAPES).find(({ name }) => name.toLowerCase() === cell.toLowerCase())
      : null
  if (named) return { value: [...named.weights] }
  const values = cell.split(/\s+/).map(Number)
  const length = LIST_LENGTH[key]
  if (values.length !== length || !values.every((value) => value >= column.min! && value <= column.max!))
    return {
      problem: `“${cell.slice(0, 30)}” must be ${length} numbers from ${column.min} to ${column.max} with spaces between`,
    }
  return { value: values }
}

/** The loads as rows with a header; {@link loadsFromCells} reads them back without loss (meter readings apart). */
export function cellsOfLoads(loads: readonly Load[]): string[][] {
  const text = (value: unknown, key: keyof Load): string =>
    value === null
      ? ''
      : Array.isArray(value)
        ? (key === 'weekdays' ? WEEKDAY_NAMES.filter((_, day) => value[day] > 0) : value).join(' ')
        : value === true
          ? 'yes'
          : value === false
            ? 'no'
            : String(value)
  return [COLUMNS.map(({ header }) => header), ...loads.map((load) => COLUMNS.map(({ key }) => text(load[key], key)))]
}
