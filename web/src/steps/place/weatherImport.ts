import { proxy, wrap, type Remote } from 'comlink'
import { ref, shallowRef } from 'vue'
import type { ColumnMapping, RowNote } from '@ambrel/core'
import type { WeatherFile } from '@ambrel/contract'
import type { Inspected } from '@ambrel/contract/weather'
import { useWeather } from '../../stores/weather.ts'
import type { Outcome, ReadHours, WeatherService } from '../../workers/weather.worker.ts'

export type Stage = 'choose' | 'map' | 'reading' | 'report' | 'storing'

/** The way of a file from the disk into the database; every stage can be left, which ends the work at once. */
export function useWeatherImport() {
  const weather = useWeather()
  const stage = ref<Stage>('choose')
  const fileName = ref('')
  const progress = ref(0)
  const problem = ref('')
  const rows = shallowRef<RowNote[]>([])
  const inspected = shallowRef<Inspected | null>(null)
  const read = shallowRef<ReadHours | null>(null)
  let worker: Worker | null = null
  let service: Remote<WeatherService> | null = null

  function stop(): void {
    worker?.terminate()
    worker = service = null
  }

  function reset(): void {
    stop()
    stage.value = 'choose'
    progress.value = 0
    problem.value = ''
    rows.value = []
    inspected.value = read.value = null
  }

  /** Shows why something was refused. @returns the value of what was not */
  function told<T>(outcome: Outcome<T>): T | null {
    if ('value' in outcome) return outcome.value
    problem.value = outcome.refused
    rows.value = outcome.rows
    return null
  }

  async function choose(file: File, utcOffsetH: number): Promise<void> {
    reset()
    fileName.value = file.name
    worker = new Worker(new URL('../../workers/weather.worker.ts', import.meta.url), { type: 'module' })
    service = wrap<WeatherService>(worker)
    inspected.value = told(await service.inspect(file, utcOffsetH))
    if (inspected.value) stage.value = 'map'
  }

  async function readHours(
    mapping: ColumnMapping,
    place: { latitudeDeg: number; longitudeDeg: number; windMS: number; snowfallCm: number[] },
  ): Promise<void> {
    if (!service || !inspected.value) return
    const mine = service
    problem.value = ''
    rows.value = []
    progress.value = 0
    stage.value = 'reading'
    const outcome = await mine.read(
      JSON.parse(JSON.stringify(mapping)) as ColumnMapping,
      inspected.value.station,
      place,
      proxy((share: number) => (progress.value = share)),
    )
    if (mine !== service) return
    read.value = told(outcome)
    stage.value = read.value ? 'report' : 'map'
  }

  /** Ends the reading and goes back to the columns; the file has to be taken again by a new worker. */
  function cancel(): void {
    reset()
  }

  /** @returns the stored file, or null where the server refused it */
  async function store(name: string): Promise<WeatherFile | null> {
    if (!read.value) return null
    stage.value = 'storing'
    const { bytes, ...about } = read.value
    try {
      const file = await weather.add({ ...about, name, hours: await base64(bytes) })
      reset()
      return file
    } catch (error) {
      problem.value = (error as Error).message
      stage.value = 'report'
      return null
    }
  }

  return { stage, fileName, progress, problem, rows, inspected, read, choose, readHours, cancel, reset, store }
}

/** Bytes as base64 without building a string of them one by one. */
function base64(bytes: Uint8Array): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve((reader.result as string).split(',', 2)[1])
    reader.onerror = () => reject(reader.error ?? new Error('the hours could not be packed'))
    reader.readAsDataURL(new Blob([bytes as BlobPart]))
  })
}
