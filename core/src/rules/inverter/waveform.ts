import { watch, type Rule } from '../rule.ts'

export const waveform: Rule = {
  id: 'inverter.waveform',
  step: 'inverter',
  check: ({ design: { inverter, loads } }) => {
    const motors = loads.filter(({ startKind, leg }) => startKind !== 'none' && leg !== 'DC')
    return inverter.part.waveform === 'stepped'
      ? [
          watch(
            'inverter',
            `A stepped wave${motors.length > 0 ? ` feeds ${motors[0].name}` : ''}.`,
            'Motors run hot and loud on it, and some chargers and electronics fail. A sine inverter costs little more.',
          ),
        ]
      : []
  },
}
