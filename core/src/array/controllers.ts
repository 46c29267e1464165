import type { ArrayField, Controller, ControllerPart } from '../document/types.ts'
import { arrayRatedW } from './power.ts'

/** Power a controller passes at most, W: its AC rating, or its output amps at the bus's voltage. */
export function passesW(part: Pick<ControllerPart, 'outputA' | 'outputAcW'>, busV: number): number {
  return part.outputAcW ?? part.outputA * busV
}

/** Those that charge the bank directly; an AC-coupled one feeds the house and charges through the inverter. */
export function onTheBus(controllers: readonly Controller[]): Controller[] {
  return controllers.filter(({ part }) => part.kind !== 'ac-coupled')
}

/** Most amps the controllers on the bank's side put into it together. */
export function busAmps(controllers: readonly Controller[]): number {
  return onTheBus(controllers).reduce((sum, { part }) => sum + part.outputA, 0)
}

/** Amps the arrays of a controller bring to the bus in bright sun, before its own limit. */
export function brightAmps({ id, part }: Controller, arrays: readonly ArrayField[], busV: number): number {
  return arrays
    .filter(({ controllerId }) => controllerId === id)
    .reduce(
      (sum, array) =>
        sum + (part.kind === 'pulse-width' ? array.module.impA * array.inParallel : arrayRatedW(array) / busV),
      0,
    )
}

/** Amps the bank is charged with in bright sun: what each controller's arrays bring, up to its output. */
export function sunChargeA(
  { arrays, controllers }: { arrays: readonly ArrayField[]; controllers: readonly Controller[] },
  busV: number,
): number {
  return onTheBus(controllers).reduce(
    (sum, controller) => sum + Math.min(brightAmps(controller, arrays, busV), controller.part.outputA),
    0,
  )
}

/** What controllers draw themselves, day and night, Wh/day. */
export function selfDayWh(parts: readonly Pick<ControllerPart, 'selfW'>[]): number {
  return parts.reduce((sum, { selfW }) => sum + selfW * 24, 0)
}
