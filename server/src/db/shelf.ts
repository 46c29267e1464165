import { and, asc, desc, eq } from 'drizzle-orm'
import type { Reading } from '@ambrel/core'
import { partProblems, type PartKind, type StoredPart, type StoredReading } from '@ambrel/contract'
import type { Database } from './database.ts'
import { part, reading } from './schema.ts'

/** The sound parts of the shelf; one that no design could take is left out. */
export async function listParts(db: Database, kind?: PartKind): Promise<StoredPart[]> {
  const rows = await db
    .select()
    .from(part)
    .where(kind ? eq(part.kind, kind) : undefined)
    .orderBy(asc(part.kind), asc(part.id))
  return rows.filter((row) => partProblems(row.kind, row.part).length === 0)
}

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
