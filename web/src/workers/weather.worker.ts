import { expose, transfer } from 'comlink'
import { ImportRefused, packSeries, type ColumnMapping, type RowNote, type Station } from '@ambrel/core'
import type { WeatherUpload } from '@ambrel/contract'
import { inspectWeather, readWeather, type Inspected } from '@ambrel/contract/weather'

/** What a file came to, or why it cannot be used; errors do not keep their rows across a worker's border. */
export type Outcome<T> = { value: T } | { refused: string; rows: RowNote[] }
/** Everything of a weather file but its name; the hours still as bytes. */
export type ReadHours = Omit<WeatherUpload, 'name' | 'hours'> & { bytes: Uint8Array }

let bytes = new Uint8Array()

function outcome<T>(run: () => T): Outcome<T> {
  try {
    return { value: run() }
  } catch (error) {
    if (error instanceof ImportRefused) return { refused: error.message, rows: error.rows }
    throw error
  }
}

const service = {
  /** Takes a file and looks at its first rows. */
  async inspect(file: File, utcOffsetH: number): Promise<Outcome<Inspected>> {
    bytes = new Uint8Array(await file.arrayBuffer())
    return outcome(() => inspectWeather(bytes, utcOffsetH))
  },

  /** Reads the hours of the file taken last. */
  async read(
    mapping: ColumnMapping,
    station: Station | null,
    place: { latitudeDeg: number; longitudeDeg: number; windMS: number; snowfallCm: number[] },
    onProgress: (share: number) => void,
  ): Promise<Outcome<ReadHours>> {
    const result = outcome(() => {
      const read = readWeather(bytes, { mapping, station }, place, place, onProgress)
      const { shape, bytes: packed } = packSeries(read.series)
      return { ...shape, station, fitted: read.fitted, report: read.report, bytes: packed }
    })
    return 'value' in result ? transfer(result, [result.value.bytes.buffer]) : result
  },
}

export type WeatherService = typeof service
expose(service)
