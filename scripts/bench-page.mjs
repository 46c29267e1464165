import { spawnSync } from 'node:child_process'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build } from './build.mjs'
import { Cluster } from './postgres.mjs'
import { prepare, ROOT } from './prepare.mjs'
import { main } from './say.mjs'

/** `npm run bench:page [-- loads arrays]`: the page's bytes, main-thread time, edits and step switches, a line of JSON a size. */
await main(async () => {
  prepare({ chromium: true })
  build()
  const scratch = mkdtempSync(join(tmpdir(), 'ambrel-bench-'))
  chmodSync(scratch, 0o755)
  const cluster = new Cluster(scratch, { throwaway: true })
  try {
    const { status } = spawnSync(
      process.execPath,
      ['--import', 'tsx', join(ROOT, 'e2e', 'src', 'pageBench.ts'), ...process.argv.slice(2)],
      { cwd: ROOT, stdio: 'inherit', env: { ...process.env, AMBREL_TEST_SERVER: await cluster.start() } },
    )
    process.exitCode = status ?? 1
  } finally {
    cluster.stop()
    rmSync(scratch, { recursive: true, force: true })
  }
})
