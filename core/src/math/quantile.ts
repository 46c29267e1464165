/**
 * Quantile of values in rising order, linear between ranks (Hyndman & Fan 1996, type 7).
 * @param sorted at least one value
 * @param share 0…1
 */
export function quantile(sorted: ArrayLike<number>, share: number): number {
  const at = (sorted.length - 1) * share
  const below = Math.floor(at)
  const above = Math.min(below + 1, sorted.length - 1)
  return sorted[below] + (at - below) * (sorted[above] - sorted[below])
}
