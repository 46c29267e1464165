import { describe, expect, it } from 'vitest'
import { takePage } from './browser.ts'
import { becomes, changes, fieldAt, newDesign, openVariant, rail, saved, setField } from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()

describe('a whole system from place and loads', () => {
  it('comes by one button with its reasons and its winters, without a stop, and goes by one', async () => {
    const { page, errors } = await takePage(application.browser)
    await newDesign(page, application.base, 'Advised homestead', 'loads')
    const before = await rail(page, 'bank')
    await page.locator('[data-suggest-whole]').click()
    await page.locator('.reasons li', { hasText: 'Over 20 years of weather' }).waitFor()
    for (const part of ['Bank: ', 'Inverter: ', 'Array: ', 'Backup: ', 'Wiring: '])
      expect(await page.locator('.reasons li', { hasText: part }).count(), part).toBeGreaterThan(0)
    await page.locator('.findings button, .findings a', { hasText: /all \d+/ }).click()
    expect(await page.locator('.findings [data-level=stop]').count()).toBe(0)
    await page.locator('[data-withdraw]').click()
    await becomes(() => rail(page, 'bank'), before)
    expect(errors).toEqual([])
  })
})

describe('what is typed with a unit', () => {
  it('is converted in any field, and 80 ft stay 80 ft', async () => {
    const { page } = await takePage(application.browser)
    await newDesign(page, application.base, 'Long trench', 'wiring')
    // nobody has measured it: it has no place of its own in the document until then
    const line = await page.locator('[data-circuit-row=panel] input').getAttribute('data-path')
    await setField(page, line!, '80 ft')
    expect(await fieldAt(page, 'circuits.0.oneWayM').inputValue()).toBe('24.384')
    await page.keyboard.press('2')
    await setField(page, 'loads.0.runningW', '2 x 100')
    expect(await fieldAt(page, 'loads.0.runningW').inputValue()).toBe('200')
    await setField(page, 'loads.0.runningW', '1,500')
    await page.getByText('may be 1500 or 1.500').waitFor()
    await saved(page)
    await page.getByRole('button', { name: 'change units' }).click()
    await page.keyboard.press('8')
    await becomes(() => fieldAt(page, 'circuits.0.oneWayM').inputValue(), '80')
  })
})

describe('layouts, owned parts and what comes next', () => {
  it('a layout for another array is taken beside the first; an owned part costs nothing', async () => {
    const { page, errors } = await openVariant(
      application.browser,
      application.base,
      'Larkspur Bench',
      'As planned',
      '4',
    )
    await page.getByRole('button', { name: 'another array' }).click()
    await page.getByLabel('Of array', { exact: true }).selectOption('1')
    const array = await rail(page, 'array')
    await page.getByRole('button', { name: 'use this layout', exact: true }).first().click()
    await changes(() => rail(page, 'array'), array)
    await page.keyboard.press('9')
    const cost = await rail(page, 'cost')
    await page.getByLabel('Split-phase 6 kW, 48 V is there already').check()
    await changes(() => rail(page, 'cost'), cost)
    expect(errors).toEqual([])
  })
})
