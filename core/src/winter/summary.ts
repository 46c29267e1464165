import { figureErrors, figuresAt, figuresOf, type YearFigures } from './figures.ts'
import { quantile } from '../math/quantile.ts'
import type { Design } from '../document/types.ts'
import { backupPower } from '../generator/backup.ts'
import { gridIsTaken } from '../generator/taken.ts'
import { DAYS, MONTH_DAYS, MONTH_START } from '../calendar/calendar.ts'
import { seasonOf, type Season } from '../weather/season.ts'
import { summariseFailures, type FailureSummary } from './outages.ts'
import type { YearResult, YearLosses } from './year.ts'

/** How bad a year is taken: the median, then what is passed in 1 year of 5 and of 10, and the worst there was. */
export const PERCENTILES = { median: 0.5, oneInFive: 0.8, oneInTen: 0.9, worst: 1 } as const
export type Percentile = keyof typeof PERCENTILES

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
  oneInFive: YearFigures
  oneInTen: YearFigures
  worst: YearFigures
  /** how far the median and 1 in 10 may be off with so many years */
  errors: Record<'median' | 'oneInTen', YearFigures>
  weeks: StripWeek[]
  /** share of dark-season days whose lowest charge stays above 60 % */
  easyDays: number
  /** mean by month 0…11 */
  months: {
    /** array energy used, and the part of it that went into the bank */
    arrayKWh: number[]
    toBankKWh: number[]
    otherKWh: number[]
    gridKWh: number[]
    curtailedKWh: number[]
    generatorKWh: number[]
    servedKWh: number[]
    unmetKWh: number[]
    generatorHours: number[]
    fuelL: number[]
    /** days on which the bank was full before noon */
    fullByNoonDays: number[]
  }
  /** mean of the years */
  losses: YearLosses
  /** mean energy a year from every source, used or not, and mean share of the generator's real power it works at */
  sourcesWh: number
  generatorLoading: number
  /** mean time from the last full charge to a start of the backup */
  fullToStartDays: number
  /** coldest the bank got by a morning in all the years, °C */
  coldestBankC: number
  /** what the failures of the grid came to; null where there is none */
  failures: FailureSummary | null
  worstResidual: number
}

/**
 * What many years say about the coming winter.
 *
 * @param years at least one, as run for this design
 */
export function summariseWinter(years: readonly YearResult[], design: Design): WinterSummary {
  const season = seasonOf(design.place)
  const meanOf = (pick: (year: YearResult) => number) => mean(years.map(pick))
  const monthly = (pick: (year: YearResult) => Float64Array, unit = 1000) =>
    Array.from({ length: 12 }, (_, m) => meanOf((year) => pick(year)[m]) / unit)
  const figures = years.map((year) => figuresOf(year, design.generator.fuelTripDays))
  const loss = (of: keyof YearLosses) => meanOf(({ losses }) => losses[of])
  const generatorHours = meanOf((year) => year.generatorHours)
  return {
    years: years.length,
    median: figuresAt(figures, PERCENTILES.median),
    oneInFive: figuresAt(figures, PERCENTILES.oneInFive),
    oneInTen: figuresAt(figures, PERCENTILES.oneInTen),
    worst: figuresAt(figures, PERCENTILES.worst),
    errors: {
      median: figureErrors(figures, PERCENTILES.median),
      oneInTen: figureErrors(figures, PERCENTILES.oneInTen),
    },
    weeks: stripWeeks(years, season),
    easyDays: easyDayShare(years, season),
    months: {
      arrayKWh: monthly((year) => year.months.arrayWh),
      toBankKWh: monthly((year) => year.months.toBankWh),
      otherKWh: monthly((year) => year.months.otherWh),
      gridKWh: monthly((year) => year.months.gridWh),
      curtailedKWh: monthly((year) => year.months.curtailedWh),
      generatorKWh: monthly((year) => year.months.generatorWh),
      servedKWh: monthly((year) => year.months.servedWh),
      unmetKWh: monthly((year) => year.months.unmetWh),
      generatorHours: monthly((year) => year.months.generatorHours, 1),
      fuelL: monthly((year) => year.months.fuelL, 1),
      fullByNoonDays: monthly((year) => year.months.fullByNoonDays, 1),
    },
    losses: {
      controllersWh: loss('controllersWh'),
      conversionWh: loss('conversionWh'),
      idleWh: loss('idleWh'),
      chargerWh: loss('chargerWh'),
      batteryWh: loss('batteryWh'),
      selfWh: loss('selfWh'),
      heaterWh: loss('heaterWh'),
      equaliseWh: loss('equaliseWh'),
    },
    sourcesWh: meanOf((year) => year.sourcesWh),
    generatorLoading:
      generatorHours > 0
        ? meanOf((year) => year.generatorWh) / generatorHours / Math.max(1, backupPower(design).realW)
        : 0,
    fullToStartDays: meanOf((year) => year.fullToStartDays),
    coldestBankC: Math.min(...years.map((year) => year.coldestBankC)),
    failures: gridIsTaken(design) ? summariseFailures(years.flatMap(({ failures }) => failures)) : null,
    worstResidual: Math.max(...years.map((year) => year.residualRelative)),
  }
}

/** First day of the dark season, and its length in days. */
export function darkSeason({ months }: Season): { startDay: number; days: number } {
  return { startDay: MONTH_START[months[0]], days: months.reduce((sum, month) => sum + MONTH_DAYS[month], 0) }
}

function stripWeeks(years: readonly YearResult[], of: Season): StripWeek[] {
  const season = darkSeason(of)
  const first = (season.startDay - of.startDay + DAYS) % DAYS
  return Array.from({ length: Math.floor(season.days / 7) }, (_, week) => {
    const from = first + week * 7
    const low = years.map((year) => Math.min(...year.lowestByDay.subarray(from, from + 7))).sort((a, b) => a - b)
    const sums = (pick: (year: YearResult) => Float32Array) =>
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

function easyDayShare(years: readonly YearResult[], of: Season): number {
  const season = darkSeason(of)
  const first = (season.startDay - of.startDay + DAYS) % DAYS
  let comfortable = 0
  for (const year of years)
    for (let day = first; day < first + season.days; day++) if (year.lowestByDay[day] > 0.6) comfortable++
  return comfortable / (years.length * season.days)
}

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length
