import { sql } from 'drizzle-orm'
import {
  bigserial,
  boolean,
  customType,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core'
import type { Design } from '@ambrel/core'
import type { PartKind, WeatherUpload } from '@ambrel/contract'

/** A variant of a design; variants of one place share a family. */
export const design = pgTable(
  'design',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    familyId: uuid('family_id').notNull(),
    name: text('name').notNull(),
    variant: text('variant').notNull(),
    placeLabel: text('place_label').notNull(),
    document: jsonb('document').$type<Design>().notNull(),
    /** counts saves; a save must name the version it was made from */
    version: integer('version').notNull().default(1),
    createdAt: timestamp('created_at', { withTimezone: true })
      .notNull()
      .default(sql`clock_timestamp()`),
    updatedAt: timestamp('updated_at', { withTimezone: true })
      .notNull()
      .default(sql`clock_timestamp()`),
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
    /** put away by whoever owns it: still there, below the others */
    archivedAt: timestamp('archived_at', { withTimezone: true }),
    /** days it has lain in the bin, counted one by one, so that a clock that jumps empties nothing */
    binDays: integer('bin_days').notNull().default(0),
  },
  (table) => [index('design_family').on(table.familyId), index('design_deleted').on(table.deletedAt)],
)

export const designHistory = pgTable(
  'design_history',
  {
    designId: uuid('design_id')
      .notNull()
      .references(() => design.id, { onDelete: 'cascade' }),
    version: integer('version').notNull(),
    document: jsonb('document').$type<Design>().notNull(),
    savedAt: timestamp('saved_at', { withTimezone: true })
      .notNull()
      .default(sql`clock_timestamp()`),
  },
  (table) => [primaryKey({ columns: [table.designId, table.version] })],
)

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })

/** Hours imported once and referred to by the designs of any place; the same hours are kept once. */
export const weatherFile = pgTable('weather_file', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  /** SHA-256 of the packed hours with their shape */
  digest: text('digest').notNull().unique(),
  about: jsonb('about').$type<Omit<WeatherUpload, 'name' | 'hours'>>().notNull(),
  hours: bytea('hours').notNull(),
  createdAt: timestamp('created_at', { withTimezone: true })
    .notNull()
    .default(sql`clock_timestamp()`),
})

export const part = pgTable('part', {
  id: text('id').primaryKey(),
  kind: text('kind').$type<PartKind>().notNull(),
  part: jsonb('part').$type<Record<string, unknown>>().notNull(),
  /** somebody's own; the others come with the program and follow it */
  own: boolean('own').notNull().default(false),
  version: integer('version').notNull().default(1),
  /** version of the document format it was written in */
  format: integer('format').notNull().default(6),
})

export const reading = pgTable(
  'reading',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    designId: uuid('design_id')
      .notNull()
      .references(() => design.id, { onDelete: 'cascade' }),
    at: timestamp('at', { withTimezone: true }).notNull(),
    batteryV: doublePrecision('battery_v'),
    batteryA: doublePrecision('battery_a'),
    stateOfCharge: doublePrecision('state_of_charge'),
    arrayW: doublePrecision('array_w'),
    loadW: doublePrecision('load_w'),
    generatorOn: boolean('generator_on').notNull().default(false),
    note: text('note').notNull().default(''),
  },
  (table) => [index('reading_design_at').on(table.designId, table.at)],
)

/** When something that is done from time to time was last done. */
export const job = pgTable('job', {
  name: text('name').primaryKey(),
  at: timestamp('at', { withTimezone: true }).notNull(),
})

/** What was loaded once and must not come back after somebody deleted it. */
export const seedMark = pgTable('seed_mark', {
  key: text('key').primaryKey(),
  at: timestamp('at', { withTimezone: true })
    .notNull()
    .default(sql`clock_timestamp()`),
})
