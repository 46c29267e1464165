import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { eq, sql } from 'drizzle-orm'
import { DESIGN_VERSION, larkspurBench, type Design } from '@ambrel/core'
import type { ApiError, DesignEntry, StoredDesign, StoredPart, StoredReading } from '@ambrel/contract'
import type { Database } from '../db/database.ts'
import { emptyOldBin } from '../db/designs.ts'
import { design as designTable } from '../db/schema.ts'
import { seed } from '../seed/seed.ts'
import { TestServer } from './testServer.ts'

let server: TestServer
let db: Database
let call: TestServer['call']

beforeAll(async () => {
  server = await TestServer.start()
  ;({ db, call } = server)
})
afterAll(() => server?.stop())

const create = async (change: (design: Design) => void = () => {}) => {
  const document = larkspurBench()
  document.name = 'Test'
  change(document)
  return (await call<StoredDesign>('POST', '/designs', document)).body
}

describe('the shelf', () => {
  it('is healthy and holds the demo with its two variants', async () => {
    expect((await call('GET', '/health')).body).toEqual({ status: 'ok' })
    const { body } = await call<DesignEntry[]>('GET', '/designs')
    const family = body.filter(({ name }) => name === 'Larkspur Bench')
    expect(family.map(({ variant }) => variant)).toEqual(['As planned', 'Flooded bank', 'More sun, less bank'])
    expect(new Set(family.map(({ familyId }) => familyId)).size).toBe(1)
  })

  it('puts a design away and takes it back, as it was and open to edits', async () => {
    const { id, version, document } = await create()
    const away = await call<DesignEntry>('PUT', `/designs/${id}/archived`, { archived: true })
    expect(away.body.archivedAt).not.toBeNull()
    const listed = (await call<DesignEntry[]>('GET', '/designs')).body.find((entry) => entry.id === id)
    expect(listed).toMatchObject({ archivedAt: away.body.archivedAt, version })
    const notes = 'put away'
    const edited = await call<DesignEntry>('PUT', `/designs/${id}`, { version, document: { ...document, notes } })
    expect(edited.body.archivedAt).toBe(away.body.archivedAt)
    expect((await call<DesignEntry>('PUT', `/designs/${id}/archived`, { archived: false })).body.archivedAt).toBeNull()
    expect((await call('PUT', `/designs/${id}/archived`, { archived: 'yes' })).status).toBe(400)
    await call('DELETE', `/designs/${id}`)
    expect((await call('PUT', `/designs/${id}/archived`, { archived: true })).status).toBe(404)
  })

  it('seeding again changes nothing and does not bring back what was deleted', async () => {
    const before = (await call<DesignEntry[]>('GET', '/designs')).body
    await call('DELETE', `/designs/${before[2].id}`)
    await seed(db)
    expect((await call<DesignEntry[]>('GET', '/designs')).body).toHaveLength(before.length - 1)
    await call('POST', `/designs/${before[2].id}/restore`)
  })

  it('seeding brings the generic parts up to what this version knows of them', async () => {
    const parts = async () => (await call<StoredPart[]>('GET', '/parts?kind=inverter')).body
    const now = await parts()
    await db.execute(sql`update part set part = part - 'waveform' where kind = 'inverter'`)
    await seed(db)
    expect(await parts()).toEqual(now)
  })

  it('makes a design from a name and a place', async () => {
    const { status, body } = await call<StoredDesign>('POST', '/designs', {
      name: 'Hut',
      latitudeDeg: -43.5,
      longitudeDeg: 171,
      climate: 'winter-rain',
    })
    expect(status).toBe(201)
    expect(body.document.place.utcOffsetH).toBe(12)
    expect(body.document.arrays[0].azimuthDeg).toBe(0)
  })

  it.each([
    [{ service: 'split-phase' }, 24, 'split-phase'],
    [{ service: 'single-230', systemV: 48 }, 48, 'single-230'],
    [{ systemV: 12 }, 12, 'single-120'],
    [{}, 24, 'single-120'],
  ] as const)('and of what the house is wired for: %j', async (house, systemV, topology) => {
    const place = { latitudeDeg: 46.5, longitudeDeg: -84, climate: 'cold-valley' }
    const { body } = await call<StoredDesign>('POST', '/designs', { name: 'Hut', ...place, ...house })
    expect(body.document.bank.systemV).toBe(systemV)
    expect(body.document.inverter.part).toMatchObject({ topology, bankV: systemV })
  })

  it.each([
    [{ name: 'x', latitudeDeg: 48, longitudeDeg: 0, climate: 'cold-valley', service: '110' }, 'service'],
    [{ name: 'x', latitudeDeg: 48, longitudeDeg: 0, climate: 'cold-valley', systemV: 36 }, 'systemV'],
    [{ name: '', latitudeDeg: 48, longitudeDeg: 0, climate: 'cold-valley' }, 'name'],
    [{ name: 'x', latitudeDeg: 95, longitudeDeg: 0, climate: 'cold-valley' }, 'latitudeDeg'],
    [{ name: 'x', latitudeDeg: 48, longitudeDeg: 0, climate: 'moon' }, 'climate'],
    [{ name: 'x', latitudeDeg: '48', longitudeDeg: 0, climate: 'cold-valley' }, 'latitudeDeg'],
  ])('refuses %j at %s', async (body, path) => {
    const answer = await call<ApiError>('POST', '/designs', body)
    expect(answer.status).toBe(400)
    expect(answer.body.problems!.map((problem) => problem.path)).toContain(path)
  })

  it('lists the parts by kind and names a kind that is not there', async () => {
    const { body } = await call<StoredPart[]>('GET', '/parts?kind=battery')
    expect(body.length).toBeGreaterThan(5)
    expect(new Set(body.map(({ kind }) => kind))).toEqual(new Set(['battery']))
    expect((await call<ApiError>('GET', '/parts?kind=shoe')).body.problems![0].path).toBe('kind')
  })
})

describe('saving', () => {
  it('raises the version, keeps history, and gives back what was saved', async () => {
    const { id, document } = await create()
    document.loads[0].runningW = 123
    const saved = await call<StoredDesign>('PUT', `/designs/${id}`, { version: 1, document })
    expect(saved.status).toBe(200)
    expect(saved.body.version).toBe(2)
    expect((await call<StoredDesign>('GET', `/designs/${id}`)).body.document).toEqual(document)
    const history = await call<{ version: number }[]>('GET', `/designs/${id}/history`)
    expect(history.body.map(({ version }) => version)).toEqual([2, 1])
    const first = await call<Design>('GET', `/designs/${id}/history/1`)
    expect(first.body.loads[0].runningW).not.toBe(123)
  })

  it('refuses a stale save with the present state and changes nothing', async () => {
    const { id, document } = await create()
    await call('PUT', `/designs/${id}`, { version: 1, document: { ...document, notes: 'first' } })
    const late = await call<ApiError>('PUT', `/designs/${id}`, { version: 1, document: { ...document, notes: 'late' } })
    expect(late.status).toBe(409)
    expect(late.body.current).toMatchObject({ version: 2, document: { notes: 'first' } })
  })

  it('keeps the last hundred versions', async () => {
    const { id, document } = await create()
    for (let version = 1; version <= 104; version++)
      await call('PUT', `/designs/${id}`, { version, document: { ...document, notes: `save ${version}` } })
    const history = (await call<{ version: number }[]>('GET', `/designs/${id}/history`)).body
    expect(history).toHaveLength(100)
    expect(history[0].version).toBe(105)
    expect(history.at(-1)!.version).toBe(6)
    expect((await call('GET', `/designs/${id}/history/5`)).status).toBe(404)
  })

  it('a save to a design that was deleted is 404, not lost in silence', async () => {
    const { id, document } = await create()
    await call('DELETE', `/designs/${id}`)
    expect((await call('PUT', `/designs/${id}`, { version: 1, document })).status).toBe(404)
  })

  it('two saves at the same moment: exactly one wins', async () => {
    const { id, document } = await create()
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        call('PUT', `/designs/${id}`, { version: 1, document: { ...document, notes: `n${i}` } }),
      ),
    )
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409, 409, 409, 409, 409])
  })

  it.each([
    ['place.latitudeDeg', (d: Design): unknown => (d.place.latitudeDeg = 95)],
    ['loads.0.runningW', (d: Design): unknown => (d.loads[0].runningW = -5)],
    ['loads', (d: Design): unknown => (d.loads = [])],
    ['bank.part.nominalV', (d: Design): unknown => (d.bank.part.nominalV = 36)],
    ['version', (d: Design): unknown => ((d as { version: number }).version = DESIGN_VERSION + 1)],
  ])('names %s with 400 and keeps what was there', async (path, change) => {
    const { id, document } = await create()
    const bad = structuredClone(document)
    change(bad)
    const answer = await call<ApiError>('PUT', `/designs/${id}`, { version: 1, document: bad })
    expect(answer.status).toBe(400)
    expect(answer.body.problems!.map((problem) => problem.path)).toContain(path)
    expect((await call<StoredDesign>('GET', `/designs/${id}`)).body).toMatchObject({ version: 1, document })
  })

  it('broken JSON is 400, an unknown route and design 404', async () => {
    const broken = await call<ApiError>('POST', '/designs', '{"name": ')
    expect(broken.status).toBe(400)
    expect(broken.body.error).toContain('not JSON')
    expect((await call('GET', '/nothing')).status).toBe(404)
    expect((await call('GET', '/designs/not-an-id')).status).toBe(404)
    expect((await call('GET', '/designs/00000000-0000-4000-8000-000000000000')).status).toBe(404)
  })
})

describe('variants and the bin', () => {
  it('a variant joins the family under its own name', async () => {
    const { id, familyId } = await create()
    const { status, body } = await call<StoredDesign>('POST', `/designs/${id}/variants`, { variant: 'Bigger bank' })
    expect(status).toBe(201)
    expect(body).toMatchObject({ familyId, variant: 'Bigger bank', version: 1 })
    expect((await call<ApiError>('POST', `/designs/${id}/variants`, { variant: ' ' })).status).toBe(400)
  })

  it('a deleted design is in the bin for thirty days, comes back whole, and is gone after', async () => {
    const { id, document } = await create()
    expect((await call('DELETE', `/designs/${id}`)).status).toBe(204)
    expect((await call('GET', `/designs/${id}`)).status).toBe(404)
    expect((await call<DesignEntry[]>('GET', '/bin')).body.map((entry) => entry.id)).toContain(id)
    await emptyOldBin(db)
    expect((await call<StoredDesign>('POST', `/designs/${id}/restore`)).body.document).toEqual(document)
    await call('DELETE', `/designs/${id}`)
    await db
      .update(designTable)
      .set({ deletedAt: sql`clock_timestamp() - interval '31 days'`, binDays: 30 })
      .where(eq(designTable.id, id))
    expect(await emptyOldBin(db)).toBe(1)
    expect((await call('POST', `/designs/${id}/restore`)).status).toBe(404)
  })
})

describe('a clock that jumps', () => {
  const lastLook = (interval: string) =>
    db.execute(sql`insert into job (name, at) values ('bin', clock_timestamp() - ${interval}::interval)
      on conflict (name) do update set at = excluded.at`)
  const daysOf = async (id: string) =>
    (await db.select({ days: designTable.binDays }).from(designTable).where(eq(designTable.id, id)))[0].days

  it.each(['1 day', '31 days', '400 days'])('by %s counts one day in the bin and empties nothing', async (jump) => {
    const { id } = await create()
    await call('DELETE', `/designs/${id}`)
    await db
      .update(designTable)
      .set({ deletedAt: sql`clock_timestamp() - ${jump}::interval` })
      .where(eq(designTable.id, id))
    await lastLook(jump)
    expect(await emptyOldBin(db)).toBe(0)
    expect(await emptyOldBin(db)).toBe(0)
    expect(await daysOf(id)).toBe(1)
  })

  it('backwards counts none, and the days go on from there', async () => {
    const { id } = await create()
    await call('DELETE', `/designs/${id}`)
    await lastLook('-20 days')
    await emptyOldBin(db)
    expect(await daysOf(id)).toBe(0)
    await lastLook('1 day')
    await emptyOldBin(db)
    expect(await daysOf(id)).toBe(1)
  })
})

describe('the log', () => {
  const reading = {
    at: '2026-01-05T08:00:00.000Z',
    batteryV: 52.4,
    batteryA: -12,
    stateOfCharge: 0.61,
    arrayW: 0,
    loadW: 640,
    generatorOn: false,
    note: 'frost',
  }

  it('takes a reading, lists the newest first, and lets it go', async () => {
    const { id } = await create()
    const first = await call<StoredReading>('POST', `/designs/${id}/readings`, reading)
    expect(first.status).toBe(201)
    await call('POST', `/designs/${id}/readings`, { ...reading, at: '2026-01-06T08:00:00.000Z' })
    const list = (await call<StoredReading[]>('GET', `/designs/${id}/readings`)).body
    expect(list.map(({ at }) => at)).toEqual(['2026-01-06T08:00:00.000Z', '2026-01-05T08:00:00.000Z'])
    expect(list[1]).toMatchObject(reading)
    expect((await call('DELETE', `/designs/${id}/readings/${first.body.id}`)).status).toBe(204)
    expect((await call('DELETE', `/designs/${id}/readings/${first.body.id}`)).status).toBe(404)
  })

  it('refuses an empty reading and one that cannot be', async () => {
    const { id } = await create()
    const empty = {
      ...reading,
      batteryV: null,
      batteryA: null,
      stateOfCharge: null,
      arrayW: null,
      loadW: null,
      note: '',
    }
    expect((await call<ApiError>('POST', `/designs/${id}/readings`, empty)).body.problems![0].message).toContain(
      'empty',
    )
    expect(
      (await call<ApiError>('POST', `/designs/${id}/readings`, { ...reading, stateOfCharge: 61 })).body.problems![0]
        .path,
    ).toBe('stateOfCharge')
    expect(
      (await call<ApiError>('POST', `/designs/${id}/readings`, { ...reading, at: 'soon' })).body.problems![0].path,
    ).toBe('at')
  })
})
