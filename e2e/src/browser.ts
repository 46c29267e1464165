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

/** A page of its own store and size; errors in it are gathered. */
export async function openPage(browser: Browser, options: PageOptions = {}): Promise<Opened> {
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
  return { page, errors }
}

function looks({ width = 1280, height = 800, night = false }: PageOptions) {
  return { viewport: { width, height }, colorScheme: night ? ('dark' as const) : ('light' as const) }
}

/** Pages that may be used by more than one test: whose they are, and whether one uses them now. */
const shared = new Map<BrowserContext, Opened & { options: PageOptions; isFree: boolean }>()

/**
 * As {@link openPage}, but where a test before this one has left such a page as it found it, that one is taken again:
 * to load the application anew takes longer than most of what is done in it.
 */
export async function takePage(browser: Browser, options: PageOptions = {}): Promise<Opened> {
  for (const [context, kept] of shared)
    if (kept.isFree && context.browser() === browser && isDeepStrictEqual(kept.options, options)) {
      kept.isFree = false
      return kept
    }
  const opened = await openPage(browser, options)
  const context = opened.page.context()
  shared.set(context, { ...opened, options, isFree: false })
  context.once('close', () => shared.delete(context))
  return opened
}

/**
 * Ends what a test had open.
 *
 * @param leave puts a page that may be used again back to what it was, and says whether it is
 */
export async function giveBack(context: BrowserContext, leave: (page: Page) => Promise<boolean>): Promise<void> {
  const kept = shared.get(context)
  if (kept?.isFree) return
  if (kept && kept.errors.length === 0 && context.pages().length === 1) {
    const { colorScheme, viewport } = looks(kept.options)
    await kept.page.unrouteAll({ behavior: 'wait' })
    await kept.page.emulateMedia({ colorScheme, media: null, reducedMotion: null })
    await kept.page.setViewportSize(viewport)
    kept.isFree = (await leave(kept.page)) && kept.errors.length === 0
    if (kept.isFree) return
    await context.close()
    if (kept.errors.length > 0) throw new Error(`on leaving the page: ${kept.errors.join('; ')}`)
    return
  }
  await context.close()
}

/** Ends the pages that are left for the next test: they know of something that is no longer there. */
export async function closeKept(): Promise<void> {
  await Promise.all([...shared.keys()].map((context) => context.close()))
}
