import { expect, it } from 'vitest'
import { kept } from './kept.ts'

it('makes what it does not know, keeps the last few, and forgets the oldest', () => {
  const made: string[] = []
  const of = kept<string>(2)
  const ask = (key: string) => of(key, () => (made.push(key), key.toUpperCase()))
  expect(['a', 'b', 'a', 'c', 'b', 'a'].map(ask)).toEqual(['A', 'B', 'A', 'C', 'B', 'A'])
  expect(made).toEqual(['a', 'b', 'c', 'a'])
})
