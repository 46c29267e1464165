import { randomUUID } from 'node:crypto'
import { and, asc, count, eq, sql, type SQL } from 'drizzle-orm'
import { DESIGN_VERSION, partOfToday } from '@ambrel/core'
import { LIMITS, PART_TABLES, type OwnPart, type PartKind, type StoredPart } from '@ambrel/contract'
import { partProblems } from '@ambrel/contract/check'
import type { Database } from './database.ts'
import { planned } from './planned.ts'
import { part } from './schema.ts'
import { inTransaction } from './transaction.ts'

type Row = typeof part.$inferSelect
/** A part as this version knows its kind, whenever it was kept. */
const ofToday = ({ format, ...row }: Row): StoredPart => ({
  ...row,
  part: { ...partOfToday(PART_TABLES[row.kind], row.part, format), id: row.id },
})

/** The sound parts of the shelf, one's own after those of the program; one that no design could take is left out. */
export async function listParts(db: Database, kind?: PartKind): Promise<StoredPart[]> {
  const rows = await (kind ? ofKind(db).execute({ kind }) : ofAnyKind(db).execute())
  return rows.map(ofToday).filter((each) => partProblems(each.kind, each.part).length === 0)
}

const shelf = (db: Database, where?: SQL) =>
  db.select().from(part).where(where).orderBy(asc(part.kind), asc(part.own), asc(part.id))
const ofKind = planned((db) => shelf(db, eq(part.kind, sql.placeholder('kind'))).prepare('parts_of_kind'))
const ofAnyKind = planned((db) => shelf(db).prepare('parts'))

export async function readPart(db: Database, id: string): Promise<StoredPart | null> {
  const [row] = await db.select().from(part).where(eq(part.id, id))
  return row ? ofToday(row) : null
}

/** Keeps parts of one's own, all or none. @returns them with their ids, or that there is no room for so many */
export async function addParts(db: Database, parts: readonly OwnPart[]): Promise<StoredPart[] | 'full'> {
  return inTransaction(db, async (within) => {
    // two at a time would each find room for themselves
    await within.execute(sql`lock table ${part} in share row exclusive mode`)
    const [{ there }] = await within.select({ there: count() }).from(part).where(eq(part.own, true))
    if (there + parts.length > LIMITS.ownParts) return 'full'
    const rows = parts.map(({ kind, part: of }) => {
      const id = `own-${randomUUID()}`
      return { id, kind, part: { ...of, id }, own: true, format: DESIGN_VERSION }
    })
    const stored = await within.insert(part).values(rows).returning()
    return stored.map(ofToday)
  })
}

/** @returns the part as it is now, or null where the version is not the one it was made from */
export async function savePart(
  db: Database,
  id: string,
  version: number,
  of: Record<string, unknown>,
): Promise<StoredPart | null> {
  const [row] = await db
    .update(part)
    .set({ part: { ...of, id }, version: version + 1, format: DESIGN_VERSION })
    .where(and(eq(part.id, id), eq(part.version, version), eq(part.own, true)))
    .returning()
  return row ? ofToday(row) : null
}

export async function removePart(db: Database, id: string): Promise<void> {
  await db.delete(part).where(and(eq(part.id, id), eq(part.own, true)))
}
