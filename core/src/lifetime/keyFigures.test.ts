import { describe, expect, it } from 'vitest'
import { said } from '../units/words.ts'
import { copperDraw, larkspurBench, larkspurFlooded } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { bill } from '../money/bill.ts'
import { candidates } from '../suggest/candidates.ts'
import { keyFigures } from './keyFigures.ts'
import { WinterEngine } from '../winter/engine.ts'
import { PERCENTILES, summariseWinter, type Percentile, type WinterSummary } from '../winter/summary.ts'
import { type YearFigures } from '../winter/figures.ts'
import { verdict } from '../winter/verdict.ts'

const engine = new WinterEngine()
const YEARS = 12
const run = (design: Design): WinterSummary => summariseWinter(engine.run(design, { years: YEARS, seed: 7 }), design)

describe('what a summary says of its years', () => {
  const design = larkspurFlooded()
  const years = engine.run(design, { years: YEARS, seed: 7 })
  const summary = summariseWinter(years, design)
  const total = (months: readonly number[]) => months.reduce((sum, each) => sum + each, 0)
  const meanOf = (pick: (year: (typeof years)[number]) => number) =>
    years.reduce((sum, year) => sum + pick(year), 0) / YEARS

  it('each figure gets no better from the median to the worst', () => {
    const order = (Object.keys(PERCENTILES) as Percentile[]).sort((a, b) => PERCENTILES[a] - PERCENTILES[b])
    const worsens = (pick: (year: YearFigures) => number) =>
      order.slice(1).forEach((each, i) => expect(pick(summary[each])).toBeGreaterThanOrEqual(pick(summary[order[i]])))
    worsens((year) => year.generatorHours)
    worsens((year) => year.fuelL)
    worsens((year) => year.fuelBetweenTripsL)
    worsens((year) => year.longestSinceFullDays)
    worsens((year) => -year.lowestStateOfCharge)
    worsens((year) => -year.longestSpellDays)
    worsens((year) => -year.servedWh)
    worsens((year) => -year.equalisations)
  })

  it('the worst is the worst year there was', () => {
    expect(summary.worst.generatorHours).toBe(Math.max(...years.map((year) => year.generatorHours)))
    expect(summary.worst.lowestStateOfCharge).toBe(Math.min(...years.map((year) => year.lowestStateOfCharge)))
  })

  it('equalising charges are counted where they are asked for', () => {
    const without = larkspurFlooded()
    without.generator.equaliseEveryDays = null
    expect(run(without).worst.equalisations).toBe(0)
    const often = larkspurFlooded()
    often.generator.equaliseEveryDays = 60
    expect(run(often).worst.equalisations).toBeGreaterThanOrEqual(4)
    expect(run(often).median.equalisations).toBeLessThanOrEqual(6)
  })

  it('months and losses add up to the years', () => {
    expect(total(summary.months.servedKWh)).toBeCloseTo(meanOf((year) => year.servedWh) / 1000, 6)
    expect(total(summary.months.generatorKWh)).toBeCloseTo(meanOf((year) => year.generatorWh) / 1000, 6)
    expect(total(summary.months.generatorHours)).toBeCloseTo(
      meanOf((year) => year.generatorHours),
      6,
    )
    expect(total(summary.months.fuelL)).toBeCloseTo(
      meanOf((year) => year.fuelL),
      6,
    )
    expect(total(Object.values(summary.losses))).toBeCloseTo(
      meanOf((year) => year.lossesWh),
      3,
    )
    summary.months.toBankKWh.forEach((kWh, month) => expect(kWh).toBeLessThanOrEqual(summary.months.arrayKWh[month]))
  })

  it('a set works at no more than the share of its power that is planned on', () => {
    expect(summary.generatorLoading).toBeGreaterThan(0.2)
    expect(summary.generatorLoading).toBeLessThanOrEqual(design.generator.loadShareLimit)
  })

  it('days full by noon are days of their month', () => {
    const days = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
    summary.months.fullByNoonDays.forEach((full, month) => expect(full).toBeLessThanOrEqual(days[month]))
    expect(summary.months.fullByNoonDays[6]).toBeGreaterThan(summary.months.fullByNoonDays[11])
  })

  it('without a backup nothing of it is in the figures', () => {
    const none = { ...larkspurBench(), generator: { ...larkspurBench().generator, present: false } }
    const { median, generatorLoading, fullToStartDays } = run(none)
    expect([median.generatorHours, median.fuelL, generatorLoading, fullToStartDays]).toEqual([0, 0, 0, 0])
    expect(said(verdict(none, run(none)))).not.toContain('needs help')
    const backed = run(larkspurBench())
    expect(backed.fullToStartDays).toBeGreaterThan(0)
    expect(said(verdict(larkspurBench(), backed))).toMatch(/and needs help \d+(\.\d)? days after it was last full/)
  })
})

describe('variants side by side', () => {
  const design = larkspurBench()
  const figures = keyFigures(design, run(design))
  const of = (id: string) => figures.find((figure) => figure.id === id)!

  it('sizes and money are those of the design', () => {
    // 6 units of 51.2 V and 100 Ah; 14 modules of 415 W
    expect(of('bank').value).toBeCloseTo(30_720, 6)
    expect(of('bank-ah').value).toBeCloseTo(600, 6)
    expect(of('array').value).toBe(5810)
    expect(of('price')).toMatchObject({ value: bill(design).total, unit: 'USD' })
  })

  it('the rest is of the run, with its good side said', () => {
    const summary = run(design)
    expect(of('generator').value).toBe(summary.median.generatorHours)
    expect(of('generator-bad').value).toBe(summary.oneInTen.generatorHours)
    expect(of('running').value).toBeCloseTo(summary.median.fuelL * design.generator.fuelPricePerL, 9)
    expect(of('lowest').better).toBe('more')
    expect(of('price').better).toBe('less')
  })

  it('every variant has the same figures in the same order', () => {
    const other = larkspurFlooded()
    expect(keyFigures(other, run(other)).map(({ id }) => id)).toEqual(figures.map(({ id }) => id))
  })
})

describe('the changes that are tried', () => {
  const ids = (design: Design) => candidates(design).map(({ id }) => id)
  const changed = (make: () => Design, change: (design: Design) => void) => {
    const design = make()
    change(design)
    return design
  }

  it.each<[string, Design, string, boolean]>([
    ['a bigger charger by the next inverter', larkspurBench(), 'charger', true],
    [
      'one of its own by half as much again',
      changed(larkspurBench, (d) => (d.generator.charger = 'separate')),
      'charger',
      true,
    ],
    [
      'turned up where it was turned down',
      changed(larkspurBench, (d) => (d.generator.chargeLimitA = 40)),
      'charger',
      true,
    ],
    ['no charger without a backup', changed(larkspurBench, (d) => (d.generator.present = false)), 'charger', false],
    ['no charger for a vehicle', changed(larkspurBench, (d) => (d.generator.kind = 'vehicle')), 'charger', false],
    ['a load moved into the sun', larkspurBench(), 'move-load-14', true],
    ['snow brushed sooner', larkspurBench(), 'brush', true],
    ['not where it is brushed at once', changed(larkspurBench, (d) => (d.place.brushSnowDays = 1)), 'brush', false],
    ['another chemistry', copperDraw(), 'chemistry', true],
  ])('%s', (_, design, id, there) => expect(ids(design).includes(id)).toBe(there))

  it('the levels a generator runs between are moved by as much as is said', () => {
    const design = larkspurBench()
    Object.assign(design.generator, { startStateOfCharge: 0.4, stopStateOfCharge: 0.9 })
    const levels = (id: string) => candidates(design).find((each) => each.id === id)!.design.generator
    expect(levels('start-later').startStateOfCharge).toBeCloseTo(0.3, 12)
    expect(levels('stop-sooner').stopStateOfCharge).toBeCloseTo(0.7, 12)
  })

  it('each changes one thing and leaves the design it came from alone', () => {
    const design = larkspurBench()
    const before = JSON.stringify(design)
    for (const { design: other, id } of candidates(design)) {
      expect(JSON.stringify(other), id).not.toBe(before)
      expect(other.place.monthly).toEqual(design.place.monthly)
    }
    expect(JSON.stringify(design)).toBe(before)
    const separate = changed(larkspurBench, (d) => (d.generator.charger = 'separate'))
    const charger = candidates(separate).find(({ id }) => id === 'charger')!
    expect(charger.design.generator.separateChargerA).toBe(60)
  })
})
