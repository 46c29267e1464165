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
