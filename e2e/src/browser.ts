import { existsSync } from 'node:fs'
import { isDeepStrictEqual } from 'node:util'
import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core'
import CHROMIUMS from '../../scripts/chromium.json' with { type: 'json' }

const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--in-process-gpu',
  // a page of a test lives for seconds: what the optimising compiler makes of it comes too late, what threads beside it
  // prepare takes the machine from the other tests, and what it leaves behind need hardly be swept up
  `--js-flags=${[
    '--no-opt',
    '--single-threaded',
    '--initial-heap-size=512',
    '--min-semi-space-size=16',
    '--max-semi-space-size=32',
    '--no-incremental-marking',
  ].join(' ')}`,
]

/** Debian's Chromium, without its own calls to the network. */
export function openBrowser(): Promise<Browser> {
  return chromium.launch({ executablePath: CHROMIUMS.find((path) => existsSync(path)), args: ARGS })
}

/** How many times slower than a quiet machine this one may be; continuous integration sets it. */
const SLOWNESS = Number(process.env.AMBREL_SLOWNESS ?? 1)

/** Where this is set, no page rests before so many milliseconds: what comes when it rests comes as late as it ever may. */
const REST_MS = Number(process.env.AMBREL_REST_MS ?? 0)

/** A wait ends by what the page shows; one that would never ends after fifteen seconds of a quiet machine. */
export const PATIENCE_MS = 15_000 * SLOWNESS

interface PageOptions {
  width?: number
  height?: number
  night?: boolean
  /** held in the hand: touched, with no pointer */
  touch?: boolean
}

/** A page, and the errors that were seen in it. */
export interface Opened {
  page: Page
  errors: string[]
}

/** A page that another test may have once the one that has it is through. */
interface Kept extends Opened {
  touch: boolean
  /** as its test asked for it, and as the next one finds it that has it within the application */
  looks: Looks
  /** its test put in what every document it loads would run: it is no other's */
  isSpoilt: boolean
  /** its test leaves it in the application as it found it */
  isShared: boolean
  /** in a test, left in the application with nothing remembered, or led out of it and its store emptied */
  state: 'taken' | 'asFound' | 'emptied'
}
const keptPages = new Map<BrowserContext, Kept>()

/**
 * A page of its own store and size, outside the application; errors in it are gathered. It may have been another test's:
 * what loads in a process that has run the application before costs a third less.
 */
export async function openPage(browser: Browser, options: PageOptions = {}): Promise<Opened> {
  const kept = (await takeKept(browser, options, 'emptied')) ?? (await makePage(browser, options))
  kept.isShared = false
  return kept
}

/**
 * As {@link openPage}, but where a test before this one has left such a page as it found it, that one is taken again:
 * to load the application anew takes longer than most of what is done in it.
 */
export async function takePage(browser: Browser, options: PageOptions = {}): Promise<Opened> {
  const kept =
    (await takeKept(browser, options, 'asFound')) ??
    (await takeKept(browser, options, 'emptied')) ??
    (await makePage(browser, options))
  kept.isShared = true
  return kept
}

async function takeKept(browser: Browser, options: PageOptions, state: Kept['state']): Promise<Kept | null> {
  for (const [context, kept] of keptPages)
    if (kept.state === state && context.browser() === browser && kept.touch === (options.touch ?? false)) {
      const wanted = looks(options)
      // what stands on a page that was made wider or narrower may stand elsewhere than on one that always was so
      if (state === 'asFound' && !isDeepStrictEqual(kept.looks, wanted)) continue
      // errors of what it was led out of are no longer anybody's
      if (state === 'emptied') kept.errors.length = 0
      Object.assign(kept, { state: 'taken', looks: wanted })
      await lookAs(kept.page, wanted)
      return kept
    }
  return null
}

async function makePage(browser: Browser, options: PageOptions): Promise<Kept> {
  const context = await browser.newContext({
    ...looks(options),
    hasTouch: options.touch,
    isMobile: options.touch,
    locale: 'en-GB',
    timezoneId: 'Etc/UTC',
  })
  // for every page of it, those opened later too
  context.setDefaultTimeout(PATIENCE_MS)
  if (REST_MS > 0)
    await context.addInitScript((restMs) => {
      window.requestIdleCallback = (rest) =>
        window.setTimeout(rest, restMs, { didTimeout: true, timeRemaining: () => 0 })
      window.cancelIdleCallback = (turn) => window.clearTimeout(turn)
    }, REST_MS)
  const page = await context.newPage()
  const errors: string[] = []
  page.on('pageerror', (error) => errors.push(error.message))
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource/.test(message.text())) errors.push(message.text())
  })
  const touch = options.touch ?? false
  const kept: Kept = { page, errors, touch, looks: looks(options), isSpoilt: false, isShared: false, state: 'taken' }
  const addInitScript = page.addInitScript.bind(page)
  page.addInitScript = (...script: Parameters<Page['addInitScript']>) => {
    kept.isSpoilt = true
    return addInitScript(...script)
  }
  keptPages.set(context, kept)
  context.once('close', () => keptPages.delete(context))
  return kept
}

interface Looks {
  viewport: { width: number; height: number }
  colorScheme: 'dark' | 'light'
}
const looks = ({ width = 1280, height = 800, night = false }: PageOptions): Looks => ({
  viewport: { width, height },
  colorScheme: night ? 'dark' : 'light',
})

async function lookAs(page: Page, { viewport, colorScheme }: Looks): Promise<void> {
  await page.emulateMedia({ colorScheme, media: null, reducedMotion: 'no-preference' })
  // a page that was sized, if only to what it is, may tell of no rest for seconds
  if (!isDeepStrictEqual(page.viewportSize(), viewport)) await page.setViewportSize(viewport)
}

/**
 * Ends what a test had open: its page is left for another test, else closed.
 *
 * @param leave puts a page back to what it was within the application, and says whether it is
 */
export async function giveBack(context: BrowserContext, leave: (page: Page) => Promise<boolean>): Promise<void> {
  const kept = keptPages.get(context)
  if (kept && kept.state !== 'taken') return
  if (kept && !kept.isSpoilt && !kept.page.isClosed() && kept.errors.length === 0) {
    const { page, errors, isShared } = kept
    await page.unrouteAll({ behavior: 'wait' })
    // what tests listen to, beside what gathers errors
    await page.removeAllListeners('dialog')
    await page.removeAllListeners('request')
    if (isShared && context.pages().length === 1) {
      await lookAs(page, kept.looks)
      const isLeft = await leave(page)
      if (errors.length > 0) {
        await context.close()
        throw new Error(`on leaving the page: ${errors.join('; ')}`)
      }
      if (isLeft) {
        kept.state = 'asFound'
        return
      }
    }
    if (await emptied(page)) {
      kept.state = 'emptied'
      return
    }
  }
  await context.close()
}

/** Where a page is that is left outside the application: of the same origin, so that it stays in the process that has run it. */
export const OUTSIDE = '/api/health'

/** Leads a page out of the application, alone in its context, and empties its store. @returns whether that was done */
async function emptied(page: Page): Promise<boolean> {
  const context = page.context()
  try {
    for (const other of context.pages()) if (other !== page) await other.close()
    await context.setOffline(false)
    const { origin } = new URL(page.url())
    await page.goto(origin + OUTSIDE, { timeout: 10_000 })
    await page.evaluate(() => sessionStorage.clear())
    const session = await context.newCDPSession(page)
    await session.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' })
    await session.detach()
    return true
  } catch {
    return false
  }
}

/** Ends the pages that are left in the application for the next test: they know of something that is no longer there. */
export async function closeKept(): Promise<void> {
  const inApplication = [...keptPages].filter(([, { state }]) => state === 'asFound')
  await Promise.all(inApplication.map(([context]) => context.close()))
}
