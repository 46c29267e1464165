import { spawnSync } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build } from './build.mjs'
import { Cluster, findPostgres } from './postgres.mjs'
import { prepare, ROOT } from './prepare.mjs'
import { main, say } from './say.mjs'

/** A machine that is shared may be so many times slower than a quiet one; no test is to fail by it. */
const SLOWNESS = '6'

/** Runs one part of the tests and says how it went. */
function part(name, command, args, env = {}) {
  const began = Date.now()
  say(`${name} …`)
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } })
  say(`${name}: ${status === 0 ? 'good' : 'FAILED'} in ${((Date.now() - began) / 1000).toFixed(0)} s`)
  return status === 0
}

/** Runs the tests of some projects and adds up what they counted. */
function vitest(name, projects, env, counts) {
  const report = join(tmpdir(), `ambrel-report-${process.pid}-${projects[0]}.json`)
  const chosen = projects.flatMap((project) => ['--project', project])
  const args = ['vitest', 'run', ...chosen, '--reporter=default', '--reporter=json', `--outputFile.json=${report}`]
  const good = part(name, 'npx', [...args, ...process.argv.slice(2)], env)
  if (!existsSync(report)) return false
  const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(report, 'utf8'))
  counts.passed += numPassedTests
  counts.failed += numFailedTests
  rmSync(report)
  return good
}

await main(async () => {
  prepare({ chromium: true })
  build()
  const good = [
    part('type check', 'npm', ['run', 'typecheck', '--silent']),
    part('lint', 'npm', ['run', 'lint', '--silent']),
  ]
  const scratch = mkdtempSync(join(tmpdir(), 'ambrel-test-'))
  chmodSync(scratch, 0o755)
  const cluster = findPostgres() ? new Cluster(scratch, { throwaway: true }) : null
  const counts = { passed: 0, failed: 0 }
  try {
    const env = {
      AMBREL_SLOWNESS: process.env.AMBREL_SLOWNESS ?? SLOWNESS,
      AMBREL_TEST_SERVER: cluster ? await cluster.start() : process.env.DATABASE_URL,
    }
    // the browser has the machine to itself, so that its waits mean the same everywhere
    good.push(vitest('unit and server tests', ['core', 'server', 'scripts', 'web'], env, counts))
    good.push(vitest('browser tests', ['browser'], env, counts))
  } finally {
    cluster?.stop()
  }
  const broken = good.filter((each) => !each).length
  if (broken > 0) say(`${broken} of ${good.length} parts failed`)
  console.log(`tests: ${counts.passed} passed, ${counts.failed} failed`)
  process.exitCode = broken > 0 ? 1 : 0
})
