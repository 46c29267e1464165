import { describe, expect, it } from 'vitest'
import { readingProblems, type Reading } from './reading.ts'

const empty: Reading = {
  at: '2026-01-05T08:00:00.000Z',
  batteryV: null,
  batteryA: null,
  stateOfCharge: null,
  arrayW: null,
  loadW: null,
  generatorOn: false,
  note: '',
}

describe('a reading', () => {
  it.each<Partial<Reading>>([
    { batteryV: 51.2 },
    { batteryA: -12 },
    { stateOfCharge: 0 },
    { arrayW: 0 },
    { loadW: 140 },
    { note: 'snow on the array' },
  ])('that says %o is kept', (said) => {
    expect(readingProblems({ ...empty, ...said })).toEqual([])
  })

  it.each<Partial<Reading>>([{}, { note: '  \n ' }, { generatorOn: true }])(
    'of only %o says nothing, and is refused at its first field',
    (said) => {
      expect(readingProblems({ ...empty, ...said })).toMatchObject([{ path: 'batteryV', value: null }])
    },
  )
})
