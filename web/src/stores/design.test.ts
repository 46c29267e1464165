import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { larkspurBench, suggestBank, type Design } from '@ambrel/core'
import type { StoredDesign } from '@ambrel/contract'
import { useDesign } from './design.ts'

/** A server of one design, as the store sees it. */
class Server {
  stored: StoredDesign
  saves = 0
  away = false
  /** how long an answer to a save takes on its way back, ms */
  slowMs = 0
  variants: { variant: string; document: Design }[] = []

  constructor() {
    const document = larkspurBench()
    this.stored = {
      id: 'one',
      familyId: 'family',
      name: document.name,
      variant: document.variant,
      placeLabel: document.place.label,
      version: 1,
      updatedAt: '2026-01-01T00:00:00.000Z',
      deletedAt: null,
      document,
    }
  }

  fetch = async (path: string, options: { method: string; body?: string }): Promise<Response> => {
    if (this.away) throw new TypeError('no network')
    const body = options.body ? JSON.parse(options.body) : null
    const answer = (status: number, value: unknown) => new Response(JSON.stringify(value), { status })
    if (path.endsWith('/variants')) {
      this.variants.push(body)
      return answer(201, { ...this.stored, id: 'two', variant: body.variant })
    }
    if (options.method === 'PUT') {
      if (body.version !== this.stored.version) return answer(409, { error: 'stale', current: this.stored })
      this.saves++
      this.saveElsewhere((document) => Object.assign(document, body.document))
      const saved = answer(200, this.stored)
      if (this.slowMs > 0) await new Promise((resolve) => setTimeout(resolve, this.slowMs))
      return saved
    }
    return answer(200, path.endsWith('/designs') ? [this.stored] : this.stored)
  }

  /** What another window saved meanwhile. */
  saveElsewhere(change: (document: Design) => void): void {
    const document = structuredClone(this.stored.document)
    change(document)
    this.stored = { ...this.stored, version: this.stored.version + 1, document }
  }
}

let server: Server
let drafts: Map<string, string>

beforeEach(() => {
  vi.useFakeTimers()
  server = new Server()
  drafts = new Map()
  vi.stubGlobal('fetch', server.fetch)
  vi.stubGlobal('window', { addEventListener: () => {} })
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => drafts.get(key) ?? null,
    setItem: (key: string, value: string) => drafts.set(key, value),
    removeItem: (key: string) => drafts.delete(key),
  })
  setActivePinia(createPinia())
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const settle = () => vi.advanceTimersByTimeAsync(2000)
async function opened() {
  const design = useDesign()
  await design.open('one')
  return design
}
const watts = (design: ReturnType<typeof useDesign>) => design.document!.loads[0].runningW

describe('saving', () => {
  it('waits for a pause, then saves once and clears the draft', async () => {
    const design = await opened()
    for (const value of [100, 110, 120]) design.edit('watts', (draft) => (draft.loads[0].runningW = value))
    expect(design.saveState).toBe('waiting')
    expect(drafts.size).toBe(1)
    await settle()
    expect(design.saveState).toBe('saved')
    expect(server.saves).toBe(1)
    expect(server.stored.document.loads[0].runningW).toBe(120)
    expect(drafts.size).toBe(0)
  })

  it('keeps a wrong document here, says what is wrong, and saves when it is mended', async () => {
    const design = await opened()
    design.edit('watts', (draft) => (draft.loads[0].runningW = -5))
    await settle()
    expect(design.saveState).toBe('problems')
    expect(design.derived).toBeNull()
    expect(design.problemAt.get('loads.0.runningW')).toContain('too small')
    expect(design.tell(design.problems[0])).toContain('Refrigerator')
    expect(server.saves).toBe(0)
    expect(drafts.size).toBe(1)
    design.edit('watts', (draft) => (draft.loads[0].runningW = 5))
    await settle()
    expect(design.saveState).toBe('saved')
  })

  it('keeps trying while the server is away', async () => {
    const design = await opened()
    server.away = true
    design.edit('watts', (draft) => (draft.loads[0].runningW = 77))
    await settle()
    expect(design.saveState).toBe('offline')
    server.away = false
    await vi.advanceTimersByTimeAsync(5000)
    expect(design.saveState).toBe('saved')
    expect(server.stored.document.loads[0].runningW).toBe(77)
  })

  it('an edit during a save is saved after it', async () => {
    const design = await opened()
    design.edit('watts', (draft) => (draft.loads[0].runningW = 50))
    vi.advanceTimersByTime(750)
    design.edit('watts', (draft) => (draft.loads[0].runningW = 51))
    await settle()
    await settle()
    expect(server.stored.document.loads[0].runningW).toBe(51)
    expect(design.saveState).toBe('saved')
  })

  it('edits while a slow save is on its way are no conflict with it, and are saved after it', async () => {
    const design = await opened()
    server.slowMs = 5000
    for (const value of [50, 51, 52]) {
      design.edit('watts', (draft) => (draft.loads[0].runningW = value))
      await vi.advanceTimersByTimeAsync(1500)
    }
    expect(server.saves).toBe(1)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(design.conflict).toBeNull()
    expect(design.saveState).toBe('saved')
    expect(server.stored.document.loads[0].runningW).toBe(52)
    expect(server.saves).toBe(2)
  })

  it('a design that is left while a save is on its way keeps what was edited since', async () => {
    const design = await opened()
    server.slowMs = 3000
    design.edit('watts', (draft) => (draft.loads[0].runningW = 50))
    await vi.advanceTimersByTimeAsync(1000)
    design.edit('watts', (draft) => (draft.loads[0].runningW = 51))
    const leaving = design.open('one')
    await vi.advanceTimersByTimeAsync(20_000)
    await leaving
    expect(server.stored.document.loads[0].runningW).toBe(51)
    expect(watts(design)).toBe(51)
  })

  it('brings back a draft that never reached the server', async () => {
    const first = await opened()
    server.away = true
    first.edit('watts', (draft) => (draft.loads[0].runningW = 66))
    server.away = false
    setActivePinia(createPinia())
    const again = await opened()
    expect(watts(again)).toBe(66)
    expect(again.canUndo).toBe(true)
    await settle()
    expect(server.stored.document.loads[0].runningW).toBe(66)
  })
})

describe('two windows', () => {
  async function inConflict() {
    const design = await opened()
    server.saveElsewhere((document) => (document.loads[0].runningW = 300))
    design.edit('watts', (draft) => (draft.loads[0].runningW = 400))
    await settle()
    expect(design.saveState).toBe('conflict')
    expect(design.conflict!.document.loads[0].runningW).toBe(300)
    return design
  }

  it('keeping mine saves over theirs', async () => {
    const design = await inConflict()
    await design.keepMine()
    expect(server.stored.document.loads[0].runningW).toBe(400)
    expect(design.saveState).toBe('saved')
  })

  it('taking theirs can be undone', async () => {
    const design = await inConflict()
    design.takeTheirs()
    expect(watts(design)).toBe(300)
    design.undo()
    expect(watts(design)).toBe(400)
    await settle()
    expect(server.stored.document.loads[0].runningW).toBe(400)
  })

  it('keeping both makes mine a variant and leaves theirs', async () => {
    const design = await inConflict()
    expect(await design.keepBoth()).toBe('two')
    expect(server.variants[0].document.loads[0].runningW).toBe(400)
    expect(server.stored.document.loads[0].runningW).toBe(300)
    expect(drafts.size).toBe(0)
  })

  it('edits during the choice stay in the browser and are not sent', async () => {
    const design = await inConflict()
    design.edit('watts', (draft) => (draft.loads[0].runningW = 401))
    await settle()
    expect(server.saves).toBe(0)
    expect(JSON.parse(drafts.get('ambrel.draft.one')!).document.loads[0].runningW).toBe(401)
  })

  it('a draft made from an older version than the server has asks for the choice at opening', async () => {
    const first = await opened()
    first.edit('watts', (draft) => (draft.loads[0].runningW = 12))
    server.saveElsewhere((document) => (document.notes = 'theirs'))
    vi.clearAllTimers()
    setActivePinia(createPinia())
    const again = await opened()
    expect(again.saveState).toBe('conflict')
    expect(watts(again)).toBe(12)
  })
})

describe('undo', () => {
  it('a suggestion is one step, with its reasons', async () => {
    const design = await opened()
    design.edit('days', (draft) => (draft.bank.autonomyDays = 5))
    const before = design.document
    design.take('bank', 'suggest Bank', suggestBank(design.document!))
    expect(design.suggestion!.reasons.length).toBeGreaterThan(1)
    expect(design.undoLabel).toBe('suggest Bank')
    design.undo()
    expect(design.document).toBe(before)
    expect(design.suggestion).toBeNull()
    design.redo()
    expect(design.document!.bank.inParallel).not.toBe(before!.bank.inParallel)
  })

  it('never changes a document in place', async () => {
    const design = await opened()
    const before = design.document!
    const copy = structuredClone(before)
    design.edit('watts', (draft) => (draft.loads[0].runningW = 999))
    expect(before).toEqual(copy)
  })

  it('findings follow the document', async () => {
    const design = await opened()
    expect(design.levelOf('array')).toBe('sound')
    design.edit('series', (draft) => (draft.arrays[0].inSeries = 12))
    expect(design.levelOf('array')).toBe('stop')
    design.undo()
    expect(design.levelOf('array')).toBe('sound')
  })
})
