import { breakerVoltsFor } from '../array/voltage.ts'
import type { CircuitChoice, Design, DeviceKind } from '../document/types.ts'
import {
  chooseConductor,
  enoughForCurrent,
  judged,
  thickestConductor,
  type Asked,
  type Chosen,
  type Failure,
} from '../wiring/choose.ts'
import { conductor, deviceFor, pvFuseFor, type Basis } from '../wiring/conductors.ts'
import { conduitFill, conduitFor, conduitInnerMm, groundConductor, upsizedGround } from '../wiring/protection.ts'
import { say, type Words } from '../units/words.ts'
import { copperPrice, economicalConductor, economyOf, type Economy } from '../wiring/economy.ts'
import { wireLossShare } from '../wiring/loss.ts'
import type { Circuit, System } from './graph.ts'
import { kWhWorth } from './kWhWorth.ts'
import { systemOf } from './systemOf.ts'

/** The fuse or breaker of a circuit, as it is asked and as it is there. */
export interface WorkedDevice {
  kind: Exclude<DeviceKind, ''>
  /** null above the largest standard one */
  amps: number | null
  poles: 1 | 2 | 3
  at: string
  /** volts and current it has to break at the least */
  leastV: number
  leastKA: number
  /** what is printed on the one that is there; null where nobody said, and it is bought as it is asked */
  ratedV: number | null
  ratedKA: number | null
  builtIn: boolean
  why: Words
}

/** What is wrong with a circuit. */
export type Fault =
  | Failure
  | 'no-conductor'
  | 'no-device'
  | 'device-small'
  | 'device-over-modules'
  | 'device-volts'
  | 'device-ac-on-dc'
  | 'device-dc-on-ac'
  | 'device-breaks'
  | 'device-unrated'
  | 'conduit'
  | 'cord'
  | 'no-disconnect'
  | 'no-arresters'
  | 'unused'

export interface WorkedCircuit {
  circuit: Circuit
  choice: CircuitChoice & { oneWayM: number }
  /** nobody has measured it */
  unmeasured: boolean
  /** as chosen by hand or the thinnest that does; null where nothing does */
  conductor: Chosen | null
  /** somebody chose the conductor */
  own: boolean
  device: WorkedDevice | null
  /** equipment ground beside it; empty where there is none */
  groundSize: string
  /** by trade size, and how full it is; null where it lies in none, or there is none so wide */
  conduit: { name: string; share: number; fits: boolean } | null
  lossKWh: number | null
  /** of an array's line: the conductor that would do at twice the volts and half the amps; null where none does */
  atTwiceTheVolts: (Chosen & { copper: number }) | null
  /** of an array's line: what is laid, and what costs least over its life with what it loses; null where nothing does */
  economy: { laid: Economy; best: Economy } | null
  /** stud that its lugs go on, mm; null below the sizes that have lugs */
  studMm: number | null
  faults: Fault[]
  /** carries its current behind its device */
  carries: boolean
  /** and keeps its drop */
  sound: boolean
}

/** Faults that burn nothing by themselves. */
const HARMLESS: readonly Fault[] = [
  'drop',
  'unused',
  'device-small',
  'device-dc-on-ac',
  'device-unrated',
  'conduit',
  'cord',
  'no-arresters',
]
/** What the usual one of its kind breaks, kA: direct current for those made for it. Source: makers' data sheets, lower end. */
const USUAL_KA: Record<Exclude<DeviceKind, ''>, number> = {
  'class-t': 20,
  'pv-fuse': 10,
  'dc-fuse': 6,
  'dc-breaker': 10,
  'ac-breaker': 10,
}

/** What somebody chose about a circuit, or what is usual for it. */
export function choiceOf(design: Pick<Design, 'circuits'>, circuit: Circuit): CircuitChoice {
  return design.circuits.find(({ id }) => id === circuit.id) ?? { ...circuit.usual, oneWayM: null }
}

/**
 * Every circuit of a design with its conductor, device, ground, conduit and drop.
 * @param system of the design, where it is there already
 */
export function workedCircuits(design: Design, system: System = systemOf(design)): WorkedCircuit[] {
  const chosen = new Map(design.circuits.map((choice) => [choice.id, choice]))
  return system.circuits.map((circuit) =>
    workCircuit(design, circuit, chosen.get(circuit.id) ?? { ...circuit.usual, oneWayM: null }),
  )
}

/** What a circuit asks of its conductor. */
function askedOf(design: Design, circuit: Circuit, choice: WorkedCircuit['choice'], deviceA: number | null): Asked {
  const { ampacity, deviceSize } = design.schools
  return {
    basis: design.place.wiringBasis,
    designA: circuit.designA,
    correctedA: circuit.correctedA,
    oneWayM: choice.oneWayM,
    workingA: circuit.workingA,
    volts: circuit.volts,
    threePhase: circuit.threePhase,
    allowedDropPct: choice.allowedDropPct,
    insulationC: choice.insulationC,
    terminalC: choice.terminalC,
    ambientC: choice.ambientC,
    conductors: choice.conductors,
    laid: choice.laid,
    school: ampacity,
    deviceA,
    nextAbove: deviceSize === 'next-above',
  }
}

function workCircuit(design: Design, circuit: Circuit, given: CircuitChoice): WorkedCircuit {
  const choice = { ...given, oneWayM: given.oneWayM ?? circuit.usual.oneWayM }
  const unmeasured = circuit.asksLength && given.oneWayM === null && !choice.unused
  const basis: Basis = design.place.wiringBasis
  const { device, asked, laid, fails } = layCircuit(design, circuit, choice)
  const ground = laid && circuit.grounded && !circuit.within ? groundOf(asked, laid, device, basis) : ''
  const inConduit = (choice.laid === 'conduit' || choice.laid === 'buried') && laid !== null && !circuit.within
  const conduit = inConduit ? conduitOf(circuit, choice, laid, ground, basis) : null
  const faults: Fault[] = choice.unused
    ? ['unused']
    : circuit.within
      ? []
      : [...faultsOf(circuit, laid, fails, device), ...layingFaults(circuit, choice, conduit)]
  const carries = faults.every((fault) => HARMLESS.includes(fault))
  return {
    circuit,
    choice,
    unmeasured,
    conductor: laid,
    own: choice.size !== '',
    device,
    groundSize: ground,
    conduit,
    lossKWh: circuit.yearKWh !== null && laid ? circuit.yearKWh * wireLossShare(laid.dropPct) : null,
    ...copperOf(design, circuit, asked, laid),
    studMm: laid ? studFor(laid.size) : null,
    faults,
    carries,
    sound: carries && !faults.includes('drop'),
  }
}

/** The device of a circuit, and the conductor behind it with what it fails in. */
function layCircuit(design: Design, circuit: Circuit, choice: WorkedCircuit['choice']) {
  const device = deviceOf(circuit, choice, design.place.wiringBasis)
  const asked = askedOf(design, circuit, choice, device?.amps ?? null)
  const fixed = choice.size !== '' ? judged(asked, choice.size, choice.parallel) : null
  const best = fixed ? null : chooseConductor(asked)
  const thick = fixed || best ? null : thickestConductor(asked)
  const fails: Failure[] = (fixed ?? thick)?.fails ?? []
  return { device, asked, laid: fixed ?? best ?? thick, fails }
}

/** Drop of a circuit as it is laid, % of its volts, with nothing else of it worked out; 0 where no conductor does. */
export function dropOf(design: Design, circuit: Circuit): number {
  const choice = choiceOf(design, circuit)
  const { laid } = layCircuit(design, circuit, { ...choice, oneWayM: choice.oneWayM ?? circuit.usual.oneWayM })
  return laid?.dropPct ?? 0
}

/** What the copper of an array's line costs, and what other copper would. */
function copperOf(
  design: Design,
  circuit: Circuit,
  asked: Asked,
  laid: Chosen | null,
): Pick<WorkedCircuit, 'atTwiceTheVolts' | 'economy'> {
  if (circuit.yearKWh === null) return { atTwiceTheVolts: null, economy: null }
  const { wires, quantity, yearKWh } = circuit
  const prices = {
    perMm2M: design.budget.cablePerMm2M,
    perKWh: kWhWorth(design),
    wires: wires * quantity,
    yearKWh,
  }
  const twice = chooseConductor(atTwice(asked))
  const best = laid && economicalConductor(asked, prices)
  return {
    atTwiceTheVolts: twice && { ...twice, copper: copperPrice(twice, asked.oneWayM, prices) },
    economy: best && { laid: economyOf(asked, laid, prices), best },
  }
}

/** The same watts in strings twice as long. */
const atTwice = (asked: Asked): Asked => ({
  ...asked,
  designA: asked.designA / 2,
  correctedA: (asked.correctedA ?? asked.designA) / 2,
  workingA: asked.workingA / 2,
  volts: asked.volts * 2,
})

function deviceOf(circuit: Circuit, choice: CircuitChoice, basis: Basis): WorkedDevice | null {
  const need = circuit.device
  if (!need || circuit.within) return null
  return {
    kind: choice.device === '' ? need.kind : choice.device,
    amps: choice.deviceA ?? (need.kind === 'pv-fuse' ? pvFuseFor(circuit.designA) : deviceFor(circuit.designA, basis)),
    poles: need.poles,
    at: need.at,
    leastV: circuit.current === 'dc' ? (breakerVoltsFor(circuit.highestV) ?? circuit.highestV) : circuit.highestV,
    leastKA: circuit.faultA / 1000,
    ratedV: choice.deviceV,
    ratedKA: choice.deviceKA,
    builtIn: choice.builtIn,
    why: need.why,
  }
}

/** Made for direct current; many of them break alternating current too, as is printed on them. */
const DC_ALONE: readonly DeviceKind[] = ['dc-breaker', 'dc-fuse', 'pv-fuse']

function faultsOf(
  circuit: Circuit,
  laid: Chosen | null,
  fails: readonly Failure[],
  device: WorkedDevice | null,
): Fault[] {
  const faults: Fault[] = laid ? [...fails] : ['no-conductor']
  if (!device) return faults
  if (device.amps === null) faults.push('no-device')
  else {
    if (device.amps < circuit.designA - 1e-9) faults.push('device-small')
    const { mostA } = circuit.device!
    if (mostA !== null && device.amps > mostA) faults.push('device-over-modules')
  }
  if (circuit.current === 'dc') {
    if (device.kind === 'ac-breaker') faults.push('device-ac-on-dc')
    if (device.ratedV !== null && device.ratedV < circuit.highestV) faults.push('device-volts')
  } else if (device.ratedV !== null) {
    if (device.ratedV < circuit.volts) faults.push('device-volts')
  } else if (DC_ALONE.includes(device.kind)) faults.push('device-dc-on-ac')
  if (device.ratedKA !== null && device.ratedKA < device.leastKA) faults.push('device-breaks')
  const other = device.kind !== circuit.device!.kind
  if (other && device.ratedKA === null && device.leastKA > USUAL_KA[device.kind]) faults.push('device-unrated')
  return faults
}

/** Largest device the table of grounds knows. */
const GROUND_MOST_A = 1600

function groundOf(asked: Asked, laid: Chosen, device: WorkedDevice | null, basis: Basis): string {
  const least =
    basis === 'awg'
      ? groundConductor({ basis, deviceA: Math.min(GROUND_MOST_A, device?.amps ?? Math.max(asked.designA, 1)) })
      : groundConductor({ basis, phaseSize: laid.size })
  const enough = enoughForCurrent(asked)
  // the metric table goes by the conductor that is laid already
  return enough && basis === 'awg' && conductor(laid.size).basis === 'awg'
    ? upsizedGround(least, laid.size, enough)
    : least
}

/** More conductors than the table of neighbours knows lie in a conduit of their own. */
function conduitOf(
  circuit: Circuit,
  choice: CircuitChoice,
  laid: Chosen,
  ground: string,
  basis: Basis,
): WorkedCircuit['conduit'] {
  const each = conductor(laid.size).outerMm
  const lines = Math.max(1, Math.floor(choice.conductors / circuit.wires))
  const wires = Array<number>(circuit.wires * laid.parallel * Math.min(circuit.quantity, lines)).fill(each)
  const all = ground ? [...wires, conductor(ground).outerMm] : wires
  const own = choice.conduit === '' ? null : conduitInnerMm(choice.conduit)
  if (own !== null) return { name: choice.conduit, ...conduitFill(own, all) }
  const found = conduitFor(basis, all)
  return found && { ...found, fits: true }
}

function layingFaults(circuit: Circuit, choice: CircuitChoice, conduit: WorkedCircuit['conduit']): Fault[] {
  const faults: Fault[] = []
  if (conduit && !conduit.fits) faults.push('conduit')
  if (choice.laid === 'cord' && !PLUGGED_IN.includes(circuit.id)) faults.push('cord')
  if (circuit.lacks.includes('disconnect')) faults.push('no-disconnect')
  if (circuit.lacks.includes('arresters')) faults.push('no-arresters')
  return faults
}
/** What is plugged in may hang on a cord; everything else is wiring. Source: NEC 400.10, 400.12. */
const PLUGGED_IN = ['backup', 'bypass']

/** Least area of copper, mm², of each stud that lugs are made for, mm. Source: the usual holes of ring terminals, DIN 46234. */
const STUDS: readonly [areaMm2: number, studMm: number][] = [
  [60, 10],
  [20, 8],
  [8, 6],
]
const studFor = (size: string): number | null =>
  STUDS.find(([areaMm2]) => conductor(size).areaMm2 >= areaMm2)?.[1] ?? null

/** A conductor as people write it: `2 × 4/0 AWG`, `16 mm²`. */
export function cableName({ size, parallel }: Pick<Chosen, 'size' | 'parallel'>): Words {
  const named: Words = [{ size }]
  return parallel > 1 ? say`${parallel} × ${named}` : named
}
