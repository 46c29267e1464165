import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { copperDraw, gannetSkerry, larkspurBench, larkspurFlooded, STEPS, type Design } from '@ambrel/core'
import { quantity, said } from '@ambrel/core/units'
import { check, loadCheck } from '../stores/check.ts'
import { useDesign } from '../stores/design.ts'
import { useWinter } from '../stores/winter.ts'
import { rendered, wordsOf } from '../testing/rendered.ts'
import { stubBrowser } from '../testing/stubs.ts'
import AppTop from './AppTop.vue'
import FindingsPane from './FindingsPane.vue'
import WinterStrip from './WinterStrip.vue'
import WorkRail from './WorkRail.vue'

vi.mock('../workers/winterWorkers.ts', async () => (await import('../testing/stubs.ts')).silentWorker)
beforeEach(stubBrowser)
afterEach(() => {
  vi.unstubAllGlobals()
})

function changed(make: () => Design, change: (design: Design) => unknown): Design {
  const design = make()
  change(design)
  return design
}
const summary = () => useWinter().winters!.summary
/** Heights of the rectangles of a class, in order. */
const heights = (html: string, name: string) =>
  [...html.matchAll(/<rect ([^>]*)>/g)]
    .filter(([, attributes]) => attributes.includes(`class="${name}"`))
    .map(([, attributes]) => Number(attributes.match(/ height="([\d.]+)"/)![1]))

describe('the bar', () => {
  const DAY_MS = 86_400_000
  it.each([
    ['tells the hour of a save of today', 0, /Saved \d\d:\d\d(?!\d)/],
    ['names no hour of another day', DAY_MS, /Saved(?! \d)/],
  ])('%s', async (_, agoMs, told) => {
    const before = () => (useDesign().savedAt = new Date(Date.now() - agoMs))
    expect(wordsOf(await rendered(AppTop, larkspurBench(), { props: { step: 'loads' }, before }))).toMatch(told)
  })
})

describe('the bar, before it can be told whether what is typed is right', () => {
  it('does not say that it is saved', async () => {
    const come = await loadCheck()
    const before = () => {
      check.value = null
      useDesign().entered = changed(larkspurBench, (d) => (d.loads[0].runningW = -5))
    }
    const words = wordsOf(await rendered(AppTop, larkspurBench(), { props: { step: 'loads' }, before }))
    check.value = come
    expect(words).toContain('Not saved yet')
    expect(words).not.toMatch(/Saved/)
  })
})

describe('the strip', () => {
  it.each([larkspurBench, larkspurFlooded, gannetSkerry, copperDraw])(
    'of %o has a bar for each week, as high as its lowest charge, and one below where the backup runs',
    async (make) => {
      const html = await rendered(WinterStrip, make())
      const { weeks } = summary()
      const bars = heights(html, 'bar')
      expect(bars).toHaveLength(weeks.length)
      const full = bars[0] / weeks[0].lowTypical
      weeks.forEach((week, i) => expect(bars[i]).toBeCloseTo(week.lowTypical * full, 6))
      expect(heights(html, 'generator')).toHaveLength(weeks.filter(({ generatorMean }) => generatorMean > 0.05).length)
      expect(html.match(/class="bad"/g)).toHaveLength(weeks.length)
    },
  )

  it('is marked where 1 winter in 10 goes short', async () => {
    const starved = changed(larkspurBench, (d) => {
      d.generator.present = false
      d.bank.inParallel = 1
    })
    const html = await rendered(WinterStrip, starved)
    const short = summary().weeks.filter(({ shortOneInTen }) => shortOneInTen >= 0.5).length
    expect(short).toBeGreaterThan(2)
    expect(html.match(/class="short"/g)).toHaveLength(short)
  })

  it.each<[string, (design: Design) => unknown, boolean]>([
    ['by charge', () => {}, true],
    ['by voltage', (d) => (d.generator.startBy = 'voltage'), false],
    ['not at all', (d) => (d.generator.present = false), false],
  ])('shows the level of a start %s', async (_, change, shown) => {
    const html = await rendered(WinterStrip, changed(larkspurBench, change))
    expect(html.includes('class="start"')).toBe(shown)
    if (shown) expect(html).toContain(quantity(larkspurBench().generator.startStateOfCharge, 'share'))
  })

  it('a ghost lies over the weeks and is told', async () => {
    const before = () => (useWinter().ghost = { says: 'one more battery', winters: useWinter().winters! })
    const html = await rendered(WinterStrip, larkspurBench(), { before })
    const path = html.match(/d="([^"]*)" class="ghost"/)![1]
    expect(path.match(/M/g)).toHaveLength(summary().weeks.length)
    expect(wordsOf(html)).toContain('line: one more battery hide')
  })

  it('says what keeps it from being drawn, and that it is running', async () => {
    const before = () => void (useWinter().failure = 'The winters cannot be run: its hours are not here.')
    expect(wordsOf(await rendered(WinterStrip, larkspurBench(), { before }))).toContain('its hours are not here.')
    expect(wordsOf(await rendered(WinterStrip, larkspurBench(), { noWinter: true }))).toContain('running winters')
  })
})

describe('the findings', () => {
  const pane = (design: Design, step: string) => rendered(FindingsPane, design, { props: { step } })

  it.each(STEPS)('of %s are those of the step, each with its mark, words and remedy', async (step) => {
    const html = await pane(larkspurFlooded(), step)
    const found = useDesign().findings.filter((finding) => finding.step === step)
    const words = wordsOf(html)
    expect([...html.matchAll(/data-finding="([^"]*)"/g)].map(([, id]) => id)).toEqual(found.map(({ id }) => id))
    for (const { says, because, remedy } of found) {
      expect(words).toContain(said(says))
      expect(words).toContain(said(because))
      if (remedy) expect(words).toContain(said(remedy.label))
    }
    if (found.length === 0) expect(words).toContain('No rule has anything to say about this step.')
    expect(words).toContain('Rules of practice, not an approval.')
  })

  it.each(STEPS)('of %s are told in feet and Fahrenheit to whoever reads these', async (step) => {
    const html = await rendered(FindingsPane, larkspurFlooded(), { props: { step }, imperial: true })
    for (const { says, because } of useDesign().findings.filter((finding) => finding.step === step))
      for (const words of [says, because]) expect(wordsOf(html)).toContain(said(words, 'imperial'))
    expect(wordsOf(html)).not.toMatch(/\d\s?(°C|K|m|cm|km|kg|L)(?![\w²/])/)
  })

  it('a problem comes before every figure, with the name of its thing and its place in the document', async () => {
    const broken = changed(larkspurBench, (d) => (d.loads[1].hoursPerDay = 30))
    const words = wordsOf(await pane(broken, 'loads'))
    const { name } = broken.loads[1]
    expect(words).toContain(`${name}: Hours a day: 30 h is too large; at most 24 h Hours a day of ${name}`)
    expect(words).not.toContain('loads.1')
    expect(words).toContain('This entry waits here until put right; the last good value goes on ruling.')
    expect(words).not.toContain('No rule has anything to say')
  })
})

describe('the rail', () => {
  it('has every step with its figure, marks where you are, and the worst finding of each', async () => {
    const design = changed(larkspurBench, (d) => (d.arrays[0].inSeries = 12))
    const html = await rendered(WorkRail, design, { props: { id: 'one', step: 'array' } })
    expect([...html.matchAll(/data-step="(\w+)"/g)].map(([, step]) => step)).toEqual([...STEPS])
    expect(html.match(/aria-current="step"/g)).toHaveLength(1)
    const links = html.split('<a ').slice(1)
    expect(links[STEPS.indexOf('array')]).toContain('aria-current')
    expect(useDesign().levelOf('array')).toBe('stop')
    for (const link of links) expect(wordsOf(`<a ${link}`)).not.toMatch(/—$/)
  })

  it('has the figures of what rules while something wrong waits', async () => {
    const broken = changed(larkspurBench, (d) => (d.loads[1].hoursPerDay = 30))
    const figures = async (design: Design) =>
      (await rendered(WorkRail, design, { props: { id: 'one', step: 'loads' } })).match(/<small[^>]*>[^<]*<\/small>/g)
    const shown = await figures(broken)
    expect(shown).toHaveLength(STEPS.length)
    expect(shown).toEqual(await figures(larkspurBench()))
  })
})
