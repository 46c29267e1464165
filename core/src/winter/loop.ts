import { DAYS } from '../calendar/calendar.ts'
import { FULL } from '../bank/full.ts'
import { inverterOutput } from '../inverter/efficiency.ts'
import { tableAt } from '../math/interpolate.ts'
import type { YearHours } from './hours.ts'
import { VOLTAGE_STEPS, type RunPlan } from './plan.ts'
import type { Records, YearResult } from './year.ts'
import { SUN_EQUALISES_BY, TAIL_FROM, TAIL_UNTIL } from './backupState.ts'
import { YearRun } from './yearRun.ts'

const TINY_WH = 1e-6

/** Of which run a year is. */
export interface OfRun extends Records {
  seed?: number
  /** of the year: each begins a day of the week later than the one before, and has failures of the grid of its own */
  index?: number
}

/**
 * One year, step by step: whole hours, or quarters of them.
 *
 * Each step: what other sources and the sun bring to the bus, the latter through the controllers; loads in order of
 * priority; movable work into the sun's surplus; the rest from the backup while it runs and from the bank within its
 * kinetic, current, voltage, cold and cut-out limits; then charge the bank, then curtail. The backup follows a state
 * machine on state of charge, voltage or a look in the morning, and starts where loads would be dropped.
 * What is taken = served + losses + change in store: checked in every step that is not easy, and per day over the easy
 * ones; what sources could have given beyond it is curtailed.
 *
 * A step is easy where nothing is short that is not shed, nothing is locked, no backup runs and none can start: most
 * are. Nothing is allocated inside a step.
 * Source: kinetic battery by Manwell & McGowan (1993); dispatch in priority order by stand-alone practice.
 * With a grid every step is taken as one that is not easy.
 * @example new WinterEngine().year(larkspurBench(), 7, 0).residualRelative < 1e-9 → true
 */
export function runYear(
  plan: RunPlan,
  hours: YearHours,
  { trace = null, charge = null, seed = 0, index = 0 }: OfRun = {},
): YearResult {
  const run = new YearRun(plan, hours, { trace, charge }, seed, index)
  const guard = new EasyGuard(run)
  for (let day = 0; day < DAYS;) {
    day = trace === null && plan.grid === null ? easyDays(run, day, guard) : day
    if (day < DAYS) hardDay(run, day++)
  }
  return run.finish()
}

function hardDay(run: YearRun, day: number): void {
  const { parts } = run.plan.loads
  run.openDay(day)
  for (let slot = 0; slot < 24 * parts; slot++) {
    if (slot === 12 * parts && day * 24 + 12 - run.fullAt < 12) run.countFullByNoon()
    run.step(day, slot)
  }
  run.closeDay(day)
}

/** Below which charge, and on which days, a step is not easy. */
class EasyGuard {
  /** state of charge at or below which the backup starts */
  private readonly starts: number = 0
  /** volts at which the backup is started, where it is by volts, and volts that no easy step comes down to */
  readonly startV: number = 0
  private readonly limitV: number = 0
  /** most current drawn in an easy step in which no work is moved, A */
  readonly usualA: number = 0
  /** charging may meet the absorption voltage before it meets the limit in amps */
  readonly meetsAbsorption: boolean

  /** What the bank must hold on the day that is on for a step to be easy, Ah. */
  leastAh = 0
  /** what it must hold for an equalising charge to go on by the sun, Ah */
  equalisesFromAh = 0
  /** what it holds below which the first and the second level of loads is shed, Ah */
  firstShedAh = 0
  secondShedAh = 0
  /** what it must hold for its volts to be left out of it at currents up to the usual, Ah */
  voltsBelowAh = 0
  /** of the tables of volts, from which on they are above the limit */
  private entry = 0

  constructor(private readonly run: YearRun) {
    const { bank, easy, generator } = run.plan
    let coldest = 1
    for (const share of run.hours.coldShare) if (share < coldest) coldest = share
    const byVoltage = generator.present && generator.startBy === 'voltage'
    this.starts = generator.present && !byVoltage ? generator.start : -Infinity
    this.startV = byVoltage ? generator.startV : -Infinity
    this.limitV = Math.max(bank.lowCutV, this.startV)
    this.usualA = easy.mostW / bank.volts + bank.qmaxAh * bank.selfDischargePerH
    this.meetsAbsorption = (bank.absorbV - bank.restedV[VOLTAGE_STEPS]) * (coldest / bank.ohm) < bank.maxChargeA
  }

  /** Sets the limits of a day that {@link YearRun.openDay} has opened. */
  openDay(day: number): void {
    const { run } = this
    const { bank, generator, easy } = run.plan
    const { qmaxAh, ratedAh, leastV } = bank
    this.leastAh = Math.max(qmaxAh - (1 - this.starts) * ratedAh, run.floorAh)
    this.firstShedAh = run.heldAtEquivalent(easy.shedBelow[0])
    this.secondShedAh = run.heldAtEquivalent(easy.shedBelow[1])
    const isDue = generator.equaliseEveryH > 0 && (day + 1) * 24 - run.equalisedAt >= generator.equaliseEveryH
    this.equalisesFromAh = isDue ? qmaxAh - (1 - generator.fullStop) * ratedAh : Infinity
    // the first entry above the limit lies near that of the day before
    const limitV = this.limitV + (this.usualA * bank.ohm) / run.cold
    while (this.entry > 0 && leastV[this.entry - 1] > limitV) this.entry--
    while (this.entry < leastV.length && leastV[this.entry] <= limitV) this.entry++
    this.voltsBelowAh = this.entry > VOLTAGE_STEPS ? Infinity : run.heldAtEquivalent(this.entry / VOLTAGE_STEPS)
  }
}

/**
 * Days on end whose easy steps are taken here, with as little as they need, and the others by {@link YearRun.step}.
 *
 * The `+` before what comes from elsewhere tells V8 that it is a number: of what it does not know, every step would ask
 * anew whether it is boxed.
 * @returns the first day that is left to be done: a hard one, or the end of the year
 */
function easyDays(run: YearRun, from: number, guard: EasyGuard): number {
  const { plan, hours, books, backup, work } = run
  const { bank, curve, easy, loads, inverterW } = plan
  const { restedV, loadedV } = bank
  const { parts } = loads
  const { pvOutW, dcSourceW, acSourceW } = hours
  const { acW, dcW, awakeW, needW, conversionW, idleW, levelSize } = easy
  const { servedBefore, conversionBefore, idleBefore } = easy
  const levelRows = levelSize + easy.levelPots
  const { sunUntil, eveningUntil } = work
  const { meetsAbsorption } = guard
  const dt = +run.dt
  const arrayShare = +plan.arrayShare
  const searchW = +plan.searchW
  const searchWakeW = +plan.searchWakeW
  const acChargerW = +plan.acChargerW
  const acChargerEfficiency = +plan.acChargerEfficiency
  const movableCapW = +loads.movableCapW
  const selfW = +plan.selfW
  const curveA = +curve.a
  const curveB = +curve.b
  const restW = +curve.idleW
  const a1 = +bank.step.a1
  const a2 = +bank.step.a2
  const a3 = +bank.step.a3
  const cqmaxAh = +bank.step.cqmaxAh
  const qmaxAh = +bank.qmaxAh
  const volts = +bank.volts
  const maxChargeA = +bank.maxChargeA
  const maxDischargeA = +bank.maxDischargeA
  const chargeEfficiency = +bank.chargeEfficiency
  const absorbV = +bank.absorbV
  const lowCutV = +bank.lowCutV
  const loadedFromA = +bank.loadedFromA
  const startV = +guard.startV
  const equalisesAboveW = SUN_EQUALISES_BY * plan.generator.equaliseW
  const usualA = +guard.usualA
  const drawsToA = maxDischargeA < usualA ? maxDischargeA : usualA
  const slots = 24 * parts
  const noon = 12 * parts
  const tailFrom = TAIL_FROM * parts
  const tailUntil = TAIL_UNTIL * parts
  const perA3 = 1 / a3
  const perVolt = 1 / volts
  const perRated = 1 / bank.ratedAh
  const wattsPerAmpIn = volts / chargeEfficiency
  const ampsPerWattIn = chargeEfficiency / volts
  const selfWPerAh = volts * bank.selfDischargePerH
  const perLoadedA = 1 / loadedFromA
  const fullAh = qmaxAh - (1 - FULL) * bank.ratedAh
  const watchesStart = startV > 0
  const { charge: charges } = run

  let available = +run.availableAh
  let bound = +run.boundAh
  let fullAt = +run.fullAt
  /** longest time between two full charges */
  let longestH = 0
  /** the backup runs, or the volts have begun to ask for it */
  let isBacked = backup.running || run.heldLowH > 0
  let day = from
  for (; day < DAYS; day++) {
    run.fullAt = fullAt
    if (run.isColdOn(day)) break
    run.openDay(day)
    const floorAh = +run.floorAh
    const cold = +run.cold
    guard.openDay(day)
    const leastAh = +guard.leastAh
    const voltsBelowAh = +guard.voltsBelowAh
    const equalisesFromAh = +guard.equalisesFromAh
    const firstShedAh = +guard.firstShedAh
    const secondShedAh = +guard.secondShedAh
    const firstHour = day * 24
    const mayBegin = backup.mayBeginBelow(firstHour + TAIL_UNTIL, fullAt, run.equalisedAt) > -Infinity
    const beginsFrom = mayBegin ? tailFrom : slots
    const perCold = 1 / cold
    const perOhm = cold / bank.ohm
    const dropV = bank.ohm / cold
    const firstOfMonth = books.month * 24
    let dayLeastAh = Infinity
    let waitingWh = +work.waitingWh()
    let pressingWh = 0
    /** as {@link WaitingWork} has it */
    let keptPressingWh = 0
    let pvUsedSum = 0
    let dcUsedSum = 0
    let acUsedSum = 0
    let chargerSum = 0
    let otherInSum = 0
    let intakeSum = 0
    let heldSum = 0
    let servedSum = 0
    let conversionSum = 0
    let idleSum = 0
    let storedAh = -(available + bound)
    /** of shedding, and between what contents of the bank it stays so and nothing else is to be asked */
    let level = 0
    let easyFromAh = leastAh > firstShedAh ? leastAh : firstShedAh
    let easyToAh = equalisesFromAh
    let drawsFromAh = easyFromAh > voltsBelowAh ? easyFromAh : voltsBelowAh
    let first = run.pot * slots
    let rows = run.pot * (slots + 1)
    let easyFrom = 0
    let count = slots

    for (let slot = 0; slot < slots; slot++) {
      const hour = parts === 1 ? slot : (slot / parts) | 0
      const i = firstHour + hour
      const total = available + bound
      const pvOut = pvOutW[i] * arrayShare
      const dcSource = dcSourceW === null ? 0 : dcSourceW[i]
      const acSource = acSourceW === null ? 0 : acSourceW[i]
      if (slot === noon && firstHour + 12 - fullAt < 12) run.countFullByNoon()

      if (slot === sunUntil) {
        work.leave(waitingWh)
        waitingWh = 0
        keptPressingWh = pressingWh = +work.pressingWh()
      }

      let isEasy = total > easyFromAh && total < easyToAh && !isBacked && !(slot >= beginsFrom && slot < tailUntil)

      if (!isEasy) {
        const now = total < secondShedAh ? 2 : total < firstShedAh ? 1 : 0
        if (now !== level) {
          servedSum += servedBefore[rows + slot] - servedBefore[rows + easyFrom]
          conversionSum += conversionBefore[rows + slot] - conversionBefore[rows + easyFrom]
          idleSum += idleBefore[rows + slot] - idleBefore[rows + easyFrom]
          if (level > 0) run.bookShed(rows + easyFrom, rows + slot)
          easyFrom = slot
          level = now
          first = run.pot * slots + level * levelSize
          rows = run.pot * (slots + 1) + level * levelRows
          const nextAh = level === 0 ? firstShedAh : level === 1 ? secondShedAh : -Infinity
          easyFromAh = leastAh > nextAh ? leastAh : nextAh
          const lastAh = level === 0 ? Infinity : level === 1 ? firstShedAh : secondShedAh
          easyToAh = lastAh < equalisesFromAh ? lastAh : equalisesFromAh
          drawsFromAh = easyFromAh > voltsBelowAh ? easyFromAh : voltsBelowAh
        }
        isEasy =
          total > leastAh &&
          (total < equalisesFromAh || pvOut <= equalisesAboveW) &&
          !isBacked &&
          !(
            slot >= beginsFrom &&
            slot < tailUntil &&
            run.chargeAt(total) < backup.mayBeginBelow(firstHour + slot * dt, fullAt, run.equalisedAt)
          )
      }
      // steps on end that only draw from the bank, well within what it can give
      else if (pressingWh === 0 && acSource === 0) {
        let until = slot < noon ? noon : slot < sunUntil ? sunUntil : slots
        if (slot < beginsFrom && beginsFrom < until) until = beginsFrom
        let drawn = slot
        let before = total
        for (; drawn < until; drawn++) {
          const drawnAt = first + drawn
          const drawnHour = firstHour + (parts === 1 ? drawn : (drawn / parts) | 0)
          const sun = pvOutW[drawnHour] * arrayShare
          const other = dcSourceW === null ? 0 : dcSourceW[drawnHour]
          const current = (needW[drawnAt] + before * selfWPerAh - other - sun) * perVolt
          const resting = a1 * available + a2 * before
          if (
            !(current > 0 && current < drawsToA && before > drawsFromAh && current < resting * perA3) ||
            current >= (before - floorAh) * parts ||
            (acSourceW !== null && acSourceW[drawnHour] > 0) ||
            (waitingWh > 0 && sun + other > awakeW[drawnAt])
          )
            break
          pvUsedSum += sun
          dcUsedSum += other
          heldSum += before
          const nextAvailable = resting - a3 * current
          bound = before - current * dt - nextAvailable
          available = nextAvailable
          before = available + bound
          if (charges !== null) charges[day * slots + drawn] = 1 - (qmaxAh - before) / bank.ratedAh
          if (before >= fullAh) {
            const end = firstHour + (drawn + 1) * dt
            if (end - fullAt > longestH) longestH = end - fullAt
            fullAt = end
          }
        }
        if (drawn > slot) {
          if (before < dayLeastAh) dayLeastAh = before
          slot = drawn - 1
          continue
        }
      }

      if (isEasy) {
        const at = first + slot
        let need = needW[at]
        let moved = 0
        let fromAc = 0
        let chargerDc = 0
        let extraConversion = 0
        let extraIdle = 0
        if (acSource > 0 || pressingWh > 0 || (waitingWh > 0 && pvOut + dcSource > awakeW[at])) {
          let ac = acW[at]
          if (waitingWh > 0) {
            const sunny = inverterOutput(curve, pvOut + dcSource - selfW - dcW[at]) + acSource - ac
            moved = sunny > movableCapW ? movableCapW : sunny
            if (moved > waitingWh * parts) moved = waitingWh * parts
            if (moved < 0) moved = 0
          } else if (pressingWh > 0) moved = (pressingWh * parts) / (eveningUntil - slot)
          ac += moved
          fromAc = acSource < ac ? acSource : ac
          const rest = ac - fromAc
          const idle = rest < searchWakeW ? searchW : restW
          const conversion = idle + rest * (curveA + curveB * rest) - rest
          extraConversion = conversion - conversionW[at]
          extraIdle = idle - idleW[at]
          need =
            rest <= inverterW[firstOfMonth + hour] && (level === 0 || pressingWh === 0)
              ? selfW + dcW[at] + conversion + rest
              : Infinity
          const over = acSource - fromAc
          chargerDc = (over < acChargerW ? over : acChargerW) * acChargerEfficiency
        }
        need += total * selfWPerAh
        const resting = a1 * available + a2 * total
        const over = dcSource + pvOut + chargerDc - need
        let current: number
        if (over < 0) {
          current = -over * perVolt
          isEasy = current < resting * perA3 && current < maxDischargeA && current < (total - floorAh) * parts
          if (total < voltsBelowAh || current > usualA) {
            const charge = 1 - (qmaxAh - total) * perRated
            const loaded = tableAt(loadedV, 1 - (1 - charge) * perCold)
            const open = tableAt(restedV, charge)
            const share = current < loadedFromA ? current * perLoadedA : 1
            if (current > (loaded - lowCutV) * perOhm || open + (loaded - open) * share - current * dropV <= startV)
              isEasy = false
          }
          if (isEasy) {
            pvUsedSum += pvOut
            dcUsedSum += dcSource
            chargerSum += chargerDc
          }
        } else {
          let acceptA = (cqmaxAh - resting) * perA3
          if (acceptA > maxChargeA) acceptA = maxChargeA
          const room = (qmaxAh - total) * parts
          if (acceptA > room) acceptA = room
          if (meetsAbsorption) {
            const atAbsorption = (absorbV - tableAt(restedV, 1 - (qmaxAh - total) * perRated)) * perOhm
            if (acceptA > atAbsorption) acceptA = atAbsorption
          }
          if (acceptA < 0) acceptA = 0
          const acceptW = acceptA * wattsPerAmpIn
          const intake = over < acceptW ? over : acceptW
          current = -intake * ampsPerWattIn
          if (
            watchesStart &&
            total < voltsBelowAh &&
            tableAt(restedV, 1 - (qmaxAh - total) * perRated) - current * dropV <= startV
          )
            isEasy = false
          else {
            intakeSum += intake
            if (dcSource === 0 && chargerDc === 0) pvUsedSum += need + intake
            else {
              // other sources first, then the sun, then the charger
              const left = need > dcSource ? need - dcSource : 0
              let pvUsed = pvOut
              if (intake === over) {
                dcUsedSum += dcSource
                chargerSum += chargerDc
              } else {
                const used = need + intake
                const dcUsed = dcSource < used ? dcSource : used
                if (pvUsed > used - dcUsed) pvUsed = used - dcUsed
                dcUsedSum += dcUsed
                chargerSum += used - dcUsed - pvUsed
              }
              pvUsedSum += pvUsed
              otherInSum += left < pvUsed ? intake - pvUsed + left : intake
            }
          }
        }
        if (isEasy) {
          if (moved > 0 || acSource > 0) {
            if (waitingWh > 0) {
              waitingWh -= moved * dt
              if (waitingWh < TINY_WH) waitingWh = 0
            } else if (pressingWh > 0) {
              pressingWh -= moved * dt
              if (pressingWh < TINY_WH) pressingWh = 0
            }
            acUsedSum += fromAc
            servedSum += moved
            conversionSum += extraConversion
            idleSum += extraIdle
          }
          heldSum += total
          const nextAvailable = resting - a3 * current
          bound = total - current * dt - nextAvailable
          available = nextAvailable
          const held = available + bound
          if (charges !== null) charges[day * slots + slot] = 1 - (qmaxAh - held) / bank.ratedAh
          if (held < dayLeastAh) dayLeastAh = held
          if (held >= fullAh) {
            const end = firstHour + (slot + 1) * dt
            if (end - fullAt > longestH) longestH = end - fullAt
            fullAt = end
          }
          continue
        }
      }
      storedAh += total
      servedSum += servedBefore[rows + slot] - servedBefore[rows + easyFrom]
      conversionSum += conversionBefore[rows + slot] - conversionBefore[rows + easyFrom]
      idleSum += idleBefore[rows + slot] - idleBefore[rows + easyFrom]
      if (level > 0) run.bookShed(rows + easyFrom, rows + slot)
      easyFrom = slot + 1
      count--
      run.availableAh = available
      run.boundAh = bound
      run.fullAt = fullAt
      if (slot < sunUntil) work.leave(waitingWh)
      else if (pressingWh !== keptPressingWh) work.leavePressing(pressingWh)
      run.step(day, slot)
      available = run.availableAh
      bound = run.boundAh
      fullAt = run.fullAt
      storedAh -= available + bound
      isBacked = backup.running || run.heldLowH > 0
      if (slot < sunUntil) waitingWh = +work.waitingWh()
      else keptPressingWh = pressingWh = +work.pressingWh()
    }

    run.availableAh = available
    run.boundAh = bound
    if (pressingWh !== keptPressingWh) work.leavePressing(pressingWh)
    if (dayLeastAh < books.leastAh) books.leastAh = dayLeastAh
    // the balance of the day's easy steps, every side of it from its own figures
    storedAh += available + bound
    servedSum += servedBefore[rows + slots] - servedBefore[rows + easyFrom]
    conversionSum += conversionBefore[rows + slots] - conversionBefore[rows + easyFrom]
    idleSum += idleBefore[rows + slots] - idleBefore[rows + easyFrom]
    if (level > 0) run.bookShed(rows + easyFrom, rows + slots)
    const selfDischarge = heldSum * selfWPerAh
    const brought = dcUsedSum + pvUsedSum + acUsedSum + chargerSum
    const losses = conversionSum + selfW * count + selfDischarge + intakeSum * (1 - chargeEfficiency)
    run.checkBalance(brought - servedSum - losses - storedAh * volts * parts, brought + servedSum)
    books.arrayTaken += pvUsedSum / plan.controllerEfficiency
    books.sunToBank += intakeSum - otherInSum
    books.otherTaken += dcUsedSum + acUsedSum + chargerSum / acChargerEfficiency
    books.dcTaken += dcUsedSum
    books.served += servedSum
    books.need += servedSum + conversionSum + selfW * count + selfDischarge
    run.inverterLoss += conversionSum
    run.idle += idleSum
    run.chargerLoss += chargerSum / acChargerEfficiency - chargerSum
    run.intake += intakeSum
    run.selfDischarge += selfDischarge
    run.closeDay(day)
  }
  run.fullAt = fullAt
  run.foundFull(longestH)
  return day
}
