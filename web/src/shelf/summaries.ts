import { proxy } from 'comlink'
import type { WinterSummary } from '@ambrel/core'
import { api } from '../stores/api.ts'
import { useWeather } from '../stores/weather.ts'
import { WinterWorker } from '../workers/winterWorkers.ts'

const YEARS = 10
let worker: WinterWorker | null = null
let queue: Promise<unknown> = Promise.resolve()
const known = new Map<string, Promise<WinterSummary | null>>()

/** The winter of a stored design over ten years; one at a time, each version once. */
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
  worker ??= new WinterWorker(useWeather().hoursOf)
  await worker.ready(document)
  const winters = await worker.service.run(
    { ...document, winter: { ...document.winter, years: YEARS } },
    proxy(() => {}),
    proxy(() => {}),
  )
  return winters?.summary ?? null
}
