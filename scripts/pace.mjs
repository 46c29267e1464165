import { existsSync, readFileSync } from 'node:fs'

const EVERY_MS = 1000
const WARM_UP = 50
/** The quickest looks are those in which nobody else has the processor; of a few of them the clock is not to be trusted. */
const BEST = 1 / 50

const TEXT = JSON.stringify(
  Array.from({ length: 2000 }, (_, at) => ({ at, name: `row ${at % 97}`, isKept: at % 3 === 0 })),
)
/**
 * Processor time that a fixed piece of work takes, ms. Half of it goes through memory and takes twice as long while there
 * is a neighbour; of the other half each step waits for the one before, which is hardly longer then. Together it was found
 * to take 1.3 to 1.8 times as long, and what tests are made of 1.6 to 2.0 times: what is said of a quiet machine is an
 * estimate, more often too long than too short.
 */
function work() {
  const before = process.cpuUsage()
  let x = JSON.parse(TEXT).length
  for (let i = 0; i < 14_000; i++) x = Math.sin(x + i)
  const { user, system } = process.cpuUsage(before)
  return Number.isFinite(x) ? (user + system) / 1000 : Number.NaN
}
/** The first of two makes its way into the processor's stores again, from which other work has put it. */
const look = () => Math.min(work(), work())

/** Of what the processors had to do since the machine was begun: what they did, and the time they were taken by other machines. */
function spent() {
  const path = '/proc/stat'
  if (!existsSync(path)) return { done: 0, stolen: 0 }
  // user, nice, system, idle, iowait, irq, softirq, steal
  const [user, nice, system, , , irq, softirq, stolen] = readFileSync(path, 'utf8').match(/\d+/g).map(Number)
  return { done: user + nice + system + irq + softirq, stolen }
}

/**
 * How fast the processors were while something else ran, against a machine of the same kind that has nothing else to do:
 * where a machine is shared, its processors are at times taken away, and slower by half while a neighbour works on the
 * other side of the same core, and a time taken on it says little by itself.
 */
export class Pace {
  looks = []
  #before = spent()
  #timer

  constructor() {
    for (let i = 0; i < WARM_UP; i++) look()
    this.#timer = setInterval(() => this.looks.push(look()), EVERY_MS)
  }

  /** @returns share of the speed of a quiet machine, 0…1; 1 where there was no time to look */
  end() {
    clearInterval(this.#timer)
    const now = spent()
    return ofQuiet(this.looks, now.done - this.#before.done, now.stolen - this.#before.stolen)
  }
}

/**
 * @param looks processor time of the same work, ms, taken at equal distances
 * @param done processor time that was had meanwhile, any unit
 * @param stolen processor time that was asked for and not had, the same unit
 */
export function ofQuiet(looks, done, stolen) {
  if (looks.length === 0) return 1
  const best = looks.toSorted((a, b) => a - b)[Math.floor(looks.length * BEST)]
  const speed = looks.reduce((sum, each) => sum + Math.min(1, best / each), 0) / looks.length
  return stolen > 0 ? (speed * done) / (done + stolen) : speed
}
