import { watch, type Rule } from '../rule.ts'
import { say } from '../../units/words.ts'

export const waveform: Rule = {
  id: 'inverter.waveform',
  step: 'inverter',
  check: ({ design: { inverter, loads } }) => {
    const motors = loads.filter(
      ({ startKind, leg, supply }) => startKind !== 'none' && leg !== 'DC' && supply === 'electric',
    )
    return inverter.part.waveform === 'stepped'
      ? [
          watch(
            'inverter',
            say`A stepped wave${motors.length > 0 ? say` feeds ${motors[0].name}` : ''}.`,
            'Motors run hot and loud on it, and some chargers and electronics fail. A sine inverter costs little more.',
          ),
        ]
      : []
  },
}
