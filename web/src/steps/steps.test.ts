import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import {
  copperDraw,
  gannetSkerry,
  inverterParts,
  larkspurBench,
  larkspurFlooded,
  larkspurMoreSun,
  newSource,
  addPump,
  shareOut,
  STEPS,
  takeInverter,
  withInverter,
  type Design,
} from '@ambrel/core'
import { checkDesign } from '@ambrel/contract/check'
import { STEP_VIEWS } from '../frame/stepViews.ts'
import { rendered } from '../testing/rendered.ts'
import { stubBrowser } from '../testing/stubs.ts'

vi.mock('../drawing/Chart.vue', async () => (await import('../testing/stubs.ts')).chartInWords)
vi.mock('../workers/winterWorkers.ts', async () => (await import('../testing/stubs.ts')).silentWorker)
vi.mock('sortablejs', () => ({ default: class {} }))

beforeEach(stubBrowser)
afterEach(() => {
  vi.unstubAllGlobals()
})

function changed(make: () => Design, change: (design: Design) => unknown): () => Design {
  return () => {
    const design = make()
    return (change(design) as Design | null) ?? design
  }
}
const single = inverterParts.find(({ topology, bankV }) => topology === 'single-120' && bankV === 48)!
const allInOne = inverterParts.find(({ id }) => id === 'all-12k-48')!

/** Designs of every shape a step may meet. */
const DESIGNS: Record<string, () => Design> = {
  larkspurBench,
  larkspurFlooded,
  larkspurMoreSun,
  gannetSkerry,
  copperDraw,
  'no array and no controller': changed(larkspurBench, (d) => void Object.assign(d, { arrays: [], controllers: [] })),
  'no backup': changed(larkspurBench, (d) => void (d.generator.present = false)),
  'shore power': changed(larkspurBench, (d) => void (d.generator.kind = 'shore')),
  'a vehicle, started by hand': changed(
    larkspurBench,
    (d) => void Object.assign(d.generator, { kind: 'vehicle', startBy: 'morning', restDays: 3 }),
  ),
  'started by voltage, a charger of its own': changed(
    larkspurFlooded,
    (d) => void Object.assign(d.generator, { startBy: 'voltage', charger: 'separate', equaliseEveryDays: 90 }),
  ),
  'three phases': changed(larkspurBench, (d) => {
    d.inverter.quantity = 3
    const next = withInverter(d, single)
    return withInverter({ ...next, inverter: { ...next.inverter, stacking: 'three-phase' } }, single)
  }),
  'a power box': () => takeInverter(inverterParts.find(({ battery }) => battery !== null)!)(larkspurBench()),
  'own parts, a strip, a pump and what is to come': changed(
    () => shareOut('Desk', new Set(['load-1', 'load-2']), 3, 168)(addPump(larkspurBench())),
    (d) => {
      d.bank.part.estimated = ['surgeA']
      d.arrays[0].module.estimated = ['noctC', 'cells']
      d.loads[0].powerFactor = 0.6
      d.growth = { arrayW: 1000, inverterW: 2000, bankKWh: 5 }
      d.bank.rechargeDays = 3
    },
  ),
  'all in one': changed(larkspurBench, (d) => withInverter(d, allInOne)),
  'other sources': changed(
    larkspurBench,
    (d) =>
      void (d.sources = [newSource('source-1', 'stream', 80), { ...newSource('source-2', 'wind', 40), side: 'ac' }]),
  ),
  'a grid of other volts': changed(larkspurBench, (d) => void Object.assign(d.grid, { present: true, breakerV: 120 })),
  'away, shedding, quarters of an hour': changed(larkspurBench, (d) => {
    d.household.away = [{ fromMonth: 1, fromDay: 5, toMonth: 2, toDay: 20 }]
    d.winter.stepMin = 15
    d.winter.ageing = true
  }),
  'a problem in a load': changed(larkspurBench, (d) => void (d.loads[1].runningW = -5)),
  'no loads': changed(larkspurBench, (d) => void (d.loads = [])),
  'long names': changed(larkspurBench, (d) => {
    for (const thing of [...d.loads, ...d.arrays, ...d.controllers])
      thing.name = `${thing.name} `.repeat(9).slice(0, 80).trim()
  }),
}

/** What stands around each thing a pattern finds; a pattern that took it in itself would be slow. */
const around = (text: string, pattern: RegExp) =>
  [...text.matchAll(pattern)].map(({ index }) => text.slice(Math.max(0, index - 60), index + 50))

const wrong = (html: string) =>
  around(
    html,
    /\bNaN\b|\bundefined\b|\bInfinity\b|\[object |&quot;unit&quot;|—(?:<!--[^>]*-->)*<\/b><span[^>]*>(?:<!--[^>]*-->)*<\/span>/g,
  )[0]

/** Figures a reader of feet and Fahrenheit is not to meet; a cross-section in mm² is the name of a cable. */
const METRIC = /\d[\s\u2009\u00a0]?(°C|K|m|cm|km|kg|L|L\/h|m\/s|m²)(?![\w²/])/g

describe('the designs drawn', () => {
  it('are sound, but for those with a problem to show', () => {
    for (const [name, make] of Object.entries(DESIGNS))
      expect(checkDesign(make()).problems.length > 0, name).toBe(['a problem in a load', 'no loads'].includes(name))
  })
  it('a hole is seen where there is one', () => {
    for (const hole of [
      '<b>NaN kWh</b>',
      'in undefined hours',
      '<b>—<!--v-if--></b><span data-v-1><!--v-if--></span>',
      '<i>[object Object]</i>',
      '[ &quot;a&quot;, { &quot;unit&quot;: &quot;V&quot; } ]',
      '−Infinity V',
    ])
      expect(wrong(hole)).toBeDefined()
    expect(wrong('<b>5 kWh</b>')).toBeUndefined()
  })
})

describe.each(STEPS)('the step %s', (step) => {
  it.each(Object.keys(DESIGNS))('is drawn from %s, without a hole in it', async (name) => {
    const html = await rendered(STEP_VIEWS[step], DESIGNS[name]())
    expect(html.length).toBeGreaterThan(300)
    expect(wrong(html)).toBeUndefined()
  })

  it('is drawn before the first run has ended', async () => {
    expect(wrong(await rendered(STEP_VIEWS[step], larkspurBench(), { noWinter: true }))).toBeUndefined()
  })

  it.each(Object.keys(DESIGNS))('is drawn from %s in feet and Fahrenheit', async (name) => {
    const html = await rendered(STEP_VIEWS[step], DESIGNS[name](), { imperial: true })
    expect(wrong(html)).toBeUndefined()
    const text = html.replace(/<style[^]*?<\/style>/g, '').replace(/ (d|viewBox|transform|points|style)="[^"]*"/g, '')
    expect(around(text, METRIC)).toEqual([])
  })
})
