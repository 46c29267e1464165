import { describe, expect, it } from 'vitest'
import type { BrowserContext, Page } from 'playwright-core'
import { openPage } from './browser.ts'
import { becomes, changes, drawn, fieldAt, newDesign, openDemo, rail, saved, setField } from './pages.ts'
import { useApplication } from './server.ts'

const application = useApplication()

const WATTS = 'loads.0.runningW'
/** The first look for unsent edits is over by then; later would do too. */
const LOOK_MS = 1500
const watts = (page: Page) => fieldAt(page, WATTS).inputValue()
const idOf = (page: Page) => page.url().match(/[0-9a-f-]{36}/)![0]
async function stored(
  id: string,
): Promise<{ version: number; document: { name: string; loads: { runningW: number }[] } }> {
  return (await fetch(`${application.base}/api/designs/${id}`)).json()
}
const serverWatts = async (id: string) => String((await stored(id)).document.loads[0].runningW)
const write = (method: string, path: string, body?: unknown) =>
  fetch(`${application.base}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json', origin: application.base },
    body: body === undefined ? undefined : JSON.stringify(body),
  })
async function saveElsewhere(id: string, runningW: number): Promise<void> {
  const { version, document } = await stored(id)
  document.loads[0].runningW = runningW
  await write('PUT', `/designs/${id}`, { version, document })
}
/** A new design at its loads. */
async function atLoads(page: Page, name: string): Promise<string> {
  await newDesign(page, application.base, name, 'loads')
  await fieldAt(page, WATTS).waitFor()
  await saved(page)
  return idOf(page)
}
async function another(context: BrowserContext, url: string): Promise<Page> {
  const page = await context.newPage()
  await page.goto(url)
  await drawn(page)
  return page
}

describe('a browser that keeps nothing', () => {
  it('because its store is full: the edit is saved and the bar says what is not kept', async () => {
    const { page, errors } = await openPage(application.browser)
    await page.addInitScript(() => {
      IDBObjectStore.prototype.put = () => {
        throw new DOMException('full', 'QuotaExceededError')
      }
    })
    const id = await atLoads(page, 'Full cabin')
    await setField(page, WATTS, '123')
    await page.locator('[data-unkept]').waitFor()
    await saved(page)
    await becomes(() => serverWatts(id), '123')
    expect(errors).toEqual([])
  })

  it('because storing is forbidden: the page is there, and edits are saved', async () => {
    const { page, errors } = await openPage(application.browser)
    await page.addInitScript(() => {
      for (const store of ['localStorage', 'sessionStorage', 'indexedDB'])
        Object.defineProperty(window, store, {
          get: () => {
            throw new DOMException('forbidden', 'SecurityError')
          },
        })
    })
    const id = await atLoads(page, 'Forbidden cabin')
    await setField(page, WATTS, '124')
    await page.locator('[data-unkept]').waitFor()
    await saved(page)
    await becomes(() => serverWatts(id), '124')
    expect(errors).toEqual([])
  })
})

describe('the keys', () => {
  it('Enter leaves the field, Escape restores it, a step key after either goes to its step, Ctrl Z undoes the typing only', async () => {
    const { page, errors } = await openPage(application.browser)
    await atLoads(page, 'Key cabin')
    const field = fieldAt(page, WATTS)
    const before = await watts(page)
    await field.fill('190')
    await page.keyboard.press('Enter')
    await page.keyboard.press('3')
    await page.locator('[data-bench=bank]').waitFor()
    await page.keyboard.press('2')
    await field.waitFor()
    expect(await watts(page)).toBe('190')
    await field.fill('555')
    await page.keyboard.press('Escape')
    expect(await watts(page)).toBe('190')
    await page.keyboard.press('1')
    await page.locator('[data-bench=place]').waitFor()
    await page.keyboard.press('2')
    await field.waitFor()

    await field.click()
    await page.keyboard.press('End')
    await page.keyboard.type('7')
    expect(await watts(page)).toBe('1907')
    await page.keyboard.press('Control+z')
    await becomes(() => watts(page), '190')
    await page.keyboard.press('Escape')
    await page.keyboard.press('Control+z')
    await becomes(() => watts(page), before)
    await setField(page, 'loads.0.name', '  Ice box ')
    await becomes(() => fieldAt(page, 'loads.0.name').inputValue(), 'Ice box')
    await saved(page)
    expect(errors).toEqual([])
  })

  it('one wrong value blanks nothing and stops no save', async () => {
    const { page } = await openPage(application.browser)
    await atLoads(page, 'Tax cabin')
    const before = await rail(page, 'bank')
    await page.keyboard.press('9')
    await setField(page, 'budget.taxPct', '-1')
    await page.locator('.error', { hasText: 'Tax: −1 % is too small' }).waitFor()
    expect(await rail(page, 'bank')).toBe(before)
    await setField(page, 'budget.labour', '777')
    await page.locator('[data-saved]', { hasText: /^Saved .* 1 to put right/ }).waitFor()
    await drawn(page)
  })

  it('what is typed beside a wrong value is not called saved while what checks it cannot be had, and is saved once it can', async () => {
    const { page } = await openPage(application.browser)
    const checks = /\/assets\/(check|problems)-[^/]*\.js/
    await page.route(checks, (route) => route.abort())
    const id = await atLoads(page, 'Unchecked cabin')
    await setField(page, 'loads.0.runningW', '131')
    await becomes(() => serverWatts(id), '131')
    await setField(page, 'loads.0.hoursPerDay', '-1')
    await setField(page, 'loads.0.runningW', '132')
    await page.locator('[data-saved]', { hasText: 'Not saved yet; kept here' }).waitFor()
    expect(await serverWatts(id)).toBe('131')
    await page.unroute(checks)
    await page.locator('[data-saved]', { hasText: /^Saved .* 1 to put right/ }).waitFor()
    await becomes(() => serverWatts(id), '132')
  })

  it('a part of the program that does not come is told, and shown as soon as it comes', async () => {
    const { page } = await openPage(application.browser)
    const views = /\/assets\/CostStep-[^/]*\.js/
    await page.route(views, (route) => route.abort())
    await openDemo(page, application.base)
    await page.locator('.rail [data-step=cost]').click()
    const banner = page.locator('[data-banner]')
    await banner.getByText('A part of the program does not come.').waitFor()
    await banner.locator('[data-load-again]').waitFor()
    await page.unroute(views)
    await page.locator('[data-bench=cost] h1').waitFor()
    await banner.waitFor({ state: 'detached' })
  })

  it('a field that is looked for in a step still on its way gets the focus when the step comes', async () => {
    const { page } = await openPage(application.browser)
    let comes = () => {}
    const late = new Promise<void>((resolve) => (comes = resolve))
    await page.route(/\/assets\/CostStep-[^/]*\.js/, async (route) => {
      await late
      await route.continue()
    })
    await openDemo(page, application.base)
    await page.keyboard.press('Control+k')
    await page.locator('[data-palette]').fill('freight')
    await page.getByRole('option', { name: /^Freight.*field, Cost/ }).click()
    await page.locator('[data-bench=cost]').waitFor()
    // longer than a field is looked for in a step that is there
    await page.waitForTimeout(2500)
    comes()
    await page
      .locator('[data-path="budget.freight"]:focus, [data-path="budget.freight"] :focus')
      .waitFor({ state: 'attached' })
    expect(await page.locator('[data-absent]').count()).toBe(0)
  })

  it('undoing a suggestion leaves what was edited since; one that changes nothing says so and is no step', async () => {
    const { page } = await openPage(application.browser)
    await newDesign(page, application.base, 'Advised cabin', 'bank')
    await page.locator('[data-suggest]').click()
    await page.locator('[data-withdraw]').waitFor()
    await page.locator('[data-suggest]').click()
    await page.getByText('Nothing to change').waitFor()
    await page.keyboard.press('Control+z')
    await setField(page, 'bank.autonomyDays', '6')
    const before = await rail(page, 'bank')
    await page.locator('[data-suggest]').click()
    await changes(() => rail(page, 'bank'), before)
    await setField(page, 'bank.leadM', '3.5')
    await page.locator('[data-withdraw]').click()
    await becomes(() => rail(page, 'bank'), before)
    expect(await fieldAt(page, 'bank.leadM').inputValue()).toBe('3.5')
  })

  it('a reading taken out of the log is put back; too many pasted rows are refused with their number', async () => {
    const { page } = await openPage(application.browser)
    await atLoads(page, 'Logged cabin')
    await page.locator('[data-paste-loads]').click()
    await page.locator('[data-cells]').evaluate((area: HTMLTextAreaElement) => {
      area.value = 'Lamp\t5\t4\n'.repeat(9000)
      area.dispatchEvent(new Event('input'))
    })
    await page.locator('[data-too-many]', { hasText: '9000 rows are too many' }).waitFor()
    await page.keyboard.press('Escape')
    await page.locator('[data-cells]').waitFor({ state: 'hidden' })
    await page.locator('.rail [data-step=log]').click()
    await page.getByLabel('Battery', { exact: true }).fill('25.9')
    await page.getByLabel('Note').fill('kept')
    await page.locator('[data-enter]').click()
    await page.locator('[data-readings]', { hasText: 'kept' }).waitFor()
    await page.getByLabel('Remove reading').click()
    await page.locator('[data-readings]').waitFor({ state: 'detached' })
    await page.locator('[data-put-back]').click()
    await page.locator('[data-readings]', { hasText: 'kept' }).waitFor()
  })
})

describe('two tabs of one browser', () => {
  it('see each other’s saves, and neither deletes the other’s draft', async () => {
    const { page: first } = await openPage(application.browser)
    const id = await atLoads(first, 'Tabbed cabin')
    const second = await another(first.context(), first.url())
    await fieldAt(second, WATTS).waitFor()
    await setField(first, WATTS, '211')
    await becomes(() => watts(second), '211')
    await setField(second, WATTS, '212')
    await becomes(() => watts(first), '212')
    await becomes(() => serverWatts(id), '212')

    await first.context().setOffline(true)
    await setField(first, WATTS, '301')
    await setField(second, WATTS, '302')
    await first.locator('[data-saved]', { hasText: 'kept here' }).waitFor()
    await second.locator('[data-saved]', { hasText: 'kept here' }).waitFor()
    await first.context().setOffline(false)
    // one of them is first; the other is asked, and keeps its own
    const asked = await Promise.any(
      [first, second].map(async (page) => {
        await page.locator('[data-choice=mine]').waitFor()
        return page
      }),
    )
    const mine = await watts(asked)
    await asked.locator('[data-choice=mine]').click()
    await saved(asked)
    await becomes(() => serverWatts(id), mine)
    await saved(first)
    await saved(second)
    await becomes(() => watts(first), mine)
    await becomes(() => watts(second), mine)
  })
})

describe('edits the server did not get', () => {
  it('are sent when it is back, from the shelf too', async () => {
    const { page } = await openPage(application.browser)
    const id = await atLoads(page, 'Far cabin')
    await page.locator('[data-ahead=true]').waitFor()
    await page.context().setOffline(true)
    await setField(page, WATTS, '401')
    await page.locator('[data-banner]').waitFor()
    await page.getByTitle('Design shelf').click()
    await page.locator('[data-waiting]', { hasText: 'Far cabin' }).waitFor()
    expect(await serverWatts(id)).not.toBe('401')
    await page.context().setOffline(false)
    await becomes(() => serverWatts(id), '401')
    await page.locator('[data-waiting]').waitFor({ state: 'detached' })
    await page.locator('[data-banner]').waitFor({ state: 'detached' })
  })

  it('warn whoever leaves, and are sent when the browser is opened again', async () => {
    const { page } = await openPage(application.browser)
    const context = page.context()
    const id = await atLoads(page, 'Closed cabin')
    await context.setOffline(true)
    await setField(page, WATTS, '402')
    await page.locator('[data-saved]', { hasText: 'kept here' }).waitFor()
    const asked = new Promise<string>((resolve) =>
      page.on('dialog', (dialog) => {
        resolve(dialog.type())
        void dialog.accept()
      }),
    )
    const closed = page.waitForEvent('close')
    await page.close({ runBeforeUnload: true })
    expect(await asked).toBe('beforeunload')
    await closed
    await context.setOffline(false)
    const again = await context.newPage()
    await again.goto(application.base)
    await becomes(() => serverWatts(id), '402')
  })

  it('are said to be kept no sooner than they are', async () => {
    const { page } = await openPage(application.browser)
    // the store takes its time over the edit: its work stays open until the page says so
    await page.addInitScript(() => {
      const { put } = IDBObjectStore.prototype
      const told = window as unknown as { letGo: boolean }
      IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
        const request = put.apply(this, args)
        const spin = () => told.letGo || (this.count().onsuccess = spin)
        request.addEventListener('success', spin)
        return request
      }
    })
    await atLoads(page, 'Written cabin')
    await page.context().setOffline(true)
    await setField(page, WATTS, '404')
    await page.locator('[data-saved]', { hasText: 'keeping it here' }).waitFor()
    await page.evaluate(() => void ((window as unknown as { letGo: boolean }).letGo = true))
    await page.locator('[data-saved]', { hasText: 'kept here' }).waitFor()
  })

  it('are sent by a tab that stays when theirs is closed', async () => {
    const { page: going } = await openPage(application.browser)
    const id = await atLoads(going, 'Left cabin')
    await going.route('**/api/designs/*', (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    )
    await setField(going, WATTS, '403')
    await going.locator('[data-saved]', { hasText: 'Offline; kept here' }).waitFor()
    const staying = await going.context().newPage()
    const looked = staying.waitForResponse(/\/api\/health/)
    await staying.goto(application.base)
    await looked
    await staying.waitForTimeout(LOOK_MS)
    expect(await serverWatts(id)).not.toBe('403')
    await going.close()
    await becomes(() => serverWatts(id), '403')
  })

  it('are kept, and those of before sent, where the store answers late', async () => {
    const { page } = await openPage(application.browser)
    const id = await atLoads(page, 'Late cabin')
    const puts = (url: URL) => url.pathname === `/api/designs/${id}`
    await page.route(puts, (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()))
    await setField(page, WATTS, '405')
    await page.locator('[data-saved]', { hasText: 'Offline; kept here' }).waitFor()
    await page.addInitScript(() => {
      const told = window as unknown as { answer: () => void }
      const answered = new Promise<void>((resolve) => (told.answer = resolve))
      const { open } = IDBFactory.prototype
      IDBFactory.prototype.open = function (...args: Parameters<typeof open>) {
        const request = open.apply(this, args)
        const listen = request.addEventListener.bind(request) as (type: string, then: (event: Event) => void) => void
        request.addEventListener = (type: string, then: (event: Event) => void) =>
          listen(type, type === 'success' ? (event) => void answered.then(() => then(event)) : then)
        return request
      }
    })
    page.on('dialog', (dialog) => void dialog.accept())
    await page.reload()
    await fieldAt(page, WATTS).waitFor()
    expect(await watts(page)).not.toBe('405')
    await setField(page, 'loads.1.runningW', '77')
    await page.locator('[data-unkept]').waitFor()
    await page.evaluate(() => (window as unknown as { answer: () => void }).answer())
    await page.locator('[data-saved]', { hasText: 'Offline; kept here' }).waitFor()
    await page.getByTitle('Design shelf').click()
    const waits = page.locator('[data-waiting]', { hasText: 'Late cabin' })
    await waits.first().waitFor()
    await page.unroute(puts)
    // the later edit reaches the server, and the earlier one is asked about: neither is gone
    await becomes(async () => String((await stored(id)).document.loads[1].runningW), '77')
    await waits.filter({ hasText: 'choose' }).getByRole('link').click()
    await page.locator('[data-choice=mine]').click()
    await becomes(() => serverWatts(id), '405')
  })

  it('that cannot be read are set aside and offered; the design opens', async () => {
    const { page, errors } = await openPage(application.browser)
    const id = await atLoads(page, 'Damaged cabin')
    for (const document of [null, {}, { format: 'ambrel-design', version: 99 }])
      await page.evaluate(
        ([design, damaged]) =>
          new Promise<void>((resolve, reject) => {
            const opening = indexedDB.open('ambrel')
            opening.onerror = () => reject(new Error('no store'))
            opening.onsuccess = () => {
              const work = opening.result.transaction('drafts', 'readwrite')
              work.objectStore('drafts').put({ design, tab: String(Math.random()), document: damaged, unsent: true })
              work.oncomplete = () => {
                opening.result.close()
                resolve()
              }
            }
          }),
        [id, document] as const,
      )
    await page.evaluate((design) => localStorage.setItem(`ambrel.draft.${design}`, 'nonsense{'), id)
    await page.reload()
    await drawn(page)
    await saved(page)
    await page.goto(application.base)
    await becomes(async () => String(await page.locator('[data-aside]').count()), '4')
    const download = page.waitForEvent('download')
    await page.locator('[data-download-aside]').first().click()
    expect((await download).suggestedFilename()).toMatch(/^kept edits .*\.json$/)
    expect(errors).toEqual([])
  })

  it('an answer that was lost on its way is no conflict with oneself', async () => {
    const { page } = await openPage(application.browser)
    const id = await atLoads(page, 'Lossy cabin')
    let lost = 0
    await page.route(`**/api/designs/${id}`, async (route) => {
      if (route.request().method() !== 'PUT' || lost > 0) return route.continue()
      lost++
      await route.fetch()
      await route.abort()
    })
    await setField(page, WATTS, '403')
    await becomes(() => serverWatts(id), '403')
    await page.locator('[data-saved]', { hasText: 'Offline' }).waitFor()
    await setField(page, WATTS, '404')
    await saved(page)
    await becomes(() => serverWatts(id), '404')
    expect(await page.locator('[data-choice=mine]').isVisible()).toBe(false)
  })

  it('every choice of a conflict works while something wrong is typed', async () => {
    for (const choice of ['mine', 'both', 'theirs']) {
      const { page } = await openPage(application.browser)
      const id = await atLoads(page, `Chosen cabin ${choice}`)
      await setField(page, 'loads.1.quantity', '-4')
      // a save that is still on its way would meet theirs and take it in, as it should
      await saved(page)
      await saveElsewhere(id, 500)
      await setField(page, WATTS, '501')
      await page.locator(`[data-choice=${choice}]`).click()
      await page.getByText('Saved somewhere else meanwhile').waitFor({ state: 'hidden' })
      await becomes(() => watts(page), choice === 'theirs' ? '500' : '501')
      await saved(page)
      await becomes(() => serverWatts(id), choice === 'mine' ? '501' : '500')
      if (choice === 'both') expect(idOf(page)).not.toBe(id)
      if (choice !== 'theirs') await becomes(() => fieldAt(page, 'loads.1.quantity').inputValue(), '-4')
    }
  })

  it('of a design deleted elsewhere: it comes back with them, or lives on as a new one', async () => {
    for (const choice of ['restore', 'new']) {
      const { page } = await openPage(application.browser)
      const id = await atLoads(page, `Gone cabin ${choice}`)
      await write('DELETE', `/designs/${id}`)
      await setField(page, WATTS, '601')
      await page.locator(`[data-gone=${choice}]`).click()
      await page.getByText('Deleted somewhere else').waitFor({ state: 'hidden' })
      await drawn(page)
      await saved(page)
      expect(await watts(page)).toBe('601')
      expect(idOf(page) === id).toBe(choice === 'restore')
      await becomes(() => serverWatts(idOf(page)), '601')
    }
  })

  it('a server that takes long to open one design does not put it under the address of the next', async () => {
    const { page } = await openPage(application.browser)
    const slow = await atLoads(page, 'Slow cabin')
    const fast = await atLoads(page, 'Fast cabin')
    await page.goto(application.base)
    let answer = () => {}
    const held = new Promise<void>((resolve) => (answer = resolve))
    await page.route(`**/api/designs/${slow}`, async (route) => {
      await held
      await route.continue()
    })
    const cabin = (name: string) => page.locator('.family', { hasText: name }).locator('[data-open]')
    const asked = page.waitForRequest(`**/api/designs/${slow}`)
    await cabin('Slow cabin').click()
    await asked
    await page.getByTitle('Design shelf').click()
    await cabin('Fast cabin').click()
    await drawn(page)
    const late = page.waitForResponse(`**/api/designs/${slow}`)
    answer()
    await late
    await page.keyboard.press('2')
    await setField(page, WATTS, '701')
    await becomes(() => serverWatts(fast), '701')
    expect(await page.locator('.top .name').innerText()).toBe('Fast cabin')
    expect(await serverWatts(slow)).not.toBe('701')
  })
})
