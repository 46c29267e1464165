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

const PARTS = {
  server: (ground) => killServer(ground, times(300)),
  postmaster: (ground) => killPostmaster(ground, times(30)),
  backend: (ground) => killBackend(ground, times(30)),
  frozen: (ground) => freeze(ground),
  disk: fullDisk,
  fuzz: (ground) => fuzz(ground.base, times(50_000)),
  hostile: (ground) => hostile(ground.base),
  saves: (ground) => saves(ground.base, times(60)),
  mixed: (ground) => mixed(ground.base, times(60)),
  memory: (ground) => memory(ground, times(3600)),
}

const print = (line) => process.stdout.write(`${JSON.stringify(line)}\n`)
print({ machine: `${cpus().length} × ${cpus()[0]?.model}`, node: process.version, share })
for (const [part, run] of Object.entries(PARTS)) {
  if (wanted.length > 0 && !wanted.includes(part)) continue
  // ground of its own, so that what one part leaves does not burden the next
  const ground = await Ground.lay()
  try {
    const began = performance.now()
    const result = await run(ground)
    print({ part, seconds: Math.round((performance.now() - began) / 1000), result })
  } finally {
    await ground.clear()
  }
}
