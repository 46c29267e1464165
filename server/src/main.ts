import { createServer } from 'node:http'
import { fileURLToPath } from 'node:url'
import pino from 'pino'
import { createApp } from './app.ts'
import { openDatabase } from './db/database.ts'
import { emptyOldBin } from './db/designs.ts'
import { seed } from './seed/seed.ts'

const DAY_MS = 86_400_000
const GRACE_MS = 5000

const logger = pino({ level: process.env.LOG_LEVEL ?? 'info' })
const url = process.env.DATABASE_URL
if (!url) {
  logger.fatal('DATABASE_URL is not set; `npm start` sets it')
  process.exit(2)
}

const { db, close } = await openDatabase(url)
await seed(db)
await emptyOldBin(db)
const binTimer = setInterval(() => emptyOldBin(db).catch((error) => logger.error({ err: error }, 'bin')), DAY_MS)

const webFolder = fileURLToPath(new URL('../../web/dist', import.meta.url))
const server = createServer(createApp({ db, logger, webFolder }))
server.on('error', (error: NodeJS.ErrnoException) => {
  const why = error.code === 'EADDRINUSE' ? `port ${process.env.PORT} is taken; set PORT to another` : error.message
  logger.fatal(why)
  void close().then(() => process.exit(2))
})
server.listen(Number(process.env.PORT ?? 0), '127.0.0.1', () => {
  const address = server.address()
  const port = typeof address === 'object' && address ? address.port : 0
  logger.info({ port }, 'listening')
  process.send?.({ port })
})

/** Lets running requests finish, then closes the database. */
function stop(signal: string): void {
  logger.info({ signal }, 'stopping')
  clearInterval(binTimer)
  server.close(() => close().then(() => process.exit(0)))
  server.closeIdleConnections()
  setTimeout(() => process.exit(1), GRACE_MS).unref()
}

process.once('SIGTERM', () => stop('SIGTERM'))
process.once('SIGINT', () => stop('SIGINT'))
