import type { ErrorRequestHandler, RequestHandler } from 'express'
import type Joi from 'joi'
import type { Problem } from '@ambrel/core'
import { said } from '@ambrel/core/units'
import type { ApiError, StoredDesign, StoredPart } from '@ambrel/contract'
import { problemsOf } from '@ambrel/contract/check'
import { databaseAway, withoutValues } from '../db/trouble.ts'

/** An answer that is not the one asked for, with its status and body. */
export class HttpError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly extra: Omit<ApiError, 'error'> = {},
  ) {
    super(message)
  }
}

export const badRequest = (problems: Problem[]) =>
  new HttpError(400, problems.length === 1 ? said(problems[0].message) : `${problems.length} problems`, { problems })
export const notFound = (what: string) => new HttpError(404, `${what} is not here; it may have been deleted`)
export const stalePart = (currentPart: StoredPart) =>
  new HttpError(409, `saved meanwhile as version ${currentPart.version}`, { currentPart })
export const stale = (current: StoredDesign) =>
  new HttpError(409, `saved meanwhile as version ${current.version}`, { current })

/** Refuses a body that does not keep to its schema. */
export function requireBody<T>(schema: Joi.Schema, body: unknown): T {
  const problems = problemsOf(schema, body ?? {})
  if (problems.length > 0) throw badRequest(problems)
  return body as T
}

export const unknownRoute: RequestHandler = (request) => {
  throw new HttpError(404, `there is no ${request.method} ${request.path}`)
}

const RETRY_AFTER_S = '2'

/** The last word on every error: its own status, 400 for broken JSON, what Express says of a request it cannot read, 500 for what nobody expected. */
export const answerError: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) return next(error)
  const away = databaseAway(error)
  if (away) {
    request.log.warn({ why: withoutValues(error) }, 'the database does not answer')
    response
      .status(503)
      .setHeader('Retry-After', RETRY_AFTER_S)
      .json({ error: 'the database cannot be reached at the moment', untouched: away.untouched } satisfies ApiError)
    return
  }
  if (error instanceof HttpError) {
    response.status(error.status).json({ error: error.message, ...error.extra } satisfies ApiError)
    return
  }
  if (error?.type === 'entity.parse.failed') {
    const problem = { path: '', value: null, message: `not JSON: ${error.message}` }
    response.status(400).json({ error: problem.message, problems: [problem] } satisfies ApiError)
    return
  }
  if (error?.type === 'entity.too.large') {
    response
      .status(413)
      .json({ error: `the body is too large; at most ${Math.round(error.limit / 1024 / 1024)} MB` } satisfies ApiError)
    return
  }
  if (error?.status === 404) {
    response.status(404).json({ error: `there is no ${request.method} ${request.originalUrl}` } satisfies ApiError)
    return
  }
  if (error?.status >= 400 && error.status < 500) {
    response.status(error.status).json({ error: `the request cannot be read: ${error.message}` } satisfies ApiError)
    return
  }
  request.log.error({ why: withoutValues(error) }, 'request failed')
  response.status(500).json({ error: 'something went wrong here; nothing was changed' } satisfies ApiError)
}
