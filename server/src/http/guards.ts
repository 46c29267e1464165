import type { RequestHandler } from 'express'
import { rateLimit } from 'express-rate-limit'
import { HttpError } from './errors.ts'

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/i
const READS = new Set(['GET', 'HEAD', 'OPTIONS'])
const WINDOW_MS = 10_000
/** A thousand a second: far above any person and every page, and an end to a loop that went wild. */
const MOST_IN_WINDOW = 10_000

/** Only a page that was fetched under a name of this machine may talk: a name that was pointed here later is refused. */
export const onlyLoopbackHosts: RequestHandler = (request, _response, next) => {
  if (LOOPBACK.test(request.headers.host ?? '')) return next()
  throw new HttpError(421, 'this server answers under 127.0.0.1 and localhost only')
}

/** A write comes from our own page, as JSON: a form or a script of another page can send neither. */
export const onlyOwnWrites: RequestHandler = (request, _response, next) => {
  if (READS.has(request.method)) return next()
  const { origin, host } = request.headers
  const site = request.headers['sec-fetch-site']
  const own = origin === undefined ? site === 'same-origin' : origin === `http://${host}`
  if (!own || (site !== undefined && site !== 'same-origin'))
    throw new HttpError(403, 'a write must come from this server’s own page; send its address as Origin')
  if (!/^application\/json(;|$)/i.test(request.headers['content-type'] ?? ''))
    throw new HttpError(415, 'a write must be JSON; send the content type application/json')
  next()
}

export const notTooOften = (most = MOST_IN_WINDOW): RequestHandler =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit: most,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new HttpError(429, 'asked too often; wait a few seconds', { untouched: true })
    },
  })
