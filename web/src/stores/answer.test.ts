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
function opened(name = 'strings', strings = 1) {
  const design = useDesign()
  const asked: { strings: number; end: (answer: string) => void; fail: (why: Error) => void }[] = []
  design.document = withBatteries(strings)
  const scope = effectScope()
  const { answer, problem } = scope.run(() =>
    useAnswer(
      name,
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

  it('is there at once where the same was asked by the same name before, also when who asked left before it came', async () => {
    const first = opened()
    await settle()
    first.scope.stop()
    first.asked[0].end('one')
    await settle()
    const again = opened()
    expect(again.answer.value).toBe('one')
    again.design.document = withBatteries(2)
    await rest()
    again.asked[0].end('two')
    await settle()
    again.design.document = withBatteries(1)
    await rest()
    expect(again.answer.value).toBe('one')
    expect(again.asked).toHaveLength(1)
    const other = opened('shares')
    await settle()
    expect(other.answer.value).toBeNull()
    expect(other.asked).toHaveLength(1)
  })

  it('takes the place of what was answered or failed before, and is asked again after a failure', async () => {
    const { design, asked, answer, problem } = opened()
    await settle()
    asked[0].end('one')
    await settle()
    design.document = withBatteries(2)
    await rest()
    asked[1].fail(new Error('no hours'))
    await settle()
    expect(problem.value).toBe('no hours')
    design.document = withBatteries(1)
    await rest()
    expect([answer.value, problem.value]).toEqual(['one', ''])
    design.document = withBatteries(2)
    await rest()
    expect(asked.map(({ strings }) => strings)).toEqual([1, 2, 2])
  })

  it('is asked anew where many others were asked since it was', async () => {
    const { design, asked, answer } = opened('strings', 10)
    for (let i = 0; i < 40; i++) {
      design.document = withBatteries(10 + i)
      await rest()
      asked[i].end(String(10 + i))
      await settle()
    }
    design.document = withBatteries(49)
    await rest()
    expect([asked.length, answer.value]).toEqual([40, '49'])
    design.document = withBatteries(48)
    await rest()
    expect([asked.length, answer.value]).toEqual([40, '48'])
    design.document = withBatteries(10)
    await rest()
    expect(asked).toHaveLength(41)
    expect(answer.value).toBe('48')
  })
})
