import { describe, expect, it } from 'vitest'
import { MONTH_OF_DAY } from '../calendar/calendar.ts'
import { sunYear } from '../sun/geometry.ts'
import { quantile } from '../math/quantile.ts'
import { clearnessMaximum } from './clearness.ts'
import { clearSkyWM2, linkeTurbidity, monthlyClearness, monthSkies } from './climate.ts'
import { climateAt } from './climates.ts'
import { WeatherMaker } from './generate.ts'
import { usualInterannualPct } from './interannual.ts'
import { interannual, summariseWeather } from './summary.ts'

const DARK = [10, 11, 0, 1]

function made(
  count: number,
  id: string,
  latitudeDeg: number,
  elevationM: number,
  interannualPct: number | null = null,
) {
  const at = { latitudeDeg, longitudeDeg: 20, utcOffsetH: 1, elevationM }
  const climate = climateAt(id, latitudeDeg)
  const maker = new WeatherMaker({ latitudeDeg, interannualPct, ...climate }, sunYear(at), 181)
  return { climate, at, years: Array.from({ length: count }, (_, index) => maker.year(5, index)) }
}
const deviation = (values: readonly number[]) => {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1))
}

describe.each([
  // climate, spread of the winters' sun %, spread of January's days K, both from … to
  ['high-plateau', 36.7, 2000, [4, 6], [4, 10]],
  ['open-plains', 48, 600, [4, 6.5], [6, 10]],
  ['cold-valley', 48.2, 900, [9, 12], [6, 10]],
  ['northern-forest', 58, 200, [9, 12], [6, 10]],
  ['maritime-coast', 57.4, 20, [9, 12], [2, 4]],
] as const)('a thousand years of %s', (id, latitudeDeg, elevationM, sun, january) => {
  const { climate, years } = made(1000, id, latitudeDeg, elevationM)
  const summary = summariseWeather(years)

  it('differ between winters as records do, their monthly means and persistence as they were', () => {
    const { winterCv, monthlyCv } = interannual(years, DARK)
    expect(100 * winterCv).toBeGreaterThan(sun[0])
    expect(100 * winterCv).toBeLessThan(sun[1])
    for (const month of DARK) expect(monthlyCv[month]).toBeGreaterThan(winterCv)
    summary.monthlyGhiKWhM2Day.forEach((ghi, m) => {
      expect(Math.abs(ghi / climate.monthly[m].ghiKWhM2Day - 1), `month ${m}`).toBeLessThan(0.01)
    })
    const mean = climate.persistence.reduce((sum, lag) => sum + lag, 0) / 12
    expect(Math.abs(summary.lag1 - mean)).toBeLessThan(0.03)
  })

  it('bring the days of January as far about their mean as they are, and the record low nearly once in twenty', () => {
    const days = years.flatMap(({ airC, startDay }) =>
      Array.from({ length: 365 }, (_, day) => day)
        .filter((day) => MONTH_OF_DAY[(startDay + day) % 365] === 0)
        .map((day) => airC.subarray(day * 24, day * 24 + 24).reduce((sum, c) => sum + c, 0) / 24),
    )
    expect(deviation(days)).toBeGreaterThan(january[0])
    expect(deviation(days)).toBeLessThan(january[1])
    const lows = years.map(({ airC }) => airC.reduce((low, c) => Math.min(low, c), Infinity)).sort((a, b) => a - b)
    expect(lows[0]).toBeGreaterThanOrEqual(climate.recordLowC)
    expect(quantile(lows, 0.05) - climate.recordLowC).toBeLessThan(5)
    expect(quantile(lows, 0.5) - climate.recordLowC).toBeGreaterThan(2)
    summary.monthlyMeanC.forEach((c, m) =>
      expect(Math.abs(c - climate.monthly[m].meanC), `month ${m}`).toBeLessThan(0.35),
    )
  })

  it('let all the snow of the rows fall, more in one year and less in another', () => {
    const wanted = climate.monthly.reduce((sum, { snowfallCm }) => sum + snowfallCm, 0)
    const falls = years.map(({ snowfallCm }) => snowfallCm.reduce((sum, cm) => sum + cm, 0))
    const mean = falls.reduce((sum, each) => sum + each, 0) / years.length
    expect(Math.abs(mean / wanted - 1)).toBeLessThan(0.03)
    expect(deviation(falls) / mean).toBeGreaterThan(0.22)
    expect(deviation(falls) / mean).toBeLessThan(0.38)
  })
})

describe('snow falls on dull days, and not on the dullest only', () => {
  it('where they freeze', () => {
    const { years, at } = made(100, 'cold-valley', 48.2, 900)
    const { dailyExtraWhM2 } = sunYear(at)
    let [snowy, all, ranks, count] = [0, 0, 0, 0]
    for (const { snowfallCm, ghiWM2, startDay } of years) {
      // January of the run's year
      const days = Array.from({ length: 31 }, (_, i) => (365 - startDay + i) % 365)
      const sums = days.map((day) => ({
        clearness:
          ghiWM2.subarray(day * 24, day * 24 + 24).reduce((a, b) => a + b, 0) / dailyExtraWhM2[(startDay + day) % 365],
        snow: snowfallCm.subarray(day * 24, day * 24 + 24).reduce((a, b) => a + b, 0),
      }))
      sums.sort((a, b) => a.clearness - b.clearness)
      sums.forEach(({ clearness, snow }, rank) => {
        all += clearness / sums.length / 100
        if (snow <= 0) return
        snowy += clearness
        ranks += rank
        count++
      })
    }
    expect(snowy / count).toBeLessThan(0.8 * all)
    // the dullest days alone would have half their number as their mean rank
    expect(ranks / count).toBeGreaterThan(1.2 * (count / 100 / 2))
  })
})

describe('the spread of winters that is asked for', () => {
  it('is what comes out, above what the days make by themselves', () => {
    for (const pct of [8, 14]) {
      const { years } = made(400, 'open-plains', 48, 600, pct)
      expect(Math.abs(100 * interannual(years, DARK).winterCv - pct)).toBeLessThan(1.5)
    }
  })

  it('is usually less where it is bright', () => {
    expect(usualInterannualPct(0.6)).toBe(5)
    expect(usualInterannualPct(0.25)).toBe(10.5)
    expect(usualInterannualPct(0.4)).toBeGreaterThan(usualInterannualPct(0.44))
  })
})

describe('a clear sky', () => {
  // Ineichen & Perez (2002) at sea level and high up; overhead sun, TL 3
  it.each([
    [1, 0, 3, 1062.4],
    [0.5, 0, 3, 485.1],
    [1, 2000, 2, 1188.5],
  ])('cos z %s, %s m, TL %s: %s W/m²', (cosZenith, elevationM, linke, expected) => {
    expect(clearSkyWM2(cosZenith, 1361, elevationM, linke)).toBeCloseTo(expected, 0)
  })

  it('is brighter the higher and the drier it is, and lets a high plateau reach the published maximum', () => {
    expect(linkeTurbidity(-10, 0)).toBeLessThan(linkeTurbidity(20, 0))
    expect(linkeTurbidity(0, 2000)).toBeLessThan(linkeTurbidity(0, 0))
    const { monthly } = climateAt('high-plateau', 36.7)
    const december = (elevationM: number) => {
      const year = sunYear({ latitudeDeg: 36.7, longitudeDeg: -107.9, utcOffsetH: -7, elevationM })
      return monthSkies(year, monthly)[11].distribution!.maximum
    }
    const year = sunYear({ latitudeDeg: 36.7, longitudeDeg: -107.9, utcOffsetH: -7, elevationM: 2200 })
    const published = clearnessMaximum(monthlyClearness(year, monthly)[11])
    expect(december(2200)).toBeCloseTo(published, 6)
    expect(december(0)).toBeLessThan(december(2200))
  })
})
