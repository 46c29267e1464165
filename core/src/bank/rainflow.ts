/** Cycles of one range and mean in a series: whole ones count 1, half ones ½. */
export interface RainflowCycle {
  range: number
  mean: number
  count: number
}

/**
 * Rainflow cycles of a series, each as it is closed, half cycles of what remains at the end.
 *
 * @param series at least two values; only its turning points matter
 * @throws RangeError for fewer than two values, or one that is no number
 * Source: ASTM E1049-85, section 5.4.4 (three-point method).
 * @example rainflow([-2, 1, -3, 5, -1, 3, -4, 4, -2]).filter(({ count }) => count === 1) → [{ range: 4, mean: 1,
 * count: 1 }]
 */
export function rainflow(series: ArrayLike<number>): RainflowCycle[] {
  if (series.length < 2) throw new RangeError(`series has ${series.length} values; at least 2`)
  const cycles: RainflowCycle[] = []
  const stack: number[] = []
  const close = (a: number, b: number, count: number) =>
    cycles.push({ range: Math.abs(a - b), mean: (a + b) / 2, count })
  for (const point of turningPoints(series)) {
    stack.push(point)
    while (stack.length >= 3) {
      const x = Math.abs(stack[stack.length - 1] - stack[stack.length - 2])
      const y = Math.abs(stack[stack.length - 2] - stack[stack.length - 3])
      if (x < y) break
      if (stack.length === 3) {
        close(stack[0], stack[1], 0.5)
        stack.shift()
      } else {
        close(stack[stack.length - 3], stack[stack.length - 2], 1)
        stack.splice(stack.length - 3, 2)
      }
    }
  }
  for (let i = 0; i + 1 < stack.length; i++) close(stack[i], stack[i + 1], 0.5)
  return cycles
}

/** The values at which a series turns, its first and last with them. */
function turningPoints(series: ArrayLike<number>): number[] {
  const points: number[] = []
  for (let i = 0; i < series.length; i++) {
    const value = series[i]
    if (!Number.isFinite(value)) throw new RangeError(`series.${i} ${value} must be a finite number`)
    const n = points.length
    if (n > 0 && value === points[n - 1]) continue
    if (n >= 2 && points[n - 1] > points[n - 2] === value > points[n - 1]) points[n - 1] = value
    else points.push(value)
  }
  return points
}
