import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { batteryParts, partById } from '../parts/shelf.ts'
import { runYear } from './loop.ts'
import { runPlan } from './plan.ts'
import { flatYear, tiny } from './testDesigns.ts'
import { emptyTrace } from './year.ts'

/** A 100 W load on 5120 Wh that falls by 100/5120 an hour; the backup below it as the case says. */
function backup(change: Partial<Design['generator']>, more: (design: Design) => void = () => {}) {
  const design = tiny((d) => {
    d.generator = {
      ...d.generator,
      present: true,
      startStateOfCharge: 0.3,
      stopStateOfCharge: 0.8,
      minRunH: 0,
      maxRunH: 24,
      warmUpMin: 0,
      quietFromH: 0,
      quietToH: 0,
      exerciseEveryDays: null,
      fullChargeEveryDays: null,
      ...change,
    }
    more(d)
  })
  const trace = emptyTrace()
  const result = runYear(runPlan(design), flatYear(Array(24).fill(0)), { trace })
  return { result, trace, runs: runsOf(trace.generatorW) }
}

function runsOf(generatorW: Float32Array): { start: number; length: number }[] {
  const runs: { start: number; length: number }[] = []
  generatorW.forEach((watts, i) => {
    if (watts <= 0) return
    const last = runs[runs.length - 1]
    if (last && last.start + last.length === i) last.length++
    else runs.push({ start: i, length: 1 })
  })
  return runs
}

describe('when the backup starts and stops', () => {
  // 5120 Wh less 100 W an hour: below 30 % after 35.84 h; below 50 % after 25.6 h
  it.each<[string, Partial<Design['generator']>, number]>([
    ['by charge at 30 %', {}, 36],
    ['by charge at 50 %', { startStateOfCharge: 0.5 }, 26],
    ['in the morning at seven, when it is found low', { startBy: 'morning', morningH: 7 }, 24 + 31],
    ['in the morning at thirteen', { startBy: 'morning', morningH: 13 }, 37],
    ['after the quiet hours', { quietFromH: 10, quietToH: 15 }, 24 + 15],
    // 52.4 V of rest between 50 % (52.64 V) and 20 % (51.84 V) is at 41 %: below it after 30.2 h
    ['by voltage, held for an hour', { startBy: 'voltage', startV: 52.4, holdMin: 60 }, 31],
    ['by voltage, held for three hours', { startBy: 'voltage', startV: 52.4, holdMin: 180 }, 33],
  ])('%s: first in hour %s', (_, change, hour) => {
    const { runs } = backup(change)
    expect(runs[0].start).toBe(hour)
  })

  it('stops at its level, never short before it', () => {
    const { result, trace, runs } = backup({})
    expect(result.shortHours.must).toBe(0)
    expect(trace.stateOfCharge[runs[0].start + runs[0].length - 1]).toBeGreaterThanOrEqual(0.8 - 1e-6)
  })

  it('keeps to the quiet hours, the minimum and the maximum run, and counts its starts', () => {
    for (const { start } of backup({ quietFromH: 10, quietToH: 15 }).runs)
      expect(start % 24 < 10 || start % 24 >= 15).toBe(true)
    const { runs, result, trace } = backup({ minRunH: 4, maxRunH: 6 })
    for (const { length } of runs.slice(0, -1)) {
      expect(length).toBeGreaterThanOrEqual(4)
      expect(length).toBeLessThanOrEqual(6)
    }
    expect(result.generatorStarts).toBe(runs.length)
    expect(result.generatorHours).toBe(trace.generatorW.filter((watts) => watts > 0).length)
  })

  it('a look in the morning is once a day', () => {
    for (const { start } of backup({ startBy: 'morning', morningH: 9 }).runs) expect(start % 24).toBe(9)
  })

  it('warming up takes its minutes off the first hour only', () => {
    const cold = backup({ warmUpMin: 30, chargeLimitA: 20 }).trace.generatorW
    const first = cold.findIndex((watts) => watts > 0)
    expect(cold[first] / cold[first + 1]).toBeCloseTo(0.5, 6)
    expect(cold[first + 2] / cold[first + 1]).toBeCloseTo(1, 6)
  })

  it('a rest between runs is kept', () => {
    const { runs } = backup({ kind: 'vehicle', vehicleA: 20, restDays: 3, maxRunH: 2 })
    runs.slice(1).forEach(({ start }, i) => expect(start - runs[i].start).toBeGreaterThanOrEqual(72))
  })

  it('the charger gives its limit, the shore its cord, the vehicle its current', () => {
    const most = (change: Partial<Design['generator']>) => Math.max(...backup(change).trace.generatorW)
    // 20 A × 51.2 V ÷ 0.9; the load is on direct current and takes 100 W of what the charger gives
    expect(most({ chargeLimitA: 20 })).toBeCloseTo((20 * 51.2) / 0.9, 3)
    expect(most({ kind: 'shore', cordA: 2.5, cordV: 240 })).toBeCloseTo(600, 3)
    expect(most({ kind: 'vehicle', vehicleA: 30 })).toBeCloseTo(30 * 51.2, 3)
    expect(most({ charger: 'separate', separateChargerA: 10, separateChargerEfficiency: 0.8 })).toBeCloseTo(640, 3)
  })

  it('shore power burns no fuel, a vehicle by the hour, a set by the Willans line', () => {
    expect(backup({ kind: 'shore' }).result.fuelL).toBe(0)
    const vehicle = backup({ kind: 'vehicle', vehicleLPerH: 1.5 }).result
    expect(vehicle.fuelL).toBeCloseTo(1.5 * vehicle.generatorHours, 2)
    // propane: 0.16 L/h per rated kW and 0.4 L/kWh
    const set = backup({ chargeLimitA: 20 }).result
    expect(set.fuelL).toBeCloseTo(0.16 * 7 * set.generatorHours + (0.4 * set.generatorWh) / 1000, 2)
  })

  it('exercise: twenty minutes where it did not run for thirty days', () => {
    const sun = flatYear(Array(24).fill(200))
    const design = tiny((d) => {
      d.generator = { ...d.generator, present: true, exerciseEveryDays: 30, exerciseMin: 20, warmUpMin: 0 }
    })
    const result = runYear(runPlan(design), sun)
    expect(result.generatorStarts).toBe(12)
    expect(result.generatorHours).toBeCloseTo(12 / 3, 2)
  })

  it('a full charge comes after so many days without, and ends full', () => {
    const { trace, runs } = backup({ fullChargeEveryDays: 10, startStateOfCharge: 0.12, stopStateOfCharge: 0.5 })
    const full = runs.filter(({ start, length }) => trace.stateOfCharge[start + length - 1] > 0.98)
    expect(full.length).toBeGreaterThan(30)
  })

  it('nobody starts by hand while away, an automatic start goes on', () => {
    const away = (d: Design) => (d.household.away = [{ fromMonth: 1, fromDay: 1, toMonth: 1, toDay: 31 }])
    // 1 January is day 184 of a run that starts in July
    const inJanuary = ({ generatorW }: { generatorW: Float32Array }) =>
      generatorW.subarray(184 * 24, 215 * 24).some((watts) => watts > 0)
    expect(inJanuary(backup({ startBy: 'morning', morningH: 8 }).trace)).toBe(true)
    expect(inJanuary(backup({ startBy: 'morning', morningH: 8 }, away).trace)).toBe(false)
    expect(inJanuary(backup({}, away).trace)).toBe(true)
  })
})

describe('equalising a flooded bank', () => {
  const flooded = (sunW: number, generator: Partial<Design['generator']>) => {
    const design = tiny((d) => {
      d.bank.part = { ...partById(batteryParts, 'flooded-6-225'), selfDischargePctPerMonth: 0 }
      d.bank.inSeries = 8
      d.bank.cutoffStateOfCharge = 0.2
      d.generator = {
        ...d.generator,
        present: true,
        startStateOfCharge: 0.5,
        stopStateOfCharge: 0.8,
        exerciseEveryDays: null,
        ...generator,
      }
    })
    const day = Array.from({ length: 24 }, (_, hour) => (hour > 8 && hour < 17 ? sunW : 0))
    return runYear(runPlan(design), flatYear(day))
  }

  it('is done by the sun where there is enough of it, else by the generator, and never without being asked for', () => {
    const sunny = flooded(2500, { equaliseEveryDays: 90 })
    expect(sunny.equalisations).toBe(4)
    expect(sunny.generatorHours).toBe(0)
    expect(sunny.losses.equaliseWh).toBeGreaterThan(0)
    const dark = flooded(0, { equaliseEveryDays: 90 })
    expect(dark.equalisations).toBeGreaterThanOrEqual(3)
    expect(flooded(2500, {}).equalisations).toBe(0)
  })
})

describe('what people do about power', () => {
  it('shedding switches loads off by their priority before the bank is empty', () => {
    const lasts = (change: Partial<Design['household']>) => {
      const design = tiny((d) => {
        const [must] = d.loads
        d.loads = [
          { ...must, runningW: 50, leg: 'A' },
          { ...must, id: 'load-2', runningW: 50, leg: 'A', priority: 'canWait' },
        ]
        d.household = { ...d.household, ...change }
        d.inverter.search = false
      })
      return runYear(runPlan(design), flatYear(Array(24).fill(0)))
    }
    const kept = lasts({})
    const shed = lasts({ shedCanWaitBelow: 0.6 })
    expect(shed.shortHours.canWait).toBeGreaterThan(kept.shortHours.canWait)
    expect(shed.shortHours.must).toBeLessThan(kept.shortHours.must)
    // what is shed is short in full: 50 W in every hour below 60 %
    expect(shed.unmetWh.canWait).toBeCloseTo(50 * shed.shortHours.canWait, 6)
  })

  it('only what goes on while nobody is there draws then', () => {
    const design = tiny((d) => {
      d.loads = [
        { ...d.loads[0], whenAway: true, runningW: 30 },
        { ...d.loads[0], id: 'load-2', whenAway: false, runningW: 70 },
      ]
      d.household.away = [{ fromMonth: 12, fromDay: 20, toMonth: 1, toDay: 10 }]
    })
    const trace = emptyTrace()
    runYear(runPlan(design), flatYear(Array(24).fill(500)), { trace })
    // 20 December is day 172 of a run from July; 22 days to 10 January
    expect(trace.mustW[171 * 24 + 12]).toBeCloseTo(100, 6)
    expect(trace.mustW[172 * 24 + 12]).toBeCloseTo(30, 6)
    expect(trace.mustW[193 * 24 + 12]).toBeCloseTo(30, 6)
    expect(trace.mustW[194 * 24 + 12]).toBeCloseTo(100, 6)
  })

  it('water in a tank waits for the sun as long as the tank lasts', () => {
    const pumped = (storeDays: number, sunnyEvery: number) => {
      const design = tiny((d) => {
        d.loads = [
          {
            ...d.loads[0],
            leg: 'A',
            priority: 'must',
            runningW: 500,
            hoursPerDay: 2,
            movable: true,
            storeDays,
          },
        ]
        d.inverter.part.idleW = 0
      })
      const hours = flatYear(Array(24).fill(0))
      for (let i = 0; i < 8760; i++)
        hours.pvInW[i] = Math.floor(i / 24) % sunnyEvery === 0 && i % 24 > 9 && i % 24 < 17 ? 1500 : 0
      const trace = emptyTrace()
      runYear(runPlan(design), hours, { trace })
      const evenings = trace.mustW.filter((watts, i) => watts > 0 && i % 24 >= 18).length
      const servedWh = trace.servedW.reduce((sum, watts) => sum + watts, 0)
      return { evenings, servedWh }
    }
    expect(pumped(0, 3).evenings).toBeGreaterThan(900)
    expect(pumped(3, 3).evenings).toBe(0)
    expect(pumped(1, 3).evenings).toBeGreaterThan(0)
    // a kilowatt-hour a day either way
    expect(pumped(3, 3).servedWh / 365_000).toBeGreaterThan(0.99)
  })
})

describe('other sources', () => {
  const withSource = (watts: number, side: 'ac' | 'dc', sunW = 0, change: (d: Design) => void = () => {}) => {
    const design = tiny((d) => {
      d.loads = [{ ...d.loads[0], leg: 'A' }]
      change(d)
    })
    const hours = flatYear(Array(24).fill(sunW))
    const source = new Float64Array(8760).fill(watts)
    if (side === 'ac') hours.acSourceW = source
    else hours.dcSourceW = source
    const trace = emptyTrace()
    return { result: runYear(runPlan(design), hours, { trace }), trace }
  }

  it('on the AC side the house takes it without the inverter, what is over charges through it', () => {
    const { result } = withSource(100, 'ac')
    expect(result.servedWh).toBeCloseTo(876_000, 3)
    expect(result.losses.conversionWh).toBeCloseTo(0, 6)
    const half = withSource(60, 'ac').result
    expect(half.otherWh).toBeCloseTo(60 * 8760, 3)
    expect(half.unmetWh.must).toBeGreaterThan(0)
    const over = withSource(200, 'ac').result
    expect(over.curtailedWh).toBeGreaterThan(90 * 8000)
    expect(over.residualRelative).toBeLessThan(1e-9)
  })

  it('a full bank that was drawn down is filled from the AC side through the charger', () => {
    const { trace } = withSource(
      300,
      'ac',
      0,
      (d) => (d.loads[0].hourShape = d.loads[0].hourShape.map((_, h) => (h < 2 ? 1 : 0))),
    )
    expect(trace.stateOfCharge[1]).toBeLessThan(0.9)
    expect(trace.bankW[2]).toBeCloseTo(300 * 0.9 * 0.95, 2)
  })

  it('on the DC side it is taken before the sun', () => {
    const { result } = withSource(150, 'dc', 500)
    expect(result.arrayWh - result.curtailedWh).toBeLessThan(0)
    expect(result.unmetWh.must).toBe(0)
  })

  it('an AC source is held off while a generator carries the house', () => {
    const design = tiny((d) => {
      d.loads = [{ ...d.loads[0], leg: 'A', runningW: 400 }]
      d.generator = { ...d.generator, present: true, startStateOfCharge: 0.3, warmUpMin: 0 }
    })
    const hours = flatYear(Array(24).fill(0))
    hours.acSourceW = new Float64Array(8760).fill(50)
    const trace = emptyTrace()
    runYear(runPlan(design), hours, { trace })
    const at = trace.generatorW.findIndex((watts) => watts > 0)
    expect(trace.otherW[at]).toBe(0)
    expect(trace.otherW[at - 1]).toBeCloseTo(50, 6)
  })
})

describe('quarters of an hour', () => {
  it('keep the energy of every hour and bring a pump to its running watts', () => {
    const design = larkspurBench()
    const whole = runPlan(design).loads
    const quarters = runPlan({ ...design, winter: { ...design.winter, stepMin: 15 } }).loads
    for (const key of ['acMust', 'acShould', 'acCanWait', 'dc'] as const)
      for (let at = 0; at < whole[key].length; at++) {
        const mean = [0, 1, 2, 3].reduce((sum, part) => sum + quarters[key][at * 4 + part], 0) / 4
        expect(mean).toBeCloseTo(whole[key][at], 9)
      }
    expect(Math.max(...quarters.acMust)).toBeGreaterThan(1.5 * Math.max(...whole.acMust))
  })

  it('the ideal battery of the closed form lasts as long: 5120 Wh × 0.9 ÷ 100 W', () => {
    const design = tiny((d) => (d.winter.stepMin = 15))
    const result = runYear(runPlan(design), flatYear(Array(24).fill(0)))
    expect(result.shortHours.must).toBe(8760 - 46)
    expect(result.unmetWh.must).toBeCloseTo(8760 * 100 - 5120 * 0.9, 6)
  })
})
