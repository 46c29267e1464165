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

const round = (value: number) => Math.round(value * 10) / 10
