import type { BatteryPart, Chemistry } from '../document/types.ts'
import { readQuantity } from '../units/parse.ts'
import type { LabelKind } from './fromLabel.ts'

/** A figure found in the text of a data sheet. */
export interface Found {
  /** field of the part; `ampHours` stands for the one capacity of a battery's label */
  key: string
  value: unknown
  /** the words of the sheet that it was taken from */
  from: string
}

/** How one figure is told on sheets: by which words, in which unit. */
interface Rule {
  key: string
  words: RegExp
  unit: string
  /** what lies outside is another figure */
  min: number
  max: number
  /** of a range, its upper end is meant */
  upper?: boolean
  make?: (value: number) => unknown
}

const rule = (key: string, words: RegExp, unit: string, min: number, max: number, more: Partial<Rule> = {}): Rule => ({
  key,
  words,
  unit,
  min,
  max,
  ...more,
})
const COEFFICIENT = String.raw`(?:temp\w*\.?[\s-]*(?:coeff?\w*|coef\.?)|coefficient)`
const coefficient = (of: string) =>
  new RegExp(`${COEFFICIENT}[^\\n]*?(?:${of})|(?:${of})[^\\n]{0,12}?${COEFFICIENT}|\\btk[ (]*(?:${of})`, 'i')
/** A limit of the system the module stands in, not a voltage of the module. */
const SYSTEM = /system voltage/i
const OF_SYSTEM = new Set(['maxInputV', 'maxSystemV'])
/** Counts, whose number may stand before their words: `up to 16 in parallel`. */
const COUNTED = new Set(['cells', 'parallelLimit', 'seriesLimit'])

// what is looked for first is found first: a line with a coefficient names Voc too
const RULES: Record<LabelKind, readonly Rule[]> = {
  module: [
    rule('betaVocPctPerK', coefficient('voc|open[- ]circuit'), '%/K', -1, -0.01),
    rule('alphaIscPctPerK', coefficient('isc|short[- ]circuit'), '%/K', -0.5, 0.5),
    rule('gammaPctPerK', coefficient('p\\s?max|pmpp|p\\s?mp|max\\w*\\.? power|power'), '%/K', -1, -0.01),
    rule('maxSystemV', SYSTEM, 'V', 100, 2000, { upper: true }),
    rule('seriesFuseA', /series fuse|fuse rating|over-?current protection/i, 'A', 1, 100),
    rule('vocV', /open[- ]circuit voltage|\bv\s?oc\b/i, 'V', 1, 300),
    rule('iscA', /short[- ]circuit current|\bi\s?sc\b/i, 'A', 0.1, 60),
    rule(
      'vmpV',
      /(?:max\w*\.?|peak|optimum|rated)[- ](?:power |operating )*voltage|voltage at (?:max|p|nominal)|mpp voltage|\bv\s?mp{1,2}\b|\bvpm\b/i,
      'V',
      1,
      300,
    ),
    rule(
      'impA',
      /(?:max\w*\.?|peak|optimum|rated)[- ](?:power |operating )*current|current at (?:max|p|nominal)|mpp current|\bi\s?mp{1,2}\b|\bipm\b/i,
      'A',
      0.1,
      60,
    ),
    rule(
      'ratedW',
      /(?:max\w*\.?|rated|nominal|peak)[- ](?:output )?power|\bp\s?max\b|\bpmpp\b|power (?:class|output)/i,
      'W',
      1,
      2000,
    ),
    rule('noctC', /\bnoct\b|\bnmot\b|nominal (?:module |cell )?operating/i, '°C', 20, 80),
    rule('cells', /(?:number|no\.?) of cells|\bcells?\b/i, '', 1, 400, { make: Math.round }),
    rule('weightKg', /weight/i, 'kg', 0.1, 200),
  ],
  battery: [
    rule('selfDischargePctPerMonth', /self[- ]discharge/i, '%', 0, 50),
    rule('resistanceMilliohm', /(?:internal )?(?:resistance|impedance)/i, 'mΩ', 0.01, 1000, { upper: true }),
    rule('surgeA', /(?:peak|surge|pulse|max\w*\.? 5 ?s)[^\n]{0,24}(?:current|discharge)/i, 'A', 0.1, 20000),
    rule(
      'maxDischargeA',
      /(?:continuous|max\w*\.?)[^\n]{0,24}discharg\w*(?: current)?|discharg\w* current/i,
      'A',
      0.1,
      10000,
      { upper: true },
    ),
    rule('maxChargeA', /(?:continuous|max\w*\.?)[^\n]{0,24}charg\w*(?: current)?|charg\w* current/i, 'A', 0.1, 10000, {
      upper: true,
    }),
    rule('minDischargeC', /\bdischarg\w*[^\n]{0,12}temperature|temperature[^\n]{0,16}\bdischarg\w*/i, '°C', -60, 20),
    rule('minChargeC', /\bcharg\w*[^\n]{0,12}temperature|temperature[^\n]{0,16}\bcharg\w*/i, '°C', -40, 30),
    rule('parallelLimit', /(?:in )?parallel/i, '', 1, 64, { upper: true, make: Math.round }),
    rule('seriesLimit', /\bin series\b|\bseries (?:connection|operation)/i, '', 1, 40, {
      upper: true,
      make: Math.round,
    }),
    rule('calendarYears', /(?:design|calendar|float|service) life/i, 'years', 0.5, 60),
    rule('heaterW', /heat(?:er|ing)/i, 'W', 1, 2000),
    rule('nominalV', /(?:nominal|rated)?[- ]?voltage/i, 'V', 1, 60),
    rule('weightKg', /weight/i, 'kg', 0.1, 5000),
  ],
  inverter: [
    rule(
      'surgeW',
      /(?:surge|peak)[^\n]{0,20}(?:power|watt|rating|output)|(?:power|watts?)[^\n]{0,12}(?:surge|peak)/i,
      'W',
      50,
      1e6,
    ),
    rule('searchW', /search|eco mode|power[- ]sav\w*/i, 'W', 0, 200),
    rule('idleW', /no[- ]load|idle|stand-?by|zero[- ]load|self[- ]consumption/i, 'W', 0, 2000),
    rule('peakEfficiency', /(?:peak|max\w*\.?)[^\n]{0,12}efficiency|efficiency/i, '%', 30, 99.9, {
      make: (percent) => percent / 100,
    }),
    rule('chargerA', /charg\w*[^\n]{0,16}current|charger/i, 'A', 1, 2000, { upper: true }),
    rule('transferA', /transfer (?:relay|switch|current)|bypass[^\n]{0,16}current/i, 'A', 1, 2000),
    rule('lowCutV', /low[- ](?:battery|voltage|dc)[^\n]{0,16}(?:cut|shut|disconnect|off|protect)\w*/i, 'V', 5, 60),
    rule(
      'highCutV',
      /(?:high|over)[- ]?(?:battery|voltage|dc)[^\n]{0,16}(?:cut|shut|disconnect|off|protect)\w*/i,
      'V',
      10,
      100,
    ),
    rule('ratedVA', /apparent power|\bk?va\b/i, 'VA', 50, 200000),
    rule('ratedW', /(?:continuous|rated|nominal)[^\n]{0,16}(?:power|watts?|output)|output power/i, 'W', 50, 200000),
    rule('bankV', /(?:battery|dc input|nominal dc|dc|input)[^\n]{0,12}voltage/i, 'V', 10, 60, { make: bankClass }),
    rule('weightKg', /weight/i, 'kg', 0.1, 2000),
  ],
  controller: [
    rule(
      'maxInputA',
      /short[- ]circuit current|max\w*\.?[^\n]{0,6}(?:pv|input|solar)[^\n]{0,12}current/i,
      'A',
      0.1,
      1000,
    ),
    rule(
      'maxInputV',
      /max\w*\.?[^\n]{0,24}(?:pv|input|open[- ]circuit|solar|array)[^\n]{0,24}voltage|(?:pv|input)[^\n]{0,12}voltage[^\n]{0,8}max/i,
      'V',
      5,
      2000,
      { upper: true },
    ),
    rule('maxArrayW', /max\w*\.?[^\n]{0,12}(?:pv|solar|array|input)[^\n]{0,12}power/i, 'W', 1, 500000, { upper: true }),
    rule('trackers', /(?:number|no\.?) of (?:mppts?|trackers|inputs)|mppt trackers/i, '', 1, 8, { make: Math.round }),
    rule('selfW', /(?:self|own|stand-?by|no[- ]load)[- ]?(?:consumption|power|draw)/i, 'W', 0, 200),
    rule('efficiency', /efficiency/i, '%', 50, 99.9, { make: (percent) => percent / 100, upper: true }),
    rule(
      'outputA',
      /(?:rated|max\w*\.?|nominal)?[^\n]{0,12}(?:charge|charging|output|battery)[^\n]{0,8}current/i,
      'A',
      0.1,
      1000,
      { upper: true },
    ),
  ],
  generator: [
    rule('ratedW', /(?:running|rated|continuous|nominal)[^\n]{0,20}(?:watts?|power|output)/i, 'W', 50, 500000),
  ],
}

/** The class a bank voltage belongs to. */
function bankClass(volts: number): number {
  return volts < 17 ? 12 : volts < 34 ? 24 : 48
}

const NUMBER = String.raw`[−–-]?\d{1,3}(?:[ ,]\d{3})+(?!\d)|[−–-]?\d+(?:[.,]\d+)?`
const UNIT = String.raw`(?:%\s?\/\s?(?:°\s?C|K|°|month)|mV\s?\/\s?(?:°\s?C|K)|kWh|kVA|VA|kW|Wp|W|Ah|mΩ|mohm|kg|lbs?|°\s?[CF]|℃|years?|yrs?|V|A|%|Ω|mm|cm|m\b)`
/** A number and what stands right after it; a range has two. */
const FIGURE = new RegExp(`(${NUMBER})\\s*(${UNIT})?(?:\\s*(?:to|~|…|–|-|\\.\\.)\\s*(${NUMBER})\\s*(${UNIT})?)?`, 'gi')

interface Reading {
  value: number
  upper: number
  unit: string
}

const plain = (text: string): number => {
  const tidy = text.replace(/[−–]/, '-').replace(/ /g, '')
  return Number(/^-?\d{1,3}(,\d{3})+$/.test(tidy) ? tidy.replace(/,/g, '') : tidy.replace(',', '.'))
}

/** The figures of a piece of text; numbers that are part of a word, as the 4 of LiFePO4, are none. */
function figuresIn(text: string): Reading[] {
  return [...text.matchAll(FIGURE)].flatMap((match) => {
    const before = text[match.index - 1] ?? ' '
    if (/[a-z@]/i.test(before)) return []
    const value = plain(match[1])
    const upper = match[3] === undefined ? value : Math.abs(plain(match[3]))
    return Number.isFinite(value)
      ? [{ value, upper, unit: (match[4] ?? match[2] ?? '').replace(/\s|p$/gi, '').replace('℃', '°C') }]
      : []
  })
}

/** A figure in the unit of a rule; null where it is of another one. @param vocV by which a coefficient in mV is made one in per cent */
function inUnit({ unit, upper }: Rule, reading: Reading, bracket: string, vocV: number | null): number | null {
  const told = reading.unit || bracket
  const value = upper ? reading.upper : reading.value
  if (unit === '') return told === '' ? value : null
  if (unit === '%/K') {
    if (/^mv/i.test(told)) return vocV === null ? null : (value / 1000 / vocV) * 100
    return told === '' || told.startsWith('%') ? value : null
  }
  if (told === '' || told.toLowerCase() === unit.toLowerCase()) return value
  if (unit === '%' && told.startsWith('%')) return value
  const read = readQuantity(`${value} ${told}`, unit)
  return 'value' in read ? read.value : null
}

const tidied = (value: number): number => Number(value.toPrecision(6))
/** A unit that a label states in brackets: `Voc (V)`, `Isc [A]`. */
const BRACKET = new RegExp(`[([]\\s*(${UNIT})\\s*[)\\]]`, 'i')

function readRule(each: Rule, lines: readonly string[], taken: Set<number>, vocV: number | null): Found | null {
  for (let i = 0; i < lines.length; i++) {
    if (taken.has(i)) continue
    const line = lines[i]
    const match = each.words.exec(line)
    if (!match || (!OF_SYSTEM.has(each.key) && SYSTEM.test(line))) continue
    const after = line.slice(match.index + match[0].length)
    // a table that was pasted cell by cell has its figure on the next line
    const rest = /\d/.test(after) ? after : `${after} ${lines[i + 1] ?? ''}`
    const before = COUNTED.has(each.key) ? line.slice(0, match.index) : ''
    const bracket = (BRACKET.exec(match[0] + after)?.[1] ?? '').replace(/\s|p$/gi, '')
    const ahead = figuresIn(before).reverse()
    for (const reading of /\d/.test(after) ? [...figuresIn(rest), ...ahead] : [...ahead, ...figuresIn(rest)]) {
      const value = inUnit(each, reading, bracket, vocV)
      if (value === null || value < each.min || value > each.max) continue
      taken.add(i)
      const from = /\d/.test(after) || before !== '' ? line : `${line} ${lines[i + 1]}`
      return {
        key: each.key,
        value: each.make ? each.make(tidied(value)) : tidied(value),
        from: from.trim().slice(0, 120),
      }
    }
  }
  return null
}

/** A line on which a controller's sheet names its banks: `Battery voltage 12/24/48 V`. */
const bankOf = (volts: 12 | 24 | 48) =>
  new RegExp(String.raw`(?:battery|system)\b[^\n]{0,20}\bvoltages?\b[^\n]*\b${volts}(?:\.0)?\s*(?:V|/|,|\b)`, 'i')

/** A line that names one frequency of the two: `60 Hz`, not `50/60 Hz`. */
const onlyHz = (hz: 50 | 60) => new RegExp(String.raw`^(?!.*\b${110 - hz}\s*(?:/|-|–|hz)).*\b${hz}\s*hz\b`, 'i')

/** What words of a sheet decide, rather than figures. */
const WORDS: { kind: LabelKind; key: string; value: unknown; words: RegExp }[] = [
  { kind: 'battery', key: 'chemistry', value: 'lfp', words: /li-?fe-?po4|\blfp\b|lithium[- ]iron/i },
  { kind: 'battery', key: 'chemistry', value: 'agm', words: /\bagm\b/i },
  { kind: 'battery', key: 'chemistry', value: 'gel', words: /\bgel\b/i },
  { kind: 'battery', key: 'chemistry', value: 'flooded', words: /flooded|wet cell|vented lead/i },
  { kind: 'inverter', key: 'topology', value: 'split-phase', words: /split[- ]phase|120\s*\/\s*240/i },
  { kind: 'inverter', key: 'topology', value: 'single-230', words: /\b(?:220|230|240)\s*v\s*ac?\b/i },
  { kind: 'inverter', key: 'topology', value: 'single-120', words: /\b(?:110|115|120)\s*v\s*ac?\b/i },
  { kind: 'inverter', key: 'waveform', value: 'stepped', words: /modified (?:sine|wave)|stepped/i },
  { kind: 'inverter', key: 'waveform', value: 'sine', words: /pure sine|true sine/i },
  { kind: 'controller', key: 'kind', value: 'pulse-width', words: /\bpwm\b|pulse[- ]width/i },
  { kind: 'controller', key: 'kind', value: 'tracker', words: /\bmppt\b|power[- ]point/i },
  ...([12, 24, 48] as const).map((value) => ({
    kind: 'controller' as const,
    key: 'leastBankV',
    value,
    words: bankOf(value),
  })),
  ...([48, 24, 12] as const).map((value) => ({
    kind: 'controller' as const,
    key: 'mostBankV',
    value,
    words: bankOf(value),
  })),
  { kind: 'generator', key: 'output', value: 'three-phase', words: /three[- ]phase|120\s*\/\s*208|230\s*\/\s*400/i },
  { kind: 'generator', key: 'output', value: 'split', words: /120\s*\/\s*240|\b(?:220|230|240)\s*v\b/i },
  { kind: 'generator', key: 'output', value: 'single', words: /\b(?:110|115|120)\s*v\b/i },
  ...(['inverter', 'generator'] as const).flatMap((kind) =>
    ([50, 60] as const).map((value) => ({ kind, key: 'frequencyHz', value, words: onlyHz(value) })),
  ),
  { kind: 'generator', key: 'fuel', value: 'propane', words: /propane|\blpg?\b/i },
  { kind: 'generator', key: 'fuel', value: 'diesel', words: /diesel/i },
  { kind: 'generator', key: 'fuel', value: 'petrol', words: /gasoline|petrol|unleaded/i },
]

function wordsOf(kind: LabelKind, lines: readonly string[]): Found[] {
  const found = new Map<string, Found>()
  for (const { kind: of, key, value, words } of WORDS) {
    const line = of === kind && !found.has(key) ? lines.find((each) => words.test(each)) : undefined
    if (line !== undefined) found.set(key, { key, value, from: line.trim().slice(0, 120) })
  }
  return [...found.values()]
}

/** Length and width of a module, from `1722 × 1134 × 30 mm`. */
function sizeOf(lines: readonly string[]): Found[] {
  for (const line of lines) {
    const match = /(\d{3,4}(?:[.,]\d+)?)\s*(?:mm)?\s*[×x*]\s*(\d{3,4}(?:[.,]\d+)?)/i.exec(line)
    if (!match) continue
    const [long, short] = [plain(match[1]), plain(match[2])].sort((a, b) => b - a)
    const from = line.trim().slice(0, 120)
    return [
      { key: 'lengthM', value: long / 1000, from },
      { key: 'widthM', value: short / 1000, from },
    ]
  }
  return []
}

const HOURS = /\bC\s?\/?\s?(\d{1,3})\b|(\d{1,3})\s?-?\s?(?:h|hr|hour)s?\b/i
const AMP_HOURS = /(?<![\w.])(\d{1,3}(?:[ ,]\d{3})+|\d+(?:\.\d+)?)\s?Ah\b/i

/** Capacities by the hours they are given in; one without hours is the label's. */
function capacitiesOf(lines: readonly string[]): Found[] {
  const rated: BatteryPart['capacities'] = []
  let label: Found | null = null
  let from = ''
  for (const line of lines) {
    const amount = AMP_HOURS.exec(line)
    if (!amount) continue
    const ampHours = plain(amount[1].trim())
    const rest = line.slice(0, amount.index) + line.slice(amount.index + amount[0].length)
    const hours = HOURS.exec(rest)
    const value = Number(hours?.[1] ?? hours?.[2])
    if (hours && value > 0 && !rated.some((each) => each.hours === value)) {
      rated.push({ hours: value, ampHours })
      from ||= line.trim().slice(0, 120)
    } else label ??= { key: 'ampHours', value: ampHours, from: line.trim().slice(0, 120) }
  }
  if (rated.length > 0)
    return [{ key: 'capacities', value: rated.sort((a, b) => a.hours - b.hours).slice(0, 12), from }]
  return label ? [label] : []
}

/** Cycles at a depth: `6000 cycles at 80 % DoD`. */
function cyclesOf(lines: readonly string[]): Found[] {
  const cycles: BatteryPart['cycles'] = []
  let from = ''
  for (const line of lines) {
    const count = /(\d[\d ,]{2,6})\s*(?:\+|times)?\s*cycles|cycles?[^\d\n]{0,16}(\d[\d ,]{2,6})/i.exec(line)
    const depth = /(\d{1,3})\s?%/.exec(line)
    if (!count || !depth || Number(depth[1]) > 100) continue
    cycles.push({ depth: Number(depth[1]) / 100, cycles: plain((count[1] ?? count[2]).trim()) })
    from ||= line.trim().slice(0, 120)
  }
  return cycles.length > 0
    ? [{ key: 'cycles', value: cycles.sort((a, b) => a.depth - b.depth).slice(0, 12), from }]
    : []
}

/** The rated volts of a range that a controller tracks in. */
function trackOf(lines: readonly string[]): Found[] {
  for (const line of lines) {
    if (!/(?:mppt|tracking|operating)[^\n]{0,24}range/i.test(line)) continue
    const range = figuresIn(line).find(({ value, upper }) => upper > value && value > 0)
    if (!range) continue
    const from = line.trim().slice(0, 120)
    return [
      { key: 'minTrackV', value: range.value, from },
      { key: 'maxTrackV', value: range.upper, from },
    ]
  }
  return []
}

const MORE: Partial<Record<LabelKind, (lines: readonly string[]) => Found[]>> = {
  module: sizeOf,
  battery: (lines) => [...capacitiesOf(lines), ...cyclesOf(lines)],
  controller: trackOf,
}

/**
 * Finds what it can in the text of a data sheet, as it is copied from a page or a PDF: figures by the words that stand before
 * them and by their units, the first column where there are several, each with the words it was taken from. What it finds is a
 * proposal to be looked at, never a reading of the sheet.
 *
 * @param text of any length; only its first lines up to {@link MOST_LINES} are looked at
 * @returns the figures in the document's field names and units, each once
 * Source: the usual terms of IEC 61853, IEC 61427 and IEC 62509 data sheets.
 * @example fromSheet('module', 'Open circuit voltage (Voc) 37.4 V')[0].value → 37.4
 */
export function fromSheet(kind: LabelKind, text: string): Found[] {
  const lines = text.replace(/\t/g, '  ').split(/\r?\n/).slice(0, MOST_LINES)
  const taken = new Set<number>()
  const found: Found[] = []
  const rules = RULES[kind]
  // volts first: a coefficient in millivolts is one in per cent only with them
  const beside = rules.find(({ key }) => key === 'vocV')
  const coefficients = new Set(lines.flatMap((line, i) => (new RegExp(COEFFICIENT, 'i').test(line) ? [i] : [])))
  const voc = beside ? readRule(beside, lines, new Set(coefficients), null) : null
  for (const each of rules) {
    const aside = each.unit === '%/K' ? taken : new Set([...taken, ...(kind === 'module' ? coefficients : [])])
    const hit = readRule(each, lines, aside, (voc?.value as number | undefined) ?? null)
    if (!hit) continue
    for (const line of aside) taken.add(line)
    found.push(hit)
  }
  const all = [...found, ...(MORE[kind]?.(lines) ?? []), ...wordsOf(kind, lines)]
  return kind === 'generator' ? withOwnFuel(all) : kind === 'battery' ? withChemistry(all) : all
}
export const MOST_LINES = 400

/** A set whose sheet states its watts on propane is rated on it. */
const withOwnFuel = (found: Found[]): Found[] => {
  const rated = found.find(({ key }) => key === 'ratedW')
  return rated && /propane|\blpg?\b/i.test(rated.from)
    ? [...found, { key: 'ratedOn', value: 'own', from: rated.from }]
    : found
}

/** Lithium iron phosphate is known by its volts where nothing else tells. */
function withChemistry(found: Found[]): Found[] {
  const volts = found.find(({ key }) => key === 'nominalV')
  if (found.some(({ key }) => key === 'chemistry') || !volts) return found
  const isLithium = [12.8, 25.6, 51.2].includes(volts.value as number)
  const chemistry: Chemistry = 'lfp'
  return isLithium ? [...found, { key: 'chemistry', value: chemistry, from: volts.from }] : found
}
