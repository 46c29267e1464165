import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import { said } from '../units/words.ts'
import { bill, billCells } from './bill.ts'
import { readPriceList, type ListTerms } from './priceList.ts'

const rows = bill(larkspurBench()).rows
const BANK = 'LFP 51.2 V 100 Ah rack unit'
const INVERTER = 'Split-phase 6 kW, 48 V'
const read = (cells: string[][], terms: Partial<ListTerms> = {}) =>
  readPriceList(cells, rows, { currency: 'USD', ...terms })
const told = (cells: string[][], terms: Partial<ListTerms> = {}) =>
  read(cells, terms).problems.map(({ message }) => said(message))
const priceOf = (typed: string, others: string[] = []) =>
  read([['item', 'price'], [BANK, typed], ...others.map((each, i) => [`thing ${i}`, each])]).prices.find(
    ({ what }) => what === BANK,
  )?.unitPrice

describe('figures of a price list', () => {
  it.each([
    ['12.50', 12.5],
    ['12,50', 12.5],
    ['1,234.50', 1234.5],
    ['1.234,50', 1234.5],
    ['1 234,50', 1234.5],
    ['1’234.50', 1234.5],
    ['$1,234.50', 1234.5],
    ['1450', 1450],
    ['USD 99', 99],
    ['.5', 0.5],
    ['0,125', 0.125],
    ['1,234,567', 1234567],
  ])('reads %s', (typed, value) => {
    expect(priceOf(typed)).toBe(value)
  })
  it('takes the mark of the list where one figure leaves it open', () => {
    expect(priceOf('1.234', ['12,50'])).toBe(1234)
    expect(priceOf('1.234', ['12.50'])).toBe(1.234)
  })
  it('asks where nothing tells, and reads it as it is told', () => {
    const cells = [
      ['item', 'price'],
      [BANK, '1.234'],
    ]
    expect(told(cells)).toEqual([
      `Line 2: 1.234 for “${BANK}” can be read in two ways; say whether the list has decimal commas.`,
    ])
    expect(read(cells, { mark: ',' }).prices[0].unitPrice).toBe(1234)
    expect(read(cells, { mark: '.' }).prices[0].unitPrice).toBe(1.234)
  })
})

describe('what a price list says that cannot be taken is named by its line', () => {
  const HEAD = ['name', 'price', 'unit', 'currency']
  it.each([
    [[BANK, '', '', ''], `“${BANK}” has no price.`],
    [[BANK, '0', '', ''], `the price of “${BANK}” is 0; it must be above 0.`],
    [[BANK, '-3', '', ''], `the price of “${BANK}” is -3, below nothing; it must be above 0.`],
    [[BANK, 'call us', '', ''], `call us for “${BANK}” is no price; a figure above 0 is.`],
    [[BANK, '12', '', 'EUR'], `“${BANK}” is in EUR, this design in USD; nothing is converted.`],
    [[BANK, '12 €', '', ''], `“${BANK}” is in EUR, this design in USD; nothing is converted.`],
    [[BANK, '12', 'm', ''], `“${BANK}” is priced by length, but it is bought by the piece.`],
    [[BANK, '12', 'fathom', ''], `“fathom” is no unit of a price for “${BANK}”; a piece, m or ft is.`],
    [
      ['cable 10 AWG', '1.1', '', ''],
      '“cable 10 AWG” has no unit of length; say whether it is priced by the metre or by the foot.',
    ],
    [['', '12', '', ''], 'it does not say what it is a price of.'],
  ])('%j', (row, message) => {
    expect(told([HEAD, row])).toEqual([`Line 2: ${message}`])
    // a sound line beside it is taken all the same
    expect(read([HEAD, row, [INVERTER, '9', '', '']]).prices.map(({ what }) => what)).toEqual([INVERTER])
  })
  it('the currency of a head, and no other capitals in it', () => {
    expect(
      read([
        ['item', 'Price (PER PCS)'],
        [BANK, '12'],
      ]).prices,
    ).toHaveLength(1)
    expect(
      told([
        ['item', 'Price (EUR)'],
        [BANK, '12'],
      ])[0],
    ).toContain('is in EUR')
    expect(
      read([
        ['item', 'Price (USD)'],
        [BANK, '12'],
      ]).prices,
    ).toHaveLength(1)
  })
  it('a list without a head', () => {
    expect(told([[BANK, '12']])).toEqual([
      'No head was found; a row must name a column of what it is and one of its price.',
    ])
  })
  it('a day that is none is left out, its price taken', () => {
    const list = read([
      ['item', 'price', 'date'],
      [BANK, '12', '31.02.2027'],
      [INVERTER, '9', '02.11.2026'],
    ])
    expect(list.problems.map(({ message }) => said(message))).toEqual([
      'Line 2: 31.02.2027 is no day; 2026-01-31 is. The price is taken without.',
    ])
    expect(list.prices.map(({ quotedOn }) => quotedOn)).toEqual([null, '2026-11-02'])
  })
})

describe('how a list falls on a bill', () => {
  it('by key before name, however it is written', () => {
    const list = read([
      ['key', 'item', 'price'],
      ['bank', 'our best cell', '1300'],
      ['', 'split-phase 6 kw  48 V', '1700'],
      ['', 'garden gnome', '5'],
    ])
    expect(list.matches.map(({ key, lines }) => [key, lines[0].unitPrice])).toEqual([
      ['bank', 1300],
      ['inverter', 1700],
    ])
    expect(list.prices.find(({ what }) => what === 'garden gnome')).toMatchObject({ key: '' })
  })
  it('several prices for one thing are all there to be asked about', () => {
    const list = read([
      ['item', 'price'],
      [BANK, '1300'],
      [BANK, '1250'],
    ])
    expect(list.matches[0].lines.map(({ line, unitPrice }) => [line, unitPrice])).toEqual([
      [2, 1300],
      [3, 1250],
    ])
  })
  it('cable by the foot is kept by the metre', () => {
    const cells = [
      ['item', 'price', 'unit'],
      ['cable 10 AWG', '0.60', 'ft'],
    ]
    expect(read(cells).prices[0].unitPrice).toBeCloseTo(0.6 / 0.3048, 9)
    const bare = [
      ['item', 'price'],
      ['cable 10 AWG', '0.60'],
    ]
    expect(read(bare, { lengths: 'ft' }).prices[0].unitPrice).toBeCloseTo(0.6 / 0.3048, 9)
    expect(read(bare, { lengths: 'm' }).prices[0].unitPrice).toBe(0.6)
  })
  it('a total that the list states is held against its lines', () => {
    const cells = [
      ['item', 'qty', 'price', 'total'],
      [BANK, '6', '100', '600'],
      [INVERTER, '1', '50.55', '50.55'],
      ['Total', '', '', '700'],
    ]
    expect(read(cells).total).toEqual({ line: 4, stated: 700, summed: 650.55 })
    cells[1][3] = '650'
    expect(told(cells)).toEqual([`Line 2: 6 × 100.00 are 600.00, but the list says 650.00 for “${BANK}”.`])
  })
  it('the bill itself, written as a table, is read back to the same prices', () => {
    const design = larkspurBench()
    const cells = billCells(design, bill(design)).map((row) => row.map(String))
    const list = read(cells)
    expect(list.problems).toEqual([])
    const back = new Map(list.matches.map(({ key, lines }) => [key, lines[0].unitPrice]))
    expect([...back]).toEqual(rows.map(({ key, unitPrice }) => [key, unitPrice]))
  })
  it('ten thousand lines, with every fault among them', () => {
    const cells = [
      ['item', 'price', 'currency'],
      ...Array.from({ length: 10_000 }, (_, i) => [
        i % 2500 === 0 ? BANK : `thing ${i}`,
        i % 100 === 7 ? '-1' : `${i + 1},50`,
        i % 1000 === 3 ? 'EUR' : '',
      ]),
    ]
    const list = read(cells)
    expect(list.problems).toHaveLength(100 + 10)
    expect(list.prices).toHaveLength(10_000 - 110)
    expect(list.matches).toHaveLength(1)
    expect(list.matches[0].lines).toHaveLength(4)
    expect(list.mark).toBe(',')
  })
})
