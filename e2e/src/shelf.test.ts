import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import type { Page } from 'playwright-core'
import { audit } from './audit.ts'
import { openPage, takePage } from './browser.ts'
import { becomes, goTo, newDesign, openDemo, saved } from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()
const names = (page: Page) =>
  page
    .locator('.family h3')
    .allInnerTexts()
    .then((list) => list.join(', '))

/** Sheets of A4 that a page is printed on. */
const pagesOf = async (page: Page) =>
  (await page.pdf({ format: 'A4' })).toString('latin1').match(/\/Type\s*\/Page\b/g)?.length ?? 0

describe('the design shelf', () => {
  it('finds, sorts, renames, copies, puts away and brings back', async () => {
    const { page, errors } = await takePage(application.browser)
    await newDesign(page, application.base, 'Aspen hut', 'build')
    await goTo(page, application.base, '/')
    await page.locator('[data-order]').selectOption('name')
    await becomes(() => names(page), 'Aspen hut, Copper Draw, Gannet Skerry, Larkspur Bench, Rowan Forks')
    await page.locator('[data-seek]').fill('flooded')
    await becomes(() => names(page), 'Larkspur Bench')
    await page.locator('[data-seek]').fill('aspen')
    await becomes(() => names(page), 'Aspen hut')
    await page.getByRole('button', { name: 'Rename Aspen hut', exact: true }).click()
    await page.locator('[data-new-name]').fill('Aspen cabin')
    await page.keyboard.press('Enter')
    await becomes(() => names(page), 'Aspen cabin')
    await page.getByRole('button', { name: /^Copy as a design of its own/ }).click()
    await becomes(() => names(page), 'Aspen cabin, Aspen cabin copy')
    await page.getByRole('button', { name: /^Put away Aspen cabin copy/ }).click()
    await becomes(() => names(page), 'Aspen cabin')
    await page.locator('[data-show-away]').click()
    await page.getByText('back to the shelf').click()
    await becomes(() => names(page), 'Aspen cabin, Aspen cabin copy')
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: /^Save as a file Aspen cabin,/ }).click(),
    ])
    expect(JSON.parse(readFileSync(await download.path(), 'utf8'))).toMatchObject({ name: 'Aspen cabin' })
    expect(await audit(page)).toEqual([])
    expect(errors).toEqual([])
  })

  it('keeps the notes of a design and of its steps; the report has them, without tags of theirs', async () => {
    const { page, errors } = await takePage(application.browser)
    await openDemo(page, application.base, 'More sun, less bank', 'winter')
    await page.locator('[data-write-note]').click()
    await page.locator('[data-note-text]').fill('**Ask** the neighbour\n\n<img src=x onerror=alert(1)>')
    await page.locator('[data-keep-note]').click()
    await page.locator('[data-note] strong', { hasText: 'Ask' }).waitFor()
    // what is typed and not yet kept is kept when its step goes from the screen
    await page.locator('.rail [data-step=bank]').click()
    await page.locator('[data-bench=bank] [data-write-note]').click()
    await page.locator('[data-note-text]').fill('North wall')
    await page.locator('.rail [data-step=winter]').click()
    await page.locator('[data-bench=winter] [data-note] strong').waitFor()
    await page.locator('.rail [data-step=bank]').click()
    await page.locator('[data-note]', { hasText: 'North wall' }).waitFor()
    await page.locator('[data-about-open]').click()
    const about = page.getByRole('dialog')
    expect(await about.getByRole('textbox', { name: /^Notes/ }).inputValue()).toContain('## Winter\n\n**Ask**')
    await about.getByLabel('Name of this variant').fill('More sun')
    await about.locator('[data-keep-about]').click()
    await page.locator('.tabs .on', { hasText: /^More sun$/ }).waitFor()
    await saved(page)
    await page.keyboard.press('Control+k')
    await page.locator('[data-palette]').fill('report')
    await page.keyboard.press('Enter')
    await page.locator('[data-report=winter] strong', { hasText: 'Ask' }).waitFor()
    expect(await page.locator('[data-report] img').count()).toBe(0)
    await page.locator('[data-verdict]').waitFor()
    expect(await page.locator('[data-report]').count()).toBe(11)
    expect(await audit(page)).toEqual([])
    await page.emulateMedia({ media: 'print' })
    expect(await page.locator('[data-print]').isVisible()).toBe(false)
    expect(await pagesOf(page)).toBeGreaterThan(2)
    expect(errors).toEqual([])
  })

  it('prints the report with all its winters, however soon it is asked to', async () => {
    const { page } = await openPage(application.browser)
    await page.addInitScript(() => {
      window.print = () => (document.body.dataset.printed = document.querySelector('figcaption')?.textContent ?? 'none')
    })
    await openDemo(page, application.base)
    await page.goto(page.url().replace(/[^/]+$/, 'report'))
    await page.locator('[data-print]').click()
    await page.locator('body[data-printed]').waitFor()
    expect(await page.locator('body').getAttribute('data-printed')).toContain('over 30 made years')
  })

  it('prints a step whole, over as many sheets as it takes', async () => {
    const { page } = await takePage(application.browser)
    await openDemo(page, application.base)
    await page.keyboard.press('0')
    await page.locator('[data-bench=build] h1').waitFor()
    expect(await pagesOf(page)).toBeGreaterThan(1)
    await page.emulateMedia({ media: 'print' })
    const cut = await page.evaluate(() =>
      ['.frame', 'main'].map((part) => {
        const { scrollHeight, clientHeight } = document.querySelector(part)!
        return scrollHeight - clientHeight
      }),
    )
    expect(cut).toEqual([0, 0])
  })
})
