import { DESIGN_FORMAT, DESIGN_VERSION, type Problem } from '../document/types.ts'
import { DESIGN } from '../fields/design.ts'
import { structuredCloneOf } from '../parts/shelf.ts'
import { MOST_CLEARNESS, mostSun, sunAbove } from '../sun/mostSun.ts'
import type { AnyTable, Before, Field } from '../fields/field.ts'

type Json = Record<string, unknown>
const isObject = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * An object of an earlier version with the fields that a version brought, as the table of fields says what held before.
 * What is no object is left as it is: it is refused by its shape.
 */
function filled(table: AnyTable, value: unknown, version: number, document: Json): unknown {
  if (!isObject(value)) return value
  const whole = { ...value }
  for (const [key, field] of Object.entries(table)) {
    if (!Object.hasOwn(whole, key) && field.since?.version === version) whole[key] = valueBefore(field, value, document)
    if (Object.hasOwn(whole, key)) whole[key] = within(field, whole[key], version, document)
  }
  return whole
}

function within(field: Field, value: unknown, version: number, document: Json): unknown {
  if (field.kind === 'part') return filled(field.of, value, version, document)
  if (field.kind === 'rows' && Array.isArray(value))
    return value.map((item) => filled(field.of, item, version, document))
  return value
}

function valueBefore({ since }: Field, holder: Json, document: Json): unknown {
  const { before } = since!
  if (typeof before === 'function') return (before as Before)(holder, document)
  return typeof before === 'object' && before !== null ? structuredCloneOf(before) : before
}

/** Fields that a version took away, once what they held has gone elsewhere. */
const GONE: Readonly<Record<number, readonly string[]>> = { 8: ['runs'] }

const CLEARNESS_HELD_SINCE = 4

/**
 * Version 4 refuses months with more sun than a sky can let through. The run had held them to that all along, so older
 * rows are held to it too: the design opens, and its winters stay what they were.
 */
function heldSun(document: Json): Json {
  const { place } = document
  if (!isObject(place) || !Array.isArray(place.monthly) || place.monthly.length !== 12) return document
  const { latitudeDeg } = place
  if (!(typeof latitudeDeg === 'number' && Math.abs(latitudeDeg) <= 90)) return document
  const above = sunAbove(latitudeDeg)
  const monthly = place.monthly.map((row: unknown, month) => {
    if (!isObject(row) || typeof row.ghiKWhM2Day !== 'number' || row.ghiKWhM2Day <= mostSun(above[month])) return row
    return { ...row, ghiKWhM2Day: Math.round(MOST_CLEARNESS * above[month] * 1000) / 1000 }
  })
  return { ...document, place: { ...place, monthly } }
}

/**
 * A part that was kept by itself in an earlier version of the format, with the fields that came since.
 * @param table of its kind
 * @param version it was kept in
 */
export function partOfToday(table: AnyTable, part: Json, version: number): Json {
  let today = part
  for (let to = version + 1; to <= DESIGN_VERSION; to++) today = filled(table, today, to, {}) as Json
  return today
}

/**
 * Brings a document of an earlier version to the present one, version by version.
 *
 * @param value anything read from a file or a request
 * @returns the document, still to be validated, or the problem that keeps it from being read at all
 */
export function migrate(value: unknown): { document: unknown } | { problem: Problem } {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return { problem: { path: '', value, message: 'a design is a JSON object' } }
  const { format, version } = value as { format?: unknown; version?: unknown }
  if (format !== DESIGN_FORMAT)
    return { problem: { path: 'format', value: format, message: `format must be “${DESIGN_FORMAT}”` } }
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return { problem: { path: 'version', value: version, message: 'version must be a whole number of at least 1' } }
  if (version > DESIGN_VERSION)
    return {
      problem: {
        path: 'version',
        value: version,
        message: `version ${version} was written by a newer Ambrel; this one reads up to version ${DESIGN_VERSION}`,
      },
    }
  let document = value as Json
  for (let to = version + 1; to <= DESIGN_VERSION; to++) {
    const next = { ...(filled(DESIGN, document, to, document) as Json), version: to }
    document = Object.fromEntries(Object.entries(next).filter(([key]) => !GONE[to]?.includes(key)))
  }
  if (version < CLEARNESS_HELD_SINCE) document = heldSun(document)
  return { document }
}
