import { openDatabase } from '../db/database.ts'
import { causeOf } from '../db/trouble.ts'
import { BackupRefused, checkBackup, restoreBackup } from './read.ts'
import { writeBackup } from './write.ts'

const REFUSED = 2
const FAILED = 4

const told = (counts: Map<string, number>): string => [...counts].map(([table, n]) => `${n} ${table}`).join(', ')

/** `backup FILE`, `check FILE` or `restore FILE` on the database of DATABASE_URL. */
async function run([what, file]: string[]): Promise<string> {
  const url = process.env.DATABASE_URL
  if (!file) throw new BackupRefused('name a file')
  if (what === 'check') return `${file} is whole: ${told(await checkBackup(file))}`
  if (!url) throw new BackupRefused('DATABASE_URL is not set')
  if (what === 'backup') {
    const rows = await writeBackup(url, file)
    await checkBackup(file)
    return `${rows} rows written to ${file}, read again and found whole`
  }
  const { close } = await openDatabase(url)
  await close()
  return `restored from ${file}: ${told(await restoreBackup(url, file))}`
}

try {
  process.stdout.write(`ambrel: ${await run(process.argv.slice(2))}\n`)
} catch (error) {
  process.stderr.write(`ambrel: ${causeOf(error).message}\n`)
  process.exit(error instanceof BackupRefused ? REFUSED : FAILED)
}
