import { expose } from 'comlink'
import {
  atOnce,
  measured,
  unpackSeries,
  WinterEngine,
  type Design,
  type Measured,
  type SeriesShape,
} from '@ambrel/core'

/** A helper of the winter worker: it runs the years or the designs it is handed, and keeps their weather. */
const engine = new WinterEngine()

const service = {
  async years(design: Design, seed: number, indexes: readonly number[]) {
    return indexes.map((index) => engine.year(design, seed, index))
  },

  async measure(design: Design, years: number): Promise<Measured> {
    return atOnce(measured(engine, design, { years, seed: design.winter.seed }))
  },

  async provide(fileId: string, shape: SeriesShape, bytes: Uint8Array): Promise<void> {
    engine.provide(fileId, unpackSeries(shape, bytes))
  },
}

export type YearsService = typeof service
expose(service)
