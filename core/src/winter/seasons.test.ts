import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { derive } from '../derive/derive.ts'
import { darkMonths, DAYS, MONTH_DAYS, MONTH_OF_DAY, MONTH_START } from '../calendar/calendar.ts'
import { extraterrestrialDaily } from '../sun/extraterrestrial.ts'
import { sunYear } from '../sun/geometry.ts'
import { seasonOf, seasonOfMonths } from '../weather/season.ts'
import { climateAt, ILLUSTRATIVE_CLIMATES } from '../weather/climates.ts'
import { contrastingWinters } from '../weather/contrast.ts'
import { WinterEngine } from './engine.ts'
import { darkSeason, summariseWinter } from './summary.ts'
import { compareSources, skyReport, sunLostTo, tiltChoices } from './sky.ts'
import { atOnce } from '../math/pieces.ts'

/** The demo moved to another latitude, its climate, seasons and azimuth with it. */
function at(latitudeDeg: number, longitudeDeg = 20, utcOffsetH = 1): Design {
  const design = larkspurBench()
  Object.assign(design.place, {
    latitudeDeg,
    longitudeDeg,
    utcOffsetH,
    horizon: [],
    ...climateAt('cold-valley', latitudeDeg),
  })
  for (const array of design.arrays) array.azimuthDeg = latitudeDeg >= 0 ? 180 : 0
  return design
}
const LATITUDES = [-89, -78, -41, -0.1, 0, 0.1, 36.7, 57.4, 69, 90]

describe.each(LATITUDES)('at latitude %s', (latitudeDeg) => {
  const design = at(latitudeDeg)
  const engine = new WinterEngine()
  const years = engine.run(design, { years: 2, seed: 3 })
  const start = seasonOf(design.place).startDay
  const summary = summariseWinter(years, design)

  it('a run stays finite and in balance', () => {
    for (const year of years) {
      expect(year.residualRelative).toBeLessThan(1e-9)
      for (const value of [year.servedWh, year.curtailedWh, year.lossesWh, year.generatorHours])
        expect(Number.isFinite(value)).toBe(true)
    }
  })

  it('the strip is the dark half of the year there, whole, in the middle of the run', () => {
    const { startDay, days } = darkSeason(seasonOf(design.place))
    expect(MONTH_OF_DAY[startDay]).toBe(latitudeDeg >= 0 ? 9 : 3)
    expect(summary.weeks[0].startDay).toBe(startDay)
    expect(summary.weeks).toHaveLength(Math.floor(days / 7))
    const first = (startDay - start + DAYS) % DAYS
    expect(first).toBeGreaterThan(80)
    expect(first + days).toBeLessThan(DAYS - 60)
  })

  it('the dark months hold less sun outside the atmosphere than the others, unless on the equator', () => {
    const dark = darkMonths(latitudeDeg)
    const sun = sunYear(design.place)
    const mean = (pick: (month: number) => boolean) => {
      const days = [...sun.dailyExtraWhM2].filter((_, day) => pick(MONTH_OF_DAY[day]))
      return days.reduce((sum, wh) => sum + wh, 0) / days.length
    }
    if (Math.abs(latitudeDeg) > 5)
      expect(mean((month) => dark.includes(month))).toBeLessThan(mean((month) => !dark.includes(month)))
  })

  it('what is derived is finite, the worst month with it', () => {
    const { sunHours, worstMonth, worked } = derive(design)
    expect(sunHours.every((hours) => Number.isFinite(hours) && hours >= 0)).toBe(true)
    expect(sunHours[worstMonth]).toBe(Math.min(...sunHours))
    for (const sheet of Object.values(worked)) expect(Number.isFinite(sheet.value), sheet.id).toBe(true)
  })

  it('the sky report and the tilts stay finite', () => {
    const sky = atOnce(skyReport(engine, design, 2))!
    for (const winter of sky.winters) expect(winter.days.every(Number.isFinite)).toBe(true)
    for (const choice of tiltChoices(design, darkMonths(latitudeDeg)))
      expect(choice.energyKWhM2Day, choice.says).toBeGreaterThanOrEqual(0)
  })
})

describe('the hours of a day', () => {
  it.each([-12, -7, 0, 3.5, 5.75, 14])('keep the day’s sun at a clock of %s h', (utcOffsetH) => {
    for (const latitudeDeg of [-41, 0, 48.2, 67]) {
      const sun = sunYear({ latitudeDeg, longitudeDeg: ((15 * utcOffsetH + 188) % 360) - 180, utcOffsetH })
      for (let day = 0; day < DAYS; day += 13)
        expect(Math.abs(sun.dailyExtraWhM2[day] / 1000 - extraterrestrialDaily(latitudeDeg, day + 1))).toBeLessThan(
          0.02,
        )
    }
  })

  it('noon stands where the clock has it', () => {
    for (const [longitudeDeg, utcOffsetH, noon] of [
      [0, 0, 12],
      [-105, -7, 12],
      [-115.4, -7, 12.7],
      [15, 3.5, 14.5],
    ]) {
      const sun = sunYear({ latitudeDeg: 40, longitudeDeg, utcOffsetH })
      // 15 April: the equation of time is nearly nothing
      const day = MONTH_START[3] + 14
      const hours = Array.from({ length: 24 }, (_, hour) => sun.extraWhM2[day * 24 + hour])
      const sum = hours.reduce((a, b) => a + b, 0)
      const middle = hours.reduce((total, wh, hour) => total + wh * (hour + 0.5), 0) / sum
      expect(Math.abs(middle - noon)).toBeLessThan(0.1)
    }
  })

  it('polar night is dark and polar day has no night', () => {
    const sun = sunYear({ latitudeDeg: 78, longitudeDeg: 15, utcOffsetH: 1 })
    expect(sun.dailyExtraWhM2[344]).toBe(0)
    const midsummer = 172 * 24
    for (let hour = 0; hour < 24; hour++) expect(sun.extraWhM2[midsummer + hour]).toBeGreaterThan(0)
  })
})

describe('sun lost to a horizon', () => {
  const ring = (elevationDeg: number, cover: 'terrain' | 'leafless' = 'terrain') => [
    { azimuthDeg: 90, elevationDeg, cover },
    { azimuthDeg: 270, elevationDeg, cover },
  ]

  it('is nothing under an open sky, more the higher it stands, most in the dark months', () => {
    const design = larkspurBench()
    expect(sunLostTo(design, []).every((share) => Math.abs(share) < 1e-12)).toBe(true)
    const [low, high] = [5, 15].map((elevation) => sunLostTo(design, ring(elevation)))
    low.forEach((share, month) => expect(share).toBeLessThanOrEqual(high[month] + 1e-12))
    expect(high[11]).toBeGreaterThan(high[5])
  })

  it('leafless trees take less than a hill in winter, and of no month more than all', () => {
    const design = larkspurBench()
    expect(sunLostTo(design, ring(25, 'leafless'))[0]).toBeLessThan(sunLostTo(design, ring(25))[0])
    expect(Math.max(...sunLostTo(design, ring(89)))).toBeLessThanOrEqual(1)
    expect(sunLostTo(at(78), ring(10))[11]).toBe(0)
    expect(sunLostTo({ ...design, arrays: [] }, ring(10)).every(Number.isFinite)).toBe(true)
  })
})

describe('the dark season of a place', () => {
  const rows = (ghi: (month: number) => number) =>
    MONTH_DAYS.map((_, month) => ({ ghiKWhM2Day: ghi(month), meanC: 25, minC: 20, maxC: 30, snowfallCm: 0 }))

  it('is the winter of its hemisphere where the sun does not say otherwise', () => {
    expect(
      seasonOfMonths(
        45,
        rows(() => 4),
      ),
    ).toEqual({ months: darkMonths(45), startDay: MONTH_START[6] })
    expect(
      seasonOfMonths(
        -45,
        rows(() => 4),
      ),
    ).toEqual({ months: darkMonths(-45), startDay: 0 })
    for (const latitudeDeg of [60, 45, 30])
      for (const { id } of ILLUSTRATIVE_CLIMATES)
        expect(seasonOfMonths(latitudeDeg, climateAt(id, latitudeDeg).monthly).months).toEqual(darkMonths(latitudeDeg))
  })

  it('is the rains at 10° north, darkest in July, and strip, verdict, tilt and run follow it', () => {
    const design = larkspurBench()
    const monsoon = rows((month) => 5.8 - 2.4 * Math.exp(-(((month - 6.3) / 1.8) ** 2)))
    Object.assign(design.place, { latitudeDeg: 10, longitudeDeg: 76, utcOffsetH: 5, horizon: [], monthly: monsoon })
    Object.assign(design.place, { climate: 'own', recordLowC: 12, recordHighC: 40 })
    const season = seasonOf(design.place)
    expect(season.months.slice(1, 5)).toContain(6)
    expect(season.months.slice(1, 5)).toContain(7)
    expect(season.months).not.toContain(11)
    const summary = summariseWinter(new WinterEngine().run(design, { years: 2, seed: 3 }), design)
    expect(summary.weeks[0].startDay).toBe(MONTH_START[season.months[0]])
    expect(summary.weeks).toHaveLength(30)
    // the run begins with a full bank, long before the rains
    expect((MONTH_START[season.months[0]] - season.startDay + DAYS) % DAYS).toBeGreaterThan(80)
  })
})

describe('three contrasting winters', () => {
  const flat = (energy: number) => new Float64Array(DAYS).fill(energy)

  it('are the least, the middle and the most of the four darkest months', () => {
    const years = [3, 1, 5, 2, 4].map(flat)
    expect(contrastingWinters(years, 181, darkMonths(48)).map(({ index }) => index)).toEqual([1, 0, 2])
    expect(contrastingWinters(years, 0, darkMonths(-41))[0].days).toHaveLength(
      MONTH_DAYS[4] + MONTH_DAYS[5] + MONTH_DAYS[6] + MONTH_DAYS[7],
    )
  })

  it('begin on 1 November in the north and 1 May in the south', () => {
    const marked = (startDay: number, dayOfYear: number) => {
      const year = flat(0)
      year[(dayOfYear - startDay + DAYS) % DAYS] = 9
      return year
    }
    expect(contrastingWinters([marked(181, MONTH_START[10])], 181, darkMonths(48))[0].days[0]).toBe(9)
    expect(contrastingWinters([marked(0, MONTH_START[4])], 0, darkMonths(-41))[0].days[0]).toBe(9)
  })
})

describe('sources side by side', () => {
  it('the monthly rows come out as the design itself, an illustration as itself', () => {
    const design = larkspurBench()
    const engine = new WinterEngine()
    const [own, illustration] = atOnce(compareSources(engine, design, 3, 'high-plateau'))
    expect(own.worstSunHours).toBeCloseTo(Math.min(...derive(design).sunHours), 9)
    expect(illustration.worstSunHours).toBeGreaterThan(own.worstSunHours)
    expect(illustration.persistence).toBeLessThan(own.persistence)
    expect(own.years).toBe(3)
    expect(atOnce(compareSources(engine, design, 1, null))).toHaveLength(1)
  })

  it('the searched tilt is never worse than a rule of thumb', () => {
    const design = larkspurBench()
    for (const months of [[11], [5, 6], [0, 1, 10, 11]]) {
      const [best, ...rules] = tiltChoices(design, months)
      for (const rule of rules) expect(rule.energyKWhM2Day).toBeLessThanOrEqual(best.energyKWhM2Day + 1e-9)
    }
  })
})
