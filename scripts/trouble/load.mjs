import { readFileSync } from 'node:fs'
import { larkspurBench } from '@ambrel/core'
import { pause } from '../process.mjs'
import { call } from './clients.mjs'

const quantile = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]
const summary = (times, failed) => {
  const sorted = times.toSorted((a, b) => a - b)
  const [p50, p99] = [0.5, 0.99].map((share) => Number(quantile(sorted, share).toFixed(1)))
  return { requests: sorted.length, failed, p50Ms: p50, p99Ms: p99 }
}

/** A server that has just been started is slow for its first seconds; they are not counted. */
const WARM_S = 4

/** So many calls a second, begun evenly whether the earlier ones have ended or not. */
async function steadily(perSecond, seconds, one) {
  await calls(perSecond / 2, WARM_S, one)
  return calls(perSecond, seconds, one)
}

async function calls(perSecond, seconds, one) {
  const times = []
  let failed = 0
  const running = []
  const began = performance.now()
  for (let i = 0; i < perSecond * seconds; i++) {
    const due = began + (i * 1000) / perSecond
    if (due > performance.now()) await pause(due - performance.now())
    const from = performance.now()
    running.push(
      one(i).then((good) => {
        times.push(performance.now() - from)
        if (!good) failed++
      }),
    )
  }
  await Promise.all(running)
  return summary(times, failed)
}

/** Fifty clients, each saving its design once a second. */
export async function saves(base, seconds) {
  const designs = []
  for (let i = 0; i < 50; i++)
    designs.push((await call(base(), 'POST', '/designs', { ...larkspurBench(), name: `Client ${i}` })).body)
  return steadily(50, seconds, async (i) => {
    const design = designs[i % 50]
    const document = { ...design.document, notes: String(i) }
    const { status, body } = await call(base(), 'PUT', `/designs/${design.id}`, { version: design.version, document })
    if (status === 200) design.version = body.version
    return status === 200
  })
}

/** Four hundred a second of what a page asks: lists, designs, parts, history, health and a save. */
export async function mixed(base, seconds) {
  const { body } = await call(base(), 'POST', '/designs', { ...larkspurBench(), name: 'Mixed' })
  const paths = [
    '/designs',
    `/designs/${body.id}`,
    `/designs/${body.id}/history`,
    '/health',
    '/parts?kind=battery',
    '/bin',
  ]
  return steadily(400, seconds, async (i) => {
    if (i % 20 === 0)
      return (
        (
          await call(base(), 'POST', '/designs', {
            name: 'x',
            latitudeDeg: 48,
            longitudeDeg: 7,
            climate: 'cold-valley',
          })
        ).status === 201
      )
    return (await call(base(), 'GET', paths[i % paths.length])).status === 200
  })
}

const residentMB = (pid) => Number(readFileSync(`/proc/${pid}/status`, 'utf8').match(/VmRSS:\s+(\d+)/)[1]) / 1024

/** Memory of the server over a while of work, in quarters of it. */
export async function memory(ground, seconds) {
  const mB = []
  for (let quarter = 0; quarter < 5; quarter++) {
    if (quarter > 0) await saves(ground.base, seconds / 4)
    mB.push(Math.round(residentMB(ground.server.pid)))
  }
  return { seconds, residentMB: mB }
}
