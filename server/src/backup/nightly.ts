import { mkdir, readdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { writeBackup } from './write.ts'

/** The newest so many are kept, however far apart they are: a clock that jumps removes none. */
const KEPT = 14
const NAME = /^ambrel-\d{4}-\d{2}-\d{2}\.ndjson\.gz$/

/**
 * Writes the backup of the day, where there is none yet, and lets go of all but the last fourteen.
 *
 * @returns the file, or null where the day has its backup
 */
export async function backUpToday(url: string, folder: string, today = new Date()): Promise<string | null> {
  await mkdir(folder, { recursive: true, mode: 0o700 })
  const name = `ambrel-${today.toISOString().slice(0, 10)}.ndjson.gz`
  const there = (await readdir(folder)).filter((each) => NAME.test(each))
  if (there.includes(name)) return null
  const file = join(folder, name)
  await writeBackup(url, file)
  const old = [...there, name].sort().slice(0, -KEPT)
  for (const each of old) if (each !== name) await rm(join(folder, each), { force: true })
  return file
}
