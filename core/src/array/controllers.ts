import type { Controller, ControllerPart } from '../design/types.ts'

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
