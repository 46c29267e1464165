import { wrap, type Remote } from 'comlink'
import type { WinterEngine } from '@ambrel/core'
import {
  atOnce,
  measured,
  unpackSeries,
  type Design,
  type Measured,
  type SeriesShape,
  type YearResult,
} from '@ambrel/core'
import type { YearsService } from './years.worker.ts'

/** Helpers beyond the worker itself: one core is left to the page. */
const HELPERS = Math.max(1, Math.min(7, (globalThis.navigator?.hardwareConcurrency ?? 2) - 1))

/**
 * Runs years on this worker and on helpers of its own. Year i always goes to the same lane, which has kept its weather.
 */
export class YearPool {
  private helpers: Remote<YearsService>[] | null = null
  private readonly files: [string, SeriesShape, Uint8Array][] = []
  readonly lanes = HELPERS + 1

  constructor(private readonly engine: WinterEngine) {}

  async provide(fileId: string, shape: SeriesShape, bytes: Uint8Array): Promise<void> {
    this.engine.provide(fileId, unpackSeries(shape, bytes))
    this.files.push([fileId, shape, bytes])
    await Promise.all((this.helpers ?? []).map((helper) => helper.provide(fileId, shape, bytes)))
  }

  /** Years `from` up to `to` of a design, in order. */
  async years(design: Design, seed: number, from: number, to: number): Promise<YearResult[]> {
    const helpers = await this.ready()
    const mine = (lane: number) =>
      Array.from({ length: to - from }, (_, i) => from + i).filter((index) => index % this.lanes === lane)
    const away = helpers.map((helper, i) => helper.years(design, seed, mine(i + 1)))
    const here = mine(0).map((index) => this.engine.year(design, seed, index))
    const byLane = [here, ...(await Promise.all(away))]
    const taken = byLane.map(() => 0)
    return Array.from({ length: to - from }, (_, i) => {
      const lane = (from + i) % this.lanes
      return byLane[lane][taken[lane]++]
    })
  }

  /** Runs one design on a lane. */
  async measure(design: Design, years: number, lane: number): Promise<Measured> {
    if (lane === 0) return atOnce(measured(this.engine, design, { years, seed: design.winter.seed }))
    const helpers = await this.ready()
    return helpers[lane - 1].measure(design, years)
  }

  private async ready(): Promise<Remote<YearsService>[]> {
    if (!this.helpers) {
      this.helpers = Array.from({ length: HELPERS }, () =>
        wrap<YearsService>(new Worker(new URL('./years.worker.ts', import.meta.url), { type: 'module' })),
      )
      await Promise.all(this.helpers.flatMap((helper) => this.files.map((file) => helper.provide(...file))))
    }
    return this.helpers
  }
}
