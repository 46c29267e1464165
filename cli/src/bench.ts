import { derive, larkspurBench, summariseWinter, WinterEngine } from '@ambrel/core'

/** Prints how fast the core is: the median of several rounds after warming up, and ratios to a plain loop. */
const json = process.argv.includes('--json')

function report(name: string, value: number, unit: string): void {
  const rounded = Number(value.toPrecision(4))
  console.log(json ? JSON.stringify({ name, value: rounded, unit }) : `${name.padEnd(28)} ${rounded} ${unit}`)
}

/** Median milliseconds of a task. */
function time(rounds: number, task: () => void): number {
  const times = Array.from({ length: rounds }, () => {
    const began = performance.now()
    task()
    return performance.now() - began
  }).sort((a, b) => a - b)
  return times[rounds >> 1]
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
time(5, loop)
const loopMs = time(9, loop)
report('winter.loop', (loopMs * 1e6) / (YEARS * HOURS), 'ns/step')
report('winter.years', YEARS / (loopMs / 1000), 'years/s')

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
