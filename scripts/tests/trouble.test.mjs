import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { findPostgres } from '../postgres.mjs'
import { fuzz } from '../trouble/fuzz.mjs'
import { Ground } from '../trouble/ground.mjs'
import { hostile } from '../trouble/hostile.mjs'
import { freeze, killBackend, killPostmaster, killServer } from '../trouble/kills.mjs'

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
