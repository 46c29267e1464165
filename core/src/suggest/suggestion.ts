import type { Design } from '../document/types.ts'
import { type Words } from '../units/words.ts'

/** A step filled from the steps before it, with the reasons for each choice. */
export interface Suggestion {
  design: Design
  reasons: Words[]
  /** a few other designs that stood against the rules next best, to be run where this one leaves something dark */
  others?: Design[]
}
