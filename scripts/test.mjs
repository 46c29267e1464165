import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { chmodSync } from 'node:fs'
import { join } from 'node:path'
import { build } from './build.mjs'
import { Cluster, findPostgres } from './postgres.mjs'
import { prepare, ROOT } from './prepare.mjs'
import { main, say } from './say.mjs'

/** Runs one part of the tests and says how it went. */
function part(name, command, args, env = {}) {
  const began = Date.now()
  say(`${name} …`)
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } })
  say(`${name}: ${status === 0 ? 'good' : 'FAILED'} in ${((Date.now() - began) / 1000).toFixed(0)} s`)
  return status === 0
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
  const report = join(tmpdir(), `ambrel-report-${process.pid}.json`)
  try {
    const serverUrl = cluster ? await cluster.start() : process.env.DATABASE_URL
    const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${report}`]
    good.push(
      part('tests', 'npx', ['vitest', 'run', ...reporters, ...process.argv.slice(2)], {
        AMBREL_TEST_SERVER: serverUrl,
      }),
    )
  } finally {
    cluster?.stop()
  }
  const { numPassedTests: passed, numFailedTests: failed } = JSON.parse(readFileSync(report, 'utf8'))
  rmSync(report)
  const broken = good.filter((each) => !each).length
  if (broken > 0) say(`${broken} of ${good.length} parts failed`)
  console.log(`tests: ${passed} passed, ${failed} failed`)
  process.exitCode = broken > 0 ? 1 : 0
})
