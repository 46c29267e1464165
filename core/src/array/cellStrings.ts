import type { ArrayField } from '../document/types.ts'
import { isHalfCut } from './singleDiode.ts'

/** Diode-bypassed cell strings of a module, side by side across its short side. */
const BYPASSED = 3

/**
 * Cell strings of a module one above the other on the slope: its three bypassed ones where it lies across, the two halves
 * of a half-cut one where it stands up, else one. Snow or shade on part of a string takes all of it.
 *
 * Source: Marion et al. (2013), loss in steps of cell strings; three bypass diodes as usual.
 * @example cellStringsUp({ ...larkspurBench().arrays[0], orientation: 'landscape' }) → 3
 */
export const cellStringsUp = ({ orientation, module }: Pick<ArrayField, 'orientation' | 'module'>): number =>
  orientation === 'landscape' ? BYPASSED : isHalfCut(module) ? 2 : 1
