import { parentPort } from 'node:worker_threads'
import { larkspurBench, WinterEngine } from '@ambrel/core'

/** A worker of the benchmark: runs its share of the years of the main demo, weather and all. */
interface Share {
  lane: number
  lanes: number
  years: number
}
const engine = new WinterEngine()
const design = larkspurBench()
engine.year(design, 1, 0)
parentPort!.on('message', ({ lane, lanes, years }: Share) => {
  for (let index = lane; index < years; index += lanes) engine.year(design, 7, index)
  parentPort!.postMessage('done')
})
parentPort!.postMessage('ready')
