import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build } from './build.mjs'
import { Pace } from './pace.mjs'
import { Cluster, findPostgres } from './postgres.mjs'
import { prepare, ROOT } from './prepare.mjs'
import { main, say } from './say.mjs'

/** A machine that is shared may be so many times slower than a quiet one; no test is to fail by it. */
const SLOWNESS = '12'

/** Checks leave much behind that is short-lived: with room for it, less of the time goes into sweeping. Tests run as people do. */
const ROOMY = { NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} --max-semi-space-size=64`.trim() }

/** Runs one part of the tests and says how it went; what it says itself is told when it is through. */
async function part(name, command, args, { env = {}, stdio = 'pipe' } = {}) {
  const began = Date.now()
  say(`${name} …`)
  const child = spawn(command, args, {
    cwd: ROOT,
    stdio: ['inherit', stdio, stdio],
    env: { ...process.env, ...env },
  })
  const said = []
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (piece) => said.push(piece))
  const [status] = await once(child, 'close')
  process.stdout.write(Buffer.concat(said))
  say(`${name}: ${status === 0 ? 'good' : 'FAILED'} in ${((Date.now() - began) / 1000).toFixed(0)} s`)
  return status === 0
}

/** Runs the tests of every project and counts them. */
async function vitest(env) {
  const report = join(tmpdir(), `ambrel-report-${process.pid}.json`)
  const args = ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`]
  const good = await part('tests', 'npx', [...args, ...process.argv.slice(2)], { env, stdio: 'inherit' })
  if (!existsSync(report)) return { good: false, passed: 0, failed: 0 }
  const { numPassedTests: passed, numFailedTests: failed } = JSON.parse(readFileSync(report, 'utf8'))
  rmSync(report)
  return { good, passed, failed }
}

await main(async () => {
  prepare({ chromium: true })
  const began = Date.now()
  const pace = new Pace()
  // beside the build and the tests: each of them leaves a processor free at times
  const checks = ['typecheck', 'lint'].map((name) => part(name, 'npm', ['run', name, '--silent'], { env: ROOMY }))
  build()
  const scratch = mkdtempSync(join(tmpdir(), 'ambrel-test-'))
  chmodSync(scratch, 0o755)
  const cluster = findPostgres() ? new Cluster(scratch, { throwaway: true }) : null
  let counts
  try {
    counts = await vitest({
      AMBREL_SLOWNESS: process.env.AMBREL_SLOWNESS ?? SLOWNESS,
      AMBREL_TEST_SERVER: cluster ? await cluster.start() : process.env.DATABASE_URL,
    })
  } finally {
    cluster?.stop()
  }
  const good = [...(await Promise.all(checks)), counts.good]
  const broken = good.filter((each) => !each).length
  const tookS = (Date.now() - began) / 1000
  say(`all took ${tookS.toFixed(0)} s; a machine with nothing else to do takes ${(tookS * pace.end()).toFixed(0)} s`)
  if (broken > 0) say(`${broken} of ${good.length} parts failed`)
  console.log(`tests: ${counts.passed} passed, ${counts.failed} failed`)
  process.exitCode = broken > 0 ? 1 : 0
})
