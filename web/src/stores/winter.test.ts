import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { byHand } from '../testing/byHand.ts'
import { larkspurBench, WinterEngine, type Candidate, type Design } from '@ambrel/core'
import { packWinters, type Winters } from '../workers/winters.ts'
import { loadCheck } from './check.ts'
import { useDesign } from './design.ts'
import { useWinter } from './winter.ts'
import { said } from '@ambrel/core/units'

/** A run as the page asked a worker for it, to be ended by the test. */
interface Run {
  id: number
  design: Design
  first: (winters: Winters) => void
  progress: (share: number) => void
  end: (winters: Winters | null) => void
}
/** One worker as the store sees it; the first runs the strip, the second answers questions beside it. */
class Worker {
  runs: Run[] = []
  cancelled: number[] = []
  ranksCancelled = 0
  asked: { years: number; progress: (share: number) => void; end: (list: Candidate[] | null) => void }[] = []
  missing = ''
  service = {
    run: (id: number, design: Design, first: Run['first'], progress: Run['progress']) =>
      new Promise<Winters | null>((end) => this.runs.push({ id, design, first, progress, end })),
    cancel: (run: number) => void this.cancelled.push(run),
    whatNext: (_: Design, years: number, progress: (share: number) => void) =>
      new Promise<Candidate[] | null>((end) => this.asked.push({ years, progress, end })),
    cancelTrying: async () => void this.ranksCancelled++,
    week: async (_: Design, year: number, firstDay: number) => ({ year, firstDay }),
  }
  ready = async () => {
    if (this.missing) throw new Error(this.missing)
  }
}
const workers = vi.hoisted(() => [] as unknown[]) as Worker[]
let lastRun = 0
const made = () => {
  const worker = new Worker()
  workers.push(worker)
  return worker
}
vi.mock('../workers/winterWorkers.ts', () => ({
  WinterWorker: class {
    constructor() {
      return made()
    }
  },
  shownWorker: () => made(),
  nextRun: () => ++lastRun,
}))
vi.mock('comlink', async (original) => ({ ...(await original<object>()), proxy: <T>(value: T) => value }))

const engine = new WinterEngine()
const wintersOf = (design: Design, years: number) => packWinters(design, engine.run(design, { years, seed: 7 }))
/** Lets the promises of a run come as far as they can. */
const settle = async () => {
  for (let i = 0; i < 8; i++) await nextTick()
}

/** The store of a design that was just opened, its strip's worker, and the design's own store. */
async function opened() {
  const design = useDesign()
  const winter = useWinter()
  design.document = larkspurBench()
  await settle()
  return { design, winter, worker: workers[0] }
}

beforeEach(async () => {
  await loadCheck()
  workers.length = 0
  vi.stubGlobal('window', { addEventListener: () => {} })
  vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} })
  vi.useFakeTimers()
  setActivePinia(createPinia())
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('the winters of the open design', () => {
  it('are run when it is opened: first ten years, then all of them, with the share done between', async () => {
    const { design, winter, worker } = await opened()
    expect(worker.runs).toHaveLength(1)
    expect(winter.running).toBe(true)
    const [run] = worker.runs
    run.first(wintersOf(run.design, 2))
    expect(winter.winters?.years).toBe(2)
    expect(design.winterSummary?.years).toBe(2)
    run.progress(0.5)
    expect(winter.progress).toBe(0.5)
    run.end(wintersOf(run.design, 4))
    await settle()
    expect(winter.winters?.years).toBe(4)
    expect(winter.running).toBe(false)
    expect(winter.failure).toBe('')
  })

  it('an answer to an older document is never shown', async () => {
    const { design, winter, worker } = await opened()
    const [old] = worker.runs
    design.change(
      'one battery less',
      byHand((draft) => void (draft.bank.inParallel = 1)),
    )
    await settle()
    expect(worker.runs).toHaveLength(2)
    old.first(wintersOf(old.design, 2))
    old.end(wintersOf(old.design, 3))
    await settle()
    expect(winter.winters).toBeNull()
    expect(winter.running).toBe(true)
    worker.runs[1].end(wintersOf(worker.runs[1].design, 2))
    await settle()
    expect(winter.winters?.years).toBe(2)
  })

  it('a cancelled run leaves what was there and shows nothing that comes late', async () => {
    const { winter, worker } = await opened()
    const [run] = worker.runs
    run.first(wintersOf(run.design, 2))
    winter.cancel()
    expect(worker.cancelled).toEqual([run.id])
    expect(winter.running).toBe(false)
    run.end(wintersOf(run.design, 5))
    await settle()
    expect(winter.winters?.years).toBe(2)
  })

  it('a wrong value does not rule: no winter is run of it, and the one that stands is of the last good one', async () => {
    const { design, winter, worker } = await opened()
    worker.runs[0].end(wintersOf(worker.runs[0].design, 2))
    await settle()
    design.change(
      'watts',
      byHand((draft) => void (draft.loads[0].runningW = -5)),
    )
    await settle()
    expect(worker.runs).toHaveLength(1)
    expect(winter.winters?.years).toBe(2)
    expect(said(design.problems[0].message)).toContain('Running watts: −5 W is too small')
    design.change(
      'another load',
      byHand((draft) => void (draft.loads[1].runningW = 7)),
    )
    await settle()
    expect(worker.runs).toHaveLength(2)
    expect(worker.runs[1].design.loads[0].runningW).toBe(larkspurBench().loads[0].runningW)
  })

  it('hours that cannot be had are told, and forgotten with the next run that can', async () => {
    const { design, winter, worker } = await opened()
    worker.missing = 'its imported hours are not on this server'
    design.change(
      'one battery less',
      byHand((draft) => void (draft.bank.inParallel = 1)),
    )
    await settle()
    expect(winter.failure).toBe('The winters cannot be run: its imported hours are not on this server.')
    expect(winter.running).toBe(false)
    worker.missing = ''
    design.undo()
    await settle()
    worker.runs.at(-1)!.end(wintersOf(worker.runs.at(-1)!.design, 2))
    await settle()
    expect(winter.failure).toBe('')
  })
})

describe('questions beside the run', () => {
  it('go to the worker of the strip where they are short, to one of their own where they are runs', async () => {
    const { design, winter, worker } = await opened()
    expect(await winter.week(3, 40)).toEqual({ year: 3, firstDay: 40 })
    expect(await winter.resting(design.document!)).toBe(worker.service)
    expect(workers).toHaveLength(1)
    const beside = await winter.side(design.document!)
    expect(beside).toBe(workers[1].service)
    expect(await winter.side(design.document!)).toBe(beside)
    expect(workers).toHaveLength(2)
  })

  it('what next is asked once at a time, over ten years at most, and its answer kept with its design', async () => {
    const { design, winter } = await opened()
    const asking = winter.rank()
    void winter.rank()
    await settle()
    const [, side] = workers
    expect(side.asked).toHaveLength(1)
    expect(side.asked[0].years).toBe(10)
    side.asked[0].progress(0.3)
    expect(winter.rankedShare).toBe(0.3)
    side.asked[0].end([])
    await asking
    expect(winter.ranked).toEqual({ for: design.document, list: [] })
    expect(winter.ranking).toBe(false)
  })

  it('what next that is cancelled before its worker is ready is not begun', async () => {
    const { winter } = await opened()
    const asking = winter.rank()
    await winter.cancelRanking()
    expect(winter.ranking).toBe(false)
    await asking
    await settle()
    expect(workers[1]?.asked ?? []).toHaveLength(0)
    expect(winter.ranked).toBeNull()
    // and may be asked for again
    void winter.rank()
    await settle()
    expect(workers[1].asked).toHaveLength(1)
    expect(winter.ranking).toBe(true)
  })

  it('what next that was cancelled keeps the last answer', async () => {
    const { winter } = await opened()
    const asking = winter.rank()
    await settle()
    await winter.cancelRanking()
    expect(workers[1].ranksCancelled).toBe(1)
    workers[1].asked[0].end(null)
    await asking
    expect(winter.ranked).toBeNull()
    expect(winter.ranking).toBe(false)
  })

  it('a ghost is another design over ten of the same winters, and goes with the next edit', async () => {
    const { design, winter } = await opened()
    const other = { ...larkspurBench(), name: 'Other' }
    const showing = winter.showGhost('one more battery', other)
    await settle()
    const [, side] = workers
    expect(side.runs[0].design.winter).toEqual({ ...other.winter, years: 10 })
    side.runs[0].end(wintersOf(other, 2))
    await showing
    expect(winter.ghost?.says).toBe('one more battery')
    design.change(
      'one battery less',
      byHand((draft) => void (draft.bank.inParallel = 1)),
    )
    await settle()
    expect(winter.ghost).toBeNull()
  })
})
