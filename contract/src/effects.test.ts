import { describe, expect, it } from 'vitest'
import {
  atOnce,
  addPump,
  addSource,
  bankConductors,
  bankWear,
  changeSource,
  checklist,
  copperDraw,
  derive,
  eachField,
  findings,
  gannetSkerry,
  larkspurBench,
  larkspurFlooded,
  lifeOf,
  otherWays,
  pricedOf,
  racking,
  runningCost,
  setField,
  stepMark,
  STEPS,
  summariseWinter,
  takeBackup,
  valueAt,
  WinterEngine,
  winterSun,
  type Design,
  type Field,
} from '@ambrel/core'
import { checkDesign } from './problems.ts'

const engine = new WinterEngine()
const changed = (make: () => Design, change: (design: Design) => unknown) => (): Design => {
  const design = make()
  change(design)
  return design
}

/** Designs in which between them every field matters. */
const DESIGNS: (() => Design)[] = [
  larkspurBench,
  larkspurFlooded,
  gannetSkerry,
  changed(larkspurFlooded, ({ place, generator, winter, inverter, bank, arrays, household }) => {
    place.batteryRoom = { kind: 'unheated', setC: 0, depthM: 1 }
    Object.assign(generator, { startBy: 'voltage', charger: 'separate', equaliseEveryDays: 30, exerciseEveryDays: 10 })
    winter.ageing = true
    Object.assign(inverter, { search: inverter.part.searchW !== null })
    bank.weak = [{ unit: 1, capacityShare: 0.7, resistanceFactor: 2 }]
    arrays[0].tiltSeasons = [
      { month: 4, day: 1, tiltDeg: 10 },
      { month: 10, day: 1, tiltDeg: 80 },
    ]
    household.away = [{ fromMonth: 12, fromDay: 5, toMonth: 1, toDay: 20 }]
  }),
  changed(larkspurBench, ({ loads }) => {
    const [load] = loads
    Object.assign(load, {
      basis: 'cycle',
      cycleWh: 900,
      cycleDepth: 0.8,
      cycleChargerEfficiency: 0.8,
      cyclesPerWeek: 5,
    })
    Object.assign(load, { runningW: 5000, startKind: 'induction-tool', movable: true })
  }),
  // a pump on its own modules, and a load that draws more volt-amperes than watts
  changed(
    () => addPump(larkspurBench()),
    ({ loads, inverter }) => {
      Object.assign(loads[1], { powerFactor: 0.7 })
      inverter.part.ratedVA = inverter.part.ratedW
    },
  ),
  changed(larkspurBench, ({ loads }) => Object.assign(loads[0], { basis: 'month', monthKWh: 90, movable: true })),
  // a bank by its unit's data sheet, cold and short, and arrays that are unlike on a controller with two trackers
  changed(larkspurBench, (design) => {
    const { bank, arrays, controllers, household, generator, place } = design
    Object.assign(bank.part, { minChargeC: 5, heaterW: 80, surgeA: 60 })
    bank.inParallel = 2
    controllers[0].part.trackers = 2
    arrays.push({
      ...arrays[0],
      id: 'array-9',
      tracker: 2,
      azimuthDeg: 90,
      inSeries: 4,
      tiltSeasons: [{ month: 4, day: 1, tiltDeg: 10 }],
    })
    household.shedCanWaitBelow = 0.7
    household.shedShouldBelow = 0.5
    generator.present = false
    place.batteryRoom = { kind: 'unheated', setC: 0, depthM: 1 }
    place.elevationM = 3500
  }),
  changed(larkspurBench, ({ arrays }) => void arrays.push({ ...arrays[0], id: 'array-9', inSeries: 4 })),
  // an inverter that joins neutral and ground itself, and a controller that is to part its array
  changed(larkspurBench, ({ inverter, schools }) => {
    inverter.part.bond = 'fixed'
    schools.arrayDisconnect = 'built-in'
  }),
  // a line of the bill with terms of its own
  changed(larkspurBench, (design) => {
    Object.assign(design.budget, { taxPct: 10, incentivePct: 10 })
    design.budget.priced = [{ ...pricedOf(design, 'label'), unitPrice: 9 }]
  }),
  // bought in two steps, in part as a kit, by hours, and held against other ways over its life
  changed(larkspurBench, (design) => {
    const { budget } = design
    design.pumps = addPump(design).pumps
    Object.assign(budget, { hourly: 40, statedTotal: 20000, quoteDays: 30, buyOn: '2027-03-01' })
    budget.phases = [{ id: 'phase-1', name: 'Then', buyOn: '2028-03-01' }]
    budget.kits = [{ id: 'kit-1', name: 'Kit', price: 900, of: [{ key: 'inverter', quantity: 1 }] }]
    budget.life.discountPct = 5
    budget.priced = [
      {
        ...pricedOf(design, 'bank'),
        status: 'later',
        laterCount: 2,
        phase: 'phase-1',
        quotedOn: '2027-02-10',
        leadDays: 20,
      },
    ]
    budget.hours = { array: 2, bank: 2, inverter: 2, generator: 2, wiring: 2, commissioning: 2 }
  }),
  // a unit that somebody put on the wall
  changed(larkspurBench, ({ wall }) => void wall.places.push({ id: 'inverter', xM: 0.9, yM: 0.4 })),
  changed(larkspurFlooded, ({ generator, winter }) => {
    Object.assign(generator, { startBy: 'voltage', startV: 49, holdMin: 30 })
    winter.stepMin = 15
  }),
  changed(larkspurBench, ({ controllers, generator, winter }) => {
    Object.assign(controllers[0].part, { kind: 'ac-coupled', outputAcW: 3000 })
    Object.assign(generator, { startBy: 'voltage', holdMin: 60 })
    winter.stepMin = 15
  }),
  changed(larkspurBench, ({ generator, place }) => {
    Object.assign(generator, { startBy: 'morning' })
    place.albedoBare = 0.3
  }),
  // a cold bank that its start level does not watch over, with a stream on the bus and a lamp on a switched output
  changed(larkspurFlooded, ({ generator, place, household, loads }) => {
    place.batteryRoom = { kind: 'unheated', setC: 0, depthM: 1 }
    Object.assign(generator, { startStateOfCharge: 0.25, fullChargeEveryDays: null })
    Object.assign(household, { shedCanWaitBelow: 0.8, shedShouldBelow: 0.7 })
    Object.assign(loads[0], { leg: 'DC', priority: 'should', movable: false })
  }),
  () => addSource('stream', 600)(copperDraw()),
  () => takeBackup('shore')(larkspurBench()),
  // a set whose volts the inverter does not take
  changed(larkspurBench, ({ generator }) => void (generator.part.output = 'single')),
  // a grid that fails often, and one that fails for a week
  changed(larkspurBench, ({ grid, generator }) => {
    Object.assign(grid, {
      present: true,
      failuresByMonth: Array<number>(12).fill(3),
      failureH: 12,
      keepStateOfCharge: 0.8,
    })
    generator.present = false
  }),
  changed(larkspurFlooded, ({ grid }) => Object.assign(grid, { present: true, failing: 'spell', breakerA: 10 })),
  () => takeBackup('vehicle')(larkspurBench()),
  () => changeSource(0, (source) => ({ ...source, side: 'ac' }))(addSource('stream', 60)(larkspurBench())),
]

/** Everything a design comes to, over one year, one after the other; what is soon worked out first. */
function* resultsOf(design: Design): Generator<unknown> {
  const derived = derive(design)
  yield derived
  yield [checklist(design), bankConductors(design)]
  yield design.arrays.map((array) => racking(array, 2, winterSun(design, 12)))
  const year = engine.year(design, design.winter.seed, 0)
  yield year
  const winter = summariseWinter([year], design)
  const all = findings({ design, derived, winter })
  yield [all, STEPS.map((step) => stepMark(all, step, design))]
  yield runningCost(winter.median, design)
  const { bill } = derived
  const bankLife = atOnce(bankWear(engine, design, 1))
  yield bankLife
  const life = lifeOf(design, { bill, run: { winter, bankLife } })
  yield [life, otherWays(design, { bill, life, wantedKWh: 2 * life.kWhPerYear })]
}
const told = (design: Design) => [...resultsOf(design)].map((result) => JSON.stringify(result))
function differs(design: Design, before: string[]): boolean {
  let i = 0
  for (const result of resultsOf(design)) if (JSON.stringify(result) !== before[i++]) return true
  return false
}

/** Whether a design has another value than usual at a place, or else somewhere beside it: there it is likely to matter. */
function madeFor(design: Design, at: string): number {
  const [own, beside] = [at, at.slice(0, at.lastIndexOf('.'))].map(
    (path) => JSON.stringify(valueAt(design, path)) !== JSON.stringify(valueAt(USUAL, path)),
  )
  return own ? 2 : Number(beside)
}
const USUAL = larkspurBench()

/** Other values a field may have. */
function others(field: Field, now: unknown): unknown[] {
  switch (field.kind) {
    case 'number': {
      const value = typeof now === 'number' ? now : (field.min + field.max) / 2
      const near = [field.min, value * 0.7, value * 1.3, field.max, value + 1, value - 1, value + 0.2, value - 0.2]
      const whole = new Set(near.map((each) => (field.whole ? Math.round(each) : each)))
      return [...(field.empty === undefined ? [] : [null, ...(now === null ? [value] : [])]), ...whole].filter(
        (each) => each !== now,
      )
    }
    case 'choice':
      return field.options.map(({ value }) => value).filter((value) => value !== now)
    case 'flag':
      return [now !== true]
    default:
      return []
  }
}

/** What is there for people to read, and what says how far they are. */
const ONLY_TOLD = [
  /name$/,
  /label$/,
  /^notes$/,
  /^variant$/,
  /\bid$/,
  /^format$/,
  /^version$/,
  /^place\.climate$/,
  /^place\.hours\./,
]

/** What has its effect where this test does not look, and where that is. */
const ELSEWHERE: Record<string, string> = {
  'place.source': 'which weather is run: winter/compare.test.ts',
  'loads[].meterReadings[].kWh': 'summed as readings are taken: loads/metering.ts',
  'loads[].meterReadings[].hours': 'summed as readings are taken: loads/metering.ts',
  'bank.systemV': 'changes together with units and inverter: changes.test.ts',
  'bank.inSeries': 'follows from voltage and unit: invariants.ts',
  'inverter.part.bankV': 'must be the bank’s: invariants.ts',
  'inverter.stacking': 'changes together with the count: changes.test.ts',
  'controllers[].part.maxTrackV': 'a remark of the layouts: array.test.ts',
  'sources[].kind': 'what the source is called',
  'winter.years': 'how many are run',
  'winter.ageing': 'from the second year on: seasons.test.ts',
}
/** comes into effect when the unit is taken, as a controller of the design */
const BUILT_IN = /^inverter\.part\.(controller|battery)\./

const LEAVES = eachField().filter(
  ({ path, field }) =>
    ['number', 'choice', 'flag'].includes(field.kind) &&
    !(path in ELSEWHERE) &&
    !BUILT_IN.test(path) &&
    !ONLY_TOLD.some((only) => only.test(path)),
)

describe('every field that can be set', () => {
  it('changes something that is reckoned or said', () => {
    const designs = DESIGNS.map((make) => make()).map((design) => ({ design, before: told(design) }))
    const idle = LEAVES.filter(({ path, field }) => {
      const at = path.replace(/\[\]/g, '.0')
      // every value where the field was made to matter; else one in every design before the next: nearly any does
      const tries = designs
        .filter(({ design }) => valueAt(design, at) !== undefined)
        .flatMap(({ design, before }) => {
          const made = madeFor(design, at)
          return others(field, valueAt(design, at)).map((value, i) => ({
            design,
            before,
            value,
            turn: made ? -made : i,
          }))
        })
        .toSorted((a, b) => a.turn - b.turn)
      for (const { design, before, value } of tries) {
        const other = setField(at, value)(design)
        if (checkDesign(other).problems.length > 0 || !differs(other, before)) continue
        // where one field matters, the next of its section is likely to
        designs.sort((a, b) => Number(b.design === design) - Number(a.design === design))
        return false
      }
      return true
    })
    expect(idle.map(({ path }) => path)).toEqual([])
  })
})
