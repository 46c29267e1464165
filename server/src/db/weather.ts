import { createHash } from 'node:crypto'
import { desc, eq, sql } from 'drizzle-orm'
import type { WeatherFile, WeatherUpload } from '@ambrel/contract'
import type { Database } from './database.ts'
import { weatherFile } from './schema.ts'

const usedBy =
  sql<number>`(select count(*) from design where document #>> '{place,hours,fileId}' = weather_file.id::text)`.mapWith(
    Number,
  )
const columns = {
  id: weatherFile.id,
  name: weatherFile.name,
  about: weatherFile.about,
  createdAt: weatherFile.createdAt,
  usedBy,
}

type Row = Pick<typeof weatherFile.$inferSelect, 'id' | 'name' | 'about' | 'createdAt'> & { usedBy: number }
const toFile = ({ id, name, about, createdAt, usedBy: uses }: Row): WeatherFile => ({
  ...about,
  id,
  name,
  createdAt: createdAt.toISOString(),
  usedBy: uses,
})

export async function listWeather(db: Database): Promise<WeatherFile[]> {
  const rows = await db.select(columns).from(weatherFile).orderBy(desc(weatherFile.createdAt))
  return rows.map(toFile)
}

async function readWeather(db: Database, id: string): Promise<WeatherFile | null> {
  const [row] = await db.select(columns).from(weatherFile).where(eq(weatherFile.id, id))
  return row ? toFile(row) : null
}

/** Keeps a file; hours that are there already are not kept twice, the file that holds them is returned. */
export async function addWeather(
  db: Database,
  { name, hours: _packed, ...about }: WeatherUpload,
  bytes: Buffer,
): Promise<WeatherFile> {
  const { firstDay, years, utcOffsetH, channels } = about
  const digest = createHash('sha256')
    .update(JSON.stringify([firstDay, years, utcOffsetH, channels]))
    .update(bytes)
    .digest('hex')
  await db.insert(weatherFile).values({ name, digest, about, hours: bytes }).onConflictDoNothing()
  const [{ id }] = await db.select({ id: weatherFile.id }).from(weatherFile).where(eq(weatherFile.digest, digest))
  return (await readWeather(db, id))!
}

export async function hoursOf(db: Database, id: string): Promise<Buffer | null> {
  const [row] = await db.select({ hours: weatherFile.hours }).from(weatherFile).where(eq(weatherFile.id, id))
  return row?.hours ?? null
}

/** Removes a file no design refers to. @returns what became of it */
export async function removeWeather(db: Database, id: string): Promise<'removed' | 'used' | 'gone'> {
  const file = await readWeather(db, id)
  if (!file) return 'gone'
  if (file.usedBy > 0) return 'used'
  await db.delete(weatherFile).where(eq(weatherFile.id, id))
  return 'removed'
}
