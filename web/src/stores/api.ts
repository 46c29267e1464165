import type {
  ApiError,
  DesignEntry,
  HistoryEntry,
  NewDesignBody,
  StoredDesign,
  StoredPart,
  StoredReading,
  WeatherFile,
  WeatherUpload,
} from '@ambrel/contract'
import type { Design, Problem, Reading } from '@ambrel/core'

/** The server said no; carries its reasons. */
export class ApiRefusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: Problem[] = [],
    readonly current: StoredDesign | null = null,
  ) {
    super(message)
  }
}

/** The server could not be reached. */
export class Unreachable extends Error {}

async function send(method: string, path: string, body?: unknown): Promise<Response> {
  try {
    return await fetch(`/api${path}`, {
      method,
      headers: body === undefined ? undefined : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    })
  } catch {
    throw new Unreachable('the server cannot be reached')
  }
}

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  const response = await send(method, path, body)
  if (response.status === 204) return undefined as T
  const answer = (await response.json().catch(() => null)) as (T & Partial<ApiError>) | null
  if (response.ok) return answer as T
  throw new ApiRefusal(response.status, answer?.error ?? `status ${response.status}`, answer?.problems, answer?.current)
}

export const api = {
  designs: () => call<DesignEntry[]>('GET', '/designs'),
  bin: () => call<DesignEntry[]>('GET', '/bin'),
  design: (id: string) => call<StoredDesign>('GET', `/designs/${id}`),
  create: (body: NewDesignBody | Design) => call<StoredDesign>('POST', '/designs', body),
  save: (id: string, version: number, document: Design) =>
    call<StoredDesign>('PUT', `/designs/${id}`, { version, document }),
  variant: (id: string, variant: string, document?: Design) =>
    call<StoredDesign>('POST', `/designs/${id}/variants`, { variant, document }),
  remove: (id: string) => call<void>('DELETE', `/designs/${id}`),
  restore: (id: string) => call<StoredDesign>('POST', `/designs/${id}/restore`),
  history: (id: string) => call<HistoryEntry[]>('GET', `/designs/${id}/history`),
  historyDocument: (id: string, version: number) => call<Design>('GET', `/designs/${id}/history/${version}`),
  parts: () => call<StoredPart[]>('GET', '/parts'),
  weather: () => call<WeatherFile[]>('GET', '/weather'),
  addWeather: (body: WeatherUpload) => call<WeatherFile>('POST', '/weather', body),
  removeWeather: (id: string) => call<void>('DELETE', `/weather/${id}`),
  weatherHours: async (id: string): Promise<Uint8Array> => {
    const response = await send('GET', `/weather/${id}/hours`)
    if (!response.ok) throw new ApiRefusal(response.status, 'the hours of this weather file are not here')
    return new Uint8Array(await response.arrayBuffer())
  },
  readings: (id: string) => call<StoredReading[]>('GET', `/designs/${id}/readings`),
  addReading: (id: string, reading: Reading) => call<StoredReading>('POST', `/designs/${id}/readings`, reading),
  removeReading: (id: string, readingId: number) => call<void>('DELETE', `/designs/${id}/readings/${readingId}`),
}
