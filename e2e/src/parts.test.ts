import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import type { Page } from 'playwright-core'
import { takePage } from './browser.ts'
import { becomes, goTo, openVariant, saved } from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()

async function partsPage() {
  const opened = await takePage(application.browser)
  await goTo(opened.page, application.base, '/parts')
  await opened.page.locator('[data-new-part]').waitFor()
  return opened
}
const own = (page: Page) =>
  page
    .locator('[data-own] td.name')
    .allTextContents()
    .then((names) => names.map((name) => name.trim()).join(', '))
const dialog = (page: Page) => page.getByRole('dialog')
const put = async (page: Page, label: string, value: string) => {
  await dialog(page).getByLabel(label, { exact: true }).fill(value)
  await page.keyboard.press('Enter')
}
const keep = async (page: Page) => {
  await page.locator('[data-keep-part]').click()
  await dialog(page).waitFor({ state: 'detached' })
}
async function saveFile(page: Page, form: 'json' | 'csv'): Promise<string> {
  const [download] = await Promise.all([page.waitForEvent('download'), page.locator(`[data-export=${form}]`).click()])
  return readFileSync(await download.path(), 'utf8')
}

const SHEET = `Maximum power (Pmax) [W]            410
Open circuit voltage (Voc) [V]      37.2
Short circuit current (Isc) [A]     13.89
Temperature coefficient of Voc      -0.26 %/°C
Weight                              99 kg`

describe('parts of one’s own', () => {
  it('come from the text of a data sheet, stay after a reload, and are copied, deleted and brought back', async () => {
    const { page, errors } = await partsPage()
    await page.locator('[data-new-part]').click()
    expect(await page.locator('[data-keep-part]').isDisabled()).toBe(true)
    await page.locator('[data-paste-sheet]').click()
    await page.locator('[data-sheet-text]').fill(SHEET)
    await page.locator('[data-found] tr', { hasText: 'Open circuit voltage' }).waitFor()
    await dialog(page).getByLabel('Take Weight').uncheck()
    await page.locator('[data-take-found]').click()
    await page.locator('[data-part-field=vocV]:not(.guess)').waitFor()
    await page.locator('[data-part-field=weightKg].guess').waitFor()
    await put(page, 'Name', 'Barn roof 410')
    await keep(page)
    await page.reload()
    await becomes(() => own(page), 'Barn roof 410')
    await page.locator('[data-own] tr', { hasText: 'estimates' }).waitFor()
    await page.getByRole('button', { name: 'Copy Barn roof 410' }).click()
    await becomes(() => own(page), 'Barn roof 410, Barn roof 410, mine')
    await page.getByRole('button', { name: 'Delete Barn roof 410, mine' }).click()
    await page.getByRole('button', { name: 'Delete Barn roof 410', exact: true }).click()
    await page.locator('[data-bring-back]').click()
    await becomes(() => own(page), 'Barn roof 410')
    expect(errors).toEqual([])
  })

  it('are changed, and a change made elsewhere meanwhile is not written over unasked', async () => {
    const { page } = await partsPage()
    await page.locator('[data-kind=generator]').click()
    await page.locator('[data-new-part]').click()
    await put(page, 'Rating, sea level', '6400')
    await put(page, 'Name', 'Old set')
    await keep(page)
    await page.getByRole('button', { name: 'Change Old set' }).click()
    await put(page, 'Rating, sea level', '5000')
    const [{ id }] = (
      (await (await page.request.get(`${application.base}/api/parts?kind=generator`)).json()) as {
        id: string
        own: boolean
      }[]
    ).filter((each) => each.own)
    const part = {
      name: 'Renamed set',
      fuel: 'propane',
      ratedW: 4000,
      ratedOn: 'own',
      output: 'split',
      frequencyHz: 60,
      price: 0,
      estimated: [],
    }
    await page.request.put(`${application.base}/api/parts/${id}`, {
      data: { version: 1, part },
      headers: { 'sec-fetch-site': 'same-origin' },
    })
    await page.locator('[data-save-part]').click()
    await dialog(page).getByRole('alert').getByText('Renamed set').waitFor()
    await page.locator('[data-save-part]').click()
    await dialog(page).waitFor({ state: 'detached' })
    await page.locator('[data-own] tr', { hasText: '5 kW' }).getByText('Old set').waitFor()
  })

  it('go to a file and come back from it, and what a file has wrong is told by its line', async () => {
    const { page, errors } = await partsPage()
    const read = (name: string, text: string) =>
      page.locator('[data-parts-file]').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) })
    await read('mine.csv', 'partKind,name,ratedW,vocV,iscA\nmodule,Shed A,100,22.5,5.9\nmodule,Shed B,100,2200,5.9\n')
    await page.getByRole('status').getByText('1 part was taken from mine.csv').waitFor()
    await page.getByRole('alert').getByText('line 3: Voc: 2200 V is too large; at most 300 V').waitFor()
    const json = await saveFile(page, 'json')
    expect(json).toContain('"Shed A"')
    expect(await saveFile(page, 'csv')).toContain('Shed A')
    await page.getByRole('button', { name: 'Delete Shed A' }).click()
    await page.locator('[data-bring-back]').waitFor()
    await read('mine.json', json)
    await page
      .getByRole('status')
      .getByText(/taken from mine.json/)
      .waitFor()
    await page.locator('[data-kind=module]').click()
    await page.locator('[data-own] td.name', { hasText: 'Shed A' }).first().waitFor()
    await read('shoes.json', '{"format":"shoes"}')
    await page.getByRole('alert').getByText('this is another kind of file').waitFor()
    expect(errors).toEqual([])
  })
})

describe('in a design', () => {
  it('a unit is made from its label, kept, and its estimates are findings until the sheet’s figures are typed', async () => {
    const { page, errors } = await openVariant(
      application.browser,
      application.base,
      'Larkspur Bench',
      'Flooded bank',
      '3',
    )
    await page.locator('[data-from-label]').click()
    await dialog(page).getByLabel('Chemistry', { exact: true }).selectOption({ label: 'Flooded lead-acid' })
    await put(page, 'Nominal', '6')
    await put(page, 'Capacity', '300')
    await put(page, 'Name', 'Cart cells of the neighbour')
    await keep(page)
    await page.getByLabel('Unit', { exact: true }).locator('option:checked', { hasText: '(yours)' }).waitFor({
      state: 'attached',
    })
    const finding = page.locator('.findings [data-level=open]', {
      hasText: 'Estimates in “Cart cells of the neighbour”',
    })
    await finding.waitFor()
    const guess = page.getByLabel('≈ Resistance', { exact: true })
    await guess.fill('2.5')
    await guess.press('Enter')
    await page.getByLabel('Resistance', { exact: true }).waitFor()
    await finding.getByRole('button', { name: 'they are as the sheet says' }).click()
    await finding.waitFor({ state: 'detached' })
    await saved(page)
    expect(errors).toEqual([])
  })

  it('a power box brings its battery and its input, and leaves them again', async () => {
    const { page, errors } = await openVariant(
      application.browser,
      application.base,
      'Larkspur Bench',
      'More sun, less bank',
      '5',
    )
    const inverter = page.getByLabel('Inverter', { exact: true })
    await inverter.selectOption({ label: 'Portable power box 120 V, 2 kW, 2 kWh' })
    await page.locator('.rail [data-step=bank] small', { hasText: /^48 V · 1\.6/ }).waitFor()
    await page.locator('.rail [data-step=bank]').click()
    await page.getByText('1 × 1 of Inside a power box, LFP 51.2 V 40 Ah').waitFor()
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await page
      .getByText(/of LFP 51.2 V/)
      .first()
      .waitFor()
    expect(errors).toEqual([])
  })

  it('one meter on a strip is shared out, and a pump on its own modules says its litres', async () => {
    const { page, errors } = await openVariant(
      application.browser,
      application.base,
      'Larkspur Bench',
      'As planned',
      '2',
    )
    const strips = page.locator('[data-strips]')
    await page.locator('[data-new-strip]').click()
    await strips.getByLabel('LED lights').check()
    await strips.getByLabel('Satellite internet dish').check()
    await strips.getByRole('button', { name: 'Share it out' }).click()
    await strips.getByRole('alert').getByText('kWh nothing must lie between').waitFor()
    await strips.getByLabel('Its meter says').fill('3,36')
    await strips.getByRole('button', { name: 'Share it out' }).click()
    await page.locator('[data-strip="Strip 1"]', { hasText: '3.36 kWh in 168 h' }).waitFor()
    expect(await page.getByLabel('LED lights, stated by').locator('option:checked').innerText()).toBe('metered strip')
    await page.locator('[data-new-pump]').click()
    const litres = () => page.locator('[data-litres] td').nth(1).innerText()
    const before = Number(await litres())
    expect(before).toBeGreaterThan(100)
    const head = page.getByLabel('Lifts by', { exact: true })
    await head.fill('60 m')
    await head.press('Enter')
    await becomes(litres, String(Math.round(before / 2)))
    await saved(page)
    expect(errors).toEqual([])
  })
})
