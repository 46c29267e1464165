import { join } from 'node:path'
import { build } from './build.mjs'
import { child, Cluster, ensureDatabase, freePort } from './postgres.mjs'
import { prepare, ROOT } from './prepare.mjs'
import { main, say } from './say.mjs'

const PREFERRED_PORT = 4870

await main(async () => {
  const began = Date.now()
  prepare()
  let cluster = null
  let url = process.env.DATABASE_URL
  if (!url) {
    cluster = Cluster.ofProject(ROOT)
    url = await ensureDatabase(await cluster.start(), 'ambrel')
  }
  build()
  const port = process.env.PORT ? Number(process.env.PORT) : await freePort(PREFERRED_PORT)
  const server = child(process.execPath, ['--import', 'tsx', join(ROOT, 'server', 'src', 'main.ts')], {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    env: { ...process.env, DATABASE_URL: url, PORT: String(port), LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn' },
  })
  server.on('message', ({ port: real }) =>
    say(`ready in ${((Date.now() - began) / 1000).toFixed(1)} s at http://127.0.0.1:${real} — Ctrl C stops it`),
  )
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
  server.on('exit', (code) => {
    if (cluster?.started) cluster.stop()
    process.exit(code ?? 0)
  })
})
