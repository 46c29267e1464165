import { mkdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { Page } from 'playwright-core'
import { openBrowser, openPage } from './browser.ts'

/** Takes the pictures of docs/screenshots from the demo of a running application. */
const base = process.argv[2]
if (!base) throw new Error('usage: npm run screenshots -- http://127.0.0.1:4870')
const folder = fileURLToPath(new URL('../../docs/screenshots/', import.meta.url))
mkdirSync(folder, { recursive: true })
const KEYS: Record<string, string> = {
  place: '1',
  loads: '2',
  bank: '3',
  array: '4',
  inverter: '5',
  generator: '6',
  winter: '7',
  wiring: '8',
  cost: '9',
  build: '0',
  log: '-',
}
const settle = (page: Page) => page.waitForTimeout(2500)

async function openDemo(page: Page, family: string, variant: string): Promise<void> {
  await page.goto(base)
  await page.locator('.family', { hasText: family }).getByRole('link', { name: variant }).click()
  await page.locator('section.strip .bar').first().waitFor()
}

/** steps that are shown whole, by day and by night, with a height that holds all of them */
const WHOLE = ['wiring', 'cost'] as const
const WHOLE_STEP_PX = { wiring: 4200, cost: 5400 }
const browser = await openBrowser()
const { page } = await openPage(browser)
await page.goto(base)
await page.locator('[data-mini=drawn]').nth(5).waitFor()
await page.screenshot({ path: `${folder}shelf.png` })
await page.locator('[data-parts]').click()
await page.locator('[data-new-part]').waitFor()
await settle(page)
await page.screenshot({ path: `${folder}parts.png` })
await openDemo(page, 'Larkspur Bench', 'As planned')
for (const [step, key] of Object.entries(KEYS)) {
  if ((WHOLE as readonly string[]).includes(step)) continue
  await page.keyboard.press(key)
  await page.locator(`[data-bench=${step}] h1`).waitFor()
  if (step === 'winter') {
    await page.locator('[data-bench=winter] [data-suggest]').click()
    await page.locator('[data-candidate]').first().waitFor()
  }
  await settle(page)
  await page.screenshot({ path: `${folder}${step}.png` })
}
await page.goto(page.url().replace(/[^/]+$/, 'report'))
await page.locator('[data-verdict]').waitFor()
await page.screenshot({ path: `${folder}report.png` })
await page.goBack()
await page.locator('[data-bench] h1').waitFor()
/** The parts of a long step further down. */
async function lower(step: string, key: string, heading: string, name: string): Promise<void> {
  await page.keyboard.press(key)
  await page.locator(`[data-bench=${step}] h1`).waitFor()
  await settle(page)
  await page.getByRole('heading', { name: heading }).scrollIntoViewIfNeeded()
  await page.getByRole('heading', { name: heading }).evaluate((element) => element.scrollIntoView({ block: 'start' }))
  await settle(page)
  await page.screenshot({ path: `${folder}${name}.png` })
}
await lower('place', '1', 'Sun paths and horizon', 'place-horizon')
await openDemo(page, 'Copper Draw', 'As found')
await lower('array', '4', 'Unlike strings together', 'array-unlike')
/** The whole of a long step. */
async function whole(of: Page, step: 'wiring' | 'cost', name: string): Promise<void> {
  const [family, variant] =
    step === 'wiring' ? ['Rowan Forks', 'As planned'] : ['Larkspur Bench', 'More sun, less bank']
  await openDemo(of, family, variant)
  await of.keyboard.press(KEYS[step])
  await of.locator(`[data-bench=${step}] h1`).waitFor()
  if (step === 'cost') {
    await of.locator('[data-variants]').getByLabel('Flooded bank').check()
    await of.locator('[data-compare]').click()
    await of.locator('[data-variants] tbody').waitFor()
  }
  await of.setViewportSize({ width: 1280, height: WHOLE_STEP_PX[step] })
  await of.locator(`[data-bench=${step}] h1`).scrollIntoViewIfNeeded()
  await settle(of)
  await of.screenshot({ path: `${folder}${name}.png` })
  await of.setViewportSize({ width: 1280, height: 800 })
}
const night = await openPage(browser, { night: true })
for (const step of WHOLE) {
  await whole(page, step, step)
  await whole(night.page, step, `${step}-night`)
}
await openDemo(night.page, 'Larkspur Bench', 'Flooded bank')
await settle(night.page)
await night.page.screenshot({ path: `${folder}winter-night.png` })
await browser.close()
