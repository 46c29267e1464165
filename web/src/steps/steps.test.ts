import { ID_INJECTION_KEY, ZINDEX_INJECTION_KEY } from 'element-plus'
import { createPinia, setActivePinia } from 'pinia'
import { createSSRApp, h, ref } from 'vue'
import { renderToString } from 'vue/server-renderer'
import { createMemoryHistory, createRouter } from 'vue-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import {
  copperDraw,
  gannetSkerry,
  inverterParts,
  larkspurBench,
  larkspurFlooded,
  larkspurMoreSun,
  newSource,
  STEPS,
  WinterEngine,
  withInverter,
  type Design,
  type Step,
} from '@ambrel/core'
import { checkDesign } from '@ambrel/contract'
import { NEW_ROW } from '../frame/newRow.ts'
import { STEP_VIEWS } from '../frame/steps.ts'
import { useDesign } from '../stores/design.ts'
import { usePrefs } from '../stores/prefs.ts'
import { useWinter } from '../stores/winter.ts'
import { packWinters } from '../workers/winters.ts'

const engine = new WinterEngine()

/** Charts draw in a browser only; here they tell what they were given to draw. */
vi.mock('../drawing/Chart.vue', () => ({
  default: {
    props: ['series', 'categories', 'label'],
    setup: (props: object) => () => h('pre', JSON.stringify(props)),
  },
}))
vi.mock('sortablejs', () => ({ default: class {} }))
vi.mock('../workers/winterWorkers.ts', () => ({
  WinterWorker: class {
    service = { run: () => new Promise(() => {}), cancel: () => {} }
    ready = () => Promise.resolve()
  },
}))

beforeEach(() => {
  const addEventListener = () => {}
  vi.stubGlobal('window', { addEventListener })
  vi.stubGlobal('document', { addEventListener, removeEventListener: addEventListener })
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

interface Reader {
  imperial?: boolean
  /** before the first run has ended */
  noWinter?: boolean
}

/** The markup of a step. Warnings of the framework fail it. */
async function rendered(step: Step, subject: Design, { imperial, noWinter }: Reader = {}): Promise<string> {
  const warnings: unknown[] = []
  vi.spyOn(console, 'warn').mockImplementation((...words) => void warnings.push(words[0]))
  const pinia = createPinia()
  setActivePinia(pinia)
  const design = useDesign()
  design.document = subject
  if (!noWinter && checkDesign(subject).problems.length === 0) {
    const winters = packWinters(subject, engine.run(subject, { years: 2, seed: 7 }))
    design.winterSummary = winters.summary
    useWinter().winters = winters
  }
  if (imperial) usePrefs().toggleUnits()
  const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:rest(.*)', component: {} }] })
  const app = createSSRApp(STEP_VIEWS[step]).use(pinia).use(router)
  app.provide(ID_INJECTION_KEY, { prefix: 1, current: 0 }).provide(ZINDEX_INJECTION_KEY, { current: 0 })
  app.provide(NEW_ROW, ref(null))
  const html = await renderToString(app)
  expect(warnings).toEqual([])
  return html
}

function changed(make: () => Design, change: (design: Design) => unknown): () => Design {
  return () => {
    const design = make()
    return (change(design) as Design | null) ?? design
  }
}
const single = inverterParts.find(({ topology, bankV }) => topology === 'single-120' && bankV === 48)!
const allInOne = inverterParts.find(({ controller }) => controller !== null)!

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
  'all in one': changed(larkspurBench, (d) => withInverter(d, allInOne)),
  'other sources': changed(
    larkspurBench,
    (d) =>
      void (d.sources = [newSource('source-1', 'stream', 80), { ...newSource('source-2', 'wind', 40), side: 'ac' }]),
  ),
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

const wrong = (html: string) => html.match(/.{0,60}(\bNaN\b|\bundefined\b|\bInfinity\b|\[object ).{0,40}/)?.[0]

/** Steps with words such as “terminals of 75 °C”, which are names of classes. */
const TOLD_AS_STANDARDS: Step[] = ['bank', 'wiring', 'build']

describe('the designs drawn', () => {
  it('are sound, but for those with a problem to show', () => {
    for (const [name, make] of Object.entries(DESIGNS))
      expect(checkDesign(make()).problems.length > 0, name).toBe(['a problem in a load', 'no loads'].includes(name))
  })
  it('a hole is seen where there is one', () => {
    for (const hole of ['<b>NaN kWh</b>', 'in undefined hours', '<i>[object Object]</i>', '−Infinity V'])
      expect(wrong(hole)).toBeDefined()
    expect(wrong('<b>5 kWh</b>')).toBeUndefined()
  })
})

describe.each(STEPS)('the step %s', (step) => {
  it.each(Object.keys(DESIGNS))('is drawn from %s, without a hole in it', async (name) => {
    const html = await rendered(step, DESIGNS[name]())
    expect(html.length).toBeGreaterThan(300)
    expect(wrong(html)).toBeUndefined()
  })

  it('is drawn before the first run has ended', async () => {
    expect(wrong(await rendered(step, larkspurBench(), { noWinter: true }))).toBeUndefined()
  })

  it('is drawn in feet and Fahrenheit', async () => {
    const html = await rendered(step, larkspurBench(), { imperial: true })
    expect(wrong(html)).toBeUndefined()
    if (!TOLD_AS_STANDARDS.includes(step)) expect(html.match(/.{0,90}\d\s?°C.{0,30}/g) ?? []).toEqual([])
  })
})
