import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import {
  bill,
  copperDraw,
  derive,
  findings,
  larkspurBench,
  larkspurFlooded,
  larkspurMoreSun,
  newSource,
  oneLine,
  summariseWinter,
  svgOf,
  systemOf,
  WinterEngine,
  workedCircuits,
  type Design,
} from '@ambrel/core'
import { said } from '@ambrel/core/units'

const HOURS = 8760
const YEARS = 30

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
      {
        ...controller,
        id: 'controller-2',
        name: 'On the AC side',
        part: { ...controller.part, kind: 'ac-coupled', outputAcW: 3000 },
      },
    ],
    sources: [newSource('source-1', 'stream', 40)],
    loads: base.loads.map((load, i) => (i === 2 ? { ...load, movable: true, storeDays: 2 } : load)),
    household: {
      away: [{ fromMonth: 12, fromDay: 20, toMonth: 1, toDay: 5 }],
      weekdays: null,
      shedCanWaitBelow: 0.55,
      shedShouldBelow: 0.4,
    },
    inverter: { ...base.inverter, search: true },
    generator: { ...base.generator, startBy: 'voltage', startV: 48.6, exerciseEveryDays: 30, equaliseEveryDays: 90 },
  }
}

/** Milliseconds of each task by round, a round of one after a round of the others. */
function interleaved<T extends string>(tasks: Record<T, () => void>, count: number): Record<T, number[]> {
  const names = Object.keys(tasks) as T[]
  const times = Object.fromEntries(names.map((name) => [name, [] as number[]])) as Record<T, number[]>
  for (let round = -WARM_UP; round < count; round++)
    for (const name of names) {
      const took = time(1, tasks[name])
      if (round >= 0) times[name].push(took)
    }
  return times
}
const medianOf = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]
/** Of each round by itself: between rounds the machine may change its speed. */
const ratioOf = (times: number[], to: number[]) => medianOf(times.map((took, round) => took / to[round]))
const WARM_UP = 6

/** The balance of a step and nothing else, on typed arrays: sun, loads, kinetic bank, floor and full. */
function straightYears(): () => void {
  const sunW = new Float64Array(YEARS * HOURS)
  const needW = new Float64Array(288)
  for (let i = 0; i < sunW.length; i++)
    sunW[i] = Math.max(0, Math.sin((((i % 24) - 6) / 12) * Math.PI)) * 3000 * Math.abs(Math.sin(i * 0.013))
  for (let i = 0; i < 288; i++) needW[i] = 250 + (i % 24 > 17 ? 200 : 0)
  return () => {
    let [available, bound, taken, low] = [400, 400, 0, 0]
    for (let year = 0; year < YEARS; year++)
      for (let i = 0; i < HOURS; i++) {
        const total = available + bound
        const resting = 0.7 * available + 0.15 * total
        const over = sunW[year * HOURS + i] - needW[i % 288] - total * 1e-3
        let current = -over / 50
        if (over >= 0) {
          const acceptA = Math.max(0, Math.min((400 - resting) * 1.18, 100, 800 - total))
          const intake = Math.min(over, acceptA * 55)
          taken += intake
          current = -intake / 55
        } else if (current > total - 160) current = Math.max(0, total - 160)
        const next = resting - 0.85 * current
        bound = total - current - next
        available = next
        low += total < 500 ? 1 : 0
      }
    if (!Number.isFinite(taken + low)) throw new RangeError('the straight loop went astray')
  }
}

const POOL_YEARS = 200

/** Seconds in which so many workers make the weather of years and run them, their start left out. */
async function onPool(workers: number): Promise<number> {
  const file = fileURLToPath(import.meta.resolve('./benchYears.mjs'))
  const pool = Array.from({ length: workers }, () => new Worker(file))
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

const design = larkspurBench()
const engine = new WinterEngine()

time(30, () => derive(design))
report(
  'derive.demo',
  time(50, () => derive(design)),
  'ms',
)
// the demo with the most to mend, as after an edit of it: a remedy is sought for each of its faults
const faulty = copperDraw()
const winterOfFaulty = summariseWinter([engine.year(faulty, 1, 0)], faulty)
const find = () => findings({ design: faulty, derived: derive(faulty), winter: winterOfFaulty })
time(30, find)
report('derive.findings', time(50, find), 'ms')
time(30, () => bill(faulty))
report(
  'money.bill',
  time(50, () => bill(faulty)),
  'ms',
)
const wired = larkspurMoreSun()
report(
  'wiring.graph',
  time(50, () => workedCircuits(wired, systemOf(wired))),
  'ms',
)
const drawnOf = derive(wired)
report(
  'wiring.drawing',
  time(50, () =>
    svgOf(
      oneLine(drawnOf.system, drawnOf.circuits, (words) => said(words)),
      wired.name,
    ),
  ),
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

/** What a new place costs before its strip stands: the sun's year, weather, planes, hours and loop. */
report(
  'winter.first-30',
  time(9, () => {
    const fresh = new WinterEngine()
    for (let i = 0; i < YEARS; i++) fresh.year(design, 7, i)
  }),
  'ms',
)

const all = everythingOn()
const ageing: Design = { ...design, winter: { ...design.winter, ageing: true } }
/** A design as good as the same, whose years no engine has kept. */
let other = 0
const unkept = (of: Design): Design => ({
  ...of,
  loads: of.loads.map((load, i) => (i === 0 ? { ...load, basis: 'rated', runningW: 90 + ++other * 1e-6 } : load)),
})
/** Every loop keeps its hours in an engine of its own. */
const years = (of: Design) => {
  const own = new WinterEngine()
  own.run(of, { years: YEARS, seed: 7 })
  return () => {
    const each = unkept(of)
    for (let i = 0; i < YEARS; i++) own.year(each, 7, i)
  }
}
const loops = { plain: years(design), everything: years(all), ageing: years(ageing), straight: straightYears() }
const rounds = interleaved(loops, 15)
const perStep = (ms: number) => (ms * 1e6) / (YEARS * HOURS)
const reportLoop = (name: string, times: number[]) => {
  report(name, perStep(Math.min(...times)), 'ns/step')
  report(`${name}-median`, perStep(medianOf(times)), 'ns/step')
}
reportLoop('winter.loop', rounds.plain)
report('winter.years', YEARS / (Math.min(...rounds.plain) / 1000), 'years/s')
reportLoop('winter.loop-everything', rounds.everything)
reportLoop('winter.loop-ageing', rounds.ageing)
reportLoop('winter.straight', rounds.straight)
report('winter.loop-to-straight', ratioOf(rounds.plain, rounds.straight), 'times')
report('winter.everything-to-plain', ratioOf(rounds.everything, rounds.plain), 'times')
report('winter.ageing-to-plain', ratioOf(rounds.ageing, rounds.plain), 'times')

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
/** After an edit that the run does not rest on. */
let tax = 0
report(
  'winter.again-30',
  time(15, () => {
    const priced = { ...design, budget: { ...design.budget, taxPct: tax++ % 20 } }
    summariseWinter(engine.run(priced, { years: YEARS, seed: 7 }), priced)
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

const alone = await onPool(1)
const lanes = Math.max(2, availableParallelism())
const together = await onPool(lanes)
report('winter.cold-years-one-worker', POOL_YEARS / alone, 'years/s')
report(`winter.cold-years-pool-of-${lanes}`, POOL_YEARS / together, 'years/s')
report('winter.pool-to-one', alone / together, 'times')
