import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { prepare, ROOT } from './prepare.mjs'

prepare()
const { status } = spawnSync(
  process.execPath,
  ['--import', 'tsx', join(ROOT, 'cli', 'src', 'bench.ts'), ...process.argv.slice(2)],
  {
    cwd: ROOT,
    stdio: 'inherit',
  },
)
process.exit(status ?? 1)
