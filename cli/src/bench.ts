import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'
import {
  derive,
  larkspurBench,
  larkspurFlooded,
  newSource,
  summariseWinter,
  WinterEngine,
  type Design,
} from '@ambrel/core'

/** Prints how fast the core is: the fastest of several rounds after warming up, and ratios to a plain loop. */
const json = process.argv.includes('--json')

function report(name: string, value: number, unit: string): void {
  const rounded = Number(value.toPrecision(4))
  console.log(json ? JSON.stringify({ name, value: rounded, unit }) : `${name.padEnd(28)} ${rounded} ${unit}`)
}

/** Milliseconds of the fastest of several rounds: whatever else the machine does can only slow one down. */
function time(rounds: number, task: () => void): number {
  const times = Array.from({ length: rounds }, () => {
    const began = performance.now()
    task()
    return performance.now() - began
  })
  return Math.min(...times)
}

/** The main demo with every kind of thing in it that the run knows. */
function everythingOn(): Design {
  const base = larkspurFlooded()
  const [array] = base.arrays
  const [controller] = base.controllers
  return {
    ...base,
    arrays: [array, { ...array, id: 'array-2', controllerId: 'controller-2', inParallel: 1 }],
    controllers: [
      controller,
      { id: 'controller-2', name: 'On the AC side', part: { ...controller.part, kind: 'ac-coupled', outputAcW: 3000 } },
    ],
    sources: [newSource('source-1', 'stream', 40)],
    loads: base.loads.map((load, i) => (i === 2 ? { ...load, movable: true, storeDays: 2 } : load)),
    household: {
      away: [{ fromMonth: 12, fromDay: 20, toMonth: 1, toDay: 5 }],
      shedCanWaitBelow: 0.55,
      shedShouldBelow: 0.4,
    },
    inverter: { ...base.inverter, search: true },
    generator: { ...base.generator, startBy: 'voltage', startV: 48.6, exerciseEveryDays: 30, equaliseEveryDays: 90 },
  }
}

const POOL_YEARS = 200

/** Seconds in which so many workers make the weather of years and run them, their start left out. */
async function onPool(workers: number): Promise<number> {
  // a thread does not take the loader over from its parent
  const file = JSON.stringify(new URL('./benchYears.ts', import.meta.url).href)
  const start = `import('tsx/esm/api').then(({ register }) => { register(); return import(${file}) })`
  const pool = Array.from({ length: workers }, () => new Worker(start, { eval: true }))
  const next = (worker: Worker) => new Promise((resolve) => worker.once('message', resolve))
  await Promise.all(pool.map(next))
  const began = performance.now()
  const done = pool.map((worker, lane) => {
    worker.postMessage({ lane, lanes: workers, years: POOL_YEARS })
    return next(worker)
  })
  await Promise.all(done)
  const seconds = (performance.now() - began) / 1000
  await Promise.all(pool.map((worker) => worker.terminate()))
  return seconds
}

const HOURS = 8760
const YEARS = 30
const design = larkspurBench()
const engine = new WinterEngine()

time(30, () => derive(design))
report(
  'derive.demo',
  time(50, () => derive(design)),
  'ms',
)
for (const count of [100, 300]) {
  const many: Design = {
    ...design,
    loads: Array.from({ length: count }, (_, i) => ({ ...design.loads[i % design.loads.length], id: `load-${i + 1}` })),
  }
  time(10, () => derive(many))
  report(
    `derive.${count}-loads`,
    time(30, () => derive(many)),
    'ms',
  )
}

report(
  'weather.year',
  time(3, () => {
    const fresh = new WinterEngine()
    for (let i = 0; i < YEARS; i++) fresh.weatherOf(design, 7, i)
  }) / YEARS,
  'ms',
)
report(
  'weather.plane30',
  time(3, () => {
    const fresh = new WinterEngine()
    for (let i = 0; i < YEARS; i++) fresh.planeOf(design, design.arrays[0], 7, i)
  }),
  'ms',
)

engine.run(design, { years: YEARS, seed: 7 })
const loop = () => {
  for (let i = 0; i < YEARS; i++) engine.year(design, 7, i)
}
time(15, loop)
const loopMs = time(9, loop)
report('winter.loop', (loopMs * 1e6) / (YEARS * HOURS), 'ns/step')
report('winter.years', YEARS / (loopMs / 1000), 'years/s')

const all = everythingOn()
engine.run(all, { years: YEARS, seed: 7 })
const everything = () => {
  for (let i = 0; i < YEARS; i++) engine.year(all, 7, i)
}
time(5, everything)
report('winter.loop-everything', (time(9, everything) * 1e6) / (YEARS * HOURS), 'ns/step')

const plain = new Float64Array(HOURS * 3).fill(1)
let sink = 0
const plainLoop = () => {
  for (let year = 0; year < YEARS; year++)
    for (let i = 0; i < HOURS; i++) sink += plain[i] * plain[i + HOURS] - plain[i + 2 * HOURS]
}
time(5, plainLoop)
report('winter.loop-to-plain', loopMs / time(9, plainLoop), 'times')

let watts = 0
report(
  'winter.strip',
  time(15, () => {
    design.loads[0] = { ...design.loads[0], basis: 'rated', runningW: 90 + (watts++ % 7) }
    const years = engine.run(design, { years: 10, seed: 7 })
    summariseWinter(years, design)
  }),
  'ms',
)
let tilt = 0
report(
  'winter.strip-new-tilt',
  time(7, () => {
    design.arrays[0] = { ...design.arrays[0], tiltDeg: 40 + (tilt++ % 40) }
    summariseWinter(engine.run(design, { years: 10, seed: 7 }), design)
  }),
  'ms',
)
report(
  'winter.tapestry',
  time(5, () => {
    design.loads[0] = { ...design.loads[0], runningW: 90 + (watts++ % 7) }
    engine.run(design, { years: YEARS, seed: 7 })
  }),
  'ms',
)
if (!Number.isFinite(sink)) console.error(sink)

const alone = await onPool(1)
const lanes = Math.max(2, availableParallelism())
const together = await onPool(lanes)
report('winter.cold-years-one-worker', POOL_YEARS / alone, 'years/s')
report(`winter.cold-years-pool-of-${lanes}`, POOL_YEARS / together, 'years/s')
report('winter.pool-to-one', alone / together, 'times')
