import { existsSync, mkdtempSync, chmodSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Cluster, ensureDatabase, findPostgres, freePort, portIsFree } from '../postgres.mjs'

const folder = mkdtempSync(join(tmpdir(), 'ambrel-cluster-'))
const available = findPostgres() !== null

async function ask(url, statement) {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    return (await client.query(statement)).rows
  } finally {
    await client.end()
  }
}

/** The first line of the pid file: the server's process. */
const pidOf = () => Number(readFileSync(join(folder, 'data', 'postmaster.pid'), 'utf8').split('\n')[0])
const until = async (done) => {
  for (let i = 0; i < 100 && !done(); i++) await new Promise((resolve) => setTimeout(resolve, 50))
}
const gone = (pid) => !existsSync(`/proc/${pid}`) || /^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'))

describe.runIf(available)('the project’s own cluster', () => {
  const cluster = new Cluster(folder)

  beforeAll(() => chmodSync(folder, 0o755))
  afterAll(() => {
    cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  })

  it('is made, listens on loopback only, and wants its password', async () => {
    const url = await ensureDatabase(await cluster.start(), 'kept')
    await ask(url, 'create table thing (name text)')
    await ask(url, `insert into thing values ('here')`)
    const [{ listen_addresses: addresses }] = await ask(url, 'show listen_addresses')
    expect(addresses).toBe('127.0.0.1')
    const wrong = new URL(url)
    wrong.password = 'guess'
    await expect(ask(wrong.toString(), 'select 1')).rejects.toThrow(/password/)
  })

  it('a second start finds the running server', async () => {
    const pid = pidOf()
    const second = new Cluster(folder)
    const url = await second.start()
    expect(second.started).toBe(false)
    expect(pidOf()).toBe(pid)
    expect(await ask(url, 'select 1 as one')).toEqual([{ one: 1 }])
  })

  it('a killed server is started again with its data', async () => {
    const pid = pidOf()
    process.kill(pid, 'SIGKILL')
    await until(() => gone(pid))
    const url = await ensureDatabase(await cluster.start(), 'kept')
    expect(await ask(url, 'select name from thing')).toEqual([{ name: 'here' }])
  })

  it('a pid file that names a process of somebody else is cleared away', async () => {
    cluster.stop()
    writeFileSync(
      join(folder, 'data', 'postmaster.pid'),
      `${process.pid}\n${join(folder, 'data')}\n0\n1\n\n127.0.0.1\n\n`,
    )
    const url = await ensureDatabase(await cluster.start(), 'kept')
    expect(await ask(url, 'select name from thing')).toEqual([{ name: 'here' }])
  })

  it('a folder that initdb left unfinished is set aside, not lost', async () => {
    const other = mkdtempSync(join(tmpdir(), 'ambrel-cluster-'))
    chmodSync(other, 0o755)
    const { mkdirSync, readdirSync } = await import('node:fs')
    mkdirSync(join(other, 'data'))
    writeFileSync(join(other, 'data', 'half'), 'x')
    const second = new Cluster(other, { throwaway: true })
    try {
      expect(await ask(await second.start(), 'select 1 as one')).toEqual([{ one: 1 }])
      expect(readdirSync(other).some((name) => name.startsWith('data.unfinished-'))).toBe(true)
    } finally {
      second.stop()
    }
    expect(existsSync(other)).toBe(false)
  })
})

describe('a free port', () => {
  it('is told from one that is taken', async () => {
    const wanted = await freePort()
    expect(await portIsFree(wanted)).toBe(true)
    const { createServer } = await import('node:net')
    const taken = createServer().listen(wanted, '127.0.0.1')
    await new Promise((resolve) => taken.once('listening', resolve))
    expect(await portIsFree(wanted)).toBe(false)
    taken.close()
  })
})
