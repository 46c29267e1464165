import { and, asc, desc, eq, gte, isNotNull, isNull, lt, sql, type SQL } from 'drizzle-orm'
import { migrate, type Design } from '@ambrel/core'
import type { DesignEntry, HistoryEntry, StoredDesign } from '@ambrel/contract'
import type { Database } from './database.ts'
import { planned } from './planned.ts'
import { design, designHistory, job } from './schema.ts'
import { inTransaction } from './transaction.ts'

/** Versions of a design that are kept. */
const HISTORY_KEPT = 100
export const BIN_DAYS = 30

const entryColumns = {
  id: design.id,
  familyId: design.familyId,
  name: design.name,
  variant: design.variant,
  placeLabel: design.placeLabel,
  version: design.version,
  updatedAt: design.updatedAt,
  deletedAt: design.deletedAt,
  archivedAt: design.archivedAt,
}

type EntryRow = Omit<DesignEntry, 'updatedAt' | 'deletedAt' | 'archivedAt'> & {
  updatedAt: Date
  deletedAt: Date | null
  archivedAt: Date | null
}

function toEntry(row: EntryRow): DesignEntry {
  const { id, familyId, name, variant, placeLabel, version } = row
  return {
    id,
    familyId,
    name,
    variant,
    placeLabel,
    version,
    updatedAt: row.updatedAt.toISOString(),
    deletedAt: row.deletedAt?.toISOString() ?? null,
    archivedAt: row.archivedAt?.toISOString() ?? null,
  }
}

const named = (document: Design) => ({
  name: document.name,
  variant: document.variant,
  placeLabel: document.place.label,
  document,
})

/** A document as this version writes it; it was sound when it was stored, maybe by an earlier version. */
function upToDate(document: Design): Design {
  const migrated = migrate(document)
  return 'document' in migrated ? (migrated.document as Design) : document
}

/** Every design on the shelf, or in the bin, families together in the order they were made. */
export async function listDesigns(db: Database, inBin = false): Promise<DesignEntry[]> {
  const rows = await (inBin ? inTheBin : onTheShelf)(db).execute()
  return rows.map(toEntry)
}

const entriesWhere = (db: Database, where: SQL) =>
  db.select(entryColumns).from(design).where(where).orderBy(asc(design.createdAt))
const onTheShelf = planned((db) => entriesWhere(db, isNull(design.deletedAt)).prepare('designs'))
const inTheBin = planned((db) => entriesWhere(db, isNotNull(design.deletedAt)).prepare('designs_in_bin'))

export async function readDesign(db: Database, id: string): Promise<StoredDesign | null> {
  const [row] = await oneDesign(db).execute({ id })
  return row ? { ...toEntry(row), document: upToDate(row.document) } : null
}

export async function hasDesign(db: Database, id: string): Promise<boolean> {
  const rows = await idOfDesign(db).execute({ id })
  return rows.length > 0
}

const thisOne = and(eq(design.id, sql.placeholder('id')), isNull(design.deletedAt))
const oneDesign = planned((db) =>
  db
    .select({ ...entryColumns, document: design.document })
    .from(design)
    .where(thisOne)
    .prepare('design'),
)
const idOfDesign = planned((db) => db.select({ id: design.id }).from(design).where(thisOne).prepare('design_id'))

/** Stores a new design, in a family of its own unless one is named. */
export async function createDesign(
  db: Database,
  document: Design,
  place: { id?: string; familyId?: string } = {},
): Promise<StoredDesign> {
  return inTransaction(db, async (tx) => {
    const familyId = place.familyId ?? sql`gen_random_uuid()`
    const [row] = await tx
      .insert(design)
      .values({ ...named(document), familyId, ...(place.id ? { id: place.id } : {}) } as typeof design.$inferInsert)
      .returning()
    await tx.insert(designHistory).values({ designId: row.id, version: 1, document })
    return { ...toEntry(row), document }
  })
}

/**
 * Saves a design made from `version`; a save from an older version changes nothing.
 * @returns its entry, or null where the version is stale or the design is gone
 */
export async function saveDesign(
  db: Database,
  id: string,
  version: number,
  document: Design,
): Promise<DesignEntry | null> {
  const [row] = await saving(db).execute({ id, version, ...named(document) })
  return row ? toEntry(row) : null
}

/**
 * The design as it is now, its new version in the history and the oldest one out of it: one statement, so that all of
 * it happens or nothing, and the document goes to the database once.
 */
const saving = planned((db) => {
  const given = (name: string) => sql`${sql.placeholder(name)}`
  const saved = db.$with('saved').as(
    db
      .update(design)
      .set({
        name: given('name'),
        variant: given('variant'),
        placeLabel: given('placeLabel'),
        document: sql`${sql.param(sql.placeholder('document'), design.document)}`,
        version: sql`${design.version} + 1`,
        updatedAt: sql`clock_timestamp()`,
      })
      .where(
        and(
          eq(design.id, sql.placeholder('id')),
          eq(design.version, sql.placeholder('version')),
          isNull(design.deletedAt),
        ),
      )
      .returning({ ...entryColumns, document: design.document }),
  )
  const kept = db
    .$with('kept', {})
    .as(sql`insert into ${designHistory} (design_id, version, document) select id, version, document from ${saved}`)
  const dropped = db.$with('dropped', {}).as(
    sql`delete from ${designHistory} using ${saved} where ${designHistory.designId} = ${saved.id}
      and ${designHistory.version} <= ${saved.version} - ${sql.raw(String(HISTORY_KEPT))}`,
  )
  const { id, familyId, name, variant, placeLabel, version, updatedAt, deletedAt, archivedAt } = saved
  return db
    .with(saved, kept, dropped)
    .select({ id, familyId, name, variant, placeLabel, version, updatedAt, deletedAt, archivedAt })
    .from(saved)
    .prepare('save_design')
})

export async function historyOf(db: Database, id: string): Promise<HistoryEntry[]> {
  const rows = await versionsOf(db).execute({ id })
  return rows.map(({ version, savedAt }) => ({ version, savedAt: savedAt.toISOString() }))
}

const versionsOf = planned((db) =>
  db
    .select({ version: designHistory.version, savedAt: designHistory.savedAt })
    .from(designHistory)
    .where(eq(designHistory.designId, sql.placeholder('id')))
    .orderBy(desc(designHistory.version))
    .prepare('design_history'),
)

export async function readVersion(db: Database, id: string, version: number): Promise<Design | null> {
  const [row] = await db
    .select({ document: designHistory.document })
    .from(designHistory)
    .where(and(eq(designHistory.designId, id), eq(designHistory.version, version)))
  return row ? upToDate(row.document) : null
}

/** Moves a design to the bin or back out of it. @returns whether there was such a design */
export async function setDeleted(db: Database, id: string, deleted: boolean): Promise<boolean> {
  const rows = await db
    .update(design)
    .set({ deletedAt: deleted ? sql`clock_timestamp()` : null, binDays: 0 })
    .where(and(eq(design.id, id), deleted ? isNull(design.deletedAt) : isNotNull(design.deletedAt)))
    .returning({ id: design.id })
  return rows.length > 0
}

/** Puts a design away, or back among the others. @returns its entry; null where there is no such design on the shelf */
export async function setArchived(db: Database, id: string, archived: boolean): Promise<DesignEntry | null> {
  const [row] = await db
    .update(design)
    .set({ archivedAt: archived ? sql`clock_timestamp()` : null })
    .where(and(eq(design.id, id), isNull(design.deletedAt)))
    .returning(entryColumns)
  return row ? toEntry(row) : null
}

/**
 * Empties from the bin what has lain there for thirty days. Days are counted one at a time, however far the clock has
 * moved since the last look: a clock that jumps by a month empties nothing.
 *
 * @returns how many
 */
export async function emptyOldBin(db: Database): Promise<number> {
  return inTransaction(db, async (tx) => {
    const last = await tx
      .select({ ahead: sql<boolean>`${job.at} > clock_timestamp()` })
      .from(job)
      .where(eq(job.name, BIN))
    const { rowCount } = await tx.execute(sql`insert into job (name, at) values (${BIN}, clock_timestamp())
      on conflict (name) do update set at = clock_timestamp()
      where job.at <= clock_timestamp() - interval '23 hours' or job.at > clock_timestamp()`)
    if (rowCount !== 0 && last[0]?.ahead === false)
      await tx
        .update(design)
        .set({ binDays: sql`${design.binDays} + 1` })
        .where(isNotNull(design.deletedAt))
    const rows = await tx
      .delete(design)
      .where(
        and(
          gte(design.binDays, BIN_DAYS),
          lt(design.deletedAt, sql`clock_timestamp() - make_interval(days => ${BIN_DAYS})`),
        ),
      )
      .returning({ id: design.id })
    return rows.length
  })
}
const BIN = 'bin'
