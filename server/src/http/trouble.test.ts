import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { sql } from 'drizzle-orm'
import pg from 'pg'
import { larkspurBench, type Design } from '@ambrel/core'
import { LIMITS, type ApiError, type StoredDesign } from '@ambrel/contract'
import { backUpToday } from '../backup/nightly.ts'
import { BackupRefused, checkBackup, restoreBackup } from '../backup/read.ts'
import { writeBackup } from '../backup/write.ts'
import { openDatabase } from '../db/database.ts'
import { withoutValues } from '../db/trouble.ts'
import { Line } from './line.ts'
import { TestServer } from './testServer.ts'
import { said } from '@ambrel/core/units'

const line = new Line()
let server: TestServer
let url = ''
let call: TestServer['call']

beforeAll(async () => {
  server = await TestServer.start((address) => {
    url = address
    return line.to(address)
  })
  ;({ call } = server)
})
afterAll(async () => {
  line.mend()
  line.thaw()
  await server?.stop()
  line.end()
})

afterEach(() => {
  line.mend()
  line.thaw()
})

const created = async () => (await call<StoredDesign>('POST', '/designs', larkspurBench())).body
const until = async (done: () => Promise<boolean>) => {
  while (!(await done())) await new Promise((resolve) => setTimeout(resolve, 50))
}

describe('a database that goes away', () => {
  it('connections that are ended kill nothing; the next request has a new one', async () => {
    const { id } = await created()
    for (let i = 0; i < 5; i++) {
      const busy = Promise.all(Array.from({ length: 8 }, () => call('GET', `/designs/${id}`)))
      await server.onServer(
        `select pg_terminate_backend(pid) from pg_stat_activity where datname = '${server.database}' and pid <> pg_backend_pid()`,
      )
      for (const { status } of await busy) expect([200, 503]).toContain(status)
    }
    await until(async () => (await call('GET', `/designs/${id}`)).status === 200)
  })

  it('saves whose connection is ended again and again leave none behind', async () => {
    const { document } = await created()
    for (let i = 0; i < 12; i++) {
      const busy = Promise.all(Array.from({ length: 10 }, () => call('POST', '/designs', document)))
      await server.onServer(
        `select pg_terminate_backend(pid) from pg_stat_activity where datname = '${server.database}' and pid <> pg_backend_pid()`,
      )
      for (const { status } of await busy) expect([201, 503]).toContain(status)
    }
    // a connection that was ended and was not yet told so may be met once; none is left to be met again
    const after = () => Promise.all(Array.from({ length: 30 }, () => call('POST', '/designs', document)))
    await until(async () => (await after()).every(({ status }) => status === 201))
    expect((await after()).map(({ status }) => status).filter((status) => status !== 201)).toEqual([])
  })

  it('is told with 503 and when to come back, and nothing is half done', async () => {
    const { id, document } = await created()
    line.cut()
    const answer = await fetch(`${server.base}/designs/${id}`)
    expect(answer.status).toBe(503)
    expect(Number(answer.headers.get('retry-after'))).toBeGreaterThan(0)
    expect((await answer.json()) as ApiError).toMatchObject({ error: 'the database cannot be reached at the moment' })
    expect((await call('PUT', `/designs/${id}`, { version: 1, document })).status).toBe(503)
    expect((await call('GET', '/health')).status).toBe(503)
    line.mend()
    await until(async () => (await call('GET', '/health')).status === 200)
    expect((await call<StoredDesign>('GET', `/designs/${id}`)).body.version).toBe(1)
    expect((await call('PUT', `/designs/${id}`, { version: 1, document })).status).toBe(200)
  })

  it('that is frozen is told too, by a request and by the pulse, and all is well when it thaws', async () => {
    const { id, document } = await created()
    // the connections of the pool are all there when it freezes, and taken by writes that cannot begin
    await Promise.all(Array.from({ length: 12 }, () => call('GET', `/designs/${id}`)))
    line.freeze()
    const writes = Promise.all(Array.from({ length: 14 }, () => call('POST', '/designs', document)))
    await until(async () => (await call('GET', '/health')).status === 503)
    expect((await call('GET', `/designs/${id}`)).status).toBe(503)
    expect(new Set((await writes).map(({ status }) => status))).toEqual(new Set([503]))
    line.thaw()
    await until(async () => (await call('GET', '/health')).status === 200)
    await until(async () => (await call('GET', `/designs/${id}`)).status === 200)
    // a connection that was ended and was not yet told so may be met once; none is left to be met again
    const after = () => Promise.all(Array.from({ length: 30 }, () => call('POST', '/designs', document)))
    await until(async () => (await after()).every(({ status }) => status === 201))
    expect((await after()).map(({ status }) => status).filter((status) => status !== 201)).toEqual([])
  })

  it('a failed query is logged without the document', async () => {
    const error: unknown = await server.db
      .execute(sql`select ${JSON.stringify({ secret: 'of the house' })}::integer`)
      .catch((each: unknown) => each)
    expect(JSON.stringify(withoutValues(error))).not.toMatch(/params|select \$1/)
    expect(withoutValues(error).code).toBe('22P02')
  })
})

describe('who may talk', () => {
  const answer = async (method: string, path: string, headers: Record<string, string>, body = '{}') => {
    const { request } = await import('node:http')
    const { hostname, port } = new URL(server.base)
    return new Promise<number>((resolve, reject) => {
      const sent = request({ hostname, port, method, path: `/api${path}`, headers }, (response) => {
        response.resume()
        resolve(response.statusCode!)
      })
      sent.on('error', reject)
      sent.end(method === 'GET' || method === 'DELETE' ? undefined : body)
    })
  }
  const host = () => new URL(server.base).host
  const json = { 'content-type': 'application/json' }

  it.each(['evil.example', 'evil.example:4870', '127.0.0.1.evil.example', '10.0.0.7'])(
    'a page that came under the name “%s” is refused',
    async (name) => expect(await answer('GET', '/designs', { host: name })).toBe(421),
  )

  it('this machine’s own names are good', async () => {
    const { port } = new URL(server.base)
    for (const name of ['127.0.0.1', 'localhost', '[::1]', 'LOCALHOST'])
      expect(await answer('GET', '/designs', { host: `${name}:${port}` })).toBe(200)
  })

  it.each(['POST /designs', 'PUT /designs/:id', 'DELETE /designs/:id', 'POST /designs/:id/restore', 'POST /weather'])(
    '%s is refused from another page, without word of where from, and in another form than JSON',
    async (route) => {
      const { id } = await created()
      const [method, path] = route.replace(':id', id).split(' ')
      const own = { host: host(), origin: `http://${host()}` }
      expect(await answer(method, path, { ...own, ...json, origin: 'http://evil.example' })).toBe(403)
      expect(await answer(method, path, { ...own, ...json, origin: 'null' })).toBe(403)
      expect(await answer(method, path, { ...own, ...json, 'sec-fetch-site': 'cross-site' })).toBe(403)
      expect(await answer(method, path, { host: host(), ...json })).toBe(403)
      expect(await answer(method, path, { ...own, 'content-type': 'text/plain' })).toBe(415)
      expect(await answer(method, path, { host: host(), ...json, 'sec-fetch-site': 'same-origin' })).not.toBe(403)
    },
  )
})

describe('a backup', () => {
  const folder = mkdtempSync(join(tmpdir(), 'ambrel-backup-'))
  const file = join(folder, 'whole.gz')
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  async function emptyDatabase(): Promise<{ address: string; drop: () => Promise<void> }> {
    const name = `restored_${process.pid}_${Math.floor(performance.now())}`
    await server.onServer(`create database "${name}"`)
    const address = new URL(url)
    address.pathname = `/${name}`
    const { close } = await openDatabase(address.toString())
    await close()
    return { address: address.toString(), drop: () => server.onServer(`drop database "${name}" with (force)`) }
  }
  async function everything(address: string): Promise<string> {
    const client = new pg.Client({ connectionString: address })
    await client.connect()
    const told: string[] = []
    for (const table of ['design', 'design_history', 'weather_file', 'part', 'reading', 'seed_mark']) {
      const { rows } = await client.query<{ row: string }>(`select t::text as row from "${table}" t`)
      told.push(...rows.map(({ row }) => `${table} ${row}`))
    }
    await client.end()
    return told.sort().join('\n')
  }

  it('restored into an empty database gives the same, to the last letter', async () => {
    const { id } = await created()
    await call('POST', `/designs/${id}/readings`, {
      ...{ at: '2026-01-05T08:00:00.123Z', batteryV: 52.4, batteryA: -12, stateOfCharge: 0.61, arrayW: 0, loadW: 640 },
      ...{ generatorOn: true, note: 'frost, “−30°”' },
    })
    const rows = await writeBackup(url, file)
    expect(rows).toBeGreaterThan(30)
    expect([...(await checkBackup(file)).values()].reduce((sum, n) => sum + n)).toBe(rows)
    const { address, drop } = await emptyDatabase()
    await restoreBackup(address, file)
    expect(await everything(address)).toBe(await everything(url))
    await expect(restoreBackup(address, file)).rejects.toThrow(/designs already/)
    await drop()
  })

  it('that is cut short, changed or something else is refused whole, with its line', async () => {
    const whole = gunzipSync(readFileSync(file)).toString()
    const lines = whole.split('\n')
    const { address, drop } = await emptyDatabase()
    const before = await everything(address)
    const damaged = {
      'cut short': lines.slice(0, 20).join('\n'),
      'one letter changed': whole.replace('Larkspur', 'Larkspor'),
      'a line left out': [...lines.slice(0, 5), ...lines.slice(6)].join('\n'),
      'of a table that is not there': [lines[0], '{"table":"pg_shadow","row":{}}', ...lines.slice(1)].join('\n'),
      'something else': '{"format":"ambrel-design"}\n',
    }
    for (const [how, text] of Object.entries(damaged)) {
      writeFileSync(join(folder, 'damaged.gz'), gzipSync(text))
      await expect(restoreBackup(address, join(folder, 'damaged.gz')), how).rejects.toThrow(BackupRefused)
    }
    writeFileSync(join(folder, 'damaged.gz'), readFileSync(file).subarray(0, 400))
    await expect(restoreBackup(address, join(folder, 'damaged.gz'))).rejects.toThrow(/damaged/)
    await expect(restoreBackup(address, join(folder, 'none.gz'))).rejects.toThrow(/there is no file/)
    expect(await everything(address)).toBe(before)
    await drop()
  })

  it('of each night is kept, the last fourteen', async () => {
    const nights = join(folder, 'nights')
    for (let day = 1; day <= 16; day++) {
      const today = new Date(Date.UTC(2026, 0, day, 3))
      expect(await backUpToday(url, nights, today)).toContain('2026-01')
      expect(await backUpToday(url, nights, today)).toBeNull()
    }
    const kept = readdirSync(nights).sort()
    expect(kept).toHaveLength(14)
    expect([kept[0], kept.at(-1)]).toEqual(['ambrel-2026-01-03.ndjson.gz', 'ambrel-2026-01-16.ndjson.gz'])
  })
})

describe('documents that are too much', () => {
  const refused = async (body: unknown, status = 400) => {
    const answer = await call<ApiError>('POST', '/designs', body)
    expect(answer.status).toBe(status)
    return answer.body.problems ?? []
  }
  const bad = (change: object) => ({ ...larkspurBench(), ...change })

  it('400 000 empty loads and 10 000 of them are refused by their number', async () => {
    const [tooMany] = await refused(bad({ loads: Array(10_000).fill({}) }))
    expect(tooMany.path).toBe('loads')
    expect(said(tooMany.message)).toBe('Loads has 10\u202f000 entries; at most 500')
    expect((await refused(bad({ loads: Array(400_000).fill({}) })))[0].message).toContain('20\u202f000 entries')
    const wide = Array(19_000).fill(Array(60).fill(0))
    expect((await refused(bad({ notes: wide })))[0].message).toContain('values')
  })

  it('deep nesting, forbidden and unknown keys, and thousands of fields are named', async () => {
    expect((await refused('['.repeat(10_000) + ']'.repeat(10_000)))[0].message).toContain('deep')
    const text = JSON.stringify(larkspurBench())
    expect((await refused(text.replace('"name"', '"__proto__":{"x":1},"name"')))[0].path).toBe('__proto__')
    expect((await refused(bad({ constructor: 1 })))[0].path).toBe('constructor')
    expect((await refused(bad({ colour: 1 })))[0]).toMatchObject({ path: 'colour' })
    const many = Object.fromEntries(Array.from({ length: 5000 }, (_, i) => [`k${i}`, i]))
    expect((await refused(bad({ place: many })))[0].message).toContain('400 fields')
  })

  it('problems are told fifty at most', async () => {
    const loads = larkspurBench().loads
    const wrong = Array.from({ length: 400 }, (_, i) => ({ ...loads[0], id: `w${i}`, runningW: -1, quantity: -1 }))
    expect(await refused(bad({ loads: wrong }))).toHaveLength(LIMITS.problems)
  })

  it('versions and days that are none are refused by field', async () => {
    const { id, document } = await created()
    for (const version of [2 ** 31, 2 ** 53, 1e300, 0, -1, 1.5]) {
      const { status, body } = await call<ApiError>('PUT', `/designs/${id}`, { version, document })
      expect([status, body.problems?.[0].path]).toEqual([400, 'version'])
    }
    const reading = { batteryV: 50, batteryA: null, stateOfCharge: null, arrayW: null, loadW: null, generatorOn: false }
    for (const at of [
      '2026-02-30T08:00:00Z',
      '0000-01-01T00:00:00Z',
      '+275760-01-01T00:00:00Z',
      '2026-13-01T00:00:00Z',
      '2026',
      'W1',
    ]) {
      const { status, body } = await call<ApiError>('POST', `/designs/${id}/readings`, { ...reading, note: '', at })
      expect([status, body.problems?.[0].path], at).toEqual([400, 'at'])
    }
    const days = structuredClone(document)
    days.loads[0].meterReadings = [{ date: '2026-02-30', kWh: 1, hours: 24 }]
    days.arrays[0].tiltSeasons = [{ month: 2, day: 30, tiltDeg: 40 }]
    const { body } = await call<ApiError>('PUT', `/designs/${id}`, { version: 1, document: days })
    expect(body.problems?.map(({ path }) => path)).toContain('loads.0.meterReadings.0.date')
    days.loads[0].meterReadings = []
    const seasons = await call<ApiError>('PUT', `/designs/${id}`, { version: 1, document: days })
    expect(seasons.body.problems?.map(({ path }) => path)).toEqual(['arrays.0.tiltSeasons.0.day'])
  })

  it('the largest sound document is taken, and others are answered meanwhile', async () => {
    const document = largest()
    const text = JSON.stringify(document)
    expect(text.length).toBeGreaterThan(6_000_000)
    expect(Buffer.byteLength(text)).toBeLessThan(LIMITS.bodyBytes)
    const saving = call<StoredDesign>('POST', '/designs', text)
    let answered = 0
    const asking = (async () => {
      for (let i = 0; i < 5; i++) answered += (await call('GET', '/nothing')).status === 404 ? 1 : 0
    })()
    const { status, body } = await saving
    await asking
    expect(status).toBe(201)
    expect(answered).toBe(5)
    expect((await call<StoredDesign>('GET', `/designs/${body.id}`)).body.document.loads).toHaveLength(LIMITS.loads)
  })
})

/** As much as is allowed of everything that is long. */
function largest(): Design {
  const design = larkspurBench()
  const [load] = design.loads
  const kWh = 12.345678901234567
  const meterReadings = Array.from({ length: LIMITS.readingsOfLoad }, () => ({ date: '2026-01-31', kWh, hours: kWh }))
  design.loads = Array.from({ length: LIMITS.loads }, (_, i) => ({ ...load, id: `load-${i}`, meterReadings }))
  design.notes = 'n'.repeat(LIMITS.notes)
  return design
}
