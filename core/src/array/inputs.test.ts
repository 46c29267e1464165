import { describe, expect, it } from 'vitest'
import { withInverter } from '../inverter/service.ts'
import { setInverterCount } from '../change/inverter.ts'
import { derive } from '../derive/derive.ts'
import { gannetSkerry, larkspurBench, larkspurFlooded } from '../design/samples.ts'
import type { ControllerPart, Design } from '../document/types.ts'
import { inverterParts, partById } from '../parts/shelf.ts'
import { findings } from '../rules/registry.ts'
import { said } from '../units/words.ts'
import { WinterEngine } from '../winter/engine.ts'
import { yearHours } from '../winter/hours.ts'
import { setCircuit } from '../change/circuits.ts'
import { workedCircuits } from '../system/work.ts'
import { limitControllers, takeLayout } from '../change/array.ts'
import { followed } from '../sizing/follow.ts'
import { layoutQuestionOf } from '../sizing/layoutQuestion.ts'
import { sunChargeA } from './controllers.ts'
import { layouts, trackerNeedsV, trackerStartsV } from './layouts.ts'
import { breakerVoltsFor } from './voltage.ts'

/** What the first weather year brings, as the run has it. */
function hoursOf(design: Design) {
  const engine = new WinterEngine()
  const weather = engine.weatherOf(design, 7, 0)
  const planes = design.arrays.map((array) => engine.planeOf(design, array, 7, 0))
  return yearHours(design, weather, planes)
}
const most = (hours: Float64Array) => hours.reduce((a, b) => Math.max(a, b))
const found = (design: Design, id: string) =>
  findings({ design, derived: derive(design), winter: null }).filter((each) => each.id === id)
const levels = (design: Design, id: string) => found(design, id).map(({ level }) => level)
function changed(make: () => Design, change: (design: Design) => unknown): Design {
  const design = make()
  change(design)
  return design
}
/** The demo's array as strings of so many modules, each on a tracker of its own. */
const onTrackers = (series: number[], part: Partial<ControllerPart> = {}) =>
  changed(larkspurBench, (d) => {
    Object.assign(d.controllers[0].part, { trackers: 2, ...part })
    d.arrays = series.map((inSeries, i) => ({
      ...d.arrays[0],
      id: `array-${i + 1}`,
      inSeries,
      inParallel: 1,
      tracker: i + 1,
    }))
  })

describe('inputs of a tracker', () => {
  it('two equal trackers with strings of 8 and 6 modules are legal', () => {
    const design = onTrackers([8, 6], { maxInputA: 18 })
    expect(levels(design, 'array.input-current')).toEqual([])
    expect(levels(design, 'array.unlike')).toEqual([])
    expect(findings({ design, derived: derive(design), winter: null }).filter(({ level }) => level === 'stop')).toEqual(
      [],
    )
  })

  it.each([
    // 13.98 A a string: short circuit by the sheet, then by the code's factor
    [30, ['watch']],
    [27, ['stop']],
    [35, []],
  ])('short circuit of two strings against %s A: %s', (maxInputA, wanted) => {
    const design = changed(larkspurBench, (d) => {
      Object.assign(d.arrays[0], { inParallel: 2 })
      d.controllers[0].part.maxInputA = maxInputA
    })
    expect(levels(design, 'array.input-current')).toEqual(wanted)
  })

  it('more operating amps than it takes are clipped, in words and in the run, and are never a stop', () => {
    const limited = changed(larkspurBench, (d) => (d.controllers[0].part.maxOperatingA = 13.26))
    expect(limited.arrays[0].inParallel).toBe(2)
    const [clips] = found(limited, 'array.clipping')
    expect(clips.level).toBe('watch')
    expect(said(clips.says)).toContain('13.3 A')
    const [free, held] = [larkspurBench(), limited].map((design) => hoursOf(design).pvInW)
    // one string's worth where both would give more; the same on dull days
    expect(most(held)).toBeLessThan(0.75 * most(free))
    const dull = free.findIndex((watts) => watts > 50 && watts < 400)
    expect(held[dull]).toBeCloseTo(free[dull], 6)
  })

  it('watts of array that the maker allows hold the run and are told', () => {
    const design = changed(larkspurBench, (d) => (d.controllers[0].part.maxArrayW = 2000))
    expect(said(found(design, 'array.clipping')[0].because)).toContain('warranty')
    expect(most(hoursOf(design).pvInW)).toBe(2000)
  })

  it('the least volts of a tracker are the charging volts and its margin, none for one that raises them', () => {
    const part = { kind: 'tracker', minTrackV: 0, aboveBankV: 2, startV: 0, startAboveBankV: 5 } as const
    expect(trackerNeedsV(part, 28.8)).toBeCloseTo(30.8, 9)
    expect(trackerStartsV(part, 28.8)).toBeCloseTo(33.8, 9)
    expect(trackerNeedsV({ ...part, minTrackV: 120 }, 28.8)).toBe(120)
    expect(trackerNeedsV({ ...part, aboveBankV: 0, minTrackV: 12 }, 28.8)).toBe(12)
  })
})

describe('charging current that can be set', () => {
  it('counts what the array brings, not what the controller could pass', () => {
    // the units take 50 A; a 100 A controller whose array brings less is no fault
    const design = changed(larkspurBench, (d) => {
      d.bank.inParallel = 1
      d.arrays[0].inSeries = 5
      d.arrays[0].inParallel = 1
    })
    expect(levels(design, 'bank.charge-rate')).toEqual(['sound'])
  })

  it('a remedy sets the controllers, and the run follows', () => {
    const design = changed(larkspurFlooded, (d) => (d.bank.inParallel = 1))
    const [rate] = found(design, 'bank.charge-rate')
    expect(rate.level).toBe('watch')
    const set = rate.remedy!.apply(design)
    expect(levels(set, 'bank.charge-rate')).toEqual(['sound'])
    expect(most(hoursOf(set).pvOutW)).toBeLessThan(most(hoursOf(design).pvOutW))
  })

  it('is shared by what each can give', () => {
    const design = changed(larkspurBench, (d) => d.controllers.push({ ...d.controllers[0], id: 'controller-2' }))
    const set = limitControllers(50)(design)
    expect(set.controllers.map(({ chargeLimitA }) => chargeLimitA)).toEqual([25, 25])
    expect(sunChargeA(set, 51.2)).toBeLessThanOrEqual(50)
    expect(limitControllers(5000)(design)).toBe(design)
    // one that somebody set lower stays so, and a suggestion does not undo a setting
    design.controllers[1].chargeLimitA = 10
    expect(limitControllers(50)(design).controllers.map(({ chargeLimitA }) => chargeLimitA)).toEqual([25, 10])
    expect(followed(design).controllers).toBe(design.controllers)
  })

  it('a cord or a set that cannot give it pushes nothing beyond', () => {
    const design = changed(larkspurBench, (d) => {
      d.bank.inParallel = 1
      Object.assign(d.generator, { kind: 'shore', cordA: 10, cordV: 120 })
    })
    expect(levels(design, 'generator.charger-over-bank')).toEqual([])
    design.generator.cordA = 50
    expect(levels(design, 'generator.charger-over-bank')).toEqual(['watch'])
  })
})

describe('what a label says', () => {
  it('module watts that its volts and amps contradict are asked about', () => {
    const design = changed(larkspurBench, (d) => (d.arrays[0].module.ratedW = 540))
    const [asked] = found(design, 'array.module-watts')
    expect(asked.level).toBe('watch')
    expect(levels(asked.remedy!.apply(design), 'array.module-watts')).toEqual([])
    expect(levels(larkspurBench(), 'array.module-watts')).toEqual([])
  })

  it.each([
    [150, 'stop'],
    [600, 'sound'],
  ])('a breaker for %s V on a cold string is a %s', (breakerV, level) => {
    const design = changed(larkspurBench, (d) => (d.arrays[0].breakerV = breakerV))
    const [rule] = found(design, 'array.breaker-volts')
    expect(rule.level).toBe(level)
    if (rule.remedy) expect(levels(rule.remedy.apply(design), 'array.breaker-volts')).toEqual(['sound'])
  })

  it('157 V does not pass a 150 V breaker', () => {
    const design = changed(larkspurBench, (d) => {
      d.arrays[0].inSeries = 4
      d.arrays[0].module.vocV = 157 / 4 / (1 + (-0.26 / 100) * (d.place.recordLowC - 25))
      d.arrays[0].breakerV = 150
    })
    expect(derive(design).arrays[0].cold.coefficient).toBeCloseTo(157, 6)
    expect(levels(design, 'array.breaker-volts')).toEqual(['stop'])
    expect(breakerVoltsFor(157)).toBe(250)
    expect(breakerVoltsFor(2000)).toBeNull()
  })
})

describe('an all-in-one unit is one thing', () => {
  const all = (quantity = 1) =>
    setInverterCount(quantity)(withInverter(larkspurBench(), partById(inverterParts, 'all-12k-48')))

  it('nobody is told that the cable inside it is too thin', () => {
    const [controller] = all().controllers
    const circuits = workedCircuits(all())
    const inside = circuits.find(({ circuit }) => circuit.id === `controller:${controller.id}`)!
    expect(inside).toMatchObject({ circuit: { within: true, to: 'inverter' }, faults: [], carries: true })
    const choice = { ...circuits[0].choice, id: `controller:${controller.id}`, size: '14 AWG' }
    const design = changed(all, (d) => d.circuits.push(choice))
    expect(setCircuit(choice.id, { size: '12 AWG' })(all())).toEqual(all())
    expect(found(design, 'wiring.runs').some(({ subject }) => subject === choice.id)).toBe(false)
    const main = circuits.find(({ circuit }) => circuit.id === 'inverter')!
    expect(main.circuit.workingA).toBeCloseTo(12000 / (0.9 * 44), 6)
  })

  it('brings a set of trackers a unit, and takes them away again', () => {
    const two = all(2)
    expect(two.controllers.map(({ part }) => part.id)).toEqual(['in-unit-500-120', 'in-unit-500-120'])
    const one = setInverterCount(1)(two)
    expect(one.controllers).toHaveLength(1)
    const plain = withInverter(one, partById(inverterParts, 'split-6k-48'))
    expect(plain.controllers).toHaveLength(1)
    expect(plain.controllers[0].part.price).toBeGreaterThan(0)
  })

  it('refuses a layout that would need another unit', () => {
    const design = all()
    const list = layouts(layoutQuestionOf(design, 0, 30_000)!)
    expect(list.length).toBeGreaterThan(0)
    expect(list.every(({ controllers }) => controllers === 1)).toBe(true)
    const forced = { inSeries: 8, slots: [0, 1].map((controller) => ({ controller, tracker: 1, strings: 1 })) }
    expect(takeLayout(0, forced)(design)).toBe(design)
  })
})

describe('layouts for what is wanted', () => {
  it('stand first with the fewest controllers, the least array, and a margin in the cold', () => {
    const design = larkspurBench()
    const [best] = layouts(layoutQuestionOf(design, 0, 5800)!)
    expect(best.controllers).toBe(1)
    expect(best.watts).toBeGreaterThanOrEqual(5800)
    expect(best.watts).toBeLessThan(5800 * 1.25)
    expect(best.coldV).toBeLessThanOrEqual(0.97 * design.controllers[0].part.maxInputV)
  })

  it('leave other arrays their trackers and count what they bring', () => {
    const design = changed(larkspurBench, (d) =>
      d.arrays.push({ ...d.arrays[0], id: 'array-2', inParallel: 1, tracker: 1 }),
    )
    const question = layoutQuestionOf(design, 0, 5800)!
    expect(question.needW).toBeCloseTo(5800 - 7 * 415, 6)
    for (const layout of layouts(question)) {
      const laid = takeLayout(0, layout)(design)
      expect(laid.arrays.reduce((sum, { inSeries, inParallel }) => sum + inSeries * inParallel, 0)).toBe(
        7 + layout.inSeries * layout.inParallel,
      )
      const stops = findings({ design: laid, derived: derive(laid), winter: null }).filter(
        ({ level, step }) => level === 'stop' && step === 'array',
      )
      expect(stops, `${layout.inSeries} × ${layout.inParallel}`).toEqual([])
    }
  })

  it('of a small place keep to its controller', () => {
    const design = gannetSkerry()
    const [best] = layouts(layoutQuestionOf(design, 0, 500)!)
    expect(takeLayout(0, best)(design).controllers).toHaveLength(1)
  })
})
