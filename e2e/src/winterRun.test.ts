import { describe, expect, it } from 'vitest'
import { openPage, PATIENCE_MS } from './browser.ts'
import {
  becomes,
  changes,
  drag,
  dragByFinger,
  newDesign,
  openVariant,
  rail,
  redrawn,
  saved,
  setField,
  still,
  strip,
} from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()

async function open(family: string, variant: string, step: string) {
  const opened = await openVariant(application.browser, application.base, family, variant, step)
  const { page } = opened
  const undo = () => page.getByRole('button', { name: 'Undo', exact: true }).click()
  const finding = (text: string | RegExp) => page.locator('.findings [data-level]', { hasText: text })
  return { ...opened, undo, finding }
}

describe('the inverter', () => {
  it('loads move between legs by pointer and by keys, and spread by themselves; the share of the leg follows', async () => {
    const { page, errors, undo } = await open('Larkspur Bench', 'As planned', '5')
    const legs = page.locator('[data-legs]')
    await legs.waitFor()
    const on = (leg: string) => page.locator(`[data-leg=${leg}] [data-load]`).evaluateAll((rows) => String(rows.length))
    const a = await on('A')
    const share = await rail(page, 'inverter')
    // what is carried may lie over the cards beside its own, which else are painted each by itself
    const isApart = () => legs.evaluate((card) => getComputedStyle(card).isolation === 'isolate')
    expect(await isApart()).toBe(true)
    await drag(
      page,
      page.locator('[data-leg=A] [data-load]').first(),
      page.locator('[data-leg=B] ul'),
      async () => void expect(await isApart()).toBe(false),
    )
    expect(await isApart()).toBe(true)
    expect(Number(await changes(() => on('A'), a))).toBe(Number(a) - 1)
    await changes(() => rail(page, 'inverter'), share)
    await dragByFinger(page, page.locator('[data-leg=A] [data-load]').first(), page.locator('[data-leg=B] ul'))
    await becomes(() => on('A'), String(Number(a) - 2))
    await undo()
    await becomes(() => on('A'), String(Number(a) - 1))
    await page.locator('[data-leg=B] [data-load]').first().press('Alt+ArrowLeft')
    await changes(() => on('A'), String(Number(a) - 1))
    await legs.getByText('spread them evenly').click()
    const watts = () => page.locator('[data-leg] .head').allInnerTexts()
    await expect.poll(async () => (await watts()).length).toBe(2)
    for (let i = 0; i < 3; i++) await undo()
    expect(await changes(() => on('A'), '-')).toBe(a)
    expect(errors).toEqual([])
  })

  it('three single units make three phases; a pump on 240 V is put right, and two go back to one leg', async () => {
    const { page, errors, undo } = await open('Larkspur Bench', 'More sun, less bank', '5')
    await page.getByLabel('Inverter', { exact: true }).selectOption({ label: 'Single 230 V 5 kW, 48 V' })
    await page.locator('.service', { hasText: '230 V single' }).waitFor()
    expect(await page.locator('[data-leg]').count()).toBe(1)
    await setField(page, 'inverter.quantity', '3')
    await page.getByLabel('Joined').selectOption({ label: 'one a phase' })
    await page.locator('.service', { hasText: 'three-phase' }).waitFor()
    await page.locator('[data-legs]').getByText('spread them evenly').click()
    await expect.poll(() => page.locator('[data-leg=C] [data-load]').count()).toBeGreaterThan(0)
    await setField(page, 'inverter.quantity', '2')
    // two cannot stand one a phase: they are joined on one output, and the loads go to the leg there is
    await page.locator('.service', { hasText: '230 V single' }).waitFor()
    await expect.poll(() => page.locator('[data-leg]').count()).toBe(1)
    await setField(page, 'inverter.quantity', '0')
    await page.getByText('How many: 0 is too small; at least 1').first().waitFor()
    // the two counts are one step where they come right after the other, two where the machine is slow
    const split = page.locator('.service', { hasText: '120/240 V split phase' })
    for (let i = 0; i < 6 && !(await split.isVisible()); i++) await undo()
    await split.waitFor()
    expect(errors).toEqual([])
  })

  it('says by itself that the pump will not start on a cold night, and a soft starter cures it with one click', async () => {
    const { page, errors, finding } = await open('Larkspur Bench', 'Flooded bank', '5')
    const says = page.locator('[data-surge-says]')
    await says.getByText(/starts at \d+\s% of the surge of leg/).waitFor()
    await page.keyboard.press('3')
    await page.locator('[data-bench=bank] h1').waitFor()
    await setField(page, 'bank.part.resistanceMilliohm', '10')
    await page.keyboard.press('Escape')
    await page.locator('h1').first().click()
    await page.keyboard.press('5')
    const pump = /Submersible well pump will not start on a bank at \d+\s% and/
    await says.getByText(pump).waitFor()
    expect(await rail(page, 'inverter')).toMatch(/no start when low$/)
    await finding(pump)
      .getByRole('button', { name: /soft starter for Submersible well pump/ })
      .click()
    await page.locator('[data-surge-says]', { hasText: 'Table saw' }).waitFor()
    expect(errors).toEqual([])
  })

  it('a larger one is taken from the list with what it idles away', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned', '5')
    const idle = () => page.locator('[data-working="inverter.idle-day"] b').innerText()
    const before = await idle()
    await page
      .locator('[data-inverter-choices] tr', { hasText: /^\s*Split-phase 8 kW/ })
      .getByText('use this one')
      .click()
    await changes(idle, before)
    await page
      .locator('[data-inverter-choices] tr', { hasText: 'All-in-one split-phase 12 kW' })
      .getByText('use this one')
      .click()
    await page.keyboard.press('4')
    await page.getByText('Built into an all-in-one unit').first().waitFor({ state: 'attached' })
    expect(errors).toEqual([])
  })
})

describe('the backup', () => {
  it('starts by charge, by voltage, or by hand in the morning, and the winter follows each', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned', '6')
    await page.locator('[data-backup-year]').waitFor()
    const starts = () => page.locator('[data-backup-year] tbody tr').first().innerText()
    let now = await starts()
    await page.getByLabel('Starts', { exact: true }).selectOption({ label: 'by hand in the morning' })
    now = await changes(starts, now)
    await page.getByLabel('Starts', { exact: true }).selectOption({ label: 'by voltage, held low' })
    await setField(page, 'generator.startV', '51.9')
    now = await changes(starts, now)
    await setField(page, 'generator.holdMin', '240')
    await changes(starts, now)
    await setField(page, 'generator.startV', '40')
    await page
      .getByText(/start at 40\sV must lie above the inverter’s cut-out at 44\sV/)
      .first()
      .waitFor()
    expect(errors).toEqual([])
  })

  it('may be shore power, a vehicle, or none at all', async () => {
    const { page, errors, finding } = await open('Larkspur Bench', 'More sun, less bank', '6')
    const kind = page.getByLabel('Backup', { exact: true })
    await kind.selectOption({ label: 'shore or grid power' })
    await setField(page, 'generator.cordA', '12')
    await page.locator('[data-working="generator.power"] b', { hasText: '2.88 kW' }).waitFor()
    await setField(page, 'generator.cordV', '120')
    const untaken = finding('The cord gives 120 V; the inverter takes 120/240 V.')
    await untaken.waitFor()
    await page.getByText('it is brought to what the inverter takes').click()
    await untaken.waitFor({ state: 'detached' })
    const caution = (hasText: string) => page.locator('[data-caution]', { hasText })
    await caution('Through an inlet and a transfer switch').waitFor()
    await kind.selectOption({ label: 'a vehicle, now and then' })
    await caution('a fuse at each end of the cable').waitFor()
    const weeks = await strip(page)
    await kind.selectOption({ label: 'none' })
    await page.getByText('None is a full answer').waitFor()
    await redrawn(page, weeks)
    expect(await rail(page, 'generator')).toBe('none')
    expect(errors).toEqual([])
  })

  it('a grid that is usually there is carried through its failures, or not, and says how soon it goes dark', async () => {
    const { page, errors, finding } = await open('Larkspur Bench', 'More sun, less bank', '6')
    const card = page.locator('[data-grid]')
    const hours = await rail(page, 'generator')
    await page.getByLabel('Backup', { exact: true }).selectOption({ label: 'none' })
    await card.getByText('the grid is usually there').click()
    await changes(() => rail(page, 'generator'), hours)
    await card.locator('[data-failures]', { hasText: /\d+ failures, .* on average/ }).waitFor()
    await finding('What must run goes on through every failure of the grid.').waitFor()
    await card.getByText('until it is back up, 9 in 10').waitFor()
    await card.getByText('the bank lasts, so kept').waitFor()
    await card.getByLabel('The grid fails').selectOption('once a year')
    await setField(page, 'grid.spellDay', '32')
    await card.getByText('Failure begins on day: 32 is too large; at most 31').waitFor()
    await setField(page, 'grid.spellDay', '3')
    await setField(page, 'grid.spellDays', '30')
    await finding(/What must run goes on through \d+\s% of the failures of the grid/).waitFor()
    expect(await card.getByText('until dark, the soonest').count()).toBe(1)
    await card.getByText('the grid is usually there').click()
    await card.getByText('Where a line stands and fails now and then').waitFor()
    expect(errors).toEqual([])
  })

  it('its charger is set to an economical load with one click', async () => {
    const { page, errors, finding } = await open('Larkspur Bench', 'As planned', '6')
    await page.locator('[data-charge-limit]').click()
    await finding(/It works at (69|70)\s% of its power while charging/).waitFor()
    await page.locator('[data-working="generator.load-share"] b', { hasText: /^(69|70)/ }).waitFor()
    expect(errors).toEqual([])
  })

  it('a stream is entered by month, or pasted, and what is wrong with a table is named by its line', async () => {
    const { page, errors } = await open('Gannet Skerry', 'As planned', '6')
    const card = page.locator('[data-sources]')
    const weeks = await strip(page)
    await card.getByRole('button', { name: 'Add a source' }).click()
    const running = await redrawn(page, weeks)
    await card.getByRole('button', { name: 'Watts from a table…' }).click()
    const cells = page.locator('[data-cells]')
    await cells.fill('month\tW\nJan\t40\nFeb\tmuch')
    await page.getByText('2 rows of numbers; 12 months').waitFor()
    const months = Array.from({ length: 12 }, (_, m) => `month ${m + 1}\t${m === 3 ? 'x' : 5}`)
    await cells.fill(months.join('\n'))
    await page.getByText('line 4: “x” is not watts').waitFor()
    await cells.fill(months.join('\n').replace('x', '5'))
    await page.locator('[data-take-cells]').click()
    await redrawn(page, running)
    await card.getByLabel('Remove Stream turbine').click()
    await card.getByText('None.').waitFor()
    await saved(page)
    expect(errors).toEqual([])
  })
})

describe('the right side of the inverter', () => {
  it('an AC-coupled array has an inverter of its own, is held to the house inverter’s rating, and the strip follows', async () => {
    const { page, errors, undo } = await open('Larkspur Bench', 'More sun, less bank', '4')
    const weeks = await strip(page)
    await page.getByLabel('Part', { exact: true }).nth(1).selectOption({ label: 'AC-coupled array inverter, 5 kW' })
    await redrawn(page, weeks)
    await page.getByText('Feeds the house directly').waitFor()
    await setField(page, 'controllers.1.part.outputAcW', '9000')
    await page.locator('h1').first().click()
    await page.keyboard.press('5')
    await page
      .locator('.findings [data-level=stop]', { hasText: '9 kW feed the AC side of an inverter of 6 kW' })
      .waitFor()
    for (let i = 0; i < 2; i++) await undo()
    await saved(page)
    expect(errors).toEqual([])
  })

  it('a pump with a tank behind it waits for the sun', async () => {
    const { page, errors } = await open('Larkspur Bench', 'Flooded bank', '2')
    const weeks = await strip(page)
    await page.getByLabel('Details of Submersible well pump').click()
    await page.getByText('may be moved into the sun').click()
    await setField(page, 'loads.2.storeDays', '3')
    await redrawn(page, weeks)
    await setField(page, 'loads.2.storeDays', '90')
    await page.getByText('90 d is too large; at most 60 d').first().waitFor()
    expect(errors).toEqual([])
  })
})

describe('the household', () => {
  it('goes away and sheds loads, and the run follows; a day that is not in the month is named', async () => {
    const { page, errors } = await openPage(application.browser, { height: 1000 })
    await newDesign(page, application.base, 'Holiday cabin', 'loads')
    const card = page.locator('[data-household]')
    await card.waitFor()
    const backup = () => rail(page, 'generator')
    const home = await backup()
    await card.getByRole('button', { name: 'Add a stretch' }).click()
    const away = await changes(backup, home)
    await setField(page, 'household.away.0.toDay', '32')
    await page.getByText('Away to, day: 32 is too large; at most 31').first().waitFor()
    await setField(page, 'household.away.0.toDay', '30')
    await changes(backup, away)
    await page.locator('.rail [data-step=generator] small', { hasText: 'h a year' }).waitFor()
    await page.getByLabel('LED lights, priority').selectOption({ label: 'can wait' })
    await setField(page, 'household.shedCanWaitBelow', '90')
    await page.locator('.rail [data-step=winter] small', { hasText: 'short, 1 in 10' }).waitFor()
    expect(errors).toEqual([])
  })
})

describe('the winter', () => {
  it('a day of the tapestry opens its week by pointer and by keys; the week is read hour by hour', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned', '7')
    const canvas = page.locator('[aria-label="Winter tapestry"] canvas')
    await canvas.waitFor()
    await page.locator('[data-months]').waitFor()
    const { width } = await still(canvas)
    await canvas.click({ position: { x: width * 0.5, y: 80 } })
    const week = page.locator('[data-week]')
    await week.locator('svg path.charge').waitFor()
    const title = () => week.locator('h2').innerText()
    const first = await title()
    await week.getByText('week after').click()
    await changes(title, first)
    await week.locator('svg').focus()
    await page.keyboard.press('ArrowRight')
    await week.getByText(/0 h: .* outside, .* at the bank/).waitFor()
    await page.keyboard.press('Escape')
    await week.waitFor({ state: 'detached' })
    await canvas.focus()
    for (const key of ['ArrowDown', 'ArrowRight', 'Enter']) await page.keyboard.press(key)
    await week.getByText('Year 2, week from').waitFor()
    expect(errors).toEqual([])
  })

  it('tells how bad it gets, where the losses go, and changes with quarters of an hour and with age', async () => {
    const { page, errors } = await open('Larkspur Bench', 'Flooded bank', '7')
    const table = page.locator('[data-percentiles]')
    await table.getByText('longest spell ridden through').waitFor()
    const losses = () => page.locator('[data-losses]').innerText()
    expect(await losses()).toContain('inverter, at rest')
    const figures = () => table.innerText()
    const hours = await figures()
    await page.getByLabel('Step', { exact: true }).selectOption({ label: 'quarters of an hour' })
    const quarters = await changes(figures, hours)
    await page.getByText('age through the years', { exact: true }).click()
    await changes(figures, quarters)
    expect(errors).toEqual([])
  })

  it('many years run on several workers, with progress, and a newer edit ends the older run', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned', '7')
    await page.locator('[data-months]').waitFor()
    await setField(page, 'winter.years', '400')
    await page.locator('section.strip', { hasText: /\d+ %/ }).getByText('cancel').waitFor()
    await setField(page, 'winter.years', '120')
    await page.locator('section.strip[data-years="120"]').waitFor()
    await page.locator('h2', { hasText: 'mean of 120 made years' }).waitFor()
    await setField(page, 'winter.years', '0')
    await page.getByText('Years: 0 years is too small; at least 1 year').first().waitFor()
    expect(errors).toEqual([])
  })

  it('variants stand side by side over the same winters, with their differences, until the design moves on', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned', '7')
    const variants = page.locator('[data-variants]')
    for (const box of await variants.locator('input[type=checkbox]').all()) await box.check()
    await variants.locator('[data-compare]').click()
    await variants.locator('table').waitFor()
    expect(await variants.locator('thead th').allInnerTexts()).toEqual([
      'figure',
      'As planned',
      'Flooded bank',
      'More sun, less bank',
    ])
    expect(await variants.locator('.strip').count()).toBe(3)
    const bank = await variants.locator('tbody tr').first().innerText()
    expect(bank).toContain('30.7\u00a0kWh')
    expect(bank).toContain('+29.8\u00a0kWh')
    await setField(page, 'winter.seed', '9')
    await variants.getByText('The design has changed since').waitFor()
    expect(errors).toEqual([])
  })

  it('what next can be cancelled, shows a change as a ghost, and keeps it', async () => {
    const { page, errors } = await open('Larkspur Bench', 'As planned', '7')
    const suggest = page.locator('[data-bench=winter] [data-suggest]')
    // the page itself cancels as soon as it can: the button may stand there for moments only
    await suggest.evaluate(
      (button: HTMLElement) =>
        new Promise<void>((done) => {
          const observer = new MutationObserver(() => {
            const cancel = [...document.querySelectorAll('button')].find(
              ({ textContent }) => textContent.trim() === 'cancel',
            )
            if (!cancel) return
            observer.disconnect()
            cancel.click()
            done()
          })
          observer.observe(document.body, { childList: true, subtree: true })
          button.click()
        }),
    )
    await page.getByRole('button', { name: 'cancel' }).waitFor({ state: 'hidden' })
    expect(await page.locator('[data-candidate]').count()).toBe(0)
    await suggest.click()
    // some 170 winters
    await page.locator('[data-candidate=charger]').waitFor({ timeout: 4 * PATIENCE_MS })
    const ids = await page
      .locator('[data-candidate]')
      .evaluateAll((rows) => rows.map((row) => row.getAttribute('data-candidate')))
    for (const id of ['battery', 'string', 'stop-sooner', 'chemistry']) expect(ids).toContain(id)
    await page.locator('[data-candidate=string]').getByText('show').click()
    await page.locator('section.strip path.ghost').waitFor()
    const rows = await rail(page, 'array')
    await page.locator('[data-candidate=string]').getByText('keep').click()
    await changes(() => rail(page, 'array'), rows)
    await page.locator('[data-verdict]').waitFor()
    expect(errors).toEqual([])
  })
})
