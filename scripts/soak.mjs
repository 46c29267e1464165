import { spawn, spawnSync } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { build } from './build.mjs'
import { Cluster } from './postgres.mjs'
import { prepare, ROOT } from './prepare.mjs'
import { main } from './say.mjs'

/**
 * `npm run soak [-- --passes 20 --loops 2 file …]`: the browser tests again and again beside busy loops; a line of JSON a
 * pass. A test that fails in one of them fails for another reason than the product, or has found a fault of it.
 */
const { values, positionals: files } = parseArgs({
  options: { passes: { type: 'string', default: '20' }, loops: { type: 'string', default: '2' } },
  allowPositionals: true,
})
/** ends with its parent, however that ends */
const BUSY = 'for (const parent = process.ppid; process.ppid === parent; );'
const print = (line) => process.stdout.write(`${JSON.stringify(line)}\n`)

await main(async () => {
  prepare({ chromium: true })
  build()
  const scratch = mkdtempSync(join(tmpdir(), 'ambrel-soak-'))
  chmodSync(scratch, 0o755)
  const cluster = new Cluster(scratch, { throwaway: true })
  const report = join(tmpdir(), `ambrel-soak-${process.pid}.json`)
  const env = {
    ...process.env,
    AMBREL_SLOWNESS: process.env.AMBREL_SLOWNESS ?? '6',
    AMBREL_TEST_SERVER: await cluster.start(),
  }
  const loops = Array.from({ length: Number(values.loops) }, () => spawn(process.execPath, ['-e', BUSY]))
  let failures = 0
  try {
    for (let pass = 1; pass <= Number(values.passes); pass++) {
      const began = Date.now()
      const args = ['vitest', 'run', '--project', 'browser', '--reporter=json', `--outputFile.json=${report}`, ...files]
      spawnSync('npx', args, { cwd: ROOT, stdio: 'ignore', env })
      const { numPassedTests, numFailedTests, testResults } = existsSync(report)
        ? JSON.parse(readFileSync(report, 'utf8'))
        : { numPassedTests: 0, numFailedTests: 1, testResults: [] }
      rmSync(report, { force: true })
      const failed = testResults.flatMap(({ assertionResults }) =>
        assertionResults
          .filter(({ status }) => status === 'failed')
          .map(({ fullName, failureMessages }) => ({ test: fullName, why: failureMessages.join(' ').slice(0, 600) })),
      )
      failures += numFailedTests
      print({ pass, seconds: Math.round((Date.now() - began) / 1000), passed: numPassedTests, failed })
    }
  } finally {
    for (const loop of loops) loop.kill('SIGKILL')
    cluster.stop()
  }
  print({ passes: Number(values.passes), loops: loops.length, failures })
  process.exitCode = failures > 0 ? 1 : 0
})
