import { drizzle } from 'drizzle-orm/node-postgres'
import type { Database } from './database.ts'
import * as schema from './schema.ts'
import { databaseAway } from './trouble.ts'

/**
 * Does something in one transaction: all of it or nothing. The connection is given back in every case, also when the
 * transaction could not even begin; one that broke is thrown away, and the database undoes what was done on it.
 */
export async function inTransaction<T>(db: Database, work: (tx: Database) => Promise<T>): Promise<T> {
  const client = await db.$client.connect()
  let broken: Error | undefined
  try {
    await client.query('begin')
    const result = await work(drizzle(client, { schema }) as unknown as Database)
    await client.query('commit')
    return result
  } catch (error) {
    if (databaseAway(error)) broken = error as Error
    else await client.query('rollback').catch((failure: Error) => (broken = failure))
    throw error
  } finally {
    client.release(broken)
  }
}
