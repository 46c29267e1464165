import { coldVoltage, hotVoltage } from '../array/voltage.ts'
import { moduleTemperature, modulePower } from '../array/power.ts'
import { layouts } from '../array/layouts.ts'
import { fittedModule, mismatch, type StringKind } from '../array/mismatch.ts'
import { atConditions, currentAt, openCircuitV, powerPoint, type ModuleSheet } from '../array/singleDiode.ts'
import { freezingPointC } from '../bank/chemistry.ts'
import { currentShares } from '../bank/currentShares.ts'
import { fitKinetic, kineticCapacity, kineticStep } from '../bank/kinetic.ts'
import { lifeYears } from '../bank/life.ts'
import { rainflow } from '../bank/rainflow.ts'
import { sizeByHand } from '../bank/sizeByHand.ts'
import { sag } from '../bank/voltage.ts'
import type { Load } from '../design/types.ts'
import { derate, fuelLitres } from '../generator/power.ts'
import { refillHours } from '../generator/refill.ts'
import { inverterCurve, inverterInput } from '../inverter/efficiency.ts'
import { legs } from '../inverter/legs.ts'
import { surge } from '../inverter/surge.ts'
import { LOAD_SINCE_2 } from '../design/migrate.ts'
import { dailyEnergy } from '../loads/energy.ts'
import { coincidentPeak } from '../loads/peak.ts'
import { runStartDay } from '../sun/calendar.ts'
import { diffuseFraction } from '../sun/diffuse.ts'
import { extraterrestrialDaily } from '../sun/extraterrestrial.ts'
import { sunYear, type SunYear } from '../sun/geometry.ts'
import type { HorizonPoint } from '../sun/horizon.ts'
import { TiltedPlane } from '../sun/plane.ts'
import { bestTilt } from '../sun/monthly.ts'
import { planeOfArray, type PlaneOfArrayInput } from '../sun/planeOfArray.ts'
import { sunPosition } from '../sun/position.ts'
import { clearnessCumulative, clearnessDistribution } from '../weather/clearness.ts'
import type { MonthlyClimate } from '../weather/climate.ts'
import { darkSpells, dailyPlaneEnergy } from '../weather/darkSpells.ts'
import { fitPersistence } from '../weather/fitPersistence.ts'
import { WeatherMaker, type WeatherYear } from '../weather/generate.ts'
import { summariseWeather } from '../weather/summary.ts'
import { ampacity, drop } from '../wiring/conductors.ts'
import { choice, Fields, integer, list, number, numbers, optional, text, type Field } from './fields.ts'

/** A public function of the core under its name: its inputs with ranges, what it gives, where it comes from. */
export interface CalcFunction {
  says: string
  inputs: Record<string, Field>
  outputs: Record<string, string>
  source: string
  run: (input: Fields) => Record<string, unknown>
}

const latitude = number('°', -90, 90)
const longitude = number('°', -180, 180)
const share = number('share', 0, 1)
const watts = number('W', 0, 1e7)
const climateRows = list('12 rows of {ghiKWhM2Day, meanC, minC, maxC, snowfallCm}', 12)
const chemistry = choice('lfp', 'flooded', 'agm', 'gel')
const fuel = choice('petrol', 'propane', 'natural-gas', 'diesel')
const mounting = choice('open-rack', 'roof-parallel')
const kinetic = { qmaxAh: number('Ah', 1e-6, 1e6), c: number('share', 1e-6, 1), kPerH: number('1/h', 1e-6, 1000) }

const moduleSheet = {
  vocV: number('V', 0.1, 500),
  iscA: number('A', 0.01, 100),
  vmpV: number('V', 0.1, 500),
  impA: number('A', 0.01, 100),
  cells: integer('cells', 1, 500),
  alphaIscPctPerK: number('%/K', -0.5, 0.5),
  betaVocPctPerK: number('%/K', -1, 0),
}

/** A kind of string, its module checked as a call of its own. */
function stringOf({ module, inSeries, count = 1 }: Record<string, unknown>, i: number): StringKind {
  const known = Object.fromEntries(Object.entries((module ?? {}) as object).filter(([key]) => key in moduleSheet))
  try {
    const sheet = new Fields(moduleSheet, known).all<ModuleSheet>()
    const counts = { inSeries: integer('modules', 1, 100), count: integer('strings', 1, 1000) }
    return { module: sheet, ...new Fields(counts, { inSeries, count }).all<{ inSeries: number; count: number }>() }
  } catch (error) {
    throw new RangeError(`strings.${i}.${(error as Error).message}`, { cause: error })
  }
}

const weatherInputs = {
  latitudeDeg: latitude,
  longitudeDeg: longitude,
  elevationM: optional(number('m', -430, 6000), 0),
  monthly: climateRows,
  persistence: numbers('0…0.95, one or twelve', 0, 0.95),
  years: integer('years', 1, 1000),
  seed: integer('', -2147483648, 2147483647),
}

/** Synthetic years as the weather inputs ask for them. */
function madeYears(input: Fields): { years: WeatherYear[]; sun: SunYear } {
  const latitudeDeg = input.number('latitudeDeg')
  const given = input.numbers('persistence')
  if (given.length !== 1 && given.length !== 12)
    throw new RangeError(`persistence has ${given.length} values; one or twelve`)
  const persistence = given.length === 1 ? Array<number>(12).fill(given[0]) : given
  const sun = sunYear(locationOf(input))
  const source = { latitudeDeg, monthly: climateOf(input), persistence, windMS: 2, recordLowC: -90 }
  const maker = new WeatherMaker(source, sun, runStartDay(latitudeDeg))
  return {
    sun,
    years: Array.from({ length: input.number('years') }, (_, index) => maker.year(input.number('seed'), index)),
  }
}

const groundOf = (input: Fields) => ({
  horizon: horizonOf(input),
  latitudeDeg: input.number('latitudeDeg'),
  skyModel: 'hay-davies' as const,
  albedoBare: 0.2,
  albedoSnow: 0.65,
})

/** Points of a horizon, checked one by one; none for an open one. */
function horizonOf(input: Fields): HorizonPoint[] {
  if (!input.has('horizon')) return []
  return input.rows('horizon', {
    azimuthDeg: number('°', 0, 360),
    elevationDeg: number('°', 0, 90),
    cover: optional(choice('terrain', 'evergreen', 'leafless'), 'terrain'),
  }) as unknown as HorizonPoint[]
}

/** A load as in the document of any version. */
const loadOf = (value: unknown) => ({ ...LOAD_SINCE_2, ...(value as object) }) as unknown as Load

/** Rows of a monthly climate, checked one by one. */
function climateOf(input: Fields): MonthlyClimate[] {
  return input.rows('monthly', {
    ghiKWhM2Day: number('kWh/m²·day', 0, 14),
    meanC: optional(number('°C', -80, 60), 0),
    minC: optional(number('°C', -90, 60), -5),
    maxC: optional(number('°C', -80, 70), 5),
    snowfallCm: optional(number('cm', 0, 1000), 0),
  }) as unknown as MonthlyClimate[]
}

export const CALC_FUNCTIONS: Record<string, CalcFunction> = {
  'sun.position': {
    says: 'apparent position of the sun',
    inputs: { latitudeDeg: latitude, longitudeDeg: longitude, at: text('ISO date and time, UTC') },
    outputs: { azimuthDeg: '° clockwise from true north', elevationDeg: '°, with refraction' },
    source: 'suncalc 2 after Meeus (1998)',
    run: (input) => sunPosition(input.number('latitudeDeg'), input.number('longitudeDeg'), input.time('at')),
  },
  'sun.extraterrestrialDaily': {
    says: 'daily extraterrestrial energy on the horizontal',
    inputs: { latitudeDeg: latitude, dayOfYear: integer('day', 1, 366) },
    outputs: { energyKWhM2: 'kWh/m²' },
    source: 'Spencer (1971); Kopp & Lean (2011)',
    run: (input) => ({ energyKWhM2: extraterrestrialDaily(input.number('latitudeDeg'), input.number('dayOfYear')) }),
  },
  'sun.diffuseFraction': {
    says: 'diffuse share of the hour’s global irradiance',
    inputs: { clearness: number('', 0, 2) },
    outputs: { fraction: 'share' },
    source: 'Erbs, Klein & Duffie (1982)',
    run: (input) => ({ fraction: diffuseFraction(input.number('clearness')) }),
  },
  'sun.planeOfArray': {
    says: 'irradiance on a tilted plane, before incidence and soiling losses',
    inputs: {
      ghiWM2: number('W/m²', 0, 1600),
      zenithDeg: number('°', 0, 180),
      sunAzimuthDeg: number('°', -360, 360),
      tiltDeg: number('°', 0, 90),
      azimuthDeg: number('°', -360, 360),
      dayOfYear: integer('day', 1, 366),
      albedo: optional(share, 0.2),
      skyModel: optional(choice('hay-davies', 'perez'), 'hay-davies'),
      horizon: optional(list('points {azimuthDeg, elevationDeg, cover = terrain | evergreen | leafless}'), null),
      latitudeDeg: optional(latitude, 45),
    },
    outputs: { beamWM2: 'W/m²', diffuseWM2: 'W/m²', groundWM2: 'W/m²', totalWM2: 'W/m²' },
    source: 'Erbs et al. (1982); Hay & Davies (1980); Perez et al. (1990)',
    run: (input) => planeOfArray({ ...input.all<PlaneOfArrayInput>(), horizon: horizonOf(input) }),
  },
  'sun.bestTilt': {
    says: 'tilt and azimuth that collect most in the chosen months',
    inputs: {
      latitudeDeg: latitude,
      longitudeDeg: longitude,
      elevationM: optional(number('m', -430, 6000), 0),
      monthly: climateRows,
      months: list('months 1…12'),
      horizon: optional(list('points {azimuthDeg, elevationDeg, cover}'), null),
    },
    outputs: { tiltDeg: '°', azimuthDeg: '°', energyKWhM2Day: 'kWh/m²·day' },
    source: 'search on the monthly plane-of-array energy',
    run: (input) => {
      const months = input.integers('months', 1, 12).map((month) => month - 1)
      return {
        ...bestTilt(locationOf(input), climateOf(input), months, groundOf(input)),
      }
    },
  },
  'weather.clearnessDistribution': {
    says: 'distribution of daily clearness about a monthly mean',
    inputs: { meanClearness: number('', 0, 1), at: optional(number('', 0, 1), null) },
    outputs: { gamma: '', minimum: '', maximum: '', cumulative: 'share of days up to `at`' },
    source: 'Bendt et al. (1981)',
    run: (input) => {
      const distribution = clearnessDistribution(input.number('meanClearness'))
      return input.has('at')
        ? { ...distribution, cumulative: clearnessCumulative(distribution, input.number('at')) }
        : { ...distribution }
    },
  },
  'weather.generate': {
    says: 'summary of synthetic years made from monthly rows',
    inputs: weatherInputs,
    outputs: {
      monthlyGhiKWhM2Day: '12',
      monthlyMeanC: '12',
      lag1: 'of the Gaussian series',
      firstDays: '30 daily sums, kWh/m²',
    },
    source: 'Bendt et al. (1981); Graham et al. (1988); Collares-Pereira & Rabl (1979)',
    run: (input) => ({ ...summariseWeather(madeYears(input).years) }),
  },
  'weather.darkSpells': {
    says: 'runs of days under a threshold on a tilted plane, by return period',
    inputs: {
      ...weatherInputs,
      tiltDeg: number('°', 0, 90),
      azimuthDeg: number('°', -360, 360),
      thresholdKWhM2: optional(number('kWh/m²·day', 0.01, 14), 1),
      horizon: optional(list('points {azimuthDeg, elevationDeg, cover}'), null),
    },
    outputs: { longestByReturnPeriod: 'days once in 2, 5, 10, 20 years', count: 'spells a year', daysPerYear: 'days' },
    source: 'ranked yearly longest spells of synthetic years',
    run: (input) => {
      const { years, sun } = madeYears(input)
      const surface = { tiltDeg: input.number('tiltDeg'), azimuthDeg: input.number('azimuthDeg'), ...groundOf(input) }
      return { ...darkSpells(dailyPlaneEnergy(new TiltedPlane(sun, surface), years), input.number('thresholdKWhM2')) }
    },
  },
  'weather.fitPersistence': {
    says: 'lag-1 persistence of a sequence of daily clearnesses',
    inputs: {
      dailyClearness: numbers('0…1, days in order', 0, 1),
      meanClearness: optional(numbers('0…1, twelve', 0, 1), null),
    },
    outputs: { persistence: '' },
    source: 'Graham, Hollands & Huget (1988)',
    run: (input) => ({
      persistence: fitPersistence(
        input.numbers('dailyClearness'),
        input.has('meanClearness') ? input.numbers('meanClearness') : undefined,
      ),
    }),
  },
  'loads.dailyEnergy': {
    says: 'energy of a load on an average day of a month',
    inputs: { load: text('a load as in the document'), month: integer('month', 1, 12) },
    outputs: { whPerDay: 'Wh/day' },
    source: 'IEEE 1013 load audit',
    run: (input) => ({ whPerDay: dailyEnergy(loadOf(input.object('load')), input.number('month') - 1) }),
  },
  'loads.coincidentPeak': {
    says: 'how much is on at once, and the largest start on top',
    inputs: {
      loads: list('loads as in the document; DC ones are left out'),
      school: optional(choice('coincidence', 'everything'), 'coincidence'),
    },
    outputs: { continuousW: 'W', surgeW: 'W', starter: 'the load that makes the surge', startS: 's it lasts' },
    source: 'practice: worst hour of the hour shapes, or everything at once + 20 %',
    run: (input) => {
      const loads = input.objects('loads').map(loadOf)
      const ac = loads.filter((load) => load.leg !== 'DC')
      return { ...coincidentPeak(ac, input.text('school') as 'coincidence') }
    },
  },
  'array.coldVoltage': {
    says: 'open-circuit voltage of a string on its coldest morning',
    inputs: {
      inSeries: integer('modules', 1, 100),
      vocV: number('V', 0.1, 200),
      betaVocPctPerK: number('%/K', -1, 0),
      coldestC: number('°C', -80, 60),
      method: optional(choice('coefficient', 'code-table', 'flat'), 'coefficient'),
    },
    outputs: { volts: 'V' },
    source: 'IEC 60891; NEC table 690.7(A)',
    run: (input) => ({ volts: coldVoltage(input.all()) }),
  },
  'array.hotVoltage': {
    says: 'power-point voltage of a string on its hottest afternoon',
    inputs: {
      inSeries: integer('modules', 1, 100),
      vmpV: number('V', 0.1, 200),
      betaVmpPctPerK: number('%/K', -1, 0),
      hottestCellC: number('°C', -40, 120),
    },
    outputs: { volts: 'V' },
    source: 'IEC 60891',
    run: (input) => ({ volts: hotVoltage(input.all()) }),
  },
  'array.moduleTemperature': {
    says: 'temperature of the cells',
    inputs: {
      irradianceWM2: number('W/m²', 0, 1600),
      airC: number('°C', -80, 60),
      windMS: number('m/s', 0, 60),
      mounting,
    },
    outputs: { cellC: '°C' },
    source: 'Faiman (2008)',
    run: (input) => ({
      cellC: moduleTemperature(
        input.number('irradianceWM2'),
        input.number('airC'),
        input.number('windMS'),
        input.text('mounting') as 'open-rack',
      ),
    }),
  },
  'array.power': {
    says: 'power of a module',
    inputs: {
      ratedW: watts,
      irradianceWM2: number('W/m²', 0, 1600),
      cellC: number('°C', -80, 120),
      gammaPctPerK: number('%/K', -1, 0),
    },
    outputs: { watts: 'W' },
    source: 'linear power coefficient of the data sheet',
    run: (input) => ({
      watts: modulePower(
        input.number('ratedW'),
        input.number('irradianceWM2'),
        input.number('cellC'),
        input.number('gammaPctPerK'),
      ),
    }),
  },
  'array.singleDiode': {
    says: 'five parameters of a module from its data sheet, and its power point at other light and heat',
    inputs: {
      ...moduleSheet,
      irradianceWM2: optional(number('W/m²', 1, 1600), 1000),
      cellC: optional(number('°C', -80, 120), 25),
    },
    outputs: {
      photocurrentA: 'A',
      saturationA: 'A',
      seriesOhm: 'Ω',
      shuntOhm: 'Ω',
      idealityV: 'V, ideality × cells × kT/q',
      mpp: '{volts, amps, watts}',
    },
    source: 'De Soto, Klein & Beckman (2006)',
    run: (input) => {
      const sheet = input.all<ModuleSheet>()
      const fit = atConditions(fittedModule(sheet), sheet, input.number('irradianceWM2'), input.number('cellC'))
      return { ...fit, mpp: powerPoint((volts) => currentAt(fit, volts), openCircuitV(fit)) }
    },
  },
  'array.mismatch': {
    says: 'what unlike strings lose in parallel on one controller',
    inputs: {
      strings: list('{module, inSeries, count?}, module as in array.singleDiode'),
      irradianceWM2: optional(number('W/m²', 1, 1600), 1000),
      cellC: optional(number('°C', -80, 120), 25),
    },
    outputs: { combinedW: 'W', separateW: 'W', lossFraction: 'share' },
    source: 'De Soto et al. (2006); 1 − P(combined)/ΣP(each alone)',
    run: (input) => {
      const strings = input.objects('strings').map((each, i) => stringOf(each, i))
      const { combined, separateW, lossFraction } = mismatch(
        strings,
        input.number('irradianceWM2'),
        input.number('cellC'),
      )
      return { combinedW: combined.watts, separateW, lossFraction }
    },
  },
  'array.layouts': {
    says: 'legal series × parallel × controller layouts, best first',
    inputs: {
      module: text('a module as in the document'),
      controller: text('a controller part as in the document'),
      coldestC: number('°C', -80, 60),
      hottestCellC: number('°C', -40, 120),
      chargeV: number('V', 1, 100),
      maxModules: integer('modules', 1, 400),
    },
    outputs: { layouts: 'inSeries, inParallel, controllers, coldV, hotV, watts, remarks' },
    source: 'limits of the data sheets',
    run: (input) => ({ layouts: layouts(input.all()) }),
  },
  'bank.sizeByHand': {
    says: 'the bank by the hand method',
    inputs: {
      dailyWh: number('Wh/d', 0, 1e7),
      days: number('d', 0.1, 60),
      depth: number('share', 0.01, 1),
      batteryC: number('°C', -60, 60),
      chemistry,
      systemV: number('V', 12, 48),
      unitV: number('V', 1, 60),
      unitAh: number('Ah', 1, 5000),
    },
    outputs: { needWh: 'Wh', needAh: 'Ah', inSeries: '', inParallel: '' },
    source: 'IEEE 1013',
    run: (input) => sizeByHand(input.all()),
  },
  'bank.fitKinetic': {
    says: 'kinetic model from rated capacities',
    inputs: { points: list('{hours, ampHours}') },
    outputs: { qmaxAh: 'Ah', c: 'share', kPerH: '1/h', worstResidual: 'share' },
    source: 'Manwell & McGowan (1993)',
    run: (input) => ({
      ...fitKinetic(
        input.rows('points', { hours: number('h', 1e-3, 1000), ampHours: number('Ah', 1e-3, 1e5) }) as never,
      ),
    }),
  },
  'bank.kineticCapacity': {
    says: 'capacity at the constant current that empties a full battery in so many hours',
    inputs: { ...kinetic, hours: number('h', 1e-6, 10000) },
    outputs: { ampHours: 'Ah' },
    source: 'Manwell & McGowan (1993)',
    run: (input) => ({ ampHours: kineticCapacity(input.all(), input.number('hours')) }),
  },
  'bank.kineticStep': {
    says: 'one step of the kinetic model',
    inputs: {
      ...kinetic,
      availableAh: number('Ah', 0, 1e6),
      boundAh: number('Ah', 0, 1e6),
      currentA: number('A, discharge positive', -1e6, 1e6),
      hours: number('h', 1e-6, 10000),
    },
    outputs: {
      availableAh: 'Ah',
      boundAh: 'Ah',
      maxDischargeA: 'A, from the given state',
      maxChargeA: 'A, from the given state',
    },
    source: 'Manwell & McGowan (1993)',
    run: (input) =>
      kineticStep(
        input.all(),
        { availableAh: input.number('availableAh'), boundAh: input.number('boundAh') },
        input.number('currentA'),
        input.number('hours'),
      ),
  },
  'bank.rainflow': {
    says: 'rainflow cycles of a series',
    inputs: { series: numbers('any, at least two', -1e12, 1e12) },
    outputs: { cycles: '{range, mean, count}, count ½ or 1' },
    source: 'ASTM E1049-85, three-point method',
    run: (input) => ({ cycles: rainflow(input.numbers('series')) }),
  },
  'bank.lifeYears': {
    says: 'years until a bank is worn out, by cycles or by calendar',
    inputs: {
      stateOfCharge: numbers('0…1, in order', 0, 1),
      yearsCovered: number('years', 1e-6, 1000),
      cycles: list('{depth, cycles} of the data sheet'),
      calendarYears: number('years', 0.1, 100),
    },
    outputs: {
      years: 'the smaller',
      cyclicYears: 'years, null for never',
      calendarYears: 'years',
      limitedBy: 'cycles or calendar',
      wearPerYear: 'share',
      equivalentCyclesPerYear: 'cycles of 80 % depth',
    },
    source: 'ASTM E1049-85; Palmgren–Miner',
    run: (input) => {
      const cycles = input.rows('cycles', { depth: number('share', 1e-3, 1), cycles: number('', 1, 1e7) }) as never
      const part = { cycles, calendarYears: input.number('calendarYears') }
      const life = lifeYears(input.numbers('stateOfCharge'), input.number('yearsCovered'), part)
      return { ...life, cyclicYears: Number.isFinite(life.cyclicYears) ? life.cyclicYears : null }
    },
  },
  'bank.currentShares': {
    says: 'share of the current each parallel string carries',
    inputs: {
      milliohm: numbers('mΩ per string', 1e-6, 1e6),
      linkMilliohm: number('mΩ', 0, 1e6),
      takeoff: choice('one-end', 'opposite-corners', 'equal-leads'),
    },
    outputs: { sharesPct: '% per string' },
    source: 'nodal analysis of the ladder',
    run: (input) => ({
      sharesPct: currentShares(
        input.numbers('milliohm'),
        input.number('linkMilliohm'),
        input.text('takeoff') as 'one-end',
      ),
    }),
  },
  'bank.sag': {
    says: 'terminal voltage under a constant power',
    inputs: { openCircuitV: number('V', 0.1, 1000), ohm: number('Ω', 0, 100), watts },
    outputs: { carries: 'whether it can be carried', volts: 'V, null when not' },
    source: 'V = (E + √(E² − 4PR))/2',
    run: (input) => sag(input.number('openCircuitV'), input.number('ohm'), input.number('watts')),
  },
  'bank.freezingPoint': {
    says: 'freezing point of lead-acid electrolyte',
    inputs: { stateOfCharge: share },
    outputs: { celsius: '°C' },
    source: 'sulphuric acid tables',
    run: (input) => ({ celsius: freezingPointC(input.number('stateOfCharge')) }),
  },
  'inverter.input': {
    says: 'DC input of an inverter',
    inputs: {
      idleW: number('W', 0, 10000),
      ratedW: number('W', 1, 1e6),
      peakEfficiency: share,
      peakAtFraction: share,
      fullLoadEfficiency: share,
      watts,
    },
    outputs: { inputW: 'W', efficiency: 'share' },
    source: 'idle + a·P + b·P² through three points',
    run: (input) => {
      const inputW = inverterInput(inverterCurve(input.all()), input.number('watts'))
      return { inputW, efficiency: inputW > 0 ? input.number('watts') / inputW : 0 }
    },
  },
  'inverter.legs': {
    says: 'power on each leg and neutral current',
    inputs: {
      loads: list('{watts, leg: A | B | AB, and C | ABC with three phases}'),
      service: optional(choice('split-phase', 'three-phase', 'single-120', 'single-230'), 'split-phase'),
      volts: optional(number('V, leg to neutral', 1, 1000), 120),
    },
    outputs: { legAW: 'W', legBW: 'W', legCW: 'W', neutralA: 'A' },
    source: 'Kirchhoff’s current law at the neutral, unity power factor',
    run: (input) => ({
      ...legs(
        input.rows('loads', { watts, leg: choice('A', 'B', 'C', 'AB', 'ABC') }) as never,
        input.text('service') as 'split-phase',
        input.number('volts'),
      ),
    }),
  },
  'inverter.surge': {
    says: 'whether a start is carried by the inverter, the bank’s voltage and the bank’s current',
    inputs: {
      baseW: watts,
      startW: watts,
      surgeRatingW: watts,
      efficiency: optional(number('share', 0.01, 1), 0.9),
      openCircuitV: number('V', 0.1, 1000),
      ohm: number('Ω', 0, 100),
      lowCutV: number('V', 0, 1000),
      surgeLimitA: optional(number('A', 0, 1e6), 1e6),
    },
    outputs: {
      starts: '',
      limitedBy: 'none, inverter, voltage, bank-current',
      outputW: 'W',
      volts: 'V, null when not carried',
      amps: 'A',
    },
    source: 'V = (E + √(E² − 4PR))/2 against the low cut-out',
    run: (input) => ({ ...surge(input.all()) }),
  },
  'generator.refillHours': {
    says: 'hours a charger takes from one state of charge to another, the absorption tail with it',
    inputs: {
      ...kinetic,
      from: share,
      to: share,
      chargeA: number('A', 1e-6, 1e5),
      efficiency: optional(number('share', 0.01, 1), 0.85),
    },
    outputs: {
      hours: 'h, null when not within 96 h',
      tailHours: 'h',
      meanShare: 'mean share of the charger’s current',
    },
    source: 'Manwell & McGowan (1993), stepped by 3 minutes',
    run: (input) => {
      const { hours, ...rest } = refillHours(
        input.all(),
        input.number('from'),
        input.number('to'),
        input.number('chargeA'),
        input.number('efficiency'),
      )
      return { hours: Number.isFinite(hours) ? hours : null, ...rest }
    },
  },
  'generator.derate': {
    says: 'power a generator really gives at a place',
    inputs: { ratedW: number('W', 1, 1e6), elevationM: number('m', -430, 6000), airC: number('°C', -60, 60), fuel },
    outputs: { watts: 'W' },
    source: 'makers’ de-rating rules',
    run: (input) => ({
      watts: derate(
        input.number('ratedW'),
        input.number('elevationM'),
        input.number('airC'),
        input.text('fuel') as 'petrol',
      ),
    }),
  },
  'generator.fuel': {
    says: 'fuel burnt',
    inputs: { ratedW: number('W', 1, 1e6), watts, hours: number('h', 0, 10000), fuel },
    outputs: { litres: 'L' },
    source: 'straight Willans line',
    run: (input) => ({
      litres: fuelLitres(
        input.number('ratedW'),
        input.number('watts'),
        input.number('hours'),
        input.text('fuel') as 'petrol',
      ),
    }),
  },
  'wiring.drop': {
    says: 'voltage lost there and back',
    inputs: {
      size: text('as “6 AWG” or “16 mm2”'),
      oneWayM: number('m', 0, 10000),
      amps: number('A', 0, 10000),
      volts: number('V', 0.1, 2000),
    },
    outputs: { dropV: 'V', dropPct: '%' },
    source: '2·L·I·R; NEC chapter 9 table 8, IEC 60228',
    run: (input) => drop(input.all()),
  },
  'wiring.ampacity': {
    says: 'current a conductor may carry',
    inputs: {
      size: text('as “6 AWG”'),
      insulationC: number('°C', 60, 90),
      ambientC: number('°C', -40, 89),
      conductors: integer('', 1, 9),
    },
    outputs: { amps: 'A' },
    source: 'NEC 310.16, 310.15, 110.14(C)',
    run: (input) => ({
      amps: ampacity(
        input.text('size'),
        input.number('insulationC') as 75,
        input.number('ambientC'),
        input.number('conductors'),
      ),
    }),
  },
}

function locationOf(input: Fields) {
  const longitudeDeg = input.number('longitudeDeg')
  return { latitudeDeg: input.number('latitudeDeg'), longitudeDeg, utcOffsetH: Math.round(longitudeDeg / 15) }
}

/**
 * Runs a public function by name on plain JSON input.
 * @throws RangeError naming the function or the field, its value and what is allowed
 */
export function calculate(name: string, input: unknown): Record<string, unknown> {
  const found = CALC_FUNCTIONS[name]
  if (!found) throw new RangeError(`name ${JSON.stringify(name)} is not a function; --list names them all`)
  return found.run(new Fields(found.inputs, input))
}
