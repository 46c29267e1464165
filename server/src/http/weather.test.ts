import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sql } from 'drizzle-orm'
import { climateAt, DESIGN_VERSION, larkspurBench, packSeries, unpackSeries, type HourlySeries } from '@ambrel/core'
import type { ApiError, StoredDesign, WeatherFile, WeatherUpload } from '@ambrel/contract'
import { TestServer } from './testServer.ts'
import { said } from '@ambrel/core/units'

let server: TestServer
let call: TestServer['call']

beforeAll(async () => {
  server = await TestServer.start()
  ;({ call } = server)
})
afterAll(() => server?.stop())

const HOURS = 8760
function series(years: number, seed: number): HourlySeries {
  return {
    firstDay: 0,
    years,
    utcOffsetH: -7,
    ghiWM2: Float32Array.from({ length: years * HOURS }, (_, i) => (i % 24 === 12 ? 100 + seed : 0)),
    airC: new Float32Array(years * HOURS).fill(-3),
    dhiWM2: null,
    windMS: null,
    snowfallCm: null,
  }
}
function upload(years = 1, seed = 0, change: Partial<WeatherUpload> = {}): WeatherUpload {
  const { shape, bytes } = packSeries(series(years, seed))
  const { monthly, persistence, windMS } = climateAt('cold-valley', 48.2)
  return {
    ...shape,
    name: `Hours ${seed}`,
    station: null,
    fitted: { monthly, persistence, windMS, interannualPct: null, lowestC: -3, highestC: -3 },
    report: { rows: HOURS, years, filled: [], filledHours: 0, refused: [], refusedCount: 0, notes: [] },
    hours: Buffer.from(bytes).toString('base64'),
    ...change,
  }
}
const add = (body: unknown) => call<WeatherFile & ApiError>('POST', '/weather', body)

describe('weather files', () => {
  it('are kept, listed without their hours, and give the hours back', async () => {
    const { status, body } = await add(upload(2, 1))
    expect(status).toBe(201)
    expect(body).toMatchObject({ name: 'Hours 1', years: 2, channels: ['ghiWM2', 'airC'], usedBy: 0 })
    const { body: list } = await call<WeatherFile[]>('GET', '/weather')
    expect(list.map(({ id }) => id)).toContain(body.id)
    expect(JSON.stringify(list).length).toBeLessThan(20_000)
    const response = await fetch(`${server.base}/weather/${body.id}/hours`)
    const hours = unpackSeries(body, new Uint8Array(await response.arrayBuffer()))
    expect(hours).toEqual(series(2, 1))
  })

  it('the same hours are kept once, whatever they are called', async () => {
    const first = (await add(upload(1, 2))).body
    const second = (await add(upload(1, 2, { name: 'Another name' }))).body
    expect(second.id).toBe(first.id)
    expect((await add(upload(1, 3))).body.id).not.toBe(first.id)
  })

  it('many at once leave one file of the same hours', async () => {
    const answers = await Promise.all(Array.from({ length: 6 }, () => add(upload(1, 4))))
    expect(new Set(answers.map(({ body }) => body.id)).size).toBe(1)
  })

  it('sixty years fit; a file a design uses cannot be removed, one that none uses can', async () => {
    const { status, body } = await add(upload(60, 5))
    expect(status).toBe(201)
    const document = larkspurBench()
    const { fitted, id: fileId, name, years, utcOffsetH } = body
    document.place.hours = { ...fitted, fileId, name, years, utcOffsetH }
    const design = (await call<StoredDesign>('POST', '/designs', document)).body
    expect((await call<WeatherFile[]>('GET', '/weather')).body.find((file) => file.id === fileId)!.usedBy).toBe(1)
    expect((await call<ApiError>('DELETE', `/weather/${fileId}`)).body.error).toContain('still uses this weather file')
    await call('DELETE', `/designs/${design.id}`)
    expect((await call('DELETE', `/weather/${fileId}`)).status).toBe(409)
    await call('POST', `/designs/${design.id}/restore`)
    document.place.hours = null
    await call('PUT', `/designs/${design.id}`, { version: design.version, document })
    expect((await call('DELETE', `/weather/${fileId}`)).status).toBe(204)
    expect((await call('DELETE', `/weather/${fileId}`)).status).toBe(404)
  })

  it.each<[string, Partial<WeatherUpload> | Record<string, unknown>, string, RegExp]>([
    ['no name', { name: '' }, 'name', /name is empty/],
    ['too many years', { years: 61 }, 'years', /years: 61 is too large; at most 60/],
    ['hours that are too few', { years: 2 }, 'hours', /hours hold 70080 bytes; 2 years of 2 channels are 140160/],
    ['hours that are no base64', { hours: '###' }, 'hours', /hours/],
    ['a channel nobody knows', { channels: ['ghiWM2', 'pressure'] }, 'channels.1', /pressure/],
    ['no temperature', { channels: ['ghiWM2', 'windMS'] }, 'hours', /must hold airC/],
    ['a sun beyond the sun', { hours: wrong(2000) }, 'hours', /ghiWM2.7 2000 must lie between 0 and 1600/],
    ['a figure that is none', { hours: wrong(NaN) }, 'hours', /ghiWM2.7 NaN/],
    ['fitted rows that are short', { fitted: { ...upload().fitted, monthly: [] } }, 'fitted.monthly', /exactly 12/],
  ])('%s is refused by name', async (_, change, path, says) => {
    const { status, body } = await add({ ...upload(), ...change })
    expect(status).toBe(400)
    expect(body.problems!.map((problem) => problem.path)).toContain(path)
    expect(body.problems!.map((problem) => said(problem.message)).join('; ')).toMatch(says)
  })

  it.each(['/weather/none/hours', '/weather/11111111-2222-4333-8444-555555555555/hours'])(
    '%s is not here',
    async (path) => {
      expect((await call('GET', path)).status).toBe(404)
    },
  )

  it('a body beyond the limit says how large it may be', async () => {
    const { status, body } = await add({ ...upload(), hours: 'A'.repeat(17 * 1024 * 1024) })
    expect([status, body.error]).toEqual([413, 'the body is too large; at most 16 MB'])
  })
})

describe('documents of an earlier version', () => {
  it('come up to date when they are read, and with their next save', async () => {
    const made = (await call<StoredDesign>('POST', '/designs', larkspurBench())).body
    await server.db
      .execute(sql`update design set document = jsonb_set(document #- '{place,source}' #- '{place,hours}', '{version}', '1')
      where id = ${made.id}`)
    const { body } = await call<StoredDesign>('GET', `/designs/${made.id}`)
    expect(body.document.version).toBe(DESIGN_VERSION)
    expect(body.document.place.source).toBe('monthly')
    const saved = await call<StoredDesign>('PUT', `/designs/${made.id}`, {
      version: body.version,
      document: body.document,
    })
    expect(saved.status).toBe(200)
  })

  it('a new place gets the clock of its time zone', async () => {
    const body = { name: 'Zone', latitudeDeg: 40, longitudeDeg: -3.5, climate: 'winter-rain' }
    const made = (await call<StoredDesign>('POST', '/designs', body)).body
    expect(made.document.place.utcOffsetH).toBe(1)
  })
})

function wrong(value: number): string {
  const { bytes } = packSeries(series(1, 0))
  new DataView(bytes.buffer).setFloat32(7 * 4, value, true)
  return Buffer.from(bytes).toString('base64')
}
