import { CHEMISTRIES } from '../bank/chemistry.ts'
import { coolingTime, heatOfUnit } from '../bank/warmth.ts'
import { bankKinetic, kineticStepOf, type KineticStep } from '../bank/kinetic.ts'
import { absorptionV, bankNominalV, bankOhm, bankRatedAh, ratedAh } from '../bank/layout.ts'
import { stringsAtLimit } from '../bank/strings.ts'
import { loadedBankV } from '../bank/usable.ts'
import { restedBankV } from '../bank/voltage.ts'
import type { Design } from '../document/types.ts'
import { backupPower } from '../generator/backup.ts'
import { gridIsTaken, isTaken } from '../generator/taken.ts'
import { curveOf, type InverterCurve } from '../inverter/efficiency.ts'
import { inverterRating, onLegsOf } from '../inverter/service.ts'
import { climateOf } from '../weather/ruling.ts'
import { seasonOf } from '../weather/season.ts'
import { controllerEfficiency } from './hours.ts'
import { easyTables, type EasyTables } from './easyTables.ts'
import { legLimits, loadTables, type LoadTables } from './loadTables.ts'

/** Everything of a design that stays the same from hour to hour and year to year, ready for the loop. */
export interface RunPlan {
  startDay: number
  loads: LoadTables
  /** usable charge below which loads are switched off; −Infinity for never */
  shedCanWait: number
  shedShould: number
  selfW: number
  controllerEfficiency: number
  /** share of the arrays' power that is left with age */
  arrayShare: number
  curve: InverterCurve
  /** draw at rest while it sleeps in search mode, and the load that wakes it; equal to the idle draw without it */
  searchW: number
  searchWakeW: number
  /** most AC power by month × 24 + hour, heat, elevation and the heaviest leg considered, W */
  inverterW: Float64Array
  /** what the inverter's charger may draw from AC sources, W, and its efficiency */
  acChargerW: number
  acChargerEfficiency: number
  easy: EasyTables
  bank: BankPlan
  generator: BackupPlan
  /** null where there is none */
  grid: GridPlan | null
}

export interface BankPlan {
  volts: number
  /** all it can hold; charge is never counted from it */
  qmaxAh: number
  /** C20, in which charge is counted: state of charge = 1 − (qmax − held) ÷ C20 */
  ratedAh: number
  startAvailableAh: number
  startBoundAh: number
  step: KineticStep
  maxChargeA: number
  maxDischargeA: number
  chargeEfficiency: number
  cutoff: number
  /** no charging at or below this; −Infinity where there is no such limit */
  lockC: number
  /** it gives nothing at or below this; −Infinity where there is no such limit */
  offC: number
  heaterW: number
  /** heat that warms it by a kelvin, Wh, and how soon it is lost to the room, h */
  heatWhPerK: number
  coolsInH: number
  /** rested voltage at 0, 1/200 … of full, V; two of them past the end for looking up between */
  restedV: Float64Array
  /** and under load, by what is usable: a table as before, by the charge at which the warm bank has as much left */
  loadedV: Float64Array
  /** the least of both tables from each entry on, V */
  leastV: Float64Array
  /** current from which on the volts are those under load, A */
  loadedFromA: number
  /** resistance of the warm bank, Ω */
  ohm: number
  lowCutV: number
  absorbV: number
  /** share of its charge a bank loses by itself in an hour */
  selfDischargePerH: number
}

export interface BackupPlan {
  present: boolean
  acW: number
  /** what its charger may draw, W AC, and its efficiency */
  chargerAcW: number
  chargerEfficiency: number
  /** direct current without a charger, as from a vehicle, W */
  dcW: number
  passesHouse: boolean
  startBy: Design['generator']['startBy']
  start: number
  startV: number
  /** also where loads would be dropped; nobody comes for that */
  whenEmpty: boolean
  holdH: number
  morningH: number
  /** somebody has to be there to start it */
  byHand: boolean
  stop: number
  minRunH: number
  maxRunH: number
  restH: number
  warmUpH: number
  quietFromH: number
  quietToH: number
  /** 0 for never */
  fullEveryH: number
  fullStop: number
  exerciseEveryH: number
  exerciseH: number
  equaliseEveryH: number
  equaliseH: number
  equaliseW: number
  idleLPerH: number
  litresPerWh: number
}

export interface GridPlan {
  acW: number
  /** what the charger may draw of it, W */
  chargerAcW: number
  chargeFromH: number
  chargeToH: number
  keep: number
  /** when it fails */
  failures: Design['grid']
}

/** Entries of the voltage table between empty and full. */
export const VOLTAGE_STEPS = 200

/** How much of the system's first years is left. */
export interface Age {
  /** share of the bank's capacity, and of the arrays' power */
  bankShare: number
  arrayShare: number
}
/** Steps the run makes of an hour. */
export const partsOf = ({ winter }: Pick<Design, 'winter'>): 1 | 4 => (winter.stepMin === 15 ? 4 : 1)

/**
 * Makes objects that are all of one kind to V8, however they were put together: of plans into which others are spread it
 * makes kinds of their own, and a loop that has met several of them is slower.
 */
function ofOneKind<T extends object>(): (fields: T) => T {
  class Kind {
    constructor(fields: T) {
      Object.assign(this, fields)
    }
  }
  return (fields) => new Kind(fields) as T
}
const asPlan = ofOneKind<RunPlan>()
const asBank = ofOneKind<BankPlan>()

/** A bank without any resistance would know no end of a current. */
const LEAST_OHM = 1e-6

/**
 * Works a design into the constants of the run. Throws nothing for a document the contract accepts.
 * @param startDay day of year (from 0) on which its years begin; by the place's dark season where it is left out
 */
export function runPlan(given: Design, startDay = seasonOf(given.place).startDay): RunPlan {
  const design = onLegsOf(given)
  const { controllers, inverter, household } = design
  const parts = partsOf(design)
  const curve = curveOf(inverter.part, inverter.quantity)
  const { searchW, searchWakeW, chargerA, chargerEfficiency } = inverter.part
  const searching = inverter.search && searchW !== null
  const inverterPlan = {
    curve,
    searchW: searching ? searchW * inverter.quantity : curve.idleW,
    searchWakeW: searching ? searchWakeW : -1,
    inverterW: inverterLimits(design),
    selfW: controllers.reduce((sum, { part }) => sum + part.selfW, 0),
  }
  const loads = loadTables(design, parts)
  const shed = {
    shedCanWait: household.shedCanWaitBelow ?? -Infinity,
    shedShould: household.shedShouldBelow ?? -Infinity,
  }
  return asPlan({
    startDay,
    loads,
    ...shed,
    ...inverterPlan,
    controllerEfficiency: controllerEfficiency(design),
    arrayShare: 1,
    easy: easyTables(loads, inverterPlan, shed),
    acChargerW: (chargerA * inverter.quantity * bankNominalV(design.bank)) / chargerEfficiency,
    acChargerEfficiency: chargerEfficiency,
    bank: bankPlan(design, parts),
    generator: backupPlan(design),
    grid: gridPlan(design),
  })
}

/** The same system with what age has left of it: nothing else of a plan changes. */
export function agedPlan(plan: RunPlan, { bankShare, arrayShare }: Age): RunPlan {
  const { bank } = plan
  return asPlan({
    ...plan,
    arrayShare: plan.arrayShare * arrayShare,
    bank: asBank({
      ...bank,
      qmaxAh: bank.qmaxAh * bankShare,
      ratedAh: bank.ratedAh * bankShare,
      startAvailableAh: bank.startAvailableAh * bankShare,
      startBoundAh: bank.startBoundAh * bankShare,
      loadedFromA: bank.loadedFromA * bankShare,
      step: { ...bank.step, cqmaxAh: bank.step.cqmaxAh * bankShare },
      ohm: bank.ohm / bankShare,
    }),
  })
}

/** What the inverter gives by month and hour, the month's highs taken as the air around it, up to the hottest named. */
function inverterLimits(design: Design): Float64Array {
  const { monthly } = climateOf(design.place)
  const legShare = legLimits(design)
  const byMonth = monthly.map(
    ({ maxC }) => inverterRating(design, 0, Math.min(design.inverter.hottestC, maxC)).continuousW,
  )
  return Float64Array.from({ length: 288 }, (_, at) => byMonth[Math.floor(at / 24)] * legShare[at])
}

/** Currents that would empty the bank sooner than in so many hours load it; less lets it recover to its rested volts. */
const LOADED_FROM_H = 100

function bankPlan(design: Design, parts: number): BankPlan {
  const { bank, inverter } = design
  const kinetic = bankKinetic(design)
  const { part } = bank
  const { lowCutV } = inverter.part
  const rated = bankRatedAh(bank)
  const table = (voltsAt: (charge: number) => number) =>
    Float64Array.from({ length: VOLTAGE_STEPS + 2 }, (_, i) => voltsAt(i / VOLTAGE_STEPS))
  const restedV = table((charge) => restedBankV(bank, charge))
  const loadedV = table((charge) => loadedBankV(bank, lowCutV, charge))
  return asBank({
    volts: bankNominalV(bank),
    qmaxAh: kinetic.qmaxAh,
    ratedAh: rated,
    startAvailableAh: kinetic.c * kinetic.qmaxAh,
    startBoundAh: (1 - kinetic.c) * kinetic.qmaxAh,
    step: kineticStepOf(kinetic, 1 / parts),
    maxChargeA: part.maxChargeA * stringsAtLimit(bank),
    maxDischargeA: part.maxDischargeA * stringsAtLimit(bank),
    chargeEfficiency: CHEMISTRIES[part.chemistry].chargeEfficiency,
    cutoff: bank.cutoffStateOfCharge,
    lockC: part.minChargeC ?? -Infinity,
    offC: part.minDischargeC ?? -Infinity,
    heaterW: part.heaterW * bank.inParallel * bank.inSeries,
    heatWhPerK: heatOfUnit(part) * bank.inParallel * bank.inSeries,
    coolsInH: coolingTime(part),
    restedV,
    loadedV,
    leastV: leastFrom(restedV, loadedV),
    loadedFromA: rated / LOADED_FROM_H,
    ohm: Math.max(LEAST_OHM, bankOhm(bank)),
    lowCutV,
    absorbV: absorptionV(bank),
    selfDischargePerH: part.selfDischargePctPerMonth / 100 / 730,
  })
}

/** The least of two tables from each entry on. */
function leastFrom(one: Float64Array, other: Float64Array): Float64Array {
  const least = one.map((value, i) => Math.min(value, other[i]))
  for (let i = least.length - 2; i >= 0; i--) least[i] = Math.min(least[i], least[i + 1])
  return least
}

function gridPlan(design: Design): GridPlan | null {
  // what the inverter does not take is not there
  if (!gridIsTaken(design)) return null
  const { grid, inverter, bank } = design
  const { chargerA, chargerEfficiency } = inverter.part
  const amps = Math.min(chargerA * inverter.quantity, grid.chargeLimitA ?? Infinity)
  return {
    acW: grid.breakerA * grid.breakerV,
    chargerAcW: (amps * bankNominalV(bank)) / chargerEfficiency,
    chargeFromH: grid.chargeFromH,
    chargeToH: grid.chargeToH,
    keep: grid.keepStateOfCharge,
    failures: grid,
  }
}

/** Current of an equalising charge as a share of the rated capacity an hour. Source: makers' usual C/33. */
const EQUALISE_RATE = 0.03

function backupPlan(design: Design): BackupPlan {
  const { generator, bank } = design
  const { acW, chargeA, chargerAcW, chargerEfficiency, passesHouse, idleLPerH, litresPerWh } = backupPower(design)
  const { equaliseV, generatorFull } = CHEMISTRIES[bank.part.chemistry]
  const equalises = equaliseV !== null && generator.equaliseEveryDays !== null
  const vehicle = generator.kind === 'vehicle'
  const shore = generator.kind === 'shore'
  const byHand = vehicle || generator.startBy === 'morning'
  return {
    // what the inverter does not take is not there
    present: isTaken(design),
    acW,
    chargerAcW,
    chargerEfficiency,
    dcW: vehicle ? chargeA * bankNominalV(bank) : 0,
    passesHouse,
    startBy: generator.startBy,
    start: generator.startStateOfCharge,
    startV: generator.startV,
    whenEmpty: generator.startWhenEmpty && !byHand,
    holdH: generator.holdMin / 60,
    morningH: generator.morningH,
    byHand,
    stop: generator.stopStateOfCharge,
    minRunH: generator.minRunH,
    // a cord knows no quiet hours and never has to stop
    maxRunH: shore ? Infinity : generator.maxRunH,
    restH: generator.restDays * 24,
    warmUpH: generator.kind === 'generator' ? generator.warmUpMin / 60 : 0,
    quietFromH: shore ? 0 : generator.quietFromH,
    quietToH: shore ? 0 : generator.quietToH,
    fullEveryH: vehicle ? 0 : (generator.fullChargeEveryDays ?? 0) * 24,
    fullStop: generatorFull,
    exerciseEveryH: generator.kind === 'generator' ? (generator.exerciseEveryDays ?? 0) * 24 : 0,
    exerciseH: generator.exerciseMin / 60,
    equaliseEveryH: equalises && !vehicle ? generator.equaliseEveryDays! * 24 : 0,
    equaliseH: generator.equaliseH,
    equaliseW: equalises
      ? EQUALISE_RATE * ratedAh(bank.part) * bank.inParallel * (bank.systemV / 12) * equaliseV[0]
      : 0,
    idleLPerH,
    litresPerWh,
  }
}
