import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { gannetSkerry, larkspurBench, larkspurMoreSun } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { structuredCloneOf } from '../parts/shelf.ts'
import { bill } from '../money/bill.ts'
import { lifeCycle } from '../money/reckoning.ts'
import { said } from '../units/words.ts'
import { WinterEngine } from '../winter/engine.ts'
import { summariseWinter } from '../winter/summary.ts'
import { bankWear } from '../winter/yields.ts'
import { costOverLife } from './costOverLife.ts'
import { costFigures } from './keyFigures.ts'
import { lifeOf, type LifeRun } from './life.ts'
import { lifeSheets } from './sheets.ts'
import { everySoOften, leftAfter, paysBackAfter, wayOf } from './way.ts'
import { otherWays } from './ways.ts'
import { atOnce } from '../math/pieces.ts'

const engine = new WinterEngine()
const YEARS = 5
const run = (design: Design): LifeRun => ({
  winter: summariseWinter(engine.run(design, { years: YEARS, seed: 7 }), design),
  bankLife: atOnce(bankWear(engine, design, 2)),
})
const changed = (make: () => Design, change: (design: Design) => void): Design => {
  const design = structuredCloneOf(make())
  change(design)
  return design
}

/** A run that burns, serves and wears in round figures, so that a life can be reckoned by hand. */
function roundRun(
  design: Design,
  of: { fuelL: number; hours: number; servedKWh: number; unmetKWh?: number; bankYears: number },
): LifeRun {
  const real = run(design)
  const monthly = (sum: number) => Array.from({ length: 12 }, () => sum / 12)
  return {
    winter: {
      ...real.winter,
      months: {
        ...real.winter.months,
        fuelL: monthly(of.fuelL),
        generatorHours: monthly(of.hours),
        generatorKWh: monthly(0),
        gridKWh: monthly(0),
        servedKWh: monthly(of.servedKWh),
        unmetKWh: monthly(of.unmetKWh ?? 0),
      },
    },
    bankLife: { ...real.bankLife, years: of.bankYears },
  }
}

/** A house whose every price is round: bank 4000, array 1400, controller 500, inverter 1000, generator 800, no materials counted. */
const priced = (change: (design: Design) => void = () => {}) =>
  changed(larkspurBench, (design) => {
    const { bank, arrays, controllers, inverter, generator, budget } = design
    bank.part.price = 4000 / (bank.inSeries * bank.inParallel)
    arrays[0].module.price = 1400 / (arrays[0].inSeries * arrays[0].inParallel)
    controllers[0].part.price = 500
    inverter.part.price = 1000
    generator.part.price = 800
    generator.fuelPricePerL = 2
    generator.oilEveryH = 100
    Object.assign(budget, { taxPct: 0, freight: 0, labour: 0, discount: 0, contingencyPct: 0, extras: [] })
    budget.life = {
      years: 20,
      discountPct: 0,
      energyRisePct: 0,
      electronicsYears: 12,
      pumpYears: 10,
      moduleYears: 40,
      generatorHours: 1000,
      oilChange: 30,
      yearly: 40,
      endValue: true,
    }
    change(design)
  })
const lifeBy = (design: Design, of: Parameters<typeof roundRun>[1]) =>
  lifeOf(design, { bill: bill(design, []), run: roundRun(design, of) })
const HAND = { fuelL: 150, hours: 100, servedKWh: 2000, bankYears: 8 }

describe('a life by hand', () => {
  it('undiscounted: bought, burnt, changed, renewed, and what is left', () => {
    const life = lifeBy(priced(), HAND)
    // 4000 + 1400 + 500 + 1000 + 800
    expect(life.first).toBe(7700)
    expect(life.fuel).toBe(300)
    expect(life.upkeepYearly).toBe(30 + 40)
    const of = (key: string) => life.wearing.find((each) => each.key === key)!
    expect(of('bank').bought.map(({ year }) => year)).toEqual([8, 16])
    expect(of('inverter').bought.map(({ year }) => year)).toEqual([12])
    // 1000 h at 100 h a year
    expect(of('generator').bought[0].year).toBeCloseTo(10, 9)
    expect(of('array-1').bought).toEqual([])
    // bank: 4 of 8 years left; electronics 4 of 12; modules 20 of 40; generator none
    expect(of('bank').left).toBe(2000)
    expect(of('inverter').left).toBeCloseTo(1000 / 3, 9)
    expect(of('array-1').left).toBe(700)
    expect(of('generator').left).toBeCloseTo(0, 9)
    const renewed = 2 * 4000 + 1500 + 800
    const left = 2000 + 1500 / 3 + 700
    expect(life.presentValue).toBeCloseTo(7700 + 20 * (300 + 70) + renewed - left, 6)
    expect(life.costPerKWh).toBeCloseTo(life.presentValue / 40000, 9)
    expect(life.paid[20]).toBeCloseTo(life.presentValue + left, 6)
  })

  it('discounted and with fuel that rises, year by year', () => {
    const design = priced(({ budget }) =>
      Object.assign(budget.life, { discountPct: 5, energyRisePct: 2, endValue: false }),
    )
    const life = lifeBy(design, HAND)
    let sum = 7700
    for (let year = 1; year <= 20; year++) sum += (300 * 1.02 ** year + 70) / 1.05 ** year
    for (const [year, cost] of [
      [8, 4000],
      [16, 4000],
      [12, 1500],
      [10, 800],
    ])
      sum += cost / 1.05 ** year
    expect(life.presentValue).toBeCloseTo(sum, 6)
    expect(life.endValue).toBe(0)
  })

  it('what is replaced costs its own price with its tax, whatever a discount or a kit took off the first', () => {
    const design = priced(({ budget }) => {
      budget.taxPct = 10
      budget.kits = [
        {
          id: 'kit-1',
          name: 'Kit',
          price: 3000,
          of: [
            { key: 'bank', quantity: 6 },
            { key: 'inverter', quantity: 1 },
          ],
        },
      ]
    })
    const life = lifeBy(design, HAND)
    expect(life.first).toBeCloseTo((7700 - 5000 + 3000) * 1.1, 6)
    expect(life.wearing.find(({ key }) => key === 'bank')!.cost).toBeCloseTo(4400, 6)
  })

  it('a generator that hardly runs is renewed by its age', () => {
    const { wearing } = lifeBy(
      priced(({ budget }) => (budget.life.years = 30)),
      { ...HAND, hours: 2 },
    )
    expect(wearing.find(({ key }) => key === 'generator')!.bought.map(({ year }) => year)).toEqual([25])
  })

  it('a phase that comes later is paid later, in the year of its day', () => {
    const design = priced(({ budget }) => {
      budget.buyOn = '2027-01-01'
      budget.phases = [{ id: 'phase-1', name: 'Then', buyOn: '2030-01-01' }]
      budget.priced = [{ ...larkspurMoreSun().budget.priced[0], key: 'generator', phase: 'phase-1' }]
    })
    const life = lifeBy(design, HAND)
    expect(life.first).toBe(6900)
    expect(life.later).toHaveLength(1)
    expect(life.later[0].cost).toBe(800)
    expect(life.later[0].year).toBeCloseTo(3, 2)
  })

  it('its sheets come to its figures', () => {
    const design = priced(({ budget }) => Object.assign(budget.life, { discountPct: 4, energyRisePct: 1 }))
    const life = lifeBy(design, HAND)
    const { present, perKWh, perUsableKWh } = lifeSheets(design, life)
    expect(present.terms.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo(life.presentValue, 6)
    expect(perKWh.terms[0].value / perKWh.terms[1].value).toBeCloseTo(life.costPerKWh!, 9)
    expect((1000 * perUsableKWh.terms[0].value) / perUsableKWh.terms[1].value).toBeCloseTo(life.bankPerUsableKWh!, 9)
  })
})

describe('a way over its years', () => {
  const terms = { years: 10, discountPct: 4, energyRisePct: 0 }
  it('is the life cycle of the published method where prices do not rise', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.double({ min: 0, max: 1e4, noNaN: true }),
        fc.array(
          fc.record({
            year: fc.double({ min: 0.1, max: 10, noNaN: true }),
            cost: fc.double({ min: 0, max: 1e4, noNaN: true }),
          }),
          { maxLength: 6 },
        ),
        (first, yearly, dated) => {
          const way = wayOf(
            { first, energyYearly: yearly, upkeepYearly: yearly, dated, endValue: first / 3, kWhPerYear: 500 },
            terms,
          )
          const own = lifeCycle({
            years: 10,
            discountRate: 0.04,
            firstCost: first,
            yearlyCost: 2 * yearly,
            replacements: dated,
            endValue: first / 3,
            kWhPerYear: 500,
          })
          expect(way.presentValue).toBeCloseTo(own.presentValue, 4)
          expect(way.costPerKWh).toBeCloseTo(own.costPerKWh!, 6)
          // what was paid never falls, and ends at the present value with what is left
          way.paid.slice(1).forEach((paid, i) => expect(paid).toBeGreaterThanOrEqual(way.paid[i] - 1e-9))
          expect(way.paid[10]).toBeCloseTo(own.presentValue + (first / 3) * 1.04 ** -10, 4)
        },
      ),
      { numRuns: 60 },
    )
  })
  it.each([
    ['crosses once', [100, 110, 120], [0, 100, 200], 1 + 10 / 90],
    ['is cheaper all along', [0, 1, 2], [5, 6, 7], 0],
    ['never is', [100, 100], [0, 50], null],
    ['is for a while, and then not', [10, 10, 100], [0, 50, 60], null],
    ['is, is not, and then is', [10, 10, 90, 90], [0, 50, 60, 120], 2.5],
  ])('pays back when it %s', (_, paid, other, years) => {
    const found = paysBackAfter(paid, other)
    if (years === null) expect(found).toBeNull()
    else expect(found).toBeCloseTo(years, 9)
  })
  it('buys again within the years, never at their end', () => {
    expect(everySoOften(8, 25, 1).map(({ year }) => year)).toEqual([8, 16, 24])
    expect(everySoOften(5, 25, 1)).toHaveLength(4)
    expect(leftAfter(8, 25)).toBeCloseTo(7 / 8, 9)
    expect(leftAfter(5, 25)).toBe(0)
    expect(leftAfter(40, 25)).toBeCloseTo(15 / 40, 9)
  })
})

describe('other ways', () => {
  const design = priced(({ budget }) => {
    budget.others = {
      gridQuote: 6000,
      gridMonthly: 10,
      gridPerKWh: 0.5,
      generatorHoursPerDay: 10,
      unitPrice: 900,
      unitKWhPerDay: 2,
      unitYears: 6,
      nothingYearly: 700,
    }
  })
  const waysOf = (of: Design) => {
    const own = bill(of, [])
    const life = lifeOf(of, { bill: own, run: roundRun(of, HAND) })
    return { life, ways: otherWays(of, { bill: own, life, wantedKWh: 2190 }) }
  }
  const way = (of: Design, id: string) => waysOf(of).ways.find((each) => each.id === id)!

  it('the grid: its quote, twelve months, and every kilowatt-hour that is wanted', () => {
    expect(way(design, 'grid').presentValue).toBeCloseTo(6000 + 20 * (120 + 2190 * 0.5), 6)
  })
  it('a generator alone: fuel by its line at the mean load, oil, and a new one when it is worn', () => {
    const { energyYearly, upkeepYearly, first, dated } = way(design, 'generator')
    // 3650 h at 600 W: (0.16 · 7 + 0.4 · 0.6) L/h
    expect(energyYearly).toBeCloseTo(3650 * (0.16 * 7 + 0.4 * 0.6) * 2, 6)
    expect(upkeepYearly).toBe(37 * 30)
    expect(first).toBe(800)
    expect(dated).toHaveLength(Math.ceil((20 * 3650) / 1000) - 1)
  })
  it('a power unit: no more than it gives, anew when its cells are done', () => {
    const unit = way(design, 'unit')
    expect(unit.kWhPerYear).toBe(730)
    expect(unit.dated.map(({ year }) => year)).toEqual([6, 12, 18])
    expect(unit.endValue).toBeCloseTo(900 * (1 - 2 / 6), 9)
  })
  it('as things are: what is paid goes on, and nothing is served', () => {
    expect(way(design, 'nothing')).toMatchObject({ presentValue: 14000, costPerKWh: null })
  })
  it('pays back where it does, and says never where it does not', () => {
    const { life } = waysOf(design)
    const grid = way(design, 'grid')
    // 7700 against 6000, and 370 a year against 1215 until the bank is bought again in the eighth year
    expect(grid.payback).toBeCloseTo(1700 / 845, 2)
    expect(life.paid[3]).toBeLessThan(grid.paid[3])
    const dear = priced(
      ({ budget }) => (budget.others = { ...design.budget.others, gridQuote: 0, gridMonthly: 0, gridPerKWh: 0.01 }),
    )
    expect(way(dear, 'grid').payback).toBeNull()
  })
  it('what would be bought anyway is left out of the years', () => {
    const anyway = priced(({ budget }) => {
      budget.others = design.budget.others
      budget.priced = [{ ...larkspurMoreSun().budget.priced[0], key: 'generator', status: 'anyway' }]
    })
    expect(bill(anyway, []).total).toBe(bill(design, []).total)
    expect(bill(anyway, []).anyway).toBe(800)
    expect(way(anyway, 'grid').payback!).toBeCloseTo(900 / 845, 2)
  })
  it('are none where nobody put a price to them', () => {
    const bare = priced(({ generator }) => (generator.fuelPricePerL = 0))
    bare.budget.others = { ...bare.budget.others, gridQuote: null, unitPrice: null, nothingYearly: null }
    expect(waysOf(bare).ways).toEqual([])
  })
  it('a generator too small for the house is no way', () => {
    const small = priced(({ generator, budget }) => {
      generator.part.ratedW = 600
      budget.others = { ...design.budget.others, generatorHoursPerDay: 4 }
    })
    expect(way(small, 'generator')).toBeUndefined()
  })
  it('say what they are reckoned with', () => {
    expect(said(way(design, 'grid').says)).toContain('6000 USD to bring it in')
  })
})

describe('all of it over the run', () => {
  it('of a phased variant: what each phase gives, with more array later fewer hours', async () => {
    const shares: number[] = []
    const found = (await costOverLife(larkspurMoreSun(), run, (share) => shares.push(share) > 0))!
    expect(found.phases.map(({ name }) => name)).toEqual(['Now', 'Second row'])
    const [now, then] = found.phases
    expect(now.gives!.generatorHours).toBeGreaterThan(then.gives!.generatorHours)
    expect(now.sum).toBe(bill(larkspurMoreSun()).total)
    expect(found.life.dated.some(({ cost }) => cost === then.sum)).toBe(true)
    expect(shares[shares.length - 1]).toBe(1)
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
  })
  it('one more string of batteries saves fuel and is weighed against it', async () => {
    const { life, moreBattery } = (await costOverLife(larkspurMoreSun(), run))!
    expect(moreBattery!.price).toBeGreaterThan(larkspurMoreSun().bank.part.price)
    expect(moreBattery!.litresSaved).toBeGreaterThan(0)
    expect(moreBattery!.savedYearly).toBeCloseTo(
      moreBattery!.litresSaved * larkspurMoreSun().generator.fuelPricePerL,
      6,
    )
    expect(life.presentValue).toBeGreaterThan(0)
  })
  it('one more string costs the same whether the bank is bought now or later', async () => {
    const bench = larkspurBench()
    const later = changed(larkspurBench, ({ budget }) => {
      budget.priced = [{ ...larkspurMoreSun().budget.priced[0], key: 'bank' }]
    })
    const [now, then] = [await costOverLife(bench, run), await costOverLife(later, run)]
    expect(now!.moreBattery!.price).toBeGreaterThan(bench.bank.part.price)
    // tax and contingency are rounded phase by phase
    expect(Math.abs(then!.moreBattery!.price - now!.moreBattery!.price)).toBeLessThan(0.05)
  })
  it('is cancelled between two runs', async () => {
    let runs = 0
    const found = await costOverLife(
      larkspurMoreSun(),
      (each) => (runs++, run(each)),
      () => false,
    )
    expect(found).toBeNull()
    expect(runs).toBe(1)
  })
  it('without a backup no battery is weighed against its fuel', async () => {
    const design = changed(gannetSkerry, ({ generator }) => (generator.present = false))
    expect((await costOverLife(design, run))!.moreBattery).toBeNull()
  })
  it('the figures of a comparison are those of the life', () => {
    const design = larkspurBench()
    const own = run(design)
    const life = lifeOf(design, { bill: bill(design), run: own })
    const figures = new Map(costFigures(design, own).map(({ id, value }) => [id, value]))
    expect(figures.get('life')).toBe(life.presentValue)
    expect(figures.get('now')).toBe(bill(design).total)
    expect(figures.get('per-kwh')).toBe(life.costPerKWh)
  })
})
