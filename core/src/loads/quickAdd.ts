import type { Load } from '../document/types.ts'
import { APPLIANCES, appliance, loadFromAppliance, type Appliance } from './appliances.ts'

/** What people call appliances of the shelf, beside their names. */
const SYNONYMS: Record<string, string> = {
  fridge: 'fridge, icebox, cooler',
  freezer: 'freezer, deep freeze',
  'well-pump': 'well, well pump, borehole, bore pump, deep pump',
  'pressure-pump': 'water pump, jet pump, house pump',
  bulb: 'bulb, light bulb, lamp, led',
  lights: 'lights, lighting',
  'yard-lights': 'outdoor lights, garden lights, floodlight',
  router: 'wifi, wi-fi, internet, modem',
  'satellite-link': 'satellite, dish, sat internet',
  laptop: 'laptop, notebook',
  desktop: 'computer, pc, monitor, screen',
  phones: 'phone, mobile, cell phone, tablet, phone charger',
  television: 'tv, telly',
  radio: 'radio, stereo, hi-fi, music',
  washer: 'washing machine, clothes washer, laundry, washer',
  'gas-dryer': 'dryer, tumble dryer, clothes dryer',
  microwave: 'microwave',
  kettle: 'kettle, water boiler',
  coffee: 'coffee, espresso, coffee machine',
  'induction-hob': 'stove, cooker, cooktop, hob, induction, hot plate',
  mixer: 'blender, mixer, food processor',
  'range-hood': 'extractor hood, cooker hood, hood',
  'furnace-fan': 'furnace, blower',
  circulator: 'circulation pump, boiler, boiler pump, heating pump',
  'pellet-stove': 'pellet stove, pellets',
  'mini-split': 'heat pump, air conditioner, air conditioning, ac, aircon, mini split',
  'ceiling-fan': 'fan, ceiling fan',
  'air-exchanger': 'ventilation, hrv, air exchanger',
  'heat-tape': 'heat tape, heat trace, pipe heater',
  'uv-filter': 'uv, water filter, uv filter',
  irrigation: 'sprinkler, garden pump, irrigation',
  'stock-tank': 'stock tank, trough heater',
  fence: 'fence, fencer',
  'coop-light': 'chicken light, coop',
  'table-saw': 'saw, table saw',
  drill: 'drill',
  compressor: 'compressor, air compressor',
  'dust-extractor': 'dust collector, workshop vacuum',
  'tool-charger': 'tool charger, battery charger, cordless tools',
  welder: 'welder',
  vacuum: 'vacuum, vacuum cleaner',
  iron: 'iron',
  'hair-dryer': 'hair dryer, hairdryer',
  'breathing-aid': 'cpap, breathing machine',
  ebike: 'ebike, e-bike, bicycle charger',
  'water-heater': 'water heater, hot water, boiler tank',
  'demand-heater': 'gas water heater, instant water heater',
  alarm: 'smoke alarm, smoke detector',
  camera: 'camera, security camera',
  phantom: 'standby',
  'dc-fridge': 'dc fridge, 12 v fridge',
  'dc-lights': 'dc lights, 12 v lights',
}

/** Words without case, plural and marks: `TVs` and `tv` are the same. */
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\d]+/gu, ' ')
    .trim()
    .split(' ')
    .filter((word) => word !== '')
    .map((word) => (word.length > 2 && /[^s]s$/.test(word) ? word.slice(0, -1) : word))

interface Known {
  appliance: Appliance
  /** its name and its synonyms, each as words */
  calls: string[][]
}
const KNOWN: readonly Known[] = APPLIANCES.map((each) => ({
  appliance: each,
  calls: [each.name, ...(SYNONYMS[each.id]?.split(',') ?? [])].map(wordsOf),
}))

/** How well a query tells an appliance: 0 for exactly, more for less, null for not at all. */
function distance({ calls }: Known, asked: readonly string[]): number | null {
  let best: number | null = null
  const better = (value: number) => (best = best === null ? value : Math.min(best, value))
  for (const call of calls) {
    if (call.join(' ') === asked.join(' ')) better(0)
    else if (call.join(' ').startsWith(asked.join(' '))) better(1)
    else if (asked.every((word) => call.includes(word))) better(2)
    else if (asked.every((word) => call.some((own) => own.startsWith(word)))) better(3)
  }
  return best
}

/**
 * Appliances of the shelf that go by a name or an everyday synonym of it, the nearest first.
 *
 * @param query as it is typed, whole or begun
 * @example appliancesCalled('tv')[0].name → 'Television'
 */
export function appliancesCalled(query: string): Appliance[] {
  const asked = wordsOf(query)
  if (asked.length === 0) return []
  return KNOWN.flatMap((known) => {
    const off = distance(known, asked)
    return off === null ? [] : [{ off, each: known.appliance }]
  })
    .sort((a, b) => a.off - b.off)
    .map(({ each }) => each)
}

/** One load as somebody writes it: what it is, how many, and what they know of it. */
export interface Written {
  name: string
  quantity: number
  runningW?: number
  hoursPerDay?: number
}

const FIGURE = String.raw`(\d+(?:[.,]\d+)?)`
const WATTS = new RegExp(`${FIGURE}\\s*(k?)w(?:atts?)?\\b`, 'i')
const HOURS = new RegExp(`${FIGURE}\\s*h(?:ours?|rs?)?\\b(?:\\s*(?:a|per|/)\\s*d(?:ay)?\\b)?`, 'i')
const MINUTES = new RegExp(`${FIGURE}\\s*min(?:utes)?\\b(?:\\s*(?:a|per|/)\\s*d(?:ay)?\\b)?`, 'i')
const BEFORE = /^(\d{1,4})\s*(?:x|×)?\s+(?=\D)|^(\d{1,4})(?:x|×)\s*/i
const BEHIND = /\s*(?:x|×)\s*(\d{1,4})$/i
const asNumber = (text: string) => Number(text.replace(',', '.'))

/**
 * Loads as they are written in a line: `fridge, 6 bulbs, laptop 45W 3h`.
 *
 * @param line parts between commas, semicolons or line ends; a comma within a figure is its decimal mark
 * @example loadsWritten('6 bulbs, laptop 45W 3h') → [{ name: 'bulbs', quantity: 6 }, { name: 'laptop', quantity: 1,
 * runningW: 45, hoursPerDay: 3 }]
 */
export function loadsWritten(line: string): Written[] {
  return line
    .split(/[;\n]|,(?!\d)/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map(writtenOf)
    .filter(({ name }) => name !== '')
}

function writtenOf(part: string): Written {
  let rest = part
  const take = (pattern: RegExp): RegExpExecArray | null => {
    const match = pattern.exec(rest)
    if (match) rest = `${rest.slice(0, match.index)} ${rest.slice(match.index + match[0].length)}`.trim()
    return match
  }
  const before = take(BEFORE)
  const watts = take(WATTS)
  const minutes = take(MINUTES)
  const hours = take(HOURS)
  const behind = take(BEHIND)
  const quantity = Number(before?.[1] ?? before?.[2] ?? behind?.[1] ?? 1)
  const hoursPerDay = hours ? asNumber(hours[1]) : minutes ? asNumber(minutes[1]) / 60 : undefined
  return {
    name: rest
      .replace(/\s+/g, ' ')
      .replace(/[\s:@,-]+$/, '')
      .slice(0, 120),
    quantity: Math.min(1000, Math.max(1, quantity)),
    ...(watts ? { runningW: Math.min(100_000, asNumber(watts[1]) * (watts[2] ? 1000 : 1)) } : {}),
    ...(hoursPerDay === undefined ? {} : { hoursPerDay: Math.min(24, hoursPerDay) }),
  }
}

/**
 * A load of what was written: the appliance it names with the figures that were given, or a blank one of that name, whose watts
 * are still to be said.
 *
 * @param chosen the appliance that was meant; the nearest unless said
 */
export function loadOfWritten(written: Written, id: string, chosen?: Appliance): Load {
  const found = chosen ?? appliancesCalled(written.name)[0]
  const { quantity, runningW, hoursPerDay } = written
  const given = {
    quantity,
    ...(runningW === undefined ? {} : { runningW }),
    ...(hoursPerDay === undefined ? {} : { hoursPerDay, duty: 1 }),
  }
  if (found) return { ...loadFromAppliance(found, id), ...given }
  const blank = loadFromAppliance(appliance('phantom'), id)
  const name = written.name.charAt(0).toUpperCase() + written.name.slice(1)
  return { ...blank, room: '', leg: 'A', priority: 'should', runningW: 0, hoursPerDay: 1, ...given, name }
}
