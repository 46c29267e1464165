import { nextTick, shallowRef } from 'vue'
import { tellAbsent } from './help.ts'

/** The place that is being looked for: a fold that holds it opens. */
export const sought = shallowRef('')

/** How often, and how long apart, a field is looked for that its step may still be drawing. */
const TRIES = 30
const PAUSE_MS = 50
const ENTRY = 'input, select, textarea, button'

/**
 * Brings the field of a place into sight, out of the fold it lies in, and puts the focus there. A design that does not ask
 * for it as it stands is told of it in the field's help.
 */
export async function reveal(path: string): Promise<void> {
  sought.value = path
  for (let tried = 0; tried < TRIES; tried++) {
    await nextTick()
    const field = document.querySelector<HTMLElement>(`[data-path="${CSS.escape(path)}"]`)
    if (field) {
      sought.value = ''
      field.scrollIntoView({ block: 'center' })
      const entry = field.matches(ENTRY) ? field : field.querySelector<HTMLElement>(ENTRY)
      entry?.focus({ preventScroll: true })
      return
    }
    await new Promise((resolve) => setTimeout(resolve, PAUSE_MS))
  }
  sought.value = ''
  const head = document.querySelector<HTMLElement>('[data-bench] h1')
  if (head) tellAbsent(path, head)
}
