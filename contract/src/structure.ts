import type { Problem } from '@ambrel/core'
import { LIMITS } from './limits.ts'

/** Keys that would change what an object is rather than what it holds. */
const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype'])
const OPEN_BRACE = 0x7b
const CLOSE_BRACE = 0x7d
const OPEN_BRACKET = 0x5b
const CLOSE_BRACKET = 0x5d
const COMMA = 0x2c
const QUOTE = 0x22
const BACKSLASH = 0x5c

/**
 * Looks through JSON as it came, before it is parsed: nesting and number of values, which a parser would take for
 * granted.
 *
 * @param source a JSON text, or its UTF-8
 * @returns what is too much of it, or null; whether it is JSON is not asked
 */
export function excessOf(source: Uint8Array | string): Problem | null {
  const byteAt = typeof source === 'string' ? (i: number) => source.charCodeAt(i) : (i: number) => source[i]
  let depth = 0
  let values = 1
  let quoted = false
  for (let i = 0; i < source.length; i++) {
    const byte = byteAt(i)
    if (quoted) {
      if (byte === BACKSLASH) i++
      else if (byte === QUOTE) quoted = false
    } else if (byte === QUOTE) quoted = true
    else if (byte === COMMA) values++
    else if (byte === OPEN_BRACE || byte === OPEN_BRACKET) {
      values++
      if (++depth > LIMITS.depth) return tooDeep
    } else if (byte === CLOSE_BRACE || byte === CLOSE_BRACKET) depth--
    if (values > LIMITS.values) return tooMany
  }
  return null
}
const tooDeep: Problem = {
  path: '',
  value: null,
  message: `lists and objects lie more than ${LIMITS.depth} deep within each other; a design needs ten`,
}
const tooMany: Problem = {
  path: '',
  value: null,
  message: `more than ${LIMITS.values.toLocaleString('en-GB').replaceAll(',', ' ')} values; no sound document has so many`,
}

/**
 * What of a parsed value no schema should be asked about: forbidden keys, objects of hundreds of fields, nesting.
 *
 * @returns the first such problem at its place, or null
 */
export function structureProblem(value: unknown, path: readonly string[] = []): Problem | null {
  if (typeof value !== 'object' || value === null) return null
  const at = (message: string, ...more: string[]): Problem => ({
    path: [...path, ...more].join('.'),
    value: null,
    message,
  })
  if (path.length > LIMITS.depth) return { ...tooDeep, path: path.slice(0, 4).join('.') }
  const keys = Object.keys(value)
  if (!Array.isArray(value)) {
    if (keys.length > LIMITS.fields) return at(`an object of ${keys.length} fields; at most ${LIMITS.fields}`)
    const forbidden = keys.find((key) => FORBIDDEN.has(key))
    if (forbidden) return at(`${forbidden} is not a field of this document`, forbidden)
  }
  for (const key of keys) {
    const inner = (value as Record<string, unknown>)[key]
    if (typeof inner !== 'object' || inner === null) continue
    const problem = structureProblem(inner, [...path, key])
    if (problem) return problem
  }
  return null
}
