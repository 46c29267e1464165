import { COUNTS } from '../fields/limits.ts'
import type { CircuitChoice, Design } from '../document/types.ts'
import { choiceOf, workedCircuits } from '../system/work.ts'
import { systemOf } from '../system/systemOf.ts'
import type { Change } from './change.ts'

/** Something chosen about a circuit; the rest of it stays as it is usual. Nothing where there is none, or its unit brings it along. */
export const setCircuit =
  (id: string, changes: Partial<Omit<CircuitChoice, 'id'>>): Change =>
  (design) => {
    const there = design.circuits.find((choice) => choice.id === id)
    if (there)
      return { ...design, circuits: design.circuits.map((each) => (each === there ? { ...each, ...changes } : each)) }
    const circuit = systemOf(design).circuits.find((each) => each.id === id)
    if (!circuit || circuit.within || design.circuits.length >= COUNTS.circuits) return design
    return { ...design, circuits: [...design.circuits, { ...choiceOf(design, circuit), ...changes }] }
  }

/** Choices about circuits that are no longer there dropped, lest something new of the same key takes them over. */
export const prunedCircuits: Change = (design) => {
  const there = new Set(systemOf(design).circuits.map(({ id }) => id))
  const circuits = design.circuits.filter(({ id }) => there.has(id))
  return circuits.length === design.circuits.length ? design : { ...design, circuits }
}

/** Parts of a document that circuits are made of. */
const SHAPING = [
  'place',
  'loads',
  'bank',
  'arrays',
  'controllers',
  'inverter',
  'generator',
  'grid',
  'sources',
  'growth',
  'house',
  'schools',
] as const
/** What of a choice follows what is usual until somebody chooses it. */
const FOLLOWS = ['laid', 'ambientC', 'conductors', 'allowedDropPct', 'insulationC', 'terminalC'] as const

/**
 * What nobody chose about a circuit goes on being what is usual for it, when an edit elsewhere changes that: strings that
 * come home each on a line of their own lie together, an array that moves to a roof is no longer buried.
 * @param before the edit
 */
export const followUsual =
  (before: Design): Change =>
  (design) => {
    if (design.circuits.length === 0 || SHAPING.every((key) => design[key] === before[key])) return design
    const was = new Map(systemOf(before).circuits.map(({ id, usual }) => [id, usual]))
    const is = new Map(systemOf(design).circuits.map(({ id, usual }) => [id, usual]))
    let follows = false
    const circuits = design.circuits.map((choice) => {
      const [old, now] = [was.get(choice.id), is.get(choice.id)]
      if (!old || !now || !before.circuits.some(({ id }) => id === choice.id)) return choice
      const changes = FOLLOWS.filter((key) => choice[key] === old[key] && old[key] !== now[key])
      if (changes.length === 0) return choice
      follows = true
      return { ...choice, ...Object.fromEntries(changes.map((key) => [key, now[key]])) }
    })
    return follows ? { ...design, circuits } : design
  }

/** Everything about a circuit as it is usual again; what somebody measured stays. */
export const usualCircuit =
  (id: string): Change =>
  (design) => {
    const circuit = systemOf(design).circuits.find((each) => each.id === id)
    const { oneWayM = null } = design.circuits.find((each) => each.id === id) ?? {}
    const others = design.circuits.filter((each) => each.id !== id)
    return {
      ...design,
      circuits: circuit && oneWayM !== null ? [...others, { ...circuit.usual, oneWayM }] : others,
    }
  }

const thinnest = (design: Design, ids: ReadonlySet<string>): Design => ({
  ...design,
  circuits: design.circuits.map((choice) => (ids.has(choice.id) ? { ...choice, size: '', parallel: 1 } : choice)),
})

/** Conductors chosen by hand that no longer do, left to the program; the others as they are. */
export const settledCircuits: Change = (design) => {
  const own = new Set(design.circuits.filter(({ size, unused }) => size !== '' && !unused).map(({ id }) => id))
  if (own.size === 0) return design
  const system = systemOf(design)
  const chosen = { ...system, circuits: system.circuits.filter(({ id }) => own.has(id)) }
  const bad = workedCircuits(design, chosen).filter(({ sound }) => !sound)
  return bad.length > 0 ? thinnest(design, new Set(bad.map(({ circuit }) => circuit.id))) : design
}

/** Every conductor left to the program: the thinnest that does. */
export const thinnestCircuits: Change = (design) =>
  thinnest(design, new Set(design.circuits.filter(({ size }) => size !== '').map(({ id }) => id)))

/** Every line that nobody measured is as long as is usual. */
export const measuredCircuits: Change = (design) =>
  workedCircuits(design)
    .filter(({ unmeasured }) => unmeasured)
    .reduce<Design>((next, { circuit }) => setCircuit(circuit.id, { oneWayM: circuit.usual.oneWayM })(next), design)
