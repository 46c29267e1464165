import type { Topology } from '../../document/types.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'
import { watch, type Rule } from '../rule.ts'

/** What appliances of that voltage are made for nearly everywhere. */
const USUAL_HZ: Record<Topology, 50 | 60> = { 'split-phase': 60, 'single-120': 60, 'single-230': 50 }

/** How motors made for one frequency turn on another. */
export const turning = (madeForHz: number, givenHz: number): string =>
  givenHz < madeForHz ? 'a sixth slower, hotter' : 'a fifth faster, harder'

export const frequency: Rule = {
  id: 'inverter.frequency',
  step: 'inverter',
  check: ({ design: { inverter, loads } }) => {
    const { frequencyHz, topology } = inverter.part
    const usual = USUAL_HZ[topology]
    if (frequencyHz === usual) return []
    const motor = loads.find(
      ({ startKind, leg, supply }) => startKind !== 'none' && leg !== 'DC' && supply === 'electric',
    )
    const change = turning(usual, frequencyHz)
    return [
      watch(
        'inverter',
        say`The inverter makes ${amount(frequencyHz, 'Hz')}; appliances of its voltage are mostly made for ${amount(usual, 'Hz')}.`,
        motor
          ? say`Motors made for the other turn ${change}. Look at the plate of ${motor.name} and at every clock.`
          : say`Motors made for the other turn ${change}, and clocks go wrong. Look at the plates.`,
      ),
    ]
  },
}
