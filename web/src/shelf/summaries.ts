import { proxy, wrap, type Remote } from 'comlink'
import type { WinterSummary } from '@ambrel/core'
import { api } from '../stores/api.ts'
import type { WinterService } from '../workers/winter.worker.ts'

const YEARS = 10
let worker: Remote<WinterService> | null = null
let queue: Promise<unknown> = Promise.resolve()
const known = new Map<string, Promise<WinterSummary | null>>()

/** The winter of a stored design over ten made years; one at a time, each version once. */
export function summaryOf(id: string, version: number): Promise<WinterSummary | null> {
  const key = `${id}@${version}`
  let answer = known.get(key)
  if (!answer) {
    answer = queue.then(() => run(id))
    queue = answer.catch(() => null)
    known.set(key, answer)
  }
  return answer
}

async function run(id: string): Promise<WinterSummary | null> {
  const { document } = await api.design(id)
  worker ??= wrap<WinterService>(
    new Worker(new URL('../workers/winter.worker.ts', import.meta.url), { type: 'module' }),
  )
  const winters = await worker.run(
    { ...document, winter: { ...document.winter, years: YEARS } },
    proxy(() => {}),
    proxy(() => {}),
  )
  return winters?.summary ?? null
}
