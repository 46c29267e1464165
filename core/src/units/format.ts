import {
  celsiusToFahrenheit,
  fahrenheitToCelsius,
  feetToMetres,
  gallonsToLitres,
  kilogramsToPounds,
  litresToGallons,
  metresToFeet,
  poundsToKilograms,
} from './convert.ts'

/** The reader's choice of units; it never changes a stored value. */
export type UnitSystem = 'metric' | 'imperial'

const THIN_SPACE = '\u202f'
const MINUS = '−'

/**
 * A number with three significant digits, grouped by thin spaces, trailing zeros kept only where they carry meaning.
 *
 * @param value any finite number
 * @param digits significant digits, 1…15
 */
export function significant(value: number, digits = 3): string {
  if (!Number.isFinite(value)) return '—'
  if (value === 0) return '0'
  const magnitude = Math.floor(Math.log10(Math.abs(value)))
  const decimals = Math.max(0, digits - 1 - magnitude)
  return decimal(value, Math.min(decimals, 6))
}

/** A number with a fixed count of decimals, trailing zeros dropped, thousands grouped, a true minus sign. */
export function decimal(value: number, decimals: number): string {
  if (!Number.isFinite(value)) return '—'
  const fixed = Math.abs(value).toFixed(decimals)
  const [whole, part = ''] = fixed.split('.')
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, THIN_SPACE) : whole
  const trimmed = part.replace(/0+$/, '')
  const body = trimmed ? `${grouped}.${trimmed}` : grouped
  return Number(fixed) !== 0 && value < 0 ? MINUS + body : body
}

const KILO_FROM = 1000

function scaled(value: number, unit: string, kilo: string): string {
  return Math.abs(value) >= KILO_FROM - 0.5 ? `${significant(value / 1000)} ${kilo}` : `${significant(value)} ${unit}`
}

const inImperial: Record<
  string,
  { unit: string; convert: (value: number) => number; back: (value: number) => number }
> = {
  '°C': { unit: '°F', convert: celsiusToFahrenheit, back: fahrenheitToCelsius },
  m: { unit: 'ft', convert: metresToFeet, back: feetToMetres },
  L: { unit: 'gal', convert: litresToGallons, back: gallonsToLitres },
  kg: { unit: 'lb', convert: kilogramsToPounds, back: poundsToKilograms },
  K: { unit: '°F', convert: (kelvin) => kelvin * 1.8, back: (fahrenheit) => fahrenheit / 1.8 },
  '%/100 m': { unit: '%/1000 ft', convert: (each) => each * HUNDRED_METRES, back: (each) => each / HUNDRED_METRES },
  cm: { unit: 'in', convert: (centimetres) => centimetres / CM_PER_INCH, back: (inches) => inches * CM_PER_INCH },
  mm: { unit: 'in', convert: (mm) => mm / (10 * CM_PER_INCH), back: (inches) => inches * 10 * CM_PER_INCH },
  'm/s': { unit: 'mph', convert: (metres) => metres * MPH_PER_M_S, back: (miles) => miles / MPH_PER_M_S },
  'L/h': { unit: 'gal/h', convert: litresToGallons, back: gallonsToLitres },
  'L/d': { unit: 'gal/d', convert: litresToGallons, back: gallonsToLitres },
}
/** in a thousand feet */
const HUNDRED_METRES = 3.048
export const CM_PER_INCH = 2.54
/** 3600 s of 1609.344 m */
const MPH_PER_M_S = 3600 / 1609.344
export const METRES_PER_SECOND_PER_MPH = 1 / MPH_PER_M_S

/** How a field shows a stored unit: its own unit, and the way there and back. A share is typed as a percentage. */
export function fieldUnit(
  unit: string,
  system: UnitSystem,
): { unit: string; toShown: (stored: number) => number; toStored: (shown: number) => number } {
  if (unit === 'share') return { unit: '%', toShown: (share) => share * 100, toStored: (percent) => percent / 100 }
  const other = system === 'imperial' ? inImperial[unit] : undefined
  return other
    ? { unit: other.unit, toShown: other.convert, toStored: other.back }
    : { unit, toShown: (value) => value, toStored: (value) => value }
}

/**
 * Reads a number as a person types it: spaces between thousands, a decimal comma, a true minus sign.
 * @returns null for anything else
 */
export function parseNumber(typed: string): number | null {
  const plain = typed
    .replace(/[\s\u2009\u00a0]/g, '')
    .replace('−', '-')
    .replace(',', '.')
  return /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(plain) ? Number(plain) : null
}

/**
 * Formats a stored value in neat units: 7412.3 Wh becomes 7.41 kWh, 0.021 Ω becomes 21 mΩ.
 *
 * @param value in the stored unit
 * @param unit stored unit: Wh, W, V, A, Ah, Ω, °C, m, L, kg, h, d, %, …; a share of one is written as `share`
 * @param system the reader's units
 * @param decimals shown, where neat significant digits are not wanted; thousands are not taken together then
 */
export function quantity(
  value: number | null | undefined,
  unit: string,
  system: UnitSystem = 'metric',
  decimals?: number,
): string {
  if (value === null || value === undefined || !Number.isFinite(value)) return '—'
  if (decimals !== undefined) {
    const there = fieldUnit(unit, system)
    return withUnit(decimal(there.toShown(value), decimals), there.unit)
  }
  if (unit === 'Wh') return scaled(value, 'Wh', 'kWh')
  if (unit === 'Wh/d') return scaled(value, 'Wh/d', 'kWh/d')
  if (unit === 'W') return scaled(value, 'W', 'kW')
  if (unit === 'share') return `${significant(value * 100)} %`
  if (unit === 'Ω') return Math.abs(value) < 1 ? `${significant(value * 1000)} mΩ` : `${significant(value)} Ω`
  const other = system === 'imperial' ? inImperial[unit] : undefined
  const shown = other ? other.convert(value) : value
  const shownUnit = other ? other.unit : unit
  return withUnit(shownUnit === '°C' || shownUnit === '°F' ? decimal(shown, 1) : significant(shown), shownUnit)
}

/** A figure and its unit as one word, which no line parts. */
export const keptTogether = (figure: string): string => figure.replaceAll(' ', '\u00a0')

const UNIT_WORDS = new Set(['years', 'days'])

/** A figure with its unit; a unit that is a word is singular for one. */
export function withUnit(figure: string, unit: string): string {
  if (unit === '') return figure
  return `${figure} ${figure === '1' && UNIT_WORDS.has(unit) ? unit.slice(0, -1) : unit}`
}
