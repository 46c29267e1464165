import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { running, take } from './lock.mjs'
import { Cluster, ensureDatabase } from './postgres.mjs'
import { HOME, prepare, ROOT } from './prepare.mjs'
import { main, RUNNING, say, Stop, WRONG_USE } from './say.mjs'

/** `backup FILE` and `restore FILE`: the whole database to a file, and back. */
const [what, name] = process.argv.slice(2)

function command(url, ...words) {
  const { status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', join(ROOT, 'server', 'src', 'backup', 'command.ts'), ...words],
    { cwd: ROOT, stdio: 'inherit', env: { ...process.env, DATABASE_URL: url } },
  )
  if (status !== 0) throw new Stop(`${words[0]} was not done; see the line above`, status ?? undefined)
}

async function ask(url, ...statements) {
  const { default: pg } = await import('pg')
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    for (const statement of statements) await client.query(statement)
  } finally {
    await client.end()
  }
}

/** Into a fresh database, which then takes the place of the old one; the old one is kept under another name. */
async function restoreOwn(cluster, file) {
  const server = await cluster.start()
  const stamp = new Date().toISOString().replace(/\D/g, '').slice(0, 14)
  const fresh = `ambrel_restored_${stamp}`
  try {
    command(await ensureDatabase(server, fresh), 'restore', file)
  } catch (error) {
    await ask(server, `drop database if exists "${fresh}" with (force)`)
    throw error
  }
  await ensureDatabase(server, 'ambrel')
  await ask(
    server,
    `alter database ambrel rename to "ambrel_before_${stamp}"`,
    `alter database "${fresh}" rename to ambrel`,
  )
  say(`what was there before is kept on the same server as the database ambrel_before_${stamp}`)
}

await main(async () => {
  if (!name) throw new Stop(`name a file: npm run ${what ?? 'backup'} FILE`, WRONG_USE)
  const file = resolve(process.env.INIT_CWD ?? process.cwd(), name)
  if (what === 'restore' && !existsSync(file)) throw new Stop(`there is no file ${file}`, WRONG_USE)
  prepare()
  if (process.env.DATABASE_URL) return command(process.env.DATABASE_URL, what, file)
  const here = running(HOME)
  if (here && what === 'restore')
    throw new Stop(`Ambrel runs in this folder (process ${here.pid}); stop it before a restore`, RUNNING)
  const lock = here ? null : take(HOME)
  const cluster = Cluster.ofProject(HOME)
  try {
    if (what === 'restore') await restoreOwn(cluster, file)
    else command(await ensureDatabase(await cluster.start(), 'ambrel'), 'backup', file)
  } finally {
    if (!here && cluster.started) cluster.stop()
    lock?.letGo()
  }
})
