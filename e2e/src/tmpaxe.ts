import { openBrowser, openPage } from './browser.ts'
import { audit } from './audit.ts'
const base = process.argv[2]!
const browser = await openBrowser()
for (const night of [false, true]) {
  const { page } = await openPage(browser, { night })
  const tell = async (name: string) => {
    await page.waitForTimeout(700)
    const found = await audit(page)
    console.log(`## ${night ? 'night' : 'day'} ${name}: ${found.length}`)
    const seen = new Map<string, number>()
    for (const line of found) {
      const key = line.replace(/:nth-child\(\d+\)/g, '').replace(/data-v-\w+/g, '').slice(0, 230)
      seen.set(key, (seen.get(key) ?? 0) + 1)
    }
    for (const [k, n] of seen) console.log(`  ${n} × ${k}`)
  }
  await page.goto(base)
  await page.locator('[data-mini=drawn]').nth(3).waitFor()
  await tell('shelf')
  await page.goto(base + '/parts')
  await page.locator('[data-new-part]').waitFor()
  await tell('parts')
  await page.goto(base)
  await page.locator('.family', { hasText: 'Larkspur Bench' }).getByRole('link', { name: 'As planned' }).click()
  await page.locator('footer.strip .bar').first().waitFor()
  for (const [s, k] of Object.entries({ place: '1', loads: '2', bank: '3', array: '4', inverter: '5', generator: '6', winter: '7', wiring: '8', cost: '9', build: '0', log: '-' })) {
    await page.keyboard.press(k)
    await page.locator(`[data-bench=${s}] h1`).waitFor()
    await page.waitForTimeout(1200)
    await tell(s)
  }
}
await browser.close()
