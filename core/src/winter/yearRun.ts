import { DAYS, MONTH_OF_DAY } from '../calendar/calendar.ts'
import { FULL } from '../bank/full.ts'
import { inverterOutput } from '../inverter/efficiency.ts'
import { BackupState, SUN_EQUALISES_BY, type BackupView } from './backupState.ts'
import { TINY_W } from './easyTables.ts'
import { dayHours, type DayHours, type YearHours } from './hours.ts'
import { potIndex } from './loadTables.ts'
import { BankWarmth } from './bankWarmth.ts'
import { GridState } from './gridState.ts'
import type { RunPlan } from './plan.ts'
import { CYCLE_DAYS, firstOfCycle } from '../loads/week.ts'
import { tableAt } from '../math/interpolate.ts'
import { WaitingWork } from './waitingWork.ts'
import { emptyYear, type Records, type Trace, type YearResult } from './year.ts'
import { PRIORITIES } from '../loads/profile.ts'

/** What the steps of one day add up to: W times steps where energy is meant, until the day is booked. */
export class DayBooks {
  month = 0
  arrayTaken = 0
  sunToBank = 0
  generated = 0
  otherTaken = 0
  fromGrid = 0
  /** of it, on the DC side */
  dcTaken = 0
  served = 0
  unmet = 0
  need = 0
  generatorH = 0
  fuelL = 0
  shortH = 0
  /** least that the bank held, Ah */
  leastAh = 0

  open(month: number): void {
    this.month = month
    this.leastAh = Infinity
    this.arrayTaken = this.sunToBank = this.generated = this.otherTaken = this.fromGrid = this.dcTaken = this.served = 0
    this.unmet = this.need = this.generatorH = this.fuelL = this.shortH = 0
  }
}

/**
 * One year of a design on its way: the state of bank, backup and waiting work, the books, and the step that knows
 * everything. The day loop of `loop.ts` takes the easy steps by itself and leaves the others to {@link step}.
 *
 * Every field begins as a number, those the constructor sets as well: V8 boxes each number of a field that was ever
 * undefined.
 */
export class YearRun {
  readonly result: YearResult = emptyYear()
  readonly days: DayHours
  readonly work: WaitingWork
  readonly backup: BackupState
  readonly books = new DayBooks()
  readonly dt: number = 1
  availableAh = 0
  boundAh = 0
  /** times at which the bank was last full and equalised, h since the run began */
  fullAt = 0
  equalisedAt = 0
  /** how long the volts under load have been at or below the level that starts the backup, h */
  heldLowH = 0
  private readonly grid: GridState | null
  private longestSinceFullH = 0

  // sums over the year, W times steps
  inverterLoss = 0
  idle = 0
  chargerLoss = 0
  heater = 0
  equalised = 0
  intake = 0
  selfDischarge = 0
  selfMissed = 0
  worstResidual = 0

  // the day that is on
  away = 0
  /** where the day's loads are looked up */
  pot = 0
  cold = 1
  floorAh = 0
  /** by {@link isColdOn} */
  private isCold = false

  // the step that is on
  private readonly asked = new Float64Array(3)
  private readonly askedDc = new Float64Array(3)
  private readonly shed = new Float64Array(3)
  private readonly shedDc = new Float64Array(3)
  private readonly view: BackupView
  private restingAh = 0
  private heldAh = 0
  private dischargeA = 0
  private acceptA = 0
  private openV = 0
  private loadedV = 0
  private equaliseW = 0
  private heaterW = 0
  /** what sources beside the arrays would give, taken or not, W */
  private otherOfferedW = 0
  private readonly warmth: BankWarmth
  /** the grid carries the house */
  private onGrid = false
  /** what must run was not all served */
  private isDark = false
  /** what it would take if cold did not forbid it */
  private lockedOutA = 0
  private equalisedH = 0
  /** least that the bank held in the year, Ah */
  private leastAh = Infinity
  private readonly startAh: number = 0
  private readonly trace: Trace | null
  /** filled by the easy steps too */
  readonly charge: Float32Array | null
  /** day of the four weeks of loads with which the year begins */
  private readonly firstOfCycle: number = 0
  private spell = 0

  constructor(
    readonly plan: RunPlan,
    readonly hours: YearHours,
    { trace = null, charge = null }: Records,
    seed: number,
    index: number,
  ) {
    const { bank, loads, generator, grid } = plan
    this.trace = trace
    this.charge = charge
    this.firstOfCycle = firstOfCycle(index)
    this.grid = grid && new GridState(grid, bank, plan.startDay, seed, index)
    this.dt = 1 / loads.parts
    this.days = hours.days ??= dayHours(hours)
    this.work = new WaitingWork(loads)
    this.backup = new BackupState(generator)
    this.warmth = new BankWarmth(bank)
    this.availableAh = bank.startAvailableAh
    this.boundAh = bank.startBoundAh
    this.startAh = this.availableAh + this.boundAh
    this.view = {
      now: 0,
      dt: this.dt,
      hour: 0,
      onTheHour: true,
      away: false,
      onGrid: false,
      charge: 1,
      heldLowH: 0,
      sinceFullH: 0,
      sinceEqualisedH: 0,
      short: false,
    }
  }

  /** State of charge of a bank that holds so much, 0…1 of C20. */
  chargeAt(heldAh: number): number {
    const { qmaxAh, ratedAh } = this.plan.bank
    return 1 - (qmaxAh - heldAh) / ratedAh
  }

  /** What a bank holds whose use left is that of a warm bank of this charge, Ah. */
  heldAtEquivalent(charge: number): number {
    const { qmaxAh, ratedAh } = this.plan.bank
    return qmaxAh - (1 - charge) * this.cold * ratedAh
  }

  /** @param lengthH of the time that ends with a full charge, the step that fills the bank among it */
  foundFull(lengthH: number): void {
    this.longestSinceFullH = Math.max(this.longestSinceFullH, lengthH - this.dt)
  }

  countFullByNoon(): void {
    this.result.months.fullByNoonDays[this.books.month]++
  }

  /** Whether the room may forbid the bank to give or to take on a day. */
  isColdOn(day: number): boolean {
    const { lockC, offC } = this.plan.bank
    return this.days.coldestC[day] <= (lockC > offC ? lockC : offC)
  }

  openDay(day: number): void {
    const { bank, loads, startDay } = this.plan
    this.isCold = this.isColdOn(day)
    const dayOfYear = (startDay + day) % DAYS
    const ofCycle = (this.firstOfCycle + day) % CYCLE_DAYS
    this.away = loads.away[dayOfYear] | loads.awayOnWeekday[ofCycle % 7]
    this.cold = this.hours.coldShare[day]
    this.floorAh = this.heldAtEquivalent(bank.cutoff)
    this.books.open(MONTH_OF_DAY[dayOfYear])
    this.pot = potIndex(loads.kindOfDay[ofCycle], this.away, this.books.month)
    this.work.newDay(this.pot)
  }

  /** One step with everything that can be in it. */
  step(day: number, slot: number): void {
    const { plan, hours, view, dt, backup } = this
    const { parts } = plan.loads
    const hour = parts === 1 ? slot : (slot / parts) | 0
    const i = day * 24 + hour
    const at = this.pot * 24 * parts + slot
    let pvOut = hours.pvOutW[i] * plan.arrayShare
    let dcSource = hours.dcSourceW === null ? 0 : hours.dcSourceW[i]
    let acSource = hours.acSourceW === null ? 0 : hours.acSourceW[i]
    this.otherOfferedW = dcSource + acSource

    this.heldAh = this.availableAh + this.boundAh
    const charge = this.chargeAt(this.heldAh)
    const usable = 1 - (1 - charge) / this.cold
    view.now = (day * 24 * parts + slot) * dt
    view.hour = hour
    view.onTheHour = slot % parts === 0
    view.away = this.away === 1
    view.charge = charge
    view.heldLowH = this.heldLowH
    view.sinceFullH = view.now - this.fullAt
    view.sinceEqualisedH = view.now - this.equalisedAt

    this.limitBank(charge, usable)
    const letGo = this.isCold && hours.roomC[i] <= plan.bank.offC && this.letGoInCold(hours.roomC[i])
    this.ask(at, slot)
    this.shedBelow(usable, at)
    view.onGrid = this.grid !== null && this.grid.isThere(i)
    view.short = !view.onGrid && (letGo ? this.isShort(at, 0, 0, 0) : this.isShort(at, pvOut, dcSource, acSource))
    backup.decide(view)
    this.onGrid = view.onGrid && !backup.running
    if (backup.running || this.onGrid) this.takeBackShed()
    this.heaterW = 0
    this.lockedOutA = 0
    if (this.isCold) this.limitByCold(hours.roomC[i], pvOut + dcSource)
    if (letGo && !backup.running && !this.onGrid) {
      // the sun warms the cells where there are heaters, and nothing else
      const ownW = this.heaterW > 0 ? plan.selfW + this.heaterW + this.selfDischargeW() : 0
      dcSource = Math.min(dcSource, ownW)
      pvOut = Math.min(pvOut, ownW - dcSource)
      acSource = 0
    }
    this.equaliseW =
      backup.equaliseIsDue(view) &&
      charge >= plan.generator.fullStop &&
      (backup.running || this.onGrid || pvOut > SUN_EQUALISES_BY * plan.generator.equaliseW)
        ? plan.generator.equaliseW
        : 0
    if (slot < this.work.sunUntil && pvOut + acSource + dcSource > 0 && this.work.waitingWh() > 0) {
      const onAcSide = inverterOutput(plan.curve, pvOut + dcSource - plan.selfW - sumOf(this.askedDc)) + acSource
      this.work.intoTheSun(onAcSide - sumOf(this.asked), this.asked)
    }
    this.carry(day, slot, i, pvOut, dcSource, acSource)
  }

  /** Currents the bank can give and take in this step, the cold lock left aside, A. */
  private limitBank(charge: number, usable: number): void {
    const { bank, loads } = this.plan
    const { a1, a2, a3, cqmaxAh } = bank.step
    const total = this.heldAh
    this.restingAh = a1 * this.availableAh + a2 * total
    this.openV = tableAt(bank.restedV, charge)
    this.loadedV = tableAt(bank.loadedV, usable)
    const perOhm = this.cold / bank.ohm
    this.dischargeA = Math.max(
      0,
      Math.min(
        this.restingAh / a3,
        bank.maxDischargeA,
        (total - this.floorAh) * loads.parts,
        (this.loadedV - bank.lowCutV) * perOhm,
      ),
    )
    this.acceptA = Math.max(
      0,
      Math.min(
        (cqmaxAh - this.restingAh) / a3,
        bank.maxChargeA,
        (bank.qmaxAh - total) * loads.parts,
        (bank.absorbV - this.openV) * perOhm,
      ),
    )
  }

  /**
   * Colder than its management unit allows, the bank gives nothing. Whether it takes nothing either: then nothing holds
   * the bus up, and controllers and inverter stop, whatever the sun gives.
   */
  private letGoInCold(roomC: number): boolean {
    const { lockC, offC } = this.plan.bank
    const cellsC = roomC + this.warmth.at(this.view.now)
    if (cellsC > offC) return false
    this.dischargeA = 0
    return cellsC <= lockC
  }

  /** At or below its limit lithium takes no charge before a heater has warmed it. */
  private limitByCold(roomC: number, sourcesW: number): void {
    const { bank } = this.plan
    if (roomC > bank.lockC) return
    const wasWarmerK = this.warmth.at(this.view.now)
    if (bank.heaterW > 0 && (sourcesW > bank.heaterW || this.backup.running || this.onGrid))
      this.heaterW = this.warmth.heat(this.view.now, this.dt, bank.lockC - roomC)
    if (roomC + wasWarmerK > bank.lockC) return
    this.lockedOutA = this.acceptA
    this.acceptA = 0
  }

  /** What is asked for, W; movable work that waits no longer among it. */
  private ask(at: number, slot: number): void {
    const { acMust, acShould, acCanWait, dc, dcShould, dcCanWait } = this.plan.loads
    const { asked, askedDc } = this
    asked[0] = acMust[at]
    asked[1] = acShould[at]
    asked[2] = acCanWait[at]
    askedDc[0] = dc[at] - dcShould[at] - dcCanWait[at]
    askedDc[1] = dcShould[at]
    askedDc[2] = dcCanWait[at]
    if (slot >= this.work.sunUntil && slot < this.work.eveningUntil) this.work.inTheEvening(slot, asked)
  }

  /** Switches off what people chose to, by what is left to use; on the DC side only what hangs on a switched output. */
  private shedBelow(usable: number, at: number): void {
    const { plan, asked, askedDc, shed, shedDc } = this
    shed[1] = shed[2] = shedDc[1] = shedDc[2] = 0
    for (let rank = 1; rank < 3; rank++) {
      if (usable >= (rank === 1 ? plan.shedShould : plan.shedCanWait)) continue
      shed[rank] = asked[rank]
      asked[rank] = 0
      shedDc[rank] = (rank === 1 ? plan.loads.dcShouldSwitched : plan.loads.dcCanWaitSwitched)[at]
      askedDc[rank] -= shedDc[rank]
    }
  }

  private takeBackShed(): void {
    const { asked, askedDc, shed, shedDc } = this
    for (let rank = 1; rank < 3; rank++) {
      asked[rank] += shed[rank]
      askedDc[rank] += shedDc[rank]
      shed[rank] = shedDc[rank] = 0
    }
  }

  private selfDischargeW(): number {
    const { volts, selfDischargePerH } = this.plan.bank
    return this.heldAh * volts * selfDischargePerH
  }

  /** Whether bank, sun and other sources cannot carry what is asked for. */
  private isShort(at: number, pvOut: number, dcSource: number, acSource: number): boolean {
    const { curve, inverterW, selfW, bank, searchW, searchWakeW, loads } = this.plan
    const rest = Math.max(0, sumOf(this.asked) - acSource)
    const restW = rest < searchWakeW ? searchW : curve.idleW
    const carried = Math.min(rest, inverterW[((at / loads.parts) | 0) % 288])
    const needs = selfW + this.selfDischargeW() + sumOf(this.askedDc) + restW + carried * (curve.a + curve.b * carried)
    return pvOut + dcSource + this.dischargeA * bank.volts < needs - TINY_W
  }

  /** Brings the step's power to where it is used, charges and discharges the bank, and writes the books. */
  private carry(day: number, slot: number, i: number, pvOut: number, dcSource: number, acSource: number): void {
    const { plan, books, backup, dt, asked, askedDc } = this
    const { bank, generator, curve } = plan
    const grid = this.onGrid ? this.grid : null
    const hour = i % 24
    const { running, loadShare } = backup
    const dischargeW = this.dischargeA * bank.volts
    const acceptW = (this.acceptA * bank.volts) / bank.chargeEfficiency
    const ac = sumOf(asked)
    const dc = sumOf(askedDc)

    // the AC side: the backup carries the house first, or AC sources do; the charger gets what is left
    let fromGenerator = 0
    let fromAcSource = 0
    let chargerEfficiency = generator.chargerEfficiency
    let chargerDc = 0
    let fromGrid = 0
    /** of what the charger gives, what AC sources had left over */
    let sourceDc = 0
    if (running && generator.passesHouse) {
      const powerW = generator.acW * loadShare
      fromGenerator = Math.min(ac, powerW)
      chargerDc = Math.min(powerW - fromGenerator, generator.chargerAcW * loadShare) * chargerEfficiency
    } else {
      fromAcSource = Math.min(acSource, ac)
      if (grid) {
        const overAcW = Math.min(acSource - fromAcSource, plan.acChargerW)
        fromGrid = grid.carriesW(ac - fromAcSource)
        chargerEfficiency = plan.acChargerEfficiency
        sourceDc = overAcW * chargerEfficiency
        const gridW = grid.chargerW(hour, fromGrid, overAcW, this.heldAh, this.equaliseW > 0)
        chargerDc = sourceDc + gridW * chargerEfficiency
      } else if (running) {
        const drawn = Math.min(generator.acW, generator.chargerAcW)
        chargerDc = (drawn * chargerEfficiency + generator.dcW) * loadShare
      } else if (acSource > fromAcSource) {
        chargerEfficiency = plan.acChargerEfficiency
        chargerDc = Math.min(acSource - fromAcSource, plan.acChargerW) * chargerEfficiency
      }
    }

    // what the bus can carry
    const supply = pvOut + dcSource + chargerDc + dischargeW
    const selfDischarge = this.selfDischargeW()
    const wantedSelf = plan.selfW + this.heaterW + selfDischarge + this.equaliseW
    const self = Math.min(wantedSelf, supply)
    const dcServed = Math.min(dc, supply - self)
    const left = supply - self - dcServed
    const acRest = ac - fromGenerator - fromAcSource - fromGrid
    const restW = acRest < plan.searchWakeW ? plan.searchW : curve.idleW
    let acInverter = Math.min(acRest, plan.inverterW[books.month * 24 + hour])
    let inverterDc = 0
    if (left > restW) {
      inverterDc = restW + acInverter * (curve.a + curve.b * acInverter)
      if (inverterDc > left) {
        acInverter = inverterOutput(curve, left + curve.idleW - restW)
        inverterDc = left
      }
    } else acInverter = 0
    const acServed = fromGenerator + fromAcSource + fromGrid + acInverter
    const need = self + dcServed + inverterDc
    this.bookShort(ac - acServed, dc - dcServed)

    // other sources first, then the sun, then the charger, then the bank
    let dcUsed = Math.min(need, dcSource)
    let pvUsed = Math.min(need - dcUsed, pvOut)
    let chargerUsed = Math.min(need - dcUsed - pvUsed, chargerDc)
    const discharge = need - dcUsed - pvUsed - chargerUsed
    let intake = 0
    if (discharge <= 0) {
      const fromSource = Math.min(dcSource - dcUsed, acceptW)
      const fromSun = Math.min(pvOut - pvUsed, acceptW - fromSource)
      const fromCharger = Math.min(
        chargerDc - chargerUsed,
        acceptW - fromSource - fromSun,
        grid
          ? Math.max(0, sourceDc - chargerUsed) + Math.max(0, grid.roomW(this.heldAh, dt) - fromSource - fromSun)
          : Infinity,
      )
      dcUsed += fromSource
      pvUsed += fromSun
      chargerUsed += fromCharger
      intake = fromSource + fromSun + fromCharger
      books.sunToBank += fromSun
      if (this.lockedOutA > 0 && dcSource - dcUsed + pvOut - pvUsed + chargerDc - chargerUsed > TINY_W)
        this.result.coldLockHours += dt
    }
    const stored = intake * bank.chargeEfficiency - discharge
    const current = -stored / bank.volts
    const before = this.heldAh
    const nextAvailable = this.restingAh - bank.step.a3 * current
    this.boundAh = before - current * dt - nextAvailable
    this.availableAh = nextAvailable

    // the books, W
    const pvTaken = pvUsed / plan.controllerEfficiency
    const drawn = chargerUsed > 0 ? chargerUsed / chargerEfficiency : 0
    const sourceDrawn = running ? 0 : grid ? Math.min(drawn, sourceDc / chargerEfficiency) : drawn
    const gridTaken = grid ? fromGrid + drawn - sourceDrawn : 0
    const generated = fromGenerator + (running ? drawn : 0)
    const otherTaken = dcUsed + fromAcSource + sourceDrawn
    const served = acServed + dcServed
    const missed = self < wantedSelf ? 1 - self / wantedSelf : 0
    this.selfMissed += missed
    this.selfDischarge += selfDischarge * (1 - missed)
    this.heater += this.heaterW * (1 - missed)
    this.equalised += this.equaliseW * (1 - missed)
    this.chargerLoss += drawn - chargerUsed
    this.inverterLoss += inverterDc - acInverter
    this.idle += Math.min(restW, inverterDc)
    this.intake += intake
    books.arrayTaken += pvTaken
    books.generated += generated
    books.otherTaken += otherTaken
    books.dcTaken += dcUsed
    books.served += served
    books.fromGrid += gridTaken
    books.need += need + fromAcSource + fromGenerator + fromGrid

    const losses =
      pvTaken - pvUsed + drawn - chargerUsed + inverterDc - acInverter + intake * (1 - bank.chargeEfficiency) + self
    const taken = pvTaken + otherTaken + generated + gridTaken
    const held = this.availableAh + this.boundAh
    const storedNow = ((held - before) * bank.volts) / dt
    this.checkBalance(taken - served - losses - storedNow, taken + served)

    const now = this.view.now
    const ran = backup.ran(now, dt)
    books.generatorH += ran
    books.fuelL += generator.idleLPerH * ran + (running ? generator.litresPerWh * generated * dt : 0)
    this.bookCharge(now, held, current)
    this.grid?.step(now, dt, this.view.onGrid, this.isDark, this.chargeAt(held))
    const t = day * 24 * plan.loads.parts + slot
    if (this.charge !== null) this.charge[t] = this.chargeAt(held)
    if (this.trace === null) return
    const { trace, shed, shedDc } = this
    trace.stateOfCharge[t] = this.chargeAt(held)
    trace.arrayW[t] = pvTaken
    trace.otherW[t] = otherTaken
    trace.generatorW[t] = generated
    trace.gridW[t] = gridTaken
    trace.bankW[t] = stored
    trace.servedW[t] = served
    trace.unmetW[t] = ac - acServed + dc - dcServed + sumOf(shed) + sumOf(shedDc)
    trace.mustW[t] = asked[0] + askedDc[0]
    trace.shouldW[t] = asked[1] + askedDc[1] + shed[1] + shedDc[1]
    trace.canWaitW[t] = asked[2] + askedDc[2] + shed[2] + shedDc[2]
    trace.curtailedW[t] = this.hours.pvInW[i] * plan.arrayShare - pvTaken + this.otherOfferedW - otherTaken
    trace.voltsV[t] = this.voltsAt(current)
    trace.roomC[t] = this.hours.roomC[i]
  }

  /** Counts what was not served: what can wait goes first, on either side of the inverter; what was shed is short too. */
  private bookShort(missingAc: number, missingDc: number): void {
    const { asked, askedDc, shed, shedDc, dt, result } = this
    let any = false
    this.isDark = false
    for (let rank = 2; rank >= 0; rank--) {
      const cutAc = rank > 0 ? Math.min(missingAc, asked[rank]) : missingAc
      const cutDc = rank > 0 ? Math.min(missingDc, askedDc[rank]) : missingDc
      missingAc -= cutAc
      missingDc -= cutDc
      const cut = cutAc + cutDc + shed[rank] + shedDc[rank]
      if (cut <= TINY_W) continue
      any = true
      if (rank === 0) this.isDark = true
      result.shortHours[PRIORITIES[rank]] += dt
      result.unmetWh[PRIORITIES[rank]] += cut * dt
      this.books.unmet += cut
    }
    if (any) this.books.shortH += dt
  }

  /** Counts what was shed in easy steps of the day, by the rows before the first and after the last. */
  bookShed(from: number, to: number): void {
    const { result, dt, books } = this
    const { shed } = this.plan.easy
    const between = (before: Float64Array) => before[to] - before[from]
    const shouldW = between(shed.should)
    const canWaitW = between(shed.canWait)
    result.shortHours.should += between(shed.shortShould) * dt
    result.shortHours.canWait += between(shed.shortCanWait) * dt
    result.unmetWh.should += shouldW * dt
    result.unmetWh.canWait += canWaitW * dt
    books.unmet += shouldW + canWaitW
    books.shortH += between(shed.short) * dt
  }

  /** What the step leaves the bank with: least and full, equalised, and its volts where they start the backup. */
  private bookCharge(now: number, held: number, current: number): void {
    const { plan, books, dt } = this
    if (held < books.leastAh) books.leastAh = held
    if (this.chargeAt(held) >= FULL) {
      this.foundFull(now + dt - this.fullAt)
      this.fullAt = now + dt
    }
    if (this.equaliseW > 0) {
      this.equalisedH += dt
      if (this.equalisedH >= plan.generator.equaliseH - 1e-9) {
        this.equalisedAt = now + dt
        this.equalisedH = 0
        this.result.equalisations++
      }
    }
    if (plan.generator.startBy === 'voltage')
      this.heldLowH = this.voltsAt(current) <= plan.generator.startV ? this.heldLowH + dt : 0
  }

  /** Volts at a current, A, below nought while it is charged: rested at none, those of what is usable from a small load on. */
  private voltsAt(current: number): number {
    const { loadedFromA, ohm } = this.plan.bank
    const drop = (current * ohm) / this.cold
    if (current <= 0) return this.openV - drop
    const loaded = Math.min(1, current / loadedFromA)
    return this.openV + (this.loadedV - this.openV) * loaded - drop
  }

  /** Keeps the worst of what a balance misses, as a share of what it moved. */
  checkBalance(missing: number, moved: number): void {
    const residual = Math.abs(missing) / (moved + 1)
    if (residual > this.worstResidual) this.worstResidual = residual
  }

  /** Books a day that is over. */
  closeDay(day: number): void {
    const { books, dt, plan, result, days } = this
    const { months } = result
    const { month } = books
    const offered = days.pvOutW[day] * plan.arrayShare * plan.loads.parts
    const arrayW = days.pvInW[day] * plan.arrayShare * plan.loads.parts
    const otherW = (days.acSourceW[day] + days.dcSourceW[day]) * plan.loads.parts
    const curtailed = arrayW - books.arrayTaken + otherW - books.otherTaken
    months.arrayWh[month] += books.arrayTaken * dt
    months.toBankWh[month] += (books.sunToBank * dt) / plan.controllerEfficiency
    months.curtailedWh[month] += curtailed * dt
    months.generatorWh[month] += books.generated * dt
    months.otherWh[month] += books.otherTaken * dt
    months.gridWh[month] += books.fromGrid * dt
    months.servedWh[month] += books.served * dt
    months.unmetWh[month] += books.unmet * dt
    months.generatorHours[month] += books.generatorH
    months.fuelL[month] += books.fuelL
    result.arrayWh += arrayW * dt
    result.otherWh += otherW * dt
    result.curtailedWh += curtailed * dt
    result.spilledDcWh += (days.dcSourceW[day] * plan.loads.parts - books.dcTaken) * dt
    result.generatorHours += books.generatorH
    result.fuelL += books.fuelL
    if (books.leastAh < this.leastAh) this.leastAh = books.leastAh
    result.lowestByDay[day] = this.chargeAt(books.leastAh)
    result.shortHoursByDay[day] = books.shortH
    result.generatorHoursByDay[day] = books.generatorH
    result.fuelByDay[day] = books.fuelL
    // a spell is ridden through while the sun gives less than the day needs and neither backup nor shedding helps
    const helped = books.generatorH > 0 || books.fromGrid > 0
    const ridden = offered + otherW < books.need && !helped && books.shortH === 0
    this.spell = ridden ? this.spell + 1 : 0
    if (this.spell > result.longestSpellDays) result.longestSpellDays = this.spell
  }

  finish(): YearResult {
    const { result, plan, dt, backup } = this
    const { bank } = plan
    const sum = (months: Float64Array) => months.reduce((total, each) => total + each, 0)
    const arrayTakenWh = sum(result.months.arrayWh)
    result.generatorStarts = backup.starts
    result.coldestBankC = coldestMorning(this.hours.roomC)
    result.generatorWh = sum(result.months.generatorWh)
    result.gridWh = sum(result.months.gridWh)
    result.failures = this.grid?.failures ?? []
    result.servedWh = sum(result.months.servedWh)
    result.lowestStateOfCharge = Math.min(1, this.chargeAt(this.leastAh))
    result.fullToStartDays = backup.starts > 0 ? backup.fullToStartH / backup.starts / 24 : 0
    result.longestSinceFullDays = Math.max(this.longestSinceFullH, DAYS * 24 - this.fullAt) / 24
    result.losses = {
      controllersWh: arrayTakenWh * (1 - plan.controllerEfficiency),
      conversionWh: (this.inverterLoss - this.idle) * dt,
      idleWh: this.idle * dt,
      chargerWh: this.chargerLoss * dt,
      batteryWh: (this.intake * (1 - bank.chargeEfficiency) + this.selfDischarge) * dt,
      selfWh: plan.selfW * (DAYS * 24 - this.selfMissed * dt),
      heaterWh: this.heater * dt,
      equaliseWh: this.equalised * dt,
    }
    result.sourcesWh = result.arrayWh + result.otherWh + result.generatorWh + result.gridWh
    result.lossesWh = Object.values(result.losses).reduce((total, wh) => total + wh, 0)
    result.storedChangeWh = (this.availableAh + this.boundAh - this.startAh) * bank.volts
    result.residualRelative = this.worstResidual
    return result
  }
}

/** Coldest of the bank in the mornings of a year, when its capacity is told. */
function coldestMorning(roomC: Float32Array): number {
  let coldest = Infinity
  for (let day = 0; day < DAYS; day++) coldest = Math.min(coldest, roomC[day * 24 + 6])
  return coldest
}

/** Three figures, one for each priority. */
const sumOf = (each: Float64Array) => each[0] + each[1] + each[2]
