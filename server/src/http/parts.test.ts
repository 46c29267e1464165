import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { eq, sql } from 'drizzle-orm'
import { batteryParts, inverterParts, moduleParts } from '@ambrel/core'
import { LIMITS, type ApiError, type OwnPart, type StoredPart } from '@ambrel/contract'
import { part as partTable } from '../db/schema.ts'
import { seed } from '../seed/seed.ts'
import { TestServer } from './testServer.ts'

let server: TestServer
let call: TestServer['call']

beforeAll(async () => {
  server = await TestServer.start()
  ;({ call } = server)
})
afterAll(() => server?.stop())

const barn: OwnPart = { kind: 'module', part: { ...moduleParts[0], name: 'Barn roof', vocV: 38 } }
const add = async (...parts: OwnPart[]) => (await call<StoredPart[]>('POST', '/parts', { parts })).body
const own = async () => (await call<StoredPart[]>('GET', '/parts')).body.filter((each) => each.own)

describe('parts of one’s own', () => {
  it('are kept under an id of their own, beside those of the program, and listed after them', async () => {
    const [stored] = await add(barn)
    expect(stored).toMatchObject({ kind: 'module', own: true, version: 1 })
    expect(stored.part).toMatchObject({ name: 'Barn roof', vocV: 38, id: stored.id })
    const modules = (await call<StoredPart[]>('GET', '/parts?kind=module')).body
    expect(modules.findIndex((each) => each.own)).toBe(moduleParts.length)
    expect(modules.find(({ id }) => id === 'mono-415')!.part).toEqual(moduleParts[0])
  })
  it('are changed from the version they were read at, and not over another change', async () => {
    const [{ id }] = await add(barn)
    const put = (version: number, vocV: number) =>
      call<StoredPart & ApiError>('PUT', `/parts/${id}`, { version, part: { ...barn.part, vocV } })
    expect((await put(1, 39)).body).toMatchObject({ version: 2, part: { vocV: 39 } })
    const late = await put(1, 40)
    expect(late.status).toBe(409)
    expect(late.body.currentPart).toMatchObject({ version: 2, part: { vocV: 39 } })
    expect((await put(2, 40)).body).toMatchObject({ version: 3, part: { vocV: 40 } })
  })
  it('are deleted, once', async () => {
    const [{ id }] = await add(barn)
    expect((await call('DELETE', `/parts/${id}`)).status).toBe(204)
    expect((await call('DELETE', `/parts/${id}`)).status).toBe(404)
    expect((await own()).map((each) => each.id)).not.toContain(id)
  })
  it('come many at once, all or none', async () => {
    const before = (await own()).length
    const answer = await call<ApiError>('POST', '/parts', {
      parts: [
        { kind: 'battery', part: batteryParts[0] },
        { kind: 'inverter', part: { ...inverterParts[0], surgeW: 60 } },
      ],
    })
    expect(answer.status).toBe(400)
    expect(answer.body.problems!.map(({ path }) => path)).toEqual(['parts.1.part.surgeW'])
    expect(await own()).toHaveLength(before)
  })
  it('stay when the program brings its own up to date', async () => {
    const before = await own()
    await seed(server.db)
    expect(await own()).toEqual(before)
  })
  it('kept by an earlier version have what came since', async () => {
    const [{ id }] = await add(barn)
    await server.db
      .update(partTable)
      .set({ part: sql`part - 'estimated'`, format: 6 })
      .where(eq(partTable.id, id))
    expect((await own()).find((each) => each.id === id)!.part.estimated).toEqual([])
  })
  it.each<['PUT' | 'DELETE']>([['PUT'], ['DELETE']])('%s leaves those of the program alone', async (method) => {
    const answer = await call<ApiError>(method, '/parts/mono-415', { version: 1, part: moduleParts[0] })
    expect(answer.status).toBe(409)
    expect(answer.body.error).toContain('comes with the program')
  })
  it('that no design could take are refused at their field', async () => {
    const answer = await call<ApiError>('POST', '/parts', {
      parts: [{ kind: 'module', part: { ...moduleParts[0], vmpV: 90, price: undefined } }],
    })
    expect(answer.status).toBe(400)
    expect(answer.body.problems![0].path).toBe('parts.0.part.price')
  })
  it('are so many at most', async () => {
    const there = (await own()).length
    const more = Array.from({ length: LIMITS.ownParts - there + 1 }, () => ({
      kind: 'generator',
      part: {
        id: 'g',
        name: 'Set',
        fuel: 'petrol',
        ratedW: 2000,
        ratedOn: 'own',
        output: 'split',
        frequencyHz: 'unknown',
        price: 1,
        estimated: [],
      },
    }))
    expect((await call<ApiError>('POST', '/parts', { parts: more })).body.error).toContain('2000 parts of your own')
    expect((await call('POST', '/parts', { parts: more.slice(1) })).status).toBe(201)
    expect((await call('POST', '/parts', { parts: [barn] })).status).toBe(409)
  })
})
