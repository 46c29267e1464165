import { quantile } from '../math/quantile.ts'
import type { Design, Priority } from '../document/types.ts'
import { backupPower } from '../generator/backup.ts'
import { darkMonths, DAYS, MONTH_DAYS, MONTH_START, runStartDay } from '../calendar/calendar.ts'
import type { YearResult, YearLosses } from './year.ts'

/** The figures of a year that people compare. */
export interface YearFigures {
  shortHours: Record<Priority, number>
  unmetWh: Record<Priority, number>
  generatorHours: number
  generatorStarts: number
  generatorWh: number
  fuelL: number
  curtailedWh: number
  lowestStateOfCharge: number
  servedWh: number
  longestSinceFullDays: number
  longestSpellDays: number
  coldLockHours: number
  heaterWh: number
  equalisations: number
  /** most fuel burnt between two trips for it, L */
  fuelBetweenTripsL: number
}

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
  weeks: StripWeek[]
  /** share of dark-season days whose lowest charge stays above 60 % */
  easyDays: number
  /** mean by month 0…11 */
  months: {
    /** array energy used, and the part of it that went into the bank */
    arrayKWh: number[]
    toBankKWh: number[]
    otherKWh: number[]
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
  worstResidual: number
}

/** Only the comparable figures of a year. @param fuelTripDays longest time between two trips for fuel */
export function figuresOf(year: YearResult, fuelTripDays = 30): YearFigures {
  const { shortHours, unmetWh, generatorHours, generatorStarts, fuelL, curtailedWh, lowestStateOfCharge, servedWh } =
    year
  const { generatorWh, longestSinceFullDays, longestSpellDays, coldLockHours, losses, equalisations } = year
  return {
    shortHours,
    unmetWh,
    generatorHours,
    generatorStarts,
    generatorWh,
    fuelL,
    curtailedWh,
    lowestStateOfCharge,
    servedWh,
    longestSinceFullDays,
    longestSpellDays,
    coldLockHours,
    heaterWh: losses.heaterWh,
    equalisations,
    fuelBetweenTripsL: mostWithin(year.fuelByDay, Math.round(fuelTripDays)),
  }
}

/** Largest sum of any so many days in a row. */
export function mostWithin(days: ArrayLike<number>, length: number): number {
  let sum = 0
  let most = 0
  for (let day = 0; day < days.length; day++) {
    sum += days[day] - (day >= length ? days[day - length] : 0)
    if (sum > most) most = sum
  }
  return most
}

/**
 * Figures at a percentile over the years, each taken by itself; for charge and energy served the low side is the bad one.
 * @param badShare 0.5 for the median, 0.9 for 1 in 10
 */
export function figuresAt(years: readonly YearFigures[], badShare: number): YearFigures {
  const high = (pick: (year: YearFigures) => number) => at(years, pick, badShare)
  const low = (pick: (year: YearFigures) => number) => at(years, pick, 1 - badShare)
  const byPriority = (pick: (year: YearFigures) => Record<Priority, number>) => ({
    must: high((year) => pick(year).must),
    should: high((year) => pick(year).should),
    canWait: high((year) => pick(year).canWait),
  })
  return {
    shortHours: byPriority((year) => year.shortHours),
    unmetWh: byPriority((year) => year.unmetWh),
    generatorHours: high((year) => year.generatorHours),
    generatorStarts: high((year) => year.generatorStarts),
    generatorWh: high((year) => year.generatorWh),
    fuelL: high((year) => year.fuelL),
    curtailedWh: high((year) => year.curtailedWh),
    lowestStateOfCharge: low((year) => year.lowestStateOfCharge),
    servedWh: low((year) => year.servedWh),
    longestSinceFullDays: high((year) => year.longestSinceFullDays),
    // the longer the spell it rode through, the better
    longestSpellDays: low((year) => year.longestSpellDays),
    coldLockHours: high((year) => year.coldLockHours),
    heaterWh: high((year) => year.heaterWh),
    equalisations: low((year) => year.equalisations),
    fuelBetweenTripsL: high((year) => year.fuelBetweenTripsL),
  }
}

function at(years: readonly YearFigures[], pick: (year: YearFigures) => number, share: number): number {
  return quantile(Float64Array.from(years, pick).sort(), share)
}

/**
 * What many years say about the coming winter.
 *
 * @param years at least one, as run for this design
 */
export function summariseWinter(years: readonly YearResult[], design: Design): WinterSummary {
  const { latitudeDeg } = design.place
  const runStart = runStartDay(latitudeDeg)
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
    weeks: stripWeeks(years, latitudeDeg, runStart),
    easyDays: easyDayShare(years, latitudeDeg, runStart),
    months: {
      arrayKWh: monthly((year) => year.months.arrayWh),
      toBankKWh: monthly((year) => year.months.toBankWh),
      otherKWh: monthly((year) => year.months.otherWh),
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
    worstResidual: Math.max(...years.map((year) => year.residualRelative)),
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

function easyDayShare(years: readonly YearResult[], latitudeDeg: number, runStart: number): number {
  const season = darkSeason(latitudeDeg)
  const first = (season.startDay - runStart + DAYS) % DAYS
  let comfortable = 0
  for (const year of years)
    for (let day = first; day < first + season.days; day++) if (year.lowestByDay[day] > 0.6) comfortable++
  return comfortable / (years.length * season.days)
}

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length
