import equal from 'fast-deep-equal'
import type { Design, Problem } from '@ambrel/core'
import { checkDesign } from './problems.ts'
import { isBox } from './waiting.ts'

/** What rules while something wrong is entered, and what is wrong with it. */
export interface Ruling {
  /** always sound */
  document: Design
  problems: Problem[]
}

const TRIES = 8

/**
 * The document that rules: all that was entered, but for each wrong value the last good one in its place. A thing of a
 * list that was never good is left out; what contradicts something else goes back together with it.
 *
 * @param entered as typed, sound or not
 * @param last the sound document that ruled before
 */
export function rulingOf(entered: Design, last: Design): Ruling {
  const { design, problems } = checkDesign(entered)
  if (design) return { document: design, problems: [] }
  let candidate: unknown = entered
  let wrong: Problem[] = problems
  for (let i = 0; i < TRIES && wrong.length > 0; i++) {
    const before = candidate
    for (const problem of wrong) candidate = putBack(candidate, last, problem.path)
    if (candidate === before) break
    wrong = checkDesign(candidate).problems
  }
  if (wrong.length > 0) candidate = withoutSections(candidate as Design, last)
  return { document: candidate as Design, problems }
}

/** The candidate with the deepest part around a place that differs put back to what it was. */
function putBack(candidate: unknown, last: unknown, path: string): unknown {
  const keys = path === '' ? [] : path.split('.')
  for (let depth = keys.length; depth > 0; depth--) {
    const part = keys.slice(0, depth)
    const now = at(candidate, part)
    const then = counterpart(candidate, last, part)
    if (!equal(now, then)) return replaced(candidate, part, then)
  }
  return candidate
}

const at = (value: unknown, keys: readonly string[]): unknown =>
  keys.reduce<unknown>((box, key) => (isBox(box) ? box[key] : undefined), value)

/** The same place in the last document; things of a list are found by their id, whatever their number now. */
function counterpart(candidate: unknown, last: unknown, keys: readonly string[]): unknown {
  let here = candidate
  let there = last
  for (const key of keys) {
    const item = isBox(here) ? here[key] : undefined
    if (Array.isArray(here) && Array.isArray(there) && isBox(item) && typeof item.id === 'string')
      there = there.find((each) => isBox(each) && each.id === item.id)
    else there = isBox(there) ? there[key] : undefined
    here = item
  }
  return there
}

/** A copy with one place changed; undefined takes it out. */
function replaced(value: unknown, [key, ...rest]: readonly string[], next: unknown): unknown {
  if (!isBox(value)) return value
  const inner = rest.length > 0 ? replaced(value[key], rest, next) : next
  if (Array.isArray(value))
    return inner === undefined
      ? value.filter((_, i) => i !== Number(key))
      : value.map((each: unknown, i) => (i === Number(key) ? inner : each))
  if (inner === undefined) return Object.fromEntries(Object.entries(value).filter(([each]) => each !== key))
  return { ...value, [key]: inner }
}

/** Parts that contradict each other and stand far apart: the first that mends it goes back, or all that differ. */
function withoutSections(candidate: Design, last: Design): Design {
  const changed = (Object.keys(last) as (keyof Design)[]).filter((key) => !equal(candidate[key], last[key]))
  for (const key of changed) {
    const { design } = checkDesign({ ...candidate, [key]: last[key] })
    if (design) return design
  }
  return last
}
