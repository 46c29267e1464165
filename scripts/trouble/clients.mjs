import { larkspurBench } from '@ambrel/core'
import { pause } from '../process.mjs'

/** A call as the page makes it. Whatever keeps it from being answered is status 0. */
export async function call(base, method, path, body, limitMs = 15_000) {
  try {
    const response = await fetch(`${base}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json', origin: base },
      body: body === undefined ? undefined : JSON.stringify(body),
      signal: AbortSignal.timeout(limitMs),
    })
    // an answer that breaks off is none
    const text = await response.text()
    return { status: response.status, body: text === '' ? null : JSON.parse(text) }
  } catch {
    return { status: 0, body: null }
  }
}

const PAUSE_MS = 40
const markOf = (document) => Number(document.notes)

/**
 * Somebody who saves one design again and again, each save with a number of its own, and remembers the last that was
 * acknowledged. A save whose answer never came may have arrived; one that was acknowledged must have.
 */
class Client {
  acknowledged = 0
  saves = 0
  going = true

  constructor(base) {
    this.base = base
    this.document = { ...larkspurBench(), name: 'Troubled' }
  }

  async begin() {
    for (;;) {
      const { status, body } = await call(this.base(), 'POST', '/designs', this.document)
      if (status === 201) {
        this.id = body.id
        this.version = body.version
        return
      }
      await pause(PAUSE_MS)
    }
  }

  async run() {
    for (let mark = 1; this.going;) {
      this.document = { ...this.document, notes: String(mark) }
      const { status, body } = await call(this.base(), 'PUT', `/designs/${this.id}`, {
        version: this.version,
        document: this.document,
      })
      if (status === 200) {
        this.version = body.version
        this.acknowledged = mark++
        this.saves++
      } else if (status === 409) {
        // one's own save whose answer was lost
        this.version = body.current.version
        mark = Math.max(mark, markOf(body.current.document)) + 1
      } else await pause(PAUSE_MS)
      await pause(PAUSE_MS * Math.random())
    }
  }

  /** @returns whether what was acknowledged is not there */
  async lost() {
    for (let tried = 0; tried < 200; tried++) {
      const { status, body } = await call(this.base(), 'GET', `/designs/${this.id}`)
      if (status === 200) return markOf(body.document) < this.acknowledged
      await pause(100)
    }
    return true
  }
}

/** Twenty clients and what became of their saves. */
export async function saving(base, count = 20) {
  const clients = Array.from({ length: count }, () => new Client(base))
  await Promise.all(clients.map((client) => client.begin()))
  const running = clients.map((client) => client.run())
  return {
    acknowledged: () => clients.reduce((sum, { saves }) => sum + saves, 0),
    async lost() {
      const answers = await Promise.all(clients.map((client) => client.lost()))
      return answers.filter(Boolean).length
    },
    async stop() {
      for (const client of clients) client.going = false
      await Promise.all(running)
    },
  }
}

/** Waits until the server answers from its database. @returns milliseconds, or null where it never did */
export async function well(base, limitMs = 60_000) {
  const began = performance.now()
  while (performance.now() - began < limitMs) {
    if ((await call(base(), 'GET', '/health', undefined, 2500)).status === 200) return performance.now() - began
    await pause(50)
  }
  return null
}
