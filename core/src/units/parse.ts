import { CM_PER_INCH, fieldUnit, METRES_PER_SECOND_PER_MPH, parseNumber, type UnitSystem } from './format.ts'
import { KILOGRAMS_PER_POUND, LITRES_PER_US_GALLON, METRES_PER_FOOT } from './convert.ts'

/** Ways to write the sun of a day. */
const SUN = {
  'kwh/m²': 1,
  'kwh/m2': 1,
  'kwh/m²/d': 1,
  'kwh/m2/day': 1,
  'kwh/m²/day': 1,
  h: 1,
  'mj/m²': 1 / 3.6,
  'mj/m2': 1 / 3.6,
  'wh/m²': 0.001,
  'wh/m2': 0.001,
}

/** Ways to write a quantity, by its stored unit: what may follow the number, and the factor to the stored unit. */
const WRITTEN: Record<string, Record<string, number>> = {
  W: { w: 1, watt: 1, watts: 1, kw: 1000, va: 1, kva: 1000, hp: 745.7, wp: 1, kwp: 1000 },
  Wh: { wh: 1, kwh: 1000, 'wh/day': 1, 'wh/d': 1, 'kwh/day': 1000, 'kwh/d': 1000 },
  kWh: { kwh: 1, wh: 0.001, mwh: 1000 },
  h: {
    h: 1,
    hr: 1,
    hrs: 1,
    hour: 1,
    hours: 1,
    'h/d': 1,
    'h/day': 1,
    min: 1 / 60,
    mins: 1 / 60,
    minutes: 1 / 60,
    d: 24,
    days: 24,
  },
  d: { d: 1, day: 1, days: 1, h: 1 / 24, hours: 1 / 24, week: 7, weeks: 7 },
  min: { min: 1, mins: 1, minute: 1, minutes: 1, h: 60, hours: 60, s: 1 / 60 },
  s: { s: 1, sec: 1, second: 1, seconds: 1, ms: 0.001, min: 60 },
  years: { years: 1, year: 1, y: 1, yr: 1, yrs: 1, months: 1 / 12 },
  VA: { va: 1, kva: 1000 },
  V: { v: 1, volt: 1, volts: 1, vdc: 1, vac: 1, mv: 0.001, kv: 1000 },
  A: { a: 1, amp: 1, amps: 1, adc: 1, ma: 0.001 },
  Ah: { ah: 1, 'amp-hours': 1, mah: 0.001 },
  mΩ: { mω: 1, mohm: 1, milliohm: 1, ω: 1000, ohm: 1000 },
  m: {
    m: 1,
    metre: 1,
    metres: 1,
    meter: 1,
    meters: 1,
    cm: 0.01,
    mm: 0.001,
    km: 1000,
    ft: METRES_PER_FOOT,
    foot: METRES_PER_FOOT,
    feet: METRES_PER_FOOT,
    "'": METRES_PER_FOOT,
    '′': METRES_PER_FOOT,
    in: CM_PER_INCH / 100,
    '"': CM_PER_INCH / 100,
    '″': CM_PER_INCH / 100,
    yd: 3 * METRES_PER_FOOT,
    yards: 3 * METRES_PER_FOOT,
  },
  kg: { kg: 1, g: 0.001, t: 1000, lb: KILOGRAMS_PER_POUND, lbs: KILOGRAMS_PER_POUND, pounds: KILOGRAMS_PER_POUND },
  L: {
    l: 1,
    litre: 1,
    litres: 1,
    liter: 1,
    liters: 1,
    ml: 0.001,
    gal: LITRES_PER_US_GALLON,
    gallons: LITRES_PER_US_GALLON,
  },
  'L/h': { 'l/h': 1, 'gal/h': LITRES_PER_US_GALLON, gph: LITRES_PER_US_GALLON },
  'L/d': { 'l/d': 1, 'l/day': 1, 'litres a day': 1, 'gal/d': LITRES_PER_US_GALLON, gpd: LITRES_PER_US_GALLON },
  'm/s': { 'm/s': 1, 'km/h': 1 / 3.6, kmh: 1 / 3.6, mph: METRES_PER_SECOND_PER_MPH, kn: 0.514444, knots: 0.514444 },
  '%': { '%': 1 },
  '%/K': { '%/k': 1, '%/°c': 1, '%/c': 1 },
  '/week': { '/week': 1, 'a week': 1, 'times a week': 1 },
  share: { '%': 0.01 },
  '°': { '°': 1, deg: 1, degrees: 1 },
  cm: { cm: 1, mm: 0.1, in: 2.54, inch: 2.54, '"': 2.54, m: 100, ft: 30.48, "'": 30.48 },
  'kWh/m²': SUN,
  'kWh/m²·day': SUN,
  '': { x: 1, '×': 1 },
}

/**
 * Reads a quantity as a person writes it, with or without its unit: `150`, `1.5 kW`, `30 min`, `40 %`, `−4,5 °C`.
 *
 * @param typed one cell
 * @param unit the stored unit
 * @returns the value in the stored unit, or in words what is wrong with it
 */
export function readQuantity(typed: string, unit: string): { value: number } | { problem: string } {
  const match = typed.trim().match(/^([-+−]?[\d\s.,\u2009\u00a0]*\d(?:[.,])?(?:e[-+]?\d+)?)\s*(.*)$/i)
  const value = match ? parseNumber(match[1]) : null
  if (!match || value === null) return { problem: `“${typed.trim()}” is not a number` }
  const written = match[2].trim().toLowerCase()
  if (unit === '°C') {
    if (written === '' || /^°?\s*c$/.test(written)) return { value }
    if (/^°?\s*f$/.test(written)) return { value: (value - 32) / 1.8 }
    return { problem: `“${match[2].trim()}” is not a unit of temperature; °C or °F` }
  }
  if (written === '') return { value }
  const factor = WRITTEN[unit]?.[written]
  if (factor === undefined)
    return {
      problem: `“${match[2].trim()}” is not a unit that fits here; ${
        Object.keys(WRITTEN[unit] ?? {})
          .slice(0, 4)
          .join(', ') || 'none'
      }`,
    }
  return { value: value * factor }
}

/** A product as people write it for several of one thing: `2 x 100`, `3 × 1.5 kW`. */
const PRODUCT = /^\s*(\d+)\s*[x×*]\s*(?=[\d.,])/i
/** What one reader takes for thousands and another for a decimal. */
const AMBIGUOUS = /^([-+−]?)([1-9]\d{0,2}),(\d{3})(?![\d.,])/

/**
 * Reads what somebody types into a field: a number in the unit the field shows, or with a unit of its own, or several of one
 * thing: `96 A`, `80 ft`, `60 F`, `7,5`, `2 x 100`.
 *
 * @param unit the stored unit
 * @param system what the field shows where no unit is typed
 * @returns the value in the stored unit, or in words what is wrong with it
 */
export function readEntry(typed: string, unit: string, system: UnitSystem): { value: number } | { problem: string } {
  const times = typed.match(PRODUCT)
  const each = times ? typed.slice(times[0].length) : typed
  const count = times ? Number(times[1]) : 1
  const unclear = each.trim().match(AMBIGUOUS)
  if (unclear) {
    const [, sign, whole, part] = unclear
    return {
      problem: `“${typed.trim()}” may be ${sign}${whole}${part} or ${sign}${whole}.${part}; write it without the comma`,
    }
  }
  const plain = each.replace(/(\d),(?=\d{3}(\D|$))(?=[\d,]*\.)/g, '$1')
  const bare = parseNumber(plain)
  if (bare !== null) return { value: fieldUnit(unit, system).toStored(bare * count) }
  const read = readQuantity(plain, unit)
  return 'problem' in read ? read : { value: unit === '°C' ? read.value : read.value * count }
}

const AXES = { latitude: { letters: 'NS', most: 90 }, longitude: { letters: 'EW', most: 180 } } as const
export type Axis = keyof typeof AXES

/**
 * Reads a coordinate as people have it: `48.2083`, `−115.4`, `48° 12.5′ N`, `115 24 30 W`, `N48 12 30`.
 *
 * @returns degrees, north and east positive, or in words what is wrong
 */
export function readCoordinate(typed: string, axis: Axis): { value: number } | { problem: string } {
  const { letters, most } = AXES[axis]
  const plain = typed.trim().toUpperCase().replace(/−/g, '-')
  const letter = plain.match(/[NSEWO]/)?.[0]
  if (letter && !letters.includes(letter))
    return { problem: `“${typed.trim()}” names ${letter}; a ${axis} takes ${letters.split('').join(' or ')}` }
  const body = plain
    .replace(/[NSEWO]/g, ' ')
    .replace(/[°º′'’″"”:]/g, ' ')
    .trim()
  const parts = body.split(/\s+/).map((part) => parseNumber(part))
  if (body === '' || parts.length > 3 || parts.some((part) => part === null))
    return { problem: `“${typed.trim()}” is not a ${axis}; write 48.2083 or 48° 12.5′ ${letters[0]}` }
  const [degrees, minutes = 0, seconds = 0] = parts as number[]
  if (parts.length > 1 && (minutes < 0 || minutes >= 60 || seconds < 0 || seconds >= 60 || !Number.isInteger(degrees)))
    return { problem: `minutes and seconds of “${typed.trim()}” must lie between 0 and 60, after whole degrees` }
  const size = Math.abs(degrees) + minutes / 60 + seconds / 3600
  if (size > most) return { problem: `${axis} ${typed.trim()} is beyond ${most}°` }
  const negative = letter === letters[1] || body.startsWith('-')
  if (letter && body.startsWith('-'))
    return { problem: `“${typed.trim()}” has both a minus sign and ${letter}; leave one out` }
  return { value: negative ? -size : size }
}

/** A coordinate in degrees and minutes: `48° 12.50′ N`. */
export function degreesMinutes(value: number, axis: Axis): string {
  const { letters } = AXES[axis]
  const hundredths = Math.round(Math.abs(value) * 6000)
  const degrees = Math.floor(hundredths / 6000)
  return `${degrees}° ${((hundredths % 6000) / 100).toFixed(2).padStart(5, '0')}′ ${letters[value < 0 ? 1 : 0]}`
}
