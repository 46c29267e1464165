import { readFile } from 'node:fs/promises'
import { oneLine, derive, svgOf } from '@ambrel/core'
import { said } from '@ambrel/core/units'
import type { Page } from 'playwright-core'
import { describe, expect, it } from 'vitest'
import { SHAPES } from '../../core/src/system/testDesigns.ts'
import { becomes, changes, drag, drawn, fieldAt, openVariant, rail, saved, setField, whole } from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()
const open = (family: string, variant: string, step = '8') =>
  openVariant(application.browser, application.base, family, variant, step)
const row = (page: Page, id: string) => page.locator(`[data-circuit-row="${id}"]`)
const field = async (page: Page, id: string, key: string) =>
  (await page
    .locator(
      `[data-circuit-row="${id}"] [data-path$=".${key}"], [data-circuit-row="${id}"] + .detail [data-path$=".${key}"]`,
    )
    .first()
    .getAttribute('data-path'))!
const cable = (page: Page, id: string) => row(page, id).locator('.cable').innerText()
const wires = (page: Page) =>
  page
    .locator('[data-one-line] text.label')
    .allTextContents()
    .then((all) => all.join(' | '))

/** Pairs of texts that lie on one another, and texts that run out of their box, as the browser sets them. */
const collisions = (page: Page, svg: string) =>
  page.evaluate((source) => {
    const holder = document.body.appendChild(document.createElement('div'))
    holder.style.cssText = 'position:absolute;left:0;top:0;width:1600px'
    holder.innerHTML = source
    const texts = [...holder.querySelectorAll<SVGTextElement>('text')].map((each) => ({
      says: each.textContent ?? '',
      box: each.getBBox(),
      within: each.closest('g.box')?.querySelector('rect')?.getBBox() ?? null,
    }))
    const found: string[] = []
    const SLACK = 0.8
    // a face's box is higher than its letters
    const LEADING = 4
    texts.forEach(({ says, box, within }, i) => {
      if (within && box.x + box.width > within.x + within.width + SLACK) found.push(`${says} runs out of its box`)
      for (const other of texts.slice(i + 1)) {
        const apart =
          box.x + box.width <= other.box.x + SLACK ||
          other.box.x + other.box.width <= box.x + SLACK ||
          box.y + box.height <= other.box.y + LEADING ||
          other.box.y + other.box.height <= box.y + LEADING
        if (!apart) found.push(`${says} on ${other.says}`)
      }
    })
    for (const rect of [...holder.querySelectorAll<SVGRectElement>('g.box > rect')].map((each) => each.getBBox()))
      for (const { says, box, within } of texts) {
        const over =
          !within &&
          box.x + SLACK < rect.x + rect.width &&
          box.x + box.width > rect.x + SLACK &&
          box.y + LEADING < rect.y + rect.height &&
          box.y + box.height > rect.y + LEADING
        const inBank = rect.width > 300
        if (over && !inBank) found.push(`${says} on a box`)
      }
    holder.remove()
    return found
  }, svg)

describe('the one-line drawing', () => {
  it('sets no text on another, nor out of its box, on the demos and on every other shape of design', async () => {
    const { page } = await open('Larkspur Bench', 'As planned')
    await page.locator('[data-one-line] svg').waitFor()
    await page.evaluate(() => document.fonts.ready)
    for (const [name, make] of Object.entries(SHAPES))
      for (const units of ['metric', 'imperial'] as const) {
        const design = make()
        const { system, circuits } = derive(design)
        const svg = svgOf(
          oneLine(system, circuits, (words) => said(words, units)),
          design.name,
        )
        expect(await collisions(page, svg), `${name}, ${units}`).toEqual([])
      }
  })

  it('leads from a line to its row, and is kept as SVG and as a picture with its face in it', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await page.locator('[data-one-line] text.label[data-circuit="panel"]').first().click()
    await page.locator('[data-circuit-row=panel] + .detail').waitFor()
    expect(await page.locator('[data-one-line] path.line.chosen').getAttribute('data-circuit')).toBe('panel')
    const [svg] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'SVG' }).click()])
    const text = await readFile(await svg.path(), 'utf8')
    expect(text).toMatch(/^<svg /)
    expect(text).toContain('@font-face')
    const [png] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'PNG' }).click()])
    const picture = await readFile(await png.path())
    expect(picture.subarray(1, 4).toString()).toBe('PNG')
    // its breadth in dots
    expect(picture.readUInt32BE(16)).toBeGreaterThan(2000)
    expect(errors).toEqual([])
  })
})

describe('the circuits', () => {
  it('take a length, and cable, drawing and verdict follow', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    const before = await cable(page, 'array:array-1')
    const drawing = await wires(page)
    await setField(page, await field(page, 'array:array-1', 'oneWayM'), '180')
    expect(await changes(() => cable(page, 'array:array-1'), before)).toMatch(/AWG/)
    expect(await changes(() => wires(page), drawing)).toContain('180\u00a0m')
    await saved(page)
    await page.reload()
    await becomes(() => page.locator(`[data-circuit-row="array:array-1"] input`).inputValue(), '180')
    expect(errors).toEqual([])
  })

  it('a cable chosen too thin is a stop with its remedy; a wrong length waits beside the last good one', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await page.getByRole('button', { name: 'Details of Bars to the inverter' }).click()
    const size = await field(page, 'inverter', 'size')
    await page.locator(`[data-path="${size}"]`).selectOption('10 AWG')
    const stop = page.locator('.findings [data-level=stop]').first()
    await stop.waitFor()
    expect(await page.locator('[data-one-line] path.line[data-circuit=inverter]').getAttribute('stroke')).toContain(
      'clay',
    )
    await stop.getByRole('button', { name: 'the thinnest that does' }).click()
    await page.locator('.findings [data-level=stop]').waitFor({ state: 'detached' })
    const length = await field(page, 'array:array-1', 'oneWayM')
    const was = await cable(page, 'array:array-1')
    await setField(page, length, '-4')
    await page
      .locator('[data-circuit-row="array:array-1"]')
      .getByText(/too small/)
      .waitFor()
    expect(await cable(page, 'array:array-1')).toBe(was)
    expect(errors).toEqual([])
  })

  it('a unit on the wall is moved by keys and by the pointer, and what stands too near is told', async () => {
    const { page, errors } = await open('Larkspur Bench', 'More sun, less bank')
    const unit = (id: string) => page.locator(`[data-unit-on-wall="${id}"]`)
    const where = (id: string) => unit(id).getAttribute('aria-label').then(String)
    const before = await where('panel')
    await unit('panel').press('ArrowLeft')
    const moved = await changes(() => where('panel'), before)
    await drag(page, unit('panel'), unit('bars'))
    expect(await changes(() => where('panel'), moved)).toContain('too near')
    await page.locator('.findings', { hasText: 'stands too near to' }).waitFor()
    await page.locator('[data-wall]').scrollIntoViewIfNeeded()
    await page
      .locator('section', { has: page.locator('[data-wall]') })
      .getByText('all where there is room')
      .click()
    await becomes(() => where('panel'), before)
    expect(errors).toEqual([])
  })

  it('a second array has its own line, open until it is measured', async () => {
    const { page, errors } = await open('Gannet Skerry', 'As planned', '4')
    const before = await rail(page, 'wiring')
    await page.getByRole('button', { name: 'another array' }).click()
    await changes(() => rail(page, 'wiring'), before)
    await page.locator('h1').first().click()
    await page.keyboard.press('8')
    await whole(page)
    await page.locator('.findings [data-level=open]', { hasText: 'no measured length' }).waitFor()
    await page.getByRole('button', { name: 'they are as is usual' }).click()
    await page.locator('.findings [data-level=open]').waitFor({ state: 'detached' })
    expect(await page.locator('[data-label]').count()).toBeGreaterThan(5)
    expect(errors).toEqual([])
  })
})

describe('what is chosen once for all', () => {
  it('each string on a line of its own: drawing, table and schedule follow, and its conductors lie together', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    const before = await wires(page)
    await fieldAt(page, 'schools.combining').selectOption('each on a line of its own')
    expect(await changes(() => wires(page), before)).not.toContain('Combiner')
    await row(page, 'string:array-1').waitFor({ state: 'detached' })
    await row(page, 'array:array-1').getByRole('button').click()
    expect(await page.locator(`[data-path="${await field(page, 'array:array-1', 'conductors')}"]`).inputValue()).toBe(
      '4',
    )
    await page.keyboard.press('Control+z')
    await row(page, 'string:array-1').waitFor()
    expect(errors).toEqual([])
  })

  it('a second bond is a stop, and its remedy leaves one', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    await fieldAt(page, 'generator.neutral').selectOption('is joined to its frame')
    const finding = page.locator('.finding', { hasText: 'joined twice' })
    await finding.waitFor()
    await finding.getByRole('button', { name: 'the generator’s own taken out' }).click()
    await page.locator('.finding', { hasText: 'joined once' }).waitFor()
    expect(errors).toEqual([])
  })
})

describe('cautions', () => {
  it('are put away in the design, brought out again, and printed all the same', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned')
    await drawn(page)
    const caution = page.locator('[data-caution="wiring.torque"]')
    await caution.getByRole('button', { name: 'read, put away' }).click()
    await caution.waitFor({ state: 'hidden' })
    await saved(page)
    await page.reload()
    await page.locator('[data-cautions-away]').waitFor()
    expect(await caution.isVisible()).toBe(false)
    await page.emulateMedia({ media: 'print' })
    expect(await caution.isVisible()).toBe(true)
    await page.emulateMedia({ media: 'screen' })
    await page.locator('[data-cautions-away]').click()
    await caution.getByRole('button', { name: 'bring out again' }).click()
    await page.locator('[data-cautions-away]').waitFor({ state: 'detached' })
    expect(errors).toEqual([])
  })
})

describe('drawings for paper', () => {
  it('are a sheet each for drawing, wall and labels, on A4 or Letter, lying and standing', async () => {
    const { page, errors } = await open('Rowan Forks', 'As planned')
    await page.locator('[data-paper]').click()
    await page.locator('[data-sheet=labels] li').first().waitFor()
    expect(await page.locator('[data-sheet=one-line] path.line').count()).toBeGreaterThan(20)
    expect(await page.locator('[data-sheet=wall] tbody tr').count()).toBeGreaterThan(10)
    const sheets = async () => {
      const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
      return [...pdf.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(([, width, height]) =>
        [width, height].map((each) => Math.round(Number(each) / 10) * 10).join(' × '),
      )
    }
    // points: 842 × 595 and 595 × 842
    await page.getByRole('radio', { name: 'A4' }).check()
    const onA4 = await sheets()
    expect(onA4[0]).toBe('840 × 590')
    expect(onA4.at(-1)).toBe('590 × 840')
    await page.getByRole('radio', { name: 'Letter' }).check()
    const onLetter = await sheets()
    expect(onLetter[0]).toBe('790 × 610')
    expect(onLetter.at(-1)).toBe('610 × 790')
    await page.getByRole('link', { name: 'Back to the design' }).click()
    await page.locator('[data-one-line] svg').waitFor()
    expect(errors).toEqual([])
  })
})
