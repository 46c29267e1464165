import { describe, expect, it } from 'vitest'
import type { Page } from 'playwright-core'
import { takePage } from './browser.ts'
import {
  becomes,
  changes,
  drag,
  drawn,
  FEW_WINTERS,
  goTo,
  newDesign,
  openDemo,
  rail,
  redrawn,
  saved,
  setField,
  strip,
  unfold,
} from './pages.ts'
import { useApplication } from './server.ts'
import { hourlyCsv } from './weatherFiles.ts'

const application = useApplication()

const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

async function offer(page: Page, name: string, text: string): Promise<void> {
  await page.locator('[data-import-weather]').click()
  await page.locator('[data-weather-file]').setInputFiles(file(name, text))
}
const sourcesShown = (page: Page) => page.locator('[data-sources] tbody tr').count()

describe('imported hours', () => {
  it('are mapped, read, reported, kept, run, compared, shared with another design, and survive a reload', async () => {
    const { page, errors } = await takePage(application.browser)
    await newDesign(page, application.base, 'Hour cabin')
    await setField(page, 'place.latitudeDeg', "48° 12' N")
    await setField(page, 'place.longitudeDeg', '115 24 00 W')
    const gap = (row: string[], hour: number) => (hour >= 5000 && hour < 5004 ? [row[0], 'x', row[2]] : row)
    await offer(page, 'valley.csv', hourlyCsv(2, gap))
    await page.locator('[data-read-weather]').waitFor()
    expect(await page.getByLabel('Column of global horizontal irradiance').inputValue()).toBe('1')
    expect(await page.getByLabel('Decimals').locator('option:checked').innerText()).toContain('comma')
    await page.getByLabel('Clock, h from UTC').fill('-7')
    await page.locator('[data-read-weather]').click()
    const report = page.locator('[data-import-report]')
    await report.waitFor()
    expect(await report.innerText()).toMatch(/2 years from 17520 rows/)
    expect(await report.innerText()).toContain('8 hours filled')
    await report.getByText('refused').click()
    expect(await report.innerText()).toContain('row 5002: global horizontal irradiance “x” is not a number')
    await page.locator('[data-store-weather]').click()
    await page.locator('[data-source=fitted][aria-checked=true]').waitFor()
    await saved(page)

    await page.locator(`section.strip[data-years="${FEW_WINTERS}"]`).waitFor()
    const fitted = await strip(page)
    await page.locator('[data-source=hours]').click()
    await redrawn(page, fitted)
    await page.locator('section.strip[data-years="2"]').waitFor()
    expect(await page.locator('.findings', { hasText: 'cannot show a 1-in-10 winter' }).count()).toBe(1)
    await changes(async () => String((await sourcesShown(page)) === 4), 'false')
    await saved(page)
    await page.reload()
    await drawn(page)
    await page.locator('section.strip[data-years="2"]').waitFor()

    await page.goto(application.base)
    await page.locator('.family', { hasText: 'Hour cabin' }).locator('[data-mini=drawn]').waitFor()

    await newDesign(page, application.base, 'Neighbour cabin')
    await page.getByLabel('Weather file', { exact: true }).selectOption({ index: 1 })
    await page.locator('[data-source=fitted][aria-checked=true]').waitFor()
    expect(errors).toEqual([])
  })

  it('a file that cannot be used says why, with rows, and nothing is lost', async () => {
    const { page } = await takePage(application.browser)
    await openDemo(page, application.base, 'Flooded bank')
    await page.keyboard.press('1')
    const before = await strip(page)
    await offer(
      page,
      'broken.csv',
      hourlyCsv(1, (row, hour) => (hour >= 100 && hour < 120 ? [row[0], '', row[2]] : row)),
    )
    await page.locator('[data-read-weather]').click()
    const problem = page.locator('[data-import-problem]')
    await problem.waitFor()
    expect(await problem.innerText()).toContain('20 hours without sun')
    expect(await problem.innerText()).toContain('rows 102–121')
    await page.locator('[data-weather-file]').setInputFiles(file('noise.csv', '\u0000\u0001 nothing'))
    await page.locator('[data-import-problem]', { hasText: 'not text' }).waitFor()
    await page.getByRole('button', { name: 'Leave it' }).click()
    expect(await strip(page)).toBe(before)
  })

  it('a long file shows how far it is, and is left at once without a trace', async () => {
    const { page } = await takePage(application.browser)
    await openDemo(page, application.base, 'Flooded bank')
    await page.keyboard.press('1')
    const minutes = ['time,GHI,temp']
    for (let minute = 0; minute < 525_600; minute++)
      minutes.push(`${new Date(Date.UTC(2011, 0, 1) + minute * 60_000).toISOString().slice(0, 16)},${minute % 700},1.5`)
    const listed = async () => (await (await fetch(`${application.base}/api/weather`)).json()).length
    const before = await listed()
    await offer(page, 'minutes.csv', minutes.join('\n'))
    await page.locator('[data-read-weather]').waitFor()
    // how far it is stands there for moments: the page itself leaves the file as soon as it says so
    const said = page.evaluate(
      () =>
        new Promise<string>((resolve) => {
          const observer = new MutationObserver(() => {
            const words = /Reading minutes\.csv: [1-9]\d? %/.exec(document.body.textContent)
            const cancel = [...document.querySelectorAll('button')].find((each) => each.textContent.trim() === 'Cancel')
            if (!words || !cancel) return
            observer.disconnect()
            cancel.click()
            resolve(words[0])
          })
          observer.observe(document.body, { subtree: true, childList: true, characterData: true })
        }),
    )
    await page.locator('[data-read-weather]').click()
    expect(await said).toContain('minutes.csv')
    await page.getByText('Import hours of weather').waitFor({ state: 'hidden' })
    await page.waitForTimeout(500)
    expect(await listed()).toBe(before)
  })

  it('a design whose hours are not on this server says so, and goes on with its rows', async () => {
    const { page } = await takePage(application.browser)
    await openDemo(page, application.base)
    const id = page.url().match(/[0-9a-f-]{36}/)![0]
    const stored = await (await fetch(`${application.base}/api/designs/${id}`)).json()
    const { monthly, persistence, windMS } = stored.document.place
    const fitted = { monthly, persistence, windMS, interannualPct: null, lowestC: -20, highestC: 30 }
    const gone = {
      ...fitted,
      fileId: '11111111-2222-4333-8444-555555555555',
      name: 'Lost hours',
      years: 3,
      utcOffsetH: -7,
    }
    const document = {
      ...stored.document,
      name: 'Orphan',
      place: { ...stored.document.place, source: 'hours', hours: gone },
    }
    const made = await fetch(`${application.base}/api/designs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: application.base },
      body: JSON.stringify(document),
    })
    const orphan = (await made.json()) as { id: string }
    await goTo(page, application.base, `/design/${orphan.id}/place`)
    await page.locator('section.strip .lacks', { hasText: 'not on this server' }).waitFor()
    await page.locator('[data-source=monthly]').click()
    await drawn(page)
  })
})

describe('the place by hand', () => {
  it('takes monthly rows from a spreadsheet, tells what is wrong with them, and undoes in one step', async () => {
    const { page } = await takePage(application.browser)
    await openDemo(page, application.base)
    await page.keyboard.press('1')
    await page.locator('[data-paste-climate]').click()
    const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
    const rows = (sun: (m: number) => string) =>
      ['Month\tSun', ...months.map((name, m) => `${name}\t${sun(m)}`)].join('\n')
    await page.locator('[data-cells]').fill(rows((m) => (m === 4 ? '52 kWh/m²' : '1,9')))
    await page.getByText('line 6, sun: 52 kWh/m² must lie between 0 and 14').waitFor()
    await page.locator('[data-cells]').fill(rows(() => '1,9 kWh/m²'))
    const before = await rail(page, 'place')
    await page.locator('[data-take-cells]').click()
    await changes(() => rail(page, 'place'), before)
    expect(await page.locator('[data-path="place.monthly.4.ghiKWhM2Day"]').inputValue()).toBe('1.9')
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    expect(await changes(() => rail(page, 'place'), '')).toBe(before)
  })

  it('a coordinate beyond its range, a wrong letter and a clock off the sun are named', async () => {
    const { page } = await takePage(application.browser)
    await newDesign(page, application.base, 'Lost cabin')
    await setField(page, 'place.latitudeDeg', '95')
    await page.getByText('latitude 95 is beyond 90°').waitFor()
    await setField(page, 'place.latitudeDeg', '46 30 E')
    await page.getByText('a latitude takes N or S').waitFor()
    await setField(page, 'place.latitudeDeg', '46 30 S')
    await setField(page, 'place.longitudeDeg', '147 E')
    await page.locator('.findings', { hasText: 'away from the sun’s' }).waitFor()
    await unfold(page)
    await page.locator('[data-take-clock]').click()
    expect(await page.locator('[data-path="place.utcOffsetH"]').inputValue()).toBe('10')
    const months = () => page.locator('section.strip .month').allTextContents()
    await changes(async () => (await months())[0].trim(), 'Oct')
    expect((await months()).map((month) => month.trim()).join(' ')).toBe('Apr May Jun Jul Aug Sep Oct')
  })

  it('the horizon is dragged as one step, told as it goes, moved by keys, read from rows and written out', async () => {
    const { page, errors } = await takePage(application.browser)
    await openDemo(page, application.base, 'More sun, less bank')
    await page.keyboard.press('1')
    const point = page.locator('[data-horizon="2"]')
    const lost = () => page.locator('[data-lost]').last().innerText()
    const before = await lost()
    const elevation = () => page.locator('[data-path="place.horizon.2.elevationDeg"]').inputValue()
    const stood = await elevation()
    const sunBefore = await rail(page, 'place')
    await drag(page, point, { dx: 0, dy: -50 }, async () => {
      expect(Number(await changes(lost, before))).toBeGreaterThan(Number(before))
      expect(await elevation()).toBe(stood)
    })
    await changes(elevation, stood)
    await changes(() => rail(page, 'place'), sunBefore)
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await becomes(elevation, stood)

    await point.focus()
    await page.keyboard.press('ArrowUp')
    expect(Number(await changes(elevation, stood))).toBe(Number(stood) + 0.5)
    const count = await page.locator('[data-horizon]').count()
    await point.press('+')
    const points = async () => String(await page.locator('[data-horizon]').count())
    await becomes(points, String(count + 1))
    await point.press('Delete')
    await becomes(points, String(count))
    await page.locator('svg.sun').dblclick({ position: { x: 60, y: 40 } })
    await page.locator(`[data-horizon="${count}"]`).waitFor()
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await page.locator(`[data-horizon="${count}"]`).waitFor({ state: 'detached' })

    await page.locator('[data-horizon-in]').click()
    await page.locator('[data-cells]').fill('azimuth,elevation,cover\n90,12,terrain\n180,95,evergreen')
    await page.getByText('line 3, elevation: 95° must lie between 0 and 90°').waitFor()
    await page.locator('[data-cells]').fill('azimuth,elevation,cover\n90,12,terrain\n180,9.5,evergreen')
    await page.locator('[data-take-cells]').click()
    await changes(async () => String(await page.locator('[data-horizon]').count()), String(count))
    const download = page.waitForEvent('download')
    await page.locator('[data-horizon-out]').click()
    const saved = await (await download).createReadStream()
    let text = ''
    for await (const chunk of saved) text += String(chunk)
    expect(text).toBe('azimuth,elevation,cover\n90,12,terrain\n180,9.5,evergreen\n')
    expect(errors).toEqual([])
  })
})
