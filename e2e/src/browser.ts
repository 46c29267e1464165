import { existsSync } from 'node:fs'
import { chromium, type Browser, type Page } from 'playwright-core'
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
  // a page of a test lives for seconds: what the optimising compiler makes of it comes too late, and what threads
  // beside it prepare takes the machine from the other tests
  '--js-flags=--no-opt --single-threaded',
]

/** Debian's Chromium, without its own calls to the network. */
export function openBrowser(): Promise<Browser> {
  return chromium.launch({ executablePath: CHROMIUMS.find((path) => existsSync(path)), args: ARGS })
}

/** How many times slower than a quiet machine this one may be; continuous integration sets it. */
const SLOWNESS = Number(process.env.AMBREL_SLOWNESS ?? 1)

/** A wait ends by what the page shows; one that would never ends after fifteen seconds of a quiet machine. */
export const PATIENCE_MS = 15_000 * SLOWNESS

/** A page of its own store and size; errors in it are gathered. */
export async function openPage(
  browser: Browser,
  options: { width?: number; height?: number; night?: boolean } = {},
): Promise<{ page: Page; errors: string[] }> {
  const { width = 1280, height = 800, night = false } = options
  const context = await browser.newContext({
    viewport: { width, height },
    colorScheme: night ? 'dark' : 'light',
    locale: 'en-GB',
    timezoneId: 'Etc/UTC',
  })
  // for every page of it, those opened later too
  context.setDefaultTimeout(PATIENCE_MS)
  const page = await context.newPage()
  const errors: string[] = []
  page.on('pageerror', (error) => errors.push(error.message))
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource/.test(message.text())) errors.push(message.text())
  })
  return { page, errors }
}
