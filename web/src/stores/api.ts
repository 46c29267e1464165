import pRetry from 'p-retry'
import type {
  ApiError,
  DesignEntry,
  HistoryEntry,
  NewDesignBody,
  OwnPart,
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
    readonly currentPart: StoredPart | null = null,
  ) {
    super(message)
  }
}

/** The server could not be reached, did not answer in time, or said that it cannot at the moment. */
export class Unreachable extends Error {
  constructor(
    message: string,
    /** whether it is known that nothing was done, so that the same may be asked again */
    readonly untouched = false,
  ) {
    super(message)
  }
}

/** What is read is asked for again, with a growing pause, before it is given up. */
const READ_RETRIES = 3
const FIRST_PAUSE_MS = 300
const READ_LIMIT_MS = 5000
const WRITE_LIMIT_MS = 10_000
/** A weather file is sixteen megabytes at most. */
const UPLOAD_LIMIT_MS = 90_000

async function once(method: string, path: string, body: unknown, limitMs: number): Promise<Response> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: method === 'GET' ? undefined : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
      signal: AbortSignal.timeout(limitMs),
    })
  } catch (error) {
    const late = (error as Error).name === 'TimeoutError'
    throw new Unreachable(late ? 'the server does not answer in time' : 'the server cannot be reached')
  }
  if (response.status === 503) {
    const answer = (await response.json().catch(() => null)) as ApiError | null
    throw new Unreachable('the server cannot reach its database', answer?.untouched === true)
  }
  if (response.status === 429) throw new Unreachable('the server is asked too often', true)
  if (response.status === 502 || response.status === 504) throw new Unreachable('the server cannot be reached')
  return response
}

/** What is read may be asked again after any failure, what is written only where nothing was done. */
function send(method: string, path: string, body?: unknown, limitMs?: number): Promise<Response> {
  const reads = method === 'GET'
  return pRetry(() => once(method, path, body, limitMs ?? (reads ? READ_LIMIT_MS : WRITE_LIMIT_MS)), {
    retries: READ_RETRIES,
    minTimeout: FIRST_PAUSE_MS,
    shouldRetry: ({ error }) => error instanceof Unreachable && (reads || error.untouched),
  })
}

async function call<T>(method: string, path: string, body?: unknown, limitMs?: number): Promise<T> {
  return answerOf<T>(await send(method, path, body, limitMs))
}

async function answerOf<T>(response: Response): Promise<T> {
  if (response.status === 204) return undefined as T
  let answer: (T & Partial<ApiError>) | null
  try {
    answer = (await response.json()) as (T & Partial<ApiError>) | null
  } catch {
    if (response.ok) throw new Unreachable('the answer of the server broke off')
    answer = null
  }
  if (response.ok) return answer as T
  const { error, problems, current, currentPart } = answer ?? {}
  throw new ApiRefusal(response.status, error ?? `status ${response.status}`, problems, current, currentPart)
}

/** A design and the list it stands in. */
interface Opening {
  design: Promise<StoredDesign>
  entries: Promise<DesignEntry[]>
}
let ahead: { id: string; opening: Opening } | null = null

/** Asks for a design as soon as its address is known, while what will show it is still on its way. */
export function askAhead(id: string): void {
  const opening = { design: api.design(id), entries: api.designs() }
  for (const answer of Object.values(opening)) answer.catch(() => undefined)
  ahead = { id, opening }
}

export const api = {
  /** What a design is opened with; an answer asked for ahead is taken once. */
  opening(id: string): Opening {
    const asked = ahead?.id === id ? ahead.opening : null
    ahead = null
    return asked ?? { design: api.design(id), entries: api.designs() }
  },
  designs: () => call<DesignEntry[]>('GET', '/designs'),
  bin: () => call<DesignEntry[]>('GET', '/bin'),
  design: (id: string) => call<StoredDesign>('GET', `/designs/${id}`),
  create: (body: NewDesignBody | Design) => call<StoredDesign>('POST', '/designs', body),
  /** asked once: whoever saves keeps the document and tries again by itself */
  save: async (id: string, version: number, document: Design) =>
    answerOf<DesignEntry>(await once('PUT', `/designs/${id}`, { version, document }, WRITE_LIMIT_MS)),
  variant: (id: string, variant: string, document?: Design) =>
    call<StoredDesign>('POST', `/designs/${id}/variants`, { variant, document }),
  remove: (id: string) => call<void>('DELETE', `/designs/${id}`),
  restore: (id: string) => call<StoredDesign>('POST', `/designs/${id}/restore`, {}),
  archive: (id: string, archived: boolean) => call<DesignEntry>('PUT', `/designs/${id}/archived`, { archived }),
  history: (id: string) => call<HistoryEntry[]>('GET', `/designs/${id}/history`),
  historyDocument: (id: string, version: number) => call<Design>('GET', `/designs/${id}/history/${version}`),
  parts: () => call<StoredPart[]>('GET', '/parts'),
  addParts: (parts: readonly OwnPart[]) => call<StoredPart[]>('POST', '/parts', { parts }),
  savePart: (id: string, version: number, part: Record<string, unknown>) =>
    call<StoredPart>('PUT', `/parts/${id}`, { version, part }),
  removePart: (id: string) => call<void>('DELETE', `/parts/${id}`),
  weather: () => call<WeatherFile[]>('GET', '/weather'),
  addWeather: (body: WeatherUpload) => call<WeatherFile>('POST', '/weather', body, UPLOAD_LIMIT_MS),
  removeWeather: (id: string) => call<void>('DELETE', `/weather/${id}`),
  weatherHours: async (id: string): Promise<Uint8Array> => {
    const response = await send('GET', `/weather/${id}/hours`, undefined, UPLOAD_LIMIT_MS)
    if (!response.ok) throw new ApiRefusal(response.status, 'the hours of this weather file are not here')
    return new Uint8Array(await response.arrayBuffer())
  },
  readings: (id: string) => call<StoredReading[]>('GET', `/designs/${id}/readings`),
  addReading: (id: string, reading: Reading) => call<StoredReading>('POST', `/designs/${id}/readings`, reading),
  removeReading: (id: string, readingId: number) => call<void>('DELETE', `/designs/${id}/readings/${readingId}`),
}
