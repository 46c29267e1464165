import 'fake-indexeddb/auto'
import { createPinia, disposePinia, setActivePinia, type Pinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { byHand } from '../testing/byHand.ts'
import { larkspurBench, suggestionFor, WinterEngine, type Design } from '@ambrel/core'
import type { StoredDesign } from '@ambrel/contract'
import { drafts, draftsAreKept } from '../saving/drafts.ts'
import { check, loadCheck } from './check.ts'
import { useDesign } from './design.ts'

/** A server of a few designs, as the store sees it. */
class Server {
  stored: StoredDesign
  saves = 0
  away = false
  /** how long an answer takes on its way back, ms */
  slowMs = 0
  /** the answer to the next save is lost on its way back */
  losesAnswer = false
  deleted = false
  purged = false
  others = new Map<string, StoredDesign>()
  variants: { variant: string; document: Design }[] = []

  constructor() {
    this.stored = storedAs('one', larkspurBench())
  }

  fetch = async (path: string, options: { method: string; body?: string }): Promise<Response> => {
    if (this.away) throw new TypeError('no network')
    const body = options.body ? JSON.parse(options.body) : null
    const answer = (status: number, value: unknown) => new Response(JSON.stringify(value), { status })
    const pause = () => new Promise((resolve) => setTimeout(resolve, this.slowMs))
    if (path.endsWith('/variants')) {
      this.variants.push(body)
      return answer(201, { ...this.stored, id: 'two', version: 1, variant: body.variant, document: body.document })
    }
    if (path.endsWith('/restore')) {
      if (this.purged) return answer(404, { error: 'gone' })
      this.deleted = false
      return answer(200, this.stored)
    }
    if (options.method === 'POST') return answer(201, storedAs('new', body))
    const other = this.others.get(path.split('/').at(-1)!)
    if (other) return answer(200, other)
    if (this.deleted && path.includes('/designs/')) return answer(404, { error: 'deleted' })
    if (options.method === 'PUT') {
      if (body.version !== this.stored.version) return answer(409, { error: 'stale', current: this.stored })
      this.saves++
      this.saveElsewhere((document) => Object.assign(document, body.document))
      const { document: _, ...entry } = this.stored
      const saved = answer(200, entry)
      if (this.slowMs > 0) await pause()
      if (this.losesAnswer) {
        this.losesAnswer = false
        throw new TypeError('the line broke')
      }
      return saved
    }
    const now = answer(200, path.endsWith('/designs') ? [this.stored] : this.stored)
    if (this.slowMs > 0) await pause()
    return now
  }

  /** What another window saved meanwhile. */
  saveElsewhere(change: (document: Design) => void): void {
    const document = structuredClone(this.stored.document)
    change(document)
    this.stored = { ...this.stored, version: this.stored.version + 1, document }
  }
}

function storedAs(id: string, document: Design): StoredDesign {
  const { name, variant } = document
  const updatedAt = '2026-01-01T00:00:00.000Z'
  return {
    ...{ id, familyId: 'family', name, variant, placeLabel: document.place.label, version: 1 },
    ...{ updatedAt, deletedAt: null, archivedAt: null, document },
  }
}

let server: Server
const session = new Map<string, string>()

beforeEach(async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date'] })
  server = new Server()
  vi.stubGlobal('fetch', server.fetch)
  vi.stubGlobal('window', { addEventListener: () => {} })
  vi.stubGlobal('sessionStorage', {
    getItem: (key: string) => session.get(key) ?? null,
    setItem: (key: string, value: string) => session.set(key, value),
  })
  vi.stubGlobal('localStorage', {})
  for (const { design, tab } of await drafts.list()) await drafts.remove(design, tab)
  for (const { key } of await drafts.asides()) await drafts.dropAside(key!)
  draftsAreKept.value = true
  await loadCheck()
  restart()
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

/** The browser is closed and opened again: what was in memory is gone. */
function restart() {
  if (pinia) disposePinia(pinia)
  setActivePinia((pinia = createPinia()))
}
let pinia: Pinia | null = null
/** Lets the store behind the drafts do its work, which knows no timers. */
async function storeWorks() {
  for (let i = 0; i < 40; i++) await new Promise((resolve) => setImmediate(resolve))
}
async function settle(ms = 2000) {
  await vi.advanceTimersByTimeAsync(ms)
  await storeWorks()
}
async function opened(id = 'one') {
  const design = useDesign()
  await design.open(id)
  return design
}
const kept = async () => (await drafts.list('one')).map(({ document }) => document.loads[0].runningW)
const setWatts = (design: ReturnType<typeof useDesign>, value: number) =>
  design.change(
    'watts',
    byHand((draft) => (draft.loads[0].runningW = value)),
  )
const watts = (design: ReturnType<typeof useDesign>) => design.document!.loads[0].runningW
const serverWatts = () => server.stored.document.loads[0].runningW
const GOOD = larkspurBench().loads[0].runningW

describe('saving', () => {
  it('waits for a pause, then saves once and lets the draft go', async () => {
    const design = await opened()
    for (const value of [100, 110, 120]) setWatts(design, value)
    expect(design.saveState).toBe('waiting')
    expect(await kept()).toEqual([120])
    await settle()
    expect(design.saveState).toBe('saved')
    expect(server.saves).toBe(1)
    expect(serverWatts()).toBe(120)
    expect(await kept()).toEqual([])
  })

  it('somebody who never pauses is saved all the same', async () => {
    const design = await opened()
    for (let i = 0; i < 20; i++) {
      setWatts(design, 100 + i)
      await vi.advanceTimersByTimeAsync(400)
    }
    expect(server.saves).toBeGreaterThan(0)
  })

  it('keeps trying while the server is away', async () => {
    const design = await opened()
    server.away = true
    setWatts(design, 77)
    await settle()
    expect(design.saveState).toBe('offline')
    server.away = false
    await settle(6000)
    expect(design.saveState).toBe('saved')
    expect(serverWatts()).toBe(77)
  })

  it('goes on after an answer that nobody can make sense of', async () => {
    const design = await opened()
    vi.stubGlobal('fetch', () => Promise.resolve({ status: 200, ok: true }))
    setWatts(design, 78)
    await settle()
    expect(design.saveState).toBe('offline')
    vi.stubGlobal('fetch', server.fetch)
    await settle(6000)
    expect(design.saveState).toBe('saved')
    expect(serverWatts()).toBe(78)
  })

  it('an edit during a save is saved after it', async () => {
    const design = await opened()
    setWatts(design, 50)
    vi.advanceTimersByTime(750)
    setWatts(design, 51)
    await settle()
    await settle()
    expect(serverWatts()).toBe(51)
    expect(design.saveState).toBe('saved')
  })

  it('edits while a slow save is on its way are no conflict with it, and are saved after it', async () => {
    const design = await opened()
    server.slowMs = 5000
    for (const value of [50, 51, 52]) {
      setWatts(design, value)
      await vi.advanceTimersByTimeAsync(1500)
    }
    expect(server.saves).toBe(1)
    expect(design.saveState).not.toBe('saved')
    await settle(20_000)
    expect(design.conflict).toBeNull()
    expect(design.saveState).toBe('saved')
    expect(serverWatts()).toBe(52)
    expect(server.saves).toBe(2)
  })

  it('a design that is left while a save is on its way keeps what was edited since', async () => {
    const design = await opened()
    server.slowMs = 1000
    setWatts(design, 50)
    await vi.advanceTimersByTimeAsync(800)
    setWatts(design, 51)
    const leaving = design.open('one')
    await settle(20_000)
    await leaving
    await settle(20_000)
    expect(serverWatts()).toBe(51)
    expect(watts(design)).toBe(51)
    expect(design.conflict).toBeNull()
  })

  it.each([
    ['', 50],
    ['and an edit follows', 51],
  ])('a save that arrived and whose answer was lost is no conflict with oneself %s', async (_, last) => {
    const design = await opened()
    server.losesAnswer = true
    setWatts(design, 50)
    await settle(1000)
    expect(design.saveState).toBe('offline')
    if (last !== 50) setWatts(design, last)
    await settle(6000)
    expect(design.conflict).toBeNull()
    expect(design.saveState).toBe('saved')
    expect(serverWatts()).toBe(last)
  })

  it.each([50, 51])('nor is one whose answer comes when the browser was opened again (%i)', async (last) => {
    const design = await opened()
    server.losesAnswer = true
    setWatts(design, 50)
    await settle(750)
    if (last !== 50) setWatts(design, last)
    await storeWorks()
    vi.clearAllTimers()
    restart()
    const again = await opened()
    await settle()
    expect(again.conflict).toBeNull()
    expect(again.saveState).toBe('saved')
    expect(serverWatts()).toBe(last)
  })

  it('brings back a draft that never reached the server', async () => {
    const first = await opened()
    server.away = true
    setWatts(first, 66)
    await storeWorks()
    server.away = false
    vi.clearAllTimers()
    restart()
    const again = await opened()
    expect(watts(again)).toBe(66)
    expect(again.canUndo).toBe(true)
    await settle()
    expect(serverWatts()).toBe(66)
  })

  it('two openings in a row, slow then fast, end with the second', async () => {
    server.others.set('other', storedAs('other', { ...larkspurBench(), name: 'Other' }))
    const design = useDesign()
    server.slowMs = 3000
    const slow = design.open('one')
    await vi.advanceTimersByTimeAsync(10)
    server.slowMs = 0
    await design.open('other')
    await settle(5000)
    await slow
    expect(design.id).toBe('other')
    expect(design.document!.name).toBe('Other')
  })
})

describe('a store that keeps nothing', () => {
  it('saving goes on, and the bar is told', async () => {
    const design = await opened()
    const { IDBObjectStore } = globalThis
    vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    setWatts(design, 88)
    await settle()
    vi.restoreAllMocks()
    expect(draftsAreKept.value).toBe(false)
    expect(design.saveState).toBe('saved')
    expect(serverWatts()).toBe(88)
  })

  it.each([
    ['damaged', { version: 'x', document: { loads: 7 } }],
    ['empty', {}],
    ['without a document', { version: 1, document: null }],
    ['of a newer Ambrel', { version: 1, document: { ...larkspurBench(), version: 99 } }],
  ])('a draft that is %s is set aside, and the server’s design opens', async (_, draft) => {
    await drafts.put({ ...draft, design: 'one', tab: 'another', at: 5, unsent: true } as never)
    const design = await opened()
    expect(watts(design)).toBe(GOOD)
    expect(design.saveState).toBe('saved')
    const [aside] = await drafts.asides()
    expect(aside).toMatchObject({ design: 'one' })
    expect(aside.text.length).toBeGreaterThan(1)
    expect(await drafts.list('one')).toEqual([])
  })

  it('drafts of two tabs that are gone: the newest is taken, the other set aside whole', async () => {
    const of = (tab: string, at: number, runningW: number) => {
      const document = larkspurBench()
      document.loads[0].runningW = runningW
      return drafts.put({ ...{ design: 'one', tab, at, version: 1, document }, entered: null, sent: [], unsent: true })
    }
    await of('first', 1, 301)
    await of('second', 2, 302)
    const design = await opened()
    expect(watts(design)).toBe(302)
    await settle()
    expect(serverWatts()).toBe(302)
    const asides = await drafts.asides()
    expect(asides.map(({ text }) => (JSON.parse(text) as Design).loads[0].runningW)).toEqual([301])
  })
})

describe('a wrong value', () => {
  it('that is all a page left does not stand against what was saved from elsewhere meanwhile', async () => {
    const design = await opened()
    setWatts(design, -5)
    await settle()
    await design.leave()
    server.saveElsewhere((document) => (document.loads[1].quantity = 4))
    const again = await opened()
    expect(again.conflict).toBeNull()
    expect(again.saveState).toBe('saved')
    expect(again.document?.loads[1].quantity).toBe(4)
    expect(again.waiting.get('loads.0.runningW')).toBe(-5)
    expect(again.waiting.size).toBe(1)
    await settle()
    expect(server.stored.document.loads[1].quantity).toBe(4)
  })

  it('brings back with it what a server that fell back to an older state had acknowledged', async () => {
    const design = await opened()
    const before = structuredClone(server.stored)
    design.change(
      'quantity',
      byHand((draft) => (draft.loads[1].quantity = 3)),
    )
    await settle()
    setWatts(design, -5)
    await settle()
    await design.leave()
    server.stored = before
    const again = await opened()
    expect(again.saveState).toBe('conflict')
    expect(again.document?.loads[1].quantity).toBe(3)
    expect(again.waiting.get('loads.0.runningW')).toBe(-5)
  })

  it('is kept beside the last good one, which goes on ruling and is saved with the rest', async () => {
    const design = await opened()
    setWatts(design, -5)
    design.change(
      'quantity',
      byHand((draft) => (draft.loads[1].quantity = 3)),
    )
    await settle()
    expect(design.saveState).toBe('saved')
    expect(design.derived).not.toBeNull()
    expect(watts(design)).toBe(GOOD)
    expect(design.waiting.get('loads.0.runningW')).toBe(-5)
    expect(design.problemAt.get('loads.0.runningW')).toContain('too small')
    expect(design.tell(design.problems[0])).toContain('Refrigerator')
    expect(server.stored.document.loads[1].quantity).toBe(3)
    setWatts(design, 5)
    await settle()
    expect(design.problems).toEqual([])
    expect(serverWatts()).toBe(5)
  })

  it('is there again when the browser is opened again, and can be dropped', async () => {
    const design = await opened()
    setWatts(design, -5)
    await settle()
    restart()
    const again = await opened()
    expect(again.waiting.get('loads.0.runningW')).toBe(-5)
    again.dropWaiting()
    await settle()
    expect(again.problems).toEqual([])
    expect(await kept()).toEqual([])
    again.undo()
    expect(again.waiting.get('loads.0.runningW')).toBe(-5)
  })

  it('goes on waiting when a suggestion or remedy is taken', async () => {
    const design = await opened()
    setWatts(design, -5)
    design.replace('remedy', { ...design.document!, bank: { ...design.document!.bank, inParallel: 7 } })
    expect(design.document!.bank.inParallel).toBe(7)
    expect(design.waiting.get('loads.0.runningW')).toBe(-5)
  })
})

describe('until what tells wrong from right has come', () => {
  /** As on a page that has not loaded it yet. @returns lets it come */
  async function withoutCheck(): Promise<() => void> {
    const come = await loadCheck()
    check.value = null
    return () => void (check.value = come)
  }
  const setQuantity = (design: ReturnType<typeof useDesign>, quantity: number) =>
    design.change(
      'quantity',
      byHand((draft) => (draft.loads[1].quantity = quantity)),
    )

  it('what is right rules at once, and is saved', async () => {
    const come = await withoutCheck()
    const design = await opened()
    setWatts(design, 7)
    expect(watts(design)).toBe(7)
    expect(design.waiting.size).toBe(0)
    await settle()
    expect(serverWatts()).toBe(7)
    come()
    expect(design.canUndo).toBe(true)
    expect(watts(design)).toBe(7)
  })

  it('what is wrong waits with all that is typed beside it, then the right of it rules and the wrong is told', async () => {
    const come = await withoutCheck()
    const design = await opened()
    setWatts(design, -5)
    setQuantity(design, 3)
    expect(watts(design)).toBe(GOOD)
    expect([...design.waiting.keys()]).toEqual(['loads.0.runningW', 'loads.1.quantity'])
    expect(design.problems).toEqual([])
    expect(design.unjudged).toBe(true)
    come()
    expect(design.unjudged).toBe(false)
    expect([...design.waiting.keys()]).toEqual(['loads.0.runningW'])
    expect(design.document!.loads[1].quantity).toBe(3)
    expect(design.problemAt.get('loads.0.runningW')).toContain('too small')
    await settle()
    expect(server.stored.document.loads[1].quantity).toBe(3)
    design.undo()
    expect(design.waiting.size).toBe(1)
    design.undo()
    expect(design.waiting.size).toBe(0)
  })

  it('an edit beside what is wrong is kept when the browser closes first', async () => {
    const come = await withoutCheck()
    const design = await opened()
    setWatts(design, -5)
    setQuantity(design, 3)
    await settle()
    expect(server.stored.document.loads[1].quantity).not.toBe(3)
    restart()
    come()
    const again = await opened()
    await settle()
    expect(again.document!.loads[1].quantity).toBe(3)
    expect(again.problemAt.get('loads.0.runningW')).toContain('too small')
    expect(server.stored.document.loads[1].quantity).toBe(3)
  })
})

describe('two windows', () => {
  async function inConflict() {
    const design = await opened()
    server.saveElsewhere((document) => (document.loads[0].runningW = 300))
    setWatts(design, 400)
    await settle()
    expect(design.saveState).toBe('conflict')
    expect(design.conflict!.document.loads[0].runningW).toBe(300)
    return design
  }

  it.each(['right', 'wrong'])('keeping mine saves over theirs, with something %s typed', async (how) => {
    const design = await inConflict()
    if (how === 'wrong')
      design.change(
        'tax',
        byHand((draft) => (draft.budget.taxPct = -1)),
      )
    await design.keepMine()
    expect(serverWatts()).toBe(400)
    await storeWorks()
    expect(design.saveState).toBe('saved')
    expect(design.problems).toHaveLength(how === 'wrong' ? 1 : 0)
  })

  it('taking theirs can be undone', async () => {
    const design = await inConflict()
    await design.takeTheirs()
    expect(watts(design)).toBe(300)
    design.undo()
    expect(watts(design)).toBe(400)
    await settle()
    expect(serverWatts()).toBe(400)
  })

  it.each(['right', 'wrong'])(
    'keeping both makes mine a variant and leaves theirs, with something %s typed',
    async (how) => {
      const design = await inConflict()
      if (how === 'wrong')
        design.change(
          'tax',
          byHand((draft) => (draft.budget.taxPct = -1)),
        )
      expect(await design.keepBoth()).toBe('two')
      await settle()
      expect(server.variants[0].document.loads[0].runningW).toBe(400)
      expect(serverWatts()).toBe(300)
      expect(await kept()).toEqual([])
      const [of] = await drafts.list('two')
      expect(of?.entered?.budget.taxPct).toBe(how === 'wrong' ? -1 : undefined)
    },
  )

  it('edits during the choice stay in the browser and are not sent', async () => {
    const design = await inConflict()
    setWatts(design, 401)
    await settle()
    expect(server.saves).toBe(0)
    expect(await kept()).toEqual([401])
  })

  it('a draft made from an older version than the server has asks for the choice at opening', async () => {
    const first = await opened()
    setWatts(first, 12)
    await storeWorks()
    server.saveElsewhere((document) => (document.notes = 'theirs'))
    vi.clearAllTimers()
    restart()
    const again = await opened()
    expect(again.saveState).toBe('conflict')
    expect(watts(again)).toBe(12)
  })

  it('but not where the server came to have the same', async () => {
    const first = await opened()
    setWatts(first, 12)
    await storeWorks()
    server.saveElsewhere((document) => (document.loads[0].runningW = 12))
    vi.clearAllTimers()
    restart()
    const again = await opened()
    expect(again.saveState).toBe('saved')
    expect(await kept()).toEqual([])
  })

  it('a window with nothing unsent follows what another saved, as a step that can be undone', async () => {
    const design = await opened()
    server.saveElsewhere((document) => (document.loads[0].runningW = 300))
    const other = new BroadcastChannel('ambrel')
    other.postMessage({ kind: 'saved', design: 'one', version: 2 })
    await vi.waitFor(() => expect(watts(design)).toBe(300))
    other.close()
    expect(design.saveState).toBe('saved')
    expect(design.undoLabel).toBe('edits of another window')
    setWatts(design, 301)
    await settle()
    expect(design.conflict).toBeNull()
    expect(serverWatts()).toBe(301)
  })

  it('and follows it when its own save, that was on its way meanwhile, has been answered', async () => {
    const design = await opened()
    server.slowMs = 4000
    setWatts(design, 301)
    await settle(3000)
    expect(serverWatts()).toBe(301)
    expect(design.saveState).toBe('saving')
    server.saveElsewhere((document) => (document.loads[0].runningW = 302))
    const other = new BroadcastChannel('ambrel')
    other.postMessage({ kind: 'saved', design: 'one', version: 3 })
    await storeWorks()
    server.slowMs = 0
    await settle(5000)
    await vi.waitFor(() => expect(watts(design)).toBe(302))
    other.close()
    expect(design.saveState).toBe('saved')
  })
})

describe('a design deleted elsewhere', () => {
  async function gone() {
    const design = await opened()
    server.deleted = true
    setWatts(design, 400)
    await settle()
    expect(design.saveState).toBe('gone')
    expect(await kept()).toEqual([400])
    return design
  }

  it('comes back with what was edited', async () => {
    const design = await gone()
    expect(await design.bringBack()).toBe(true)
    await settle()
    expect(design.saveState).toBe('saved')
    expect(serverWatts()).toBe(400)
  })

  it('that the bin has no more lives on as a new one', async () => {
    const design = await gone()
    server.purged = true
    expect(await design.bringBack()).toBe(false)
    expect(design.saveState).toBe('gone')
    expect(await design.keepAsNew()).toBe('new')
    expect(await kept()).toEqual([])
  })

  it('is there with its edits when the browser is opened again', async () => {
    await gone()
    vi.clearAllTimers()
    restart()
    const again = await opened()
    expect(again.saveState).toBe('gone')
    expect(watts(again)).toBe(400)
  })
})

describe('a draft of what was undone', () => {
  /** Saved, undone and done again, in a store that is slow to let the draft of between go. */
  async function doneAgain() {
    const design = await opened()
    setWatts(design, 700)
    await settle()
    design.undo()
    await storeWorks()
    expect(await kept()).toEqual([GOOD])
    let release = () => {}
    const slow = new Promise<void>((resolve) => (release = resolve))
    const remove = drafts.remove.bind(drafts)
    vi.spyOn(drafts, 'remove').mockImplementation((...which) => slow.then(() => remove(...which)))
    design.redo()
    await storeWorks()
    return { design, release }
  }
  afterEach(() => vi.restoreAllMocks())

  it('is gone before anything is called saved: a page opened now would bring it back', async () => {
    const { design, release } = await doneAgain()
    expect(watts(design)).toBe(700)
    expect(design.saveState).not.toBe('saved')
    release()
    await storeWorks()
    expect(design.saveState).toBe('saved')
    expect(await kept()).toEqual([])
    restart()
    expect(watts(await opened())).toBe(700)
  })

  it('holds nothing up where the store never answers', async () => {
    const { design } = await doneAgain()
    await settle(3100)
    expect(design.saveState).toBe('saved')
    setWatts(design, 710)
    await settle()
    expect(serverWatts()).toBe(710)
  })
})

describe('undo', () => {
  it('a suggestion is one step, with its reasons', async () => {
    const design = await opened()
    design.change(
      'days',
      byHand((draft) => (draft.bank.autonomyDays = 5)),
    )
    const before = design.document
    design.take('bank', 'suggest Bank', suggestionFor('bank', new WinterEngine(), design.document!))
    expect(design.suggestion!.reasons.length).toBeGreaterThan(1)
    expect(design.undoLabel).toBe('suggest Bank')
    design.undo()
    expect(design.document).toBe(before)
    expect(design.suggestion).toBeNull()
    design.redo()
    expect(design.document!.bank.inParallel).not.toBe(before!.bank.inParallel)
  })

  it('withdrawing a suggestion leaves what was edited since', async () => {
    const design = await opened()
    design.change(
      'days',
      byHand((draft) => (draft.bank.autonomyDays = 5)),
    )
    const { inParallel } = design.document!.bank
    design.take('bank', 'suggest Bank', suggestionFor('bank', new WinterEngine(), design.document!))
    expect(design.document!.bank.inParallel).not.toBe(inParallel)
    setWatts(design, 123)
    design.withdraw()
    expect(design.document!.bank.inParallel).toBe(inParallel)
    expect(watts(design)).toBe(123)
  })

  it('a suggestion that changes nothing is no step', async () => {
    const design = await opened()
    design.take('bank', 'suggest Bank', { design: structuredClone(design.document!), reasons: ['as it is'] })
    expect(design.canUndo).toBe(false)
    expect(design.suggestion).toMatchObject({ change: null, reasons: ['as it is'] })
  })

  it('never changes a document in place', async () => {
    const design = await opened()
    const before = design.document!
    const copy = structuredClone(before)
    design.change(
      'watts',
      byHand((draft) => (draft.loads[0].runningW = 999)),
    )
    expect(before).toEqual(copy)
  })

  it('findings follow the document', async () => {
    const design = await opened()
    expect(design.levelOf('array')).toBe('sound')
    design.change(
      'series',
      byHand((draft) => (draft.arrays[0].inSeries = 12)),
    )
    expect(design.levelOf('array')).toBe('stop')
    design.undo()
    expect(design.levelOf('array')).toBe('sound')
  })
})
