import { nextTick, shallowRef } from 'vue'
import type { Step } from '@ambrel/core'
import { awaited } from '../drawing/useIdle.ts'
import { tellAbsent } from './help.ts'

/** The place that is being looked for: a fold that holds it opens. */
export const sought = shallowRef('')

/** How often, and how long apart, a field is looked for in a step that is drawn. */
const TRIES = 30
const PAUSE_MS = 50
/** How long a step is waited for that is still on its way. */
const PATIENCE_MS = 60_000
const ENTRY = 'input, select, textarea, button'

/**
 * Brings the field of a place of a step into sight, out of the fold it lies in, and puts the focus there. A step that is
 * still on its way is waited for, as long as it is the one that is open and nothing else is looked for. A design that does
 * not ask for the field as it stands is told of it in the field's help.
 */
export async function reveal(path: string, step: Step): Promise<void> {
  sought.value = path
  const until = Date.now() + PATIENCE_MS
  for (let tried = 0; tried < TRIES && Date.now() < until;) {
    await nextTick()
    const bench = document.querySelector<HTMLElement>(`[data-bench=${step}]`)
    if (sought.value !== path) return
    if (!bench) break
    const field = bench.querySelector<HTMLElement>(`[data-path="${CSS.escape(path)}"]`)
    if (field) {
      sought.value = ''
      field.scrollIntoView({ block: 'center' })
      const entry = field.matches(ENTRY) ? field : field.querySelector<HTMLElement>(ENTRY)
      entry?.focus({ preventScroll: true })
      return
    }
    // a step that is not whole yet may still bring it
    if (bench.querySelector('h1') && awaited.value === 0) tried++
    await new Promise((resolve) => setTimeout(resolve, PAUSE_MS))
  }
  sought.value = ''
  const head = document.querySelector<HTMLElement>(`[data-bench=${step}] h1`)
  if (head) tellAbsent(path, head)
}
