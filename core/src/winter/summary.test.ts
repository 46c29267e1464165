import { describe, expect, it } from 'vitest'
import { larkspurBench, larkspurFlooded } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { groundByDay } from '../bank/ground.ts'
import { smoothDaily } from '../weather/climate.ts'
import { roomTemperature, designBatteryC } from '../bank/roomTemperature.ts'
import { monthlyEnergy } from '../loads/profile.ts'
import { WinterEngine } from './engine.ts'
import { absorptionV } from '../bank/layout.ts'
import { controllerEfficiency, yearHours } from './hours.ts'
import { emptyTrace } from './year.ts'
import { potIndex, tableIndex } from './loadTables.ts'
import { runPlan } from './plan.ts'
import { darkSeason, summariseWinter } from './summary.ts'
import { climateAt } from '../weather/climates.ts'
import { seasonOf } from '../weather/season.ts'
import { figuresAt, figuresOf, type YearFigures, RUN_FIGURES, type RunFigure, worstOf } from './figures.ts'

const engine = new WinterEngine()

function year(generatorHours: number, lowest: number): YearFigures {
  const [made] = engine.run(larkspurBench(), { years: 1, seed: 1 })
  return { ...figuresOf(made), generatorHours, lowestStateOfCharge: lowest }
}

describe('figures over years', () => {
  const years = [10, 20, 30, 40, 50, 60, 70, 80, 90, 100, 110].map((hours, i) => year(hours, 1 - i / 10))

  it.each([
    [{ must: 0, should: 3, canWait: 12 }, 12],
    [{ must: 5, should: 3, canWait: 0 }, 5],
    [{ must: 0, should: 0, canWait: 0 }, 0],
  ])('what is short by %j is as bad as its worst, whoever it is for: %s', (shortHours, worst) =>
    expect(worstOf(shortHours)).toBe(worst),
  )

  it('the median is the middle year, 1 in 10 the bad side of each figure', () => {
    expect(figuresAt(years, 0.5).generatorHours).toBe(60)
    expect(figuresAt(years, 0.9).generatorHours).toBe(100)
    expect(figuresAt(years, 0.5).lowestStateOfCharge).toBeCloseTo(0.5, 12)
    expect(figuresAt(years, 0.9).lowestStateOfCharge).toBeCloseTo(0.1, 12)
  })

  it('each is taken from its own bad end', () => {
    const spread = Array.from({ length: 11 }, (_, i) => {
      const scalars = Object.keys(RUN_FIGURES).map((key) => [key, i])
      return { ...years[0], ...(Object.fromEntries(scalars) as Record<RunFigure, number>) }
    })
    for (const [key, { bad, label, unit }] of Object.entries(RUN_FIGURES)) {
      expect(figuresAt(spread, 0.9)[key as RunFigure], key).toBeCloseTo(bad === 'high' ? 9 : 1, 9)
      expect(label.length).toBeGreaterThan(3)
      expect(['', 'h', 'd', 'L', 'Wh', 'share']).toContain(unit)
    }
  })

  it('do not depend on the order of the years', () => {
    expect(figuresAt([...years].reverse(), 0.9)).toEqual(figuresAt(years, 0.9))
  })
})

/** The demo's place at another latitude, its climate with it. */
const at = (latitudeDeg: number) => ({
  ...larkspurBench().place,
  latitudeDeg,
  ...climateAt('cold-valley', latitudeDeg),
})

describe('the dark season', () => {
  it.each([
    [48, 273, 212],
    [0, 273, 212],
    [-43, 90, 214],
  ])('at %s° starts on day %s and has %s days', (latitude, startDay, days) => {
    expect(darkSeason(seasonOf(at(latitude)))).toEqual({ startDay, days })
  })
})

describe('the weeks of the strip', () => {
  // every day of the run told apart: its lowest charge a thousandth of its number, its generator hours the number
  it.each([48, -43])('at %s° are the sevens of days of the dark season, in order', (latitudeDeg) => {
    const design = larkspurBench()
    design.place = at(latitudeDeg)
    const [made] = engine.run(design, { years: 1, seed: 1 })
    const told = (of: (day: number) => number) => Float32Array.from({ length: 365 }, (_, day) => of(day))
    const year = {
      ...made,
      lowestByDay: told((day) => day / 1000),
      generatorHoursByDay: told((day) => day),
      shortHoursByDay: told((day) => day / 10),
    }
    const { startDay, days } = darkSeason(seasonOf(design.place))
    const first = (startDay - seasonOf(design.place).startDay + 365) % 365
    const { weeks } = summariseWinter([year, year, year], design)
    expect(weeks).toHaveLength(Math.floor(days / 7))
    weeks.forEach((week, w) => {
      const from = first + 7 * w
      expect(week.startDay).toBe((startDay + 7 * w) % 365)
      for (const low of [week.lowTypical, week.lowOneInTen]) expect(low).toBeCloseTo(from / 1000, 6)
      expect(week.generatorMean).toBeCloseTo(7 * from + 21, 3)
      for (const short of [week.shortMean, week.shortOneInTen]) expect(short).toBeCloseTo((7 * from + 21) / 10, 3)
    })
  })
})

describe('what the plan makes of a design', () => {
  const design = larkspurBench()
  const plan = runPlan(design)
  const { loads } = plan

  it('keeps the energy of every month: fixed, DC and movable loads together', () => {
    const energy = monthlyEnergy(design.loads)
    for (let month = 0; month < 12; month++) {
      let sum = 0
      for (const kind of loads.kindOfDay) {
        const pot = potIndex(kind, 0, month)
        sum += loads.movable.reduce((total, priority) => total + priority[pot], 0)
        for (let hour = 0; hour < 24; hour++) {
          const at = tableIndex(pot, hour, 0, 1)
          sum += loads.acMust[at] + loads.acShould[at] + loads.acCanWait[at] + loads.dc[at]
        }
      }
      expect(sum / loads.kindOfDay.length).toBeCloseTo(energy[month], 6)
    }
  })

  it('a lithium bank has no rate effect, a flooded one has', () => {
    expect(plan.bank.startBoundAh).toBe(0)
    const flooded = runPlan(larkspurFlooded()).bank
    expect(flooded.startBoundAh).toBeGreaterThan(0)
    expect(flooded.startAvailableAh + flooded.startBoundAh).toBeCloseTo(flooded.qmaxAh, 9)
  })

  it('charging voltage follows chemistry and system voltage', () => {
    expect(absorptionV(design.bank)).toBeCloseTo(57.6, 9)
    expect(absorptionV(larkspurFlooded().bank)).toBeCloseTo(59.2, 9)
  })

  it('several controllers count by their output', () => {
    const two: Design = {
      ...design,
      controllers: [
        {
          id: 'a',
          name: 'a',
          part: { ...design.controllers[0].part, outputA: 30, efficiency: 0.9 },
          chargeLimitA: null,
        },
        {
          id: 'b',
          name: 'b',
          part: { ...design.controllers[0].part, outputA: 90, efficiency: 0.98 },
          chargeLimitA: null,
        },
      ],
    }
    expect(controllerEfficiency(two)).toBeCloseTo((30 * 0.9 + 90 * 0.98) / 120, 12)
    expect(controllerEfficiency({ ...design, controllers: [] })).toBe(1)
  })
})

describe('array power of a year', () => {
  const design = larkspurBench()
  const weather = engine.weatherOf(design, 7, 0)
  const plane = engine.planeOf(design, design.arrays[0], 7, 0)
  const hours = yearHours(design, weather, [plane])

  it('never passes the controller’s output, and clipping is what is over', () => {
    const limit = Math.max(...hours.pvOutW)
    expect(limit).toBeLessThanOrEqual(100 * 58)
    hours.pvInW.forEach((watts, i) => {
      if (hours.pvOutW[i] > watts) throw new Error(`hour ${i} gives more than it gets`)
    })
  })

  it('an array on no controller gives nothing', () => {
    const lost = { ...design, arrays: [{ ...design.arrays[0], controllerId: 'gone' }] }
    expect(yearHours(lost, weather, [plane]).pvInW.every((watts) => watts === 0)).toBe(true)
  })

  it('nor does one on a controller that is not made for the bank, whatever the others do', () => {
    const [controller] = design.controllers
    const wrong = { ...controller, id: 'wrong', part: { ...controller.part, mostBankV: 24 as const, efficiency: 0.5 } }
    const both = {
      ...design,
      arrays: [design.arrays[0], { ...design.arrays[0], id: 'other', controllerId: 'wrong' }],
      controllers: [controller, wrong],
    }
    expect(yearHours(both, weather, [plane, plane]).pvOutW).toEqual(hours.pvOutW)
    expect(controllerEfficiency(both)).toBe(controllerEfficiency(design))
  })

  it('losses come off in proportion', () => {
    const soiled = { ...design, arrays: [{ ...design.arrays[0], soilingLoss: 0.51 }] }
    const less = yearHours(soiled, weather, [plane])
    const noon = hours.pvInW.indexOf(Math.max(...hours.pvInW))
    expect(less.pvInW[noon] / hours.pvInW[noon]).toBeCloseTo(0.5, 9)
  })
})

describe('the batteries’ room', () => {
  const airC = Float32Array.from(
    { length: 8760 },
    (_, i) => -20 * Math.cos((2 * Math.PI * (i - 4380)) / 8760) + 8 * Math.sin((2 * Math.PI * i) / 24),
  )
  const inRoom = (kind: 'heated' | 'unheated' | 'buried') => {
    const cells = new Float32Array(8760)
    roomTemperature({ kind, setC: 15, depthM: 1 }, airC, 0, cells)
    return cells
  }
  const swing = (cells: Float32Array) => {
    const day = cells.slice(4380, 4404)
    return Math.max(...day) - Math.min(...day)
  }

  it('is steady when heated, swings less than outdoors unheated, least buried', () => {
    expect(new Set(inRoom('heated'))).toEqual(new Set([15]))
    expect(swing(inRoom('unheated'))).toBeLessThan(swing(airC))
    expect(swing(inRoom('buried'))).toBeLessThan(swing(inRoom('unheated')))
  })

  const MONTHS = [-6, -3, 2, 7, 12, 15, 19, 19, 13, 6, 0, -5]

  it('the hand method plans with the coldest month in it', () => {
    expect(designBatteryC({ kind: 'heated', setC: 12, depthM: 1 }, MONTHS, 0)).toBe(12)
    expect(designBatteryC({ kind: 'unheated', setC: 12, depthM: 1 }, MONTHS, 0)).toBe(-6)
  })

  it('the ground keeps two thirds of the yearly swing at a metre, a month late, and less under snow', () => {
    const air = Float64Array.from({ length: 365 }, (_, day) => 8 - 20 * Math.cos((2 * Math.PI * (day + 0.5)) / 365))
    const at = (depthM: number) => groundByDay(air, depthM)
    const amplitude = (days: Float64Array) => (Math.max(...days) - Math.min(...days)) / 2
    expect(amplitude(at(1)) / 20).toBeCloseTo(Math.exp(-1 / 2.4), 3)
    expect(amplitude(at(2.4)) / 20).toBeCloseTo(Math.exp(-1), 3)
    const coldest = at(1).indexOf(Math.min(...at(1)))
    expect(coldest).toBeGreaterThan(20)
    expect(coldest).toBeLessThan(28)
    for (const depthM of [0, 0.5, 1, 3]) expect(at(depthM).reduce((sum, c) => sum + c, 0) / 365).toBeCloseTo(8, 6)
    expect(designBatteryC({ kind: 'buried', setC: 0, depthM: 1 }, MONTHS, 0.4)).toBeGreaterThan(
      designBatteryC({ kind: 'buried', setC: 0, depthM: 1 }, MONTHS, 0),
    )
  })

  it('a week of hard frost reaches it as the error function says', () => {
    const air = new Float64Array(365)
    const frost = air.map((_, day) => (day >= 180 && day < 187 ? -30 : 0))
    // a step of −30 K has gone −30·erfc(z ÷ 2√(αt)) = −6.8 K down in a week, and a little more after it
    expect(Math.min(...groundByDay(frost, 1))).toBeGreaterThan(-8)
    expect(Math.min(...groundByDay(frost, 1))).toBeLessThan(-6)
  })

  it('hand method and run agree in a year that is as the months say', () => {
    const year = smoothDaily(MONTHS)
    const hours = Float32Array.from({ length: 8760 }, (_, i) => year[Math.floor(i / 24)])
    const cells = new Float32Array(8760)
    for (const depthM of [0.6, 1, 2]) {
      const room = { kind: 'buried' as const, setC: 0, depthM }
      roomTemperature(room, hours, 0.2, cells)
      const coldest = cells.reduce((least, c) => Math.min(least, c), Infinity)
      expect(Math.abs(coldest - designBatteryC(room, MONTHS, 0.2))).toBeLessThan(0.4)
    }
  })
})

describe('the trace', () => {
  it('agrees with the year it belongs to', () => {
    const design = larkspurBench()
    const trace = emptyTrace()
    const result = engine.year(design, 7, 0, { trace })
    const sum = (hours: Float32Array) => hours.reduce((a, b) => a + b, 0)
    expect(sum(trace.servedW) / result.servedWh).toBeCloseTo(1, 5)
    expect(sum(trace.curtailedW) / result.curtailedWh).toBeCloseTo(1, 5)
    expect(sum(trace.generatorW) / result.generatorWh).toBeCloseTo(1, 5)
    expect(Math.min(...trace.stateOfCharge)).toBeCloseTo(result.lowestStateOfCharge, 6)
    const months = Object.values(result.months.servedWh).reduce((a, b) => a + b, 0)
    expect(months / result.servedWh).toBeCloseTo(1, 9)
  })
})
