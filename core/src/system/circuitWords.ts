import { metres } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import type { WorkedCircuit } from './work.ts'

/** How a circuit is marked: as a finding would be. */
export type Level = 'sound' | 'watch' | 'stop' | 'open'
/** As a line of the drawing is marked. */
export const levelOf = ({ faults, carries, unmeasured }: WorkedCircuit): Level =>
  !carries ? 'stop' : faults.length > 0 ? 'watch' : unmeasured ? 'open' : 'sound'

const SHORT: Record<string, string> = {
  'class-t': 'class T',
  'pv-fuse': 'fuse',
  'dc-fuse': 'fuse',
  'dc-breaker': 'breaker',
  'ac-breaker': 'breaker',
}

/** A circuit's cable: `6 AWG`, `each 2/0 AWG`. */
export function circuitCable({ circuit, conductor }: WorkedCircuit): Words {
  if (!conductor) return 'no cable does'
  // as it is printed on it: the other measure stands in the table
  const size = conductor.size.replace('mm2', 'mm²')
  const cable = conductor.parallel > 1 ? `${conductor.parallel} × ${size}` : size
  return circuit.quantity > 1 ? `each ${cable}` : cable
}

/** What is said of a circuit along its line: its cable and length, and its device. */
export function circuitLines(worked: WorkedCircuit): Words[] {
  const { circuit, conductor, choice, device } = worked
  if (circuit.within) return ['in the unit']
  const cable = conductor ? say`${circuitCable(worked)}, ${metres(choice.oneWayM)}` : circuitCable(worked)
  if (!device) return [cable]
  const poles = device.poles > 1 ? `, ${device.poles} poles` : ''
  return [
    cable,
    say`${device.amps === null ? 'none' : { value: device.amps, unit: 'A' }} ${SHORT[device.kind]}${poles}`,
  ]
}
