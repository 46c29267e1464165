import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { constants } from 'node:zlib'
import compression from 'compression'
import express, { type Express } from 'express'
import packedFiles from 'express-static-gzip'
import helmet from 'helmet'
import { LIMITS } from '@ambrel/contract'
import { excessOf } from '@ambrel/contract/check'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import type { Database } from './db/database.ts'
import { answerError, badRequest, unknownRoute } from './http/errors.ts'
import { notTooOften, onlyLoopbackHosts, onlyOwnWrites } from './http/guards.ts'
import { apiRoutes } from './http/routes.ts'

export interface AppOptions {
  db: Database
  /** whether the database answers at the moment */
  answers: () => Promise<boolean>
  logger: Logger
  /** folder of the built interface; none serves the API alone */
  webFolder?: string
}

const LEAST_PACKED_BYTES = 2048

/** JSON up to a size, looked through for depth and number before it is parsed. */
const jsonUpTo = (limit: number) =>
  express.json({
    limit,
    verify: (_request, _response, bytes) => {
      const excess = excessOf(bytes)
      if (excess) throw badRequest([excess])
    },
  })

/** The whole application behind one port. */
export function createApp({ db, answers, logger, webFolder }: AppOptions): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(pinoHttp({ logger, autoLogging: { ignore: (request) => !request.url?.startsWith('/api') } }))
  app.use(onlyLoopbackHosts)
  app.use(
    helmet({
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'worker-src': ["'self'", 'blob:'],
          'upgrade-insecure-requests': null,
        },
      },
    }),
  )
  // a design packs to a fifth, quickly packed to a quarter; below a packet there is nothing to save
  app.use(
    '/api',
    compression({ threshold: LEAST_PACKED_BYTES, level: constants.Z_BEST_SPEED }),
    notTooOften(),
    onlyOwnWrites,
  )
  app.use('/api/weather', jsonUpTo(LIMITS.weatherBytes))
  app.use('/api', jsonUpTo(LIMITS.bodyBytes), apiRoutes(db, answers), unknownRoute)
  if (webFolder && existsSync(webFolder)) {
    // the build packed them, once and well
    app.use(
      '/assets',
      packedFiles(join(webFolder, 'assets'), {
        enableBrotli: true,
        orderPreference: ['br', 'gz'],
        serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
      }),
    )
    app.use(express.static(webFolder, { index: false }))
    app.get('/{*path}', (_request, response) => {
      response.setHeader('Cache-Control', 'no-cache')
      response.sendFile(join(webFolder, 'index.html'))
    })
  }
  app.use(answerError)
  return app
}
