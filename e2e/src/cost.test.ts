import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { mkdtemp, readFile, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { strFromU8, unzipSync } from 'fflate'
import type { Page } from 'playwright-core'
import { parseTable } from '@ambrel/contract/weather'
import { describe, expect, it } from 'vitest'
import { becomes, changes, drawn, fieldAt, openVariant, rail, saved, setField } from './pages.ts'
import { useApplication } from './server.ts'

const OFFICE = '/usr/bin/soffice'
const application = useApplication()
const open = (family: string, variant: string) =>
  openVariant(application.browser, application.base, family, variant, '9')
const row = (page: Page, key: string) => page.locator(`[data-bill-row^="${key}"]`).first()
const total = (page: Page) => page.locator('[data-bill-total]').innerText()
const path = async (page: Page, key: string, field: string) =>
  (await row(page, key).locator(`[data-path$=".${field}"]`).getAttribute('data-path'))!

describe('the bill', () => {
  it('takes a quoted price, a discount and what comes later, and the total follows everywhere', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    const before = await total(page)
    await setField(page, await path(page, 'class-t', 'unitPrice'), '99.5')
    expect(await changes(() => total(page), before)).not.toBe(before)
    await row(page, 'class-t').locator('.sample').waitFor({ state: 'detached' })
    const quoted = await total(page)
    await row(page, 'class-t')
      .getByRole('button', { name: /^Terms of/ })
      .click()
    await setField(page, (await path(page, 'class-t', 'status')).replace('status', 'discountPct'), '10')
    const less = await changes(() => total(page), quoted)
    await fieldAt(page, await path(page, 'class-t', 'status')).selectOption('later')
    await changes(() => total(page), less)
    await page.getByText('Later, with its tax and contingency').waitFor()
    const figure = (await rail(page, 'cost')).replace(/\D/g, '')
    expect(Math.abs(Number(figure) - Number((await total(page)).replace(/[^\d.]/g, '')))).toBeLessThan(6)
    await saved(page)
    await page.reload()
    await becomes(async () => fieldAt(page, await path(page, 'class-t', 'status')).inputValue(), 'later')
    expect(errors).toEqual([])
  })

  it('follows a longer line at once', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    const before = await total(page)
    await page.keyboard.press('8')
    const length = page.locator('[data-circuit-row="array:array-1"] [data-path$=".oneWayM"]')
    await setField(page, (await length.getAttribute('data-path'))!, '90')
    await page.locator('.rail [data-step=cost]').click()
    await changes(() => total(page), before)
    expect(errors).toEqual([])
  })

  it('is kept as CSV and as a workbook, which another program opens', async () => {
    const { page, errors } = await open('Rowan Forks', 'As planned')
    await drawn(page)
    const kept = async (name: string) => {
      const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()])
      return readFile(await file.path())
    }
    const lines = (await kept('CSV')).toString('utf8').trim().split(/\r?\n/)
    expect(lines[0]).toContain('quantity')
    const parts = unzipSync(new Uint8Array(await kept('XLSX')))
    const sheet = strFromU8(parts['xl/worksheets/sheet1.xml'])
    const texts = [...strFromU8(parts['xl/sharedStrings.xml']).matchAll(/<t[^>]*>([^<]*)<\/t>/g)].map(
      ([, text]) => text,
    )
    expect([...sheet.matchAll(/<row /g)]).toHaveLength(lines.length)
    for (const text of ['quantity', 'ground bar', 'rail']) expect(texts).toContain(text)
    // figures are figures, not texts
    expect(sheet).toMatch(/<c r="D2"[^>]*><v>8<\/v>/)
    expect(errors).toEqual([])
  })

  // where the machine has one: an office suite is half a gigabyte
  it.runIf(existsSync(OFFICE))('is read the same by an office suite', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    const kept = async (name: string) => {
      const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()])
      return readFile(await file.path())
    }
    const folder = await mkdtemp(join(tmpdir(), 'ambrel-office-'))
    await writeFile(join(folder, 'bill.xlsx'), await kept('XLSX'))
    execFileSync(OFFICE, [
      `-env:UserInstallation=file://${folder}/profile`,
      '--headless',
      '--convert-to',
      'csv:Text - txt - csv (StarCalc):44,34,76,1',
      '--outdir',
      folder,
      join(folder, 'bill.xlsx'),
    ])
    const opened = parseTable(await readFile(join(folder, 'bill.csv'), 'utf8'))
    expect(opened).toEqual(parseTable((await kept('CSV')).toString('utf8')))
    expect(errors).toEqual([])
  })
})

const LIST = [
  'Item;Preis;Einheit;Menge;Gesamt;Datum;Lieferzeit',
  'LFP 51.2 V 100 Ah rack unit;1.390,00;Stk;6;8.340,00;2026-11-02;45',
  'Split-phase 6 kW, 48 V;1.795,50;;1;1.795,50;;',
  'Split-phase 6 kW, 48 V;1.760,00;;1;1.760,00;;',
  'Mono 415 W, 108 half-cells;-3;;14;;;',
  'cable 10 AWG;1,10;;60;66,00;;',
  'An own name;12,50;;2;25,00;;',
  'Total;;;;12.500,00;;',
].join('\n')

describe('a price list', () => {
  it('is held against the bill, asks where it says two things, and is taken as one step', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    const before = await total(page)
    const start = async () => {
      await page.locator('[data-read-prices]').click()
      await page
        .locator('[data-price-list]')
        .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(LIST) })
      await page.locator('[data-price-result]').waitFor()
    }
    await start()
    const result = page.locator('[data-price-result]')
    const says = await result.innerText()
    expect(says).toContain('with decimal commas')
    expect(says).toContain('Line 5: the price of “Mono 415 W, 108 half-cells” is -3, below nothing')
    expect(says).toContain('Line 6: “cable 10 AWG” has no unit of length')
    expect(await page.locator('[data-list-total]').innerText()).toMatch(/apart\. Ask what is left out/)
    const taking = () => page.locator('[data-take-prices]').innerText()
    expect(await taking()).toBe('Take 1 price')
    // which of the two, and what the metre of cable is
    await page.locator('[data-price-match=inverter] select').selectOption({ index: 2 })
    expect(await becomes(taking, 'Take 2 prices')).toBe('Take 2 prices')
    await page.getByLabel('Cable and conduit').selectOption('m')
    await page.locator('[data-price-match="cable 10 AWG"]').waitFor()
    // what was chosen before stays chosen
    await becomes(taking, 'Take 3 prices')
    // a thing under another name
    await page.getByLabel('Give it the price of another name').selectOption('ground-bar')
    await page.getByLabel('Search the list').fill('own')
    await page.getByRole('button', { name: /^An own name/ }).click()
    await page.locator('[data-price-match=ground-bar]').waitFor()
    await page.locator('[data-take-prices]').click()
    const after = await changes(() => total(page), before)
    expect(after).not.toBe(before)
    expect(await fieldAt(page, 'bank.part.price').inputValue()).toBe('1390')
    expect(await fieldAt(page, await path(page, 'ground-bar', 'unitPrice')).inputValue()).toBe('12.5')
    await page.locator('[data-read-prices]').waitFor()
    await page.keyboard.press('Control+z')
    await becomes(() => total(page), before)
    expect(errors).toEqual([])
  })

  it('is read from a workbook; what is none says so', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'XLSX' }).click(),
    ])
    const book = await readFile(await file.path())
    await page.locator('[data-read-prices]').click()
    const give = (name: string, buffer: Buffer) =>
      page.locator('[data-price-list]').setInputFiles({ name, mimeType: 'application/octet-stream', buffer })
    await give('broken.xlsx', Buffer.from('no workbook'))
    await page.getByText('broken.xlsx: it is no workbook that can be read').waitFor()
    await give('bill.xlsx', book)
    const lines = await page.locator('[data-bill-row]').count()
    await page.locator('[data-price-result]').waitFor()
    // the bill’s own list falls on every line of it
    expect(await page.locator('[data-price-match]').count()).toBeGreaterThanOrEqual(lines)
    expect(errors).toEqual([])
  })
})

describe('what it costs over its life', () => {
  const figure = (page: Page) => page.locator('[data-life-cost] .figure b').first().innerText()
  it('follows the terms, tells its working, and holds the design against other ways', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await page.locator('[data-life-cost]').waitFor()
    const before = await figure(page)
    await page.locator('[data-working="money.presentValue"]').click()
    await page.getByText('left at the end').first().waitFor()
    await page.keyboard.press('Escape')
    expect(await page.locator('[data-way=grid]').innerText()).toContain('cheaper from the first day')
    expect(await page.locator('[data-way=nothing]').innerText()).toContain('never in 25 years')
    await setField(page, 'budget.others.gridQuote', '9000')
    await page.locator('[data-way=grid]', { hasText: 'never in 25 years' }).waitFor()
    await setField(page, 'budget.life.years', '10')
    await changes(() => figure(page), before)
    // another variant has a life of its own
    await page.getByRole('link', { name: 'Flooded bank' }).click()
    await page.locator('[data-life-cost] .figure', { hasText: 'the bank lasts' }).getByText('10 years').waitFor()
    await page.getByRole('link', { name: 'As planned' }).click()
    await page.locator('[data-life-cost] .figure', { hasText: 'the bank lasts' }).getByText('15 years').waitFor()
    for (const key of ['gridQuote', 'unitPrice', 'nothingYearly']) await setField(page, `budget.others.${key}`, '')
    // only a generator alone is left to pay back against
    await becomes(async () => String(await page.locator('[data-way]').count()), '2')
    expect(errors).toEqual([])
  })

  it('a phase costs and gives what it says, and a new one is put to use', async () => {
    const { page, errors } = await open('Larkspur Bench', 'More sun, less bank')
    const phase = (id: string) => page.locator(`[data-phase=${id}]`)
    await phase('phase-1').getByText(' L').waitFor()
    const hours = async (id: string) => Number(await phase(id).locator('td').nth(5).innerText())
    expect(await hours('now')).toBeGreaterThan(await hours('phase-1'))
    await page.getByRole('button', { name: 'another phase' }).click()
    await phase('phase-2').waitFor()
    await row(page, 'generator')
      .getByRole('button', { name: /^Terms of/ })
      .click()
    // its place is another once something is said of it
    const of = async (field: string) =>
      (await page.locator('tr.terms [data-path$=".status"]').getAttribute('data-path'))!.replace('status', field)
    await fieldAt(page, await of('status')).selectOption('later')
    await page.locator('tr.terms [data-path$=".phase"]').waitFor()
    await fieldAt(page, await of('phase')).selectOption('phase-2')
    await changes(() => phase('phase-2').locator('td').nth(2).innerText(), '0.00')
    // quoted before the day it is bought on
    await setField(page, await of('quotedOn'), '2026-01-05')
    await setField(page, 'budget.phases.1.buyOn', '2029-06-01')
    await page.getByText(/The quote for .* ends 2026-02-04/).waitFor()
    expect(errors).toEqual([])
  })

  it('variants stand side by side by their cost', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    const card = page.locator('[data-variants]')
    await card.getByLabel('Flooded bank').check()
    await card.locator('[data-compare]').click()
    await card.getByText('over 25 years').waitFor()
    expect(await card.locator('tbody tr').count()).toBe(12)
    expect(errors).toEqual([])
  })

  it('a kit takes the place of its lines', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    const before = await total(page)
    await page.locator('[data-kits] .el-select').click()
    await page.getByRole('option', { name: 'LFP 51.2 V 100 Ah rack unit' }).click()
    await page.keyboard.press('Escape')
    await page.locator('[data-make-kit]').click()
    await page.locator('[data-kit=kit-1]').waitFor()
    expect(await row(page, 'bank').innerText()).toContain('in a kit')
    expect(await total(page)).toBe(before)
    // a slip of the hand is told, and gone once the figure is as it was
    const price = fieldAt(page, 'budget.kits.0.price')
    const was = await price.inputValue()
    await price.fill('abc')
    await price.press('Enter')
    await page.getByText('“abc” is not a number').waitFor()
    await price.fill(was)
    await price.press('Enter')
    await page.getByText('“abc” is not a number').waitFor({ state: 'detached' })
    await setField(page, 'budget.kits.0.price', '7000')
    await changes(() => total(page), before)
    expect(errors).toEqual([])
  })
})
