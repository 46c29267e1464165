import { describe, expect, it } from 'vitest'
import type { Page } from 'playwright-core'
import { becomes, changes, drag, drawn, openVariant, rail, redrawn, saved, setField, strip } from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()

const open = (family: string, variant: string, step: string) =>
  openVariant(application.browser, application.base, family, variant, step)
const undo = (page: Page) => page.getByRole('button', { name: 'Undo', exact: true }).click()
const shares = (page: Page) =>
  page
    .locator('[data-share]')
    .allTextContents()
    .then((list) => list.join(' '))
const strings = (page: Page) =>
  page
    .locator('[data-string]')
    .evaluateAll((rows) => rows.map((row) => row.querySelectorAll('[data-tile]').length).join(' '))

describe('an inherited place', () => {
  it('opens with its faults found; each remedy is one click, clears its finding, and is one step to undo', async () => {
    const { page, errors } = await open('Copper Draw', 'As found', '3')
    const finding = (text: string | RegExp) => page.locator('.findings [data-level]', { hasText: text })
    await finding('carries 32 % more than its share').getByRole('button', { name: 'equal leads to bars' }).click()
    await finding('The strings share the current').waitFor()
    expect(await page.locator('.findings [data-level=stop]').count()).toBe(0)
    await finding('Charged at only').getByRole('button', { name: 'add an array' }).click()
    await finding(/Charged at up to/).waitFor()
    await page.keyboard.press('4')
    await page.locator('[data-mismatch]', { hasText: '% lost' }).waitFor()
    await finding('are unlike and work on one tracker').getByRole('button', { name: 'a tracker for each' }).click()
    await page.locator('[data-mismatch]').waitFor({ state: 'detached' })
    expect(await page.locator('[data-board]').count()).toBe(3)
    await saved(page)
    for (let i = 0; i < 3; i++) await undo(page)
    await page.locator('[data-mismatch]').waitFor()
    expect(errors).toEqual([])
  })
})

describe('the bank', () => {
  it('a unit is marked as aged and moved by pointer and by keys, and the shares follow', async () => {
    const { page, errors } = await open('Larkspur Bench', 'Flooded bank', '3')
    const even = await shares(page)
    await page.locator('[data-unit="9"]').click()
    await page.getByText('weak: 60 % left, twice the resistance').click()
    const weak = await changes(() => shares(page), even)
    await page.locator('.findings', { hasText: 'Unit 9 of the bank has aged' }).waitFor()
    await drag(page, page.locator('[data-unit="9"]'), page.locator('[data-unit="1"]'))
    const moved = await changes(() => shares(page), weak)
    expect(await page.locator('[data-unit="9"]').getAttribute('aria-label')).toBe('Unit 9, string 1')
    await page.locator('[data-unit="9"]').press('Alt+ArrowDown')
    await changes(() => shares(page), moved)
    expect(await page.locator('[data-unit="9"]').getAttribute('aria-label')).toBe('Unit 9, string 2')
    for (let i = 0; i < 3; i++) await undo(page)
    expect(await changes(() => shares(page), moved)).toBe(even)
    expect(errors).toEqual([])
  })

  it('voltage, chemistry and the schools of the hand method are taken with a click; life and cables follow', async () => {
    const { page, errors } = await open('Larkspur Bench', 'More sun, less bank', '3')
    await page.locator('[data-life]').waitFor()
    const life = () => page.locator('[data-life]').innerText()
    const before = await rail(page, 'bank')
    const lifeBefore = await life()
    await page.locator('[data-chemistry=flooded]').getByText('use this bank').click()
    await changes(() => rail(page, 'bank'), before)
    await changes(life, lifeBefore)
    await page.locator('.cables', { hasText: 'jumper from + to − of the next unit' }).waitFor()
    const flooded = await rail(page, 'bank')
    await page.locator('[data-hand] tbody tr').nth(2).getByText('use these').first().click()
    await changes(() => rail(page, 'bank'), flooded)
    await page.locator('[data-voltage="24"]').getByText('use it').click()
    // another voltage moves other parts too: it is told, and asked
    await page
      .locator('[data-voltage-asked]', { hasText: 'the inverter: 1 × “Split-phase 6 kW, 48 V” becomes' })
      .waitFor()
    await page.locator('[data-voltage-asked]').getByText('Stay at 48 V').click()
    expect(await rail(page, 'bank')).toMatch(/^48 V/)
    await page.locator('[data-voltage="24"]').getByText('use it').click()
    await page.locator('[data-take-voltage]').click()
    await page.locator('.rail [data-step=bank] small', { hasText: '24 V' }).waitFor()
    expect(await page.locator('.lacks').count()).toBe(0)
    expect(errors).toEqual([])
  })

  it('rates and cycle points are added and removed; a unit that does not divide is named', async () => {
    const { page } = await open('Gannet Skerry', 'As planned', '3')
    const rates = () => page.locator('input[data-path^="bank.part.capacities"]').count().then(String)
    const before = await rates()
    await page.getByText(/^another rate/).click()
    expect(Number(await changes(rates, before))).toBe(Number(before) + 2)
    await page.getByLabel('Remove rate 1').click()
    expect(await changes(rates, String(Number(before) + 2))).toBe(before)
    await setField(page, 'bank.inSeries', '3')
    await page.getByText('3 units of 12 V in series do not make 24 V; 2 do').first().waitFor()
  })
})

describe('the array', () => {
  it('modules and strings move over the board by pointer and by keys, and the volts follow', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned', '4')
    await page.locator('[data-string]').first().waitFor()
    expect(await strings(page)).toBe('7 7')
    await drag(page, page.locator('[data-tile]').first(), page.locator('[data-bench] h1'))
    expect(await strings(page)).toBe('7 7')
    await drag(
      page,
      page.locator('[data-string]').first().locator('[data-tile]').first(),
      page.locator('[data-string]').nth(1),
    )
    expect(await changes(() => strings(page), '7 7')).toBe('6 8')
    await page.locator('.findings', { hasText: 'are unlike and work on one tracker' }).waitFor()
    await page.locator('[data-string]').nth(1).press('Alt+ArrowUp')
    expect(await changes(() => strings(page), '6 8')).toBe('7 7')
    await page.getByRole('button', { name: 'another controller' }).click()
    const second = page.locator('[data-board]').nth(1)
    await second.waitFor()
    await drag(page, page.locator('[data-string]').first().locator('.name'), second)
    await second.locator('[data-string]').waitFor()
    await second.locator('[data-string]').press('Alt+ArrowLeft')
    await second.locator('[data-string]').waitFor({ state: 'detached' })
    await becomes(() => strings(page), '7 7')
    expect(errors).toEqual([])
  })

  it('refused layouts say why, a legal one is taken with a click', async () => {
    const { page } = await open('Larkspur Bench', 'Flooded bank', '4')
    const card = page.locator('section', { has: page.getByRole('heading', { name: 'Layouts within every limit' }) })
    await card
      .getByText(/refused: over \d+\sV on a cold dawn/)
      .first()
      .waitFor()
    const before = await rail(page, 'array')
    await card.getByText('use this layout', { exact: true }).last().click()
    await changes(() => rail(page, 'array'), before)
    await undo(page)
    await page.locator('.rail [data-step=array] small', { hasText: before }).waitFor()
  })

  it('a coefficient in mV/K or with the wrong sign is named and put right with a click', async () => {
    const { page } = await open('Larkspur Bench', 'More sun, less bank', '4')
    await page.getByText('Data sheet of the module').first().click()
    const beta = () => page.locator('[data-path="arrays.0.module.betaVocPctPerK"]').inputValue()
    await setField(page, 'arrays.0.module.betaVocPctPerK', '-97')
    await page.getByText('looks like mV/K').waitFor()
    await page.locator('[data-convert]').click()
    expect(Number(await changes(beta, '-97'))).toBeCloseTo(-0.259, 3)
    await setField(page, 'arrays.0.module.betaVocPctPerK', '0.26')
    await page.locator('[data-convert]').click()
    expect(await changes(beta, '0.26')).toBe('-0.26')
    await setField(page, 'arrays.0.module.vmpV', '80')
    await page
      .getByText(/Vmp 80\sV must lie below Voc/)
      .first()
      .waitFor()
  })

  it('seasonal tilts and a turning array change the sun and the strip', async () => {
    const { page, errors } = await open('Gannet Skerry', 'As planned', '4')
    const sun = () => page.locator('[data-working="place.worst-month-sun"] b').innerText()
    await page.locator('[data-yields]').waitFor()
    const before = await strip(page)
    await page.locator('[data-seasons]').click()
    await setField(page, 'arrays.0.tiltSeasons.0.tiltDeg', '5')
    await redrawn(page, before)
    const flat = await sun()
    await page.getByLabel('Fixed or tracking').selectOption('turning, N–S axis')
    await changes(sun, flat)
    await saved(page)
    await page.reload()
    await drawn(page)
    expect(await page.getByLabel('Fixed or tracking').inputValue()).toBe('single-axis')
    expect(errors).toEqual([])
  })
})
