import type { Design } from '../document/types.ts'
import { serviceOf } from '../inverter/service.ts'
import { amps, volts } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import type { Builder, Given } from './builder.ts'
import type { Inline } from './graph.ts'

type Poles = 1 | 2 | 3
/** Poles of a breaker on the AC side: one to a leg, two or three across the service. */
export const acPoles = (across: boolean, design: Design): Poles => {
  if (!across) return 1
  return serviceOf(design.inverter) === 'three-phase' ? 3 : serviceOf(design.inverter) === 'split-phase' ? 2 : 1
}

/**
 * A line of the whole service: on all its legs, with its breaker where it has one.
 * @param given whether it is across the legs; where not, on one live wire
 */
export function onAllLegs(
  builder: Builder,
  { across = true, ...given }: Omit<Given, 'device' | 'current' | 'wires' | 'threePhase'> & { across?: boolean },
  breaker: { at: string; why: Words } | null,
): void {
  const { design } = builder
  const poles = acPoles(across, design)
  const threePhase = poles === 3
  builder.circuit({
    ...given,
    current: 'ac',
    // three phases share what the neutral would carry
    wires: threePhase ? 3 : poles + 1,
    threePhase,
    device: breaker && { kind: 'ac-breaker', poles, ...breaker, mostA: null },
  })
}

/** A meter before the panel. */
export const meter = (throughA: number, acV: number): Inline => ({
  id: 'meter',
  kind: 'meter',
  overA: throughA,
  name: 'Energy meter',
  rating: say`over ${amps(throughA)}, ${volts(acV)}`,
  at: 'panel',
})
