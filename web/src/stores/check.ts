import { shallowRef } from 'vue'
import type { Checked, Ruling } from '@ambrel/contract/check'
import type { Design } from '@ambrel/core'

/** What says what is wrong with a document, and what of it rules nevertheless. */
export interface Check {
  checkDesign(value: unknown): Checked
  rulingOf(entered: Design, last: Design): Ruling
}

/** Once it is here. It brings a library of schemas with it, which a sound document does without. */
export const check = shallowRef<Check | null>(null)
let coming: Promise<Check> | null = null

/** Brings it in. What fails for want of a connection is tried anew when it is next asked for. */
export function loadCheck(): Promise<Check> {
  coming ??= bring().catch((error: unknown) => {
    coming = null
    throw error
  })
  return coming
}

async function bring(): Promise<Check> {
  const { checkDesign, rulingOf } = await import('@ambrel/contract/check')
  return (check.value = { checkDesign, rulingOf })
}
