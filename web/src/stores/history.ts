/** Undo and redo over whole documents: documents are small and never changed in place, so a step is a reference. */
export interface Step<T> {
  document: T
  label: string
}

export interface History<T> {
  past: Step<T>[]
  future: Step<T>[]
  /** edits of one thing within a moment are one step */
  mergeKey: string
  at: number
}

const STEPS_KEPT = 200
const MERGE_MS = 900

export function emptyHistory<T>(): History<T> {
  return { past: [], future: [], mergeKey: '', at: 0 }
}

/** Notes that `before` was left by an edit called `label`. */
export function record<T>(history: History<T>, before: T, label: string, mergeKey: string, now: number): void {
  const merges = mergeKey !== '' && mergeKey === history.mergeKey && now - history.at < MERGE_MS
  if (!merges) history.past = [...history.past, { document: before, label }].slice(-STEPS_KEPT)
  history.future = []
  history.mergeKey = mergeKey
  history.at = now
}

/** Takes one step back. @returns the document to show, or null at the beginning */
export function stepBack<T>(history: History<T>, present: T): Step<T> | null {
  const step = history.past.at(-1)
  if (!step) return null
  history.past = history.past.slice(0, -1)
  history.future = [...history.future, { document: present, label: step.label }]
  history.mergeKey = ''
  return step
}

/** Takes one step forward again. */
export function stepForward<T>(history: History<T>, present: T): Step<T> | null {
  const step = history.future.at(-1)
  if (!step) return null
  history.future = history.future.slice(0, -1)
  history.past = [...history.past, { document: present, label: step.label }]
  history.mergeKey = ''
  return step
}
