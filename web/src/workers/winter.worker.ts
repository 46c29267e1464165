import { expose, transfer } from 'comlink'
import {
  arrayYield,
  bankWear,
  compareSources,
  oversizing,
  runPlanOf,
  runStartDay,
  skyReport,
  summariseWinter,
  tiltChoices,
  unpackSeries,
  whatNext,
  WinterEngine,
  yearsOfRun,
  type ArrayYield,
  type BankLife,
  type Candidate,
  type Design,
  type OversizeStep,
  type SeriesShape,
  type SkyReport,
  type SourceFigures,
  type TiltChoice,
  type WinterSummary,
  type YearResult,
} from '@ambrel/core'

/** The winters of a run, a row per year, a column per day of the run's year. */
export interface Winters {
  years: number
  seed: number
  startDay: number
  summary: WinterSummary
  lowest: Float32Array
  generatorHours: Uint8Array
  shortHours: Uint8Array
}

const DAYS = 365
/** The strip is drawn after this many years; the rest of the run follows. */
const FIRST_LOOK = 10
/** Years between two looks at whether the run is still wanted. */
const BREATH = 5

const engine = new WinterEngine()
let latest = 0

const breathe = () => new Promise<void>((resolve) => setTimeout(resolve))

function pack(design: Design, results: readonly YearResult[]): Winters {
  const startDay = runStartDay(design.place.latitudeDeg)
  const lowest = new Float32Array(results.length * DAYS)
  const generatorHours = new Uint8Array(results.length * DAYS)
  const shortHours = new Uint8Array(results.length * DAYS)
  results.forEach((year, i) => {
    lowest.set(year.lowestByDay, i * DAYS)
    generatorHours.set(year.generatorHoursByDay, i * DAYS)
    shortHours.set(year.shortHoursByDay, i * DAYS)
  })
  return {
    years: results.length,
    seed: design.winter.seed,
    startDay,
    summary: summariseWinter(results, design.place.latitudeDeg, startDay),
    lowest,
    generatorHours,
    shortHours,
  }
}

function send(winters: Winters): Winters {
  return transfer(winters, [winters.lowest.buffer, winters.generatorHours.buffer, winters.shortHours.buffer])
}

const service = {
  /**
   * Runs a design's winters. A newer call, or {@link service.cancel}, makes an older one stop and return null.
   * @param onFirst gets the first ten years as soon as they are there
   * @param onProgress share done
   */
  async run(
    design: Design,
    onFirst: (winters: Winters) => void,
    onProgress: (share: number) => void,
  ): Promise<Winters | null> {
    const mine = ++latest
    const { seed } = design.winter
    const years = yearsOfRun(design.place, design.winter.years)
    const plan = runPlanOf(design)
    const results: YearResult[] = []
    for (let index = 0; index < years; index++) {
      results.push(engine.year(design, plan, seed, index))
      if (results.length === FIRST_LOOK && years > FIRST_LOOK) onFirst(send(pack(design, results)))
      if (results.length % BREATH === 0) {
        if (years > 60) onProgress(results.length / years)
        await breathe()
        if (mine !== latest) return null
      }
    }
    return send(pack(design, results))
  },

  /** Tries one change at a time over the same weather. */
  async whatNext(design: Design, years: number): Promise<Candidate[]> {
    return whatNext(engine, design, { years, seed: design.winter.seed })!
  },

  /** Hands over the hours of a weather file. */
  async provide(fileId: string, shape: SeriesShape, bytes: Uint8Array): Promise<void> {
    engine.provide(fileId, unpackSeries(shape, bytes))
  },

  /** What many years of weather say about the sun on the first array. */
  async sky(design: Design, years: number): Promise<SkyReport | null> {
    return skyReport(engine, design, years)
  },

  async tilts(design: Design, months: number[]): Promise<TiltChoice[]> {
    return tiltChoices(design, months)
  },

  async sources(design: Design, years: number, climate: string | null): Promise<SourceFigures[]> {
    return compareSources(engine, design, years, climate)
  },

  /** How long the bank lasts by the charge of the run. */
  async wear(design: Design, years: number): Promise<BankLife> {
    return bankWear(engine, design, years)
  },

  /** What the arrays bring to the bus in a mean year, and what more strings on one of them would. */
  async yields(design: Design, arrayId: string, years: number): Promise<{ now: ArrayYield; steps: OversizeStep[] }> {
    return { now: arrayYield(engine, design, years), steps: oversizing(engine, design, arrayId, years) }
  },

  cancel(): void {
    latest++
  },
}

export type WinterService = typeof service
expose(service)
