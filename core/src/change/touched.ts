import type { Design, Touched } from '../document/types.ts'
import type { Change } from './change.ts'

export type TouchedStep = keyof Touched

/** The step that each part of a document belongs to; what is not here belongs to none, or to those that are not gone through. */
const STEP_OF: Partial<Record<keyof Design, TouchedStep>> = {
  place: 'place',
  loads: 'loads',
  household: 'loads',
  pumps: 'loads',
  bank: 'bank',
  arrays: 'array',
  controllers: 'array',
  inverter: 'inverter',
  generator: 'generator',
  grid: 'generator',
  sources: 'generator',
  circuits: 'wiring',
  wall: 'wiring',
  house: 'wiring',
}
/** What is told of a design rather than designed. */
const TOLD = new Set<keyof Design>(['name', 'variant', 'notes', 'touched', 'build', 'winter', 'budget', 'cautionsRead'])

/** Somebody has been through these steps. */
export const touch =
  (steps: readonly TouchedStep[]): Change =>
  (design) =>
    steps.every((step) => design.touched[step])
      ? design
      : { ...design, touched: { ...design.touched, ...Object.fromEntries(steps.map((step) => [step, true])) } }

/**
 * The steps that an edit has gone through: the one it was made in, where it changed anything of it; else those whose parts it
 * changed, as a remedy may that is taken from another step.
 *
 * @param at the step it was made in; null for all that it changed, as a suggestion of several steps
 */
export function stepsTouched(before: Design, after: Design, at: string | null): TouchedStep[] {
  // an edit shares what it leaves alone; a suggestion comes from a worker, as a copy of everything
  const differs = (key: keyof Design) =>
    after[key] !== before[key] && (at !== null || JSON.stringify(after[key]) !== JSON.stringify(before[key]))
  const changed = (Object.keys(after) as (keyof Design)[]).filter((key) => !TOLD.has(key) && differs(key))
  const steps = [...new Set(changed.flatMap((key) => STEP_OF[key] ?? []))]
  const isStep = at !== null && Object.hasOwn(after.touched, at)
  if (isStep && (steps.includes(at as TouchedStep) || (steps.length === 0 && changed.length > 0)))
    return [at as TouchedStep]
  return steps
}
