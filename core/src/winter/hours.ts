import { unlikeGroups, unlikeLossAt, type UnlikeGroup } from '../array/unlike.ts'
import { CHEMISTRIES, coldFactor } from '../bank/chemistry.ts'
import { bankNominalV } from '../bank/layout.ts'
import { roomTemperature } from '../bank/roomTemperature.ts'
import { HEAT_LOSS, arrayRatedW, lossFactor } from '../array/power.ts'
import type { ArrayField, Design } from '../design/types.ts'
import { DAYS, HOURS } from '../sun/calendar.ts'
import type { WeatherYear } from '../weather/generate.ts'

/** What one weather year brings to a design, hour by hour. */
export interface YearHours {
  /** array power at the controllers' input, W */
  pvInW: Float64Array
  /** most the controllers can put on the bus, W */
  pvOutW: Float64Array
  roomC: Float32Array
  /** by day: share of the rated capacity the bank gives at its temperature */
  coldShare: Float32Array
}

/** Highest charging voltage of the bank at 25 °C, V. */
export function chargeVoltage(design: Design): number {
  const [, absorbV] = CHEMISTRIES[design.bank.part.chemistry].absorbV
  return (design.bank.systemV / 12) * absorbV
}

/** Bus voltage at which a controller's output amps are counted: between rest and absorption. */
function busVoltage(design: Design): number {
  return (bankNominalV(design.bank) + chargeVoltage(design)) / 2
}

/** Efficiency of all charge controllers taken together, weighted by their output. */
export function controllerEfficiency({ controllers }: Design): number {
  const outputA = controllers.reduce((sum, { part }) => sum + part.outputA, 0)
  if (outputA <= 0) return 1
  return controllers.reduce((sum, { part }) => sum + part.efficiency * part.outputA, 0) / outputA
}

/**
 * Array power and bank temperature of a weather year.
 *
 * @param planes effective plane-of-array irradiance of each array in `design.arrays`, W/m², snow already taken off
 */
export function yearHours(design: Design, weather: WeatherYear, planes: readonly Float32Array[]): YearHours {
  const hours: YearHours = {
    pvInW: new Float64Array(HOURS),
    pvOutW: new Float64Array(HOURS),
    roomC: new Float32Array(HOURS),
    coldShare: new Float32Array(DAYS),
  }
  const volts = busVoltage(design)
  const efficiency = controllerEfficiency(design)
  const unlike = unlikeGroups(design)
  for (const controller of design.controllers) {
    const power = new Float64Array(HOURS)
    design.arrays.forEach((array, i) => {
      if (array.controllerId !== controller.id) return
      const group = unlike.find(({ arrayIds }) => arrayIds.includes(array.id)) ?? null
      addArrayPower(array, controller.part.kind === 'pulse-width' ? volts : 0, group, weather, planes[i], power)
    })
    const limit = controller.part.outputA * volts
    for (let i = 0; i < HOURS; i++) {
      hours.pvInW[i] += power[i]
      hours.pvOutW[i] += Math.min(power[i] * efficiency, limit)
    }
  }
  roomTemperature(design.place.batteryRoom, weather.airC, hours.roomC)
  for (let day = 0; day < DAYS; day++)
    hours.coldShare[day] = coldFactor(design.bank.part.chemistry, hours.roomC[day * 24 + 6])
  return hours
}

/**
 * Faiman cell temperature and linear power coefficient, inlined for the 8760 hours of a year.
 * @param heldV voltage a pulse-width controller holds the array at; 0 on a tracker
 * @param group the unlike strings it works with, or null
 */
function addArrayPower(
  array: ArrayField,
  heldV: number,
  group: UnlikeGroup | null,
  weather: WeatherYear,
  plane: Float32Array,
  power: Float64Array,
): void {
  const losses = lossFactor(array)
  const scale = (arrayRatedW(array) * losses) / 1000
  const heldW = (array.module.impA * array.inParallel * heldV * losses) / 1000
  const gamma = array.module.gammaPctPerK / 100
  const { u0, u1 } = HEAT_LOSS[array.mounting]
  const { airC, windMS } = weather
  for (let i = 0; i < HOURS; i++) {
    const irradiance = plane[i]
    if (irradiance <= 0) continue
    const cellC = airC[i] + irradiance / (u0 + u1 * windMS[i])
    let watts = Math.max(0, scale * irradiance * (1 + gamma * (cellC - 25)))
    if (heldV > 0) watts = Math.min(watts, heldW * irradiance)
    if (group) watts *= 1 - unlikeLossAt(group, irradiance)
    power[i] += watts
  }
}
