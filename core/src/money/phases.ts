import type { BudgetPhase, Design, PricedItem } from '../document/types.ts'
import { systemOf } from '../system/systemOf.ts'
import { partsOf, pricedLines } from './parts.ts'

/** A time of buying: what is bought now, and each that follows. */
export type Phase = BudgetPhase

const NOW = 'now'
/** What comes later has a phase although nobody has named one. */
const LATER: Phase = { id: 'later', name: 'Later', buyOn: null }

/** The times of buying, in order: now, then each phase; one more where something comes later and none is named. */
export function phasesOf({ budget }: Pick<Design, 'budget'>): Phase[] {
  const { phases, priced, buyOn } = budget
  const now: Phase = { id: NOW, name: 'Now', buyOn }
  if (phases.length > 0) return [now, ...phases]
  return priced.some(({ status }) => status === 'later') ? [now, LATER] : [now]
}

/** In which of {@link phasesOf} a line comes that is put off, from 1. */
const phaseOf = ({ budget }: Pick<Design, 'budget'>, { phase }: Pick<PricedItem, 'phase'>): number =>
  Math.max(
    0,
    budget.phases.findIndex(({ id }) => id === phase),
  ) + 1

/** Of a line that is to be bought, how many come in which later phase. */
export interface PutOff {
  count: number
  phase: number
}

/**
 * How many of a line come later, and when.
 * @param toBuy how many of it are not there yet
 */
export function putOff(design: Pick<Design, 'budget'>, item: PricedItem | undefined, toBuy: number): PutOff {
  if (item?.status !== 'later') return { count: 0, phase: 0 }
  return { count: Math.min(toBuy, item.laterCount ?? toBuy), phase: phaseOf(design, item) }
}

/**
 * A design as it stands once a phase is bought: what comes later is left out, whole strings at a time, and what hangs on a
 * controller that comes later with it.
 *
 * @param phase 0 for what is bought now
 * @returns null where bank or inverter come later, so that there is no system yet
 */
export function atPhase(design: Design, phase: number): Design | null {
  const { design: standing, runs } = standingAt(design, phase)
  return runs ? standing : null
}

/**
 * What of a design stands once a phase is bought, whether it runs or not: of a bank or inverters that all come later one
 * string and one are kept, so that what else is there has its wires to them.
 */
export function standingAt(design: Design, phase: number): { design: Design; runs: boolean } {
  const items = pricedLines(design)
  const kitOf = new Map(
    design.budget.kits.flatMap(({ id, of }) => of.map((item) => [item.key, { ...item, id }] as const)),
  )
  const isLater = ({ phase: when }: PutOff) => when > phase
  const missing = new Map(
    partsOf(design).map(({ key, quantity, owned }) => {
      const kit = kitOf.get(key)
      const inKit = Math.min(kit?.quantity ?? 0, quantity - owned)
      const own = putOff(design, items.get(key), quantity - owned - inKit)
      const kits = putOff(design, kit && items.get(kit.id), 1)
      return [key, (isLater(own) ? own.count : 0) + (isLater(kits) ? inKit : 0)]
    }),
  )
  const without = (key: string) => missing.get(key) ?? 0
  if ([...missing.values()].every((count) => count === 0)) return { design, runs: true }
  const { bank, inverter, generator } = design
  const strings = (of: { inSeries: number; inParallel: number }, less: number) =>
    Math.floor((of.inSeries * of.inParallel - less) / of.inSeries)
  const bankStrings = strings(bank, without('bank'))
  const inverters = inverter.quantity - without('inverter')
  const controllers = design.controllers.filter(({ id }) => without(id) === 0)
  const there = new Set(controllers.map(({ id }) => id))
  const arrays = design.arrays.flatMap((array) => {
    const inParallel = strings(array, without(array.id))
    if (inParallel < 1 || (array.controllerId !== '' && !there.has(array.controllerId))) return []
    return [inParallel === array.inParallel ? array : { ...array, inParallel }]
  })
  const kept = Math.max(1, bankStrings)
  const next: Design = {
    ...design,
    bank:
      kept === bank.inParallel
        ? bank
        : {
            ...bank,
            inParallel: kept,
            order: [],
            weak: bank.weak.filter(({ unit }) => unit <= bank.inSeries * kept),
          },
    arrays,
    controllers,
    inverter: { ...inverter, quantity: Math.max(1, inverters) },
    generator: without('generator') > 0 ? { ...generator, present: false } : generator,
    sources: design.sources.filter(({ id }) => without(id) === 0),
    pumps: design.pumps.filter(({ id }) => without(id) === 0),
  }
  const circuits = new Set(systemOf(next).circuits.map(({ id }) => id))
  return {
    design: { ...next, circuits: next.circuits.filter(({ id }) => circuits.has(id)) },
    runs: bankStrings >= 1 && inverters >= 1,
  }
}
