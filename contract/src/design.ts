import Joi from 'joi'
import {
  CHEMISTRY_IDS,
  CONDUCTORS,
  DESIGN_FORMAT,
  DESIGN_VERSION,
  HOURS,
  ILLUSTRATIVE_CLIMATES,
  MOST_YEARS,
} from '@ambrel/core'
import { LIMITS } from './limits.ts'
import { calendarDay, plainText } from './text.ts'

/** A finite number within bounds; text that looks like a number is refused, not converted. */
const number = (min: number, max: number) => Joi.number().strict().min(min).max(max).required()
const whole = (min: number, max: number) => number(min, max).integer()
const share = number(0, 1)
const text = (most = 200) => plainText().allow('').max(most).required()
const name = plainText().trim().min(1).max(120).required()
const id = Joi.string()
  .pattern(/^[\w-]{1,60}$/)
  .required()
const choice = (...values: (string | number)[]) => Joi.valid(...values).required()
const orNull = (schema: Joi.NumberSchema) => schema.allow(null)
const price = number(0, 1e7)

const month = Joi.object({
  ghiKWhM2Day: number(0, 14),
  meanC: number(-80, 60),
  minC: number(-90, 60),
  maxC: number(-80, 70),
  snowfallCm: number(0, 1000),
})

const monthlyRows = Joi.array().items(month).length(12).required()
const persistence = Joi.array().items(number(0, 0.95)).length(12).required()

/** What imported hours say about a place. */
export const fittedSchema = Joi.object({
  monthly: monthlyRows,
  persistence,
  windMS: number(0, 80),
  lowestC: number(-90, 60),
  highestC: number(-90, 60),
})

const placeHours = fittedSchema.keys({
  fileId: Joi.string().guid().required(),
  name,
  years: whole(1, MOST_YEARS),
  utcOffsetH: number(-14, 14),
})

const place = Joi.object({
  label: text(120),
  latitudeDeg: number(-90, 90),
  longitudeDeg: number(-180, 180),
  elevationM: number(-430, 6000),
  utcOffsetH: number(-12, 14),
  wiringBasis: choice('awg', 'metric'),
  recordLowC: number(-80, 40),
  recordHighC: number(-20, 60),
  climate: choice('own', ...ILLUSTRATIVE_CLIMATES.map(({ id }) => id)),
  monthly: monthlyRows,
  persistence,
  windMS: number(0, 30),
  source: choice('monthly', 'fitted', 'hours'),
  hours: placeHours.allow(null).required(),
  albedoBare: share,
  albedoSnow: share,
  horizon: Joi.array()
    .items(
      Joi.object({
        azimuthDeg: number(0, 360),
        elevationDeg: number(0, 90),
        cover: choice('terrain', 'evergreen', 'leafless'),
      }),
    )
    .max(360)
    .required(),
  batteryRoom: Joi.object({ kind: choice('heated', 'unheated', 'buried'), setC: number(-20, 45) }).required(),
  brushSnowDays: orNull(number(0, 60)),
})

const load = Joi.object({
  id,
  name,
  room: text(80),
  quantity: number(0, 1000),
  basis: choice('rated', 'metered', 'cycle', 'month'),
  runningW: number(0, 100000),
  hoursPerDay: number(0, 24),
  duty: share,
  daysPerWeek: number(0, 7),
  meteredKWh: orNull(number(0, 100000)),
  meteredHours: orNull(number(0.1, 20000)),
  cycleWh: orNull(number(0, 100000)),
  cycleDepth: orNull(share),
  cycleChargerEfficiency: orNull(number(0.1, 1)),
  cyclesPerWeek: orNull(number(0, 1000)),
  monthKWh: orNull(number(0, 100000)),
  meterReadings: Joi.array()
    .items(
      Joi.object({
        date: calendarDay().required(),
        kWh: number(0, 100000),
        hours: number(0.1, 20000),
      }),
    )
    .max(LIMITS.readingsOfLoad)
    .required(),
  standbyW: number(0, 10000),
  supply: choice('electric', 'propane', 'out'),
  seasonShare: Joi.array().items(number(0, 10)).length(12).required(),
  hourShape: Joi.array().items(number(0, 1000)).length(24).required(),
  leg: choice('A', 'B', 'C', 'AB', 'ABC', 'DC'),
  priority: choice('must', 'should', 'canWait'),
  movable: Joi.boolean().strict().required(),
  storeDays: number(0, 60),
  whenAway: Joi.boolean().strict().required(),
  startKind: choice('none', 'compressor', 'submersible-pump', 'soft-start-pump', 'induction-tool', 'universal-tool'),
  startW: orNull(number(0, 1000000)),
  startS: orNull(number(0.05, 120)),
})

const batteryPart = Joi.object({
  id,
  name,
  chemistry: choice(...CHEMISTRY_IDS),
  nominalV: number(1, 60),
  capacities: Joi.array()
    .items(Joi.object({ hours: number(0.1, 1000), ampHours: number(0.1, 20000) }))
    .min(1)
    .max(12)
    .required(),
  resistanceMilliohm: number(0, 1000),
  maxChargeA: number(0.1, 10000),
  maxDischargeA: number(0.1, 10000),
  surgeA: number(0.1, 20000),
  cycles: Joi.array()
    .items(Joi.object({ depth: number(0.01, 1), cycles: number(1, 1e6) }))
    .max(12)
    .required(),
  calendarYears: number(0.5, 60),
  parallelLimit: whole(1, 64),
  weightKg: number(0, 5000),
  heaterW: number(0, 2000),
  selfDischargePctPerMonth: number(0, 50),
  minChargeC: orNull(number(-40, 30)),
  price,
})

const bank = Joi.object({
  systemV: choice(12, 24, 48),
  part: batteryPart.required(),
  inSeries: whole(1, 48),
  inParallel: whole(1, 200),
  autonomyDays: number(0.25, 60),
  allowedDepth: number(0.05, 1),
  cutoffStateOfCharge: number(0, 0.9),
  absorbV: orNull(number(10, 70)),
  takeoff: choice('one-end', 'opposite-corners', 'equal-leads'),
  linkMilliohm: number(0, 100),
  order: Joi.array().items(whole(1, 400).optional()).unique().max(400).required(),
  weak: Joi.array()
    .items(Joi.object({ unit: whole(1, 400), capacityShare: number(0.05, 1), resistanceFactor: number(1, 50) }))
    .unique('unit')
    .max(400)
    .required(),
  stringFuses: Joi.boolean().strict().required(),
  seriesM: number(0, 20),
  linkM: number(0, 20),
  leadM: number(0, 50),
})

const modulePart = Joi.object({
  id,
  name,
  ratedW: number(1, 2000),
  vocV: number(1, 300),
  iscA: number(0.1, 60),
  vmpV: number(1, 300),
  impA: number(0.1, 60),
  betaVocPctPerK: number(-1, -0.01),
  alphaIscPctPerK: number(-0.5, 0.5),
  gammaPctPerK: number(-1, -0.01),
  cells: whole(1, 400),
  noctC: number(20, 80),
  seriesFuseA: number(1, 100),
  lengthM: number(0.1, 5),
  widthM: number(0.1, 5),
  weightKg: number(0, 200),
  price,
})

const array = Joi.object({
  id,
  name,
  module: modulePart.required(),
  inSeries: whole(1, 60),
  inParallel: whole(1, 100),
  controllerId: id,
  tracker: whole(1, 8),
  tiltDeg: number(0, 90),
  azimuthDeg: number(0, 360),
  tiltSeasons: Joi.array()
    .items(Joi.object({ month: whole(1, 12), day: whole(1, 31), tiltDeg: number(0, 90) }))
    .max(12)
    .required(),
  tracking: choice('fixed', 'single-axis'),
  site: choice('ground', 'roof'),
  horizonShare: share,
  mounting: choice('open-rack', 'roof-parallel'),
  soilingLoss: number(0, 0.9),
  mismatchLoss: number(0, 0.9),
  lightInducedLoss: number(0, 0.9),
  wiringLoss: number(0, 0.9),
  ageYears: number(0, 60),
})

const controllerPart = Joi.object({
  id,
  name,
  kind: choice('tracker', 'pulse-width', 'ac-coupled'),
  trackers: whole(1, 8),
  startV: number(0, 2000),
  maxInputV: number(5, 2000),
  minTrackV: number(0, 2000),
  maxTrackV: number(1, 2000),
  maxInputA: number(0.1, 1000),
  outputA: number(0.1, 1000),
  outputAcW: orNull(number(50, 200000)),
  efficiency: number(0.5, 1),
  selfW: number(0, 200),
  price,
})

const controller = Joi.object({ id, name, part: controllerPart.required() })

const inverter = Joi.object({
  part: Joi.object({
    id,
    name,
    topology: choice('split-phase', 'single-120', 'single-230'),
    frequencyHz: choice(50, 60),
    waveform: choice('sine', 'stepped'),
    ratedW: number(50, 200000),
    surgeW: number(50, 1000000),
    surgeS: number(0.01, 3600),
    idleW: number(0, 2000),
    searchW: orNull(number(0, 2000)),
    searchWakeW: number(0, 5000),
    peakEfficiency: number(0.3, 0.999),
    peakAtFraction: number(0.01, 0.95),
    fullLoadEfficiency: number(0.3, 0.999),
    derateAboveC: number(-20, 80),
    deratePctPerK: number(0, 20),
    derateAboveM: number(0, 6000),
    deratePctPer100M: number(0, 20),
    chargerA: number(0, 2000),
    chargerEfficiency: number(0.3, 0.999),
    transferA: number(0, 2000),
    lowCutV: number(5, 60),
    bankV: choice(12, 24, 48),
    controller: controllerPart.allow(null).required(),
    weightKg: number(0, 2000),
    price,
  }).required(),
  quantity: whole(1, 12),
  stacking: choice('parallel', 'split-pair', 'three-phase'),
  search: Joi.boolean().strict().required(),
  hottestC: number(-20, 70),
})

const generator = Joi.object({
  present: Joi.boolean().strict().required(),
  kind: choice('generator', 'shore', 'vehicle'),
  part: Joi.object({
    id,
    name,
    fuel: choice('petrol', 'propane', 'natural-gas', 'diesel'),
    ratedW: number(100, 1000000),
    price,
  }).required(),
  startBy: choice('charge', 'voltage', 'morning'),
  startStateOfCharge: share,
  startV: number(8, 66),
  holdMin: number(0, 720),
  morningH: whole(0, 23),
  stopStateOfCharge: share,
  minRunH: number(0, 48),
  maxRunH: number(0.5, 240),
  restDays: number(0, 90),
  warmUpMin: number(0, 60),
  quietFromH: whole(0, 23),
  quietToH: whole(0, 23),
  fullChargeEveryDays: orNull(number(1, 365)),
  exerciseEveryDays: orNull(number(1, 365)),
  exerciseMin: number(1, 60),
  equaliseEveryDays: orNull(number(7, 730)),
  equaliseH: number(0.5, 24),
  charger: choice('inverter', 'separate'),
  separateChargerA: number(0.5, 2000),
  separateChargerEfficiency: number(0.3, 0.999),
  chargeLimitA: orNull(number(1, 4000)),
  loadShareLimit: number(0.1, 1),
  fuelPricePerL: number(0, 1000),
  oilEveryH: number(5, 5000),
  fuelTripDays: number(1, 365),
  tankL: orNull(number(0, 100000)),
  cordA: number(1, 400),
  cordV: number(90, 480),
  pricePerKWh: number(0, 1000),
  vehicleA: number(1, 1000),
  vehicleLPerH: number(0, 50),
})

const MOST_SOURCE_W = 200000

/** So many figures are looked through by hand: a schema an item would take longer than the rest of the document. */
const hourlyWatts = Joi.array()
  .length(HOURS)
  .custom((watts: unknown[], helpers) => {
    const wrong = watts.findIndex((each) => !(typeof each === 'number' && each >= 0 && each <= MOST_SOURCE_W))
    return wrong < 0 ? watts : helpers.error('hours.watts', { hour: wrong + 1, watts: watts[wrong] })
  })
  .messages({ 'hours.watts': `hour {{#hour}} is {{#watts}} W; 0 to ${MOST_SOURCE_W} W is allowed` })

const source = Joi.object({
  id,
  name,
  kind: choice('wind', 'stream', 'other'),
  side: choice('dc', 'ac'),
  wattsByMonth: Joi.array()
    .items(Joi.array().items(number(0, MOST_SOURCE_W).optional()).length(24))
    .length(12)
    .required(),
  hourlyW: hourlyWatts.allow(null).required(),
  price,
})

const absence = Joi.object({
  fromMonth: whole(1, 12),
  fromDay: whole(1, 31),
  toMonth: whole(1, 12),
  toDay: whole(1, 31),
})

const household = Joi.object({
  away: Joi.array().items(absence).max(20).required(),
  shedCanWaitBelow: orNull(share),
  shedShouldBelow: orNull(share),
})

const run = Joi.object({
  id,
  name,
  circuit: choice('array', 'controller-bank', 'bank-inverter', 'inverter-house', 'generator'),
  subjectId: plainText().max(60).allow(null).required(),
  oneWayM: number(0, 10000),
  size: choice(...CONDUCTORS.map(({ size }) => size)),
  parallel: whole(1, 8),
  insulationC: choice(60, 75, 90),
  ambientC: number(-40, 59),
  conductors: whole(1, 9),
  allowedDropPct: number(0.1, 20),
})

const budget = Joi.object({
  currency: Joi.string()
    .pattern(/^[A-Z]{3}$/)
    .required(),
  taxPct: number(0, 100),
  freight: price,
  labour: price,
  discount: price,
  contingencyPct: number(0, 100),
  extras: Joi.array()
    .items(Joi.object({ id, name, quantity: number(0, 100000), unitPrice: number(0, 1e7) }))
    .max(LIMITS.extras)
    .required(),
})

/** Lists of the document whose items are checked one by one: a long one is refused by its length before any of it is looked at. */
export const LISTS: Record<
  'loads' | 'arrays' | 'controllers' | 'sources' | 'runs',
  { item: Joi.ObjectSchema; most: number }
> = {
  loads: { item: load, most: LIMITS.loads },
  arrays: { item: array, most: LIMITS.arrays },
  controllers: { item: controller, most: LIMITS.controllers },
  sources: { item: source, most: LIMITS.sources },
  runs: { item: run, most: LIMITS.runs },
}
const listOf = ({ item, most }: { item: Joi.ObjectSchema; most: number }) =>
  Joi.array().items(item).max(most).required()

/** What a document is made of, a schema each. */
export const SECTIONS = {
  format: choice(DESIGN_FORMAT),
  version: choice(DESIGN_VERSION),
  name,
  variant: name,
  notes: text(LIMITS.notes),
  place: place.required(),
  loads: listOf(LISTS.loads),
  bank: bank.required(),
  arrays: listOf(LISTS.arrays),
  controllers: listOf(LISTS.controllers),
  inverter: inverter.required(),
  generator: generator.required(),
  sources: listOf(LISTS.sources),
  household: household.required(),
  winter: Joi.object({
    years: whole(1, 1000),
    seed: whole(0, 2147483647),
    ageing: Joi.boolean().strict().required(),
    stepMin: choice(60, 15),
  }).required(),
  runs: listOf(LISTS.runs),
  budget: budget.required(),
  build: Joi.object({ done: Joi.array().items(plainText().max(80)).max(LIMITS.doneTasks).required() }).required(),
  schools: Joi.object({
    coldVoltage: choice('coefficient', 'code-table', 'flat'),
    peak: choice('coincidence', 'everything'),
    skyModel: choice('hay-davies', 'perez'),
  }).required(),
}

/** The shape and ranges of a Design document; what contradicts itself is found by the core's invariants. */
export const designSchema = Joi.object(SECTIONS)
