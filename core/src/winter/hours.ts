import { wiredArrays } from '../system/wiringLoss.ts'
import { unlikeGroups, unlikeLossAt, type UnlikeGroup } from '../array/unlike.ts'
import { coldFactor } from '../bank/chemistry.ts'
import { absorptionV, bankNominalV } from '../bank/layout.ts'
import { roomTemperature } from '../bank/roomTemperature.ts'
import {
  busAmps,
  chargesBank,
  onTheBus,
  outputOf,
  passesW,
  trackerInputs,
  type TrackerInput,
} from '../array/controllers.ts'
import { heldString } from '../array/heldVolts.ts'
import { LIGHT_STEP, lowLight } from '../array/lowLight.ts'
import { HEAT_LOSS, arrayRatedW, lossFactor } from '../array/power.ts'
import { pick } from '../document/question.ts'
import type { ArrayField, Controller, ControllerPart, Design } from '../document/types.ts'
import { DAYS, HOURS, MONTH_OF_DAY } from '../calendar/calendar.ts'
import { snowOfYear } from '../weather/snow.ts'
import type { WeatherYear } from '../weather/generate.ts'

/** What one weather year brings to a design, hour by hour of the run. */
export interface YearHours {
  /** array power at the controllers' input, W */
  pvInW: Float64Array
  /** most the controllers can put on the bus, W */
  pvOutW: Float64Array
  /** what AC-coupled arrays and other sources can give on either side of the inverter, W; null for none */
  acSourceW: Float64Array | null
  dcSourceW: Float64Array | null
  roomC: Float32Array
  /** by day: share of the rated capacity the bank gives at its temperature */
  coldShare: Float32Array
  /** sums of the days, kept from the first run on */
  days?: DayHours
}

/** What the hours of each day add up to, Wh, and its coldest hour. */
export interface DayHours {
  pvInW: Float64Array
  pvOutW: Float64Array
  acSourceW: Float64Array
  dcSourceW: Float64Array
  coldestC: Float32Array
}

/** Sums of the hours of each day. */
export function dayHours({ pvInW, pvOutW, acSourceW, dcSourceW, roomC }: YearHours): DayHours {
  const days: DayHours = {
    pvInW: new Float64Array(DAYS),
    pvOutW: new Float64Array(DAYS),
    acSourceW: new Float64Array(DAYS),
    dcSourceW: new Float64Array(DAYS),
    coldestC: new Float32Array(DAYS).fill(Infinity),
  }
  const sums: [Float64Array | null, Float64Array][] = [
    [pvInW, days.pvInW],
    [pvOutW, days.pvOutW],
    [acSourceW, days.acSourceW],
    [dcSourceW, days.dcSourceW],
  ]
  for (const [hours, of] of sums) if (hours !== null) sumByDay(hours, of)
  for (let day = 0; day < DAYS; day++) {
    let coldest = Infinity
    for (let i = day * 24; i < (day + 1) * 24; i++) if (roomC[i] < coldest) coldest = roomC[i]
    days.coldestC[day] = coldest
  }
  return days
}

function sumByDay(hours: Float64Array, of: Float64Array): void {
  for (let day = 0; day < DAYS; day++) {
    let sum = 0
    for (let i = day * 24; i < (day + 1) * 24; i++) sum += hours[i]
    of[day] = sum
  }
}

/** Bus voltage at which a controller's output amps are counted: between rest and absorption. */
function busVoltage(design: HoursQuestion): number {
  return (bankNominalV(design.bank) + absorptionV(design.bank)) / 2
}

/** What of a design its hours rest on, beside the weather and the planes of its arrays. */
export type HoursQuestion = Pick<Design, 'arrays' | 'controllers' | 'sources'> & {
  place: Pick<Design['place'], 'batteryRoom'>
  bank: Pick<Design['bank'], 'systemV' | 'absorbV' | 'inSeries'> & {
    part: Pick<Design['bank']['part'], 'chemistry' | 'nominalV'>
  }
}

/** What something is called and what its part costs bring no watt. */
const unnamed = <T extends { name: string }>(of: T): T => ({ ...of, name: '' })
const plain = <T extends { name: string; price: number }>(part: T): T => ({ ...part, name: '', price: 0 })

/** What of a design the hours of a year rest on, and nothing else. */
export const hoursQuestion = (design: Design): HoursQuestion => ({
  sources: design.sources.map(unnamed),
  controllers: design.controllers.map((each) => ({ ...unnamed(each), part: plain(each.part) })),
  arrays: wiredArrays(design).map((each) => ({ ...unnamed(each), module: plain(each.module) })),
  place: pick(design.place, 'batteryRoom'),
  bank: {
    ...pick(design.bank, 'systemV', 'absorbV', 'inSeries'),
    part: pick(design.bank.part, 'chemistry', 'nominalV'),
  },
})

/** What of a design its controllers' work rests on. */
type ControllersQuestion = Pick<HoursQuestion, 'controllers'> & { bank: Pick<Design['bank'], 'systemV'> }

/** The controllers that work: one that is not made for the bank gives nothing, and may not live long. */
const working = ({ controllers, bank }: ControllersQuestion): Controller[] =>
  controllers.filter(({ part }) => chargesBank(part, bank.systemV))

/** Efficiency of the working charge controllers on the bank's side taken together, weighted by their output. */
export function controllerEfficiency(design: ControllersQuestion): number {
  const controllers = working(design)
  const outputA = busAmps(controllers)
  if (outputA <= 0) return 1
  return onTheBus(controllers).reduce((sum, each) => sum + each.part.efficiency * outputOf(each), 0) / outputA
}

/** Of one controller, while a year is worked out; of one of its trackers, and the current its strings would like to give. */
const POWER = new Float64Array(HOURS)
const ON_TRACKER = new Float64Array(HOURS)
const WANTED_A = new Float64Array(HOURS)

/**
 * Array power and bank temperature of a weather year.
 *
 * @param planes effective plane-of-array irradiance of each array in `design.arrays`, W/m², snow already taken off
 */
export function yearHours(design: HoursQuestion, weather: WeatherYear, planes: readonly Float32Array[]): YearHours {
  const hours: YearHours = {
    pvInW: new Float64Array(HOURS),
    pvOutW: new Float64Array(HOURS),
    acSourceW: otherWatts(design, 'ac', weather.startDay),
    dcSourceW: otherWatts(design, 'dc', weather.startDay),
    roomC: new Float32Array(HOURS),
    coldShare: new Float32Array(DAYS),
  }
  const volts = busVoltage(design)
  const unlike = unlikeGroups(design)
  const efficiency = controllerEfficiency(design)
  for (const controller of working(design)) {
    const power = POWER.fill(0)
    for (const input of trackerInputs(controller, design.arrays)) {
      const held = input.takesW < input.ratedW
      const on = held ? ON_TRACKER.fill(0) : power
      for (const array of input.arrays) {
        const group = unlike.find(({ arrayIds }) => arrayIds.includes(array.id)) ?? null
        const plane = planes[design.arrays.indexOf(array)]
        addArrayPower(array, controller.part, volts, group, weather, plane, on)
      }
      if (held) addHeld(controller.part, input, design.arrays, planes, power)
    }
    const limit = passesW(controller, volts)
    const takesW = controller.part.maxArrayW ?? Infinity
    if (takesW < Infinity) for (let i = 0; i < HOURS; i++) power[i] = Math.min(power[i], takesW)
    if (controller.part.kind === 'ac-coupled')
      addPassed(power, controller.part.efficiency, limit, (hours.acSourceW ??= new Float64Array(HOURS)))
    else {
      addPassed(power, 1, Infinity, hours.pvInW)
      addPassed(power, efficiency, limit, hours.pvOutW)
    }
  }
  roomTemperature(design.place.batteryRoom, weather.airC, snowOfYear(weather), hours.roomC)
  for (let day = 0; day < DAYS; day++)
    hours.coldShare[day] = coldFactor(design.bank.part.chemistry, hours.roomC[day * 24 + 6])
  return hours
}

/** Adds what comes through of a power, W, up to a limit. */
function addPassed(power: Float64Array, efficiency: number, limitW: number, to: Float64Array): void {
  for (let i = 0; i < HOURS; i++) {
    const through = power[i] * efficiency
    to[i] += through < limitW ? through : limitW
  }
}

/**
 * Adds what a tracker takes of its strings' power: no more than its amps let through near their power point, and no more
 * than its watts.
 */
function addHeld(
  { maxOperatingA, maxTrackerW }: ControllerPart,
  { arrays }: TrackerInput,
  all: readonly ArrayField[],
  planes: readonly Float32Array[],
  power: Float64Array,
): void {
  const mostA = maxOperatingA ?? Infinity
  const mostW = maxTrackerW ?? Infinity
  const wantedA = WANTED_A.fill(0)
  for (const array of arrays) {
    const plane = planes[all.indexOf(array)]
    const perWM2 = (array.module.impA * array.inParallel) / 1000
    for (let i = 0; i < HOURS; i++) wantedA[i] += perWM2 * plane[i]
  }
  for (let i = 0; i < HOURS; i++) {
    const share = wantedA[i] > mostA ? mostA / wantedA[i] : 1
    power[i] += Math.min(ON_TRACKER[i] * share, mostW)
  }
}

/** What the other sources on one side give through a year of the run, W; null where there is none. */
function otherWatts({ sources }: HoursQuestion, side: 'ac' | 'dc', startDay: number): Float64Array | null {
  const here = sources.filter((source) => source.side === side)
  if (here.length === 0) return null
  return Float64Array.from({ length: HOURS }, (_, i) => {
    const hourOfYear = (startDay * 24 + i) % HOURS
    const month = MONTH_OF_DAY[Math.floor(hourOfYear / 24)]
    return here.reduce(
      (sum, { hourlyW, wattsByMonth }) => sum + (hourlyW?.[hourOfYear] ?? wattsByMonth[month][hourOfYear % 24]),
      0,
    )
  })
}

/** Colder the cells of a run are not while the sun shines on them, °C. */
const COLDEST_C = -60

/** Volts below its power point that a controller holds an array at, V; 0 for none. */
function mostVolts({ module, inSeries }: ArrayField, { kind, maxTrackV }: ControllerPart, busV: number): number {
  if (kind === 'pulse-width') return busV
  const coldV = inSeries * module.vmpV * (1 + (module.gammaPctPerK / 100) * (COLDEST_C - 25))
  return coldV > maxTrackV ? maxTrackV : 0
}

/**
 * Faiman cell temperature, linear power coefficient and efficiency by light, inlined for the 8760 hours of a year.
 * @param busV voltage of the bank, at which a pulse-width controller holds the array, and over which a tracker needs some
 * @param group the unlike strings it works with, or null
 */
function addArrayPower(
  array: ArrayField,
  part: ControllerPart,
  busV: number,
  group: UnlikeGroup | null,
  weather: WeatherYear,
  plane: Float32Array,
  power: Float64Array,
): void {
  const losses = lossFactor(array)
  const scale = (arrayRatedW(array) * losses) / 1000
  const heldV = mostVolts(array, part, busV)
  const string = heldString(array, part, busV)
  const heldW = (array.module.impA * array.inParallel * heldV * losses) / 1000
  const gamma = array.module.gammaPctPerK / 100
  const { u0, u1 } = HEAT_LOSS[array.mounting]
  const { airC, windMS } = weather
  const shares = lowLight(array.module)
  const lastShare = shares.length - 1.000001
  for (let i = 0; i < HOURS; i++) {
    const irradiance = plane[i]
    if (string !== null && i % 24 === 0) string.newDay()
    if (irradiance <= 0) continue
    const cellC = airC[i] + irradiance / (u0 + u1 * windMS[i])
    const step = irradiance / LIGHT_STEP
    const at = step < lastShare ? step : lastShare
    const below = at | 0
    const share = shares[below] + (shares[below + 1] - shares[below]) * (at - below)
    let watts = scale * share * irradiance * (1 + gamma * (cellC - 25))
    if (watts < 0) watts = 0
    if (heldV > 0 && watts > heldW * irradiance) watts = heldW * irradiance
    if (string !== null) watts *= string.share(below, at - below, cellC)
    if (group) watts *= 1 - unlikeLossAt(group, irradiance)
    power[i] += watts
  }
}
