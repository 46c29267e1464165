import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { larkspurBench } from '../design/samples.ts'
import type { Load } from '../document/types.ts'
import { appliance, APPLIANCES, loadFromAppliance } from './appliances.ts'
import { loadCosts } from './cost.ts'
import { dailyEnergy, standbyEnergy } from './energy.ts'
import { meteringPlan, withReading, withReadings } from './metering.ts'
import { coincidentPeak } from './peak.ts'
import { drawnProfile, PRIORITIES } from './profile.ts'
import { cellsOfLoads, loadsFromCells } from './table.ts'
import { propaneLitresAYear, withTrials } from './whatIf.ts'

const load = (id: string, change: Partial<Load> = {}): Load => ({ ...loadFromAppliance(appliance(id), id), ...change })
const nextId = (made: readonly Load[]) => `load-${made.length + 1}`

describe('energy of a day', () => {
  // watts × quantity × hours × duty × days/7 × season, + standby in the hours left; worked by hand
  // oxfmt-ignore
  it.each<[string, Partial<Load>, number, number]>([
    ['rated', { basis: 'rated', runningW: 100, hoursPerDay: 3, duty: 0.5, daysPerWeek: 7 }, 0, 150],
    ['rated, two of them, three and a half days', { runningW: 100, hoursPerDay: 3, duty: 1, daysPerWeek: 3.5, quantity: 2 }, 0, 300],
    ['rated with standby', { runningW: 100, hoursPerDay: 4, duty: 1, standbyW: 5 }, 0, 400 + 5 * 20],
    ['standby not in months without use', { runningW: 100, hoursPerDay: 4, standbyW: 5, seasonShare: [0, ...Array<number>(11).fill(1)] }, 0, 0],
    ['metered, the standby in it', { basis: 'metered', meteredKWh: 7, meteredHours: 168, standbyW: 5 }, 0, 1000],
    ['per cycle', { basis: 'cycle', cycleWh: 90, cycleDepth: 0.8, cycleChargerEfficiency: 0.9, cyclesPerWeek: 7, runningW: 80, standbyW: 2 }, 0, 80 + 2 * 23],
    ['per month', { basis: 'month', monthKWh: 365 / 12 }, 0, 1000],
    ['season', { runningW: 100, hoursPerDay: 3, duty: 1, seasonShare: [1, 0.5, ...Array<number>(10).fill(1)] }, 1, 150],
    ['on propane', { runningW: 100, hoursPerDay: 3, supply: 'propane', standbyW: 5 }, 0, 0],
    ['taken out', { runningW: 100, hoursPerDay: 3, supply: 'out', standbyW: 5 }, 0, 0],
  ])('%s', (_, change, month, wh) => {
    expect(dailyEnergy(load('lights', { seasonShare: Array(12).fill(1), ...change }), month)).toBeCloseTo(wh, 9)
  })

  it('the hours of a day add up to it, for any loads', () => {
    const anyLoad = fc.record({
      id: fc.constantFrom(...APPLIANCES.map(({ id }) => id)),
      quantity: fc.integer({ min: 0, max: 5 }),
      standbyW: fc.integer({ min: 0, max: 30 }),
      movable: fc.boolean(),
      supply: fc.constantFrom('electric' as const, 'propane' as const, 'out' as const),
    })
    fc.assert(
      fc.property(fc.array(anyLoad, { maxLength: 8 }), fc.integer({ min: 0, max: 11 }), (list, month) => {
        const loads = list.map(({ id, ...change }) => load(id, change))
        const total = loads.reduce((sum, each) => sum + dailyEnergy(each, month), 0)
        const drawn = drawnProfile(loads, month)
        const sumOf = (hours: Iterable<number>) => [...hours].reduce((a, b) => a + b, 0)
        expect(PRIORITIES.reduce((sum, priority) => sum + sumOf(drawn[priority]), 0)).toBeCloseTo(total, 6)
      }),
    )
  })

  it('standby is drawn through the night', () => {
    const tv = load('television', { standbyW: 6 })
    expect(drawnProfile([tv], 0).canWait[3]).toBeCloseTo(standbyEnergy(tv, 0) / 24, 9)
  })
})

describe('peak by both schools', () => {
  const kettle = load('kettle')
  const pump = load('well-pump')
  const lights = load('lights', { seasonShare: Array(12).fill(1) })

  it('everything at once is the sum and a fifth', () => {
    expect(coincidentPeak([kettle, pump, lights], 'everything').continuousW).toBeCloseTo(1.2 * (1500 + 1100 + 60), 9)
  })
  it('coincidence never passes it, and the start of the pump is on top', () => {
    const peak = coincidentPeak([kettle, pump, lights], 'coincidence')
    expect(peak.continuousW).toBeLessThan(1.2 * 2660)
    expect(peak.starter).toBe(pump.name)
    expect(peak.surgeW - peak.continuousW).toBeCloseTo(3.5 * 1100, 9)
  })
  it('a load on propane counts for nothing', () => {
    expect(coincidentPeak([{ ...pump, supply: 'propane' }, lights], 'everything').starter).not.toBe(pump.name)
  })
  it('standby alone is not a load at full watts', () => {
    const oven = load('microwave', { standbyW: 3, hourShape: Array.from({ length: 24 }, (_, h) => (h === 12 ? 1 : 0)) })
    const fan = load('composting-fan', { hourShape: Array.from({ length: 24 }, (_, h) => (h === 3 ? 1 : 0)) })
    expect(coincidentPeak([oven, fan], 'coincidence').continuousW).toBeLessThan(oven.runningW + 10)
  })
})

describe('what a load costs', () => {
  const design = larkspurBench()
  const derived = derive(design)
  const costs = derived.loadCosts

  it('shares add up to one and follow the day', () => {
    expect(costs.reduce((sum, cost) => sum + cost.share, 0)).toBeCloseTo(1, 9)
    const byDay = [...costs].sort((a, b) => b.dayWh - a.dayWh)
    expect(byDay.every((cost, i) => i === 0 || cost.bankWh <= byDay[i - 1].bankWh + 1e-9)).toBe(true)
  })

  it('by hand: 1,000 Wh a day, 1.25 at the battery, 3 days, depth 0.8, 2 h of sun', () => {
    const simple = { ...design, loads: [load('router', { runningW: 1000 / 24 })] }
    const [cost] = loadCosts(simple, { atBattery: 1.25, worstMonth: 11, sunHours: 2, batteryC: 25 })
    expect(cost.dayWh).toBeCloseTo(1000, 9)
    expect(cost.bankWh).toBeCloseTo((1250 * design.bank.autonomyDays) / design.bank.allowedDepth, 6)
    expect(cost.arrayW).toBeCloseTo(1250 / (2 * 0.8), 6)
  })
})

describe('trying a change', () => {
  const design = larkspurBench()
  const first = design.loads[0]

  it.each(['rated', 'metered', 'cycle', 'month'] as const)('half of a load stated by %s is half', (basis) => {
    const stated = load('fridge', {
      basis,
      meteredKWh: 9,
      meteredHours: 168,
      cycleWh: 90,
      cycleDepth: 0.8,
      cycleChargerEfficiency: 0.9,
      cyclesPerWeek: 4,
      monthKWh: 30,
    })
    const halved = withTrials({ ...design, loads: [stated] }, [{ loadId: stated.id, change: 'half' }]).loads[0]
    expect(dailyEnergy(halved, 0)).toBeCloseTo(dailyEnergy(stated, 0) / 2, 9)
  })

  it('changes only the loads named, and leaves the design as it was', () => {
    const tried = withTrials(design, [{ loadId: first.id, change: 'out' }])
    expect(tried.loads[0].supply).toBe('out')
    expect(tried.loads.slice(1)).toEqual(design.loads.slice(1))
    expect(design.loads[0].supply).toBe('electric')
  })

  it('propane for a year: 7.03 kWh a litre at 75 %', () => {
    const heater = load('water-heater', { seasonShare: Array(12).fill(1), runningW: 1000, hoursPerDay: 2, standbyW: 0 })
    expect(propaneLitresAYear(heater)).toBeCloseTo((2000 * 365) / (7030 * 0.75), 6)
    expect(propaneLitresAYear({ ...heater, supply: 'propane' })).toBeCloseTo((2000 * 365) / (7030 * 0.75), 6)
  })
})

describe('metering', () => {
  it('lists guesses with the worst first and leaves out what is metered', () => {
    const loads = [
      load('router'),
      load('freezer'),
      load('fridge', { basis: 'metered', meteredKWh: 5, meteredHours: 96 }),
    ]
    const plan = meteringPlan(loads, 0)
    expect(plan.map(({ loadId }) => loadId)).toEqual(['freezer', 'router'])
    expect(plan[0].hours).toBe(72)
    expect(plan[1].hours).toBe(24)
  })

  it('readings replace the guess and keep it; taken back, the guess returns', () => {
    const guess = load('fridge')
    const once = withReading(guess, { date: '2026-01-10', kWh: 2, hours: 72 })
    const twice = withReading(once, { date: '2026-01-03', kWh: 1, hours: 24 })
    expect(twice.basis).toBe('metered')
    expect([twice.meteredKWh, twice.meteredHours]).toEqual([3, 96])
    expect(twice.meterReadings.map(({ date }) => date)).toEqual(['2026-01-03', '2026-01-10'])
    expect(twice.runningW).toBe(guess.runningW)
    expect(withReadings(twice, [])).toEqual(guess)
  })

  it('a reading of two units together is shared between them', () => {
    const two = withReading(load('laptop', { quantity: 2 }), { date: '2026-01-10', kWh: 3, hours: 72 })
    expect(dailyEnergy(two, 0)).toBeCloseTo(1000, 6)
  })
})

describe('rows of a table', () => {
  const read = (text: string) =>
    loadsFromCells(
      text.split('\n').map((line) => line.split('\t')),
      nextId,
    )

  it('loads written out come back the same', () => {
    const design = larkspurBench()
    const { items, problems } = loadsFromCells(cellsOfLoads(design.loads), (made) => design.loads[made.length].id)
    expect(problems).toEqual([])
    expect(items).toEqual(design.loads)
  })

  it('pasted rows without a header: name, watts, hours; units in the cells', () => {
    const { items, problems } = read('Kiln\t1.5 kW\t30 min\nFan\t40\t8 h\t2\tShop\n\nRefrigerator\t75 W\t24')
    expect(problems).toEqual([])
    expect(
      items.map(({ name, runningW, hoursPerDay, quantity, room }) => [name, runningW, hoursPerDay, quantity, room]),
    ).toEqual([
      ['Kiln', 1500, 0.5, 1, ''],
      ['Fan', 40, 8, 2, 'Shop'],
      ['Refrigerator', 75, 24, 1, 'Kitchen'],
    ])
    expect(items[2].startKind).toBe('compressor')
  })

  it('a header in any order, decimal commas, a meter’s figure', () => {
    const { items, problems } = read('Watts\tLoad\tPriority\tMetered kWh\tMetered hours\n60,5\tFan\tmust run\t1,2\t48')
    expect(problems).toEqual([])
    expect(items[0]).toMatchObject({ name: 'Fan', runningW: 60.5, priority: 'must', basis: 'metered', meteredKWh: 1.2 })
  })

  // line, column and what is allowed stand in every refusal
  it.each([
    ['Fan\tabc\t3', 'line 1, running W: “abc” is not a number'],
    ['Fan\t40 V\t3', 'line 1, running W: “V” is not a unit that fits here; w, watt'],
    ['Fan\t40\t30', 'line 1, hours a day: 30 must lie between 0 and 24 h'],
    ['name\twatts\nFan\t40\n\t50', 'line 3, name: is empty'],
    ['name\tleg\nFan\tD', 'line 2, leg: “D” is not one of A, B, C, AB, ABC, DC'],
    ['name\tstated by\nFan\tper month', 'line 2, kWh a month: is missing; “month” needs it'],
    ['name\tmonths\nFan\t1 1 1', 'line 2, months: “1 1 1” must be 12 numbers'],
    ['watts\thours\n40\t3', 'line 1 names no column “name”'],
    ['', 'there are no rows'],
  ])('%j', (text, says) => {
    const { problems } = read(text)
    expect(problems.map(({ message }) => message).join('; ')).toContain(says)
  })

  it('sound rows are kept beside wrong ones', () => {
    const { items, problems } = read('Fan\t40\t3\nPump\tx\t1\nLamp\t5\t4')
    expect(items.map(({ name }) => name)).toEqual(['Fan', 'Lamp'])
    expect(problems).toHaveLength(1)
  })
})
