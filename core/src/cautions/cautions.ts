import { CHEMISTRIES } from '../bank/chemistry.ts'
import { absorptionV } from '../bank/layout.ts'
import type { BackupKind, Design, Touched } from '../document/types.ts'
import { amount, celsius, volts } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'

/** What hurts or kills at a step's work, and why. It holds however right the design is. */
export interface Caution {
  /** by which it is put away */
  id: string
  step: keyof Touched | 'build'
  says: Words
  because: Words
}
interface Held extends Caution {
  holds: (design: Design) => boolean
}

/** From these direct volts on a touch can kill. Source: OSHA 1910.303(g)(2), 50 V. */
const SHOCK_V = 50
/** Most that one person lifts with both hands. Source: ISO 11228-1, reference mass. */
export const ONE_PERSON_KG = 25

const chemistryOf = ({ bank }: Design) => CHEMISTRIES[bank.part.chemistry]
const always = () => true
const withBackup =
  (kind: BackupKind) =>
  ({ generator }: Design): boolean =>
    generator.present && generator.kind === kind
const withArrays = ({ arrays }: Design) => arrays.length > 0

/** Every caution there is, in the order of the steps. */
const CAUTIONS: readonly ((design: Design) => Held)[] = [
  (design) => ({
    id: 'bank.shock',
    step: 'bank',
    says: say`The bank stands at ${volts(absorptionV(design.bank))} while it charges.`,
    because:
      'Over 50 V of direct current can kill, and its arc does not go out by itself. Covers on the terminals, insulated tools, rated disconnects.',
    holds: ({ bank }) => absorptionV(bank) > SHOCK_V,
  }),
  () => ({
    id: 'bank.short',
    step: 'bank',
    says: 'A bank cannot be switched off at its own terminals.',
    because:
      'A wrench across them welds and throws metal. No rings, insulated tools, eyes shielded, terminals covered.',
    holds: always,
  }),
  () => ({
    id: 'bank.gas',
    step: 'bank',
    says: 'It gives off hydrogen and holds acid.',
    because: 'Air in low and out high, no flame or spark near; an eye wash and soda within reach.',
    holds: (design) => chemistryOf(design).vents,
  }),
  (design) => ({
    id: 'bank.cold',
    step: 'bank',
    says:
      design.bank.part.minChargeC === null
        ? 'A frozen battery is never charged.'
        : say`It is never charged below ${celsius(design.bank.part.minChargeC)}.`,
    because:
      design.bank.part.minChargeC === null
        ? 'Its case has cracked, or does so under gas.'
        : 'Metal plates out inside and shorts a cell, days or years later. The management unit stays in circuit always.',
    holds: always,
  }),
  (design) => ({
    id: 'bank.lift',
    step: 'bank',
    says: say`A unit weighs ${amount(design.bank.part.weightKg, 'kg')}.`,
    because: 'Two people or a hoist, and a floor that carries all of them. Backs and fingers go first.',
    holds: ({ bank }) => bank.part.weightKg > ONE_PERSON_KG,
  }),
  () => ({
    id: 'array.live-modules',
    step: 'array',
    says: 'Modules are live in any light.',
    because:
      'Cover or disconnect before you touch a lead. Plug connectors are never parted under load: the disconnect first.',
    holds: withArrays,
  }),
  () => ({
    id: 'array.heights',
    step: 'array',
    says: 'Roofs, ladders and sails of glass.',
    because:
      'A module in wind pulls a person off a ladder. Tied in, two people, no wind; roof and rack are an engineer’s where snow lies.',
    holds: withArrays,
  }),
  () => ({
    id: 'inverter.pre-charge',
    step: 'inverter',
    says: 'The capacitors inside are charged through a resistor first.',
    because: 'Joined straight to the bank they draw an arc that pits terminals and can open the main fuse.',
    holds: always,
  }),
  () => ({
    id: 'inverter.stays-live',
    step: 'inverter',
    says: 'It is live for minutes after everything is off.',
    because: 'Its capacitors hold their volts. Wait as long as its manual says, then measure before you touch.',
    holds: always,
  }),
  () => ({
    id: 'generator.safety',
    step: 'generator',
    says: 'Outside, far from openings, with a carbon-monoxide alarm.',
    because:
      'Exhaust kills without smell. Transfer switch or interlock, never a cord with two plugs: back-feed kills people on the line.',
    holds: withBackup('generator'),
  }),
  () => ({
    id: 'generator.shore',
    step: 'generator',
    says: 'Through an inlet and a transfer switch, on its own breaker.',
    because:
      'Never a cord with two plugs: back-feed kills people on the line. A cord that runs warm burns at its plug first.',
    holds: withBackup('shore'),
  }),
  () => ({
    id: 'generator.vehicle',
    step: 'generator',
    says: 'In the open, a fuse at each end of the cable, plus first.',
    because:
      'Exhaust kills without smell; an unfused cable across a bank welds and burns. An alternator is not made for hours at full current.',
    holds: withBackup('vehicle'),
  }),
  () => ({
    id: 'generator.grid-safety',
    step: 'generator',
    says: 'Connected by a licensed electrician, as the utility allows it.',
    because: 'The inverter must let go of the line by itself: back-feed kills people who work on it.',
    holds: ({ grid }) => grid.present,
  }),
  () => ({
    id: 'wiring.live',
    step: 'wiring',
    says: 'Nothing is worked on live.',
    because: 'Proven dead with a meter that was proven just before. Direct current holds on to a hand and to an arc.',
    holds: always,
  }),
  () => ({
    id: 'wiring.torque',
    step: 'wiring',
    says: 'Terminals are tightened by the torque their maker prints, and once more after a month.',
    because: 'A loose lug of a battery cable burns before any fuse opens.',
    holds: always,
  }),
  () => ({
    id: 'wiring.one-bond',
    step: 'wiring',
    says: 'One bond of neutral and ground.',
    because: 'Two of them send current through frames and cases; none leaves a fault unnoticed.',
    holds: always,
  }),
  () => ({
    id: 'wiring.equal',
    step: 'wiring',
    says: 'Parallel leads are of equal length.',
    because: 'The shorter one carries more than its share.',
    holds: ({ bank, circuits }) => bank.inParallel > 1 || circuits.some(({ parallel }) => parallel > 1),
  }),
  (design) => ({
    id: 'wiring.arc',
    step: 'wiring',
    says: 'A short of this bank does not stop at a breaker made for a house.',
    because: say`Its fuse breaks what ${amount(design.bank.inParallel, '')} strings bring, and sits at the +, as near as it fits.`,
    holds: ({ bank }) => bank.inParallel > 1,
  }),
  () => ({
    id: 'build.order',
    step: 'build',
    says: 'The battery end of a cable is joined last, and parted first.',
    because: 'The other way round its loose end is live in your hand.',
    holds: always,
  }),
  () => ({
    id: 'build.equal-volts',
    step: 'build',
    says: 'Strings are joined only while everything is off and their volts are equal.',
    because: 'A full string drives hundreds of amps into an empty one the moment they touch.',
    holds: ({ bank }) => bank.inParallel > 1,
  }),
]

/** The cautions that hold for a design, in the order of the steps. */
export function cautionsOf(design: Design): Caution[] {
  return CAUTIONS.map((caution) => caution(design))
    .filter(({ holds }) => holds(design))
    .map(({ id, step, says, because }) => ({ id, step, says, because }))
}
