import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { text } from 'node:stream/consumers'
import { larkspurBench } from '@ambrel/core'
import { pause } from '../process.mjs'
import { call } from './clients.mjs'

/**
 * Watches, from a process that has nothing to do, for the whiles in which the machine itself stands still: another's
 * machine may lend its processors elsewhere, and no server answers then.
 * @returns ends the watch and tells them as [from, to], ms of the clock
 */
async function watchMachine() {
  const watch = spawn(process.execPath, [join(import.meta.dirname, 'standstill.mjs')], {
    stdio: ['pipe', 'pipe', 'ignore'],
  })
  await new Promise((resolve) => watch.stdout.once('data', resolve))
  return async () => {
    const told = text(watch.stdout)
    watch.stdin.end()
    return JSON.parse(await told)
  }
}

const quantile = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]
const quantiles = (times) => {
  const sorted = times.toSorted((a, b) => a - b)
  const [p50Ms, p99Ms] = [0.5, 0.99].map((share) => Number((quantile(sorted, share) ?? NaN).toFixed(1)))
  return { requests: sorted.length, p50Ms, p99Ms }
}

/**
 * What came of calls: of all of them, and of those that no standstill of the machine touched. One lasts until what it
 * piled up is worked off, about as long again.
 */
export function summary(calls, failed, standstills) {
  const still = standstills.map(([from, to]) => [from, 2 * to - from])
  const calm = calls.filter(({ from, to }) => still.every(([begin, end]) => to < begin || from > end))
  const tookMs = ({ from, to }) => to - from
  return {
    ...quantiles(calls.map(tookMs)),
    failed,
    machineStill: { times: still.length, longestMs: Math.max(0, ...standstills.map(([from, to]) => to - from)) },
    calm: quantiles(calm.map(tookMs)),
  }
}

/** A server that has just been started is slow for its first seconds; they are not counted. */
const WARM_S = 4

const clock = () => performance.timeOrigin + performance.now()

/** So many calls a second, begun evenly whether the earlier ones have ended or not. */
async function steadily(perSecond, seconds, one) {
  await calls(perSecond / 2, WARM_S, one)
  return calls(perSecond, seconds, one)
}

async function calls(perSecond, seconds, one) {
  const done = []
  let failed = 0
  const running = []
  const standstills = await watchMachine()
  const began = performance.now()
  for (let i = 0; i < perSecond * seconds; i++) {
    const due = began + (i * 1000) / perSecond
    if (due > performance.now()) await pause(due - performance.now())
    const from = clock()
    running.push(
      one(i).then((good) => {
        done.push({ from, to: clock() })
        if (!good) failed++
      }),
    )
  }
  await Promise.all(running)
  return summary(done, failed, await standstills())
}

/** So many designs, and how each is saved: as by a page, which sends no save before the last is answered. */
async function manyDesigns(base, count) {
  const designs = []
  for (let i = 0; i < count; i++) {
    const { body } = await call(base(), 'POST', '/designs', { ...larkspurBench(), name: `Client ${i}` })
    designs.push({ ...body, answered: Promise.resolve(true) })
  }
  const put = async (design, mark) => {
    const document = { ...design.document, notes: String(mark) }
    const { status, body } = await call(base(), 'PUT', `/designs/${design.id}`, { version: design.version, document })
    if (status === 200) design.version = body.version
    return status === 200
  }
  const save = (mark) => {
    const design = designs[mark % count]
    return (design.answered = design.answered.then(() => put(design, mark)))
  }
  return { designs, save }
}

/** Fifty clients, each saving its design once a second. */
export async function saves(base, seconds) {
  const { save } = await manyDesigns(base, 50)
  return steadily(50, seconds, save)
}

const SAVE_EVERY = 20

/** Four hundred a second of what twenty pages ask: lists, designs, parts, history, health and saves. */
export async function mixed(base, seconds) {
  const { designs, save } = await manyDesigns(base, SAVE_EVERY)
  const [{ id }] = designs
  const paths = ['/designs', `/designs/${id}`, `/designs/${id}/history`, '/health', '/parts?kind=battery', '/bin']
  return steadily(400, seconds, async (i) =>
    i % SAVE_EVERY === 0 ? save(i / SAVE_EVERY) : (await call(base(), 'GET', paths[i % paths.length])).status === 200,
  )
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
