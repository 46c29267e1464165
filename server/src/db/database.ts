import { fileURLToPath } from 'node:url'
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import type { Logger } from 'pino'
import * as schema from './schema.ts'

export type Database = NodePgDatabase<typeof schema> & { $client: pg.Pool }

const MIGRATIONS = fileURLToPath(new URL('./migrations', import.meta.url))
const MOST_CONNECTIONS = 12
/** A database that does not answer by then is as good as away; the request says so and is asked again. */
const CONNECT_MS = 3000
const QUERY_MS = 8000
const PULSE_MS = 1500
/** One look at the database serves everybody who asks within a moment. */
const PULSE_FOR_MS = 500

export interface OpenDatabase {
  db: Database
  /** whether the database answers at the moment; never throws */
  answers: () => Promise<boolean>
  close: () => Promise<void>
}

/**
 * Opens the database and brings its schema up to date. A connection that is lost later is made anew when it is next
 * needed; until then requests are answered with 503.
 */
export async function openDatabase(url: string, logger?: Logger): Promise<OpenDatabase> {
  await bringUpToDate(url)
  const pool = new pg.Pool({
    connectionString: url,
    max: MOST_CONNECTIONS,
    connectionTimeoutMillis: CONNECT_MS,
    query_timeout: QUERY_MS,
    keepAlive: true,
  })
  pool.on('error', (error) => logger?.warn({ why: error.message }, 'a connection to the database was lost'))
  // a connection that breaks while a request holds it fails that request, which says so
  pool.on('connect', (client) => client.on('error', () => {}))
  return { db: drizzle(pool, { schema }), answers: pulseOf(url), close: () => pool.end() }
}

/** By a connection of its own and without a limit: a migration of years of data takes its time. */
async function bringUpToDate(url: string): Promise<void> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 4 * CONNECT_MS })
  client.on('error', () => {})
  await client.connect()
  try {
    await migrate(drizzle(client), { migrationsFolder: MIGRATIONS })
  } finally {
    await client.end()
  }
}

/** By a connection of its own too, so that a busy pool is not taken for a dead database. */
function pulseOf(url: string): () => Promise<boolean> {
  let last: { at: number; answer: Promise<boolean> } | null = null
  return () => {
    const now = performance.now()
    if (!last || now - last.at > PULSE_FOR_MS) last = { at: now, answer: pulse(url) }
    return last.answer
  }
}

async function pulse(url: string): Promise<boolean> {
  const client = new pg.Client({
    connectionString: url,
    connectionTimeoutMillis: PULSE_MS,
    query_timeout: PULSE_MS,
  })
  client.on('error', () => {})
  try {
    await client.connect()
    await client.query('select 1')
    return true
  } catch {
    return false
  } finally {
    // a frozen server answers no farewell either
    void client.end().catch(() => {})
  }
}
