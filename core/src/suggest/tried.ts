import { derive } from '../derive/derive.ts'
import type { Design } from '../document/types.ts'
import { findingsOf } from '../rules/registry.ts'
import type { Finding, Step } from '../rules/rule.ts'
import { joined, say, type Words } from '../units/words.ts'

/** Steps whose findings tell one choice of hardware from another. */
const HARDWARE: ReadonlySet<Step> = new Set(['bank', 'array', 'inverter', 'generator', 'wiring'])
/** So many choices are held against the rules at most; they come best first. */
const MOST_TRIED = 16

/** What the rules have against a design's hardware. */
export const faultsOf = (design: Design): Fault[] =>
  findingsOf(HARDWARE, { design, derived: derive(design), winter: null }).filter(
    ({ level }) => level === 'stop' || level === 'watch',
  )
type Fault = Omit<Finding, 'remedy'>

/** A design that could be suggested, with what the rules have against it. */
export interface Tried<T> {
  choice: T
  design: Design
  faults: Fault[]
}

const stopsOf = ({ faults }: Tried<unknown>) => faults.filter(({ level }) => level === 'stop').length

/**
 * Choices held against all rules: fewest stops first, then fewest watches, then as they came.
 *
 * @param choices best first; no more than {@link MOST_TRIED} are looked at, and none after one that nothing is against
 */
export function leastFaults<T>(choices: Iterable<T>, designOf: (choice: T) => Design): Tried<T>[] {
  const tried: Tried<T>[] = []
  for (const choice of choices) {
    const design = designOf(choice)
    const faults = faultsOf(design)
    tried.push({ choice, design, faults })
    if (faults.length === 0 || tried.length >= MOST_TRIED) break
  }
  return tried.sort((a, b) => stopsOf(a) - stopsOf(b) || a.faults.length - b.faults.length)
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
