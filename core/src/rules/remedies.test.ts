import { setCircuit } from '../change/circuits.ts'
import { systemOf } from '../system/systemOf.ts'
import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { invariantProblems } from '../design/invariants.ts'
import { copperDraw, gannetSkerry, larkspurBench, larkspurFlooded, larkspurMoreSun } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { findings } from './registry.ts'
import { said } from '../units/words.ts'

const SAMPLES = { larkspurBench, larkspurFlooded, larkspurMoreSun, gannetSkerry, copperDraw }
const secondRow = (design: Design, change: object) =>
  design.arrays.push({ ...design.arrays[0], id: 'array-9', name: 'Second', ...change })

/** What can be wrong with a design, done to every sample. */
const FAULTS: Record<string, (design: Design) => unknown> = {
  'as it is': () => {},
  'an unheated room': ({ place }) =>
    Object.assign(place, { recordLowC: -45, batteryRoom: { kind: 'unheated', setC: 0, depthM: 1 } }),
  'a buried room': ({ place }) =>
    Object.assign(place, { recordLowC: -45, batteryRoom: { kind: 'buried', setC: 0, depthM: 1 } }),
  'ten strings': ({ bank }) => (bank.inParallel = 10),
  'four strings taken off at one end': ({ bank }) => Object.assign(bank, { inParallel: 4, takeoff: 'one-end' }),
  'one string': ({ bank }) => (bank.inParallel = 1),
  'a controller for small banks': ({ controllers }) => (controllers[0].part.mostBankV = 12),
  'units that stand alone': ({ bank }) => (bank.part.seriesLimit = 1),
  'modules of thin insulation': ({ arrays }) => (arrays[0].module.maxSystemV = 100),
  'an inverter that fears a full bank': ({ inverter }) => (inverter.part.highCutV = inverter.part.bankV * 1.1),
  'an aged unit': ({ bank }) => bank.weak.push({ unit: 1, capacityShare: 0.6, resistanceFactor: 2 }),
  'a clock of another continent': ({ place }) => (place.utcOffsetH = 7),
  'twelve modules in series': ({ arrays }) => (arrays[0].inSeries = 12),
  'one module in series': ({ arrays }) => (arrays[0].inSeries = 1),
  'three modules in series': ({ arrays }) => (arrays[0].inSeries = 3),
  'no array': (design) => (design.arrays = []),
  'one string of modules': ({ arrays }) => (arrays[0].inParallel = 1),
  'nine strings of modules': ({ arrays }) => (arrays[0].inParallel = 9),
  'a small inverter': ({ inverter }) => Object.assign(inverter.part, { ratedW: 1200, surgeW: 2500 }),
  'a soft bank': ({ bank }) => (bank.part.resistanceMilliohm = 900),
  'a huge generator': ({ generator }) => (generator.part.ratedW = 60000),
  'a set of one live wire': ({ generator }) => (generator.part.output = 'single'),
  'a small generator': ({ generator }) => (generator.part.ratedW = 1500),
  'units that take little': ({ bank }) => (bank.part.maxChargeA = 20),
  'long runs of thin wire': (design) => {
    for (const { id } of systemOf(design).circuits)
      Object.assign(
        design,
        setCircuit(id, { oneWayM: 300, size: design.place.wiringBasis === 'awg' ? '14 AWG' : '2.5 mm2' })(design),
      )
  },
  'nothing measured': (design) => (design.circuits = []),
  'loads six times as large': ({ loads }) => loads.forEach((load) => (load.runningW *= 6)),
  'a row facing east': (design) => secondRow(design, { azimuthDeg: 90 }),
  'a shorter row beside the first': (design) =>
    secondRow(design, { inSeries: Math.max(1, design.arrays[0].inSeries - 1) }),
  'a row of other modules of the same volts': (design) =>
    secondRow(design, {
      module: { ...design.arrays[0].module, id: 'other', vmpV: design.arrays[0].module.vmpV * 0.95 },
    }),
  'an array with its back to the sun': ({ arrays }) => (arrays[0].azimuthDeg = 358),
  'a tracker of few volts': ({ controllers }) => (controllers[0].part.maxTrackV = 150),
  'a lead bank let down too far': ({ bank }) => (bank.cutoffStateOfCharge = 0.05),
  'an inverter of 230 V': ({ inverter }) => (inverter.part.topology = 'single-230'),
  'pulse width': ({ controllers }) => (controllers[0].part.kind = 'pulse-width'),
  'a controller of little current': ({ controllers }) => (controllers[0].part.maxInputA = 3),
}

/** Figures that a reader of feet and Fahrenheit is not to meet. */
const METRIC = /\d[\s\u2009]?(°C|K|m|cm|km|kg|L|m\/s)(?![\w²/])/

const found = (design: Design) => findings({ design, derived: derive(design), winter: null })
const WORST_FIRST = { stop: 0, watch: 1, open: 2, sound: 3 }

describe.each(Object.entries(SAMPLES))('remedies of %s', (_, make) => {
  it.each(Object.entries(FAULTS))('with %s do what they say', (_, fault) => {
    const design = make()
    fault(design)
    if (invariantProblems(design).length > 0) return
    const before = JSON.stringify(design)
    const all = found(design)
    for (const { id, subject, level, says, because, remedy } of all) {
      for (const words of [says, because, remedy?.label ?? '']) {
        expect(said(words, 'imperial'), id).not.toMatch(METRIC)
        expect(said(words), id).not.toMatch(/NaN|undefined|\[object/)
      }
      if (!remedy) continue
      const told = `${id}: ${said(remedy.label)}`
      const mended = remedy.apply(design)
      expect(JSON.stringify(design), `${told} left the design alone`).toBe(before)
      expect(invariantProblems(mended), told).toEqual([])
      const same = found(mended).find((each) => each.id === id && each.subject === subject)
      if (!same) continue
      expect(WORST_FIRST[same.level], `${told} made it no worse`).toBeGreaterThanOrEqual(WORST_FIRST[level])
      if (same.level === level && !said(remedy.label).startsWith('soft starter'))
        expect(same.says, `${told} changed something`).not.toEqual(says)
    }
  })
})

describe('the remedies there are', () => {
  it('are offered by the rules that promise one', () => {
    const offered = new Set(
      Object.values(SAMPLES).flatMap((make) =>
        Object.values(FAULTS).flatMap((fault) => {
          const design = make()
          fault(design)
          return invariantProblems(design).length > 0
            ? []
            : found(design).flatMap(({ id, remedy }) => (remedy ? [id] : []))
        }),
      ),
    )
    for (const id of [
      'array.bank-class',
      'array.cold-voltage',
      'array.facing',
      'array.hot-voltage',
      'array.system-voltage',
      'array.track-range',
      'array.unlike',
      'bank.autonomy',
      'bank.charge-rate',
      'bank.cold',
      'bank.let-down',
      'bank.parallel',
      'bank.series',
      'bank.sharing',
      'bank.weak',
      'generator.carries',
      'generator.charger-over-bank',
      'generator.load',
      'generator.output',
      'inverter.legs-there',
      'inverter.starts',
      'place.clock',
      'wiring.runs',
    ])
      expect(offered, id).toContain(id)
  })

  it('an array is added only where it brings the bank to its rate', () => {
    const huge = larkspurFlooded()
    huge.bank.inParallel = 10
    const rate = found(huge).find(({ id }) => id === 'bank.charge-rate')!
    expect(rate.level).toBe('watch')
    expect(rate.remedy).toBeUndefined()
  })

  it('a second controller adds no more to the charge rate than its own arrays bring', () => {
    const design = larkspurFlooded()
    const alone = derive(design).worked['bank.charge-rate'].value
    design.controllers.push({ ...design.controllers[0], id: 'controller-9' })
    expect(derive(design).worked['bank.charge-rate'].value).toBe(alone)
    secondRow(design, { inSeries: 1, inParallel: 1, controllerId: 'controller-9' })
    const { module } = design.arrays[0]
    const volts = design.bank.systemV
    expect(derive(design).worked['bank.charge-rate'].value - alone).toBeCloseTo(
      module.ratedW /
        volts /
        (design.bank.part.capacities.find(({ hours }) => hours === 20)!.ampHours * design.bank.inParallel),
      3,
    )
  })
})
