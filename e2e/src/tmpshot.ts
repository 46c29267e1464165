import { openBrowser, openPage } from './browser.ts'
const base = process.argv[2]!
const [, , , steps, w = '1280', h = '800', theme = 'day', units = 'metric', touch] = process.argv
const browser = await openBrowser()
const { page, errors } = await openPage(browser, { width: +w, height: +h, night: theme === 'night' })
await page.addInitScript((u) => localStorage.setItem('ambrel.units', u), units)
await page.goto(base)
await page.locator('.family', { hasText: 'Larkspur Bench' }).getByRole('link', { name: 'As planned' }).click()
await page.waitForTimeout(2500)
const id = page.url().split('/design/')[1].split('/')[0]
for (const s of steps.split(',')) {
  if (s === 'shelf') await page.goto(base)
  else if (s === 'parts') await page.goto(base + '/parts')
  else await page.goto(`${base}/design/${id}/${s}`)
  await page.waitForTimeout(3000)
  const wide = await page.evaluate(() => [document.documentElement.scrollWidth, innerWidth, ...[...document.querySelectorAll('main, aside, nav, .scroll')].filter((e) => e.scrollWidth > e.clientWidth + 1).map((e) => `${e.className}:${e.scrollWidth}>${e.clientWidth}`)].join(' '))
  const off = await page.evaluate(() => {
    const bad = [...document.querySelectorAll<HTMLElement>('body *')].filter((e) => { const r = e.getBoundingClientRect(); if (r.width === 0 || e.closest('.unseen')) return false; return r.right > innerWidth + 1 })
    const set = new Set(bad)
    return bad.filter((e) => ![...e.children].some((c) => set.has(c as HTMLElement))).slice(0, 12).map((e) => { let s = ''; for (let n: HTMLElement | null = e, i = 0; n && i < 4; n = n.parentElement, i++) s = n.tagName.toLowerCase() + (typeof n.className === 'string' && n.className ? '.' + n.className.split(' ').join('.') : '') + ' > ' + s; return s + ' "' + (e.textContent ?? '').trim().slice(0, 24) + '" ' + Math.round(e.getBoundingClientRect().right) })
  })
  console.log(s, wide)
  for (const o of off) console.log('    ', o)
  await page.screenshot({ path: `/tmp/shot-${s}-${w}-${theme}.png` })
}
console.log(errors)
await browser.close()
