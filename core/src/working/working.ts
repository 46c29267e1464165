import type { Words } from '../units/words.ts'
/** One line of a worked sheet: a value that entered the figure, with its unit and where it came from. */
export interface Term {
  label: Words
  value: number
  unit: string
  from?: Words
}

/** A figure together with the sheet that made it, so that "show the working" and the figure can never differ. */
export interface Worked<T = number> {
  id: string
  label: string
  value: T
  unit: string
  says: Words
  terms: Term[]
  school?: string
  source: string
}

/**
 * A term of a worked sheet.
 * @param from the sheet it comes from
 */
export function term(label: Words, value: number, unit: string, from?: Words): Term {
  return from === undefined ? { label, value, unit } : { label, value, unit, from }
}

/**
 * Ties a value to its sheet.
 *
 * @param id dotted, step first: `bank.need`
 * @param label as a reader names the figure
 * @param value finite number
 * @param unit stored unit of the value
 * @param sheet formula in words, its terms, the school where there are several, the source
 * @throws RangeError where the value is not finite: nothing downstream may see a NaN
 */
export function worked(
  id: string,
  label: string,
  value: number,
  unit: string,
  sheet: { says: Words; terms: Term[]; school?: string; source: string },
): Worked {
  if (!Number.isFinite(value)) throw new RangeError(`${id}: ${value} is not a finite number`)
  return { id, label, value, unit, ...sheet }
}
