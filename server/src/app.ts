import { existsSync } from 'node:fs'
import { join } from 'node:path'
import compression from 'compression'
import express, { type Express } from 'express'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import type { Database } from './db/database.ts'
import { answerError, unknownRoute } from './http/errors.ts'
import { apiRoutes } from './http/routes.ts'

export interface AppOptions {
  db: Database
  logger: Logger
  /** folder of the built interface; none serves the API alone */
  webFolder?: string
}

/** Sixty years of five channels in base64 and a little more. */
const WEATHER_BODY = '16mb'

/** The whole application behind one port. */
export function createApp({ db, logger, webFolder }: AppOptions): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(pinoHttp({ logger, autoLogging: { ignore: (request) => !request.url?.startsWith('/api') } }))
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
  app.use(compression({ level: 1 }))
  app.use('/api/weather', express.json({ limit: WEATHER_BODY }))
  app.use('/api', express.json({ limit: '4mb' }), apiRoutes(db), unknownRoute)
  if (webFolder && existsSync(webFolder)) {
    app.use('/assets', express.static(join(webFolder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }))
    app.use(express.static(webFolder, { index: false }))
    app.get('/{*path}', (_request, response) => {
      response.setHeader('Cache-Control', 'no-cache')
      response.sendFile(join(webFolder, 'index.html'))
    })
  }
  app.use(answerError)
  return app
}
