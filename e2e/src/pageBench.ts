import { existsSync } from 'node:fs'
import { chromium, type Page } from 'playwright-core'
import { STEPS } from '@ambrel/core'
import CHROMIUMS from '../../scripts/chromium.json' with { type: 'json' }
import { largeDesign } from './largeDesign.ts'
import { startApplication } from './server.ts'

/**
 * `npm run bench:page [-- loads arrays]`: what the page costs, a line of JSON a size of design. Without a size: 17 loads and
 * 1 array, 150 and 3, 500 and 60. Bytes and main-thread time are of a cold cache until the first step can be used.
 */
const SIZES: [number, number][] = [
  [17, 1],
  [150, 3],
  [500, 60],
]
const asked = process.argv.slice(2).map(Number)
const sizes = asked.length === 2 ? [[asked[0], asked[1]] as [number, number]] : SIZES
const OPENINGS = 5
const EDITS = 24
const ROUNDS = 3
const REST_MS = 700

const sorted = (values: number[]) => values.toSorted((a, b) => a - b)
const at = (values: number[], share: number) =>
  Math.round(sorted(values)[Math.min(values.length - 1, Math.floor(values.length * share))])

const application = await startApplication()
// as a reader has it: with the compiler that the tests leave out
const browser = await chromium.launch({
  executablePath: CHROMIUMS.find((path) => existsSync(path)),
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
})
/** Marks the first picture of the bench: a field of the step, a figure at the end of the rail, and the frame they are drawn in. */
const WATCH = `globalThis.usable = new Promise((resolve) => {
  const watcher = new MutationObserver(() => {
    const figure = document.querySelector('.rail [data-step=cost] small')
    if (!document.querySelector('[data-path="loads.0.runningW"]') || !/\\d/.test(figure?.textContent ?? '')) return
    watcher.disconnect()
    requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel()
      port1.onmessage = () => resolve(performance.mark('usable').startTime)
      port2.postMessage(null)
    })
  })
  watcher.observe(document, { childList: true, subtree: true, characterData: true })
})
globalThis.__name = (each) => each` // the compiler of this file marks functions by a name that the page does not know

interface TraceEvent {
  name: string
  ph: string
  pid: number
  tid: number
  ts: number
  dur?: number
}
const TASK = 'ThreadControllerImpl::RunTask'

/**
 * Opens a design with a cold cache. Until it can be used nothing is asked of the page but the one promise: the tools of a
 * test, put into it, would cost it a twentieth of a second of their own.
 */
async function open(address: string) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  await page.addInitScript(WATCH)
  const session = await context.newCDPSession(page)
  await session.send('Network.enable')
  const loaded: { at: number; bytes: number }[] = []
  session.on('Network.loadingFinished', ({ timestamp, encodedDataLength }) =>
    loaded.push({ at: timestamp * 1e6, bytes: encodedDataLength }),
  )
  const tracing = await browser.newBrowserCDPSession()
  const events: TraceEvent[] = []
  tracing.on('Tracing.dataCollected', ({ value }) => events.push(...(value as unknown as TraceEvent[])))
  await tracing.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: ['toplevel', 'blink.user_timing'] },
  })
  await session.send('Page.navigate', { url: address })
  let openMs = 0
  while (openMs === 0) {
    const asked = session.send('Runtime.evaluate', {
      expression: `location.pathname.startsWith('/design') ? globalThis.usable : 0`,
      awaitPromise: true,
    })
    // the page before it may be asked, and go
    openMs = await asked.then(({ result }) => Number(result.value) || 0).catch(() => 0)
  }
  const ended = new Promise((resolve) => tracing.once('Tracing.tracingComplete', resolve))
  await tracing.send('Tracing.end')
  await ended
  await tracing.detach()
  const usable = events.find(({ name }) => name === 'usable')!
  const begun = usable.ts - openMs * 1000
  const tasks = events.filter(
    ({ name, ph, pid, tid, ts }) =>
      name === TASK && ph === 'X' && pid === usable.pid && tid === usable.tid && ts >= begun && ts < usable.ts,
  )
  const mainMs = tasks.reduce((sum, { ts, dur = 0 }) => sum + Math.min(dur, usable.ts - ts), 0) / 1000
  const bytes = loaded.filter(({ at: when }) => when <= usable.ts).reduce((sum, each) => sum + each.bytes, 0)
  return { context, page, openMs, kB: bytes / 1000, mainMs }
}

/** From the key that takes an entry to the figure on the rail, and to the strip of the whole run. */
const edit = (page: Page, value: string) =>
  page.evaluate(
    ([path, typed]) =>
      new Promise<{ figure: number; strip: number; whole: number }>((resolve) => {
        const field = document.querySelector<HTMLInputElement>(`[data-path="${path}"]`)!
        const figure = document.querySelector('.rail [data-step=loads] small')!
        const bars = () => document.querySelector('section.strip svg')?.innerHTML ?? ''
        const was = figure.textContent
        const drawn = bars()
        const { dataset } = document.querySelector<HTMLElement>('section.strip')!
        const run = dataset.run
        const told = { figure: 0, strip: 0, whole: 0 }
        const began = performance.now()
        const look = () => {
          const now = performance.now() - began
          if (told.figure === 0 && figure.textContent !== was) told.figure = now
          if (told.strip === 0 && bars() !== drawn) told.strip = now
          if (dataset.run !== run && dataset.run === dataset.edition) told.whole = now
          if (told.figure > 0 && told.whole > 0) resolve({ ...told, strip: told.strip || told.whole })
          else requestAnimationFrame(look)
        }
        field.value = typed
        field.dispatchEvent(new Event('input', { bubbles: true }))
        field.dispatchEvent(new Event('change', { bubbles: true }))
        look()
      }),
    ['loads.0.runningW', value] as const,
  )
async function editsOf(page: Page, watts: (i: number) => number) {
  const edits: Awaited<ReturnType<typeof edit>>[] = []
  for (let i = 0; i < EDITS; i++) {
    edits.push(await edit(page, String(watts(i))))
    await page.waitForTimeout(REST_MS)
  }
  return edits
}
/** From the click on a step to two frames after its heading stands. */
const switchTo = (page: Page, step: string) =>
  page.evaluate(
    (to) =>
      new Promise<number>((resolve) => {
        const began = performance.now()
        document.querySelector<HTMLElement>(`.rail [data-step=${to}]`)!.click()
        const look = () =>
          document.querySelector(`[data-bench=${to}] h1`)
            ? requestAnimationFrame(() => requestAnimationFrame(() => resolve(performance.now() - began)))
            : requestAnimationFrame(look)
        look()
      }),
    step,
  )

try {
  for (const [loads, arrays] of sizes) {
    const made = await fetch(`${application.base}/api/designs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: application.base },
      body: JSON.stringify(largeDesign(loads, arrays)),
    })
    const { id } = (await made.json()) as { id: string }
    const address = `${application.base}/design/${id}/loads`
    const openings = []
    for (let i = 0; i < OPENINGS; i++) {
      const { context, openMs, kB, mainMs } = await open(address)
      openings.push({ openMs, kB, mainMs })
      await context.close()
    }
    const { page } = await open(address)
    await page.locator('section.strip .bar').first().waitFor()
    await page.waitForTimeout(3 * REST_MS)
    // what a meter says of a load, and what no bank carries: nearly every hour of that run is a hard one
    const edits = await editsOf(page, (i) => 100 + 6 * i)
    const hard = await editsOf(page, (i) => 4000 + 300 * i)
    const switches: number[] = []
    for (let round = 0; round < ROUNDS; round++)
      for (const step of STEPS) {
        switches.push(await switchTo(page, step))
        await page.waitForTimeout(REST_MS)
      }
    const of = (key: keyof (typeof edits)[number], share: number, made = edits) =>
      at(
        made.map((each) => each[key]),
        share,
      )
    const told = {
      loads,
      arrays,
      firstKB: at(
        openings.map(({ kB }) => kB),
        0.5,
      ),
      firstMainMs: at(
        openings.map(({ mainMs }) => mainMs),
        0.5,
      ),
      openMs: at(
        openings.map(({ openMs }) => openMs),
        0.5,
      ),
      editFigureMs: of('figure', 0.5),
      editStripMs: of('strip', 0.5),
      editStripP95Ms: of('strip', 0.95),
      editWholeMs: of('whole', 0.5),
      hardStripMs: of('strip', 0.5, hard),
      hardStripP95Ms: of('strip', 0.95, hard),
      switchMs: at(switches, 0.5),
      switchP95Ms: at(switches, 0.95),
    }
    process.stdout.write(`${JSON.stringify(told)}\n`)
    await page.context().close()
  }
} finally {
  await browser.close()
  await application.stop()
}
