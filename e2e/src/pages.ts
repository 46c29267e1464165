import type { Browser, Page } from 'playwright-core'
import { openPage, PATIENCE_MS } from './browser.ts'

/** Heights of the strip's bars, to see whether they moved. */
export const strip = (page: Page) =>
  page
    .locator('footer.strip .bar')
    .evaluateAll((bars) => bars.map((bar) => Number(bar.getAttribute('height')).toFixed(1)).join(' '))
/** The key figure of a step on the rail. */
export const rail = (page: Page, step: string) => page.locator(`.rail [data-step=${step}] small`).innerText()
/** Waits until the design is saved. */
export const saved = (page: Page) => page.locator('[data-saved]', { hasText: /^Saved/ }).waitFor()
/** Waits until the strip is drawn. */
export const drawn = (page: Page) => page.locator('footer.strip .bar').first().waitFor()

/** Waits until a reading of the page is no longer what it was. */
export async function changes(read: () => Promise<string>, from: string): Promise<string> {
  for (const began = Date.now(); Date.now() - began < PATIENCE_MS;) {
    const now = await read()
    if (now !== from && now !== '') return now
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  throw new Error(`still ${from}`)
}

/** Opens a variant of the main demo from the shelf. */
export async function openDemo(page: Page, base: string, variant = 'As planned'): Promise<void> {
  await page.goto(base)
  await page.locator('.family', { hasText: 'Larkspur Bench' }).getByRole('link', { name: variant }).click()
  await drawn(page)
}

/** Makes a new design by the dialog. */
export async function newDesign(page: Page, base: string, name: string): Promise<void> {
  await page.goto(base)
  await page.locator('[data-new]').click()
  await page.locator('input[name=name]').fill(name)
  await page.locator('input[name=latitude]').fill('46.5')
  await page.locator('input[name=longitude]').fill('-84.2')
  await page.getByRole('button', { name: 'Make it' }).click()
  await drawn(page)
}

/** Types into the field of a place in the document. */
export async function setField(page: Page, path: string, value: string): Promise<void> {
  const field = page.locator(`[data-path="${path}"]`)
  await field.fill(value)
  await field.press('Enter')
}

/** Opens a demo variant from the shelf at a step, by the step's key. */
export async function openVariant(browser: Browser, base: string, family: string, variant: string, step: string) {
  const opened = await openPage(browser, { height: 1000 })
  const { page } = opened
  await page.goto(base)
  await page.locator('.family', { hasText: family }).getByRole('link', { name: variant }).click()
  await drawn(page)
  await page.keyboard.press(step)
  await page.locator('[data-bench] h1').waitFor()
  return opened
}
