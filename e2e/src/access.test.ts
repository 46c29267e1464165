import { describe, expect, it } from 'vitest'
import type { Locator, Page } from 'playwright-core'
import { STEPS } from '@ambrel/core'
import { audit } from './audit.ts'
import { takePage } from './browser.ts'
import { atRest, becomes, drawn, fieldAt, goTo, newDesign, openDemo, setField, unfold, whole } from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()

/** The key that leads to each step, in their order. */
const STEP_KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '-']

/** The next step, by the rail. */
async function onTo(page: Page, step: string): Promise<void> {
  // on a phone it is folded
  const folded = page.locator('.rail [data-steps][aria-expanded=false]')
  if (await folded.isVisible()) await folded.click()
  await page.locator(`.rail [data-step=${step}]`).click()
  await standing(page, step)
}
async function standing(page: Page, step: string): Promise<void> {
  await page.locator(`[data-bench=${step}] h1`).waitFor()
  await drawn(page)
  await whole(page)
  // what is dear comes when the page rests
  await page.evaluate(() => new Promise((rest) => requestIdleCallback(rest, { timeout: 2000 })))
}
/** What is another on every step; the frame around it is not. */
const BENCH = 'main'
/** What can be opened over a step, and how. */
interface OpenedOver {
  name: string
  step: string
  /** it lies over all of the page */
  dialog?: true
  /** where it is; the step under it, whose test looks at the whole, unless it is a dialog or said otherwise */
  within?: string
  open: (page: Page) => Promise<unknown>
}
const OPENED: OpenedOver[] = [
  { name: 'a load and its details, several chosen', step: 'loads', open: openLoads },
  { name: 'rows to paste', step: 'loads', dialog: true, open: (page) => page.locator('[data-paste-loads]').click() },
  { name: 'the palette', step: 'place', dialog: true, open: (page) => page.keyboard.press('Control+k') },
  { name: 'the keys', step: 'place', dialog: true, open: (page) => page.keyboard.press('?') },
  {
    name: 'the working of a figure',
    step: 'bank',
    dialog: true,
    open: (page) => page.locator('[data-working="bank.days"]').click(),
  },
  {
    name: 'the question of another voltage',
    step: 'bank',
    open: (page) => page.locator('[data-path="bank.systemV"]').selectOption('24 V'),
  },
  {
    name: 'the weeks of the strip',
    step: 'winter',
    dialog: true,
    open: (page) => page.locator('[data-strip-table]').click(),
  },
  { name: 'the import of hours', step: 'place', dialog: true, open: (page) => page.getByText('import hours').click() },
  {
    name: 'a new variant',
    step: 'place',
    dialog: true,
    open: (page) => page.getByRole('button', { name: 'New variant' }).click(),
  },
  {
    name: 'all findings',
    step: 'wiring',
    within: '.findings',
    open: (page) =>
      page
        .locator('.findings')
        .getByText(/all \d+/)
        .click(),
  },
  // it waits where it was typed, on every step that comes after
  { name: 'a wrong entry', step: 'array', within: 'html', open: wrongTilt },
]
async function openLoads(page: Page): Promise<void> {
  await page
    .getByRole('button', { name: /^Details of/ })
    .first()
    .click()
  await page
    .getByRole('checkbox', { name: /^Select/ })
    .nth(2)
    .check()
}
async function wrongTilt(page: Page): Promise<void> {
  await setField(page, 'arrays.0.tiltDeg', '200')
  await page.locator('[data-problem]').waitFor()
  // what is said under one field of a row moves none of the others
  const bottomOf = (of: Locator) => of.evaluate((each) => each.getBoundingClientRect().bottom)
  const beside = await bottomOf(fieldAt(page, 'arrays.0.inSeries'))
  expect(Math.abs((await bottomOf(page.locator('.picker').first())) - beside)).toBeLessThan(8)
}

/**
 * Nothing is wrong with the page as it stands, nor, in what a theme decides, by the other light, in which it is left: what
 * is looked at next is looked at whole by that.
 *
 * @param within as {@link audit} has it
 */
async function sound(page: Page, what: string, within?: string): Promise<void> {
  const isNight = (await page.locator('html.dark').count()) > 0
  await atRest(page)
  expect(await audit(page, { within }), what).toEqual([])
  await page.emulateMedia({ colorScheme: isNight ? 'light' : 'dark' })
  await page.locator(isNight ? 'html:not(.dark)' : 'html.dark').waitFor({ state: 'attached' })
  await atRest(page)
  expect(await audit(page, { colours: true, within }), `${what}, by ${isNight ? 'day' : 'night'}`).toEqual([])
}

/** As wide and high as what a finger is put on should be, CSS px (WCAG 2.2, 2.5.5). */
const FINGERTIP_PX = 44
/** In the page: what can be pressed or typed into and is smaller than a fingertip, and what is not shown whole. */
function smallOrCut(fingertipPx: number): string[] {
  const name = (of: Element) => `${of.tagName} ${of.getAttribute('aria-label') ?? of.textContent.trim()}`.slice(0, 60)
  const isSeen = (of: Element) => of.checkVisibility({ visibilityProperty: true })
  const small = [...document.querySelectorAll('a[href], button, input, select, summary, textarea')]
    .filter((each) => isSeen(each) && !each.closest('[aria-hidden=true], .skip'))
    .filter((each) => {
      const target = each.closest('label, .box, .el-input__wrapper, .el-select__wrapper, .el-switch') ?? each
      const { width, height } = target.getBoundingClientRect()
      return Math.min(width, height) < fingertipPx - 0.5
    })
  // a finger on the middle of one meets that one
  const covered = [...document.querySelectorAll('.findings button, main button')].filter((each) => {
    const { x, y, width, height } = each.getBoundingClientRect()
    const met = document.elementFromPoint(x + width / 2, y + height / 2)
    return (
      isSeen(each) && met?.closest('button') && !each.contains(met) && met.closest('.findings, main')?.contains(each)
    )
  })
  const cut = [...document.querySelectorAll('*')].filter(
    (each) =>
      isSeen(each) && getComputedStyle(each).textOverflow === 'ellipsis' && each.scrollWidth > each.clientWidth + 1,
  )
  return [
    ...small.map((each) => `${name(each)} is small`),
    ...covered.map((each) => `${name(each)} lies under another`),
    ...cut.map((each) => `${name(each)} is cut`),
  ]
}

describe('whoever listens, uses keys, or sees little', () => {
  it('finds every step without a fault, by day and by night', async () => {
    const { page, errors } = await takePage(application.browser)
    await openDemo(page, application.base)
    for (const [i, step] of STEPS.entries()) {
      await page.keyboard.press(STEP_KEYS[i])
      await standing(page, step)
      await unfold(page)
      await sound(page, step)
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
      expect(wide, `${step} is wider than the window`).toBeLessThanOrEqual(0)
    }
    expect(errors).toEqual([])
  })

  it('finds what opens over a step without a fault, by day and by night', async () => {
    const { page } = await takePage(application.browser)
    await openDemo(page, application.base)
    for (const { name, step, open, dialog, within } of OPENED) {
      await onTo(page, step)
      await open(page)
      if (dialog) await page.locator('.el-dialog:visible').first().waitFor()
      await sound(page, name, within ?? (dialog ? '.el-overlay' : BENCH))
      // what is opened goes with its step; what lies over it is put away
      if (await page.locator('.el-overlay:visible').count()) await page.keyboard.press('Escape')
      await page.locator('.el-overlay:visible').first().waitFor({ state: 'detached' })
    }
  })

  it('finds the shelves, a new design and its empty steps without a fault, by day and by night', async () => {
    const { page } = await takePage(application.browser)
    await goTo(page, application.base, '/')
    await page.locator('[data-mini=drawn]').first().waitFor()
    await sound(page, 'shelf')
    await page.locator('[data-new]').click()
    await page.getByRole('button', { name: 'Make it' }).click()
    await sound(page, 'a new design with what lacks')
    await goTo(page, application.base, '/guide')
    await page.locator('[data-guide] h2').first().waitFor()
    await sound(page, 'the guide')
    await goTo(page, application.base, '/parts')
    await page.locator('[data-new-part]').click()
    await sound(page, 'a new part')
    await newDesign(page, application.base, 'Empty')
    for (const [i, step] of STEPS.entries()) {
      await onTo(page, step)
      await sound(page, `empty ${step}`, i === 0 ? 'html' : BENCH)
    }
  })

  it('finds every step without a fault on a phone, where nothing is wider than it', async () => {
    const { page, errors } = await takePage(application.browser, { width: 390, height: 844 })
    await openDemo(page, application.base)
    for (const step of STEPS) {
      await onTo(page, step)
      // the step before was left at its end
      expect(await page.locator('main').evaluate((bench) => bench.scrollTop), `${step} begins at its top`).toBe(0)
      await unfold(page)
      await atRest(page)
      expect(await audit(page), step).toEqual([])
      for (const width of [820, 600, 390]) {
        await page.setViewportSize({ width, height: 844 })
        const wide = await page.evaluate(() =>
          [document.documentElement, document.querySelector('main')!].map(
            (each) => each.scrollWidth - each.clientWidth,
          ),
        )
        expect(wide, `${step} at ${width} px`).toEqual([0, 0])
        // the frame fills the window and never slides under it, whatever is jumped to
        await page
          .locator('[data-bench] h2, [data-bench] h1')
          .last()
          .evaluate((last) => last.scrollIntoView())
        const slid = await page.evaluate(
          () => document.documentElement.scrollHeight - window.innerHeight + window.scrollY,
        )
        expect(slid, `${step} at ${width} px slides`).toBe(0)
      }
    }
    expect(errors).toEqual([])
  })

  it('gives a hand targets as large as a fingertip, cuts no word, and a reading, a task and a remedy are a tap each', async () => {
    const { page, errors } = await takePage(application.browser, { width: 390, height: 844, touch: true })
    await openDemo(page, application.base)
    const fits = async (what: string) => {
      await atRest(page)
      expect(await page.evaluate(smallOrCut, FINGERTIP_PX), what).toEqual([])
    }
    for (const step of ['inverter', 'generator', 'winter', 'build', 'log'] as const) {
      await onTo(page, step)
      await fits(step)
    }

    await page.getByLabel('Battery').fill('52.1')
    expect(await page.getByLabel('Battery').getAttribute('inputmode')).toBe('decimal')
    await page.locator('[data-enter]').tap()
    await page.locator('[data-readings]', { hasText: '52.1 V' }).waitFor()
    await fits('a log with a reading')
    await page.getByRole('button', { name: 'Remove reading' }).tap()
    await page.locator('[data-put-back]').waitFor()

    await onTo(page, 'build')
    // anywhere on its line
    await page.locator('.task b').first().tap()
    await becomes(() => page.locator('.rail .says').innerText(), '1 of 20 done')

    await page.locator('[data-findings]').tap()
    const findings = page.locator('.findings')
    await findings.getByText(/all \d+/).tap()
    await fits('findings')
    const asked = findings.locator('[data-finding]', { has: page.locator('.remedy') }).first()
    const finding = await asked.getAttribute('data-finding')
    await asked.locator('.remedy').tap()
    await findings.locator(`[data-finding="${finding}"]`).waitFor({ state: 'detached' })
    expect(errors).toEqual([])
  })

  it('leaves two thirds of a page that is zoomed to twice its size to the bench', async () => {
    const { page } = await takePage(application.browser, { width: 640, height: 400 })
    await openDemo(page, application.base)
    const share = await page.locator('main').evaluate((bench) => bench.clientHeight / window.innerHeight)
    expect(share).toBeGreaterThan(2 / 3)
    await page.locator('[data-strip-line]').click()
    await drawn(page)
  })

  it('reads the strip week by week with the arrow keys, and as a table', async () => {
    const { page } = await takePage(application.browser)
    await openDemo(page, application.base)
    await page.locator('[data-strip]').focus()
    await page.keyboard.press('ArrowRight')
    const told = page.locator('section.strip [role=status]')
    expect(await told.innerText()).toMatch(/^Week 1, Oct: lowest charge .+ in 1 of 10/)
    await page.keyboard.press('End')
    expect(await told.innerText()).toMatch(/^Week 3\d, Apr/)
    await page.locator('[data-strip-table]').click()
    const rows = page.locator('[data-winter-table] tbody tr')
    await rows.first().waitFor()
    expect(await rows.count()).toBe(await page.locator('section.strip .bar').count())
  })

  it('finds fields, loads, findings, parts and words in the palette, and says what a word means', async () => {
    const { page } = await takePage(application.browser)
    await openDemo(page, application.base)
    const ask = async (words: string) => {
      await page.keyboard.press('Control+k')
      await page.locator('[data-palette]').fill(words)
    }
    const focused = () => page.evaluate(() => (document.activeElement as HTMLElement).dataset.path ?? '')
    // a field that is folded away on another step
    await ask('bare ground')
    await page.getByRole('option', { name: /Bare ground reflects/ }).waitFor()
    await page.keyboard.press('Enter')
    await becomes(focused, 'place.albedoBare')
    // one that this design does not ask for says so
    await ask('cord rating')
    await page.keyboard.press('Enter')
    await page.locator('[data-absent]').waitFor()
    // a yes and no, a step further
    await ask('a fuse per string')
    await page.getByRole('option', { name: /field, Bank/ }).click()
    await page.locator('[data-path="bank.stringFuses"] input:focus').waitFor({ state: 'attached' })
    await ask('well pump')
    await page.keyboard.press('Enter')
    await becomes(focused, 'loads.2.name')
    await ask('autonomy')
    await page.keyboard.press('Enter')
    await page.locator('[data-word]', { hasText: 'Days the bank alone carries' }).waitFor()
    await page.locator('[data-palette]').fill('kettle')
    await page.getByRole('option', { name: /^Add a load: .*ettle/ }).click()
    await page.locator('[data-load] input', { hasText: '' }).first().waitFor()
    await ask('coldest dawn')
    await page.getByRole('option', { name: /finding, Array/ }).click()
    await page.locator('[data-bench=array]').waitFor()
    await ask('export')
    expect((await page.getByRole('option').allInnerTexts()).join(' ')).toMatch(
      /Save the design as a file.*Save the loads/s,
    )
    await page.locator('[data-palette]').fill('rack unit')
    await page.getByRole('option', { name: /part/ }).first().click()
    await page.locator('tr.found').waitFor()
  })

  it('has a line of the parts of a step that says which is in view and leads to each', async () => {
    const { page } = await takePage(application.browser)
    await page.emulateMedia({ reducedMotion: 'reduce' })
    await openDemo(page, application.base)
    for (const step of ['place', 'bank', 'array', 'inverter']) {
      await onTo(page, step)
      const line = page.locator('[data-index-line]')
      for (const name of await line.getByRole('button').allInnerTexts()) {
        await line.getByRole('button', { name, exact: true }).click()
        // the part at the top, or one that the end of the step leaves further down
        const inView = await page.evaluate(
          (part) =>
            [...document.querySelectorAll<HTMLElement>('[data-bench] h2')]
              .filter((each) => (each.dataset.part ?? each.textContent).trim() === part)
              .map((each) => each.getBoundingClientRect())
              .some(({ top }) => top >= 0 && top < window.innerHeight),
          name,
        )
        expect(inView, `${step}, ${name}`).toBe(true)
      }
      const tops = await page
        .locator('[data-bench] h2')
        .evaluateAll((all) => all.map((each) => Math.round(each.getBoundingClientRect().top)))
      expect(tops, `${step}: in the order of the line`).toEqual(tops.toSorted((a, b) => a - b))
    }
  })

  it('moves nothing for whoever asked for less motion', async () => {
    const { page } = await takePage(application.browser)
    await openDemo(page, application.base)
    const moving = () =>
      page.evaluate(() => {
        const seconds = (each: Element) => {
          const { transitionDuration, animationDuration } = getComputedStyle(each)
          return Math.max(...`${transitionDuration},${animationDuration}`.split(',').map(parseFloat))
        }
        return [...document.querySelectorAll('*')].filter((each) => seconds(each) > 0.001).length
      })
    await page.keyboard.press('?')
    await page.locator('.el-dialog:visible').first().waitFor()
    expect(await page.evaluate(() => matchMedia('(prefers-reduced-motion: reduce)').matches)).toBe(false)
    expect(await moving()).toBeGreaterThan(0)
    await page.emulateMedia({ reducedMotion: 'reduce' })
    expect(await moving()).toBe(0)
    await page.keyboard.press('Escape')
    await page.locator('.el-overlay:visible').first().waitFor({ state: 'detached' })
  })

  it('what comes after the first screen of a step moves nothing that stands', async () => {
    const { page } = await takePage(application.browser)
    await openDemo(page, application.base)
    await onTo(page, 'log')
    let most = 0
    for (const step of ['place', 'array', 'generator', 'winter', 'wiring', 'cost']) {
      const seen = await page.evaluate(
        (to) =>
          new Promise<{ figures: number[]; parts: number[] }>((resolve) => {
            const figures = new Set<number>()
            const parts = new Set<number>()
            let frames = 0
            const look = () => {
              const bench = document.querySelector(`[data-bench=${to}]`)
              const head = bench?.querySelector('[data-index-line]')
              if (bench && head) {
                figures.add(Math.round(head.nextElementSibling!.getBoundingClientRect().top))
                parts.add(bench.querySelectorAll('h2').length)
                frames = bench.querySelector('[data-later]') ? 0 : frames + 1
              }
              if (frames > 5) resolve({ figures: [...figures], parts: [...parts] })
              else requestAnimationFrame(look)
            }
            document.querySelector<HTMLElement>(`.rail [data-step=${to}]`)!.click()
            look()
          }),
        step,
      )
      expect(seen.figures, `${step}: where its first part stands`).toHaveLength(1)
      most = Math.max(most, seen.parts.length)
    }
    // a busy machine may draw a step's first screen with the rest of it, but not each time
    expect(most).toBeGreaterThan(1)
  })
})
