import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { StringDecoder } from 'node:string_decoder'
import { createGunzip } from 'node:zlib'
import pg from 'pg'
import {
  BACKUP_FORMAT,
  BACKUP_VERSION,
  columnsOf,
  nameOf,
  TABLES,
  type Header,
  type Row,
  type Trailer,
} from './format.ts'

/** A file that is no backup, or a damaged one, or a database that is not empty; in words. */
export class BackupRefused extends Error {}

/**
 * Looks through a backup without touching a database.
 *
 * @returns rows by table
 * @throws BackupRefused naming the line
 */
export async function checkBackup(file: string): Promise<Map<string, number>> {
  const counts = new Map<string, number>()
  for await (const { table } of rowsOf(file)) counts.set(table, (counts.get(table) ?? 0) + 1)
  return counts
}

/**
 * Fills an empty database, whose schema is up to date, from a backup: all of it or nothing.
 *
 * @returns rows by table
 * @throws BackupRefused where the file is damaged or the database holds designs already
 */
export async function restoreBackup(url: string, file: string): Promise<Map<string, number>> {
  await checkBackup(file)
  const client = new pg.Client({ connectionString: url })
  client.on('error', () => {})
  await client.connect()
  try {
    await client.query('begin')
    const { rows } = await client.query<{ n: string }>('select count(*) as n from design')
    if (Number(rows[0].n) > 0)
      throw new BackupRefused(`the database holds ${rows[0].n} designs already; a backup goes into an empty one`)
    for (const table of TABLES) await client.query(`delete from "${nameOf(table)}"`)
    const counts = await insertAll(client, file)
    await client.query(
      `select setval(pg_get_serial_sequence('reading', 'id'), greatest((select max(id) from reading), 1))`,
    )
    await client.query('commit')
    return counts
  } catch (error) {
    await client.query('rollback').catch(() => {})
    throw error
  } finally {
    await client.end().catch(() => {})
  }
}

async function insertAll(client: pg.Client, file: string): Promise<Map<string, number>> {
  const counts = new Map<string, number>()
  const statements = new Map(TABLES.map((table) => [nameOf(table), { columns: columnsOf(table) }]))
  for await (const { table, row } of rowsOf(file)) {
    // a column that came after the backup was made takes its default
    const columns = statements.get(table)!.columns.filter(({ name }) => name in row)
    const values = columns.map(({ name, type }) => asStored(row[name], type))
    const places = columns.map(({ type }, i) => (type === 'bytea' ? `decode($${i + 1}, 'base64')` : `$${i + 1}`))
    const names = columns.map(({ name }) => `"${name}"`)
    await client.query(`insert into "${table}" (${names.join(', ')}) values (${places.join(', ')})`, values)
    counts.set(table, (counts.get(table) ?? 0) + 1)
  }
  return counts
}

const asStored = (value: unknown, type: string): unknown =>
  type === 'jsonb' && value !== null ? JSON.stringify(value) : value

async function* rowsOf(file: string): AsyncGenerator<Row> {
  const hash = createHash('sha256')
  let at = 0
  let rows = 0
  let trailer: Trailer | null = null
  const names = new Set(TABLES.map(nameOf))
  try {
    for await (const text of linesOf(file)) {
      at++
      if (trailer) throw new BackupRefused(`line ${at}: there is more after the last line`)
      const value = JSON.parse(text) as Partial<Header & Row & Trailer>
      if (at === 1) requireHeader(value)
      else if (value.table !== undefined) {
        if (!names.has(value.table)) throw new BackupRefused(`line ${at}: there is no table “${value.table}”`)
        rows++
        yield value as Row
      } else if (value.sha256 !== undefined) trailer = value as Trailer
      else throw new BackupRefused(`line ${at} is no row of a backup`)
      if (!trailer) hash.update(`${text}\n`)
    }
  } catch (error) {
    if (error instanceof BackupRefused) throw error
    const { code, message } = error as NodeJS.ErrnoException
    if (code === 'ENOENT') throw new BackupRefused(`there is no file ${file}`)
    throw new BackupRefused(`${file} is damaged or no backup, at line ${at || 1}: ${message}`)
  }
  if (!trailer) throw new BackupRefused(`${file} breaks off after line ${at}; it is not whole`)
  if (trailer.rows !== rows || trailer.sha256 !== hash.digest('hex'))
    throw new BackupRefused(`${file} was changed: its ${rows} rows are not those that were written`)
}

async function* linesOf(file: string): AsyncGenerator<string> {
  const unpacked = createGunzip()
  createReadStream(file)
    .on('error', (error) => unpacked.destroy(error))
    .pipe(unpacked)
  const decoder = new StringDecoder('utf8')
  let rest = ''
  for await (const chunk of unpacked) {
    const lines = (rest + decoder.write(chunk as Buffer)).split('\n')
    rest = lines.pop() ?? ''
    yield* lines
  }
  if (rest !== '') yield rest
}

function requireHeader({ format, version }: Partial<Header>): void {
  if (format !== BACKUP_FORMAT) throw new BackupRefused('line 1 does not say that this is a backup of Ambrel')
  if (version !== BACKUP_VERSION)
    throw new BackupRefused(`this backup has version ${version}; this Ambrel reads version ${BACKUP_VERSION}`)
}
