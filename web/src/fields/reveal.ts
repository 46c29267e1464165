/** How often, and how long apart, a field is looked for that its step may still be drawing. */
const TRIES = 40
const PAUSE_MS = 50

const find = (path: string) => document.querySelector<HTMLElement>(`[data-path="${CSS.escape(path)}"]`)

/** Brings the field of a place into sight, unfolding what it lies in, and puts the focus there. */
export async function reveal(path: string): Promise<boolean> {
  for (let tried = 0; tried < TRIES; tried++) {
    const field = find(path)
    if (field) {
      for (let fold = field.closest('details'); fold; fold = fold.parentElement?.closest('details') ?? null)
        fold.open = true
      field.scrollIntoView({ block: 'center' })
      field.focus({ preventScroll: true })
      return true
    }
    await new Promise((resolve) => setTimeout(resolve, PAUSE_MS))
  }
  return false
}
