import equal from 'fast-deep-equal'

export type Box = Record<string, unknown>
export const isBox = (value: unknown): value is Box => typeof value === 'object' && value !== null

/** What is entered and does not rule, by its place: the deepest parts in which two documents of one shape differ. */
export function waitingEntries(entered: unknown, document: unknown, path = ''): Map<string, unknown> {
  const found = new Map<string, unknown>()
  if (entered === document) return found
  const alike =
    isBox(entered) &&
    isBox(document) &&
    Array.isArray(entered) === Array.isArray(document) &&
    (!Array.isArray(entered) || entered.length === (document as unknown as unknown[]).length)
  if (!alike) {
    if (!equal(entered, document)) found.set(path, entered)
    return found
  }
  for (const key of new Set([...Object.keys(entered), ...Object.keys(document)]))
    for (const [place, value] of waitingEntries(entered[key], document[key], path === '' ? key : `${path}.${key}`))
      found.set(place, value)
  return found
}
