import { describe, expect, it } from 'vitest'
import type { Pieces } from '@ambrel/core'
import { Turns } from './turns.ts'

/** Turns whose every breath is let out by the test, and what was done in which order. */
function made() {
  const breaths: (() => void)[] = []
  const done: string[] = []
  const turns = new Turns(() => new Promise((go) => breaths.push(go)))
  /** Lets one breath out, and what hangs on it go as far as it can. */
  const breathe = async () => {
    breaths.shift()?.()
    await settle()
  }
  /** A question whose every piece takes longer than a worker gives it at a time. */
  function* slow(name: string, pieces: number): Pieces<string> {
    for (let i = 1; i <= pieces; i++) {
      done.push(`${name} ${i}`)
      for (const until = performance.now() + 5; performance.now() < until;);
      yield
    }
    return `${name} answered`
  }
  return { turns, done, breathe, slow }
}
const settle = async () => {
  for (let i = 0; i < 8; i++) await Promise.resolve()
}

describe('turns on one thread', () => {
  it('a question is worked on a piece a breath, and answered', async () => {
    const { turns, done, breathe, slow } = made()
    const answer = turns.inPieces(slow('sky', 2))
    expect(done).toEqual([])
    await breathe()
    expect(done).toEqual(['sky 1'])
    await breathe()
    expect(done).toEqual(['sky 1', 'sky 2'])
    await breathe()
    expect(await answer).toBe('sky answered')
  })

  it('a run goes at once, between two pieces of a question; that waits until the last run is through', async () => {
    const { turns, done, breathe, slow } = made()
    const answer = turns.inPieces(slow('wear', 2))
    await breathe()
    const ends: (() => void)[] = []
    const runs = ['first', 'second'].map((name) =>
      turns.run(async () => {
        done.push(`${name} run`)
        await new Promise<void>((end) => ends.push(end))
      }),
    )
    await breathe()
    expect(done).toEqual(['wear 1', 'first run', 'second run'])
    ends[0]()
    await runs[0]
    await settle()
    expect(done).toHaveLength(3)
    ends[1]()
    await runs[1]
    await settle()
    expect(done.at(-1)).toBe('wear 2')
    await breathe()
    expect(await answer).toBe('wear answered')
  })

  it('questions follow one another, also after one that cannot be answered or a run that failed', async () => {
    const { turns, done, breathe, slow } = made()
    await expect(turns.run(() => Promise.reject(new Error('no hours')))).rejects.toThrow('no hours')
    const answers = ['sky', 'tilts'].map((name) => turns.question(() => turns.inPieces(slow(name, 1))))
    const refused = turns.question(() => Promise.reject(new Error('no array')))
    const last = turns.question(() => turns.inPieces(slow('wear', 1)))
    await settle()
    for (let i = 0; i < 4; i++) await breathe()
    expect(await Promise.all(answers)).toEqual(['sky answered', 'tilts answered'])
    await expect(refused).rejects.toThrow('no array')
    await settle()
    for (let i = 0; i < 2; i++) await breathe()
    expect(await last).toBe('wear answered')
    expect(done).toEqual(['sky 1', 'tilts 1', 'wear 1'])
  })
})
