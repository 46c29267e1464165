import type { ArrayField, Controller, ControllerPart, Design } from '../document/types.ts'
import { arrayRatedW } from './power.ts'

/** A controller in its place: what it is and what it is set to. */
type Set = Pick<Controller, 'part' | 'chargeLimitA'>

/** Most amps a controller puts out: its rating, or less where it is set so. */
export const outputOf = ({ part, chargeLimitA }: Set): number => Math.min(part.outputA, chargeLimitA ?? Infinity)

/** Power a controller passes at most, W: its AC rating, or its output amps at the bus's voltage. */
export const passesW = (controller: Set, busV: number): number =>
  controller.part.outputAcW ?? outputOf(controller) * busV

/** Whether a controller is made for a bank of so many volts; one that feeds the AC side has none to do with it. */
export const chargesBank = (
  { kind, leastBankV, mostBankV }: Pick<ControllerPart, 'kind' | 'leastBankV' | 'mostBankV'>,
  systemV: Design['bank']['systemV'],
): boolean => kind === 'ac-coupled' || (systemV >= leastBankV && systemV <= mostBankV)

/** Whether its charging current can be set; a pulse-width controller gives what the array gives. */
export const canBeSet = ({ part }: Pick<Controller, 'part'>): boolean => part.kind === 'tracker'

/** Whether a controller is the one inside the inverter's case, with the unit's own cable, breaker and disconnect. */
export const isBuiltIn = ({ inverter }: Pick<Design, 'inverter'>, { part }: Pick<Controller, 'part'>): boolean =>
  inverter.part.controller !== null && inverter.part.controller.id === part.id

/** Those that charge the bank directly; an AC-coupled one feeds the house and charges through the inverter. */
export function onTheBus(controllers: readonly Controller[]): Controller[] {
  return controllers.filter(({ part }) => part.kind !== 'ac-coupled')
}

/** Most amps the controllers on the bank's side put into it together. */
export function busAmps(controllers: readonly Controller[]): number {
  return onTheBus(controllers).reduce((sum, controller) => sum + outputOf(controller), 0)
}

/** What lies on one tracker of a controller. */
export interface TrackerInput {
  /** from 1 */
  tracker: number
  arrays: ArrayField[]
  /** at standard test conditions, A */
  operatingA: number
  shortA: number
  ratedW: number
  /** the power left at full sun by the tracker's own limits of current and watts, W */
  takesW: number
}

/** The tracker of a part an array really is on: a part with one has only the first. */
export const trackerOn = (part: Pick<ControllerPart, 'trackers'>, { tracker }: Pick<ArrayField, 'tracker'>): number =>
  Math.min(tracker, part.trackers)

/** The tracker of its controller an array of a design really is on. */
export const trackerOf = ({ controllers }: Pick<Design, 'controllers'>, array: ArrayField): number =>
  trackerOn(controllers.find(({ id }) => id === array.controllerId)?.part ?? { trackers: 1 }, array)

/** What lies on each tracker of a controller that has anything on it. */
export function trackerInputs(
  { id, part }: Pick<Controller, 'id' | 'part'>,
  arrays: readonly ArrayField[],
): TrackerInput[] {
  const sum = (on: readonly ArrayField[], of: (array: ArrayField) => number) =>
    on.reduce((total, array) => total + of(array), 0)
  return Array.from({ length: part.trackers }, (_, i) => i + 1).flatMap((tracker): TrackerInput[] => {
    const on = arrays.filter((array) => array.controllerId === id && trackerOn(part, array) === tracker)
    if (on.length === 0) return []
    const operatingA = sum(on, ({ module, inParallel }) => module.impA * inParallel)
    const ratedW = sum(on, arrayRatedW)
    const byAmps = ratedW * Math.min(1, (part.maxOperatingA ?? Infinity) / operatingA)
    return [
      {
        tracker,
        arrays: on,
        operatingA,
        shortA: sum(on, ({ module, inParallel }) => module.iscA * inParallel),
        ratedW,
        takesW: Math.min(byAmps, part.maxTrackerW ?? Infinity),
      },
    ]
  })
}

/** Power the inputs of a controller take at full sun, before its output's limit, W. */
export const takesW = (controller: Pick<Controller, 'id' | 'part'>, arrays: readonly ArrayField[]): number =>
  Math.min(
    trackerInputs(controller, arrays).reduce((sum, input) => sum + input.takesW, 0),
    controller.part.maxArrayW ?? Infinity,
  )

/** Amps the arrays of a controller bring to the bus in bright sun, before its own limit. */
export function brightAmps(controller: Controller, arrays: readonly ArrayField[], busV: number): number {
  const { part } = controller
  if (part.kind !== 'pulse-width') return takesW(controller, arrays) / busV
  return trackerInputs(controller, arrays).reduce(
    (sum, { operatingA }) => sum + Math.min(operatingA, part.maxOperatingA ?? Infinity),
    0,
  )
}

/** Amps the bank is charged with in bright sun: what each controller's arrays bring, up to its output. */
export function sunChargeA(
  { arrays, controllers }: { arrays: readonly ArrayField[]; controllers: readonly Controller[] },
  busV: number,
): number {
  return onTheBus(controllers).reduce(
    (sum, controller) => sum + Math.min(brightAmps(controller, arrays, busV), outputOf(controller)),
    0,
  )
}

/** What controllers draw themselves, day and night, Wh/day. */
export function selfDayWh(parts: readonly Pick<ControllerPart, 'selfW'>[]): number {
  return parts.reduce((sum, { selfW }) => sum + selfW * 24, 0)
}
