/** A NUL, or half of a surrogate pair: JSON may hold them, a database may not. */
// eslint-disable-next-line no-control-regex -- it is the letter that is looked for
export const UNKEEPABLE = /\u0000|\p{Cs}/u

/** Whether the calendar has a day, `2026-01-31`. */
export function isCalendarDay(day: string): boolean {
  const at = new Date(`${day}T00:00:00Z`)
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(day)
}
