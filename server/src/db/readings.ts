import { and, desc, eq } from 'drizzle-orm'
import type { Reading } from '@ambrel/core'
import type { StoredReading } from '@ambrel/contract'
import type { Database } from './database.ts'
import { reading } from './schema.ts'

/** The newest readings of a design first. */
export async function listReadings(db: Database, designId: string, most = 500): Promise<StoredReading[]> {
  const rows = await db
    .select()
    .from(reading)
    .where(eq(reading.designId, designId))
    .orderBy(desc(reading.at))
    .limit(most)
  return rows.map(({ designId: _designId, at, ...rest }) => ({ ...rest, at: at.toISOString() }))
}

export async function addReading(db: Database, designId: string, entry: Reading): Promise<StoredReading> {
  const [row] = await db
    .insert(reading)
    .values({ ...entry, designId, at: new Date(entry.at) })
    .returning()
  const { designId: _designId, at, ...rest } = row
  return { ...rest, at: at.toISOString() }
}

/** @returns whether the design had such a reading */
export async function removeReading(db: Database, designId: string, id: number): Promise<boolean> {
  const rows = await db
    .delete(reading)
    .where(and(eq(reading.designId, designId), eq(reading.id, id)))
    .returning({ id: reading.id })
  return rows.length > 0
}
