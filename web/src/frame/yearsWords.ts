import type { Design } from '@ambrel/core'

/** How many years a figure rests on, and what kind of years they are. */
export function yearsWords(design: Design | null, years: number): string {
  const kind = design?.place.source === 'hours' ? 'imported' : 'made'
  return `${years} ${kind} year${years === 1 ? '' : 's'}`
}
