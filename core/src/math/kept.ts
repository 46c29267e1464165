/**
 * Remembers the last results of work that is asked for again and again.
 *
 * @param most how many are kept; the one made first goes first, ≥ 1
 * @returns what is kept under a key, made where it is not
 * @example kept(2)('a', () => 1) → 1
 */
export function kept<T>(most: number): (key: string, make: () => T) => T {
  const known = new Map<string, T>()
  return (key, make) => {
    if (known.has(key)) return known.get(key)!
    const made = make()
    if (known.size >= most) known.delete(known.keys().next().value!)
    known.set(key, made)
    return made
  }
}

/**
 * Remembers what was made of an object, as long as none of its own fields has another value.
 *
 * @param make of the object alone
 */
export function keptOf<T extends object, R>(make: (of: T) => R): (of: T) => R {
  const known = new WeakMap<T, { fields: T; made: R }>()
  return (of) => {
    const before = known.get(of)
    if (before && sameFields(before.fields, of)) return before.made
    const made = make(of)
    known.set(of, { fields: { ...of }, made })
    return made
  }
}

function sameFields<T extends object>(a: T, b: T): boolean {
  for (const key in b) if (a[key] !== b[key]) return false
  return true
}
