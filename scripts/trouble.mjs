import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { build } from './build.mjs'
import { prepare, ROOT } from './prepare.mjs'

prepare()
build()
const words = process.argv.slice(2)
const { status } = spawnSync(
  process.execPath,
  ['--import', 'tsx', join(ROOT, 'scripts', 'trouble', 'main.mjs'), ...words],
  { cwd: ROOT, stdio: 'inherit' },
)
process.exit(status ?? 1)
