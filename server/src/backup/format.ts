import { getTableColumns, getTableName } from 'drizzle-orm'
import type { PgTable } from 'drizzle-orm/pg-core'
import { design, designHistory, job, part, reading, seedMark, weatherFile } from '../db/schema.ts'

/**
 * A backup is gzipped text, a JSON value a line. The first line tells what it is; then a line a row,
 * `{"table": …, "row": {column: value}}`, with bytes in base64 and times in ISO 8601; the last line has the number of
 * rows and the SHA-256 of everything before it.
 */
export const BACKUP_FORMAT = 'ambrel-backup'
export const BACKUP_VERSION = 1

/** Every table, in an order in which each finds what it refers to. */
export const TABLES: readonly PgTable[] = [design, designHistory, weatherFile, part, reading, seedMark, job]

export interface Header {
  format: typeof BACKUP_FORMAT
  version: typeof BACKUP_VERSION
  made: string
  tables: string[]
}

export interface Row {
  table: string
  row: Record<string, unknown>
}

export interface Trailer {
  rows: number
  sha256: string
}

/** Columns of a table as the database names them, with what they hold. */
export const columnsOf = (table: PgTable): { name: string; type: string }[] =>
  Object.values(getTableColumns(table)).map((column) => ({ name: column.name, type: column.getSQLType() }))
export const nameOf = (table: PgTable): string => getTableName(table)
