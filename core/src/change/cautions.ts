import { COUNTS } from '../fields/limits.ts'
import type { Change } from './change.ts'

/** A caution that somebody has read, put away; or brought out again. */
export const setCautionRead =
  (id: string, read: boolean): Change =>
  (design) => {
    const others = design.cautionsRead.filter((each) => each !== id)
    if (!read) return { ...design, cautionsRead: others }
    return others.length < COUNTS.cautions ? { ...design, cautionsRead: [...others, id] } : design
  }
