import { expose, transfer } from 'comlink'
import {
  arrayYield,
  bankWear,
  BOTTLENECK_TRIALS,
  compareSources,
  costOverLife,
  keyOf,
  measured,
  measuredOf,
  oversizing,
  skyReport,
  summariseWinter,
  suggestionFor,
  tiltChoices,
  weekOf,
  whatNext,
  WEAR_YEARS,
  WinterEngine,
  yearsOfRun,
  type ArrayYield,
  type BankLife,
  type Candidate,
  type CostOverLife,
  type Design,
  type LifeRun,
  type OversizeStep,
  type SeriesShape,
  type SkyQuestion,
  type SkyReport,
  type SourceFigures,
  type Suggested,
  type Suggestion,
  type TiltChoice,
  type Week,
  type YearResult,
  type YieldQuestion,
} from '@ambrel/core'

import { YearPool } from './pool.ts'
import { Turns } from './turns.ts'
import { packWinters, type Winters } from './winters.ts'

/** The strip is drawn after this many years; the rest of the run follows. */
const FIRST_LOOK = 10
/** The page draws the strip in this time before the rest of the run takes every core, ms. */
const PAINT_MS = 60
/** Runs of no more years than this are left to this worker alone. */
const ALONE = 60
/** Years a lane runs between two looks at whether the run is still wanted. */
const BREATH = 5
/** Years of a reckoning between two looks at whether it is still wanted. */
const YEARS_AT_ONCE = 100

const engine = new WinterEngine()
const pool = new YearPool(engine)
/** for what is asked beside the run */
const aside = engine.beside()
/** the latest run, with its years so far */
let ran: { design: Design; results: YearResult[] } | null = null
let latest = 0
let trying = 0
let costing = 0

const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms))
const door = new MessageChannel()
/** Lets what was asked meanwhile in; a timer would take some milliseconds each time. */
const breathe = () =>
  new Promise<void>((resolve) => {
    door.port1.addEventListener('message', () => resolve(), { once: true })
    door.port2.postMessage(null)
  })
door.port1.start()

const turns = new Turns(breathe)

function send(winters: Winters): Winters {
  return transfer(winters, [winters.lowest.buffer, winters.generatorHours.buffer, winters.shortHours.buffer])
}

async function run(
  id: number,
  design: Design,
  onFirst: (winters: Winters) => void,
  onProgress: (share: number) => void,
): Promise<Winters | null> {
  latest = id
  const { seed } = design.winter
  const years = yearsOfRun(design.place, design.winter.years)
  const results: YearResult[] = []
  ran = { design, results }
  const isKnown = engine.hasRun(design, seed, years)
  for (let index = 0; index < Math.min(years, FIRST_LOOK); index++) {
    results.push(engine.year(design, seed, index))
    if (results.length % BREATH === 0 && results.length < FIRST_LOOK) {
      await breathe()
      if (id !== latest) return null
    }
  }
  if (years > FIRST_LOOK && !isKnown) {
    onFirst(send(packWinters(design, results)))
    await pause(PAINT_MS)
    if (id !== latest) return null
  }
  while (results.length < years) {
    const from = results.length
    if (years <= ALONE || isKnown) {
      for (let index = from; index < Math.min(years, from + BREATH); index++)
        results.push(engine.year(design, seed, index))
    } else {
      const to = Math.min(years, from + BREATH * pool.lanes)
      results.push(...(await pool.years(design, seed, from, to)))
      if (id !== latest) return null
    }
    if (years > 60) onProgress(results.length / years)
    await breathe()
    if (id !== latest) return null
  }
  return send(packWinters(design, results))
}

const service = {
  /**
   * Runs a design's winters. A newer call, or {@link service.cancel}, makes an older one stop and return null.
   * @param id by which it is cancelled
   * @param onFirst gets the first ten years as soon as they are there
   * @param onProgress share done
   */
  async run(
    id: number,
    design: Design,
    onFirst: (winters: Winters) => void,
    onProgress: (share: number) => void,
  ): Promise<Winters | null> {
    return turns.run(() => run(id, design, onFirst, onProgress))
  },

  /** Tries one change at a time over the same weather. A newer call, or {@link service.cancelTrying}, ends an older one. */
  async whatNext(design: Design, years: number, onProgress: (share: number) => void): Promise<Candidate[] | null> {
    const mine = ++trying
    return whatNext(
      design,
      async (each, lane) => {
        await breathe()
        return pool.measure(each, years, lane)
      },
      pool.lanes,
      (share) => {
        onProgress(share)
        return mine === trying
      },
    )
  },

  /** A suggestion held against all rules and run through its winters. */
  suggest(what: Suggested, design: Design): Suggestion {
    return suggestionFor(what, engine, design)
  },

  /** Tries one more string of batteries and one of modules over the same weather, on this worker alone. */
  async bottleneck(design: Design, years: number): Promise<Candidate[]> {
    const { seed } = design.winter
    const measure = (each: Design) => {
      const count = yearsOfRun(each.place, years)
      return ran && ran.results.length >= count && keyOf(ran.design) === keyOf(each)
        ? measuredOf(ran.results.slice(0, count))
        : turns.inPieces(measured(aside, each, { years: count, seed }))
    }
    const list = await turns.question(() => whatNext(design, measure, 1, () => true, BOTTLENECK_TRIALS))
    return list ?? []
  },

  cancelTrying(): void {
    trying++
  },

  /** Seven days of one year, hour by hour. */
  async week(design: Design, year: number, firstDay: number): Promise<Week> {
    return weekOf(aside, design, year, firstDay)
  },

  /** Hands over the hours of a weather file. */
  async provide(fileId: string, shape: SeriesShape, bytes: Uint8Array): Promise<void> {
    await pool.provide(fileId, shape, bytes)
  },

  /** What many years of weather say about the sun on the first array. */
  async sky(design: SkyQuestion, years: number): Promise<SkyReport | null> {
    return turns.question(() => turns.inPieces(skyReport(aside, design, years)))
  },

  async tilts(design: Parameters<typeof tiltChoices>[0], months: number[]): Promise<TiltChoice[]> {
    return turns.question(async () => tiltChoices(design, months))
  },

  async sources(design: Design, years: number, climate: string | null): Promise<SourceFigures[]> {
    return turns.question(() => turns.inPieces(compareSources(aside, design, years, climate)))
  },

  /** How long the bank lasts by the charge of the run. */
  async wear(design: Design, years: number): Promise<BankLife> {
    return turns.question(() => turns.inPieces(bankWear(aside, design, years)))
  },

  /** What the arrays bring to the bus in a mean year, and what more strings on one of them would. */
  async yields(
    design: YieldQuestion,
    arrayId: string,
    years: number,
  ): Promise<{ now: ArrayYield; steps: OversizeStep[] }> {
    return turns.question(async () => ({
      now: await turns.inPieces(arrayYield(aside, design, years)),
      steps: await turns.inPieces(oversizing(aside, design, arrayId, years)),
    }))
  },

  /** What a design costs over its life. A newer call, or {@link service.cancelCosting}, ends an older one. */
  async costOverLife(design: Design, onProgress: (share: number) => void): Promise<CostOverLife | null> {
    const mine = ++costing
    const count = yearsOfRun(design.place, design.winter.years)
    const run = async (each: Design): Promise<LifeRun> => {
      const results: YearResult[] = []
      while (results.length < count && mine === costing) {
        await breathe()
        const until = Math.min(count, results.length + YEARS_AT_ONCE)
        results.push(...(await pool.years(each, design.winter.seed, results.length, until)))
      }
      return {
        winter: summariseWinter(results, each),
        bankLife: await turns.inPieces(bankWear(aside, each, WEAR_YEARS)),
      }
    }
    return costOverLife(design, run, (share) => {
      onProgress(share)
      return mine === costing
    })
  },

  cancelCosting(): void {
    costing++
  },

  cancel(id: number): void {
    if (latest === id) latest = 0
  },
}

export type WinterService = typeof service
expose(service)
