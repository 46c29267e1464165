import { readFile } from 'node:fs/promises'
import { strFromU8, unzipSync } from 'fflate'
import type { Page } from 'playwright-core'
import { describe, expect, it } from 'vitest'
import { becomes, changes, drawn, fieldAt, openVariant, rail, saved, setField } from './pages.ts'
import { useApplication } from './server.ts'

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
    await page.getByText('later, with its tax').waitFor()
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
})
