import { createPinia, setActivePinia } from 'pinia'
import { effectScope, nextTick } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { larkspurBench, type Design } from '@ambrel/core'
import { useAnswer } from './answer.ts'
import { useDesign } from './design.ts'

vi.mock('../workers/winterWorkers.ts', async () => (await import('../testing/stubs.ts')).silentWorker)

/** Longer than a question has to rest before it is asked. */
const RESTED_MS = 400
const settle = async () => {
  for (let i = 0; i < 8; i++) await nextTick()
}
const rest = async () => {
  await settle()
  vi.advanceTimersByTime(RESTED_MS)
  await settle()
}
const withBatteries = (inParallel: number): Design => {
  const design = larkspurBench()
  return { ...design, bank: { ...design.bank, inParallel } }
}

/** A question about the strings of the bank, nothing where there are nine, and the answers that are waited for. */
function opened() {
  const design = useDesign()
  const asked: { strings: number; end: (answer: string) => void; fail: (why: Error) => void }[] = []
  design.document = withBatteries(1)
  const scope = effectScope()
  const { answer, problem } = scope.run(() =>
    useAnswer(
      (whole) => (whole.bank.inParallel === 9 ? null : { design: whole, strings: whole.bank.inParallel }),
      (_, { strings }) => new Promise<string>((end, fail) => asked.push({ strings, end, fail })),
    ),
  )!
  return { design, asked, answer, problem, scope }
}

beforeEach(() => {
  vi.stubGlobal('window', { addEventListener: () => {} })
  vi.useFakeTimers()
  setActivePinia(createPinia())
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('an answer that follows the design', () => {
  it('is asked at once, then when the question has changed and rested; nothing is asked where there is nothing to ask', async () => {
    const { design, asked, answer } = opened()
    await settle()
    expect(asked.map(({ strings }) => strings)).toEqual([1])
    asked[0].end('one')
    await settle()
    expect(answer.value).toBe('one')
    for (const strings of [2, 3]) design.document = withBatteries(strings)
    await rest()
    expect(asked.map(({ strings }) => strings)).toEqual([1, 3])
    design.document = withBatteries(9)
    await rest()
    expect(asked).toHaveLength(2)
  })

  it('is taken though it comes while an edit stands that is undone before it has rested', async () => {
    const { design, asked, answer } = opened()
    await settle()
    design.document = withBatteries(2)
    await settle()
    asked[0].end('one')
    await settle()
    design.document = withBatteries(1)
    await rest()
    expect(asked).toHaveLength(1)
    expect(answer.value).toBe('one')
  })

  it('is dropped where it comes after another was asked, or after whoever asked is gone; what goes wrong is told', async () => {
    const { design, asked, answer, problem, scope } = opened()
    await settle()
    design.document = withBatteries(2)
    await rest()
    asked[0].end('one')
    await settle()
    expect(answer.value).toBeNull()
    asked[1].fail(new Error('no hours'))
    await settle()
    expect(problem.value).toBe('no hours')
    design.document = withBatteries(3)
    await rest()
    scope.stop()
    asked[2].end('three')
    await settle()
    expect(answer.value).toBeNull()
  })
})
