import { describe, expect, it } from 'vitest'
import type { Page } from 'playwright-core'
import type { StoredDesign } from '@ambrel/contract'
import { takePage } from './browser.ts'
import { largeDesign } from './largeDesign.ts'
import {
  becomes,
  centre,
  changes,
  drag,
  goTo,
  openDemo,
  rail,
  redrawn,
  saved,
  setField,
  still,
  strip,
} from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()

async function loadsOf(variant = 'As planned') {
  const opened = await takePage(application.browser, { height: 1000 })
  await openDemo(opened.page, application.base, variant)
  await opened.page.keyboard.press('2')
  await opened.page.locator('tbody.load').first().waitFor()
  // what lies lower comes at rest, and this box with it
  await opened.page.locator('[data-add-load]').waitFor()
  return opened
}
const names = (page: Page) =>
  page
    .locator('tbody.load:not(.drag-carried) td.name input')
    .evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value))
const undo = (page: Page) => page.getByRole('button', { name: 'Undo', exact: true }).click()

describe('the load list', () => {
  it('loads are added by what people call them, several at once, with what is known of them', async () => {
    const { page, errors } = await loadsOf()
    const before = await names(page)
    await page.keyboard.press('n')
    await page.keyboard.type('tv')
    await page.getByRole('option', { name: /^Television/ }).waitFor()
    await page.keyboard.press('Enter')
    await becomes(async () => (await names(page)).slice(before.length).join(), 'Television')
    const box = page.getByLabel('Add loads by name')
    await box.fill('fridge, 6 bulbs, grain quern 45W 3h')
    await page.getByRole('option', { name: /^add 3 loads: Refrigerator; LED bulb × 6; “grain quern”/ }).waitFor()
    await box.press('Enter')
    await becomes(
      async () => (await names(page)).slice(before.length).join(),
      'Television,Refrigerator,LED bulb,Grain quern',
    )
    expect(await page.getByLabel('LED bulb, how many').inputValue()).toBe('6')
    expect(await page.getByLabel('Grain quern, running watts').inputValue()).toBe('45')
    for (let i = 0; i < 2; i++) await undo(page)
    expect(await names(page)).toEqual(before)
    expect(errors).toEqual([])
  })

  it('several loads are changed at once, copied, removed and brought back in single steps', async () => {
    const { page, errors } = await loadsOf()
    const before = await names(page)
    await page.getByLabel(`Select ${before[0]}`, { exact: true }).click()
    await page.getByLabel(`Select ${before[2]}`, { exact: true }).click({ modifiers: ['Shift'] })
    expect(await page.locator('[data-bulk] b').innerText()).toBe('3 selected')
    await page.locator('[data-bulk]').getByLabel('Priority').selectOption('can wait')
    for (const name of before.slice(0, 3))
      expect(await page.getByLabel(`${name}, priority`, { exact: true }).locator('option:checked').innerText()).toBe(
        'can wait',
      )
    await page.locator('[data-bulk]').getByText('duplicate').click()
    expect((await names(page)).slice(before.length)).toEqual(before.slice(0, 3).map((name) => `${name} 2`))
    await page.locator('[data-bulk]').getByText('remove').click()
    expect(await page.locator('[data-bulk]').count()).toBe(0)
    expect((await names(page)).slice(0, before.length - 3)).toEqual(before.slice(3))
    for (let i = 0; i < 3; i++) await undo(page)
    expect(await names(page)).toEqual(before)
    expect(errors).toEqual([])
  })

  it('is reordered by dragging and by keys, and shown room by room', async () => {
    const { page, errors } = await loadsOf()
    const before = await names(page)
    const grip = (i: number) => page.locator('tbody.load').nth(i).locator('.grip')
    const order = async () => (await names(page)).join('|')
    const wanted = [before[1], before[2], before[3], before[0], ...before.slice(4)].join('|')
    const { height } = await still(page.locator('tbody.load').nth(3))
    const apart = centre(await still(grip(3))).y - centre(await still(grip(0))).y
    await drag(page, grip(0), { dx: 0, dy: apart + height / 4 }, () => becomes(order, wanted))
    await saved(page)
    await becomes(order, wanted)
    await page.locator('tbody.load').nth(3).locator('td.name input').press('Alt+ArrowUp')
    expect((await names(page))[2]).toBe(before[0])
    await undo(page)
    await undo(page)
    expect(await names(page)).toEqual(before)
    await page.locator('[data-by-room]').click()
    expect(await page.locator('tbody.room').first().innerText()).toMatch(/Wh/)
    expect((await names(page)).sort()).toEqual([...before].sort())
    expect(errors).toEqual([])
  })

  it('rows pasted from a spreadsheet are added, wrong ones named by line; the list goes out as CSV and comes back', async () => {
    const { page } = await loadsOf()
    const before = await names(page)
    await page.evaluate(
      "(() => { const data = new DataTransfer(); data.setData('text/plain', 'Kiln\\t1.5 kW\\t30 min\\nFan\\t40 V\\t8'); document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true })) })()",
    )
    await page.getByText('line 2, running W: “V” is not a unit that fits here').waitFor()
    await page.locator('[data-take-cells]').click()
    await changes(async () => String((await names(page)).length), String(before.length))
    expect((await names(page)).at(-1)).toBe('Kiln')
    const download = page.waitForEvent('download')
    await page.locator('[data-save-loads]').click()
    let text = ''
    for await (const chunk of await (await download).createReadStream()) text += String(chunk)
    expect(text.split('\n')[0]).toContain('name,room,quantity,running W')
    await page.locator('[data-paste-loads]').click()
    await page
      .locator('[data-cells-file]')
      .setInputFiles({ name: 'loads.csv', mimeType: 'text/csv', buffer: Buffer.from(`\uFEFF${text}`) })
    await page.getByText('Understood:').waitFor()
    await page.locator('[data-take-cells]').click()
    await changes(async () => String((await names(page)).length), String(before.length + 1))
    expect((await names(page)).length).toBe(2 * (before.length + 1))
  })

  it('the hours of a day are drawn by pointer and by keys, and a shape is picked', async () => {
    const { page } = await loadsOf()
    await page.getByLabel('Details of Laptop').first().click()
    const slot = page.locator('.bars .slot').nth(2)
    const height = () => slot.getAttribute('aria-valuenow').then(String)
    const before = await height()
    await slot.click()
    const half = await changes(height, before)
    await slot.press('ArrowUp')
    expect(Number(await changes(height, half))).toBeGreaterThan(Number(half))
    await page.getByLabel('Named shape').selectOption('Evening')
    await changes(async () => String((await height()) === '0'), 'false')
  })
})

describe('a long list', () => {
  /** A design of so many loads, at its list. */
  async function longList(count: number) {
    const opened = await takePage(application.browser, { height: 800 })
    const made = await fetch(`${application.base}/api/designs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: application.base },
      body: JSON.stringify(largeDesign(count, 1)),
    })
    const { id } = (await made.json()) as { id: string }
    await goTo(opened.page, application.base, `/design/${id}/loads`)
    await opened.page.locator('[data-add-load]').waitFor()
    return { ...opened, id }
  }
  const rows = (page: Page) => page.locator('tbody.load').count()

  it('draws what is in sight, and its last load is there to be edited once it is scrolled to', async () => {
    const { page, errors, id } = await longList(150)
    const last = page.locator('[data-path="loads.149.runningW"]')
    await becomes(async () => {
      await page.locator('main[data-bench]').evaluate((pane) => {
        const below = pane.querySelector('tbody.below')
        if (below) below.scrollIntoView({ block: 'end' })
      })
      return String(await last.count())
    }, '1')
    expect(await rows(page)).toBeLessThan(80)
    expect(await page.locator('[data-path="loads.0.runningW"]').count()).toBe(0)
    await setField(page, 'loads.149.runningW', '77')
    await saved(page)
    const stored = (await (await fetch(`${application.base}/api/designs/${id}`)).json()) as StoredDesign
    expect(stored.document.loads[149].runningW).toBe(77)
    expect(errors).toEqual([])
  })

  it('is drawn whole while it is short, and from the sixty-first on what is in sight of it', async () => {
    const { page, errors } = await longList(60)
    await becomes(async () => String(await rows(page)), '60')
    await page.locator('[data-add-load]').fill('tv')
    await page.getByRole('option', { name: /^Television/ }).waitFor()
    await page.keyboard.press('Enter')
    await becomes(async () => String((await rows(page)) < 60), 'true')
    await undo(page)
    await becomes(async () => String(await rows(page)), '60')
    expect(errors).toEqual([])
  })
})

describe('the weeks of a load', () => {
  it('days of use are named, the season is typed month by month, and the list and the strip follow', async () => {
    const { page, errors } = await loadsOf('Flooded bank')
    const row = page.locator('tbody.load', { has: page.getByLabel('Details of Washing machine') })
    await page.getByLabel('Details of Washing machine').click()
    const day = (name: string) => row.getByRole('group', { name: /days of the week/ }).getByRole('button', { name })
    const wh = () => row.locator('tr').first().innerText()
    await row.getByText('any: the run draws 3 days of each week').waitFor()
    const before = await strip(page)
    const drawn = await wh()
    await day('Sat').click()
    expect(await day('Sat').getAttribute('aria-pressed')).toBe('true')
    await changes(wh, drawn)
    await redrawn(page, before)
    const days = row.getByLabel('Days a week')
    await days.fill('2')
    await days.press('Enter')
    await row.getByText('2 days a week are more than the 1 that are named').waitFor()
    await days.fill('1')
    await days.press('Enter')
    await day('Sun').click()
    await becomes(() => days.inputValue(), '2')
    const both = await wh()
    await row.getByLabel('Washing machine, dec').fill('3')
    await row.getByLabel('Washing machine, dec').press('Enter')
    await changes(wh, both)
    expect(errors).toEqual([])
  })

  it('a household of weekends draws less, is told who stays on, and takes it back', async () => {
    const { page, errors } = await loadsOf()
    const before = await rail(page, 'loads')
    const home = page.getByRole('group', { name: 'At home on' })
    await page.locator('[data-household]').getByText('Somebody is always there.').waitFor()
    for (const name of ['Mon', 'Tue', 'Wed', 'Thu']) await home.getByRole('button', { name }).click()
    const less = await changes(() => rail(page, 'loads'), before)
    expect(parseFloat(less)).toBeLessThan(parseFloat(before))
    expect(await page.locator('[data-household]').getByText('Somebody is always there.').count()).toBe(0)
    for (let i = 0; i < 4; i++) await undo(page)
    await becomes(() => rail(page, 'loads'), before)
    expect(errors).toEqual([])
  })
})

describe('what a load costs and what a meter says', () => {
  it('a change is tried on the strip, told in figures, kept as one step and brought back', async () => {
    const { page, errors } = await loadsOf('More sun, less bank')
    const before = await strip(page)
    const kWh = await rail(page, 'loads')
    const row = page.locator('[data-cost]').first()
    await row.locator('[data-try=out]').click()
    await page.locator('[data-effect]', { hasText: '→' }).waitFor()
    await page.locator('section.strip .ghost').waitFor()
    expect(await strip(page)).toBe(before)
    expect(await rail(page, 'loads')).toBe(kWh)
    await page.locator('[data-cost]').nth(1).locator('[data-try=propane]').click()
    await page.locator('[data-effect]', { hasText: 'propane a year' }).waitFor()
    await page.locator('[data-effect]', { hasText: '→' }).waitFor()
    await page.locator('[data-keep-trials]').click()
    await changes(() => rail(page, 'loads'), kWh)
    await redrawn(page, before)
    expect(await page.locator('tbody.load.away').count()).toBe(2)
    await undo(page)
    await page.locator('.rail [data-step=loads] small', { hasText: kWh }).waitFor()
    expect(errors).toEqual([])
  })

  it('a meter reading replaces the guess and keeps it; taken back, the guess returns', async () => {
    const { page } = await loadsOf('Flooded bank')
    const task = page.locator('[data-meter]').first()
    const id = (await task.getAttribute('data-meter'))!
    await task.getByText('reading', { exact: true }).click()
    const form = page.locator('[data-reading-form]')
    await form.getByRole('button', { name: 'Record' }).click()
    await form.getByText('kWh nothing must lie between').waitFor()
    await form.getByLabel('The meter says').fill('2,16')
    await form.getByRole('button', { name: 'Record' }).click()
    await page.locator('[data-measured]').waitFor()
    const basis = () => page.locator(`[data-load="${id}"] td.basis select option:checked`).innerText()
    expect(await basis()).toBe('metered')
    expect(await page.locator('[data-measured]').innerText()).toMatch(/720\sWh a day\s+7\s% over the guess of 672\sWh/)
    await saved(page)
    await page
      .locator('[data-measured]')
      .getByLabel(/Remove the reading/)
      .click()
    expect(await changes(basis, 'metered')).toBe('nameplate')
  })

  it('both schools of coincidence are shown and either rules', async () => {
    const { page } = await loadsOf()
    const figure = () => page.locator('[data-working="loads.peak"] b').innerText()
    const before = await figure()
    await page.locator('[data-peak=everything]').click()
    const all = await changes(figure, before)
    expect(parseFloat(all)).toBeGreaterThan(parseFloat(before))
    expect(await page.locator('[data-peak=everything] b').innerText()).toBe(all)
  })
})
