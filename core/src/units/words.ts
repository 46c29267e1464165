import { fieldUnit, keptTogether, quantity, significant, withUnit, type UnitSystem } from './format.ts'

/** A figure within a text, in its stored unit; how it is written is the reader's. */
export interface Amount {
  value: number
  /** stored unit, as {@link quantity} takes it; `K` for a difference of temperatures */
  unit: string
  /** decimals that are shown, where neat significant digits are not wanted */
  decimals?: number
  /** as it was typed: all its digits, and no thousands taken together */
  exact?: boolean
}

/** A conductor within a text, by the name it is sold under. */
export interface ConductorSize {
  /** `6 AWG`, `2/0 AWG`, `16 mm2` */
  size: string
}

export type Word = string | Amount | ConductorSize
/** A text whose figures are still figures: written out by {@link said}, in the reader's units. */
export type Words = string | readonly Word[]

/**
 * A text with figures in it: say`${volts(48)} at ${celsius(-34)}`. Other texts with figures may stand in it.
 * A plain number is a count; anything that has a unit is given as an amount.
 */
export function say(texts: TemplateStringsArray, ...figures: (Words | Word | number)[]): Words {
  const found: Word[] = []
  const add = (word: Word) => {
    const last = found.length - 1
    if (typeof word === 'string' && typeof found[last] === 'string') found[last] += word
    else if (word !== '') found.push(word)
  }
  texts.forEach((text, i) => {
    add(text)
    if (i >= figures.length) return
    const figure = figures[i]
    if (typeof figure === 'number') add({ value: figure, unit: '' })
    else if (isWords(figure)) figure.forEach(add)
    else add(figure)
  })
  return found.every((word) => typeof word === 'string') ? found.join('') : found
}
const isWords = (figure: Words | Word): figure is readonly Word[] => Array.isArray(figure)

/** Texts with something between them. */
export function joined(parts: readonly Words[], between: string): Words {
  return parts.reduce<Words>((all, part, i) => (i === 0 ? part : say`${all}${between}${part}`), '')
}

/**
 * Writes a text out.
 *
 * @param system the reader's units
 * @param kept whether no figure is parted from its unit by the end of a line
 */
export function said(words: Words, system: UnitSystem = 'metric', kept = false): string {
  return typeof words === 'string' ? words : words.map((word) => written(word, system, kept)).join('')
}

function written(word: Word, system: UnitSystem, kept: boolean): string {
  if (typeof word === 'string') return word
  const figure = 'size' in word ? conductor(word, system) : amountOf(word, system)
  return kept ? keptTogether(figure) : figure
}

function amountOf({ value, unit, decimals, exact }: Amount, system: UnitSystem): string {
  if (!Number.isFinite(value)) return String(value)
  return exact ? exactly(value, unit, system) : quantity(value, unit, system, decimals)
}

const EXACT_DIGITS = 7

function exactly(value: number, unit: string, system: UnitSystem): string {
  const there = fieldUnit(unit, system)
  return withUnit(significant(there.toShown(value), EXACT_DIGITS), there.unit)
}

/** A wire of a name the reader does not go by is told by the other measure too. */
function conductor({ size }: ConductorSize, system: UnitSystem): string {
  const name = size.replace('mm2', 'mm²')
  const gauge = /^(\d+)(\/0)? AWG$/.exec(size)
  if (!gauge) return system === 'metric' ? name : `${name} (about ${nearestGauge(parseFloat(size))})`
  const number = gauge[2] ? 1 - Number(gauge[1]) : Number(gauge[1])
  return system === 'metric' ? `${name} (${significant(gaugeMm2(number))} mm²)` : name
}

/**
 * Cross-section of an American wire gauge, mm². Source: ASTM B258, d = 0.127 mm · 92^((36 − n)/39).
 * @param gauge −3 (4/0) to 40
 * @example gaugeMm2(10) → 5.261
 */
export const gaugeMm2 = (gauge: number): number => (Math.PI / 4) * (FINEST_MM * 92 ** ((36 - gauge) / 39)) ** 2
/** diameter of 36 AWG */
const FINEST_MM = 0.127
const THICKEST = -3

/** The American wire gauge next to a cross-section. @param areaMm2 of the conductor, mm² */
export function nearestGauge(areaMm2: number): string {
  const diameterMm = Math.sqrt((4 * areaMm2) / Math.PI)
  const gauge = Math.max(THICKEST, Math.round(36 - (39 * Math.log(diameterMm / FINEST_MM)) / Math.log(92)))
  return gauge > 0 ? `${gauge} AWG` : `${1 - gauge}/0 AWG`
}
