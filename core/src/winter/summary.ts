import type { Priority } from '../design/types.ts'
import { darkMonths, DAYS, MONTH_DAYS, MONTH_START } from '../sun/calendar.ts'
import { quantile } from '../weather/darkSpells.ts'
import type { YearResult } from './loop.ts'

/** The figures of a year that people compare. */
export interface YearFigures {
  shortHours: Record<Priority, number>
  unmetWh: Record<Priority, number>
  generatorHours: number
  generatorStarts: number
  fuelL: number
  curtailedWh: number
  lowestStateOfCharge: number
  servedWh: number
}

/** One week of the winter strip. */
export interface StripWeek {
  /** day of year from 0 on which it starts */
  startDay: number
  /** lowest state of charge of the week: in the median year, and in 1 of 10 */
  lowTypical: number
  lowOneInTen: number
  /** hours short: mean, and 1 in 10 */
  shortMean: number
  shortOneInTen: number
  generatorMean: number
}

export interface WinterSummary {
  years: number
  median: YearFigures
  oneInTen: YearFigures
  weeks: StripWeek[]
  /** share of dark-season days whose lowest charge stays above 60 % */
  easyDays: number
  /** mean by month 0…11, kWh */
  months: {
    arrayKWh: number[]
    curtailedKWh: number[]
    generatorKWh: number[]
    servedKWh: number[]
    unmetKWh: number[]
  }
  worstResidual: number
  coldLockHoursMedian: number
  heaterWhMedian: number
}

/** Only the comparable figures of a year. */
export function figuresOf(year: YearResult): YearFigures {
  const { shortHours, unmetWh, generatorHours, generatorStarts, fuelL, curtailedWh, lowestStateOfCharge, servedWh } =
    year
  return { shortHours, unmetWh, generatorHours, generatorStarts, fuelL, curtailedWh, lowestStateOfCharge, servedWh }
}

/**
 * Figures at a percentile over the years, each taken by itself; for charge and energy served the low side is the bad one.
 * @param badShare 0.5 for the median, 0.9 for 1 in 10
 */
export function figuresAt(years: readonly YearResult[], badShare: number): YearFigures {
  const high = (pick: (year: YearResult) => number) => at(years, pick, badShare)
  const low = (pick: (year: YearResult) => number) => at(years, pick, 1 - badShare)
  const byPriority = (pick: (year: YearResult) => Record<Priority, number>) => ({
    must: high((year) => pick(year).must),
    should: high((year) => pick(year).should),
    canWait: high((year) => pick(year).canWait),
  })
  return {
    shortHours: byPriority((year) => year.shortHours),
    unmetWh: byPriority((year) => year.unmetWh),
    generatorHours: high((year) => year.generatorHours),
    generatorStarts: high((year) => year.generatorStarts),
    fuelL: high((year) => year.fuelL),
    curtailedWh: high((year) => year.curtailedWh),
    lowestStateOfCharge: low((year) => year.lowestStateOfCharge),
    servedWh: low((year) => year.servedWh),
  }
}

function at(years: readonly YearResult[], pick: (year: YearResult) => number, share: number): number {
  return quantile(Float64Array.from(years, pick).sort(), share)
}

/**
 * What many years say about the coming winter.
 *
 * @param years at least one
 * @param latitudeDeg decides which half of the year is dark
 * @param runStart day of year on which every run starts
 */
export function summariseWinter(years: readonly YearResult[], latitudeDeg: number, runStart: number): WinterSummary {
  const monthly = (pick: (year: YearResult) => Float64Array) =>
    Array.from({ length: 12 }, (_, m) => years.reduce((sum, year) => sum + pick(year)[m], 0) / years.length / 1000)
  return {
    years: years.length,
    median: figuresAt(years, 0.5),
    oneInTen: figuresAt(years, 0.9),
    weeks: stripWeeks(years, latitudeDeg, runStart),
    easyDays: easyDayShare(years, latitudeDeg, runStart),
    months: {
      arrayKWh: monthly((year) => year.months.arrayWh),
      curtailedKWh: monthly((year) => year.months.curtailedWh),
      generatorKWh: monthly((year) => year.months.generatorWh),
      servedKWh: monthly((year) => year.months.servedWh),
      unmetKWh: monthly((year) => year.months.unmetWh),
    },
    worstResidual: Math.max(...years.map((year) => year.residualRelative)),
    coldLockHoursMedian: at(years, (year) => year.coldLockHours, 0.5),
    heaterWhMedian: at(years, (year) => year.heaterWh, 0.5),
  }
}

/** First day of the dark season, and its length in days. */
export function darkSeason(latitudeDeg: number): { startDay: number; days: number } {
  const months = darkMonths(latitudeDeg)
  return { startDay: MONTH_START[months[0]], days: months.reduce((sum, month) => sum + MONTH_DAYS[month], 0) }
}

function stripWeeks(years: readonly YearResult[], latitudeDeg: number, runStart: number): StripWeek[] {
  const season = darkSeason(latitudeDeg)
  const first = (season.startDay - runStart + DAYS) % DAYS
  return Array.from({ length: Math.floor(season.days / 7) }, (_, week) => {
    const from = first + week * 7
    const low = years.map((year) => Math.min(...year.lowestByDay.subarray(from, from + 7))).sort((a, b) => a - b)
    const sums = (pick: (year: YearResult) => Uint8Array) =>
      years
        .map((year) =>
          pick(year)
            .subarray(from, from + 7)
            .reduce((a, b) => a + b, 0),
        )
        .sort((a, b) => a - b)
    const short = sums((year) => year.shortHoursByDay)
    const generator = sums((year) => year.generatorHoursByDay)
    return {
      startDay: (season.startDay + week * 7) % DAYS,
      lowTypical: quantile(low, 0.5),
      lowOneInTen: quantile(low, 0.1),
      shortMean: mean(short),
      shortOneInTen: quantile(short, 0.9),
      generatorMean: mean(generator),
    }
  })
}

function easyDayShare(years: readonly YearResult[], latitudeDeg: number, runStart: number): number {
  const season = darkSeason(latitudeDeg)
  const first = (season.startDay - runStart + DAYS) % DAYS
  let comfortable = 0
  for (const year of years)
    for (let day = first; day < first + season.days; day++) if (year.lowestByDay[day] > 0.6) comfortable++
  return comfortable / (years.length * season.days)
}

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length
