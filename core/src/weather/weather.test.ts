import { quantile } from '../math/quantile.ts'
import { describe, expect, it } from 'vitest'
import { bestTilt, monthlyPlane } from '../plane/monthly.ts'
import { TiltedPlane, type Surface } from '../plane/plane.ts'
import { MONTH_OF_DAY } from '../calendar/calendar.ts'
import { diffuseModifiers } from '../sun/planeOfArray.ts'
import { sunYear } from '../sun/geometry.ts'
import { clearnessCumulative, clearnessDistribution, clearnessQuantile } from './clearness.ts'
import { smoothDaily } from './climate.ts'
import { climateAt, ILLUSTRATIVE_CLIMATES } from './climates.ts'
import { dailySums, darkSpells } from '../plane/darkSpells.ts'
import { fitPersistence } from './fitPersistence.ts'
import { WeatherMaker, type WeatherYear } from './generate.ts'
import { seasonOfMonths } from './season.ts'
import { hideUnderSnow, snowOnGround } from './snow.ts'
import { dayTotal, summariseWeather } from './summary.ts'

const valley = { latitudeDeg: 48.2, longitudeDeg: -115.4, utcOffsetH: -7 }
const sun = sunYear(valley)
const climate = { latitudeDeg: 48.2, interannualPct: null, ...climateAt('cold-valley', 48.2) }

function make(years: number, seed: number, persistence = climate.persistence): WeatherYear[] {
  const maker = new WeatherMaker({ ...climate, persistence }, sun, seasonOfMonths(48.2, climate.monthly).startDay)
  return Array.from({ length: years }, (_, index) => maker.year(seed, index))
}

describe('distribution of daily clearness', () => {
  // Bendt et al. (1981)
  it.each([
    [0.3, -2.125],
    [0.5, 2.272],
  ])('mean %s has γ %s', (mean, gamma) => {
    expect(clearnessDistribution(mean).gamma).toBeCloseTo(gamma, 2)
  })

  it('its quantile undoes its cumulative, and its mean is the given one', () => {
    for (const mean of [0.12, 0.3, 0.45, 0.6, 0.7]) {
      const distribution = clearnessDistribution(mean)
      let sum = 0
      for (let i = 0; i < 2000; i++) {
        const p = (i + 0.5) / 2000
        const clearness = clearnessQuantile(distribution, p)
        expect(clearnessCumulative(distribution, clearness)).toBeCloseTo(p, 8)
        sum += clearness
      }
      expect(sum / 2000).toBeCloseTo(mean, 4)
    }
  })

  it('refuses a mean outside its bounds, naming them', () => {
    expect(() => clearnessDistribution(0.01)).toThrow('meanClearness 0.01 must lie between 0.05')
  })
})

describe('synthetic years', () => {
  const years = make(200, 11, Array(12).fill(0.55))
  const summary = summariseWeather(years)

  it('keep each month’s mean sun within 1 % over 200 years', () => {
    summary.monthlyGhiKWhM2Day.forEach((ghi, m) => {
      expect(Math.abs(ghi / climate.monthly[m].ghiKWhM2Day - 1)).toBeLessThan(0.01)
    })
  })

  it('keep each month’s mean temperature within 0.3 K', () => {
    summary.monthlyMeanC.forEach((meanC, m) => expect(Math.abs(meanC - climate.monthly[m].meanC)).toBeLessThan(0.3))
  })

  it('keep the persistence asked for within 0.03', () => {
    expect(Math.abs(summary.lag1 - 0.55)).toBeLessThan(0.03)
  })

  it('meet the month’s snowfall where days freeze', () => {
    const january = years.map((year) => {
      let sum = 0
      for (let day = 184; day < 215; day++) sum += dayTotal(year.snowfallCm, day)
      return sum
    })
    const mean = january.reduce((a, b) => a + b, 0) / january.length
    expect(Math.abs(mean / climate.monthly[0].snowfallCm - 1)).toBeLessThan(0.02)
  })

  it('never pass the extraterrestrial energy of the hour', () => {
    for (const year of years.slice(0, 20)) {
      const over = year.ghiWM2.findIndex((ghi, i) => {
        const at = ((year.startDay + Math.floor(i / 24)) % 365) * 24 + (i % 24)
        return !(ghi <= sun.extraWhM2[at] + 1e-3)
      })
      expect(over).toBe(-1)
    }
  })

  it('are identical for a seed and different for another', () => {
    expect(make(3, 5)).toEqual(make(3, 5))
    expect(make(1, 5)[0].ghiWM2).not.toEqual(make(1, 6)[0].ghiWM2)
  })

  it('make longer dark spells where the sky is more persistent', () => {
    const spells = (persistence: number) =>
      darkSpells(
        make(60, 3, Array(12).fill(persistence)).map((year) =>
          Array.from({ length: 365 }, (_, day) => dayTotal(year.ghiWM2, day) / 1000),
        ),
        0.8,
      ).longestByReturnPeriod[10]
    expect(spells(0.7)).toBeGreaterThan(spells(0.1))
  })

  it.each(ILLUSTRATIVE_CLIMATES.map(({ id }) => id))('%s gives finite hours from pole to pole', (id) => {
    for (const latitudeDeg of [-78, -41, 0, 36.7, 69]) {
      const place = { latitudeDeg, longitudeDeg: 20, utcOffsetH: 1 }
      const source = { latitudeDeg, interannualPct: null, ...climateAt(id, latitudeDeg) }
      const year = new WeatherMaker(source, sunYear(place), seasonOfMonths(latitudeDeg, source.monthly).startDay).year(
        1,
        0,
      )
      expect(year.ghiWM2.every((ghi) => Number.isFinite(ghi) && ghi >= 0)).toBe(true)
      expect(year.airC.every(Number.isFinite)).toBe(true)
    }
  })
})

describe('smooth daily values', () => {
  it('keep every month’s mean', () => {
    const monthly = [-6, -3, 2, 7, 12, 15.5, 19.5, 19, 13.5, 6.5, 0, -5]
    const daily = smoothDaily(monthly)
    expect(daily.slice(0, 31).reduce((a, b) => a + b, 0) / 31).toBeCloseTo(-6, 6)
    expect(daily.slice(181, 212).reduce((a, b) => a + b, 0) / 31).toBeCloseTo(19.5, 6)
  })
})

describe('tilted energy', () => {
  const surface: Surface = {
    tiltDeg: 60,
    azimuthDeg: 180,
    horizon: [],
    latitudeDeg: 48.2,
    skyModel: 'hay-davies',
    albedoBare: 0.2,
    albedoSnow: 0.6,
  }

  it('the monthly method agrees with synthetic years within 6 % in every month', () => {
    const closed = monthlyPlane(sun, climate.monthly, surface)
    const plane = new TiltedPlane(sun, surface)
    const sums = new Float64Array(12)
    const days = new Float64Array(12)
    const noSnow = new Uint8Array(8760)
    for (const year of make(60, 2)) {
      const out = new Float32Array(8760)
      snowOnGround(year, noSnow)
      plane.fillYear(year, noSnow, out)
      for (let day = 0; day < 365; day++) {
        const month = MONTH_OF_DAY[(year.startDay + day) % 365]
        sums[month] += dayTotal(out, day) / 1000
        days[month]++
      }
    }
    closed.forEach((energy, month) => {
      expect(Math.abs(energy / (sums[month] / days[month]) - 1), `month ${month}`).toBeLessThan(0.06)
    })
  })

  it('the best tilt for December at 48° N is steeper than latitude + 10°', () => {
    const best = bestTilt(valley, climate.monthly, [11], surface, sun)
    expect(best.tiltDeg).toBeGreaterThan(58.2)
    expect(Math.abs(best.azimuthDeg - 180)).toBeLessThan(15)
  })

  it('in the south the best azimuth faces north', () => {
    const place = { latitudeDeg: -41, longitudeDeg: 174, utcOffsetH: 12 }
    const best = bestTilt(place, climateAt('winter-rain', -41).monthly, [5, 6], { ...surface, latitudeDeg: -41 })
    expect(Math.min(best.azimuthDeg, 360 - best.azimuthDeg)).toBeLessThan(15)
  })

  it('a sun that rises over an edge within an hour gives a part of it', () => {
    const at = 355 * 24 + 9
    const rising = Math.asin(sun.cosZenith[at]) * (180 / Math.PI)
    const behind = (elevationDeg: number) =>
      new TiltedPlane(sun, {
        ...surface,
        horizon: [
          { azimuthDeg: 0, elevationDeg, cover: 'terrain' },
          { azimuthDeg: 180, elevationDeg, cover: 'terrain' },
        ],
      }).effective(at, 200, false)
    const seen = Array.from({ length: 41 }, (_, i) => behind(rising - 4 + i * 0.2))
    for (let i = 1; i < seen.length; i++) expect(seen[i]).toBeLessThanOrEqual(seen[i - 1] + 1e-9)
    // whole, three parts, half, one part and none of the beam, besides what the sky loses
    const drops = seen.filter((watts, i) => i > 0 && seen[i - 1] - watts > 0.1 * (seen[0] - seen[seen.length - 1]))
    expect(drops).toHaveLength(4)
  })

  it('light of sky and ground loses at the glass as at its effective angle', () => {
    const night = { ...surface, tiltDeg: 45 }
    const noon = 355 * 24 + 12
    // nothing but diffuse light: 100 W/m² of sky and 100 · 0.2 of ground, by the view of 45°
    const watts = new TiltedPlane(sun, night).effective(noon, 100, false, 100)
    const view = (1 + Math.SQRT1_2) / 2
    const { sky, ground } = diffuseModifiers(45)
    expect(watts).toBeCloseTo(100 * view * sky + 20 * (1 - view) * ground, 6)
  })

  it('a higher horizon never gives more sun', () => {
    let last = Infinity
    for (const elevationDeg of [0, 4, 8, 15, 30]) {
      const horizon = [
        { azimuthDeg: 90, elevationDeg, cover: 'terrain' as const },
        { azimuthDeg: 270, elevationDeg, cover: 'terrain' as const },
      ]
      const december = monthlyPlane(sun, climate.monthly, { ...surface, horizon })[11]
      expect(december).toBeLessThanOrEqual(last)
      last = december
    }
  })
})

describe('snow on the modules', () => {
  it('takes sun, less where it is brushed off, less on a steep row', () => {
    const year = make(1, 4)[0]
    const left = (tilt: number, brush: number | null, steps = 2) => {
      const plane = Float32Array.from(year.ghiWM2)
      hideUnderSnow(plane, year, () => tilt, brush, steps)
      return plane.reduce((a, b) => a + b, 0)
    }
    const bare = year.ghiWM2.reduce((a, b) => a + b, 0)
    expect(left(30, null)).toBeLessThan(bare)
    expect(left(30, 1)).toBeGreaterThan(left(30, null))
    expect(left(70, null)).toBeGreaterThan(left(15, null))
  })

  it('by hand: what slides off uncovers cell strings one by one', () => {
    const year = { startDay: 0, airC: new Float32Array(8760).fill(5), snowfallCm: new Float32Array(8760).fill(3, 0, 1) }
    const after = (steps: number) => {
      const plane = new Float32Array(8760).fill(100)
      // sin 30° × 0.197: a tenth of the row an hour, 0.9015 covered after the first hour
      hideUnderSnow(plane, year as WeatherYear, () => 30, null, steps)
      return [...plane.slice(0, 12)].map((each) => Math.round(each))
    }
    expect(after(1)).toEqual([0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 100, 100])
    expect(after(2)).toEqual([0, 0, 0, 0, 0, 50, 50, 50, 50, 50, 100, 100])
    expect(after(3)).toEqual([0, 0, 0, 33, 33, 33, 67, 67, 67, 67, 100, 100])
  })

  it('more strings one above the other never leave less', () => {
    const year = make(1, 4)[0]
    const left = (steps: number) => {
      const plane = Float32Array.from(year.ghiWM2)
      hideUnderSnow(plane, year, () => 40, null, steps)
      return plane.reduce((a, b) => a + b, 0)
    }
    expect(left(2)).toBeGreaterThan(left(1))
    expect(left(3)).toBeGreaterThan(left(1))
    expect(left(12)).toBeGreaterThan(left(3))
  })
})

describe('return periods', () => {
  it('are read off the ranked years', () => {
    expect(quantile([1, 2, 3, 4, 5], 0.5)).toBe(3)
    expect(quantile([1, 2, 3, 4, 5], 0.9)).toBeCloseTo(4.6, 12)
    const spells = darkSpells(
      [
        [0, 0, 5, 0, 5],
        [5, 5, 5, 5, 5],
      ],
      1,
    )
    expect(spells).toEqual({
      longestByReturnPeriod: { 2: 1, 5: 1.6, 10: 1.8, 20: 1.9 },
      count: 1,
      daysPerYear: 1.5,
    })
  })
})

describe('persistence read back from days', () => {
  const clearnessOf = (persistence: number, years: number) =>
    make(years, 21, Array(12).fill(persistence)).flatMap((year) => {
      const days = Array.from({ length: 365 }, (_, day) => {
        const calendar = (day - year.startDay + 365) % 365
        return Math.min(1, dayTotal(year.ghiWM2, calendar) / sun.dailyExtraWhM2[day])
      })
      return days
    })

  it.each([0.1, 0.29, 0.5, 0.7])('%s is found within 0.05', (persistence) => {
    expect(Math.abs(fitPersistence(clearnessOf(persistence, 30)) - persistence)).toBeLessThan(0.05)
  })

  it('refuses too few days and a clearness that cannot be', () => {
    expect(() => fitPersistence([0.3, 0.4])).toThrow('dailyClearness has 2 days; at least 20')
    expect(() => fitPersistence([...Array(30).fill(0.4), 1.4])).toThrow('dailyClearness.30 1.4')
  })

  it('a sky that never changes has no persistence to speak of', () => {
    expect(fitPersistence(Array(60).fill(0.5))).toBe(0)
  })
})

describe('dark spells on a plane', () => {
  it('are longer for a higher threshold', () => {
    const days = make(20, 6).map((year) => dailySums(year.ghiWM2))
    const longest = (threshold: number) => darkSpells(days, threshold).longestByReturnPeriod[10]
    expect(longest(2)).toBeGreaterThan(longest(1))
    expect(longest(1)).toBeGreaterThan(longest(0.4))
  })
})
