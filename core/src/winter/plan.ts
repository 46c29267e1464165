import { CHEMISTRIES } from '../bank/chemistry.ts'
import { bankKinetic, kineticStepOf, type KineticStep } from '../bank/kinetic.ts'
import { absorptionV, bankNominalV, bankOhm, ratedAh } from '../bank/layout.ts'
import { stringsAtLimit } from '../bank/strings.ts'
import { restedBankV } from '../bank/voltage.ts'
import type { Design } from '../document/types.ts'
import { backupPower } from '../generator/backup.ts'
import { curveOf, type InverterCurve } from '../inverter/efficiency.ts'
import { inverterRating } from '../inverter/service.ts'
import { runStartDay } from '../calendar/calendar.ts'
import { climateOf } from '../weather/ruling.ts'
import { controllerEfficiency } from './hours.ts'
import { legLimits, loadTables, type LoadTables } from './loadTables.ts'

/** Everything of a design that stays the same from hour to hour and year to year, ready for the loop. */
export interface RunPlan {
  startDay: number
  loads: LoadTables
  /** state of charge below which loads are switched off; −1 for never */
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
  bank: BankPlan
  generator: BackupPlan
}

export interface BankPlan {
  volts: number
  qmaxAh: number
  startAvailableAh: number
  startBoundAh: number
  step: KineticStep
  maxChargeA: number
  maxDischargeA: number
  chargeEfficiency: number
  cutoff: number
  /** no charging at or below this; −Infinity where there is no such limit */
  lockC: number
  heaterW: number
  /** rested voltage at 0, 1/200 … of full, V; two of them past the end for looking up between */
  restedV: Float64Array
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

/** Entries of the voltage table between empty and full. */
export const VOLTAGE_STEPS = 200

/** How much of the system's first years is left. */
export interface Age {
  /** share of the bank's capacity, and of the arrays' power */
  bankShare: number
  arrayShare: number
}
const NEW: Age = { bankShare: 1, arrayShare: 1 }

/** Steps the run makes of an hour. */
export const partsOf = ({ winter }: Pick<Design, 'winter'>): 1 | 4 => (winter.stepMin === 15 ? 4 : 1)

/** Works a design into the constants of the run. Throws nothing for a document the contract accepts. */
export function runPlan(design: Design, age: Age = NEW): RunPlan {
  const { controllers, inverter, place, household } = design
  const parts = partsOf(design)
  const curve = curveOf(inverter.part, inverter.quantity)
  const { searchW, searchWakeW, chargerA, chargerEfficiency } = inverter.part
  const searching = inverter.search && searchW !== null
  return {
    startDay: runStartDay(place.latitudeDeg),
    loads: loadTables(design, parts),
    shedCanWait: household.shedCanWaitBelow ?? -1,
    shedShould: household.shedShouldBelow ?? -1,
    selfW: controllers.reduce((sum, { part }) => sum + part.selfW, 0),
    controllerEfficiency: controllerEfficiency(design),
    arrayShare: age.arrayShare,
    curve,
    searchW: searching ? searchW * inverter.quantity : curve.idleW,
    searchWakeW: searching ? searchWakeW : -1,
    inverterW: inverterLimits(design),
    acChargerW: (chargerA * inverter.quantity * bankNominalV(design.bank)) / chargerEfficiency,
    acChargerEfficiency: chargerEfficiency,
    bank: bankPlan(design, parts, age.bankShare),
    generator: backupPlan(design),
  }
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

function bankPlan(design: Design, parts: number, share: number): BankPlan {
  const { bank, inverter } = design
  const fresh = bankKinetic(design)
  const kinetic = { ...fresh, qmaxAh: fresh.qmaxAh * share }
  const { part } = bank
  return {
    volts: bankNominalV(bank),
    qmaxAh: kinetic.qmaxAh,
    startAvailableAh: kinetic.c * kinetic.qmaxAh,
    startBoundAh: (1 - kinetic.c) * kinetic.qmaxAh,
    step: kineticStepOf(kinetic, 1 / parts),
    maxChargeA: part.maxChargeA * stringsAtLimit(bank),
    maxDischargeA: part.maxDischargeA * stringsAtLimit(bank),
    chargeEfficiency: CHEMISTRIES[part.chemistry].chargeEfficiency,
    cutoff: bank.cutoffStateOfCharge,
    lockC: part.minChargeC ?? -Infinity,
    heaterW: part.heaterW * bank.inParallel * bank.inSeries,
    restedV: Float64Array.from({ length: VOLTAGE_STEPS + 2 }, (_, i) => restedBankV(bank, i / VOLTAGE_STEPS)),
    ohm: bankOhm(bank) / share,
    lowCutV: inverter.part.lowCutV,
    absorbV: absorptionV(bank),
    selfDischargePerH: part.selfDischargePctPerMonth / 100 / 730,
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
  return {
    present: generator.present,
    acW,
    chargerAcW,
    chargerEfficiency,
    dcW: vehicle ? chargeA * bankNominalV(bank) : 0,
    passesHouse,
    startBy: generator.startBy,
    start: generator.startStateOfCharge,
    startV: generator.startV,
    holdH: generator.holdMin / 60,
    morningH: generator.morningH,
    byHand: vehicle || generator.startBy === 'morning',
    stop: generator.stopStateOfCharge,
    minRunH: generator.minRunH,
    maxRunH: generator.maxRunH,
    restH: generator.restDays * 24,
    warmUpH: generator.kind === 'generator' ? generator.warmUpMin / 60 : 0,
    quietFromH: generator.quietFromH,
    quietToH: generator.quietToH,
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
