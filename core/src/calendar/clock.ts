/** Legal clocks stray from the sun by no more than this, hours. */
export const MOST_FROM_SUN_H = 2.5
