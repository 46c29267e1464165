import { produce } from 'immer'
import type { Change, Design } from '@ambrel/core'

/** A change written out for a test, on a draft. */
export const byHand =
  (make: (draft: Design) => unknown): Change =>
  (design) =>
    produce(design, (draft: Design) => {
      make(draft)
    })
