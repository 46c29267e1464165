import { spawn } from 'node:child_process'
import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { findPostgres, freePort } from '../postgres.mjs'
import { ROOT } from '../prepare.mjs'
import { kill, lives, processesIn, until } from '../process.mjs'

const PATIENCE_MS = 120_000
const home = mkdtempSync(join(tmpdir(), 'ambrel-home-'))
const data = () => join(home, 'postgres', 'data')
const held = () => JSON.parse(readFileSync(join(home, 'start.json'), 'utf8'))
/** The database's process; 0 between one that died and the next. */
function postmaster() {
  try {
    return Number(readFileSync(join(data(), 'postmaster.pid'), 'utf8').split('\n')[0])
  } catch {
    return 0
  }
}
const runs = []
let port = 0

/** A start on data of its own, and what it says. */
function start(env = {}) {
  const child = spawn(process.execPath, [join(ROOT, 'scripts', 'start.mjs')], {
    cwd: ROOT,
    env: { ...process.env, AMBREL_HOME: home, PORT: String(port), DATABASE_URL: '', LOG_LEVEL: 'fatal', ...env },
  })
  const run = { child, said: '', code: undefined }
  runs.push(run)
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (run.said += String(text)))
  run.ended = new Promise((resolve) => child.once('close', (code) => resolve((run.code = code))))
  run.says = (words) => until(() => words.test(run.said) || run.code !== undefined, PATIENCE_MS)
  return run
}
const well = () =>
  until(async () => {
    const answer = await fetch(`http://127.0.0.1:${port}/api/health`, { signal: AbortSignal.timeout(3000) }).catch(
      () => null,
    )
    return answer?.status === 200
  }, PATIENCE_MS)
const nothingLeft = (pids) =>
  until(() => pids.every((pid) => !lives(pid)) && processesIn(data()).length === 0, PATIENCE_MS)

beforeAll(async () => {
  chmodSync(home, 0o755)
  port = await freePort()
})
// what a failing test leaves must not fail the next one
afterEach(async () => {
  const left = runs.splice(0).filter(({ code }) => code === undefined)
  for (const { child } of left) child.kill('SIGTERM')
  await Promise.all(left.map(({ ended }) => ended))
})
afterAll(() => rmSync(home, { recursive: true, force: true }))

describe.runIf(findPostgres() !== null)('a start', () => {
  it('is ready, is pointed to by a second one, mends what dies, and leaves nothing behind however it ends', async () => {
    // what a kill in the middle of making the database leaves
    mkdirSync(join(home, 'postgres', 'data.making', 'base'), { recursive: true })
    const first = start()
    expect(await first.says(/ready in/)).toBe(true)
    expect(first.said).toContain(`http://127.0.0.1:${port}`)
    expect(readdirSync(join(home, 'postgres'))).not.toContain('data.making')

    const second = start()
    expect(await second.ended).toBe(5)
    expect(second.said).toContain(
      `already running in this folder, process ${first.child.pid}: http://127.0.0.1:${port}`,
    )

    const { server } = held()
    kill(server, 'SIGKILL')
    await first.says(/starting it again/)
    await until(() => held().server !== server, PATIENCE_MS)
    expect(await well()).toBe(true)

    const database = postmaster()
    kill(database, 'SIGKILL')
    await first.says(/the database died/)
    // backends of the killed one may answer for a moment yet
    expect(await until(() => ![0, database].includes(postmaster()), PATIENCE_MS)).toBe(true)
    expect(await well()).toBe(true)

    const left = [held().server, postmaster(), first.child.pid]
    first.child.kill('SIGKILL')
    expect(await nothingLeft(left)).toBe(true)

    for (const signal of ['SIGHUP', 'SIGTERM']) {
      const again = start()
      await again.says(/ready in/)
      expect(await well()).toBe(true)
      const pids = [held().server, postmaster()]
      again.child.kill(signal)
      expect(await again.ended).toBe(0)
      expect(await nothingLeft(pids)).toBe(true)
      expect(existsSync(join(home, 'start.json'))).toBe(false)
    }
  })

  it('without its secret says which file is missing', async () => {
    const secret = join(home, 'postgres', 'secret')
    renameSync(secret, `${secret}.away`)
    const run = start()
    expect(await run.ended).toBe(7)
    expect(run.said).toMatch(/secret is missing/)
    renameSync(`${secret}.away`, secret)
  })

  it('on data of another version of PostgreSQL says which is wanted', async () => {
    const file = join(data(), 'PG_VERSION')
    const version = readFileSync(file, 'utf8')
    writeFileSync(file, '9\n')
    const run = start()
    expect(await run.ended).toBe(3)
    expect(run.said).toContain('install postgresql-9')
    writeFileSync(file, version)
  })
})

describe('a start that cannot be', () => {
  it.each([
    [{ PORT: 'abc' }, 2, 'PORT is “abc”'],
    [{ PORT: '70000' }, 2, 'from 0 to 65535'],
    [{ DATABASE_URL: 'nonsense' }, 2, 'not an address of PostgreSQL'],
    [{ DATABASE_URL: 'postgres://nobody:x@127.0.0.1:1/none' }, 7, 'cannot be opened'],
    [{ DATABASE_URL: 'postgres://nobody:x@127.0.0.1:1/none', HOST: '0.0.0.0' }, 2, '127.0.0.1 only'],
  ])('%j ends with a sentence and its code', async (env, code, words) => {
    const run = start(env)
    expect(await run.ended).toBe(code)
    expect(run.said).toContain(words)
    expect(run.said).not.toMatch(/\n\s+at /)
  })

  it('where nothing may be written says which place', async () => {
    const file = join(home, 'a-file')
    writeFileSync(file, '')
    const run = start({ AMBREL_HOME: join(file, 'home') })
    expect(await run.ended).toBe(4)
    expect(run.said).toMatch(/^ambrel: .*a-file.*: a file stands where a folder is wanted/m)
    expect(run.said).not.toMatch(/\n\s+at /)
  })

  it('on a port that is taken stays away from it and says so', async () => {
    const taken = createServer().listen(port, '127.0.0.1')
    await new Promise((resolve, reject) => taken.once('listening', resolve).once('error', reject))
    const run = start()
    expect(await run.ended).toBe(6)
    expect(run.said).toContain(`port ${port} is taken by something else`)
    taken.close()
  })
})
