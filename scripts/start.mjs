import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { build, SERVER } from './build.mjs'
import { take } from './lock.mjs'
import { Cluster, ensureDatabase, portIsFree } from './postgres.mjs'
import { HOME, prepare, ROOT } from './prepare.mjs'
import { pause } from './process.mjs'
import { FAILED, main, NO_DATABASE, PORT_TAKEN, say, Stop, WRONG_USE } from './say.mjs'

const USUAL_PORT = 4870
/** The server is started again this long after it died, the longer the oftener. */
const RESTART_MS = [500, 1000, 2000, 4000, 8000, 15_000]
/** One that was ready so long had come to rest before it died. */
const AT_REST_MS = 5000
/** One that dies so often in a row before it is ready, or just after, is given up. */
const MOST_DEATHS = 12
const LOOK_AT_DATABASE_MS = 2000
const STOP_LIMIT_MS = 45_000

/** The port a browser knows: its drafts are kept under it, so it is not moved behind its back. */
async function chosenPort() {
  const text = process.env.PORT
  if (text === undefined || text === '') {
    if (await portIsFree(USUAL_PORT)) return USUAL_PORT
    throw new Stop(
      `port ${USUAL_PORT} is taken by something else. Edits that wait in a browser are kept under that address, so Ambrel does not move by itself: free the port, or set PORT to another one`,
      PORT_TAKEN,
    )
  }
  const port = Number(text)
  if (!/^\d{1,5}$/.test(text) || port > 65535)
    throw new Stop(`PORT is “${text}”; a whole number from 0 to 65535 is wanted, 0 for any free one`, WRONG_USE)
  if (port > 0 && !(await portIsFree(port)))
    throw new Stop(`port ${port} is taken by something else; set PORT to another`, PORT_TAKEN)
  return port
}

await main(async () => {
  const began = Date.now()
  const lock = take(HOME)
  process.on('exit', lock.letGo)
  const port = await chosenPort()
  prepare()
  build()

  const cluster = process.env.DATABASE_URL ? null : Cluster.ofProject(HOME)
  const openDatabase = async () => ensureDatabase(await cluster.start(), 'ambrel')
  const guard = spawn(process.execPath, [join(ROOT, 'scripts', 'guard.mjs'), ...(cluster ? [cluster.folder] : [])], {
    cwd: ROOT,
    stdio: ['pipe', 'inherit', 'inherit'],
    detached: true,
  })
  guard.stdin.on('error', () => {})
  let url = cluster ? await openDatabase() : process.env.DATABASE_URL

  let server = null
  let stopping = false
  let exitCode = 0
  let deaths = 0
  let readyAt = 0
  let realPort = port

  function startServer() {
    const startedAt = Date.now()
    server = spawn(process.execPath, [SERVER], {
      cwd: ROOT,
      // a signal of the terminal goes to the start alone, which hands it on in its order
      detached: true,
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      env: {
        ...process.env,
        DATABASE_URL: url,
        PORT: String(realPort),
        AMBREL_BACKUPS: process.env.AMBREL_BACKUPS ?? join(HOME, 'backups'),
        LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
      },
    })
    guard.stdin.write(`${server.pid}\n`)
    server.on('message', ({ port: real }) => {
      realPort = real
      readyAt = Date.now()
      const address = `http://127.0.0.1:${real}`
      lock.at(address, server.pid)
      const seconds = ((Date.now() - (deaths === 0 ? began : startedAt)) / 1000).toFixed(1)
      say(`ready in ${seconds} s at ${address} — Ctrl C stops it`)
    })
    server.on('exit', (code) => void died(code, startedAt))
  }

  async function died(code, startedAt) {
    server = null
    if (stopping) return
    // what another start would only repeat
    if (code === WRONG_USE || (code === NO_DATABASE && !cluster && readyAt === 0)) return finish(code)
    if (readyAt > startedAt && Date.now() - readyAt > AT_REST_MS) deaths = 0
    if (deaths >= MOST_DEATHS) {
      say(`the server died ${deaths + 1} times in a row; given up`)
      return finish(code || FAILED)
    }
    say(`the server died${code === null ? '' : ` with code ${code}`}; starting it again`)
    await pause(RESTART_MS[Math.min(deaths++, RESTART_MS.length - 1)])
    if (!stopping) startServer()
  }

  /** A database of our own that died is started again, under the address it had where that can be. */
  async function lookAtDatabase() {
    while (!stopping) {
      await pause(LOOK_AT_DATABASE_MS)
      if (stopping || (await cluster.runningPort().catch(() => null))) continue
      try {
        say('the database died; starting it again')
        const now = await openDatabase()
        if (now !== url && server) server.kill('SIGTERM')
        url = now
      } catch (error) {
        say(`${error.message}`)
      }
    }
  }

  async function finish(code) {
    if (stopping) return
    stopping = true
    exitCode = code
    const limit = setTimeout(() => process.exit(exitCode || FAILED), STOP_LIMIT_MS)
    if (server) {
      const ended = new Promise((resolve) => server.once('exit', resolve))
      server.kill('SIGTERM')
      await ended
    }
    const ended = new Promise((resolve) => guard.once('exit', resolve))
    guard.stdin.end()
    await ended
    clearTimeout(limit)
    process.exit(exitCode)
  }

  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void finish(0))
  startServer()
  if (cluster) void lookAtDatabase()
})
