import { fileURLToPath } from 'node:url'
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import * as schema from './schema.ts'

export type Database = NodePgDatabase<typeof schema>

const MIGRATIONS = fileURLToPath(new URL('./migrations', import.meta.url))

/** Opens the database, brings its schema up to date and returns it with the way to close it. */
export async function openDatabase(url: string): Promise<{ db: Database; close: () => Promise<void> }> {
  const pool = new pg.Pool({ connectionString: url, max: 12 })
  const db = drizzle(pool, { schema })
  await migrate(db, { migrationsFolder: MIGRATIONS })
  return { db, close: () => pool.end() }
}
