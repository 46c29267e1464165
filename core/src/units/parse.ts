import { parseNumber } from './format.ts'

/** Ways to write a quantity, by its stored unit: what may follow the number, and the factor to the stored unit. */
const WRITTEN: Record<string, Record<string, number>> = {
  W: { w: 1, watt: 1, watts: 1, kw: 1000, va: 1 },
  Wh: { wh: 1, kwh: 1000 },
  kWh: { kwh: 1, wh: 0.001 },
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
  d: { d: 1, day: 1, days: 1 },
  share: { '%': 0.01 },
  '°': { '°': 1, deg: 1, degrees: 1 },
  cm: { cm: 1, mm: 0.1, in: 2.54, inch: 2.54, '"': 2.54 },
  'kWh/m²': {
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
  },
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
