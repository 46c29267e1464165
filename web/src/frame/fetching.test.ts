import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { missing, patiently } from './fetching.ts'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

it('a part that does not come is counted as missing, once, and tried for until it does', async () => {
  const load = vi
    .fn<() => Promise<string>>()
    .mockRejectedValueOnce(new Error('away'))
    .mockRejectedValueOnce(new Error('away'))
  load.mockResolvedValue('here')
  const fetched = patiently(load)()
  await vi.advanceTimersByTimeAsync(0)
  expect(missing.value).toBe(1)
  await vi.advanceTimersByTimeAsync(2600)
  expect([missing.value, load.mock.calls.length]).toEqual([1, 2])
  await vi.advanceTimersByTimeAsync(2600)
  expect(await fetched).toBe('here')
  expect([missing.value, load.mock.calls.length]).toEqual([0, 3])
})

it('a part that comes at once was never missing', async () => {
  expect(await patiently(() => Promise.resolve('here'))()).toBe('here')
  expect(missing.value).toBe(0)
})
