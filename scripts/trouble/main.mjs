import { cpus } from 'node:os'
import { parseArgs } from 'node:util'
import { freeze, fullDisk, killBackend, killPostmaster, killServer } from './kills.mjs'
import { Ground } from './ground.mjs'
import { fuzz } from './fuzz.mjs'
import { hostile } from './hostile.mjs'
import { memory, mixed, saves } from './load.mjs'

/** `npm run trouble [part …] [--share 0.1]`: everything that can go wrong, at length; prints a line of JSON a part. */
const { values, positionals: wanted } = parseArgs({
  options: { share: { type: 'string', default: '1' } },
  allowPositionals: true,
})
const share = Number(values.share)
const times = (whole) => Math.max(1, Math.round(whole * share))
const ground = await Ground.lay()

const PARTS = {
  server: () => killServer(ground, times(300)),
  postmaster: () => killPostmaster(ground, times(30)),
  backend: () => killBackend(ground, times(30)),
  frozen: () => freeze(ground),
  disk: fullDisk,
  fuzz: () => fuzz(ground.base, times(50_000)),
  hostile: () => hostile(ground.base),
  saves: () => saves(ground.base, times(60)),
  mixed: () => mixed(ground.base, times(60)),
  memory: () => memory(ground, times(3600)),
}

const print = (line) => process.stdout.write(`${JSON.stringify(line)}\n`)
print({ machine: `${cpus().length} × ${cpus()[0]?.model}`, node: process.version, share })
try {
  for (const [part, run] of Object.entries(PARTS)) {
    if (wanted.length > 0 && !wanted.includes(part)) continue
    const began = performance.now()
    const result = await run()
    print({ part, seconds: Math.round((performance.now() - began) / 1000), result })
  }
} finally {
  await ground.clear()
}
