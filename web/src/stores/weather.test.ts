import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { larkspurBench } from '@ambrel/core'
import type { WeatherFile, WeatherUpload } from '@ambrel/contract'
import { yearsWords } from '../frame/yearsWords.ts'
import { placeHoursOf, useWeather } from './weather.ts'

const { monthly, persistence, windMS } = larkspurBench().place
const file = (id: string): WeatherFile => ({
  id,
  name: `Hours ${id}`,
  createdAt: '2026-01-01T00:00:00.000Z',
  station: null,
  firstDay: 0,
  years: 3,
  utcOffsetH: -7,
  channels: ['ghiWM2', 'airC'],
  fitted: { monthly, persistence, windMS, interannualPct: null, lowestC: -20, highestC: 30 },
  report: { rows: 26280, years: 3, filled: [], filledHours: 0, refused: [], refusedCount: 0, notes: [] },
  usedBy: 0,
})

let kept: WeatherFile[]
let lists: number

beforeEach(() => {
  kept = [file('a')]
  lists = 0
  vi.stubGlobal('fetch', async (path: string, { method }: { method: string }) => {
    const answer = (status: number, value: unknown) => new Response(JSON.stringify(value), { status })
    if (path.endsWith('/hours'))
      return kept.some(({ id }) => path.includes(`/${id}/`))
        ? new Response(Uint8Array.from([1, 2, 3]))
        : answer(404, { error: 'gone' })
    if (method === 'POST') {
      kept = [file('b'), ...kept]
      return answer(201, kept[0])
    }
    if (method === 'DELETE') {
      if (path.endsWith('/a')) return answer(409, { error: 'a design still uses this weather file' })
      kept = kept.filter(({ id }) => !path.endsWith(`/${id}`))
      return new Response(null, { status: 204 })
    }
    lists++
    return answer(200, kept)
  })
  setActivePinia(createPinia())
})
afterEach(() => vi.unstubAllGlobals())

describe('weather files in the browser', () => {
  it('are listed once and found again after one was added or removed', async () => {
    const weather = useWeather()
    await weather.load()
    expect(weather.files.map(({ id }) => id)).toEqual(['a'])
    const added = await weather.add({} as WeatherUpload)
    expect(added.id).toBe('b')
    expect(weather.files.map(({ id }) => id)).toEqual(['b', 'a'])
    await weather.remove('b')
    expect(weather.files.map(({ id }) => id)).toEqual(['a'])
  })

  it('one in use stays, and the refusal says why', async () => {
    const weather = useWeather()
    await expect(weather.remove('a')).rejects.toThrow('still uses this weather file')
  })

  it('their hours are fetched with the shape to read them; a missing one is told in words', async () => {
    const weather = useWeather()
    const { shape, bytes } = await weather.hoursOf('a')
    expect(shape.years).toBe(3)
    expect([...bytes]).toEqual([1, 2, 3])
    expect(lists).toBe(1)
    await weather.hoursOf('a')
    expect(lists).toBe(1)
    await expect(weather.hoursOf('lost')).rejects.toThrow('not on this server; import the file again')
    kept = []
    await expect(weather.hoursOf('a')).rejects.toThrow('the hours of this weather file are not here')
  })

  it('a design keeps of a file what it says of the place', () => {
    expect(placeHoursOf(file('a'))).toEqual({
      fileId: 'a',
      name: 'Hours a',
      years: 3,
      utcOffsetH: -7,
      monthly,
      persistence,
      windMS,
      interannualPct: null,
      lowestC: -20,
      highestC: 30,
    })
  })
})

describe('years in words', () => {
  it.each([
    ['monthly', 30, '30 made years'],
    ['fitted', 1, '1 made year'],
    ['hours', 3, '3 imported years'],
  ] as const)('%s, %s', (source, years, words) => {
    const design = larkspurBench()
    design.place.source = source
    expect(yearsWords(design, years)).toBe(words)
  })
})
