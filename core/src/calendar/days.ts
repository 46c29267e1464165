const DAY_MS = 86_400_000

/** A day so many days after another. @param day `2026-01-31` */
export const daysLater = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10)

/** How many days lie between two days; below 0 where the second comes first. */
export const daysBetween = (from: string, until: string): number =>
  Math.round((Date.parse(`${until}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS)
