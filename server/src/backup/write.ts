import { createHash } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { open, rename, rm } from 'node:fs/promises'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import pg from 'pg'
import { BACKUP_FORMAT, BACKUP_VERSION, columnsOf, nameOf, TABLES, type Header, type Trailer } from './format.ts'

/** Rows asked for at once: a hundred designs fit in memory, a hundred thousand do not. */
const BATCH = 100

/**
 * Writes the whole database, as it stood at one moment, to a file. The file appears when it is complete.
 *
 * @returns rows written
 */
export async function writeBackup(url: string, file: string): Promise<number> {
  const client = new pg.Client({ connectionString: url })
  client.on('error', () => {})
  await client.connect()
  const unfinished = `${file}.unfinished`
  try {
    await client.query('begin isolation level repeatable read read only')
    const trailer: Trailer = { rows: 0, sha256: '' }
    await pipeline(
      Readable.from(linesOf(client, trailer)),
      createGzip(),
      createWriteStream(unfinished, { mode: 0o600 }),
    )
    await client.query('commit')
    await onDisk(unfinished)
    await rename(unfinished, file)
    return trailer.rows
  } catch (error) {
    await rm(unfinished, { force: true })
    throw error
  } finally {
    await client.end().catch(() => {})
  }
}

async function* linesOf(client: pg.Client, trailer: Trailer): AsyncGenerator<string> {
  const hash = createHash('sha256')
  const line = (value: unknown): string => {
    const text = `${JSON.stringify(value)}\n`
    hash.update(text)
    return text
  }
  const made = new Date().toISOString()
  yield line({ format: BACKUP_FORMAT, version: BACKUP_VERSION, made, tables: TABLES.map(nameOf) } satisfies Header)
  for (const table of TABLES) {
    const name = nameOf(table)
    const columns = columnsOf(table).map(({ name: column, type }) => `${asText(column, type)} as "${column}"`)
    await client.query(`declare backup_rows no scroll cursor for select ${columns.join(', ')} from "${name}"`)
    for (;;) {
      const { rows } = await client.query<Record<string, unknown>>(`fetch ${BATCH} from backup_rows`)
      for (const row of rows) {
        trailer.rows++
        yield line({ table: name, row })
      }
      if (rows.length < BATCH) break
    }
    await client.query('close backup_rows')
  }
  trailer.sha256 = hash.digest('hex')
  yield `${JSON.stringify(trailer)}\n`
}

/** Bytes in base64, times whole to the microsecond, the rest as it is. */
function asText(column: string, type: string): string {
  if (type === 'bytea') return `encode("${column}", 'base64')`
  return type.startsWith('timestamp') ? `to_json("${column}") #>> '{}'` : `"${column}"`
}

async function onDisk(path: string): Promise<void> {
  const handle = await open(path)
  try {
    await handle.sync()
  } finally {
    await handle.close()
  }
}
