import type { Design } from '../document/types.ts'

/**
 * How a design becomes another. Views, suggestions, remedies and what is tried next change a design by these and in no
 * other way. A change leaves what it is given alone, and makes of a valid design a valid one.
 */
export type Change = (design: Design) => Design

/** Several changes as one, the first first. */
export const inOrder =
  (...changes: readonly Change[]): Change =>
  (design) =>
    changes.reduce((now, change) => change(now), design)
