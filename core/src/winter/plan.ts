import { bankNominalV } from '../bank/layout.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { fitKinetic, kineticStepOf, type Kinetic, type KineticStep } from '../bank/kinetic.ts'
import { capacityLeft, stringsAtLimit } from '../bank/strings.ts'
import type { Design } from '../design/types.ts'
import { controllerEfficiency } from './hours.ts'
import { derate, WILLANS } from '../generator/power.ts'
import { curveOf, type InverterCurve } from '../inverter/efficiency.ts'
import { loadDay } from '../loads/profile.ts'
import { runStartDay } from '../sun/calendar.ts'
import { climateOf } from '../weather/ruling.ts'

/** Everything of a design that stays the same from hour to hour and year to year, ready for the loop. */
export interface RunPlan {
  startDay: number
  /** watts by month × 24 + hour */
  acMust: Float64Array
  acShould: Float64Array
  acCanWait: Float64Array
  dc: Float64Array
  /** movable AC energy of a day by month, Wh, by priority, and the watts it may draw at once */
  movableMust: Float64Array
  movableShould: Float64Array
  movableCanWait: Float64Array
  movableCapW: number
  selfW: number
  controllerEfficiency: number
  curve: InverterCurve
  inverterW: number
  bank: {
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
  }
  generator: {
    present: boolean
    powerW: number
    chargerW: number
    chargerEfficiency: number
    start: number
    stop: number
    minRunH: number
    maxRunH: number
    quietFromH: number
    quietToH: number
    fullEveryDays: number
    fullStop: number
    fuelIdleLPerH: number
    fuelLPerWh: number
  }
}

/** The kinetic battery of a whole bank, Ah at the bank's voltage. */
export function bankKinetic(design: Design): Kinetic {
  const { part } = design.bank
  const inParallel = design.bank.inParallel * capacityLeft(design.bank)
  const fit = fitKinetic(part.capacities)
  if (part.chemistry === 'lfp') {
    return { qmaxAh: Math.max(...part.capacities.map((rate) => rate.ampHours)) * inParallel, c: 1, kPerH: 1 }
  }
  return { qmaxAh: fit.qmaxAh * inParallel, c: fit.c, kPerH: fit.kPerH }
}

/** Works a design into the constants of the run. Throws nothing for a document the contract accepts. */
export function runPlan(design: Design): RunPlan {
  const kinetic = bankKinetic(design)
  const { bank, controllers, inverter, place } = design
  const facts = CHEMISTRIES[bank.part.chemistry]
  const months = Array.from({ length: 12 }, (_, month) => loadDay(design.loads, month))
  const hours = (pick: (month: number) => Float64Array) =>
    Float64Array.from({ length: 288 }, (_, at) => pick(Math.floor(at / 24))[at % 24])
  const movable = design.loads.filter((load) => load.movable && load.leg !== 'DC' && load.supply === 'electric')
  return {
    startDay: runStartDay(place.latitudeDeg),
    acMust: hours((month) => months[month].ac.must),
    acShould: hours((month) => months[month].ac.should),
    acCanWait: hours((month) => months[month].ac.canWait),
    dc: hours((month) =>
      months[month].dc.must.map(
        (watts, hour) => watts + months[month].dc.should[hour] + months[month].dc.canWait[hour],
      ),
    ),
    movableMust: Float64Array.from(months, (month) => month.movableWh.must),
    movableShould: Float64Array.from(months, (month) => month.movableWh.should),
    movableCanWait: Float64Array.from(months, (month) => month.movableWh.canWait),
    movableCapW: movable.reduce((sum, load) => sum + load.runningW * load.quantity, 0),
    selfW: controllers.reduce((sum, { part }) => sum + part.selfW, 0),
    controllerEfficiency: controllerEfficiency(design),
    curve: curveOf(inverter.part, inverter.quantity),
    inverterW: inverter.part.ratedW * inverter.quantity,
    bank: {
      volts: bankNominalV(bank),
      qmaxAh: kinetic.qmaxAh,
      startAvailableAh: kinetic.c * kinetic.qmaxAh,
      startBoundAh: (1 - kinetic.c) * kinetic.qmaxAh,
      step: kineticStepOf(kinetic, 1),
      maxChargeA: bank.part.maxChargeA * stringsAtLimit(bank),
      maxDischargeA: bank.part.maxDischargeA * stringsAtLimit(bank),
      chargeEfficiency: facts.chargeEfficiency,
      cutoff: bank.cutoffStateOfCharge,
      lockC: bank.part.minChargeC ?? -Infinity,
      heaterW: bank.part.heaterW * bank.inParallel * bank.inSeries,
    },
    generator: generatorPlan(design),
  }
}

function generatorPlan(design: Design): RunPlan['generator'] {
  const { generator, inverter, place, bank } = design
  const winterC = Math.max(...climateOf(place).monthly.map((month) => month.meanC))
  const powerW =
    derate(generator.part.ratedW, place.elevationM, winterC, generator.part.fuel) * generator.loadShareLimit
  const { chargerA, chargerEfficiency } = inverter.part
  const { idle, slope } = WILLANS[generator.part.fuel]
  return {
    present: generator.present,
    powerW,
    chargerW: (chargerA * inverter.quantity * bankNominalV(bank)) / chargerEfficiency,
    chargerEfficiency,
    start: generator.startStateOfCharge,
    stop: generator.stopStateOfCharge,
    minRunH: generator.minRunH,
    maxRunH: generator.maxRunH,
    quietFromH: generator.quietFromH,
    quietToH: generator.quietToH,
    fullEveryDays: generator.fullChargeEveryDays ?? 0,
    fullStop: bank.part.chemistry === 'lfp' ? 0.99 : 0.96,
    fuelIdleLPerH: (idle * generator.part.ratedW) / 1000,
    fuelLPerWh: slope / 1000,
  }
}
