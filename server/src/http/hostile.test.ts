import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pino from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { larkspurBench, newSource, type Design } from '@ambrel/core'
import type { ApiError, DesignEntry, StoredDesign } from '@ambrel/contract'
import { createApp } from '../app.ts'
import { TestServer } from './testServer.ts'

let server: TestServer
let stored: StoredDesign

beforeAll(async () => {
  server = await TestServer.start()
  stored = (await server.call<StoredDesign>('POST', '/designs', { ...larkspurBench(), name: 'Hostile' })).body
})
afterAll(() => server?.stop())

const NOBODY = '11111111-2222-4333-8444-555555555555'
const IDS = [
  'nothing',
  '1',
  '%00',
  "';drop table design;--",
  '..%2F..%2Fetc',
  '%E0%A4%A',
  NOBODY,
  `${NOBODY}0`,
  '%F0%9F%98%80',
]
const NUMBERS = ['0', '-1', '1.5', 'x', '99999999999999999999', '1e9', '2147483648', 'NaN', '%00']
const BODIES: unknown[] = [null, 5, 'text', [], {}, { version: 1 }, '{', '{"a":', '[]', 'null', '"x"']

/** Every route that takes something, with what it is given in place of the id and of the number. */
const ROUTES: [method: string, path: string, withBody: boolean][] = [
  ['GET', '/designs/:id', false],
  ['PUT', '/designs/:id', true],
  ['DELETE', '/designs/:id', false],
  ['POST', '/designs/:id/restore', false],
  ['POST', '/designs/:id/variants', true],
  ['GET', '/designs/:id/history', false],
  ['GET', '/designs/:id/history/:n', false],
  ['GET', '/designs/:id/readings', false],
  ['POST', '/designs/:id/readings', true],
  ['DELETE', '/designs/:id/readings/:n', false],
  ['POST', '/parts', true],
  ['PUT', '/parts/:id', true],
  ['DELETE', '/parts/:id', false],
  ['GET', '/weather/:id/hours', false],
  ['DELETE', '/weather/:id', false],
]

/** A refusal is one of the caller's, in words. */
async function refused(method: string, path: string, body?: unknown): Promise<void> {
  const answer = await server.call<ApiError | null>(method, path, body)
  const told = `${method} ${path} ${JSON.stringify(body)?.slice(0, 80) ?? ''}`
  expect(answer.status, told).toBeGreaterThanOrEqual(400)
  expect(answer.status, told).toBeLessThan(500)
  expect(answer.body?.error, told).toMatch(/\w/)
}

describe.each(ROUTES)('%s %s', (method, path, withBody) => {
  it('refuses ids that are none, and one that nobody has, in words', async () => {
    for (const id of IDS)
      await refused(method, path.replace(':id', id).replace(':n', '1'), withBody ? { anything: 1 } : undefined)
  })

  it.runIf(path.includes(':n'))('refuses numbers that are none or too large', async () => {
    for (const n of NUMBERS) await refused(method, path.replace(':id', stored.id).replace(':n', n))
  })

  it.runIf(withBody)('refuses bodies that are not what it takes', async () => {
    for (const body of BODIES) await refused(method, path.replace(':id', stored.id), body)
  })
})

describe('a new design and a weather file', () => {
  it.each(['/designs', '/weather'])('POST %s refuses what is none', async (path) => {
    for (const body of BODIES) await refused('POST', path, body)
  })

  it('text of the database’s own forbidden letters is kept or refused, never an error of the server', async () => {
    for (const letters of ['a\u0000b', '\ud800', 'x\udfff', '\u202e', '🌞', "';--", '<script>']) {
      const { status, body } = await server.call<StoredDesign & ApiError>('POST', '/designs', {
        ...larkspurBench(),
        name: `Letters ${letters}`,
      })
      expect([201, 400], JSON.stringify(letters)).toContain(status)
      if (status === 201) {
        const again = (await server.call<StoredDesign>('GET', `/designs/${body.id}`)).body
        expect(again.name).toBe(`Letters ${letters}`)
      } else expect(body.problems?.[0].path).toBe('name')
    }
  })

  it('every text of a document is held to the same, at its place', async () => {
    const change: [string, (design: Design) => void][] = [
      ['loads.0.name', (d) => (d.loads[0].name = 'Pump\u0000')],
      ['place.label', (d) => (d.place.label = '\u0000')],
      ['arrays.0.module.name', (d) => (d.arrays[0].module.name = 'M\ud800')],
      ['sources.0.name', (d) => (d.sources = [{ ...newSource('source-1', 'wind', 50), name: '\u0000' }])],
    ]
    for (const [path, make] of change) {
      const document = larkspurBench()
      make(document)
      const { status, body } = await server.call<ApiError>('POST', '/designs', document)
      expect(status, path).toBe(400)
      expect(body.problems?.map((problem) => problem.path)).toContain(path)
    }
  })

  it('nothing of all that was kept', async () => {
    const { body } = await server.call<DesignEntry[]>('GET', '/designs')
    expect(body.filter(({ name }) => name === 'Hostile')).toHaveLength(1)
    const now = (await server.call<StoredDesign>('GET', `/designs/${stored.id}`)).body
    expect(now).toEqual(stored)
  })
})

describe('the files of the page', () => {
  it('one that is not there is told without a path of this machine', async () => {
    const webFolder = mkdtempSync(join(tmpdir(), 'ambrel-web-'))
    mkdirSync(join(webFolder, 'assets'))
    const http = createServer(
      createApp({ db: server.db, answers: () => Promise.resolve(true), logger: pino({ level: 'silent' }), webFolder }),
    )
    await new Promise<void>((resolve) => http.listen(0, '127.0.0.1', resolve))
    const { port } = http.address() as AddressInfo
    const answer = await fetch(`http://127.0.0.1:${port}/assets/nothing.js`)
    expect(answer.status).toBe(404)
    expect(await answer.json()).toEqual({ error: 'there is no GET /assets/nothing.js' })
    http.close()
    rmSync(webFolder, { recursive: true })
  })
})
