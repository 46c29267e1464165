const EVERY_MS = 5000
const WARM_UP = 10
/** The quickest looks are by chance: the one in twenty that is quicker than the rest is the best. */
const BEST = 1 / 20

/** Processor time that a fixed piece of work takes, ms: of the kind that checks and tests are made of. */
function look() {
  const before = process.cpuUsage()
  const rows = Array.from({ length: 60_000 }, (_, i) => ({ at: i, name: `row ${i % 97}` }))
  JSON.stringify(rows.sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0)))
  const { user, system } = process.cpuUsage(before)
  return (user + system) / 1000
}

/**
 * How fast the processors were while something else ran, against their own best in that time: those of a machine that
 * is shared change their speed, and a time taken on it says little by itself.
 */
export class Pace {
  looks = []
  #timer

  constructor() {
    for (let i = 0; i < WARM_UP; i++) look()
    this.#timer = setInterval(() => this.looks.push(look()), EVERY_MS)
  }

  /** @returns share of their best speed, 0…1; 1 where there was no time to look */
  end() {
    clearInterval(this.#timer)
    if (this.looks.length === 0) return 1
    const best = this.looks.toSorted((a, b) => a - b)[Math.floor(this.looks.length * BEST)]
    return this.looks.reduce((sum, each) => sum + Math.min(1, best / each), 0) / this.looks.length
  }
}
