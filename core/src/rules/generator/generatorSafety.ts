import { watch, type Rule } from '../rule.ts'

const CAUTIONS = {
  generator: {
    says: 'Outside, far from openings, with a carbon-monoxide alarm.',
    because:
      'Exhaust kills without smell. Transfer switch or interlock, never a cord with two plugs: back-feed kills people on the line.',
  },
  shore: {
    says: 'Through an inlet and a transfer switch, on its own breaker.',
    because:
      'Never a cord with two plugs: back-feed kills people on the line. Neutral and earth are bonded at one place only.',
  },
  vehicle: {
    says: 'In the open, a fuse at each end of the cable, plus first.',
    because:
      'Exhaust kills without smell; an unfused cable across a bank welds and burns. An alternator is not made for hours at full current.',
  },
}

export const generatorSafety: Rule = {
  id: 'generator.safety',
  step: 'generator',
  check: ({ design: { generator } }) => {
    const { says, because } = CAUTIONS[generator.kind]
    return generator.present ? [watch('generator', says, because)] : []
  },
}
