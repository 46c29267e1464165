import { derive } from '../derive/derive.ts'
import type { Design } from '../document/types.ts'
import { findingsOf, worstFirst } from '../rules/registry.ts'
import type { Finding, Step } from '../rules/rule.ts'
import { joined, say, type Words } from '../units/words.ts'

/** Steps whose findings tell one choice of hardware from another. */
const HARDWARE: ReadonlySet<Step> = new Set(['bank', 'array', 'inverter', 'generator', 'wiring'])
/** So many choices are held against the rules at most; they come best first. */
const MOST_TRIED = 16

/** So many of the best are told: the one that is suggested, and those that are run where it leaves something dark. */
const MOST_TOLD = 3

/** What the rules have against a design's hardware, worst first. */
export const faultsOf = (design: Design): Fault[] => worstFirst([...eachFault(design)])
type Fault = Omit<Finding, 'remedy'>

/** One after the other, those of the wiring last: it is much of the work, and not done before it is asked for. */
function* eachFault(design: Design): Generator<Fault> {
  for (const finding of findingsOf(HARDWARE, { design, derived: derive(design), winter: null }))
    if (finding.level === 'stop' || finding.level === 'watch') yield finding
}

/** A design that could be suggested, with what the rules have against it. */
export interface Tried<T> {
  choice: T
  design: Design
  faults: Fault[]
}

const stopsOf = (faults: readonly Fault[]) => faults.filter(({ level }) => level === 'stop').length
/** Fewest stops first, then fewest of all. */
const byFaults = (a: readonly Fault[], b: readonly Fault[]) => stopsOf(a) - stopsOf(b) || a.length - b.length

/**
 * The best of choices by what all rules have against them: fewest stops first, then fewest watches, then as they came.
 *
 * @param choices best first; no more than {@link MOST_TRIED} are looked at, and none after one that nothing is against
 * @returns at most {@link MOST_TOLD}, the best first; one that they are all better than is looked at no further than it
 * takes to know that
 */
export function leastFaults<T>(choices: Iterable<T>, designOf: (choice: T) => Design): Tried<T>[] {
  const best: Tried<T>[] = []
  let tried = 0
  for (const choice of choices) {
    const design = designOf(choice)
    const faults: Fault[] = []
    const toBeat = best.length === MOST_TOLD ? best[MOST_TOLD - 1].faults : null
    const isBeaten = () => toBeat !== null && byFaults(faults, toBeat) >= 0
    for (const fault of eachFault(design)) {
      faults.push(fault)
      if (isBeaten()) break
    }
    if (!isBeaten()) {
      const after = best.findIndex((each) => byFaults(faults, each.faults) < 0)
      best.splice(after < 0 ? best.length : after, 0, { choice, design, faults: worstFirst(faults) })
      best.length = Math.min(best.length, MOST_TOLD)
    }
    tried++
    if (faults.length === 0 || tried >= MOST_TRIED) break
  }
  return best
}

const keyOf = ({ id, subject }: Fault) => `${id} ${subject}`

/** What a suggestion brings that nothing on the shelf avoids, in a sentence; nothing where it brings nothing new. */
export function stillToWatch(before: Design, { faults }: Tried<unknown>): Words[] {
  const old = new Set(faultsOf(before).map(keyOf))
  const fresh = faults.filter((finding) => !old.has(keyOf(finding)))
  return fresh.length === 0
    ? []
    : [
        say`To look at, avoided by no neighbour: ${joined(
          fresh.map(({ says }) => says),
          ' ',
        )}`,
      ]
}
