import { describe, expect, it } from 'vitest'
import { kept, keptOf } from './kept.ts'

it('makes what it does not know, keeps the last few, and forgets the oldest', () => {
  const made: string[] = []
  const of = kept<string>(2)
  const ask = (key: string) => of(key, () => (made.push(key), key.toUpperCase()))
  expect(['a', 'b', 'a', 'c', 'b', 'a'].map(ask)).toEqual(['A', 'B', 'A', 'C', 'B', 'A'])
  expect(made).toEqual(['a', 'b', 'c', 'a'])
})

describe('what is kept of an object', () => {
  it('is made once, and again when a field has another value', () => {
    let made = 0
    const sum = keptOf(({ a, b }: { a: number; b: number }) => {
      made++
      return a + b
    })
    const pair = { a: 1, b: 2 }
    expect([sum(pair), sum(pair), made]).toEqual([3, 3, 1])
    pair.b = 5
    expect([sum(pair), made]).toEqual([6, 2])
    expect([sum({ ...pair }), made]).toEqual([6, 3])
  })
})
