import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { StoredPart } from '@ambrel/contract'
import { api } from './api.ts'
import { useParts } from './parts.ts'

vi.mock('../saving/tabs.ts', () => ({ hear: () => () => {}, tell: () => {} }))

const generic = { id: 'mono-415', kind: 'module', part: { id: 'mono-415' }, own: false, version: 1 } as StoredPart
const mine = { id: 'own-1', kind: 'module', part: { id: 'own-1' }, own: true, version: 1 } as StoredPart

beforeEach(() => setActivePinia(createPinia()))
afterEach(() => vi.restoreAllMocks())

describe('the parts shelf in the page', () => {
  it('keeps what was added while an older list was on its way', async () => {
    let answer: (parts: StoredPart[]) => void = () => {}
    const list = vi
      .spyOn(api, 'parts')
      .mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)))
      .mockResolvedValue([generic, mine])
    vi.spyOn(api, 'addParts').mockResolvedValue([mine])
    const parts = useParts()
    const loading = parts.load()
    await parts.add([mine])
    answer([generic])
    await loading
    await vi.waitFor(() => expect(parts.all).toEqual([generic, mine]))
    expect(list).toHaveBeenCalledTimes(2)
  })
  it('says why it could not be read, and reads it when it is asked for again', async () => {
    vi.spyOn(api, 'parts').mockRejectedValueOnce(new Error('the server cannot be reached')).mockResolvedValue([generic])
    const parts = useParts()
    await parts.load()
    expect(parts.failure).toBe('the server cannot be reached')
    await parts.reload()
    expect(parts.of('module')).toEqual([generic.part])
    expect(parts.failure).toBe('')
  })
})
