import type { Design } from '../document/types.ts'
import { say } from '../units/words.ts'
import { ohmPerMetre } from '../wiring/conductors.ts'
import { term, worked, type Worked } from '../working/working.ts'
import type { WorkedCircuit } from './work.ts'

const SOURCES = {
  awg: 'NEC 310.15 and 310.16, 110.14(C), 690.8, chapter 9 table 8',
  metric: 'IEC 60228, IEC 60364-5-52 annex B, 60364-7-712',
} as const
/** There and back; three phases share what the neutral would carry. */
const ways = (threePhase: boolean): number => (threePhase ? Math.sqrt(3) : 2)

/** How the conductor of a circuit was found: what it loses, what it must carry and does, and what can feed a short in it. */
export function circuitSheet(
  { circuit, conductor, choice, device }: WorkedCircuit,
  { place, schools }: Pick<Design, 'place' | 'schools'>,
): Worked | null {
  if (!conductor || circuit.within) return null
  const { workingA, designA, correctedA, volts, threePhase, faultA, backA } = circuit
  const milliohm = (ohmPerMetre(conductor.size) * choice.oneWayM * 1000) / conductor.parallel
  return worked(`wiring.${circuit.id}`, circuit.name, conductor.dropPct, '%', {
    says: say`${threePhase ? '√3' : '2'} × resistance one way × current ÷ volts; the thinnest that carries the current at its terminals and where it lies, is protected, and keeps the drop`,
    terms: [
      term('flows while it works', workingA, 'A'),
      term('resistance one way, hot', milliohm, 'mΩ'),
      term('volts', volts, 'V'),
      term('drop', (ways(threePhase) * milliohm * workingA) / 1000, 'V'),
      term('must be carried at its terminals', designA, 'A'),
      term('must be carried where it lies', correctedA, 'A'),
      term('it carries', conductor.ampacityA, 'A'),
      ...(device?.amps ? [term('fuse or breaker before it', device.amps, 'A')] : []),
      ...(faultA > 0 ? [term('into a short in it, from the side of its device', faultA, 'A')] : []),
      ...(backA > 0 ? [term('from its other end', backA, 'A')] : []),
    ],
    school: schools.ampacity === 'free-air' ? 'what its maker prints for free air' : 'what its terminals bear',
    source: SOURCES[place.wiringBasis],
  })
}
