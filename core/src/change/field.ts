import type { Design } from '../document/types.ts'
import { fieldAt } from '../fields/at.ts'
import { fittedAnew } from '../generator/taken.ts'
import type { Change } from './change.ts'

type Box = Record<string, unknown>

const keysOf = (path: string) => path.split('.')

/**
 * The value at a dotted place in a document, list items by index.
 * @returns undefined where there is no such place
 */
export function valueAt(design: Design, path: string): unknown {
  return keysOf(path).reduce<unknown>((box, key) => (box as Box | null | undefined)?.[key], design)
}

function withAt(box: unknown, [key, ...rest]: string[], make: (before: unknown) => unknown): unknown {
  if (key === undefined) return make(box)
  if (typeof box !== 'object' || box === null) throw new RangeError(`${key} is not a place in this document`)
  const next = withAt((box as Box)[key], rest, make)
  if (Array.isArray(box)) return box.map((each: unknown, i) => (i === Number(key) ? next : each))
  return { ...box, [key]: next }
}

/**
 * Puts a value at a dotted place; everything above it must be there. A figure of a part that was an estimate is one no
 * more, and a backup that was brought to what the inverter takes is looked at anew where either changes.
 * @throws RangeError where it is not
 */
export const setField =
  (path: string, value: unknown): Change =>
  (design) => {
    const keys = keysOf(path)
    const next = fittedAnew(design, withAt(design, keys, () => value) as Design)
    return keys.reduce((each, key, depth) => {
      const holder = keys.slice(0, depth)
      const estimated = valueAt(each, [...holder, 'estimated'].join('.'))
      if (!Array.isArray(estimated) || !estimated.includes(key)) return each
      return withAt(each, [...holder, 'estimated'], () => estimated.filter((name) => name !== key)) as Design
    }, next)
  }

const withList =
  (path: string, make: (list: readonly unknown[]) => unknown[]): Change =>
  (design) =>
    withAt(design, keysOf(path), (list) => make(list as unknown[])) as Design

/** Adds to the end of the list at a dotted place, as many as it may still hold. */
export const addTo = (path: string, ...items: readonly unknown[]): Change => {
  const field = fieldAt(path)
  const most = field && 'most' in field ? field.most : undefined
  return withList(path, (list) => [...list, ...items].slice(0, most))
}

/** Takes one out of the list at a dotted place. */
export const removeFrom = (path: string, index: number): Change =>
  withList(path, (list) => list.filter((_, i) => i !== index))

/** Moves one within the list at a dotted place; nothing where either index is not in it. */
export const moveIn = (path: string, from: number, to: number): Change =>
  withList(path, (list) => {
    if (from < 0 || to < 0 || from >= list.length || to >= list.length) return [...list]
    const rest = list.filter((_, i) => i !== from)
    return [...rest.slice(0, to), list[from], ...rest.slice(to)]
  })
