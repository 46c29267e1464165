import { inverterInput, inverterOutput } from '../inverter/efficiency.ts'
import { DAYS, MONTH_OF_DAY } from '../sun/calendar.ts'
import type { Priority } from '../design/types.ts'
import type { YearHours } from './hours.ts'
import type { RunPlan } from './plan.ts'

/** What one year of hours did. Days are counted from the run's first day. */
export interface YearResult {
  shortHours: Record<Priority, number>
  unmetWh: Record<Priority, number>
  generatorHours: number
  generatorStarts: number
  generatorWh: number
  fuelL: number
  lowestStateOfCharge: number
  coldLockHours: number
  /** energy the heaters of the bank took, Wh */
  heaterWh: number
  sourcesWh: number
  arrayWh: number
  servedWh: number
  lossesWh: number
  storedChangeWh: number
  curtailedWh: number
  /** worst relative error of the energy balance of any step */
  residualRelative: number
  lowestByDay: Float32Array
  generatorHoursByDay: Uint8Array
  shortHoursByDay: Uint8Array
  /** by month 0…11: array energy used, curtailed, generator, served, unmet, Wh */
  months: {
    arrayWh: Float64Array
    curtailedWh: Float64Array
    generatorWh: Float64Array
    servedWh: Float64Array
    unmetWh: Float64Array
  }
}

/** Hour-by-hour record of a year, filled where one is passed to {@link runYear}; W and shares of one. */
export interface Trace {
  stateOfCharge: Float32Array
  arrayW: Float32Array
  generatorW: Float32Array
  servedW: Float32Array
  unmetW: Float32Array
  curtailedW: Float32Array
}

export function emptyTrace(): Trace {
  const hours = () => new Float32Array(DAYS * 24)
  return {
    stateOfCharge: hours(),
    arrayW: hours(),
    generatorW: hours(),
    servedW: hours(),
    unmetW: hours(),
    curtailedW: hours(),
  }
}

/** Movable work that found no sun is done as an ordinary load in these hours. */
const EVENING_FROM = 18
const EVENING_TO = 22
const FULL = 0.97
const TINY_WH = 1e-6

/**
 * One year, hour by hour, in watts and watt-hours (the step is one hour).
 *
 * Each step: sun to the bus through the controllers; loads in order of priority; movable work into the sun's surplus;
 * the rest from the generator while it runs and from the bank within its kinetic, current, cold and cut-out limits;
 * then charge the bank, then curtail. The generator follows a state machine on state of charge.
 * Array energy + generator energy = served + losses + change in store + curtailed, checked in every step.
 *
 * Nothing is allocated inside the step.
 * Source: kinetic battery by Manwell & McGowan (1993); dispatch in priority order by stand-alone practice.
 */
export function runYear(plan: RunPlan, hours: YearHours, trace: Trace | null = null): YearResult {
  const { bank, generator, curve } = plan
  const { step } = bank
  const { a1, a2, a3 } = step
  const qmax = bank.qmaxAh
  const volts = bank.volts
  const lowestByDay = new Float32Array(DAYS)
  const generatorHoursByDay = new Uint8Array(DAYS)
  const shortHoursByDay = new Uint8Array(DAYS)
  const monthArray = new Float64Array(12)
  const monthCurtailed = new Float64Array(12)
  const monthGenerator = new Float64Array(12)
  const monthServed = new Float64Array(12)
  const monthUnmet = new Float64Array(12)
  const quiet = generator.quietFromH !== generator.quietToH

  let available = bank.startAvailableAh
  let bound = bank.startBoundAh
  const storedAtStart = (available + bound) * volts
  let running = false
  let runH = 0
  let hoursSinceFull = 0
  let starts = 0
  let generatorHours = 0
  let fuel = 0
  let shortMust = 0
  let shortShould = 0
  let shortCanWait = 0
  let unmetMust = 0
  let unmetShould = 0
  let unmetCanWait = 0
  let arraySum = 0
  let generatorSum = 0
  let servedSum = 0
  let lossSum = 0
  let curtailedSum = 0
  let worstResidual = 0
  let lowest = 1
  let locked = 0
  let heaterWh = 0

  for (let day = 0; day < DAYS; day++) {
    const month = MONTH_OF_DAY[(plan.startDay + day) % DAYS]
    const floorAh = qmax * (1 - hours.coldShare[day] * (1 - bank.cutoff))
    let potMust = plan.movableMust[month]
    let potShould = plan.movableShould[month]
    let potCanWait = plan.movableCanWait[month]
    let dayLowest = 1
    let dayShort = 0
    let dayGenerator = 0

    for (let hour = 0; hour < 24; hour++) {
      const i = day * 24 + hour
      const at = month * 24 + hour
      const pvIn = hours.pvInW[i]
      const pvOut = hours.pvOutW[i]
      const total = available + bound
      const charge = total / qmax

      // generator state machine, decided on the charge at the start of the hour
      if (generator.present) {
        const due = generator.fullEveryDays > 0 && hoursSinceFull >= generator.fullEveryDays * 24
        if (running) {
          const target = due ? generator.fullStop : generator.stop
          if ((charge >= target && runH >= generator.minRunH) || runH >= generator.maxRunH) running = false
        } else if (charge <= generator.start) {
          const silent =
            quiet &&
            (generator.quietFromH < generator.quietToH
              ? hour >= generator.quietFromH && hour < generator.quietToH
              : hour >= generator.quietFromH || hour < generator.quietToH)
          if (!silent) {
            running = true
            runH = 0
            starts++
          }
        }
      }

      // limits of the bank for this hour
      const resting = a1 * available + a2 * total
      let dischargeAh = resting / a3
      if (dischargeAh > bank.maxDischargeA) dischargeAh = bank.maxDischargeA
      if (dischargeAh > total - floorAh) dischargeAh = total - floorAh
      if (dischargeAh < 0) dischargeAh = 0
      let acceptAh = (step.cqmaxAh - resting) / a3
      if (acceptAh > bank.maxChargeA) acceptAh = bank.maxChargeA
      if (acceptAh > qmax - total) acceptAh = qmax - total
      if (acceptAh < 0) acceptAh = 0
      let heater = 0
      if (hours.roomC[i] <= bank.lockC) {
        if (bank.heaterW > 0 && (pvOut > bank.heaterW || running)) {
          heater = bank.heaterW
          heaterWh += heater
        } else {
          acceptAh = 0
          locked++
        }
      }
      const dischargeWh = dischargeAh * volts
      const acceptWh = (acceptAh * volts) / bank.chargeEfficiency

      // what is asked for in this hour
      let must = plan.acMust[at]
      let should = plan.acShould[at]
      let canWait = plan.acCanWait[at]
      const dc = plan.dc[at]
      if (hour >= EVENING_FROM && hour < EVENING_TO) {
        const share = 1 / (EVENING_TO - hour)
        must += potMust * share
        should += potShould * share
        canWait += potCanWait * share
        potMust -= potMust * share
        potShould -= potShould * share
        potCanWait -= potCanWait * share
      } else if (hour < EVENING_FROM) {
        const pot = potMust + potShould + potCanWait
        if (pot > TINY_WH && pvOut > 0) {
          let sunny = inverterOutput(curve, pvOut - plan.selfW - dc) - must - should - canWait
          if (sunny > plan.movableCapW) sunny = plan.movableCapW
          if (sunny > pot) sunny = pot
          if (sunny > 0) {
            const share = sunny / pot
            must += potMust * share
            should += potShould * share
            canWait += potCanWait * share
            potMust -= potMust * share
            potShould -= potShould * share
            potCanWait -= potCanWait * share
          }
        }
      }
      const ac = must + should + canWait

      // generator: the house first, the charger with what is left
      let fromGenerator = 0
      let chargerDc = 0
      if (running) {
        fromGenerator = ac < generator.powerW ? ac : generator.powerW
        let chargerAc = generator.powerW - fromGenerator
        if (chargerAc > generator.chargerW) chargerAc = generator.chargerW
        chargerDc = chargerAc * generator.chargerEfficiency
      }

      // what the bus can carry, and what has to be shed
      const supply = pvOut + chargerDc + dischargeWh
      const self = plan.selfW + heater < supply ? plan.selfW + heater : supply
      const dcServed = dc < supply - self ? dc : supply - self
      const left = supply - self - dcServed
      const acRest = ac - fromGenerator
      let acInverter = acRest < plan.inverterW ? acRest : plan.inverterW
      let inverterDc = 0
      if (left > curve.idleW) {
        inverterDc = inverterInput(curve, acInverter)
        if (inverterDc > left) {
          acInverter = inverterOutput(curve, left)
          inverterDc = left
        }
      } else acInverter = 0
      const acServed = fromGenerator + acInverter
      const need = self + dcServed + inverterDc

      // short: cut what can wait first
      let missing = ac - acServed
      if (missing > TINY_WH || dc - dcServed > TINY_WH) {
        const cutCanWait = missing < canWait ? missing : canWait
        missing -= cutCanWait
        const cutShould = missing < should ? missing : should
        missing -= cutShould
        const cutMust = missing + (dc - dcServed)
        if (cutCanWait > TINY_WH) shortCanWait++
        if (cutShould > TINY_WH) shortShould++
        if (cutMust > TINY_WH) shortMust++
        unmetCanWait += cutCanWait
        unmetShould += cutShould
        unmetMust += cutMust
        monthUnmet[month] += ac - acServed + dc - dcServed
        dayShort++
      }

      // sun first, then the generator's charger, then the bank
      let pvUsed = need < pvOut ? need : pvOut
      let chargerUsed = need - pvUsed
      if (chargerUsed > chargerDc) chargerUsed = chargerDc
      const discharge = need - pvUsed - chargerUsed
      let intake = 0
      if (discharge <= 0) {
        let fromSun = pvOut - pvUsed
        if (fromSun > acceptWh) fromSun = acceptWh
        let fromCharger = chargerDc - chargerUsed
        if (fromCharger > acceptWh - fromSun) fromCharger = acceptWh - fromSun
        pvUsed += fromSun
        chargerUsed += fromCharger
        intake = fromSun + fromCharger
      }

      const stored = intake * bank.chargeEfficiency - discharge
      const current = -stored / volts
      const nextAvailable = resting - a3 * current
      bound = total - current - nextAvailable
      available = nextAvailable

      // the books
      const pvTaken = pvUsed / plan.controllerEfficiency
      const curtailed = pvIn - pvTaken
      const chargerAcUsed = running ? chargerUsed / generator.chargerEfficiency : 0
      const generated = fromGenerator + chargerAcUsed
      const served = acServed + dcServed
      const lost =
        pvTaken -
        pvUsed +
        (chargerAcUsed - chargerUsed) +
        (inverterDc - acInverter) +
        intake * (1 - bank.chargeEfficiency) +
        self
      const storedNow = (available + bound - total) * volts
      const residual =
        Math.abs(pvIn + generated - served - lost - storedNow - curtailed) / (pvIn + generated + served + 1)
      if (residual > worstResidual) worstResidual = residual
      arraySum += pvIn
      generatorSum += generated
      servedSum += served
      lossSum += lost
      curtailedSum += curtailed
      monthArray[month] += pvTaken
      monthCurtailed[month] += curtailed
      monthGenerator[month] += generated
      monthServed[month] += served
      if (running) {
        runH++
        generatorHours++
        dayGenerator++
        fuel += generator.fuelIdleLPerH + generator.fuelLPerWh * generated
      }
      const chargeNow = (available + bound) / qmax
      hoursSinceFull = chargeNow >= FULL ? 0 : hoursSinceFull + 1
      if (chargeNow < dayLowest) dayLowest = chargeNow
      if (trace) {
        trace.stateOfCharge[i] = chargeNow
        trace.arrayW[i] = pvTaken
        trace.generatorW[i] = generated
        trace.servedW[i] = served
        trace.unmetW[i] = ac - acServed + dc - dcServed
        trace.curtailedW[i] = curtailed
      }
    }
    lowestByDay[day] = dayLowest
    shortHoursByDay[day] = dayShort
    generatorHoursByDay[day] = dayGenerator
    if (dayLowest < lowest) lowest = dayLowest
  }

  return {
    shortHours: { must: shortMust, should: shortShould, canWait: shortCanWait },
    unmetWh: { must: unmetMust, should: unmetShould, canWait: unmetCanWait },
    generatorHours,
    generatorStarts: starts,
    generatorWh: generatorSum,
    fuelL: fuel,
    lowestStateOfCharge: lowest,
    coldLockHours: locked,
    heaterWh,
    sourcesWh: arraySum + generatorSum,
    arrayWh: arraySum,
    servedWh: servedSum,
    lossesWh: lossSum,
    storedChangeWh: (available + bound) * volts - storedAtStart,
    curtailedWh: curtailedSum,
    residualRelative: worstResidual,
    lowestByDay,
    generatorHoursByDay,
    shortHoursByDay,
    months: {
      arrayWh: monthArray,
      curtailedWh: monthCurtailed,
      generatorWh: monthGenerator,
      servedWh: monthServed,
      unmetWh: monthUnmet,
    },
  }
}
