import { openBrowser, openPage } from './browser.ts'
import { largeDesign } from './largeDesign.ts'
import { becomes, fieldAt, rail } from './pages.ts'
import { startApplication } from './server.ts'

/**
 * `tsx e2e/src/large.ts [loads arrays]`: how long a design of so many takes to open, and an edit of it to show in its
 * figure and in the strip. 500 and 60 where they are left out.
 */
const [loadCount = 500, arrayCount = 60] = process.argv.slice(2).map(Number)
const EDITS = 12

const median = (values: number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]

const application = await startApplication()
const browser = await openBrowser()
try {
  const made = await fetch(`${application.base}/api/designs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: application.base },
    body: JSON.stringify(largeDesign(loadCount, arrayCount)),
  })
  const { id } = (await made.json()) as { id: string }
  const opened: number[] = []
  for (let i = 0; i < 5; i++) {
    const { page } = await openPage(browser)
    const began = performance.now()
    await page.goto(`${application.base}/design/${id}/loads`)
    await fieldAt(page, 'loads.0.runningW').waitFor()
    await page.locator('.rail [data-step=cost] small', { hasText: /\d/ }).waitFor()
    opened.push(performance.now() - began)
    await page.close()
  }
  const { page } = await openPage(browser)
  // the compiler marks functions by a name that the page does not know
  await page.addInitScript('globalThis.__name = (each) => each')
  await page.goto(`${application.base}/design/${id}/loads`)
  await fieldAt(page, 'loads.0.runningW').waitFor()
  await page.locator('section.strip .bar').first().waitFor()
  const edits: number[] = []
  const strips: number[] = []
  for (let i = 0; i < EDITS; i++) {
    const before = await rail(page, 'loads')
    const took = await page.evaluate(
      ([path, value]) =>
        new Promise<{ figure: number; strip: number }>((resolve) => {
          const field = document.querySelector<HTMLInputElement>(`[data-path="${path}"]`)!
          const figure = document.querySelector('.rail [data-step=loads] small')!
          const was = figure.textContent
          const { dataset } = document.querySelector<HTMLElement>('section.strip')!
          const run = dataset.run
          let figureMs = 0
          const began = performance.now()
          const look = () => {
            if (figureMs === 0 && figure.textContent !== was) figureMs = performance.now() - began
            const drawn = dataset.run !== run && dataset.run === dataset.edition
            if (figureMs > 0 && drawn) resolve({ figure: figureMs, strip: performance.now() - began })
            else requestAnimationFrame(look)
          }
          field.value = value
          field.dispatchEvent(new Event('input', { bubbles: true }))
          field.dispatchEvent(new Event('change', { bubbles: true }))
          look()
        }),
      ['loads.0.runningW', String(4000 + 900 * i)] as const,
    )
    edits.push(took.figure)
    strips.push(took.strip)
    await becomes(async () => String((await rail(page, 'loads')) !== before), 'true')
    await page.waitForTimeout(600)
  }
  const told = {
    loads: loadCount,
    arrays: arrayCount,
    openMs: Math.round(median(opened)),
    editMs: Math.round(median(edits)),
    stripMs: Math.round(median(strips)),
  }
  process.stdout.write(`${JSON.stringify(told)}\n`)
} finally {
  await browser.close()
  await application.stop()
}
