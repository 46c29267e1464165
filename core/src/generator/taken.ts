import type { Design, GeneratorOutput } from '../document/types.ts'
import { acrossVolts, legVolts, serviceOf, type Service } from '../inverter/service.ts'

/** What an outlet leaves of a set's power at the input of inverters that give a service. */
const TAKEN: Record<GeneratorOutput, Record<Service, number>> = {
  unknown: { 'split-phase': 1, 'single-120': 1, 'single-230': 1, 'three-phase': 1 },
  single: { 'split-phase': 0, 'single-120': 1, 'single-230': 1, 'three-phase': 0 },
  // on 120 V one of its two windings works
  split: { 'split-phase': 1, 'single-120': 1 / 2, 'single-230': 1, 'three-phase': 0 },
  'three-phase': { 'split-phase': 0, 'single-120': 1 / 3, 'single-230': 1 / 3, 'three-phase': 1 },
}

/**
 * Whether a set that runs through the inverter is known to make another frequency than it. A charger of its own takes
 * either; a transformer changes none.
 */
export const isOfOtherHz = ({ generator, inverter }: Pick<Design, 'generator' | 'inverter'>): boolean =>
  generator.kind === 'generator' &&
  generator.charger !== 'separate' &&
  generator.part.frequencyHz !== 'unknown' &&
  generator.part.frequencyHz !== inverter.part.frequencyHz

/** So far from its own volts an inverter still takes a cord: 208 V of two phases for 240 V. */
const CORD_BAND = 0.15

/**
 * Share of its power that a backup can bring to the inverter's input: 0 where the inverter does not take what it gives.
 * One that charges the bank by a charger of its own, or that is brought to what the inverter takes, brings all.
 * @returns 0…1
 * Source: inverters pass another source on as it is, so its live wires must be those of the house; the windings of a set
 * share its rating between them.
 * @example takenShare({ generator: { kind: 'shore', cordV: 120, charger: 'inverter', adapted: false, part: { output:
 * 'unknown' } }, inverter: { part: { topology: 'split-phase' }, stacking: 'parallel' } }) → 0
 */
export function takenShare({ generator, inverter }: Pick<Design, 'generator' | 'inverter'>): number {
  const { kind, charger, adapted, cordV, part } = generator
  if (kind === 'vehicle' || charger === 'separate' || adapted) return 1
  if (kind === 'generator') return isOfOtherHz({ generator, inverter }) ? 0 : TAKEN[part.output][serviceOf(inverter)]
  return isNear(cordV, acrossVolts(inverter)) ? 1 : 0
}

const isNear = (givenV: number, takenV: number): boolean => Math.abs(givenV / takenV - 1) <= CORD_BAND

/**
 * Whether there is a grid, and its volts are those of the inverter's input. Three phases are named by either of their
 * voltages: between two, or from one to neutral.
 */
export function gridIsTaken({ grid, inverter }: Pick<Design, 'grid' | 'inverter'>): boolean {
  if (!grid.present) return false
  const byLeg = serviceOf(inverter) === 'three-phase' && isNear(grid.breakerV, legVolts(inverter))
  return byLeg || isNear(grid.breakerV, acrossVolts(inverter))
}

/** Whether there is a backup, and the inverter takes what it gives. */
export const isTaken = (design: Pick<Design, 'generator' | 'inverter'>): boolean =>
  design.generator.present && takenShare(design) > 0

/** Whether the inverter takes all that the backup gives without anything that brings it to what the inverter takes. */
export const fitsAsItIs = ({ generator, inverter }: Pick<Design, 'generator' | 'inverter'>): boolean =>
  takenShare({ inverter, generator: { ...generator, adapted: false } }) === 1

/** What the backup gives and what the inverter takes: the same while neither is another. */
const supplyOf = ({ generator: { kind, cordV, part }, inverter }: Design): string =>
  JSON.stringify([
    kind,
    kind === 'shore' ? cordV : [part.output, part.frequencyHz],
    serviceOf(inverter),
    inverter.part.frequencyHz,
  ])

/**
 * A design after a change. Where something else comes in than before, or something else is taken, whether it is brought to
 * that is for somebody to look at anew.
 */
export const fittedAnew = (before: Design, after: Design): Design =>
  after.generator.adapted && supplyOf(after) !== supplyOf(before)
    ? { ...after, generator: { ...after.generator, adapted: false } }
    : after
