import equal from 'fast-deep-equal'

type Json = Record<string, unknown>
const isObject = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value)
const isListOfThings = (value: unknown): value is { id: string }[] =>
  Array.isArray(value) && value.every((item) => isObject(item) && typeof item.id === 'string')

/** Whether two documents say the same, whatever the order of their fields: a database keeps its own. */
export const sameDocument = (a: unknown, b: unknown): boolean => equal(a, b)

/**
 * Two changes of one value brought together: what only one side changed is taken from it; where both did, mine stands.
 * Things of a list are told apart by their id.
 *
 * @param base what both sides began with
 */
export function merged<T>(base: T, mine: T, theirs: T): T {
  if (equal(theirs, base) || equal(mine, theirs)) return mine
  if (equal(mine, base)) return theirs
  if (isObject(base) && isObject(mine) && isObject(theirs)) return mergedObjects(base, mine, theirs) as T
  if (isListOfThings(base) && isListOfThings(mine) && isListOfThings(theirs))
    return mergedLists(base, mine, theirs) as T
  return mine
}

function mergedObjects(base: Json, mine: Json, theirs: Json): Json {
  const keys = new Set([...Object.keys(mine), ...Object.keys(theirs)])
  const entries = [...keys].map((key) => [key, merged(base[key], mine[key], theirs[key])] as const)
  return Object.fromEntries(entries.filter(([, value]) => value !== undefined))
}

function mergedLists(base: { id: string }[], mine: { id: string }[], theirs: { id: string }[]): { id: string }[] {
  const byId = (list: { id: string }[]) => new Map(list.map((item) => [item.id, item]))
  const [before, here, there] = [byId(base), byId(mine), byId(theirs)]
  const kept = mine.flatMap((item) => {
    const was = before.get(item.id)
    const other = there.get(item.id)
    if (!was) return [item]
    if (!other) return equal(item, was) ? [] : [item]
    return [merged(was, item, other)]
  })
  const added = theirs.filter(({ id }) => !here.has(id) && !before.has(id))
  const changedThere = theirs.filter(
    ({ id }) => !here.has(id) && before.has(id) && !equal(before.get(id), there.get(id)),
  )
  return [...kept, ...changedThere, ...added]
}
