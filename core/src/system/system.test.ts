import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addArray } from '../change/array.ts'
import {
  followUsual,
  measuredCircuits,
  setCircuit,
  settledCircuits,
  thinnestCircuits,
  usualCircuit,
} from '../change/circuits.ts'
import { addSource, takeBackup } from '../change/generator.ts'
import { setInverterCount } from '../change/inverter.ts'
import {
  copperDraw,
  gannetSkerry,
  larkspurBench,
  larkspurFlooded,
  larkspurMoreSun,
  SAMPLE_FAMILIES,
} from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { derive } from '../derive/derive.ts'
import { migrate } from '../design/migrate.ts'
import { findings } from '../rules/registry.ts'
import { said } from '../units/words.ts'
import { structuredCloneOf } from '../parts/shelf.ts'
import { judged } from '../wiring/choose.ts'
import { CONDUCTORS, deviceLimit } from '../wiring/conductors.ts'
import { bankFaultA } from './faults.ts'
import { fullLoadA, stringAmps } from './battery.ts'
import { bankConductors } from './bankConductors.ts'
import { deviceSchedule } from './devices.ts'
import { oneLine } from './oneLine.ts'
import { systemOf } from './systemOf.ts'
import { wiredArrays } from './wiringLoss.ts'
import { WinterEngine } from '../winter/engine.ts'
import { summariseWinter } from '../winter/summary.ts'
import { workedCircuits, type WorkedCircuit } from './work.ts'

const SAMPLES = { larkspurBench, larkspurFlooded, larkspurMoreSun, gannetSkerry, copperDraw }
const worked = (design: Design, id: string): WorkedCircuit =>
  workedCircuits(design).find(({ circuit }) => circuit.id === id)!
const told = (design: Design) =>
  findings({ design, derived: derive(design), winter: null }).filter(({ step }) => step === 'wiring')
const levels = (design: Design, subject: string) =>
  told(design).flatMap((each) => (each.subject === subject ? [each.level] : []))

/** Designs of every shape the graph knows. */
const anyDesign = fc
  .record({
    make: fc.constantFrom(...Object.values(SAMPLES)),
    arrays: fc.integer({ min: 0, max: 4 }),
    strings: fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 5, maxLength: 5 }),
    inverters: fc.integer({ min: 1, max: 3 }),
    bank: fc.record({ inParallel: fc.integer({ min: 1, max: 8 }), stringFuses: fc.boolean() }),
    takeoff: fc.constantFrom('one-end' as const, 'opposite-corners' as const, 'equal-leads' as const),
    backup: fc.constantFrom('generator' as const, 'shore' as const, 'vehicle' as const, 'none' as const),
    separate: fc.boolean(),
    grid: fc.boolean(),
    sources: fc.array(fc.constantFrom('wind' as const, 'stream' as const), { maxLength: 2 }),
    side: fc.constantFrom('dc' as const, 'ac' as const),
    dc: fc.integer({ min: 0, max: 3 }),
    electrodes: fc.constantFrom('one' as const, 'bonded-second' as const),
    combining: fc.constantFrom('combiner' as const, 'home-runs' as const),
    house: fc.record({ bypass: fc.boolean(), meter: fc.boolean(), regulator: fc.boolean() }),
  })
  .map((drawn): Design => {
    let design = structuredCloneOf(drawn.make())
    for (let i = 0; i < drawn.arrays; i++) design = addArray(design)
    design.arrays.forEach((array, i) => (array.inParallel = drawn.strings[i % drawn.strings.length]))
    design = takeBackup(drawn.backup)(setInverterCount(drawn.inverters)(design))
    for (const kind of drawn.sources) design = addSource(kind, 300)(design)
    design = structuredCloneOf(design)
    for (const source of design.sources) Object.assign(source, { side: drawn.side, surplus: 'dump-load' })
    Object.assign(design.bank, drawn.bank, { takeoff: drawn.takeoff, order: [], weak: [] })
    design.generator.charger = drawn.separate ? 'separate' : 'inverter'
    design.grid.present = drawn.grid
    design.schools.electrodes = drawn.electrodes
    design.schools.combining = drawn.combining
    Object.assign(design.house, drawn.house)
    design.loads.slice(0, drawn.dc).forEach((load) => (load.leg = 'DC'))
    return design
  })

describe('the graph of any design', () => {
  it('has every array, controller, bank string, inverter, source and load once, joined by circuits', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const { nodes, circuits, leads } = systemOf(design)
        const ids = nodes.map(({ id }) => id)
        expect(new Set(ids).size, 'nodes once').toBe(ids.length)
        const lines = [...circuits, ...leads]
        expect(new Set(lines.map(({ id }) => id)).size, 'lines once').toBe(lines.length)
        for (const { id, from, to } of lines) {
          expect(ids, `${id} from`).toContain(from)
          expect(ids, `${id} to`).toContain(to)
        }
        const joined = new Set(lines.flatMap(({ from, to }) => [from, to]))
        for (const id of ids) expect(joined, id).toContain(id)
        for (const { id } of design.arrays) {
          expect(
            circuits.filter((each) => each.id === `array:${id}`),
            id,
          ).toHaveLength(1)
        }
        for (const { id } of design.controllers)
          expect(
            circuits.filter((each) => each.id === `controller:${id}`),
            id,
          ).toHaveLength(1)
        for (const { id } of design.sources) expect(circuits.some((each) => each.id === `source:${id}`)).toBe(true)
        for (const load of design.loads.filter(({ leg }) => leg === 'DC'))
          expect(circuits.some((each) => each.id === `branch:${load.id}`)).toBe(true)
        expect(circuits.find(({ id }) => id === 'inverter')!.quantity).toBe(design.inverter.quantity)
        const main = bankConductors(design)
        if (design.bank.stringFuses)
          expect(main.find(({ part }) => part === 'fuse')!.quantity).toBe(design.bank.inParallel)
        expect(leads.filter(({ id }) => id === 'bond')).toHaveLength(1)
        const laid = workedCircuits(design)
        const { boxes, lines: drawnLines, labels } = oneLine({ nodes, circuits, leads }, laid, (words) => said(words))
        const boxed = boxes.map(({ id }) => id)
        expect(new Set(boxed).size, 'boxes once').toBe(boxed.length)
        for (const id of ids) expect(boxed, `${id} drawn`).toContain(id)
        const shown = drawnLines.map(({ id }) => id)
        expect(new Set(shown).size, 'drawn once').toBe(shown.length)
        const spoken = new Set([...shown, ...labels.map(({ id }) => id)])
        for (const { id } of circuits) expect(spoken.has(id), `${id} drawn`).toBe(true)
        const schedule = deviceSchedule({ nodes, circuits, leads }, laid).map(({ id }) => id)
        expect(new Set(schedule).size, 'in the schedule once').toBe(schedule.length)
        for (const { circuit, device } of laid) if (device) expect(schedule, circuit.id).toContain(circuit.id)
        for (const { inline } of circuits) for (const { id } of inline) expect(schedule, id).toContain(id)
        for (const { workingA, designA, correctedA, volts, highestV, faultA } of circuits)
          for (const figure of [workingA, designA, correctedA, volts, highestV, faultA])
            expect(Number.isFinite(figure) && figure >= 0).toBe(true)
      }),
      { numRuns: 60 },
    )
  })

  it('is laid in conductors that fail in nothing, of which the next thinner fails in something', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const sizes = CONDUCTORS.filter(({ basis }) => basis === design.place.wiringBasis).map(({ size }) => size)
        for (const each of workedCircuits(thinnestCircuits(design))) {
          const { circuit, conductor, choice, device, faults } = each
          if (!conductor || circuit.within) continue
          expect(faults.filter((fault) => fault !== 'device-over-modules' && fault !== 'no-device')).toEqual([])
          if (device?.amps)
            expect(device.amps).toBeLessThanOrEqual(deviceLimit(conductor.size, conductor.ampacityA) + 1e-9)
          const thinner = sizes[sizes.indexOf(conductor.size) - 1]
          if (!thinner || conductor.parallel > 1) continue
          const { fails } = judged(
            {
              ...circuit,
              ...choice,
              basis: design.place.wiringBasis,
              deviceA: device?.amps,
              school: 'terminal-limited',
            },
            thinner,
            1,
          )
          expect(fails, `${circuit.id} in ${thinner}`).not.toEqual([])
        }
      }),
      { numRuns: 40 },
    )
  })
})

describe('currents by hand', () => {
  it('an array: Isc × strings × 1.5625 at the terminals, × 1.25 where it lies, Imp for the drop', () => {
    const design = larkspurBench()
    const { module, inSeries } = design.arrays[0]
    const { circuit } = worked(design, 'array:array-1')
    expect(circuit.designA).toBeCloseTo(module.iscA * 2 * 1.5625, 9)
    expect(circuit.correctedA).toBeCloseTo(module.iscA * 2 * 1.25, 9)
    expect(circuit.workingA).toBeCloseTo(module.impA * 2, 9)
    expect(circuit.volts).toBeCloseTo(module.vmpV * inSeries, 9)
    expect(circuit.highestV).toBeGreaterThan(module.vocV * inSeries)
  })
  it('a second array has its own currents and its own line', () => {
    const design = larkspurMoreSun()
    expect(worked(design, 'array:array-2').circuit.designA).toBeCloseTo(design.arrays[0].module.iscA * 1.5625, 9)
    expect(worked(design, 'controller:controller-2').circuit.to).toBe('bars')
  })
  it('the inverter: full load at the low cut-out', () => {
    // 6 kW ÷ (0.9 × 44 V)
    expect(worked(larkspurBench(), 'inverter').circuit.workingA).toBeCloseTo(6000 / (0.9 * 44), 6)
    expect(fullLoadA(larkspurBench())).toBeCloseTo(151.515, 3)
  })
  it('a grid inlet and a shore cord are laid for what their breaker lets through', () => {
    const design = larkspurBench()
    Object.assign(design.grid, { present: true, breakerA: 50 })
    expect(worked(design, 'grid')).toMatchObject({ circuit: { designA: 50 }, device: { amps: 50 } })
    const shore = takeBackup('shore')(design)
    expect(worked(shore, 'backup').circuit.designA).toBe(shore.generator.cordA)
  })
  it('the bank’s short is its volts over its strings’ resistance', () => {
    const design = larkspurBench()
    Object.assign(design.bank.part, { resistanceMilliohm: 30 })
    Object.assign(design.bank, { inParallel: 6, inSeries: 1, absorbV: 56 })
    expect(bankFaultA(design)).toBeCloseTo(56 / 0.005, 6)
    expect(worked(design, 'bank-main').device).toMatchObject({ kind: 'class-t' })
    // two lithium strings of 300 mΩ bring 373 A: a breaker breaks that
    Object.assign(design.bank, { inParallel: 2 })
    design.bank.part.resistanceMilliohm = 300
    expect(worked(design, 'bank-main').device).toMatchObject({ kind: 'dc-breaker' })
    design.bank.inParallel = 3
    expect(worked(design, 'bank-main').device).toMatchObject({ kind: 'class-t' })
  })
  it('strings that are alike share the full load alike', () => {
    const design = larkspurFlooded()
    Object.assign(design.bank, { takeoff: 'opposite-corners', inParallel: 4, linkMilliohm: 0 })
    for (const amps of stringAmps(design.bank, 100)) expect(amps).toBeCloseTo(25, 9)
  })
  it.each(['one-end', 'opposite-corners'] as const)(
    'taken off at %s the busiest link carries all strings but one',
    (takeoff) => {
      const design = larkspurFlooded()
      Object.assign(design.bank, { takeoff, inParallel: 4, linkMilliohm: 0, stringFuses: true })
      const main = worked(design, 'bank-main').circuit.workingA
      expect(worked(design, 'bank-link').circuit.workingA).toBeCloseTo(main * 0.75, 6)
      expect(worked(design, 'bank-jumper').circuit.workingA).toBeCloseTo(main / 4, 6)
    },
  )
  it('three strings on one tracker want fuses, two do not', () => {
    const design = larkspurBench()
    expect(worked(design, 'string:array-1').device).toBeNull()
    design.arrays[0].inParallel = 3
    const { device } = worked(design, 'string:array-1')
    expect(device).toMatchObject({ kind: 'pv-fuse', amps: 25 })
    expect(device!.amps).toBeLessThanOrEqual(design.arrays[0].module.seriesFuseA)
  })
  it('strings that stand alone on their lines and share a tracker have their fuses where they meet', () => {
    const design = larkspurBench()
    const [array] = design.arrays
    design.arrays = [1, 2, 3].map((n) => ({ ...array, id: `array-${n}`, inParallel: 1, tracker: 1 }))
    expect(worked(design, 'array:array-2').device).toMatchObject({ kind: 'pv-fuse', at: 'controller:controller-1' })
    design.arrays.pop()
    expect(worked(design, 'array:array-2').device).toBeNull()
  })
  it('a lithium string without a fuse of its own is cabled for what its management lets through', () => {
    const design = larkspurBench()
    design.bank.stringFuses = false
    design.bank.part.maxDischargeA = 100
    expect(worked(design, 'bank-lead').circuit.designA).toBe(100)
    design.bank.stringFuses = true
    const { circuit, device } = worked(design, 'bank-lead')
    expect(circuit.designA).toBeCloseTo(circuit.workingA * 1.25, 9)
    expect(device!.amps).toBeLessThan(100)
  })
  it('a fuse that would be more than the modules stand is a stop', () => {
    const design = larkspurBench()
    design.arrays[0].inParallel = 3
    design.arrays[0].module.seriesFuseA = 15
    expect(levels(design, 'string:array-1')).toEqual(['stop'])
  })
  it('at twice the volts an array’s line is thinner: half the amps lose a quarter of the share', () => {
    const { conductor, atTwiceTheVolts } = worked(larkspurBench(), 'array:array-1')
    const at = (size: string) => CONDUCTORS.findIndex((each) => each.size === size)
    expect(at(atTwiceTheVolts!.size)).toBeLessThan(at(conductor!.size))
    expect(worked(larkspurBench(), 'panel').atTwiceTheVolts).toBeNull()
  })
  it('a long line has an arrester at both ends, a short one none', () => {
    const arresters = (oneWayM: number) =>
      worked(setCircuit('array:array-1', { oneWayM })(larkspurBench()), 'array:array-1').circuit.inline.filter(
        ({ kind }) => kind === 'arrester',
      )
    expect(arresters(60).map(({ at }) => at)).toEqual(['combiner:array-1', 'controller:controller-1'])
    expect(arresters(6)).toEqual([])
  })
  it('the loss in an array’s wire is told in kilowatt-hours', () => {
    const loss = (oneWayM: number) =>
      worked(setCircuit('array:array-1', { oneWayM, size: '6 AWG' })(larkspurBench()), 'array:array-1').lossKWh!
    expect(loss(60)).toBeGreaterThan(10)
    expect(loss(120)).toBeCloseTo(2 * loss(60), 6)
  })
})

describe('what is chosen about a circuit', () => {
  const FAULTS: [string, string, Parameters<typeof setCircuit>[1], string][] = [
    ['too thin a cable', 'inverter', { size: '10 AWG' }, 'stop'],
    ['a drop too large', 'array:array-1', { size: '8 AWG', oneWayM: 150 }, 'watch'],
    ['a fuse over its cable', 'controller:controller-1', { size: '2 AWG', deviceA: 400 }, 'stop'],
    ['a breaker that opens at work', 'panel', { deviceA: 15 }, 'watch'],
    ['an AC breaker on DC', 'controller:controller-1', { device: 'ac-breaker' }, 'stop'],
    ['a DC breaker on AC of which nobody said that it breaks it', 'panel', { device: 'dc-breaker' }, 'watch'],
    ['a device below the volts', 'controller:controller-1', { deviceV: 32 }, 'stop'],
    ['a device that cannot break the short', 'bank-main', { deviceKA: 1 }, 'stop'],
    ['a device of which nobody said what it breaks', 'bank-main', { device: 'dc-fuse' }, 'watch'],
    ['a cable over its terminals', 'panel', { size: '10 AWG', terminalC: 60, oneWayM: 1 }, 'stop'],
    ['a circuit that is not laid', 'array:array-1', { unused: true }, 'watch'],
    ['five kilometres', 'array:array-1', { oneWayM: 5000 }, 'watch'],
    ['a line whose drop no cable keeps', 'array:array-1', { oneWayM: 800, allowedDropPct: 0.1 }, 'watch'],
  ]
  it.each(FAULTS)('%s on %s is told, and its remedy mends it', (_, id, change, level) => {
    const design = setCircuit(id, change)(larkspurBench())
    const found = told(design).filter(({ subject }) => subject === id)
    expect(found.map((each) => each.level)).toContain(level)
    for (const { remedy, says } of found) {
      if (!remedy) continue
      expect(
        told(remedy.apply(design)).some((each) => said(each.says) === said(says)),
        said(says),
      ).toBe(false)
    }
    expect(levels(larkspurBench(), id)).toEqual([])
  })
  it('a breaker for both kinds of current stands in AC by the volts that are printed on it', () => {
    const stands = (deviceV: number) =>
      levels(setCircuit('panel', { device: 'dc-breaker', deviceV, deviceKA: 10 })(larkspurBench()), 'panel')
    expect(stands(240)).toEqual([])
    expect(stands(120)).toEqual(['stop'])
  })
  it('lasts while what it belongs to does, and asks for nothing else', () => {
    const design = setCircuit('array:array-1', { oneWayM: 33 })(larkspurBench())
    expect(worked({ ...design, arrays: [...design.arrays].reverse() }, 'array:array-1').choice.oneWayM).toBe(33)
    expect(setCircuit('array:none', { oneWayM: 1 })(design)).toBe(design)
    expect(
      usualCircuit('array:array-1')(setCircuit('array:array-1', { size: '2 AWG' })(design)).circuits,
    ).toContainEqual(expect.objectContaining({ id: 'array:array-1', size: '', oneWayM: 33 }))
  })
  it('a cable chosen by hand that no longer does is left to the program; one that does stays', () => {
    const design = setCircuit('panel', { size: '2 AWG' })(setCircuit('inverter', { size: '10 AWG' })(larkspurBench()))
    const sizes = new Map(settledCircuits(design).circuits.map(({ id, size }) => [id, size]))
    expect(sizes.get('panel')).toBe('2 AWG')
    expect(sizes.get('inverter')).toBe('')
  })
  it('the school of free air lets a cable carry what its terminals would not bear', () => {
    const design = larkspurBench()
    const bears = worked(design, 'inverter').conductor!
    design.schools.ampacity = 'free-air'
    const free = worked(design, 'inverter').conductor!
    expect(free.ampacityA / free.parallel).toBeGreaterThan(0)
    expect(CONDUCTORS.findIndex(({ size }) => size === free.size)).toBeLessThan(
      CONDUCTORS.findIndex(({ size }) => size === bears.size),
    )
  })
})

describe('lines that nobody measured', () => {
  it('are open until they are', () => {
    const bare = { ...larkspurBench(), circuits: [] }
    const [open] = told(bare).filter(({ id }) => id === 'wiring.lengths')
    expect(open.level).toBe('open')
    expect(said(open.says)).toBe('3 lines have no measured length yet.')
    expect(told(measuredCircuits(bare)).some(({ id }) => id === 'wiring.lengths')).toBe(false)
  })
})

describe('designs of version 7', () => {
  const run = (id: string, circuit: string, more: object = {}) => ({
    id,
    name: id,
    circuit,
    subjectId: null,
    oneWayM: 7,
    size: '6 AWG',
    parallel: 1,
    insulationC: 90,
    ambientC: 30,
    conductors: 2,
    allowedDropPct: 3,
    ...more,
  })
  it('keep the lengths and conductors of their runs', () => {
    const { circuits: _circuits, ...older } = larkspurMoreSun()
    const runs = [
      run('a', 'array', { oneWayM: 41 }),
      run('b', 'array', { subjectId: 'array-2', oneWayM: 43 }),
      run('c', 'array', { oneWayM: 99 }),
      run('d', 'controller-bank'),
      run('e', 'bank-inverter', { oneWayM: 2.5, size: '4/0 AWG' }),
      run('f', 'inverter-house'),
      run('g', 'generator', { oneWayM: 21 }),
    ]
    const { document } = migrate({ ...older, version: 7, runs }) as { document: Design }
    expect(document).not.toHaveProperty('runs')
    const lengths = Object.fromEntries(document.circuits.map(({ id, oneWayM, size }) => [id, [oneWayM, size]]))
    expect(lengths).toEqual({
      'array:array-1': [41, '6 AWG'],
      'array:array-2': [43, '6 AWG'],
      'controller:controller-1': [7, '6 AWG'],
      inverter: [2.5, '4/0 AWG'],
      panel: [7, '6 AWG'],
      backup: [21, '6 AWG'],
      grid: [21, '6 AWG'],
    })
    expect(worked(document, 'array:array-2').choice.oneWayM).toBe(43)
  })
})

describe('the loss of an array’s wiring', () => {
  it('is what its leads and its line lose, unless somebody entered another', () => {
    const design = setCircuit('array:array-1', { oneWayM: 60, size: '6 AWG' })(larkspurBench())
    for (const each of [design, ...SAMPLE_FAMILIES.flat().map((make) => make())]) {
      const circuits = workedCircuits(each)
      const dropOf = (id: string) => circuits.find(({ circuit }) => circuit.id === id)?.conductor?.dropPct ?? 0
      for (const [i, { id, wiringLoss }] of each.arrays.entries())
        expect(wiredArrays(each)[i].wiringLoss).toBeCloseTo(
          wiringLoss ?? ((dropOf(`array:${id}`) + dropOf(`string:${id}`)) * 0.65) / 100,
          12,
        )
    }
    expect(wiredArrays(design)[0].wiringLoss).toBeGreaterThan(0.005)
    const [entered] = wiredArrays({ ...design, arrays: [{ ...design.arrays[0], wiringLoss: 0.04 }] })
    expect(entered.wiringLoss).toBe(0.04)
  })
  it('of a longer line is felt by the run', () => {
    const engine = new WinterEngine()
    const sun = (oneWayM: number) =>
      summariseWinter(
        engine.run(setCircuit('array:array-1', { oneWayM, size: '6 AWG' })(larkspurBench()), { years: 1, seed: 3 }),
        larkspurBench(),
      ).median.generatorHours
    expect(sun(400)).toBeGreaterThan(sun(10))
  })
})

describe('the schedule of devices', () => {
  it('has every fuse, breaker, switch, arrester and shunt, as many as there are', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const system = systemOf(design)
        const circuits = workedCircuits(design, system)
        const rows = deviceSchedule(system, circuits)
        const wanted = circuits.flatMap(({ circuit, device }) => [
          ...(device ? [circuit.id] : []),
          ...circuit.inline.map(({ id }) => id),
        ])
        expect(rows.map(({ id }) => id).sort()).toEqual(wanted.sort())
        for (const { pieces, least, what, at } of rows) {
          expect(pieces).toBeGreaterThan(0)
          for (const text of [said(least), said(what), at]) expect(text).not.toMatch(/NaN|undefined|^$/)
        }
      }),
      { numRuns: 30 },
    )
  })
  it('counts a fuse a string, and leaves out what is not laid', () => {
    const design = larkspurBench()
    design.bank.stringFuses = true
    const rows = (of: Design) => deviceSchedule(systemOf(of), workedCircuits(of))
    expect(rows(design).find(({ id }) => id === 'bank-lead')!.pieces).toBe(design.bank.inParallel)
    expect(rows(setCircuit('backup', { unused: true })(design)).some(({ id }) => id === 'backup')).toBe(false)
  })
})

describe('how strings come home', () => {
  const home = (inParallel: number): Design => {
    const design = larkspurBench()
    design.arrays[0].inParallel = inParallel
    design.schools.combining = 'home-runs'
    return design
  }
  it('each on a line of its own carries its own current, with its fuse where they meet', () => {
    const { circuit, device, conduit } = worked(home(3), 'array:array-1')
    const { module } = larkspurBench().arrays[0]
    expect(circuit).toMatchObject({ quantity: 3, from: 'strings:array-1', to: 'controller:controller-1' })
    expect(circuit.designA).toBeCloseTo(module.iscA * 1.5625, 9)
    expect(circuit.faultA).toBeCloseTo(2 * module.iscA * 1.25, 9)
    expect(device).toMatchObject({ kind: 'pv-fuse', at: 'controller:controller-1' })
    expect(worked(home(3), 'string:array-1')).toBeUndefined()
    expect(conduit).not.toBeNull()
    const fuses = deviceSchedule(systemOf(home(3)), workedCircuits(home(3))).find(({ id }) => id === 'array:array-1')!
    expect(fuses.pieces).toBe(3)
  })
  it('all lie together and heat each other, where nobody chose otherwise', () => {
    const followed = followUsual(larkspurBench())(home(3))
    expect(worked(followed, 'array:array-1').choice).toMatchObject({ conductors: 6, oneWayM: 60 })
    const apart = setCircuit('array:array-1', { conductors: 4 })(larkspurBench())
    const kept = followUsual(apart)({ ...home(3), circuits: apart.circuits })
    expect(worked(kept, 'array:array-1').choice.conductors).toBe(4)
    // and nothing changes where nothing else does
    expect(followUsual(apart)(apart)).toBe(apart)
  })
  it('an array that moves to a roof is no longer buried', () => {
    const roof = structuredCloneOf(larkspurBench())
    roof.arrays[0].site = 'roof'
    const laid = (design: Design) => worked(design, 'array:array-1').choice.laid
    expect([laid(larkspurBench()), laid(roof), laid(followUsual(larkspurBench())(roof))]).toEqual([
      'buried',
      'buried',
      'conduit',
    ])
  })
  it('a string alone has nothing to combine', () => {
    expect(worked(home(1), 'array:array-1').circuit.quantity).toBe(1)
    expect(systemOf(home(1)).nodes.some(({ kind }) => kind === 'combiner')).toBe(false)
  })
  it('the wire’s loss is that of its own line', () => {
    const one = worked(home(2), 'array:array-1')
    expect(wiredArrays(home(2))[0].wiringLoss).toBeCloseTo((one.conductor!.dropPct * 0.65) / 100, 9)
  })
})

describe('what parts a circuit', () => {
  const parted = (change: (design: Design) => void): Design => {
    const design = structuredCloneOf(larkspurBench())
    change(design)
    return design
  }
  const inlineOf = (design: Design, id: string) => worked(design, id).circuit.inline.map(({ kind }) => kind)
  it('a switch of its own, or the one its controller has', () => {
    expect(inlineOf(larkspurBench(), 'array:array-1')).toContain('switch')
    const builtIn = parted((d) => {
      d.schools.arrayDisconnect = 'built-in'
      d.controllers[0].part.disconnect = true
    })
    expect(worked(builtIn, 'array:array-1').circuit.inline[0]).toMatchObject({ kind: 'switch', builtIn: true })
    expect(levels(builtIn, 'array:array-1')).toEqual([])
  })
  it.each([
    ['array:array-1', parted((d) => void (d.schools.arrayDisconnect = 'built-in'))],
    ['array:array-1', setCircuit('array:array-1', { disconnect: 'none' })(larkspurBench())],
    ['bank-main', setCircuit('bank-main', { disconnect: 'none' })(larkspurBench())],
    ['bank-main', setCircuit('bank-main', { disconnect: 'built-in' })(larkspurFlooded())],
  ])('%s parted by nothing is a stop, and its remedy clears it', (id, design) => {
    expect(inlineOf(design, id)).not.toContain('switch')
    const found = told(design).find(({ subject }) => subject === id)!
    expect(found.level).toBe('stop')
    expect(levels(found.remedy!.apply(design), id)).toEqual([])
  })
  it('units with breakers of their own may stand for the battery switch', () => {
    expect(levels(setCircuit('bank-main', { disconnect: 'built-in' })(larkspurBench()), 'bank-main')).toEqual([])
  })
  it('poles by the school: both of arrays, all, or the + alone, which is worth a look', () => {
    const rating = (design: Design, id: string) =>
      said(worked(design, id).circuit.inline.find(({ kind }) => kind === 'switch')!.rating)
    const by = (poles: Design['schools']['poles']) => parted((d) => void (d.schools.poles = poles))
    expect(rating(by('arrays'), 'array:array-1')).toContain('2 poles')
    expect(rating(by('arrays'), 'bank-main')).not.toContain('2 poles')
    expect(rating(by('all'), 'bank-main')).toContain('2 poles')
    expect(rating(by('positive'), 'array:array-1')).toContain('the + alone')
    const [found] = told(by('positive')).filter(({ id }) => id === 'wiring.poles')
    expect(found.level).toBe('watch')
    expect(told(found.remedy!.apply(by('positive'))).filter(({ id }) => id === 'wiring.poles')).toEqual([])
  })
})

describe('how a line is laid', () => {
  const line = (changes: Parameters<typeof setCircuit>[1]) => setCircuit('array:array-1', changes)(larkspurBench())
  it.each([
    ['without arresters on a long line', { oneWayM: 60, withoutArresters: true }, 'no-arresters'],
    ['in a conduit too small', { conduit: '1/2 in' }, 'conduit'],
    ['as a cord', { laid: 'cord' as const }, 'cord'],
  ])('%s is worth a look, and its remedy clears it', (_, changes, fault) => {
    const design = line(changes)
    expect(worked(design, 'array:array-1').faults).toContain(fault)
    const found = told(design).find(({ subject }) => subject === 'array:array-1')!
    expect(found.level).toBe('watch')
    expect(levels(found.remedy!.apply(design), 'array:array-1')).toEqual([])
  })
  it('a cord carries what its own table says, and a generator may hang on one', () => {
    const cord = (size: string) =>
      worked(setCircuit('backup', { laid: 'cord', size, conductors: 3 })(larkspurBench()), 'backup')
    // 10 AWG with three that carry current: 25 A, less than a conduit's
    expect(cord('10 AWG').conductor!.ampacityA).toBe(25)
    expect(cord('10 AWG').faults).not.toContain('cord')
    expect(cord('14 AWG').faults).toContain('ampacity')
    // none is made so thick
    expect(cord('4/0 AWG').conductor!.ampacityA).toBe(0)
  })
  it('a rod at an array that is bonded to nothing is a stop, whatever else holds', () => {
    const design = larkspurBench()
    design.schools.electrodes = 'floating'
    const [found] = told(design).filter(({ id }) => id === 'wiring.electrodes')
    expect(found.level).toBe('stop')
    expect(told(found.remedy!.apply(design)).filter(({ id }) => id === 'wiring.electrodes')).toEqual([])
  })
})

describe('copper against what it loses', () => {
  it('costs its area, there and back; the cheapest over its life is never dearer than another that does', () => {
    const { economy, choice, conductor } = worked(larkspurBench(), 'array:array-1')
    const { areaMm2 } = CONDUCTORS.find(({ size }) => size === conductor!.size)!
    expect(economy!.laid.copper).toBeCloseTo(areaMm2 * 2 * choice.oneWayM * 0.28, 9)
    for (const { size, basis } of CONDUCTORS) {
      if (basis !== 'awg') continue
      const other = worked(setCircuit('array:array-1', { size })(larkspurBench()), 'array:array-1')
      if (other.sound) expect(economy!.best.whole).toBeLessThanOrEqual(other.economy!.laid.whole + 1e-9)
    }
  })
  it('where a lost kilowatt-hour is worth nothing the thinnest is the cheapest, where it is dear a thick one', () => {
    const at = (kWhWorth: number) => {
      const design = larkspurBench()
      design.circuits = []
      design.budget.kWhWorth = kWhWorth
      return worked(design, 'array:array-1')
    }
    expect(at(0).economy!.best.size).toBe(at(0).conductor!.size)
    expect(at(5).economy!.best.copper).toBeGreaterThan(at(0).economy!.best.copper)
  })
})

describe('past the inverter', () => {
  it('the grid, else the backup, goes to a changeover that feeds the panel', () => {
    const design = larkspurBench()
    design.house.bypass = true
    expect(worked(design, 'panel').circuit.to).toBe('bypass')
    expect(worked(design, 'bypass').circuit).toMatchObject({ from: 'backup', to: 'bypass' })
    expect(worked(design, 'changeover').circuit).toMatchObject({ from: 'bypass', to: 'panel' })
    design.grid.present = true
    expect(worked(design, 'bypass').circuit).toMatchObject({ from: 'grid', designA: design.grid.breakerA })
    // with nothing to pass, there is none
    const alone = takeBackup('none')({ ...design, grid: { ...design.grid, present: false } })
    expect(worked(alone, 'panel').circuit.to).toBe('panel')
  })
  it('the meter counts what the house takes, past the inverter too', () => {
    const design = larkspurBench()
    design.house.meter = true
    const at = (id: string) => worked(design, id).circuit.inline.some(({ kind }) => kind === 'meter')
    expect(at('panel')).toBe(true)
    design.house.bypass = true
    expect([at('panel'), at('changeover')]).toEqual([false, true])
  })
  it('meter and regulator stand in their lines and in the schedule', () => {
    const design = larkspurBench()
    Object.assign(design.house, { meter: true, regulator: true })
    const kinds = deviceSchedule(systemOf(design), workedCircuits(design)).map(({ what }) => said(what))
    expect(kinds).toContain('energy meter')
    expect(kinds).toContain('voltage regulator')
  })
})
