import {
  DESIGN_VERSION,
  partFromLabel,
  partOfToday,
  say,
  type AnyTable,
  type Cells,
  type Field,
  type Problem,
  type Read,
} from '@ambrel/core'
import { LIMITS } from './limits.ts'
import { partProblems } from './parts.ts'
import { PART_KINDS, PART_TABLES, type OwnPart, type PartKind } from './partTables.ts'
import { excessOf } from './structure.ts'
import { countLines, parseTable, toCsv } from './weatherFile.ts'

/** A file of parts: the version is that of the design's format, whose fields they have. */
export const PARTS_FORMAT = 'ambrel-parts'

/** Parts as a JSON file; {@link readPartFile} reads it back without loss. */
export const partsAsJson = (parts: readonly OwnPart[]): string =>
  `${JSON.stringify({ format: PARTS_FORMAT, version: DESIGN_VERSION, parts: parts.map(handedOver) }, null, 2)}\n`

/** A part without its key, which the shelf gives anew wherever it comes. */
const handedOver = ({ kind, part: { id: _id, ...part } }: OwnPart): OwnPart => ({ kind, part })

/** Columns of a CSV of parts: the kind, then the fields of every kind in the order of their tables; parts within parts have none. */
const COLUMNS = [
  'partKind',
  ...new Set(
    PART_KINDS.flatMap((kind) =>
      Object.entries<Field>(PART_TABLES[kind]).flatMap(([key, field]) =>
        key === 'id' || field.kind === 'part' ? [] : [key],
      ),
    ),
  ),
]

/**
 * Parts as a CSV with a line each, for a spreadsheet. Lists are written `20:225; 100:250`, and `none` where there is none. What is built into a unit has no
 * column: a part that has something in it keeps it only in JSON.
 */
export const partsAsCsv = (parts: readonly OwnPart[]): string =>
  toCsv([
    COLUMNS,
    ...parts.map(({ kind, part }) =>
      COLUMNS.map((key) => {
        if (key === 'partKind') return kind
        const field: Field | undefined = (PART_TABLES[kind] as AnyTable)[key]
        return field ? cellOf(field, part[key]) : ''
      }),
    ),
  ])

/** What a cell says of a figure that there is none of; an empty one says nothing. */
const NONE = 'none'

function cellOf(field: Field, value: unknown): string {
  if (value === undefined) return ''
  if (value === null) return NONE
  if (field.kind === 'rows')
    return (value as Record<string, number>[]).map((row) => Object.values(row).join(':')).join('; ')
  return Array.isArray(value) ? value.join(' ') : String(value)
}

/**
 * Reads a file of parts, JSON or CSV. A part that leaves figures out is completed from its label, as far as it says what a label
 * says; what was estimated so is marked.
 *
 * @param text of the file
 * @returns the sound parts, and every problem with the line or number of its part
 */
export function readPartFile(text: string): Read<OwnPart> {
  const tidy = text.replace(/^\uFEFF/, '').trim()
  return tidy.startsWith('{') || tidy.startsWith('[') ? fromJson(tidy) : fromCsv(tidy)
}

const failed = (message: Problem['message']): Read<OwnPart> => ({
  items: [],
  problems: [{ path: '', value: null, message }],
})

function fromJson(text: string): Read<OwnPart> {
  const excess = excessOf(new TextEncoder().encode(text))
  if (excess) return { items: [], problems: [excess] }
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    return failed(`not JSON: ${(error as Error).message}`)
  }
  const { format, version, parts } = value as { format?: unknown; version?: unknown; parts?: unknown }
  if (format !== PARTS_FORMAT) return failed(`format must be “${PARTS_FORMAT}”; this is another kind of file`)
  if (!(typeof version === 'number' && Number.isInteger(version) && version >= 1))
    return failed('version must be a whole number of at least 1')
  if (version > DESIGN_VERSION)
    return failed(`version ${version} was written by a newer Ambrel; this one reads up to version ${DESIGN_VERSION}`)
  if (!Array.isArray(parts)) return failed('parts must be a list')
  return gathered(
    parts.map((each: unknown, i) => {
      const { kind, part } = (each ?? {}) as { kind?: unknown; part?: unknown }
      return { at: `part ${i + 1}`, kind, part: isObject(part) ? part : {}, version }
    }),
  )
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function fromCsv(text: string): Read<OwnPart> {
  if (text === '') return failed('the file is empty')
  if (countLines(text) > LIMITS.ownParts + 1) return failed(`at most ${LIMITS.ownParts} parts can be taken`)
  const [header, ...rows]: Cells = parseTable(text)
  const columns = header.map((cell) => cell.trim())
  if (!columns.includes('partKind'))
    return failed('the first line must name the columns, “partKind” among them: battery, module, controller, …')
  const unknown = columns.filter((column) => column !== '' && !COLUMNS.includes(column))
  if (unknown.length > 0) return failed(`column “${unknown[0]}” is not one of ${COLUMNS.join(', ')}`)
  const problems: Problem[] = []
  const parts = rows.flatMap((row, i) => {
    if (row.every((cell) => cell.trim() === '')) return []
    const at = `line ${i + 2}`
    const kind = (row[columns.indexOf('partKind')] ?? '').trim()
    const table: AnyTable = PART_TABLES[kind as PartKind] ?? {}
    const part: Record<string, unknown> = {}
    columns.forEach((key, c) => {
      const cell = (row[c] ?? '').trim()
      const field = table[key]
      if (!field || cell === '') return
      const read = valueOf(field, cell)
      if ('problem' in read)
        problems.push({ path: at, value: cell, message: say`${at}, ${field.label}: ${read.problem}` })
      else part[key] = read.value
    })
    return [{ at, kind, part, version: DESIGN_VERSION }]
  })
  const bad = new Set(problems.map(({ path }) => path))
  const read = gathered(parts.filter(({ at }) => !bad.has(at)))
  return { items: read.items, problems: [...problems, ...read.problems] }
}

function valueOf(field: Field, cell: string): { value: unknown } | { problem: string } {
  const chosen = field.kind === 'choice' ? field.options.find(({ value }) => String(value) === cell) : undefined
  if (chosen) return { value: chosen.value }
  if (cell.toLowerCase() === NONE) return { value: null }
  switch (field.kind) {
    case 'number': {
      const value = Number(cell.replace(',', '.'))
      return Number.isFinite(value) ? { value } : { problem: `“${cell}” is not a number` }
    }
    case 'flag':
      return { value: /^(true|yes|1)$/i.test(cell) }
    case 'texts':
      return { value: cell.split(/\s+/) }
    case 'rows': {
      const keys = Object.keys(field.of)
      const rows = cell.split(';').map((row) => row.trim().split(':').map(Number))
      if (!rows.every((row) => row.length === keys.length && row.every(Number.isFinite)))
        return { problem: `“${cell}” must be pairs as in “20:225; 100:250”` }
      return { value: rows.map((row) => Object.fromEntries(keys.map((key, i) => [key, row[i]]))) }
    }
    default:
      return { value: cell }
  }
}

interface Given {
  at: string
  kind: unknown
  part: Record<string, unknown>
  version: number
}

function gathered(given: readonly Given[]): Read<OwnPart> {
  const read: Read<OwnPart> = { items: [], problems: [] }
  const fail = (at: string, message: Problem['message']) =>
    read.problems.push({ path: at, value: null, message: say`${at}: ${message}` })
  if (given.length === 0) return failed('there are no parts in this file')
  if (given.length > LIMITS.ownParts) return failed(`at most ${LIMITS.ownParts} parts can be taken`)
  for (const { at, kind, part, version } of given) {
    if (!PART_KINDS.includes(kind as PartKind)) {
      fail(at, `kind ${JSON.stringify(kind) ?? 'nothing'} is not one of ${PART_KINDS.join(', ')}`)
      continue
    }
    const own = completed(kind as PartKind, partOfToday(PART_TABLES[kind as PartKind], part, version))
    if ('problem' in own) {
      fail(at, own.problem)
      continue
    }
    const problems = partProblems(own.kind, own.part)
    if (problems.length === 0) read.items.push(own)
    for (const { message } of problems) fail(at, message)
  }
  return read
}

/** A part with what its file left out estimated from the rest. */
function completed(kind: PartKind, part: Record<string, unknown>): OwnPart | { problem: string } {
  try {
    return { kind, part: { ...partFromLabel(kind, part as never).part, id: 'own' } as Record<string, unknown> }
  } catch (error) {
    return { problem: (error as Error).message }
  }
}
