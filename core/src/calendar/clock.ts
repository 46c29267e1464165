/** Legal clocks stray from the sun by no more than this, hours. */
export const MOST_FROM_SUN_H = 2.5

/** Whether an hour of the day lies from one hour until another, past midnight where the second is the smaller; never where they are equal. */
export const hourWithin = (hour: number, from: number, until: number): boolean =>
  from < until ? hour >= from && hour < until : from > until && (hour >= from || hour < until)
