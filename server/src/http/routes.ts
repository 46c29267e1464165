import { Router, type Request } from 'express'
import { beginDesign, readingProblems, unpackSeries, type Reading } from '@ambrel/core'
import {
  LIMITS,
  PART_KINDS,
  type NewDesignBody,
  type OwnPart,
  type PartKind,
  type WeatherUpload,
} from '@ambrel/contract'
import {
  checkDesignInSlices,
  newDesignSchema,
  newPartsSchema,
  partProblems,
  partSchema,
  readingSchema,
  saveSchema,
  archivedSchema,
  variantSchema,
  weatherUploadSchema,
} from '@ambrel/contract/check'
import { clockAt } from '@ambrel/contract/time-zone'
import type { Database } from '../db/database.ts'
import * as ownParts from '../db/parts.ts'
import * as designs from '../db/designs.ts'
import * as readings from '../db/readings.ts'
import * as weather from '../db/weather.ts'
import { badRequest, HttpError, notFound, requireBody, stale, stalePart } from './errors.ts'

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/** The API. Every write is checked by the contract; every refusal names its fields. */
export function apiRoutes(db: Database, answers: () => Promise<boolean>): Router {
  const router = Router()

  router.get('/health', async (_request, response) => {
    response.setHeader('Cache-Control', 'no-store')
    if (!(await answers())) throw new HttpError(503, 'the database does not answer')
    response.json({ status: 'ok' })
  })

  router.get('/designs', async (_request, response) => {
    response.json(await designs.listDesigns(db))
  })

  router.get('/bin', async (_request, response) => {
    response.json(await designs.listDesigns(db, true))
  })

  router.post('/designs', async (request, response) => {
    response.status(201).json(await designs.createDesign(db, await newDocument(request.body)))
  })

  router.get('/designs/:id', async (request, response) => {
    response.json(await existing(db, request))
  })

  router.put('/designs/:id', async (request, response) => {
    const id = idOf(request)
    const { version, document } = requireBody<{ version: number; document: unknown }>(saveSchema, request.body)
    const saved = await designs.saveDesign(db, id, version, await sound(document))
    if (!saved) throw stale(await existing(db, request))
    response.json(saved)
  })

  router.delete('/designs/:id', async (request, response) => {
    if (!(await designs.setDeleted(db, idOf(request), true))) throw notFound('this design')
    response.status(204).end()
  })

  router.post('/designs/:id/restore', async (request, response) => {
    if (!(await designs.setDeleted(db, idOf(request), false))) throw notFound('this design')
    response.json(await existing(db, request))
  })

  router.put('/designs/:id/archived', async (request, response) => {
    const { archived } = requireBody<{ archived: boolean }>(archivedSchema, request.body)
    const entry = await designs.setArchived(db, idOf(request), archived)
    if (!entry) throw notFound('this design')
    response.json(entry)
  })

  router.post('/designs/:id/variants', async (request, response) => {
    const from = await existing(db, request)
    const { variant, document } = requireBody<{ variant: string; document?: unknown }>(variantSchema, request.body)
    const copy = { ...(await sound(document ?? from.document)), variant }
    response.status(201).json(await designs.createDesign(db, copy, { familyId: from.familyId }))
  })

  router.get('/designs/:id/history', async (request, response) => {
    const id = await existingId(db, request)
    response.json(await designs.historyOf(db, id))
  })

  router.get('/designs/:id/history/:version', async (request, response) => {
    const document = await designs.readVersion(db, idOf(request), numberOf(request.params.version))
    if (!document) throw notFound(`version ${request.params.version}`)
    response.json(document)
  })

  router.get('/designs/:id/readings', async (request, response) => {
    const id = await existingId(db, request)
    response.json(await readings.listReadings(db, id))
  })

  router.post('/designs/:id/readings', async (request, response) => {
    const id = await existingId(db, request)
    const reading = requireBody<Reading>(readingSchema, request.body)
    const problems = readingProblems(reading)
    if (problems.length > 0) throw badRequest(problems)
    response.status(201).json(await readings.addReading(db, id, reading))
  })

  router.delete('/designs/:id/readings/:readingId', async (request, response) => {
    if (!(await readings.removeReading(db, idOf(request), numberOf(request.params.readingId))))
      throw notFound('this reading')
    response.status(204).end()
  })

  router.get('/weather', async (_request, response) => {
    response.json(await weather.listWeather(db))
  })

  router.post('/weather', async (request, response) => {
    const upload = requireBody<WeatherUpload>(weatherUploadSchema, request.body)
    const bytes = Buffer.from(upload.hours, 'base64')
    try {
      unpackSeries(upload, bytes)
    } catch (error) {
      throw badRequest([{ path: 'hours', value: null, message: (error as Error).message }])
    }
    response.status(201).json(await weather.addWeather(db, upload, bytes))
  })

  router.get('/weather/:id/hours', async (request, response) => {
    const bytes = await weather.hoursOf(db, idOf(request, 'this weather file'))
    if (!bytes) throw notFound('this weather file')
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable')
    response.type('application/octet-stream').send(bytes)
  })

  router.delete('/weather/:id', async (request, response) => {
    const outcome = await weather.removeWeather(db, idOf(request, 'this weather file'))
    if (outcome === 'gone') throw notFound('this weather file')
    if (outcome === 'used')
      throw new HttpError(
        409,
        'a design, perhaps one in the bin, still uses this weather file; choose other weather there first',
      )
    response.status(204).end()
  })

  router.get('/parts', async (request, response) => {
    const { kind } = request.query
    if (kind !== undefined && !PART_KINDS.includes(kind as PartKind))
      throw badRequest([
        { path: 'kind', value: kind, message: `kind ${String(kind)} is not allowed; one of ${PART_KINDS.join(', ')}` },
      ])
    response.json(await ownParts.listParts(db, kind as PartKind | undefined))
  })

  router.post('/parts', async (request, response) => {
    const { parts } = requireBody<{ parts: OwnPart[] }>(newPartsSchema, request.body)
    const stored = await ownParts.addParts(db, parts.map(soundPart))
    if (stored === 'full')
      throw new HttpError(409, `the shelf holds ${LIMITS.ownParts} parts of your own at most; delete some first`)
    response.status(201).json(stored)
  })

  router.put('/parts/:id', async (request, response) => {
    const id = await ownPartId(db, request)
    const { version, part } = requireBody<{ version: number; part: Record<string, unknown> }>(partSchema, request.body)
    const { kind } = (await ownParts.readPart(db, id))!
    const saved = await ownParts.savePart(db, id, version, soundPart({ kind, part }, null).part)
    if (!saved) throw stalePart((await ownParts.readPart(db, id)) ?? gone('this part'))
    response.json(saved)
  })

  router.delete('/parts/:id', async (request, response) => {
    await ownParts.removePart(db, await ownPartId(db, request))
    response.status(204).end()
  })

  return router
}

const gone = (what: string): never => {
  throw notFound(what)
}

const PART_ID = /^[\w-]{1,60}$/

/** The id of a part of the path that is somebody's own; those that come with the program are not touched. */
async function ownPartId(db: Database, request: Request): Promise<string> {
  const id = String(request.params.id)
  const found = PART_ID.test(id) ? await ownParts.readPart(db, id) : null
  if (!found) throw notFound('this part')
  if (!found.own) throw new HttpError(409, 'this part comes with the program; make a copy of your own and change that')
  return found.id
}

/** A part that a design can take; its key is the shelf's to give. @param index in the list it came in, null for none */
function soundPart({ kind, part }: OwnPart, index: number | null): OwnPart {
  const whole = { ...part, id: 'own' }
  const at = index === null ? 'part' : `parts.${index}.part`
  const problems = partProblems(kind, whole)
  if (problems.length > 0)
    throw badRequest(problems.map((each) => ({ ...each, path: `${at}.${each.path}`, value: each.value ?? null })))
  return { kind, part: whole }
}

function idOf(request: Request, what = 'this design'): string {
  const id = String(request.params.id)
  if (!UUID.test(id)) throw notFound(what)
  return id
}

/** A whole number of the path as the database counts, 0 for anything else: nothing has that number. */
const numberOf = (text: string | string[]) => (/^\d{1,9}$/.test(String(text)) ? Number(text) : 0)

async function existing(db: Database, request: Request) {
  const found = await designs.readDesign(db, idOf(request))
  if (!found) throw notFound('this design')
  return found
}

/** As {@link existing}, without reading the document. */
async function existingId(db: Database, request: Request): Promise<string> {
  const id = idOf(request)
  if (!(await designs.hasDesign(db, id))) throw notFound('this design')
  return id
}

async function sound(value: unknown) {
  const { design, problems } = await checkDesignInSlices(value)
  if (!design) throw badRequest(problems.map((problem) => ({ ...problem, value: problem.value ?? null })))
  return design
}

/** A whole document as it was exported, or a fresh one from a name and a place. */
async function newDocument(body: unknown) {
  if (typeof body === 'object' && body !== null && 'format' in body) return sound(body)
  const { name, ...place } = requireBody<NewDesignBody>(newDesignSchema, body)
  const { utcOffsetH } = clockAt(place.latitudeDeg, place.longitudeDeg)
  return beginDesign(name, { utcOffsetH, ...place, label: name })
}
