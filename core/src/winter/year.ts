import type { Priority } from '../document/types.ts'
import type { Failure } from './outages.ts'
import { DAYS } from '../calendar/calendar.ts'

/** Where energy was lost in a year, Wh. */
export interface YearLosses {
  controllersWh: number
  /** of the inverter under load, and its draw at rest */
  conversionWh: number
  idleWh: number
  chargerWh: number
  /** charging losses and self-discharge of the bank */
  batteryWh: number
  /** what the controllers draw themselves */
  selfWh: number
  heaterWh: number
  equaliseWh: number
}

/** What one year of hours did. Days are counted from the run's first day. */
export interface YearResult {
  shortHours: Record<Priority, number>
  unmetWh: Record<Priority, number>
  generatorHours: number
  generatorStarts: number
  generatorWh: number
  fuelL: number
  /** energy from the grid, and its failures */
  gridWh: number
  failures: Failure[]
  lowestStateOfCharge: number
  /** hours in which charge was refused because the bank was too cold */
  coldLockHours: number
  /** coldest the bank gets by the morning of a day, °C */
  coldestBankC: number
  /** mean time from the last full charge to a start of the backup */
  fullToStartDays: number
  /** longest time without a full charge */
  longestSinceFullDays: number
  /** longest run of days with less sun than need that was ridden through without backup or short hours */
  longestSpellDays: number
  equalisations: number
  sourcesWh: number
  arrayWh: number
  /** what other sources could have given */
  otherWh: number
  servedWh: number
  lossesWh: number
  losses: YearLosses
  storedChangeWh: number
  curtailedWh: number
  /** of it, what sources other than the sun could have given to the bank */
  spilledDcWh: number
  /** worst relative error of the energy balance of any step */
  residualRelative: number
  lowestByDay: Float32Array
  generatorHoursByDay: Float32Array
  shortHoursByDay: Float32Array
  fuelByDay: Float32Array
  /** by month 0…11 */
  months: {
    /** array energy used, and the part of it that went into the bank */
    arrayWh: Float64Array
    toBankWh: Float64Array
    curtailedWh: Float64Array
    generatorWh: Float64Array
    otherWh: Float64Array
    gridWh: Float64Array
    servedWh: Float64Array
    unmetWh: Float64Array
    generatorHours: Float64Array
    fuelL: Float64Array
    /** days on which the bank was full before noon */
    fullByNoonDays: Float64Array
  }
}

/** A year in which nothing has happened yet. */
export function emptyYear(): YearResult {
  const days = () => new Float32Array(DAYS)
  const months = () => new Float64Array(12)
  return {
    shortHours: { must: 0, should: 0, canWait: 0 },
    unmetWh: { must: 0, should: 0, canWait: 0 },
    generatorHours: 0,
    generatorStarts: 0,
    generatorWh: 0,
    fuelL: 0,
    gridWh: 0,
    failures: [],
    lowestStateOfCharge: 1,
    coldLockHours: 0,
    coldestBankC: 0,
    fullToStartDays: 0,
    longestSinceFullDays: 0,
    longestSpellDays: 0,
    equalisations: 0,
    sourcesWh: 0,
    arrayWh: 0,
    otherWh: 0,
    servedWh: 0,
    lossesWh: 0,
    losses: {
      controllersWh: 0,
      conversionWh: 0,
      idleWh: 0,
      chargerWh: 0,
      batteryWh: 0,
      selfWh: 0,
      heaterWh: 0,
      equaliseWh: 0,
    },
    storedChangeWh: 0,
    curtailedWh: 0,
    spilledDcWh: 0,
    residualRelative: 0,
    lowestByDay: days(),
    generatorHoursByDay: days(),
    shortHoursByDay: days(),
    fuelByDay: days(),
    months: {
      arrayWh: months(),
      toBankWh: months(),
      curtailedWh: months(),
      generatorWh: months(),
      otherWh: months(),
      gridWh: months(),
      servedWh: months(),
      unmetWh: months(),
      generatorHours: months(),
      fuelL: months(),
      fullByNoonDays: months(),
    },
  }
}

/** Columns of a {@link Trace}, in the order in which they are written. */
export const TRACE_COLUMNS = [
  'stateOfCharge',
  'arrayW',
  'otherW',
  'generatorW',
  'gridW',
  'bankW',
  'servedW',
  'unmetW',
  'mustW',
  'shouldW',
  'canWaitW',
  'curtailedW',
  'voltsV',
  'roomC',
] as const

/**
 * Step-by-step record of a year, filled where one is passed to the loop: shares of one, W, V, °C. `bankW` is what goes
 * into store, below zero what comes out; `mustW`, `shouldW` and `canWaitW` are what was asked for.
 */
export type Trace = Record<(typeof TRACE_COLUMNS)[number], Float32Array>

/** What is written down of a year step by step, where it is given; the figures are the same with it and without. */
export interface Records {
  trace?: Trace | null
  /** state of charge after each step, 0…1, and nothing else: far sooner there than a trace */
  charge?: Float32Array | null
}

/** @param parts steps in an hour: 1, or 4 for quarters */
export function emptyTrace(parts = 1): Trace {
  return Object.fromEntries(TRACE_COLUMNS.map((column) => [column, new Float32Array(DAYS * 24 * parts)])) as Trace
}
