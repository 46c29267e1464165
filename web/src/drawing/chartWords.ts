export interface Row {
  name: string
  data: readonly (number | null)[]
}

/** What a picture of rows over categories shows, in a sentence: the most and the least of each row, and where they lie. */
export function chartSentence(
  rows: readonly Row[],
  categories: readonly (string | number)[],
  format: (value: number) => string,
): string {
  return rows
    .flatMap(({ name, data }) => {
      const known = data.flatMap((value, i) => (value === null || !Number.isFinite(value) ? [] : [{ value, i }]))
      if (known.length === 0) return []
      const most = known.reduce((a, b) => (b.value > a.value ? b : a))
      const least = known.reduce((a, b) => (b.value < a.value ? b : a))
      if (most.value === least.value) return [`${name}: ${format(most.value)} throughout.`]
      return [
        `${name}: most ${format(most.value)} at ${categories[most.i]}, least ${format(least.value)} at ${categories[least.i]}.`,
      ]
    })
    .join(' ')
}
