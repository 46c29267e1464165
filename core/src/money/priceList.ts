import type { Cells } from '../document/cells.ts'
import type { Problem } from '../document/types.ts'
import { amount, exact } from '../units/say.ts'
import { said, say, type Words } from '../units/words.ts'
import type { BillRow } from './bill.ts'
import { toTheCent } from './reckoning.ts'

/** How the figures of a list are written: with a decimal point, with a decimal comma, or as the list itself shows. */
export type DecimalMark = 'auto' | '.' | ','
/** What a price of cable is of, where the list does not say. */
export type LengthUnit = 'ask' | 'm' | 'ft'

/** What of a line of the bill a list is held against. */
export type SoughtRow = Pick<BillRow, 'key' | 'name' | 'unit'>

export interface ListTerms {
  /** of the design's budget */
  currency: string
  mark?: DecimalMark
  lengths?: LengthUnit
}

/** A price somebody asks for a thing. */
export interface ListedPrice {
  /** of the list, from 1 */
  line: number
  what: string
  /** a key of a line of the bill that stands in the list itself; empty where none does */
  key: string
  /** of one, or of a metre */
  unitPrice: number
  unit: '' | 'm'
  /** day of the quote, as the list says */
  quotedOn: string | null
  leadDays: number | null
}

/** Lines of a list for one line of the bill: the one that is taken, or several of which somebody has to choose. */
export interface Match {
  key: string
  lines: ListedPrice[]
}

export interface PriceList {
  prices: ListedPrice[]
  /** by line of the bill; more than one price asks which */
  matches: Match[]
  problems: Problem[]
  /** a total that the list itself states, against the sum of its lines; null where it states none, or counts nothing */
  total: { line: number; stated: number; summed: number } | null
  mark: '.' | ','
}

/** What columns are called, in a few languages of those who write such lists. */
const HEADS: Record<
  'what' | 'key' | 'price' | 'unit' | 'currency' | 'count' | 'sum' | 'quotedOn' | 'leadDays',
  RegExp
> = {
  key: /^(key|code|sku|art(icle|ikel)?\.?( ?n(o|r|umber|ummer)\.?)?|item ?(no|number)\.?)$/,
  what: /^(what|item|name|description|product|part|bezeichnung|artikelbezeichnung|désignation|descripción)$/,
  price: /^(each|price|unit ?price|price ?each|list ?price|net|preis|einzelpreis|prix|precio)( ?\(.*\))?$/,
  unit: /^(unit|per|uom|einheit|unité|unidad)$/,
  currency: /^(currency|währung|devise|moneda)$/,
  count: /^(quantity|qty|count|how many|menge|anzahl|quantité|cantidad)$/,
  sum: /^(sum|together|amount|line ?total|total|gesamt|betrag|montant|importe)$/,
  quotedOn: /^(date|quoted( on)?|valid from|datum|fecha)$/,
  leadDays: /^(lead( time)?|takes|days|delivery|lieferzeit)( ?\(?days?\)?)?$/,
}
type Column = keyof typeof HEADS
const COLUMNS = Object.keys(HEADS) as Column[]

const TOTAL = /^(grand )?(total|sum|gesamt(summe)?|summe)\b/i
const LENGTHS: Record<string, number> = {
  m: 1,
  metre: 1,
  meter: 1,
  metres: 1,
  meters: 1,
  ft: 0.3048,
  foot: 0.3048,
  feet: 0.3048,
}
const PIECES = /^(|pc|pcs|piece|pieces|ea|each|st|stk|stück|unit|u|set)\.?$/
/** Codes of ISO 4217: other capitals in a head are words. */
const CURRENCIES = new Set(Intl.supportedValuesOf('currency'))
const CURRENCY_MARKS: Record<string, string> = { $: 'USD', '€': 'EUR', '£': 'GBP', '¥': 'JPY' }

/**
 * A price list as it is handed on: rows of cells under a head. Figures with decimal points or commas are told apart by the
 * list as a whole; what cannot be used is named by its line and left out, and the rest is taken.
 *
 * @param cells as a CSV file or a workbook gives them
 * @param rows of the bill that prices are wanted for
 * @returns prices, how they fall on the bill, and every problem: no price, a price of nothing or below it, another
 * currency, a length without its unit, a figure that can be read in two ways, a day that is none
 */
export function readPriceList(cells: Cells, rows: readonly SoughtRow[], terms: ListTerms): PriceList {
  const headAt = cells.findIndex((row) => {
    const found = columnsOf(row)
    return found.price !== undefined && (found.what !== undefined || found.key !== undefined)
  })
  if (headAt < 0) {
    const message = 'No head was found; a row must name a column of what it is and one of its price.'
    return { prices: [], matches: [], problems: [{ path: '', value: null, message }], total: null, mark: '.' }
  }
  const at = columnsOf(cells[headAt])
  const lines = cells.slice(headAt + 1).flatMap((row, i) => {
    if (row.every((each) => each.trim() === '')) return []
    const fields = Object.fromEntries(
      COLUMNS.map((column) => [column, at[column] === undefined ? '' : (row[at[column]] ?? '').trim()]),
    ) as Fields
    return [{ line: headAt + 2 + i, first: row.find((each) => each.trim() !== '')!.trim(), fields }]
  })
  const { mark: wanted = 'auto' } = terms
  const mark = wanted === 'auto' ? markOf(lines.flatMap(({ fields }) => [fields.price, fields.sum])) : wanted
  const sought: Sought = {
    ...terms,
    mark,
    headMoney: markedCurrency(cells[headAt][at.price!] ?? ''),
    byKey: new Map(rows.map((row) => [row.key.toLowerCase(), row])),
    byName: new Map(rows.map((row) => [plain(said(row.name)), row])),
  }
  const list: PriceList = { prices: [], matches: [], problems: [], total: null, mark: mark ?? '.' }
  const report = (line: number, value: string, message: Words) =>
    list.problems.push({ path: `line ${line}`, value, message: say`Line ${exact(line, '')}: ${message}` })
  const found = new Map<string, ListedPrice[]>()
  let summed: number | null = null
  for (const { line, first, fields } of lines) {
    if (TOTAL.test(first)) {
      const stated = figureOf(fields.sum || fields.price, list.mark)
      if (stated !== null) list.total ??= { line, stated: toTheCent(stated), summed: 0 }
      continue
    }
    const together = sumOf(fields, list.mark)
    if (together) {
      summed = (summed ?? 0) + together.sum
      if (together.wrong) report(line, fields.sum, together.wrong)
    }
    const price = priceIn(fields, sought)
    if ('refused' in price) {
      report(line, price.value, price.refused)
      continue
    }
    const listed = { line, ...price }
    if (fields.quotedOn !== '' && listed.quotedOn === null)
      report(line, fields.quotedOn, say`${fields.quotedOn} is no day; 2026-01-31 is. The price is taken without.`)
    list.prices.push(listed)
    if (listed.key) found.set(listed.key, [...(found.get(listed.key) ?? []), listed])
  }
  if (list.total) list.total = summed === null ? null : { ...list.total, summed: toTheCent(summed) }
  list.matches = [...found].map(([key, of]) => ({ key, lines: of }))
  return list
}

type Fields = Record<Column, string>
interface Sought extends Omit<ListTerms, 'mark'> {
  /** null while the list leaves it open */
  mark: '.' | ',' | null
  headMoney: string
  byKey: ReadonlyMap<string, SoughtRow>
  byName: ReadonlyMap<string, SoughtRow>
}

/** The price a line asks, or why it cannot be taken. */
function priceIn(fields: Fields, sought: Sought): Omit<ListedPrice, 'line'> | { refused: Words; value: string } {
  const { price: typed, key } = fields
  const refuse = (refused: Words, value = typed) => ({ refused, value })
  const what = fields.what || key
  if (what === '') return refuse('it does not say what it is a price of.')
  if (typed === '') return refuse(say`“${what}” has no price.`)
  if (sought.mark === null && isAmbiguous(typed))
    return refuse(say`${typed} for “${what}” can be read in two ways; say whether the list has decimal commas.`)
  const price = figureOf(typed, sought.mark ?? '.')
  if (price === null) return refuse(say`${typed} for “${what}” is no price; a figure above 0 is.`)
  if (price < 0) return refuse(say`the price of “${what}” is ${typed}, below nothing; it must be above 0.`)
  if (price === 0) return refuse(say`the price of “${what}” is 0; it must be above 0.`)
  const inMoney = fields.currency || markedCurrency(typed) || sought.headMoney
  if (inMoney !== '' && inMoney.toUpperCase() !== sought.currency)
    return refuse(say`“${what}” is in ${inMoney}, this design in ${sought.currency}; nothing is converted.`, inMoney)
  const row =
    sought.byKey.get(key.toLowerCase()) ?? sought.byKey.get(what.toLowerCase()) ?? sought.byName.get(plain(what))
  const per = fields.unit.toLowerCase().replace(/^(1|per|\/)\s*/, '')
  const usual = row?.unit === 'm' && per === '' ? (sought.lengths ?? 'ask') : 'ask'
  const length = LENGTHS[per] ?? (usual === 'ask' ? undefined : LENGTHS[usual])
  if (length === undefined && !PIECES.test(per))
    return refuse(say`“${per}” is no unit of a price for “${what}”; a piece, m or ft is.`, per)
  if (row?.unit === 'm' && length === undefined)
    return refuse(say`“${what}” has no unit of length; say whether it is priced by the metre or by the foot.`, per)
  if (row?.unit === '' && length !== undefined)
    return refuse(say`“${what}” is priced by length, but it is bought by the piece.`, per)
  const lead = figureOf(fields.leadDays.replace(/\s*(days?|d|tage)$/i, ''), '.')
  return {
    what,
    key: row?.key ?? '',
    unitPrice: length === undefined ? price : price / length,
    unit: length === undefined ? '' : 'm',
    quotedOn: dayOf(fields.quotedOn),
    leadDays: lead === null || lead < 0 ? null : Math.round(lead),
  }
}

/** What a line comes to by itself, and what is wrong with it; null where it counts nothing. */
function sumOf({ what, key, count, price, sum }: Fields, mark: '.' | ','): { sum: number; wrong?: Words } | null {
  const [quantity, each, stated] = [count, price, sum].map((typed) => figureOf(typed, mark))
  if (stated === null && (quantity === null || each === null)) return null
  const reckoned = quantity !== null && each !== null ? toTheCent(quantity * each) : null
  // what is owned or comes later stands in a list with no sum
  if (!stated || reckoned === null || Math.abs(stated - reckoned) <= 0.01) return { sum: stated ?? reckoned! }
  return {
    sum: stated,
    wrong: say`${amount(quantity!, '')} × ${money(each!)} are ${money(reckoned)}, but the list says ${money(stated)} for “${what || key}”.`,
  }
}

const money = (value: number): string => value.toFixed(2)

/** Which column is what, by its head. */
function columnsOf(row: readonly string[]): Partial<Record<Column, number>> {
  const found: Partial<Record<Column, number>> = {}
  row.forEach((head, i) => {
    const says = head.trim().toLowerCase()
    for (const [column, is] of Object.entries(HEADS) as [Column, RegExp][])
      if (found[column] === undefined && is.test(says)) {
        found[column] = i
        return
      }
  })
  return found
}

/** A name without what writers differ in. */
const plain = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}/.]+/gu, ' ')
    .trim()

/** Three digits behind a single mark may be thousands or thousandths. */
const isAmbiguous = (typed: string): boolean => /^\D*[1-9]\d{0,2}[.,]\d{3}\D*$/.test(typed)

/** The decimal mark of a list, by those of its figures that leave no doubt; null where none does and one is needed. */
function markOf(told: readonly string[]): '.' | ',' | null {
  let [points, commas] = [0, 0]
  for (const each of told) {
    const last = /[.,](?=\d+\D*$)/.exec(each)
    if (!last || isAmbiguous(each)) continue
    // both marks in one figure, or other than three digits behind one: the last of them is the decimal mark
    const isDecimal = each.split(last[0]).length === 2
    if ((last[0] === '.') === isDecimal) points++
    else commas++
  }
  if (points === commas) return told.some(isAmbiguous) ? null : '.'
  return points > commas ? '.' : ','
}

/** A figure with its currency, thousands and decimal mark. @returns null for what is none */
function figureOf(typed: string, mark: '.' | ','): number | null {
  const thousands = mark === '.' ? ',' : '.'
  const bare = typed
    .replace(/[\s\u2009\u202f\u00a0'’]/g, '')
    .replace(/^[A-Za-z]{3}|[A-Za-z]{3}$|[$€£¥]/g, '')
    .replace('−', '-')
  const grouped = new RegExp(`^-?\\d{1,3}(\\${thousands}\\d{3})+(\\${mark}\\d*)?$`)
  const single = new RegExp(`^-?(\\d+(\\${mark}\\d*)?|\\${mark}\\d+)$`)
  if (!grouped.test(bare) && !single.test(bare)) return null
  return Number(bare.replaceAll(thousands, '').replace(mark, '.'))
}

/** The currency a figure or a head carries. */
function markedCurrency(typed: string): string {
  const mark = /[$€£¥]/.exec(typed)
  if (mark) return CURRENCY_MARKS[mark[0]]
  const words = typed.match(/(?<![A-Za-z])[A-Z]{3}(?![A-Za-z])/g) ?? []
  return words.find((word) => CURRENCIES.has(word)) ?? ''
}

/** A day as 2026-01-31, 31.01.2026 or with a time behind it. */
function dayOf(typed: string): string | null {
  const iso = /^(\d{4})-(\d{2})-(\d{2})/.exec(typed)
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(typed)
  const [year, month, day] = iso ? iso.slice(1) : dotted ? dotted.slice(1).reverse() : []
  if (!year) return null
  const date = new Date(Date.UTC(Number(year), Number(month) - 1, Number(day)))
  if (date.getUTCMonth() !== Number(month) - 1) return null
  return date.toISOString().slice(0, 10)
}
