import { proxy } from 'comlink'
import type { WinterSummary } from '@ambrel/core'
import { api } from '../stores/api.ts'
import { useWeather } from '../stores/weather.ts'
import { nextRun, shownWorker } from '../workers/winterWorkers.ts'

const YEARS = 10
let queue: Promise<unknown> = Promise.resolve()
const known = new Map<string, WinterSummary>()

/**
 * The winter of a stored design over ten years; one at a time, each version once.
 * @param signal ends the wish, so that a shelf that was left does not hold up the design that was opened
 * @returns null where the wish ended first
 */
export async function summaryOf(id: string, version: number, signal: AbortSignal): Promise<WinterSummary | null> {
  const key = `${id}@${version}`
  const kept = known.get(key)
  if (kept) return kept
  const answer = queue.then(() => run(id, signal))
  queue = answer.catch(() => null)
  const summary = await answer
  if (summary) known.set(key, summary)
  return summary
}

async function run(id: string, signal: AbortSignal): Promise<WinterSummary | null> {
  if (signal.aborted) return null
  const { document } = await api.design(id)
  const worker = shownWorker(useWeather().hoursOf)
  await worker.ready(document)
  if (signal.aborted) return null
  const { service } = worker
  const number = nextRun()
  const stop = () => void service.cancel(number)
  signal.addEventListener('abort', stop)
  try {
    const winters = await service.run(
      number,
      { ...document, winter: { ...document.winter, years: YEARS } },
      proxy(() => {}),
      proxy(() => {}),
    )
    return winters?.summary ?? null
  } finally {
    signal.removeEventListener('abort', stop)
  }
}
