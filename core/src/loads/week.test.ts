import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { gannetSkerry, larkspurBench } from '../design/samples.ts'
import type { Design, Load } from '../document/types.ts'
import { runPlan } from '../winter/plan.ts'
import { runYear } from '../winter/loop.ts'
import { flatYear, plainLoad, tiny } from '../winter/testDesigns.ts'
import { emptyTrace } from '../winter/year.ts'
import { dailyEnergy } from './energy.ts'
import { CYCLE_DAYS, firstOfCycle, inWeek, loadInWeek, weekShares } from './week.ts'
import { cellsOfLoads, loadsFromCells } from './table.ts'

const load = (change: Partial<Load>): Load => plainLoad({ runningW: 100, hoursPerDay: 2.4, ...change })
const SATURDAY = [0, 0, 0, 0, 0, 1, 0]
const WEEKEND = [0, 0, 0, 0, 1, 1, 1]
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0)

describe('on which days a load is used', () => {
  it.each([
    ['every day', { daysPerWeek: 7 }, null],
    ['a meter knows of no days', { basis: 'metered', daysPerWeek: 2 }, null],
    ['never', { daysPerWeek: 0 }, null],
    ['behind a store any day will do', { daysPerWeek: 2, storeDays: 3 }, null],
    ['on Saturdays', { daysPerWeek: 1, weekdays: SATURDAY }, [0, 0, 0, 0, 0, 7, 0]],
    ['metered, and only at weekends', { basis: 'metered', weekdays: WEEKEND }, [0, 0, 0, 0, 7 / 3, 7 / 3, 7 / 3]],
    ['a pack every Saturday', { basis: 'cycle', cyclesPerWeek: 1, weekdays: SATURDAY }, [0, 0, 0, 0, 0, 7, 0]],
    ['two packs every Saturday', { basis: 'cycle', cyclesPerWeek: 2, weekdays: SATURDAY }, [0, 0, 0, 0, 0, 7, 0]],
  ] as const)('%s', (_, change, week) => {
    expect(weekShares(load(change as unknown as Partial<Load>))?.slice(0, 7) ?? null).toEqual(week)
  })

  it('two and a half days a week are ten of four weeks, two or three in each, on days that are named', () => {
    const shares = weekShares(load({ daysPerWeek: 2.5, weekdays: WEEKEND }))!
    expect(shares.filter((share) => share > 0)).toEqual(Array(10).fill(2.8))
    for (let week = 0; week < 4; week++)
      expect([2, 3]).toContain(shares.slice(week * 7, week * 7 + 7).filter((share) => share > 0).length)
    expect(shares.every((share, day) => share === 0 || WEEKEND[day % 7] === 1)).toBe(true)
  })

  it('its mean is one, a day of use never less than the whole of it, and the rest of the list does not matter', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 7, noNaN: true }),
        fc.array(fc.integer({ min: 0, max: 1 }), { minLength: 7, maxLength: 7 }),
        fc.string(),
        (times, weekdays, id) => {
          const days = sum(weekdays)
          fc.pre(days > 0)
          const used = load({ id, daysPerWeek: Math.min(times, days), weekdays })
          const shares = weekShares(used)
          if (shares === null) return
          expect(sum(shares) / CYCLE_DAYS).toBeCloseTo(1, 9)
          const rare = used.daysPerWeek < 0.25
          for (const share of shares)
            if (share > 0 && !rare) expect(share).toBeGreaterThanOrEqual(7 / used.daysPerWeek - 1e-9)
          expect(weekShares({ ...used, name: 'another' })).toEqual(shares)
        },
      ),
    )
  })

  it('loads of the same days are drawn apart', () => {
    const drawn = Array.from({ length: 12 }, (_, i) => weekShares(load({ id: `load-${i}`, daysPerWeek: 2 }))!.join())
    expect(new Set(drawn).size).toBeGreaterThan(10)
  })

  it('each year of a run begins a day of the week later', () => {
    expect([0, 1, 2, 7, 28].map((year) => firstOfCycle(year) % 7)).toEqual([0, 1, 2, 0, 0])
    expect(new Set(Array.from({ length: 28 }, (_, year) => firstOfCycle(year))).size).toBe(28)
  })
})

describe('a household that is there at weekends', () => {
  const household = { weekdays: WEEKEND }
  it.each([
    ['what is stated a day is used on three of seven', { whenAway: false }, 240 * (3 / 7)],
    ['what is used on two days is used as before', { whenAway: false, daysPerWeek: 2 }, 240 * (2 / 7)],
    ['what was metered is what it was', { whenAway: false, basis: 'metered', meteredKWh: 7, meteredHours: 168 }, 1000],
    ['what goes on while away is not touched', { whenAway: true }, 240],
    ['what is used on Mondays only, never', { whenAway: false, weekdays: [1, 0, 0, 0, 0, 0, 0], daysPerWeek: 1 }, 0],
  ] as const)('%s', (_, change, wh) => {
    const used = loadInWeek(load(change as unknown as Partial<Load>), household)
    expect(dailyEnergy(used, 0)).toBeCloseTo(wh, 9)
  })

  it('standby is drawn on the days at home', () => {
    const idle = load({ standbyW: 7, whenAway: false, hoursPerDay: 0 })
    expect(dailyEnergy(loadInWeek(idle, household), 0)).toBeCloseTo((7 * 24 * 3) / 7, 9)
  })

  it('leaves a design alone where somebody is always there', () => {
    const design = larkspurBench()
    expect(inWeek(design)).toBe(design)
    expect(inWeek(gannetSkerry()).loads[1].weekdays).toEqual(WEEKEND)
  })
})

describe('the run draws real weeks', () => {
  /** Served by day of a year that begins on a Monday. */
  const days = (change: (design: Design) => unknown, index = 0) => {
    const design = tiny()
    design.bank.inParallel = 5
    change(design)
    const trace = emptyTrace()
    const result = runYear(runPlan(design), flatYear(Array(24).fill(400)), { trace, index })
    const asked = Array.from({ length: 365 }, (_, day) =>
      sum(
        Array.from(
          { length: 24 },
          (_, hour) => trace.mustW[day * 24 + hour] + trace.shouldW[day * 24 + hour] + trace.canWaitW[day * 24 + hour],
        ),
      ),
    )
    return { asked, result }
  }

  it('a load of Saturdays draws all of its week on that day', () => {
    const { asked } = days(({ loads }) => Object.assign(loads[0], { daysPerWeek: 1, weekdays: SATURDAY }))
    const quiet = Math.min(...asked)
    const busy = asked.map((wh, day) => (wh > quiet + 1 ? day % 7 : null)).filter((day) => day !== null)
    expect(new Set(busy)).toEqual(new Set([5]))
    expect(busy).toHaveLength(52)
  })

  it('in the next year Saturday comes a day sooner', () => {
    const saturdays = (index: number) => {
      const { asked } = days(({ loads }) => Object.assign(loads[0], { daysPerWeek: 1, weekdays: SATURDAY }), index)
      return asked.indexOf(Math.max(...asked))
    }
    expect([saturdays(0), saturdays(1), saturdays(6)]).toEqual([5, 4, 6])
  })

  it('nobody at home on weekdays: only what goes on while away is drawn, and nobody starts a generator by hand', () => {
    const { asked } = days(({ loads, household }) => {
      household.weekdays = WEEKEND
      loads.forEach((each) => (each.whenAway = false))
    })
    asked.forEach((wh, day) => expect(wh > 1).toBe(WEEKEND[day % 7] === 1))
  })

  it('two packs on one Saturday from a bank that holds half of them leave what must run short', () => {
    const design = larkspurBench()
    const pack: Partial<Load> = {
      basis: 'cycle',
      cycleWh: 22000,
      cycleDepth: 1,
      cycleChargerEfficiency: 0.85,
      cyclesPerWeek: 1,
      runningW: 4000,
      weekdays: SATURDAY,
      daysPerWeek: 1,
      priority: 'must',
      leg: 'AB',
      movable: false,
    }
    design.loads.push(load({ id: 'pack-1', ...pack }), load({ id: 'pack-2', ...pack }))
    design.generator.present = false
    const spread = {
      ...design,
      loads: design.loads.map((each) => ({ ...each, cyclesPerWeek: 7, cycleWh: 22000 / 7, weekdays: null })),
    }
    const short = (each: Design) => runYear(runPlan(each), flatYear(Array(24).fill(900))).shortHours.must
    expect(short(design)).toBeGreaterThan(50)
    expect(short(spread)).toBe(0)
  })
})

describe('days of the week in a table of loads', () => {
  it('are written by name and read back', () => {
    const cells = cellsOfLoads([load({ weekdays: WEEKEND, daysPerWeek: 2.5 }), load({})])
    expect(cells[1]).toContain('Fri Sat Sun')
    const { items, problems } = loadsFromCells(cells, (made) => `new-${made.length}`)
    expect(problems).toEqual([])
    expect(items.map(({ weekdays, daysPerWeek }) => [weekdays, daysPerWeek])).toEqual([
      [WEEKEND, 2.5],
      [null, load({}).daysPerWeek],
    ])
  })

  it.each([
    ['Saturday, sun', [0, 0, 0, 0, 0, 1, 1], 2],
    ['mo', [1, 0, 0, 0, 0, 0, 0], 1],
    // more than the three days the appliance list gives a saw
    ['mon tue wed thu fri', [1, 1, 1, 1, 1, 0, 0], 5],
  ])('%s is understood, and gives the number of days', (cell, weekdays, days) => {
    const { items } = loadsFromCells(
      [
        ['name', 'watts', 'on'],
        ['Table saw', '1400', cell],
      ],
      () => 'x',
    )
    expect(items[0]).toMatchObject({ weekdays, daysPerWeek: days })
  })

  it.each([
    [['name', 'on'], ['Saw', 'someday'], '“someday” must be days of the week'],
    [['name', 'on', 'days a week'], ['Saw', 'Sat', '3'], '3 are more than the one day that is named'],
  ])('%s, %s is told', (header, row, says) => {
    const { problems } = loadsFromCells([header, row], () => 'x')
    expect(problems.map(({ message }) => String(message)).join()).toContain(says)
  })
})
