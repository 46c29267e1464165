import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { findPostgres } from '../postgres.mjs'
import { fuzz } from '../trouble/fuzz.mjs'
import { Ground } from '../trouble/ground.mjs'
import { hostile } from '../trouble/hostile.mjs'
import { freeze, killBackend, killPostmaster, killServer } from '../trouble/kills.mjs'
import { summary } from '../trouble/load.mjs'

describe('the figures of a load', () => {
  it('are of all calls, and of those that no standstill of the machine touched, nor the backlog after it', () => {
    const calls = [
      { from: 0, to: 10 },
      { from: 95, to: 205 },
      { from: 250, to: 330 },
      { from: 310, to: 322 },
    ]
    expect(summary(calls, 1, [[100, 200]])).toEqual({
      requests: 4,
      p50Ms: 80,
      p99Ms: 110,
      failed: 1,
      machineStill: { times: 1, longestMs: 100 },
      calm: { requests: 2, p50Ms: 12, p99Ms: 12 },
    })
    expect(summary(calls, 0, []).calm).toEqual({ requests: 4, p50Ms: 80, p99Ms: 110 })
  })
})

/** The trouble of `npm run trouble`, shortened. */
describe.runIf(findPostgres() !== null)('trouble', () => {
  let ground
  beforeAll(async () => {
    ground = await Ground.lay()
  })
  afterAll(() => ground?.clear())

  it.each([
    ['a server', killServer, 3],
    ['the database', killPostmaster, 2],
    ['a connection of the database', killBackend, 2],
  ])('%s that is killed loses no acknowledged save and comes back', async (_, blow, times) => {
    const { acknowledged, lost, failedStarts } = await blow(ground, times)
    expect(acknowledged).toBeGreaterThan(0)
    expect([lost, failedStarts]).toEqual([0, 0])
  })

  it('a database that stands still is told, loses nothing, and all is well when it goes on', async () => {
    const { toldMs, backMs, lost } = await freeze(ground, 6000)
    expect(toldMs).not.toBeNull()
    expect(backMs).not.toBeNull()
    expect(lost).toBe(0)
  })

  it('requests of every kind are answered, none with a fault of the server’s', async () => {
    const { faults, ...answered } = await fuzz(ground.base, 600)
    expect(faults).toEqual([])
    expect(answered['2xx']).toBeGreaterThan(0)
    expect(answered['4xx']).toBeGreaterThan(0)
  })

  it('documents made to hold it up are refused, but for the one that is only large', async () => {
    for (const { name, status } of await hostile(ground.base))
      expect(status, name).toBe(name === '500 loads of 200 readings' ? 201 : 400)
  })
})
