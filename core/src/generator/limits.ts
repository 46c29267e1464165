import { hourWithin } from '../calendar/clock.ts'
import type { Generator } from '../document/types.ts'

/** Quiet hours beyond these leave no time to run. */
export const MOST_QUIET_H = 20

/** A start above 13.2 V per 12 V would find even a full bank low: multiple of the bank's class. */
export const START_BELOW = 1.1

/** Length of the quiet hours, h; equal hours mean none. */
export const quietHours = ({ quietFromH, quietToH }: Pick<Generator, 'quietFromH' | 'quietToH'>): number =>
  (quietToH - quietFromH + 24) % 24

/** Whether an hour of the day, 0…23, lies in the quiet hours. */
export const hourIsQuiet = (
  { quietFromH, quietToH }: Pick<Generator, 'quietFromH' | 'quietToH'>,
  hour: number,
): boolean => hourWithin(hour, quietFromH, quietToH)
