import { describe, expect, it } from 'vitest'
import type { Page } from 'playwright-core'
import { openPage } from './browser.ts'
import { becomes, changes, drawn, rail, saved, settled } from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()

const focused = (page: Page) =>
  page.evaluate(() => {
    const on = document.activeElement as HTMLElement
    return on.dataset.path ?? on.getAttribute('name') ?? on.getAttribute('aria-label') ?? on.textContent?.trim() ?? ''
  })
const MOST = 120

/** Goes on by Tab until what has the focus answers. */
async function tabTo(page: Page, wanted: RegExp, back = false): Promise<void> {
  const passed: string[] = []
  for (let i = 0; i < MOST; i++) {
    const now = await focused(page)
    if (wanted.test(now)) return
    passed.push(now.slice(0, 30))
    await page.keyboard.press(back ? 'Shift+Tab' : 'Tab')
  }
  throw new Error(`no Tab leads to ${String(wanted)}; it passed ${passed.join(' | ')}`)
}
/** Goes to a field by the palette, and types into it. */
async function put(page: Page, name: string, path: string, value: string): Promise<void> {
  await page.keyboard.press('Control+k')
  await page.locator('[data-palette]:focus').waitFor()
  await page.keyboard.type(name)
  await page.locator('[role=option]').first().waitFor()
  await page.keyboard.press('Enter')
  await becomes(() => focused(page), path)
  await page.keyboard.press('Control+a')
  await page.keyboard.type(value)
  await page.keyboard.press('Enter')
}
async function command(page: Page, name: string): Promise<void> {
  await page.keyboard.press('Control+k')
  await page.locator('[data-palette]:focus').waitFor()
  await page.keyboard.type(name)
  await page.keyboard.press('Enter')
}

describe('a whole design by keyboard alone', () => {
  it('from the shelf to a printed report, without a pointer', async () => {
    const { page, errors } = await openPage(application.browser)
    await page.goto(application.base)
    await page.locator('[data-mini=drawn]').first().waitFor()
    await tabTo(page, /^New design$/)
    await page.keyboard.press('Enter')
    await becomes(() => focused(page), 'name')
    await page.keyboard.type('Keyboard cabin')
    await tabTo(page, /^latitude$/)
    await page.keyboard.type('46 30 N')
    await tabTo(page, /point at it on a map/)
    await page.keyboard.press('Enter')
    await page.locator('[data-map]').waitFor()
    await tabTo(page, /^Map of the land/)
    // a first place on the map, then a degree further east
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('ArrowRight')
    const longitude = await page.locator('input[name=longitude]').inputValue()
    expect(Number(longitude)).toBeGreaterThan(-180)
    await page.keyboard.press('Enter')
    await tabTo(page, /^Make it$/)
    await page.keyboard.press('Enter')
    await page.locator('[data-bench=loads] h1').waitFor()
    await drawn(page)

    // n goes to the box of loads
    await page.keyboard.press('n')
    await becomes(() => focused(page), 'Add loads by name')
    const before = await rail(page, 'loads')
    await page.keyboard.type('fridge, 6 bulbs, laptop 45W 3h, well pump')
    await page.keyboard.press('Enter')
    await changes(() => rail(page, 'loads'), before)
    await page.keyboard.press('Escape')
    await page.keyboard.press('Tab')
    await command(page, 'suggest the whole system')
    await page.locator('.reasons').waitFor()
    await settled(page)
    await put(page, 'days without sun wanted', 'bank.autonomyDays', '2')
    expect(await page.locator('[data-path="bank.autonomyDays"]').inputValue()).toBe('2')
    await command(page, 'suggest bank')
    await page.locator('[data-bench=bank] .reasons').waitFor()
    // the index line leads to the parts of a step
    await tabTo(page, /^Which voltage$/)
    await page.keyboard.press('Enter')
    await page.locator('[data-bench=bank] h2:focus', { hasText: 'Which voltage' }).waitFor()
    for (const [key, step] of [
      ['4', 'array'],
      ['5', 'inverter'],
      ['6', 'generator'],
      ['7', 'winter'],
    ] as const) {
      await page.keyboard.press(key)
      await page.locator(`[data-bench=${step}] h1`).waitFor()
    }
    await tabTo(page, /^Lowest charge of \d+ weeks/)
    await page.keyboard.press('ArrowRight')
    await page.locator('section.strip [role=status]', { hasText: 'Week 1' }).waitFor({ state: 'attached' })
    await page.keyboard.press('0')
    await page.locator('[data-bench=build] h1').waitFor()
    await page.keyboard.press('Control+z')
    await saved(page)
    await command(page, 'report of the whole')
    await page.locator('[data-report=build]').waitFor()
    await tabTo(page, /^Print$/)
    expect(errors).toEqual([])
  })
})
