import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { bundle } from './bundle.mjs'
import { prepare, ROOT } from './prepare.mjs'

prepare()
const out = join(ROOT, 'node_modules', '.bench')
const source = (name) => join(ROOT, 'cli', 'src', `${name}.ts`)
// measured is what people run: bundled
await bundle({ bench: source('bench'), benchYears: source('benchYears') }, out)
const { status } = spawnSync(process.execPath, [join(out, 'bench.mjs'), ...process.argv.slice(2)], {
  cwd: ROOT,
  stdio: 'inherit',
})
process.exit(status ?? 1)
