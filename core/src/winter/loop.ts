import { inverterOutput } from '../inverter/efficiency.ts'
import { DAYS, MONTH_OF_DAY } from '../calendar/calendar.ts'
import type { YearHours } from './hours.ts'
import { VOLTAGE_STEPS, type RunPlan } from './plan.ts'
import { emptyYear, type Trace, type YearResult } from './year.ts'

/** Movable work that found no sun is done as an ordinary load in these hours. */
const EVENING_FROM = 18
const EVENING_TO = 22
/** A charge that is due to be full is begun in these hours, so that its long tail ends before the evening. */
const FULL_FROM = 7
const FULL_TO = 12
/** A bank counts as full from here on. */
const FULL = 0.97
/** So long an equalising charge waits for sun to do it before a generator is started for it, h. */
const SUN_MAY_EQUALISE_H = 14 * 24
const TINY_W = 1e-6

/**
 * One year, step by step: whole hours, or quarters of them.
 *
 * Each step: what other sources and the sun bring to the bus, the latter through the controllers; loads in order of
 * priority; movable work into the sun's surplus; the rest from the backup while it runs and from the bank within its
 * kinetic, current, voltage, cold and cut-out limits; then charge the bank, then curtail. The backup follows a state
 * machine on state of charge, voltage or a look in the morning.
 * Sources = served + losses + change in store + curtailed, checked in every step.
 *
 * Nothing is allocated inside the step.
 * Source: kinetic battery by Manwell & McGowan (1993); dispatch in priority order by stand-alone practice.
 * @example new WinterEngine().year(larkspurBench(), 7, 0).residualRelative < 1e-9 → true
 */
export function runYear(plan: RunPlan, hours: YearHours, trace: Trace | null = null): YearResult {
  const { bank, generator, curve, loads } = plan
  const { acMust, acShould, acCanWait, dc: dcLoads, parts, away: awayOfYear } = loads
  const [movableMust, movableShould, movableCanWait] = loads.movable
  const [storedMust, storedShould, storedCanWait] = loads.stored
  const [holdMust, holdShould, holdCanWait] = loads.storeWh
  const { pvInW, pvOutW, roomC, coldShare, acSourceW, dcSourceW } = hours
  const { inverterW, arrayShare, selfW: controllersW } = plan
  const movableCap = loads.movableCapW
  const { idleW, a, b } = curve
  const { a1, a2, a3, cqmaxAh } = bank.step
  const { qmaxAh: qmax, volts, restedV, ohm, lowCutV, absorbV, chargeEfficiency } = bank
  // divisions are dear: what is divided by again and again is turned over once
  const perQmax = 1 / qmax
  const perVolt = 1 / volts
  const perA3 = 1 / a3
  const perControllers = 1 / plan.controllerEfficiency
  const wattsPerAmpIn = volts / chargeEfficiency
  const dt = 1 / parts
  const result = emptyYear()
  const { losses, months } = result
  const quiet = generator.quietFromH !== generator.quietToH
  const { fullEveryH, equaliseEveryH, exerciseEveryH } = generator
  const byVoltage = generator.startBy === 'voltage'
  const byMorning = generator.startBy === 'morning'

  // where no voltage limit can come before the limits in amps, none is worked out in every step
  const watchesVoltage = trace !== null || byVoltage || voltageLimits(plan, coldShare)

  let available = bank.startAvailableAh
  let bound = bank.startBoundAh
  const storedAtStart = (available + bound) * volts
  let charge = (available + bound) * perQmax
  let running = false
  let runH = 0
  let warmLeft = 0
  let exerciseLeft = 0
  let sinceStart = Infinity
  let sinceRun = 0
  let sinceFull = 0
  let sinceEqualised = 0
  let equalisedH = 0
  let lowV = restedV[VOLTAGE_STEPS]
  let heldLow = 0
  let openV = lowV
  // work that waits: due today, and what a store lets wait longer, Wh
  let dueMust = 0
  let dueShould = 0
  let dueCanWait = 0
  let owedMust = 0
  let owedShould = 0
  let owedCanWait = 0

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
  let otherSum = 0
  let generatorSum = 0
  let servedSum = 0
  let curtailedSum = 0
  let worstResidual = 0
  let lowest = 1
  let locked = 0
  let longestSinceFull = 0
  let fullToStartH = 0
  let spell = 0
  let longestSpell = 0
  let pvTakenSum = 0
  let intakeSum = 0
  let selfDischargeSum = 0
  let selfMissed = 0
  let lossConversion = 0
  let lossIdle = 0
  let lossCharger = 0
  let lossHeater = 0
  let lossEqualise = 0

  for (let day = 0; day < DAYS; day++) {
    const dayOfYear = (plan.startDay + day) % DAYS
    const month = MONTH_OF_DAY[dayOfYear]
    const away = awayOfYear[dayOfYear]
    const cold = coldShare[day]
    const coldOhm = ohm / cold
    const perOhm = cold / ohm
    const floorAh = qmax * (1 - cold * (1 - bank.cutoff))
    const pot = away * 12 + month
    dueMust += movableMust[pot]
    dueShould += movableShould[pot]
    dueCanWait += movableCanWait[pot]
    owedMust += storedMust[pot]
    owedShould += storedShould[pot]
    owedCanWait += storedCanWait[pot]
    let dayLowest = 1
    let dayShort = 0
    let dayGenerator = 0
    let dayFuel = 0
    let daySun = 0
    let dayNeed = 0
    let monthArray = 0
    let monthToBank = 0
    let monthCurtailed = 0
    let monthGenerator = 0
    let monthOther = 0
    let monthServed = 0
    let monthUnmet = 0

    for (let slot = 0; slot < 24 * parts; slot++) {
      const hour = parts === 1 ? slot : (slot / parts) | 0
      const i = day * 24 + hour
      const at = (pot * 24 + hour) * parts + (parts === 1 ? 0 : slot % parts)
      const pvIn = pvInW[i] * arrayShare
      const pvOut = pvOutW[i] * arrayShare
      const dcSource = dcSourceW === null ? 0 : dcSourceW[i]
      const acSource = acSourceW === null ? 0 : acSourceW[i]
      const total = available + bound

      if (hour === 12 && slot % parts === 0 && sinceFull < 12) months.fullByNoonDays[month]++

      // the backup's state machine, decided on the state at the start of the step
      let runShare = 0
      let hourShare = 0
      let equaliseDue = false
      if (equaliseEveryH > 0) equaliseDue = sinceEqualised >= equaliseEveryH
      if (generator.present) {
        const fullDue = fullEveryH > 0 && sinceFull >= fullEveryH
        if (running) {
          if (exerciseLeft > 0) {
            running = exerciseLeft > 1e-9
          } else {
            const done = equaliseDue
              ? false
              : charge >= (fullDue ? generator.fullStop : generator.stop) && runH >= generator.minRunH - 1e-9
            const longest = equaliseDue ? generator.maxRunH + generator.equaliseH : generator.maxRunH
            if (done || runH >= longest - 1e-9) running = false
          }
        }
        if (!running && sinceStart >= generator.restH && !(away === 1 && generator.byHand)) {
          const silent =
            quiet &&
            (generator.quietFromH < generator.quietToH
              ? hour >= generator.quietFromH && hour < generator.quietToH
              : hour >= generator.quietFromH || hour < generator.quietToH)
          if (!silent) {
            const forTheTail = hour >= FULL_FROM && hour < FULL_TO
            let wanted = byVoltage
              ? lowV <= generator.startV && heldLow >= generator.holdH - 1e-9 && heldLow > 0
              : charge <= generator.start && (!byMorning || (hour === generator.morningH && slot % parts === 0))
            if (!wanted && forTheTail)
              wanted =
                (fullDue && charge < generator.fullStop) ||
                (equaliseDue && sinceEqualised >= equaliseEveryH + SUN_MAY_EQUALISE_H)
            if (wanted) {
              running = true
              exerciseLeft = 0
            } else if (exerciseEveryH > 0 && sinceRun >= exerciseEveryH && forTheTail) {
              running = true
              exerciseLeft = generator.exerciseH
            }
            if (running) {
              runH = 0
              sinceStart = 0
              fullToStartH += sinceFull
              warmLeft = generator.warmUpH
              starts++
            }
          }
        }
        if (running) {
          hourShare = exerciseLeft > 0 && exerciseLeft < dt ? exerciseLeft / dt : 1
          const warming = warmLeft < hourShare * dt ? warmLeft : hourShare * dt
          warmLeft -= warming
          runShare = hourShare - warming / dt
        }
      }

      // limits of the bank for this step, A
      const resting = a1 * available + a2 * total
      let dischargeA = resting * perA3
      if (dischargeA > bank.maxDischargeA) dischargeA = bank.maxDischargeA
      const aboveFloor = (total - floorAh) * parts
      if (dischargeA > aboveFloor) dischargeA = aboveFloor
      if (dischargeA < 0) dischargeA = 0
      let acceptA = (cqmaxAh - resting) * perA3
      if (acceptA > bank.maxChargeA) acceptA = bank.maxChargeA
      const room = (qmax - total) * parts
      if (acceptA > room) acceptA = room
      if (watchesVoltage) {
        const place = charge <= 0 ? 0 : charge >= 1 ? VOLTAGE_STEPS : charge * VOLTAGE_STEPS
        const below = place | 0
        openV = restedV[below] + (restedV[below + 1] - restedV[below]) * (place - below)
        const beforeCutOut = (openV - lowCutV) * perOhm
        if (dischargeA > beforeCutOut) dischargeA = beforeCutOut
        const atAbsorption = (absorbV - openV) * perOhm
        if (acceptA > atAbsorption) acceptA = atAbsorption
        if (dischargeA < 0) dischargeA = 0
      }
      if (acceptA < 0) acceptA = 0
      let heater = 0
      if (roomC[i] <= bank.lockC) {
        if (bank.heaterW > 0 && (pvOut + dcSource > bank.heaterW || running)) {
          heater = bank.heaterW
          lossHeater += heater
        } else {
          acceptA = 0
          locked += dt
        }
      }
      const dischargeW = dischargeA * volts
      const acceptW = acceptA * wattsPerAmpIn

      // what draws by itself
      const selfDischarge = total * volts * bank.selfDischargePerH
      let equalise = 0
      if (equaliseDue && charge >= generator.fullStop && (running || pvOut > 1.5 * generator.equaliseW))
        lossEqualise += equalise = generator.equaliseW

      // what is asked for in this step, W; what is shed is short at once
      let must = acMust[at]
      let should = acShould[at]
      let canWait = acCanWait[at]
      const dc = dcLoads[at]
      if (hour >= EVENING_FROM && hour < EVENING_TO) {
        const share = 1 / (EVENING_TO * parts - (hour * parts + (parts === 1 ? 0 : slot % parts)))
        const extraMust = dueMust * share + (owedMust > holdMust ? (owedMust - holdMust) * share : 0)
        const extraShould = dueShould * share + (owedShould > holdShould ? (owedShould - holdShould) * share : 0)
        const extraCanWait = dueCanWait * share + (owedCanWait > holdCanWait ? (owedCanWait - holdCanWait) * share : 0)
        must += extraMust * parts
        should += extraShould * parts
        canWait += extraCanWait * parts
        if (owedMust > holdMust) owedMust -= (owedMust - holdMust) * share
        if (owedShould > holdShould) owedShould -= (owedShould - holdShould) * share
        if (owedCanWait > holdCanWait) owedCanWait -= (owedCanWait - holdCanWait) * share
        dueMust -= dueMust * share
        dueShould -= dueShould * share
        dueCanWait -= dueCanWait * share
      }
      let shedCanWait = 0
      let shedShould = 0
      if (!running) {
        if (charge < plan.shedCanWait) {
          shedCanWait = canWait
          canWait = 0
        }
        if (charge < plan.shedShould) {
          shedShould = should
          should = 0
        }
      }
      if (hour < EVENING_FROM) {
        const waiting = dueMust + dueShould + dueCanWait + owedMust + owedShould + owedCanWait
        if (waiting > TINY_W && pvOut + acSource + dcSource > 0) {
          let sunny = inverterOutput(curve, pvOut + dcSource - controllersW - dc) + acSource - must - should - canWait
          if (sunny > movableCap) sunny = movableCap
          if (sunny > waiting * parts) sunny = waiting * parts
          if (sunny > 0) {
            const share = sunny / (waiting * parts)
            must += (dueMust + owedMust) * share * parts
            should += (dueShould + owedShould) * share * parts
            canWait += (dueCanWait + owedCanWait) * share * parts
            const left = 1 - share
            dueMust *= left
            dueShould *= left
            dueCanWait *= left
            owedMust *= left
            owedShould *= left
            owedCanWait *= left
          }
        }
      }
      const ac = must + should + canWait

      // the AC side: the backup carries the house first, or AC sources do; the charger gets what is left
      let fromGenerator = 0
      let fromAcSource = 0
      let chargerEfficiency = generator.chargerEfficiency
      let chargerDc = 0
      if (running && generator.passesHouse) {
        const powerW = generator.acW * runShare
        fromGenerator = ac < powerW ? ac : powerW
        const left = powerW - fromGenerator
        const most = generator.chargerAcW * runShare
        chargerDc = (left < most ? left : most) * chargerEfficiency
      } else {
        fromAcSource = acSource < ac ? acSource : ac
        if (running) {
          const drawn = generator.acW < generator.chargerAcW ? generator.acW : generator.chargerAcW
          chargerDc = (drawn * chargerEfficiency + generator.dcW) * runShare
        } else if (acSource > fromAcSource) {
          chargerEfficiency = plan.acChargerEfficiency
          const over = acSource - fromAcSource
          chargerDc = (over < plan.acChargerW ? over : plan.acChargerW) * chargerEfficiency
        }
      }

      // what the bus can carry, and what has to be shed
      const supply = pvOut + dcSource + chargerDc + dischargeW
      const wantedSelf = controllersW + heater + selfDischarge + equalise
      const self = wantedSelf < supply ? wantedSelf : supply
      const dcServed = dc < supply - self ? dc : supply - self
      const left = supply - self - dcServed
      const acRest = ac - fromGenerator - fromAcSource
      const restW = acRest < plan.searchWakeW ? plan.searchW : idleW
      const most = inverterW[month * 24 + hour]
      let acInverter = acRest < most ? acRest : most
      let inverterDc = 0
      if (left > restW) {
        inverterDc = restW + acInverter * (a + b * acInverter)
        if (inverterDc > left) {
          acInverter = inverterOutput(curve, left + idleW - restW)
          inverterDc = left
        }
      } else acInverter = 0
      const acServed = fromGenerator + fromAcSource + acInverter
      const need = self + dcServed + inverterDc

      // short: what can wait first
      let missing = ac - acServed
      if (missing > TINY_W || dc - dcServed > TINY_W || shedCanWait + shedShould > TINY_W) {
        const cutCanWait = missing < canWait ? missing : canWait
        missing -= cutCanWait
        const cutShould = missing < should ? missing : should
        missing -= cutShould
        const cutMust = missing + (dc - dcServed)
        if (cutCanWait + shedCanWait > TINY_W) shortCanWait += dt
        if (cutShould + shedShould > TINY_W) shortShould += dt
        if (cutMust > TINY_W) shortMust += dt
        unmetCanWait += (cutCanWait + shedCanWait) * dt
        unmetShould += (cutShould + shedShould) * dt
        unmetMust += cutMust * dt
        monthUnmet += cutCanWait + shedCanWait + cutShould + shedShould + cutMust
        dayShort += dt
      }

      // other sources first, then the sun, then the charger, then the bank
      let dcUsed = need < dcSource ? need : dcSource
      let pvUsed = need - dcUsed
      if (pvUsed > pvOut) pvUsed = pvOut
      let chargerUsed = need - dcUsed - pvUsed
      if (chargerUsed > chargerDc) chargerUsed = chargerDc
      const discharge = need - dcUsed - pvUsed - chargerUsed
      let intake = 0
      let sunToBank = 0
      if (discharge <= 0) {
        let fromSource = dcSource - dcUsed
        if (fromSource > acceptW) fromSource = acceptW
        sunToBank = pvOut - pvUsed
        if (sunToBank > acceptW - fromSource) sunToBank = acceptW - fromSource
        let fromCharger = chargerDc - chargerUsed
        if (fromCharger > acceptW - fromSource - sunToBank) fromCharger = acceptW - fromSource - sunToBank
        dcUsed += fromSource
        pvUsed += sunToBank
        chargerUsed += fromCharger
        intake = fromSource + sunToBank + fromCharger
      }

      const stored = intake * chargeEfficiency - discharge
      const current = -stored * perVolt
      const nextAvailable = resting - a3 * current
      bound = total - current * dt - nextAvailable
      available = nextAvailable

      // the books, W
      const pvTaken = pvUsed * perControllers
      let generated = fromGenerator
      let otherTaken = dcUsed + fromAcSource
      let chargerLoss = 0
      if (chargerUsed > 0) {
        const drawn = chargerUsed / chargerEfficiency
        chargerLoss = drawn - chargerUsed
        lossCharger += chargerLoss
        if (running) generated += drawn
        else otherTaken += drawn
      }
      const curtailed = pvIn - pvTaken + dcSource + acSource - otherTaken
      const served = acServed + dcServed
      const idle = inverterDc > 0 ? (restW < inverterDc ? restW : inverterDc) : 0
      const lost = pvTaken - pvUsed + chargerLoss + (inverterDc - acInverter) + intake * (1 - chargeEfficiency) + self
      const sources = pvIn + dcSource + acSource + generated
      const storedNow = (available + bound - total) * volts * parts
      const residual = Math.abs(sources - served - lost - storedNow - curtailed)
      if (residual > worstResidual * (sources + served + 1)) worstResidual = residual / (sources + served + 1)
      lossIdle += idle
      lossConversion += inverterDc - acInverter
      intakeSum += intake
      selfDischargeSum += selfDischarge
      if (self < wantedSelf) {
        const missed = 1 - self / wantedSelf
        selfMissed += missed
        selfDischargeSum -= selfDischarge * missed
        lossHeater -= heater * missed
        lossEqualise -= equalise * missed
      }
      arraySum += pvIn
      otherSum += dcSource + acSource
      generatorSum += generated
      servedSum += served
      curtailedSum += curtailed
      monthArray += pvTaken
      monthToBank += sunToBank
      monthCurtailed += curtailed
      monthGenerator += generated
      monthOther += otherTaken
      monthServed += served
      daySun += pvOut + dcSource + acSource
      dayNeed += need + fromAcSource + fromGenerator

      if (running) {
        const ran = hourShare * dt
        runH += ran
        if (exerciseLeft > 0) {
          exerciseLeft -= ran
          if (exerciseLeft < 1e-9) running = false
        }
        dayGenerator += ran
        dayFuel += generator.idleLPerH * ran + generator.litresPerWh * generated * dt
        sinceRun = 0
      } else sinceRun += dt
      sinceStart += dt
      charge = (available + bound) * perQmax
      sinceFull = charge >= FULL ? 0 : sinceFull + dt
      if (sinceFull > longestSinceFull) longestSinceFull = sinceFull
      sinceEqualised += dt
      if (equalise > 0) {
        equalisedH += dt
        if (equalisedH >= generator.equaliseH - 1e-9) {
          sinceEqualised = 0
          equalisedH = 0
          result.equalisations++
        }
      }
      if (watchesVoltage) {
        lowV = openV - current * coldOhm
        heldLow = lowV <= generator.startV ? heldLow + dt : 0
      }
      if (charge < dayLowest) dayLowest = charge
      if (trace !== null) {
        const t = day * 24 * parts + slot
        trace.stateOfCharge[t] = charge
        trace.arrayW[t] = pvTaken
        trace.otherW[t] = otherTaken
        trace.generatorW[t] = generated
        trace.bankW[t] = stored
        trace.servedW[t] = served
        trace.unmetW[t] = ac - acServed + dc - dcServed + shedCanWait + shedShould
        trace.mustW[t] = must + dc
        trace.shouldW[t] = should + shedShould
        trace.canWaitW[t] = canWait + shedCanWait
        trace.curtailedW[t] = curtailed
        trace.voltsV[t] = lowV
        trace.roomC[t] = roomC[i]
      }
    }
    pvTakenSum += monthArray
    months.arrayWh[month] += monthArray * dt
    months.toBankWh[month] += monthToBank * dt * perControllers
    months.curtailedWh[month] += monthCurtailed * dt
    months.generatorWh[month] += monthGenerator * dt
    months.otherWh[month] += monthOther * dt
    months.servedWh[month] += monthServed * dt
    months.unmetWh[month] += monthUnmet * dt
    months.generatorHours[month] += dayGenerator
    months.fuelL[month] += dayFuel
    generatorHours += dayGenerator
    fuel += dayFuel
    result.lowestByDay[day] = dayLowest
    result.shortHoursByDay[day] = dayShort
    result.generatorHoursByDay[day] = dayGenerator
    result.fuelByDay[day] = dayFuel
    if (dayLowest < lowest) lowest = dayLowest
    // a spell is ridden through while the sun gives less than the day needs and neither backup nor shedding helps
    spell = daySun < dayNeed && dayGenerator === 0 && dayShort === 0 ? spell + 1 : 0
    if (spell > longestSpell) longestSpell = spell
  }

  losses.controllersWh = pvTakenSum * (1 - plan.controllerEfficiency) * dt
  losses.conversionWh = (lossConversion - lossIdle) * dt
  losses.idleWh = lossIdle * dt
  losses.chargerWh = lossCharger * dt
  losses.batteryWh = (intakeSum * (1 - chargeEfficiency) + selfDischargeSum) * dt
  losses.selfWh = controllersW * (DAYS * 24 - selfMissed * dt)
  losses.heaterWh = lossHeater * dt
  losses.equaliseWh = lossEqualise * dt
  result.shortHours = { must: shortMust, should: shortShould, canWait: shortCanWait }
  result.unmetWh = { must: unmetMust, should: unmetShould, canWait: unmetCanWait }
  result.generatorHours = generatorHours
  result.generatorStarts = starts
  result.generatorWh = generatorSum * dt
  result.fuelL = fuel
  result.lowestStateOfCharge = lowest
  result.coldLockHours = locked
  result.fullToStartDays = starts > 0 ? fullToStartH / starts / 24 : 0
  result.longestSinceFullDays = longestSinceFull / 24
  result.longestSpellDays = longestSpell
  result.arrayWh = arraySum * dt
  result.otherWh = otherSum * dt
  result.sourcesWh = (arraySum + otherSum + generatorSum) * dt
  result.servedWh = servedSum * dt
  result.lossesWh = Object.values(losses).reduce((sum, wh) => sum + wh, 0)
  result.storedChangeWh = (available + bound) * volts - storedAtStart
  result.curtailedWh = curtailedSum * dt
  result.residualRelative = worstResidual
  return result
}

/** Whether the voltage of the bank can limit its current before its limits in amps do, in the coldest day of a year. */
function voltageLimits({ bank }: RunPlan, coldShare: Float32Array): boolean {
  const { restedV, ohm, cutoff, lowCutV, absorbV, maxChargeA, maxDischargeA } = bank
  const coldest = coldShare.reduce((least, share) => (share < least ? share : least), 1)
  const perOhm = coldest / ohm
  // the floor lies at the cut-out or, in the cold, above it
  const lowestV = restedV[Math.floor(cutoff * VOLTAGE_STEPS)]
  return (lowestV - lowCutV) * perOhm < maxDischargeA || (absorbV - restedV[VOLTAGE_STEPS]) * perOhm < maxChargeA
}
