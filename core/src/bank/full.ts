/** A bank counts as full from here on. */
export const FULL = 0.97

/** State of charge at which a bank counts as back where the grid keeps it. */
export const backAt = (keep: number): number => Math.min(keep, FULL) - 0.01
