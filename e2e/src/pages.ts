import type { Browser, Locator, Page } from 'playwright-core'
import { isDeepStrictEqual } from 'node:util'
import type { DesignEntry, StoredDesign } from '@ambrel/contract'
import { SAMPLE_FAMILIES, STEPS, type Step } from '@ambrel/core'
import { OUTSIDE, PATIENCE_MS, takePage } from './browser.ts'

/** The key figure of a step on the rail. */
export const rail = (page: Page, step: string) => page.locator(`.rail [data-step=${step}] small`).innerText()
/** Waits until the server has acknowledged the design as it stands. */
export const saved = (page: Page) => page.locator('[data-saved]', { hasText: /^Saved/ }).waitFor()
/** Waits until the strip is drawn. */
export const drawn = (page: Page) => page.locator('section.strip .bar').first().waitFor()

/** A page that is looked at in every frame, which is what is usual, draws every frame while it is waited for. */
export const SOMETIMES = { polling: 50 }

/** Waits until all of a step is there, what lies below its first screen too. */
export const whole = (page: Page) =>
  page.waitForFunction(
    () => document.querySelector('[data-bench] h1') !== null && document.querySelector('[data-later]') === null,
    null,
    SOMETIMES,
  )

/** Waits until the whole run of the document as it stands is drawn. */
export const settled = (page: Page) =>
  page.waitForFunction(
    () => {
      const { run = '0', edition } = document.querySelector<HTMLElement>('section.strip')?.dataset ?? {}
      return run !== '0' && run === edition
    },
    null,
    SOMETIMES,
  )

/** Heights of the strip's bars of the document as it stands, to see whether they moved. */
export async function strip(page: Page): Promise<string> {
  await settled(page)
  return page
    .locator('section.strip .bar')
    .evaluateAll((bars) => bars.map((bar) => Number(bar.getAttribute('height')).toFixed(1)).join(' '))
}

/** The strip of the document as it stands, which is not to be what it was. */
export async function redrawn(page: Page, from: string): Promise<string> {
  const now = await strip(page)
  if (now === from) throw new Error(`the strip is still “${from}”`)
  return now
}

/** Waits until a reading of the page is no longer what it was. */
export const changes = (read: () => Promise<string>, from: string): Promise<string> =>
  until(read, (now) => now !== from && now !== '', `still “${from}”`)

/** Waits until a reading of the page is what it is to be. */
export const becomes = (read: () => Promise<string>, to: string): Promise<string> =>
  until(read, (now) => now === to, `not yet “${to}”`)

async function until(read: () => Promise<string>, done: (now: string) => boolean, not: string): Promise<string> {
  let now = ''
  for (const began = Date.now(); Date.now() - began < PATIENCE_MS;) {
    now = await read()
    if (done(now)) return now
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
  throw new Error(`${not} after ${PATIENCE_MS / 1000} s, but “${now}”`)
}

export interface Box {
  x: number
  y: number
  width: number
  height: number
}
export const centre = ({ x, y, width, height }: Box) => ({ x: x + width / 2, y: y + height / 2 })

/** Waits until nothing on the page moves any more: what comes later is there, what opens stands open, what fades has faded. */
export const atRest = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    const ends = ({ effect }: Animation) => Number.isFinite(effect?.getComputedTiming().endTime)
    for (let frames = 0; frames < 3;) {
      await new Promise(requestAnimationFrame)
      const moves = document.querySelector('[data-later]') !== null || document.getAnimations().some(ends)
      frames = moves ? 0 : frames + 1
    }
  })

/** The box of something in view that has stood in the same place for some frames: only then can it be aimed at. */
export async function still(target: Locator): Promise<Box> {
  await target.scrollIntoViewIfNeeded()
  return target.evaluate(
    (element) =>
      new Promise<Box>((resolve) => {
        let last = ''
        let frames = 0
        const look = () => {
          const { x, y, width, height } = element.getBoundingClientRect()
          const now = [x, y, width, height].join(' ')
          frames = now === last ? frames + 1 : 0
          last = now
          if (frames >= 3) resolve({ x, y, width, height })
          else requestAnimationFrame(look)
        }
        look()
      }),
  )
}

const TRIES = 5
const FIRST_MOVES = 6

/**
 * Takes hold of something by the pointer, carries it to a place and lets go there.
 *
 * @param source where it is taken
 * @param to another thing, at whose middle it is let go, or how far it is carried
 * @param carried looked at while it is held over its place
 */
export async function drag(
  page: Page,
  source: Locator,
  to: Locator | { dx: number; dy: number },
  carried: () => Promise<unknown> = async () => {},
): Promise<void> {
  const from = await takeHold(page, source)
  const goal = 'dx' in to ? { x: from.x + to.dx, y: from.y + to.dy } : centre(await still(to))
  await page.mouse.move(goal.x, goal.y, { steps: 14 })
  // what is dragged over is told once more where the pointer rests
  await page.mouse.move(goal.x, goal.y)
  await carried()
  await page.mouse.up()
}

/** Presses and moves a little until the page says that it holds what was pressed. @returns where it was pressed */
async function takeHold(page: Page, source: Locator): Promise<{ x: number; y: number }> {
  for (let tried = 0; tried < TRIES; tried++) {
    const start = centre(await still(source))
    await page.evaluate(() => {
      const told = window as unknown as { held: boolean }
      told.held = false
      for (const event of ['start', 'gotpointercapture'])
        window.addEventListener(event, () => (told.held = true), { capture: true, once: true })
    })
    await page.mouse.move(start.x, start.y)
    await page.mouse.down()
    for (let move = 1; move <= FIRST_MOVES; move++) {
      await page.mouse.move(start.x + move, start.y + move)
      if (await page.evaluate(() => (window as unknown as { held: boolean }).held)) return start
    }
    await page.mouse.up()
  }
  throw new Error(`what was to be dragged could not be taken hold of in ${TRIES} tries`)
}

/** Carries something to another place by a finger that rests on it first. */
export async function dragByFinger(page: Page, source: Locator, to: Locator): Promise<void> {
  const from = centre(await still(source))
  const goal = centre(await still(to))
  const session = await page.context().newCDPSession(page)
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', at: { x: number; y: number }[]) =>
    session.send('Input.dispatchTouchEvent', { type, touchPoints: at })
  await touch('touchStart', [from])
  await page.locator('.drag-held').first().waitFor()
  const STEPS_OF_WAY = 12
  for (let step = 1; step <= STEPS_OF_WAY; step++) {
    const along = step / STEPS_OF_WAY
    await touch('touchMove', [{ x: from.x + (goal.x - from.x) * along, y: from.y + (goal.y - from.y) * along }])
  }
  await touch('touchMove', [goal])
  await touch('touchEnd', [])
  await session.detach()
}

async function ask<T>(
  base: string,
  path: string,
  body?: unknown,
  method = body === undefined ? 'GET' : 'POST',
): Promise<T> {
  const response = await fetch(`${base}/api${path}`, {
    method,
    // a connection kept open may be closed by the server just as it is used again
    headers: { 'content-type': 'application/json', origin: base, connection: 'close' },
    body: body === undefined ? undefined : JSON.stringify(body),
  })
  if (!response.ok) throw new Error(`${path}: ${await response.text()}`)
  return (await response.json()) as T
}

/** Leads a page to an address of the application: where it is there already, as back and forward do, without loading it anew. */
export async function goTo(page: Page, base: string, path: string): Promise<void> {
  if (page.url().startsWith(base) && page.url() !== base + OUTSIDE) await lead(page, path)
  else await page.goto(base + path)
}

const lead = (page: Page, path: string) =>
  page.evaluate((to) => {
    history.pushState(null, '', to)
    window.dispatchEvent(new PopStateEvent('popstate'))
  }, path)

/** Leads a page away from its design, to the shelf of parts: that of designs would run the winters of all of them. */
export async function away(page: Page, base: string, options: { timeout?: number } = {}): Promise<void> {
  await goTo(page, base, '/parts')
  await page.locator('[data-new-part]').waitFor(options)
}

/**
 * Leaves a page with no design, nothing over it, nothing unsaved and nothing remembered, for another test.
 * @returns whether that is so
 */
export async function leaveAsFound(page: Page): Promise<boolean> {
  const inTime = { timeout: 10_000 }
  try {
    const told = page.locator('[data-saved]')
    if (await told.count()) {
      await told.filter({ hasText: /^Saved/ }).waitFor(inTime)
      if (/to put right/.test(await told.innerText())) return false
    }
    await away(page, new URL(page.url()).origin, inTime)
    // what is remembered of the reader is told as by another window that forgets it
    await page.evaluate(() => {
      localStorage.clear()
      window.dispatchEvent(new StorageEvent('storage', { storageArea: localStorage }))
    })
    await page
      .locator('.el-overlay:visible, .el-message')
      .first()
      .waitFor({ state: 'detached', ...inTime })
    return true
  } catch {
    return false
  }
}

/** Opens a variant at a step, under its address. */
async function openAt(page: Page, base: string, family: string, variant: string, step: Step): Promise<void> {
  const entries = await ask<DesignEntry[]>(base, '/designs')
  const entry = entries.find((each) => each.name === family && each.variant === variant)
  if (!entry) throw new Error(`there is no ${family} · ${variant}`)
  await asSeeded(base, entry)
  await goTo(page, base, `/design/${entry.id}/${step}`)
  // the first bars may be of a few winters only
  await settled(page)
}

/** A demo as it was loaded: what a test before this one left half saved, or half undone, is none of this one's. */
async function asSeeded(base: string, { id, name, variant }: DesignEntry): Promise<void> {
  const seeded = SAMPLE_FAMILIES.flat()
    .map((make) => make())
    .find((design) => design.name === name && design.variant === variant)
  const { document, version } = await ask<StoredDesign>(base, `/designs/${id}`)
  if (seeded && !isDeepStrictEqual(document, seeded))
    await ask(base, `/designs/${id}`, { version, document: seeded }, 'PUT')
}

/**
 * Opens a variant of the main demo, at the step that is drawn with least: most tests go on to another, and what is
 * reckoned for one that is left at once is reckoned for nobody.
 */
export const openDemo = (page: Page, base: string, variant = 'As planned', step: Step = 'build'): Promise<void> =>
  openAt(page, base, 'Larkspur Bench', variant, step)

/** Of a new design: where a test is about something else, each page it opens would run thirty for nobody. */
export const FEW_WINTERS = 5

/** Makes a new design, of few winters, and opens it at a step; how that is done by hand has a test of its own. */
export async function newDesign(page: Page, base: string, name: string, step: Step = 'place'): Promise<void> {
  const body = { name, latitudeDeg: 46.5, longitudeDeg: -84.2, elevationM: 0, climate: 'cold-valley' }
  const { id, version, document } = await ask<StoredDesign>(base, '/designs', body)
  const winter = { ...document.winter, years: FEW_WINTERS }
  await ask(base, `/designs/${id}`, { version, document: { ...document, winter } }, 'PUT')
  await goTo(page, base, `/design/${id}/${step}`)
  await drawn(page)
}

/** Makes a new design by the dialog of the shelf. */
export async function newDesignByHand(page: Page, base: string, name: string): Promise<void> {
  await goTo(page, base, '/')
  await page.locator('[data-new]').click()
  await page.locator('input[name=name]').fill(name)
  await page.locator('input[name=latitude]').fill('46.5')
  await page.locator('input[name=longitude]').fill('-84.2')
  await page.locator('input[name=units][value=metric]').check()
  await page.getByRole('button', { name: 'Make it' }).click()
  await drawn(page)
}

export const fieldAt = (page: Page, path: string): Locator => page.locator(`[data-path="${path}"]`)

/** Opens every fold of the step, and whatever folds are in them. */
export async function unfold(page: Page): Promise<void> {
  const folds = page.locator('[data-bench] details:not([open])')
  for (let left = await folds.count(); left > 0; left = await folds.count())
    await folds.evaluateAll((all) => all.forEach((fold) => ((fold as HTMLDetailsElement).open = true)))
}

/** Types into the field of a place in the document. */
export async function setField(page: Page, path: string, value: string): Promise<void> {
  // a field that is folded away is not drawn
  if ((await fieldAt(page, path).count()) === 0) await unfold(page)
  await fieldAt(page, path).fill(value)
  await fieldAt(page, path).press('Enter')
}

/** Opens a demo variant at a step, numbered as on the rail. */
export async function openVariant(browser: Browser, base: string, family: string, variant: string, step: string) {
  const opened = await takePage(browser, { height: 1000 })
  await openAt(opened.page, base, family, variant, STEPS[Number(step) - 1])
  await whole(opened.page)
  return opened
}

/** What a page shows, in a few lines, for whoever reads of a test that failed. */
export async function shown(page: Page): Promise<string> {
  const words = async (selector: string) =>
    (
      await page
        .locator(selector)
        .allInnerTexts()
        .catch(() => [])
    )
      .join(' | ')
      .replace(/\s+/g, ' ')
      .slice(0, 400)
  const parts = ['h1', '[data-saved]', '.el-dialog', '[role=alert]', '.findings [data-level=stop]', 'section.strip']
  const lines = await Promise.all(parts.map(async (part) => `  ${part}: ${await words(part)}`))
  return [page.url(), ...lines].join('\n')
}
