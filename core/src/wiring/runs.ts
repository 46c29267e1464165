import { isBuiltIn, outputOf } from '../array/controllers.ts'
import { arrayRatedW } from '../array/power.ts'
import { bankNominalV } from '../bank/layout.ts'
import type { ArrayField, Design, WireRun } from '../document/types.ts'
import { backupPower } from '../generator/backup.ts'
import { acrossVolts, isBoxed, serviceOf } from '../inverter/service.ts'
import { say, type Words } from '../units/words.ts'
import { ampacity, CONDUCTORS, deviceFor, deviceLimit, drop } from './conductors.ts'

/** A cable run with its currents, drop, capacity and device. */
export interface WorkedRun {
  run: WireRun
  /** current the drop is reckoned with, current the conductor must carry, A */
  workingA: number
  designA: number
  volts: number
  dropV: number
  dropPct: number
  ampacityA: number
  deviceA: number | null
  /** carries the current behind a standard device */
  carries: boolean
  /** carries it and keeps its drop */
  sound: boolean
  /** how the currents come about */
  because: string
  /** it lies inside a unit that brings it along, with its breaker: nothing to choose */
  within: boolean
}

/** Every run of the design, worked out. */
export function workedRuns(design: Design): WorkedRun[] {
  return design.runs.map((run) => workRun(design, run))
}

/**
 * Current and voltage of a run by what it connects.
 * Array: Imp for the drop, Isc × 1.25 × 1.25 for the conductor. Everything else: continuous × 1.25.
 * Bank to inverter: full load ÷ (efficiency × low cut-out voltage), because the current is highest when the bank is low.
 */
export function runCurrents(
  design: Design,
  run: WireRun,
): { workingA: number; designA: number; volts: number; because: string } {
  const { arrays, controllers, inverter, generator, bank, growth } = design
  const acV = acrossVolts(inverter)
  /** three phases share the current, each √3 less than one pair would carry */
  const acAmps = (watts: number) => watts / acV / (serviceOf(inverter) === 'three-phase' ? Math.sqrt(3) : 1)
  const continuous = (amps: number, volts: number, because: string) => ({
    workingA: amps,
    designA: amps * 1.25,
    volts,
    because,
  })
  switch (run.circuit) {
    case 'array': {
      const array = arrays.find(({ id }) => id === run.subjectId) ?? arrays[0]
      if (!array) return continuous(0, bankNominalV(bank), 'no array yet')
      const { module, inSeries } = array
      const inParallel = stringsLater(design, array)
      const later = inParallel > array.inParallel ? `, ${inParallel - array.inParallel} of them later` : ''
      return {
        workingA: module.impA * inParallel,
        designA: module.iscA * inParallel * 1.5625,
        volts: module.vmpV * inSeries,
        because: `Isc ${module.iscA} A × ${inParallel}${later} × 1.25 × 1.25`,
      }
    }
    case 'controller-bank': {
      const controller = controllers.find(({ id }) => id === run.subjectId) ?? controllers[0]
      if (controller && isBuiltIn(design, controller))
        return continuous(0, bankNominalV(bank), 'inside the all-in-one unit: its battery cable is the inverter’s')
      if (controller?.part.outputAcW) return continuous(acAmps(controller.part.outputAcW), acV, 'its AC output × 1.25')
      return continuous(controller ? outputOf(controller) : 0, bankNominalV(bank), 'the controller’s output × 1.25')
    }
    case 'bank-inverter': {
      const { fullLoadEfficiency, lowCutV } = inverter.part
      // each unit has a circuit of its own
      if (isBoxed(design)) return continuous(0, bankNominalV(bank), 'inside the power box')
      const loadA = fullLoadLaterA(design) / inverter.quantity
      // the one battery cable of an all-in-one carries its controllers' and its charger's current as well
      const inside = controllers.filter((controller) => isBuiltIn(design, controller))
      const chargeA = inside.reduce((sum, controller) => sum + outputOf(controller), 0) / inverter.quantity
      return chargeA > loadA
        ? continuous(chargeA, bankNominalV(bank), 'charging current of its own trackers × 1.25')
        : continuous(
            loadA,
            bankNominalV(bank),
            `full load${inverter.quantity > 1 ? ' of each unit' : ''}${growth.inverterW > 0 ? ` with ${growth.inverterW} W later` : ''} ÷ (${fullLoadEfficiency} × ${lowCutV} V low) × 1.25`,
          )
    }
    case 'inverter-house':
      return continuous(
        acAmps(inverter.part.ratedW * inverter.quantity + growth.inverterW),
        acV,
        `the inverter’s rating${growth.inverterW > 0 ? `, with ${growth.inverterW} W later,` : ''} × 1.25`,
      )
    case 'generator': {
      const { realW } = backupPower(design)
      const { present, kind, cordA, cordV } = generator
      const { grid } = design
      const gridIsMore = grid.present && (!present || kind === 'vehicle' || grid.breakerA > acAmps(realW))
      if (gridIsMore) return continuous(grid.breakerA, grid.breakerV, 'the grid’s breaker × 1.25')
      if (!present) return continuous(0, acV, 'no backup')
      if (kind === 'shore') return continuous(cordA, cordV, 'what the cord carries × 1.25')
      if (kind === 'vehicle') return continuous(generator.vehicleA, bankNominalV(bank), 'the vehicle’s current × 1.25')
      return continuous(acAmps(realW), acV, 'the de-rated generator × 1.25')
    }
  }
}

/** Current of the inverter's full load at its lowest voltage, the most the bank is asked for, A. */
export function fullLoadA({ inverter: { part, quantity } }: Pick<Design, 'inverter'>): number {
  return (part.ratedW * quantity) / (part.fullLoadEfficiency * part.lowCutV)
}

/** As {@link fullLoadA}, with the inverter that is to come. */
export const fullLoadLaterA = ({ inverter, growth }: Pick<Design, 'inverter' | 'growth'>): number =>
  fullLoadA({ inverter }) + growth.inverterW / (inverter.part.fullLoadEfficiency * inverter.part.lowCutV)

/** Strings of an array with those to come: what is to be added falls on the arrays by their size, in whole strings. */
export function stringsLater({ arrays, growth }: Pick<Design, 'arrays' | 'growth'>, array: ArrayField): number {
  const totalW = arrays.reduce((sum, each) => sum + arrayRatedW(each), 0)
  return growth.arrayW > 0 ? Math.ceil(array.inParallel * (1 + growth.arrayW / totalW) - 1e-9) : array.inParallel
}

function workRun(design: Design, run: WireRun): WorkedRun {
  return { run, ...judge(runCurrents(design, run), run), within: isWithin(design, run) }
}

/** Whether a run lies inside an all-in-one unit, between its own controller and its battery terminals, or inside a power box. */
function isWithin(design: Design, { circuit, subjectId }: WireRun): boolean {
  if (circuit === 'bank-inverter') return isBoxed(design)
  if (circuit !== 'controller-bank') return false
  const controller = design.controllers.find(({ id }) => id === subjectId) ?? design.controllers[0]
  return controller !== undefined && isBuiltIn(design, controller)
}

type Judged = Omit<WorkedRun, 'run' | 'within'>

/**
 * A cable under its currents: sound where it carries them, a standard device stands between the current and what the
 * cable may be protected with, and the drop is kept.
 */
function judge(currents: ReturnType<typeof runCurrents>, run: WireRun): Judged {
  const { size, parallel, oneWayM } = run
  const { dropV, dropPct } = drop({ size, oneWayM, amps: currents.workingA / parallel, volts: currents.volts })
  const ampacityA = ampacity(size, run) * parallel
  const deviceA = deviceFor(currents.designA)
  const protectedBy = deviceA !== null && deviceA <= deviceLimit(size, ampacityA)
  const carries = ampacityA >= currents.designA && protectedBy
  return { ...currents, dropV, dropPct, ampacityA, deviceA, carries, sound: carries && dropPct <= run.allowedDropPct }
}

/** Thinner cables than this are not run in parallel. Source: NEC 310.10(G). */
const PARALLEL_FROM = { awg: '1/0 AWG', metric: '50 mm2' } as const
const MOST_PARALLEL = 4

/**
 * The thinnest conductor of the place's basis that carries the current and keeps the drop, single where one does, else
 * as few equal cables in parallel as do.
 */
export function sizeFor(design: Design, run: WireRun): Pick<WireRun, 'size' | 'parallel'> {
  const currents = runCurrents(design, run)
  const basis = design.place.wiringBasis
  const sizes = CONDUCTORS.filter((conductor) => conductor.basis === basis).map(({ size }) => size)
  for (let parallel = 1; parallel <= MOST_PARALLEL; parallel++) {
    const from = parallel > 1 ? sizes.indexOf(PARALLEL_FROM[basis]) : 0
    const size = sizes.slice(from).find((each) => judge(currents, { ...run, size: each, parallel }).sound)
    if (size) return { size, parallel }
  }
  return { size: sizes[sizes.length - 1], parallel: MOST_PARALLEL }
}

/** The thinnest single cable of a basis that carries a current behind a standard device, at 90 °C insulation; null for none. */
export function thinnestFor(basis: 'awg' | 'metric', designA: number): string | null {
  const deviceA = deviceFor(designA)
  if (deviceA === null) return null
  const found = CONDUCTORS.filter((conductor) => conductor.basis === basis).find(({ size }) => {
    const ampacityA = ampacity(size, { insulationC: 90, ambientC: 30, conductors: 2 })
    return ampacityA >= designA && deviceA <= deviceLimit(size, ampacityA)
  })
  return found?.size ?? null
}

/** A run's cable as people write it: `2 × 4/0 AWG`, `16 mm²`. */
export function cableName({ size, parallel }: Pick<WireRun, 'size' | 'parallel'>): Words {
  const named: Words = [{ size }]
  return parallel > 1 ? say`${parallel} × ${named}` : named
}

/** The design with every run in the thinnest conductor that carries it and keeps its drop. */
export function withThinnestRuns(design: Design): Design {
  return { ...design, runs: design.runs.map((run) => ({ ...run, ...sizeFor(design, run) })) }
}
