import { describe, expect, it } from 'vitest'
import { DESIGN_VERSION } from '@ambrel/core'
import { openPage, takePage } from './browser.ts'
import {
  becomes,
  changes,
  drawn,
  fieldAt,
  goTo,
  newDesign,
  newDesignByHand,
  openDemo,
  rail,
  redrawn,
  saved,
  setField,
  SOMETIMES,
  strip,
} from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()

describe('from nothing to a winter answer', () => {
  it('makes a design through all seven steps by Suggest, edits, undoes, reloads and finds it saved', async () => {
    const { page, errors } = await takePage(application.browser)
    await newDesignByHand(page, application.base, 'Test cabin')
    for (const [key, step] of [
      ['1', 'place'],
      ['2', 'loads'],
      ['3', 'bank'],
      ['4', 'array'],
      ['5', 'inverter'],
      ['6', 'generator'],
    ]) {
      await page.locator('h1').first().click()
      await page.keyboard.press(key)
      await page.locator(`[data-bench=${step}] [data-suggest]`).click()
      await page.locator('.reasons li').first().waitFor()
    }
    await page.keyboard.press('7')
    await page.locator('[data-bench=winter] [data-suggest]').click()
    await page.locator('[data-candidate]').first().waitFor()
    expect(await page.locator('[data-candidate]').count()).toBeGreaterThan(4)
    await page.locator('[data-verdict]', { hasText: 'Tried over the same winters' }).waitFor()
    expect(await rail(page, 'bank')).toMatch(/^\d+ V · [\d.]+ kWh, [\d.]+ Ah · [\d.]+ d$/)
    expect(await page.locator('.findings [data-level=stop]').count()).toBe(0)

    await page.keyboard.press('2')
    await page.locator('[data-path="loads.0.runningW"]').waitFor()
    const railBefore = await rail(page, 'loads')
    const stripBefore = await strip(page)
    await setField(page, 'loads.0.runningW', '700')
    const railAfter = await changes(() => rail(page, 'loads'), railBefore)
    await redrawn(page, stripBefore)
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    expect(await changes(() => rail(page, 'loads'), railAfter)).toBe(railBefore)
    expect(await page.locator('[data-path="loads.0.runningW"]').inputValue()).toBe('90')
    await page.getByRole('button', { name: 'Redo', exact: true }).click()
    expect(await changes(() => rail(page, 'loads'), railBefore)).toBe(railAfter)
    await saved(page)
    await page.reload()
    await drawn(page)
    expect(await page.locator('[data-path="loads.0.runningW"]').inputValue()).toBe('700')
    expect(await rail(page, 'loads')).toBe(railAfter)
    await page.goto(application.base)
    await page.getByText('Test cabin').waitFor()
    expect(errors).toEqual([])
  })
})

describe('two windows', () => {
  it('a shelf that was left runs no more winters, and runs them when it is back', async () => {
    const { page } = await takePage(application.browser)
    const asked: string[] = []
    await goTo(page, application.base, '/')
    await page.locator('[data-mini]').first().waitFor()
    const cards = await page.locator('[data-mini]').count()
    expect(cards).toBeGreaterThan(3)
    await page.locator('.family').first().getByRole('link').first().click()
    await page.locator('section.strip').waitFor()
    page.on('request', (request) => asked.push(new URL(request.url()).pathname))
    await page.locator('section.strip[data-years="30"]').waitFor()
    expect(asked.filter((path) => /^\/api\/designs\/[0-9a-f-]{36}$/.test(path)).length).toBeLessThan(2)
    await page.goBack()
    await page.waitForFunction((n) => document.querySelectorAll('[data-mini=drawn]').length === n, cards, SOMETIMES)
  })

  it('a stale save gets the choice, and keeping both loses nothing', async () => {
    const first = (await openPage(application.browser)).page
    await newDesign(first, application.base, 'Shared cabin', 'loads')
    const second = (await openPage(application.browser)).page
    await second.goto(first.url())
    await drawn(second)
    await setField(first, 'loads.0.runningW', '111')
    await saved(first)
    await setField(second, 'loads.0.runningW', '222')
    await second.getByText('Saved somewhere else meanwhile').waitFor()
    await second.locator('[data-choice=both]').click()
    await second.getByRole('link', { name: 'As planned (mine)' }).waitFor()
    await drawn(second)
    expect(await second.locator('[data-path="loads.0.runningW"]').inputValue()).toBe('222')
    await first.reload()
    await drawn(first)
    expect(await first.locator('[data-path="loads.0.runningW"]').inputValue()).toBe('111')
  })

  it('keeping mine overwrites, taking theirs can be undone', async () => {
    const first = (await openPage(application.browser)).page
    await newDesign(first, application.base, 'Contested cabin', 'loads')
    const second = (await openPage(application.browser)).page
    await second.goto(first.url())
    await drawn(second)
    for (const [page, watts] of [
      [first, '333'],
      [second, '444'],
    ] as const) {
      await setField(page, 'loads.0.runningW', watts)
      if (page === first) await saved(page)
    }
    await second.locator('[data-choice=theirs]').click()
    expect(await changes(() => second.locator('[data-path="loads.0.runningW"]').inputValue(), '444')).toBe('333')
    await second.getByRole('button', { name: 'Undo', exact: true }).click()
    expect(await changes(() => second.locator('[data-path="loads.0.runningW"]').inputValue(), '333')).toBe('444')
    await saved(second)
  })
})

describe('a new design', () => {
  it('asks for the house too: coordinates in any spelling, feet, sockets, bank, and remembers the place', async () => {
    const { page, errors } = await takePage(application.browser)
    await goTo(page, application.base, '/')
    await page.locator('[data-new]').click()
    await page.waitForFunction(() => (document.activeElement as HTMLInputElement | null)?.name === 'name')
    await page.keyboard.type('Feet and inches')
    await page.locator('input[name=latitude]').fill('46°54’N')
    await page.locator('input[name=longitude]').fill('114°W')
    expect(await page.locator('input[name=units][value=imperial]').isChecked()).toBe(true)
    expect(await page.locator('input[name=service][value=single-120]').isChecked()).toBe(true)
    await page.locator('input[name=elevation]').fill('3280.84')
    await page.locator('input[name=units][value=metric]').check()
    expect(await page.locator('input[name=elevation]').inputValue()).toBe('1000')
    await page.locator('input[name=units][value=imperial]').check()
    await page.locator('input[name=elevation]').fill('100000')
    await page.getByRole('button', { name: 'Make it' }).click()
    await page.getByText(/^100.000\sft is above 19.685\sft$/).waitFor()
    await page.locator('input[name=elevation]').fill('3200 ft')
    await page.locator('input[name=service][value=split-phase]').check()
    await page.locator('input[name=systemV][value="48"]').check()
    await page.getByRole('button', { name: 'Make it' }).click()
    await drawn(page)
    expect(await rail(page, 'bank')).toMatch(/^48 V/)
    await page.locator('.rail [data-step=place]').click()
    expect(await fieldAt(page, 'place.elevationM').inputValue()).toBe('3200')
    await page.locator('.rail [data-step=inverter]').click()
    await page.locator('.service', { hasText: '120/240 V split phase' }).waitFor()
    // nobody has been through anything yet
    expect(await page.locator('.rail [aria-label=sound]').count()).toBe(0)
    await page.goto(application.base)
    await page.locator('[data-new]').click()
    await page.locator('[data-last-place]').click()
    expect(await page.locator('input[name=latitude]').inputValue()).toBe('46°54’N')
    expect(errors).toEqual([])
  })
})

describe('for those who listen and those who use keys', () => {
  it('the step is told and stands in the title, and the first stop of Tab leads past the rail', async () => {
    const { page, errors } = await takePage(application.browser)
    await openDemo(page, application.base)
    await page.locator('.rail [data-step=bank]').click()
    await page.waitForFunction(() => document.title === 'Bank · Larkspur Bench · Ambrel')
    await page
      .getByRole('status')
      .filter({ hasText: /^Bank$/ })
      .waitFor({ state: 'attached' })
    // the title is told as soon as the step is asked for; there is somewhere for Tab to go once it is drawn
    await fieldAt(page, 'bank.autonomyDays').waitFor()
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
    const skip = page.getByRole('link', { name: 'Skip to the step' })
    await skip.focus()
    await page.keyboard.press('Enter')
    expect(await page.evaluate(() => document.activeElement?.id)).toBe('bench')
    await page.keyboard.press('Tab')
    expect(await page.evaluate(() => document.activeElement?.closest('main') !== null)).toBe(true)
    expect(errors).toEqual([])
  })
})

describe('bad input', () => {
  it('is named at its field and waits beside the last good value, which rules; the rest is saved; mended, it rules', async () => {
    const { page } = await takePage(application.browser)
    await newDesign(page, application.base, 'Wrong cabin')
    await saved(page)
    await setField(page, 'place.elevationM', '9000')
    await page
      .locator('.error', { hasText: 'Elevation: 9000 m is too large; at most 6000 m; 0 m goes on ruling' })
      .waitFor()
    await setField(page, 'place.windMS', '7')
    await page.locator('[data-saved]', { hasText: /^Saved .* · 1 to put right/ }).waitFor()
    await drawn(page)
    await page.reload()
    await drawn(page)
    await becomes(() => fieldAt(page, 'place.elevationM').inputValue(), '9000')
    expect(await fieldAt(page, 'place.windMS').inputValue()).toBe('7')
    await setField(page, 'place.elevationM', '200')
    await page.locator('[data-saved]', { hasText: /^Saved [^·]*$/ }).waitFor()
    await setField(page, 'place.elevationM', '9000')
    await page.locator('[data-drop-waiting]').click()
    await becomes(() => fieldAt(page, 'place.elevationM').inputValue(), '200')
    await setField(page, 'place.recordLowC', 'cold')
    await page.locator('.error', { hasText: '“cold” is not a number' }).waitFor()
    expect(await page.locator('[data-path="place.recordLowC"]').inputValue()).toBe('cold')
  })

  it('an empty load list and a unit that does not divide the bank are named', async () => {
    const { page } = await takePage(application.browser)
    await newDesign(page, application.base, 'Empty cabin', 'loads')
    await page.locator('[data-load]').first().waitFor()
    const rows = async () => String(await page.locator('[data-load]').count())
    for (let left = Number(await rows()); left > 1; left--) {
      await page.locator('[data-load] [title=Remove]').first().click()
      await becomes(rows, String(left - 1))
    }
    await page.locator('[data-load] [title=Remove]').first().click()
    await page.locator('.error', { hasText: 'the load list is empty; add at least one load' }).waitFor()
    await page.locator('[data-problem]', { hasText: 'the load list is empty' }).waitFor()
    await page.keyboard.press('Control+z')
    await drawn(page)
    await page.keyboard.press('3')
    await setField(page, 'bank.part.nominalV', '20')
    await page.locator('.error', { hasText: 'do not divide the' }).first().waitFor()
  })

  it('the new-design form and a broken file say what is wrong and lose nothing', async () => {
    const { page } = await takePage(application.browser)
    await goTo(page, application.base, '/')
    await page.locator('[data-new]').click()
    await page.locator('input[name=name]').fill('Nowhere')
    await page.locator('input[name=latitude]').fill('95')
    await page.locator('input[name=longitude]').fill('east')
    await page.getByRole('button', { name: 'Make it' }).click()
    await page.getByText('latitude 95 is beyond 90°').waitFor()
    await page.getByText('“east” is not a longitude').waitFor()
    expect(await page.locator('input[name=name]').inputValue()).toBe('Nowhere')
    await page.keyboard.press('Escape')
    await page
      .locator('[data-file]')
      .setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from('{"format":') })
    await page.getByText('not JSON').waitFor()
    await page.locator('[data-file]').setInputFiles({
      name: 'newer.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify({ format: 'ambrel-design', version: DESIGN_VERSION + 1 })),
    })
    await page.getByText('written by a newer Ambrel').waitFor()
  })
})

describe('the frame', () => {
  it('palette, keys, findings with remedy, working, units and variants', async () => {
    const { page, errors } = await takePage(application.browser)
    await openDemo(page, application.base)
    await page.keyboard.press('Control+k')
    await page.locator('[data-palette]').fill('go arr')
    await page.keyboard.press('Enter')
    await page.locator('[data-bench=array]').waitFor()
    await setField(page, 'arrays.0.inSeries', '12')
    const finding = page.locator('[data-finding="array.cold-voltage"][data-level=stop]')
    await finding.waitFor()
    await finding.locator('.remedy').click()
    await finding.waitFor({ state: 'detached' })
    expect(Number(await page.locator('[data-path="arrays.0.inSeries"]').inputValue())).toBeLessThan(12)
    await page.keyboard.press('Control+z')
    await page.keyboard.press('Control+z')
    await page.locator('[data-working="array.need"]').focus()
    await page.keyboard.press('w')
    await page.getByText('daily need ÷ (sun hours ×').waitFor()
    await page.keyboard.press('Escape')
    await page.locator('[data-bench=array] h1').click()
    await page.keyboard.press('1')
    const elevation = page.locator('[data-path="place.elevationM"]')
    expect(await elevation.inputValue()).toBe('940')
    await page.getByRole('button', { name: 'change units' }).click()
    expect(await elevation.inputValue()).toBe('3083.99')
    await page.keyboard.press('v')
    await page.locator('.tabs .on', { hasText: 'Flooded bank' }).waitFor()
    await page.keyboard.press('f')
    await page.locator('.findings').waitFor({ state: 'hidden' })
    await page.keyboard.press('?')
    await page.getByText('new row in the table at hand').waitFor()
    expect(errors).toEqual([])
  })

  it('every step takes an edit that reaches its figure', async () => {
    const { page } = await takePage(application.browser)
    await newDesign(page, application.base, 'Edited cabin')
    const edits: [string, string, string, string][] = [
      ['1', 'place', 'place.monthly.11.ghiKWhM2Day', '0.4'],
      ['3', 'bank', 'bank.inParallel', '3'],
      ['4', 'array', 'arrays.0.inParallel', '3'],
      ['5', 'inverter', 'inverter.part.ratedW', '1500'],
      ['6', 'generator', 'generator.startStateOfCharge', '60'],
      ['8', 'wiring', '[data-circuit-row=backup] input', '900'],
      ['9', 'cost', 'budget.labour', '5000'],
    ]
    for (const [key, step, given, value] of edits) {
      await page.locator('h1').first().click()
      await page.keyboard.press(key)
      // a line that nobody measured has no place of its own in the document yet
      const path = given.startsWith('[') ? (await page.locator(given).getAttribute('data-path'))! : given
      await page.locator(`[data-path="${path}"]`).waitFor()
      const before = await rail(page, step)
      await setField(page, path, value)
      await changes(() => rail(page, step), before)
    }
    expect(await page.locator('[data-bench=cost]').count()).toBe(1)
    await saved(page)
  })

  it('a new variant, the build list and a reading are kept; the bin gives back', async () => {
    const { page } = await takePage(application.browser)
    await newDesign(page, application.base, 'Kept cabin')
    await page.getByRole('button', { name: 'New variant' }).click()
    await page.getByLabel('Name').fill('Second thought')
    await page.getByRole('button', { name: 'Make it' }).click()
    await page.locator('.tabs .on', { hasText: 'Second thought' }).waitFor()
    await drawn(page)
    await page.keyboard.press('0')
    await page.locator('[data-task=permit]').check()
    await saved(page)
    await page.locator('h1').first().click()
    await page.keyboard.press('-')
    await page.getByLabel('Battery', { exact: true }).fill('25.9')
    await page.getByLabel('Note').fill('first frost')
    await page.locator('[data-enter]').click()
    await page.locator('[data-readings]', { hasText: 'first frost' }).waitFor()
    await page.reload()
    await page.locator('[data-readings]', { hasText: '25.9 V' }).waitFor()
    expect(await rail(page, 'build')).toMatch(/^1 of/)
    await page.goto(application.base)
    const family = page.locator('.family', { hasText: 'Kept cabin' })
    await family.getByLabel('Delete Second thought').click()
    await page.getByRole('button', { name: /Show the bin/ }).click()
    await page.locator('.bin li', { hasText: 'Second thought' }).getByText('bring back').click()
    await family.getByRole('link', { name: 'Second thought' }).waitFor()
  })

  it('edits made while the server is away wait in the browser and are saved when it is back', async () => {
    const { page } = await openPage(application.browser)
    await newDesign(page, application.base, 'Far cabin')
    await saved(page)
    await page.locator('[data-ahead=true]').waitFor()
    await page.context().setOffline(true)
    await page.keyboard.press('2')
    await page.locator('[data-path="loads.0.runningW"]').waitFor()
    await setField(page, 'loads.0.runningW', '155')
    await page.locator('[data-saved]', { hasText: 'Offline; kept here' }).waitFor()
    await page.context().setOffline(false)
    await saved(page)
    await page.reload()
    await drawn(page)
    expect(await page.locator('[data-path="loads.0.runningW"]').inputValue()).toBe('155')
  })
})
