/** Linear interpolation in a table of rising x; extended below by its first slope, held above its last value. */
export function interpolate(table: readonly (readonly [number, number])[], x: number): number {
  const last = table[table.length - 1]
  if (x >= last[0]) return last[1]
  let i = 1
  while (i < table.length - 1 && x > table[i][0]) i++
  const [x0, y0] = table[i - 1]
  const [x1, y1] = table[i]
  return y0 + ((x - x0) / (x1 - x0)) * (y1 - y0)
}

/**
 * Linear interpolation in a table of equal steps from 0 to 1, held at both ends; the table has one entry past its end.
 * @param share where to read it, 0…1
 */
export function tableAt(table: Float64Array, share: number): number {
  const steps = table.length - 2
  const place = share <= 0 ? 0 : share >= 1 ? steps : share * steps
  const below = place | 0
  return table[below] + (table[below + 1] - table[below]) * (place - below)
}
