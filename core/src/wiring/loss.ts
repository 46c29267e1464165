/** What of the energy's loss a wire has, of its drop at full power: the square mean of a year's power over its mean. */
const SQUARE_MEAN = 0.65
/** More than this nobody lays: a line as bad is told as a finding. */
const MOST_LOSS = 0.5

/** Share of a year's energy that a circuit from the sun loses, 0…0.5. @param dropPct at full power, % */
export const wireLossShare = (dropPct: number): number => Math.min(MOST_LOSS, (dropPct * SQUARE_MEAN) / 100)
