import type { ArrayField, Design, ModulePart } from '../document/types.ts'
import { trackerOf } from './controllers.ts'

/** Short-circuit current by which conductors and fuses are chosen, as a multiple of Isc: bright edges of clouds. Source: NEC 690.8(A). */
export const BRIGHT = 1.25

type OnTrackers = Pick<Design, 'arrays' | 'controllers'>

/**
 * Current that the other strings on its tracker, of whatever array, would send into a short of one string of an array, A.
 *
 * Source: NEC 690.9(A); strings on trackers of their own cannot feed each other.
 * @example fedByOthersA(larkspurBench(), larkspurBench().arrays[0]) → 17.48
 */
export const fedByOthersA = (design: OnTrackers, array: ArrayField): number =>
  design.arrays
    .filter(
      (other) => other.controllerId === array.controllerId && trackerOf(design, other) === trackerOf(design, array),
    )
    .reduce((sum, { inParallel, module }) => sum + inParallel * BRIGHT * module.iscA, -BRIGHT * array.module.iscA)

/** Whether a short in one of its strings would be fed more than its modules stand. */
export const needsStringFuses = (design: OnTrackers, array: ArrayField): boolean =>
  fedByOthersA(design, array) > array.module.seriesFuseA

/** The same of so many equal strings on one tracker. */
export const stringsNeedFuses = (module: Pick<ModulePart, 'iscA' | 'seriesFuseA'>, strings: number): boolean =>
  (strings - 1) * BRIGHT * module.iscA > module.seriesFuseA
