import type { Controller, ControllerPart, Design, Inverter, InverterPart, Leg, Load } from '../document/types.ts'
import { COUNTS } from '../fields/limits.ts'
import { chargesBank } from '../array/controllers.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { separateTrackers } from '../parts/shelf.ts'

/** No controller that is bought by itself stands more. */
const HIGHEST_SEPARATE_V = 450

/** What stands at the house panel: by the part itself, or by how several of it are joined. */
export type Service = 'split-phase' | 'three-phase' | 'single-120' | 'single-230'

/** What service inverters give together: by what one is and how they are joined. */
export function serviceOf({ part, stacking }: Pick<Inverter, 'part' | 'stacking'>): Service {
  if (part.topology === 'split-phase' || stacking === 'split-pair') return 'split-phase'
  return stacking === 'three-phase' ? 'three-phase' : part.topology
}

/** The legs a load can be on. */
export type LiveLeg = 'A' | 'B' | 'C'
const LEGS: Record<Service, readonly LiveLeg[]> = {
  'split-phase': ['A', 'B'],
  'three-phase': ['A', 'B', 'C'],
  'single-120': ['A'],
  'single-230': ['A'],
}
/** The legs that carry power in a service. */
export const legsOfService = (service: Service): readonly LiveLeg[] => LEGS[service]

/** Every leg a load may be put on under a service, direct current included. */
export function legChoices(service: Service): Leg[] {
  if (service === 'split-phase') return ['A', 'B', 'AB', 'DC']
  return service === 'three-phase' ? ['A', 'B', 'C', 'ABC', 'DC'] : ['A', 'DC']
}

/** Volts from a leg to neutral. */
export function legVolts({ part }: Pick<Inverter, 'part'>): number {
  return part.topology === 'single-230' ? 230 : 120
}

/** Volts a load across the legs gets: 240 on two legs; between phases √3 of a phase. */
export function acrossVolts(inverter: Inverter): number {
  const service = serviceOf(inverter)
  if (service === 'split-phase') return 240
  return service === 'three-phase' ? Math.sqrt(3) * legVolts(inverter) : legVolts(inverter)
}

/** The joinings that a part and a number of it allow. */
export function stackingChoices(part: Pick<InverterPart, 'topology'>, quantity: number): Inverter['stacking'][] {
  const pair = part.topology === 'single-120' && quantity % 2 === 0
  const three = part.topology !== 'split-phase' && quantity % 3 === 0
  return ['parallel', ...(pair ? ['split-pair' as const] : []), ...(three ? ['three-phase' as const] : [])]
}

/**
 * Share of the rating left by heat and thin air, 0…1.
 * @param airC of the air around the inverter
 * Source: data sheets state the slope and where it begins; linear beyond it.
 * @example inverterDerating({ derateAboveC: 25, deratePctPerK: 1, derateAboveM: 2000, deratePctPer100M: 1 }, 1000,
 * 45) → 0.8
 */
export function inverterDerating(
  part: Pick<InverterPart, 'derateAboveC' | 'deratePctPerK' | 'derateAboveM' | 'deratePctPer100M'>,
  elevationM: number,
  airC: number,
): number {
  const hot = 1 - (part.deratePctPerK * Math.max(0, airC - part.derateAboveC)) / 100
  const thin = 1 - (part.deratePctPer100M * Math.max(0, elevationM - part.derateAboveM)) / 10_000
  return Math.max(0, hot) * Math.max(0, thin)
}

/** What the inverters of a design give all together and on one leg, W, at their hottest. */
export interface InverterRating {
  /** by the data sheets */
  sheetW: number
  /** share of it that heat and elevation leave */
  derating: number
  continuousW: number
  /** each leg's share of that; a load on one leg has no more */
  legW: number
  /** for a start of the asked length: the surge rating, or beyond its seconds only the continuous one */
  surgeW: number
}

/**
 * @param startS how long the start lasts that the surge rating is wanted for
 * @param airC of the air around them; the hottest the design names unless said otherwise
 */
export function inverterRating(
  { inverter, place }: Pick<Design, 'inverter' | 'place'>,
  startS = 0,
  airC = inverter.hottestC,
): InverterRating {
  const { part, quantity } = inverter
  const derating = inverterDerating(part, place.elevationM, airC)
  const sheetW = part.ratedW * quantity
  const continuousW = sheetW * derating
  return {
    sheetW,
    derating,
    continuousW,
    legW: continuousW / legsOfService(serviceOf(inverter)).length,
    surgeW: startS > part.surgeS ? continuousW : part.surgeW * quantity,
  }
}

/** The design with another inverter: an all-in-one brings its charge controller, loads stay on their legs, there or not. */
export function withInverter(design: Design, part: InverterPart): Design {
  const stacking = stackingChoices(part, design.inverter.quantity).includes(design.inverter.stacking)
    ? design.inverter.stacking
    : 'parallel'
  const inverter: Inverter = {
    ...design.inverter,
    part,
    stacking,
    search: design.inverter.search && part.searchW !== null,
  }
  return withBuiltIn(boxed({ ...design, inverter }), design.inverter.part.controller)
}

/** Whether the bank is the battery inside the inverter's own case. */
export const isBoxed = ({ inverter: { part }, bank }: Pick<Design, 'inverter' | 'bank'>): boolean =>
  part.battery !== null && part.battery.id === bank.part.id

/** A power box is its own bank: one string a box, of its battery, at its voltage. Any other inverter leaves the bank alone. */
export function boxed(design: Design): Design {
  const { part, quantity } = design.inverter
  if (!part.battery) return design
  const { bank } = design
  if (isBoxed(design) && bank.inParallel === quantity && bank.inSeries === 1) return design
  const facts = CHEMISTRIES[part.battery.chemistry]
  return {
    ...design,
    bank: {
      ...bank,
      systemV: part.bankV,
      part: { ...part.battery },
      inSeries: 1,
      inParallel: quantity,
      allowedDepth: facts.depth,
      cutoffStateOfCharge: facts.cutoff,
      absorbV: null,
      order: [],
      weak: [],
    },
  }
}

/**
 * As many controllers of the all-in-one's own kind as there are units; those that went with another unit become separate
 * ones, or are gone where nothing is wired to them.
 *
 * @param before what was built into the units that stood there before
 */
export function withBuiltIn(design: Design, before: ControllerPart | null): Design {
  const { quantity, part } = design.inverter
  const inside = part.controller
  const old = new Set([before?.id, inside?.id])
  const wired = (controller: Controller) => design.arrays.some(({ controllerId }) => controllerId === controller.id)
  let units = inside ? quantity : 0
  const [first] = design.controllers
  // an all-in-one takes over the first controller, then those of the units that were there
  const order = design.controllers.filter((each) => each === first || old.has(each.part.id))
  const kept = design.controllers.flatMap((controller): Controller[] => {
    if (!order.includes(controller)) return [controller]
    if (inside && units > 0) {
      units--
      return [
        controller.part.id === inside.id ? controller : { ...controller, part: { ...inside }, chargeLimitA: null },
      ]
    }
    if (!old.has(controller.part.id)) return [controller]
    if (!wired(controller)) return []
    return [{ ...controller, part: separateLike(controller.part, design.bank.systemV) }]
  })
  const added: Controller[] = []
  for (; inside && units > 0 && kept.length + added.length < COUNTS.controllers; units--) {
    const number = kept.length + added.length + 1
    const id = freeId([...kept, ...added], number)
    added.push({ id, name: `Controller ${number}`, part: { ...inside }, chargeLimitA: null })
  }
  const controllers = [...kept, ...added]
  const same =
    controllers.length === design.controllers.length && controllers.every((each, i) => each === design.controllers[i])
  return same ? design : { ...design, controllers }
}

function freeId(taken: readonly Controller[], from: number): string {
  let number = from
  while (taken.some(({ id }) => id === `controller-${number}`)) number++
  return `controller-${number}`
}

/** The separate tracker that comes closest to one that was built in: what it destroys first, then what it gives. */
function separateLike(part: ControllerPart, systemV: Design['bank']['systemV']): ControllerPart {
  const survives = separateTrackers().filter(
    ({ maxInputV }) => maxInputV >= Math.min(part.maxInputV, HIGHEST_SEPARATE_V),
  )
  const charging = survives.filter((each) => chargesBank(each, systemV))
  const enough = charging.length > 0 ? charging : survives
  const off = ({ outputA }: ControllerPart) => Math.abs(outputA - part.outputA)
  return { ...enough.reduce((best, each) => (off(each) < off(best) ? each : best)) }
}

/**
 * The loads as this service would carry them: those on legs it does not have on ones it has, what is across legs on what is across
 * now. It is only reckoned with; the document keeps the legs that were named.
 */
export function onLegsOf(design: Design): Design {
  const choices = legChoices(serviceOf(design.inverter))
  if (design.loads.every(({ leg }) => choices.includes(leg))) return design
  const across: Leg = choices.find((leg) => leg === 'AB' || leg === 'ABC') ?? 'A'
  const loads = design.loads.map((load): Load => {
    if (choices.includes(load.leg)) return load
    return { ...load, leg: load.leg === 'AB' || load.leg === 'ABC' ? across : 'A' }
  })
  return { ...design, loads }
}
