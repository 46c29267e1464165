import { decimal, type Problem } from '@ambrel/core'
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
  const counts = new Int32Array(LIMITS.depth + 2)
  const isList = new Uint8Array(LIMITS.depth + 2)
  let depth = 0
  let values = 1
  for (let i = 0; i < source.length; i++) {
    const byte = byteAt(i)
    if (byte === QUOTE) {
      i = endOfText(source, i, byteAt)
      if (i < 0) return null
    } else if (byte === COMMA) {
      values++
      if (++counts[depth] >= (isList[depth] ? LIMITS.entries : LIMITS.fields)) return isList[depth] ? tooLong : tooWide
    } else if (byte === OPEN_BRACE || byte === OPEN_BRACKET) {
      values++
      if (++depth > LIMITS.depth) return tooDeep
      counts[depth] = 0
      isList[depth] = byte === OPEN_BRACKET ? 1 : 0
    } else if ((byte === CLOSE_BRACE || byte === CLOSE_BRACKET) && depth > 0) depth--
    if (values > LIMITS.values) return tooMany
  }
  return null
}

/** Where the text that begins at a quote ends; -1 where it does not. */
function endOfText(source: Uint8Array | string, from: number, byteAt: (i: number) => number): number {
  for (let end = from; ;) {
    end = typeof source === 'string' ? source.indexOf('"', end + 1) : source.indexOf(QUOTE, end + 1)
    if (end < 0) return -1
    let escapes = 0
    while (byteAt(end - 1 - escapes) === BACKSLASH) escapes++
    if (escapes % 2 === 0) return end
  }
}

const spaced = (count: number): string => decimal(count, 0)
const excess = (message: string): Problem => ({ path: '', value: null, message })
const tooLong = excess(`a list of more than ${spaced(LIMITS.entries)} entries; the longest of a design has 8760`)
const tooWide = excess(`an object of more than ${LIMITS.fields} fields; no part of a design has so many`)
const tooDeep = excess(`lists and objects lie more than ${LIMITS.depth} deep within each other; a design needs ten`)
const tooMany = excess(`more than ${spaced(LIMITS.values)} values; no sound document has so many`)

/**
 * What of a parsed value no schema should be asked about: forbidden keys, objects of hundreds of fields, nesting, texts
 * far too long.
 *
 * @param mostText letters of one text
 * @returns the first such problem at its place, or null
 */
export function structureProblem(value: unknown, path: readonly string[] = [], mostText = Infinity): Problem | null {
  return walked(value, [...path], mostText)
}

const at = (path: readonly string[], message: string): Problem => ({ path: path.join('.'), value: null, message })
const isForbidden = (key: string): boolean => FORBIDDEN.has(key)

/** @param path grows and shrinks on the way; a copy a step would cost more than the rest */
function walked(value: unknown, path: string[], mostText: number): Problem | null {
  if (typeof value === 'string' && value.length > mostText)
    return at(path, `a text of ${spaced(value.length)} letters; at most ${spaced(mostText)}`)
  if (typeof value !== 'object' || value === null) return null
  if (path.length > LIMITS.depth) return { ...tooDeep, path: path.slice(0, 4).join('.') }
  const keys = Object.keys(value)
  if (!Array.isArray(value)) {
    if (keys.length > LIMITS.fields) return at(path, `an object of ${keys.length} fields; at most ${LIMITS.fields}`)
    const forbidden = keys.find(isForbidden)
    if (forbidden) return at([...path, forbidden], `${forbidden} is not a field of this document`)
  }
  for (const key of keys) {
    const inner = (value as Record<string, unknown>)[key]
    if (typeof inner !== 'object' && typeof inner !== 'string') continue
    path.push(key)
    const problem = walked(inner, path, mostText)
    if (problem) return problem
    path.pop()
  }
  return null
}
