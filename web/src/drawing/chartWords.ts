import type { StripWeek } from '@ambrel/core'
import { quantity } from '@ambrel/core/units'

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

/** So many hours a week are the least that is told as short. */
const SHORT_H = 0.5

/** The coming winter in a sentence: how low the bank goes, typically and in the bad one of ten, and the weeks short. */
export function weeksSentence(weeks: readonly StripWeek[]): string {
  const low = Math.min(...weeks.map((week) => week.lowTypical))
  const bad = Math.min(...weeks.map((week) => week.lowOneInTen))
  const short = weeks.filter((week) => week.shortOneInTen >= SHORT_H).length
  const end = short === 0 ? 'no week short' : `${short} ${short === 1 ? 'week' : 'weeks'} short`
  return `Lowest charge ${quantity(low, 'share')} typically, ${quantity(bad, 'share')} in 1 winter of 10; ${end}`
}
