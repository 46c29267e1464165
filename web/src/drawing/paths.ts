/** SVG paths of values over steps; each value holds for its step. */
export function linePath(values: readonly number[], x: (step: number) => number, y: (value: number) => number): string {
  return values
    .map((value, i) => `${i === 0 ? 'M' : 'V'}${i === 0 ? `${round(x(0))} ` : ''}${round(y(value))}H${round(x(i + 1))}`)
    .join('')
}

/** The area between two rows of values. */
export function bandPath(
  low: readonly number[],
  high: readonly number[],
  x: (step: number) => number,
  y: (value: number) => number,
): string {
  if (high.every((value, i) => value <= low[i])) return ''
  const back = low
    .map((value, i) => ({ value, i }))
    .reverse()
    .map(({ value, i }) => `V${round(y(value))}H${round(x(i))}`)
    .join('')
  return `${linePath(high, x, y)}${back}Z`
}

/** The next round number at or above a value: 1, 2, 3, 4, 5, 6 or 8 times a power of ten. */
export function niceTop(value: number): number {
  if (!(value > 0)) return 1
  const power = 10 ** Math.floor(Math.log10(value))
  return [1, 2, 3, 4, 5, 6, 8, 10].map((step) => step * power).find((top) => top >= value * (1 - 1e-9))!
}

const round = (value: number) => Math.round(value * 10) / 10
