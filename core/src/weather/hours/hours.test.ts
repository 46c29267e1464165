import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../../design/samples.ts'
import type { Design } from '../../document/types.ts'
import { HOURS } from '../../calendar/calendar.ts'
import { sunYear } from '../../sun/geometry.ts'
import { WinterEngine } from '../../winter/engine.ts'
import { climateAt } from '../climates.ts'
import { HOURLY_CAP, WeatherMaker, type WeatherYear } from '../generate.ts'
import { dayTotal } from '../summary.ts'
import { fitClimate } from './fit.ts'
import type { HourlySeries } from './series.ts'
import { ImportedYears } from './years.ts'
import { atOnce } from '../../math/pieces.ts'

const place = { latitudeDeg: 48.2, longitudeDeg: -115.4, utcOffsetH: -7 }
const sun = sunYear(place)
const climate = climateAt('cold-valley', 48.2)
const source = { latitudeDeg: 48.2, interannualPct: null, ...climate }

/** Made years put in a row as if they had been imported. */
function seriesOf(years: readonly WeatherYear[], change: Partial<HourlySeries> = {}): HourlySeries {
  const row = (pick: (year: WeatherYear) => Float32Array) => {
    const out = new Float32Array(years.length * HOURS)
    years.forEach((year, i) => out.set(pick(year), i * HOURS))
    return out
  }
  return {
    firstDay: years[0].startDay,
    years: years.length,
    utcOffsetH: place.utcOffsetH,
    ghiWM2: row((year) => year.ghiWM2),
    airC: row((year) => year.airC),
    dhiWM2: null,
    windMS: row((year) => year.windMS),
    snowfallCm: row((year) => year.snowfallCm),
    ...change,
  }
}
const made = (count: number, startDay = 0) => {
  const maker = new WeatherMaker(source, sun, startDay)
  return Array.from({ length: count }, (_, index) => maker.year(5, index))
}

describe('what imported hours say', () => {
  const fitted = fitClimate(seriesOf(made(60)), sun, { windMS: 9, snowfallCm: Array(12).fill(99) })

  it.each(climate.monthly.map((row, month) => [month, row] as const))('month %i: its means', (month, row) => {
    const got = fitted.monthly[month]
    expect(Math.abs(got.ghiKWhM2Day / row.ghiKWhM2Day - 1)).toBeLessThan(0.02)
    expect(Math.abs(got.meanC - row.meanC)).toBeLessThan(0.4)
    expect(got.minC).toBeLessThan(got.meanC)
    expect(got.maxC).toBeGreaterThan(got.meanC)
  })

  it('its persistence, the clearness having been bent by the clear sky', () => {
    fitted.persistence.forEach((value, month) => {
      expect(Math.abs(value - climate.persistence[month]), `month ${month}`).toBeLessThan(0.08)
    })
    const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / 12
    expect(Math.abs(mean(fitted.persistence) - mean(climate.persistence))).toBeLessThan(0.03)
  })

  it('its wind and snow, or what stands in for them', () => {
    expect(fitted.windMS).toBeCloseTo(climate.windMS, 0)
    expect(Math.abs(fitted.monthly[0].snowfallCm / climate.monthly[0].snowfallCm - 1)).toBeLessThan(0.05)
    const bare = seriesOf(made(1), { windMS: null, snowfallCm: null })
    const without = fitClimate(bare, sun, { windMS: 9, snowfallCm: Array(12).fill(99) })
    expect([without.windMS, without.monthly[3].snowfallCm]).toEqual([9, 99])
  })

  it('gives every month a persistence in polar night', () => {
    const arctic = { latitudeDeg: 78, longitudeDeg: 15, utcOffsetH: 1 }
    const night = sunYear(arctic)
    const polar = { latitudeDeg: 78, interannualPct: null, ...climateAt('northern-forest', 78) }
    const year = new WeatherMaker(polar, night, 0).year(1, 0)
    const got = fitClimate(seriesOf([year]), night, { windMS: 2, snowfallCm: Array(12).fill(0) })
    expect(got.persistence.every((value) => value >= 0 && value <= 0.9)).toBe(true)
    expect(got.monthly[11].ghiKWhM2Day).toBe(0)
  })
})

describe('imported years in a run', () => {
  const years = made(3)
  const at = (year: number, day: number, hour: number) => year * HOURS + day * 24 + hour

  it('start on the run’s own day and go on from the last to the first', () => {
    const series = seriesOf(years)
    const imported = new ImportedYears(series, source, sun, 181, -7)
    for (const [index, year] of [0, 1, 2, 3].entries()) {
      const got = imported.year(1, index)
      expect(got.startDay).toBe(181)
      expect(got.airC[12]).toBe(series.airC[at(year % 3, 181, 12)])
      expect(got.airC[at(0, 184, 5)]).toBe(series.airC[at((year + 1) % 3, 0, 5)])
    }
  })

  it('are moved from the clock of the file to that of the place', () => {
    const series = seriesOf(years, { utcOffsetH: 0 })
    const got = new ImportedYears(series, source, sun, 0, -7).year(1, 0)
    expect(got.airC[0]).toBe(series.airC[7])
    expect(() => new ImportedYears(series, source, sun, 0, 5.5)).toThrow('utcOffsetH 5.5 must differ by whole hours')
  })

  it('never pass the extraterrestrial energy of the hour', () => {
    const series = seriesOf(years, { ghiWM2: new Float32Array(3 * HOURS).fill(900) })
    const got = new ImportedYears(series, source, sun, 181, -7).year(1, 0)
    got.ghiWM2.forEach((ghi, i) => {
      if (ghi > HOURLY_CAP * sun.extraWhM2[(181 * 24 + i) % HOURS] + 1e-3) expect.fail(`hour ${i}`)
    })
  })

  it('have the month’s snow where the file holds none, the same for a seed', () => {
    const imported = new ImportedYears(seriesOf(years, { snowfallCm: null }), source, sun, 181, -7)
    const snow = (seed: number) => {
      const year = imported.year(seed, 0)
      return Array.from({ length: 31 }, (_, day) => dayTotal(year.snowfallCm, 184 + day)).reduce((a, b) => a + b, 0)
    }
    const mean = Array.from({ length: 200 }, (_, seed) => snow(seed)).reduce((a, b) => a + b, 0) / 200
    expect(Math.abs(mean / climate.monthly[0].snowfallCm - 1)).toBeLessThan(0.08)
    expect(imported.year(1, 0).snowfallCm).toEqual(imported.year(1, 0).snowfallCm)
    expect(imported.year(2, 0).snowfallCm).not.toEqual(imported.year(1, 0).snowfallCm)
  })

  const onFile = (change: (design: Design) => void = () => {}): Design => {
    const design = larkspurBench()
    const series = seriesOf(years)
    const fitted = fitClimate(series, sun, { windMS: 2, snowfallCm: Array(12).fill(0) })
    design.place.hours = { ...fitted, fileId: 'file', name: 'made', years: 3, utcOffsetH: -7 }
    design.place.source = 'hours'
    change(design)
    return design
  }

  it('run a design for as many years as there are, energy in balance', () => {
    const engine = new WinterEngine()
    expect(() => engine.run(onFile(), { years: 2, seed: 1 })).toThrow('the hours of this weather file are not loaded')
    engine.provide('file', seriesOf(years))
    const results = engine.run(onFile(), { years: 30, seed: 1 })
    expect(results).toHaveLength(3)
    for (const result of results) expect(result.residualRelative).toBeLessThan(1e-9)
  })

  it('switch with their source, and back again to the same winters', () => {
    const engine = new WinterEngine()
    engine.provide('file', seriesOf(years))
    const hours = (design: Design) => engine.run(design, { years: 3, seed: 1 }).map((year) => year.generatorHours)
    const before = hours(onFile((d) => (d.place.source = 'monthly')))
    const asTheyWere = hours(onFile())
    const fitted = hours(onFile((d) => (d.place.source = 'fitted')))
    expect(asTheyWere).not.toEqual(before)
    expect(fitted).not.toEqual(before)
    expect(hours(onFile((d) => (d.place.source = 'monthly')))).toEqual(before)
  })

  it('measured diffuse is used in place of the model', () => {
    const engine = new WinterEngine()
    const design = onFile()
    const [array] = design.arrays
    const sum = (series: HourlySeries) => {
      engine.provide('file', series)
      return engine.planeOf(design, array, 1, 0).reduce((a, b) => a + b, 0)
    }
    const modelled = sum(seriesOf(years))
    const allDiffuse = sum(seriesOf(years, { dhiWM2: seriesOf(years).ghiWM2.slice() }))
    expect(allDiffuse).toBeLessThan(modelled)
  })

  it('other hours under the same name are seen by an engine and by one beside it', () => {
    const engine = new WinterEngine()
    const beside = engine.beside()
    const dim = seriesOf(years, { ghiWM2: seriesOf(years).ghiWM2.map((watts) => watts / 2) })
    const curtailed = (each: WinterEngine) => each.year(onFile(), 1, 0).curtailedWh
    engine.provide('file', seriesOf(years))
    const [bright] = [curtailed(engine), curtailed(beside)]
    engine.provide('file', dim)
    const fresh = new WinterEngine()
    fresh.provide('file', dim)
    expect(curtailed(fresh)).toBeLessThan(bright)
    expect([curtailed(beside), curtailed(engine)]).toEqual([curtailed(fresh), curtailed(fresh)])
  })

  it('what horizon and snow take never adds sun', () => {
    const engine = new WinterEngine()
    const design = larkspurBench()
    const left = atOnce(engine.sunLeft(design, design.arrays[0], 7, 4))
    for (let month = 0; month < 12; month++) {
      expect(left.horizonKWhM2[month]).toBeLessThanOrEqual(left.openKWhM2[month] + 1e-9)
      expect(left.snowKWhM2[month]).toBeLessThanOrEqual(left.horizonKWhM2[month] + 1e-9)
    }
    expect(left.snowKWhM2[0]).toBeLessThan(left.horizonKWhM2[0])
    expect(left.snowKWhM2[6]).toBeCloseTo(left.horizonKWhM2[6], 9)
  })
})
