import type { DeviceKind } from '../document/types.ts'
import { amount, volts } from '../units/say.ts'
import { joined, say, type Words } from '../units/words.ts'
import type { System } from './graph.ts'
import type { WorkedCircuit, WorkedDevice } from './work.ts'

/** What a fuse or breaker is called. */
export const DEVICE_NAMES: Record<Exclude<DeviceKind, ''>, string> = {
  'class-t': 'class T fuse',
  'pv-fuse': 'PV fuse',
  'dc-fuse': 'DC fuse',
  'dc-breaker': 'DC breaker',
  'ac-breaker': 'AC breaker',
}
/** What stands in a line is called. */
export const INLINE_NAMES = {
  switch: 'switch',
  arrester: 'surge arrester',
  shunt: 'shunt',
  meter: 'energy meter',
  regulator: 'voltage regulator',
} as const
/** A fuse or breaker by name and poles. */
export const deviceName = ({ kind, poles }: Pick<WorkedDevice, 'kind' | 'poles'>): string =>
  `${DEVICE_NAMES[kind]}${poles > 1 ? `, ${poles} poles` : ''}`

/** What breaks, parts or protects, as it is bought. */
export interface ScheduledDevice {
  id: string
  what: Words
  pieces: number
  /** null where it has none of its own, or none is made for the current */
  amps: number | null
  /** volts and current it is made for at the least */
  least: Words
  /** circuit or thing it belongs to, and piece it stands at */
  of: string
  at: string
}

/** Fuses, breakers, switches, arresters and the shunt of a system; what is not laid has none. */
export function deviceSchedule({ nodes }: System, circuits: readonly WorkedCircuit[]): ScheduledDevice[] {
  const nameOf = (id: string) => nodes.find((node) => node.id === id)?.name ?? id
  return circuits
    .filter(({ choice }) => !choice.unused)
    .flatMap(({ circuit, device }): ScheduledDevice[] => {
      const own: ScheduledDevice[] = device
        ? [
            {
              id: circuit.id,
              what: `${deviceName(device)}${device.builtIn ? ', built in' : ''}`,
              pieces: circuit.device!.pieces ?? circuit.quantity,
              amps: device.amps,
              least: leastOf(circuit.current, device),
              of: circuit.name,
              at: nameOf(device.at),
            },
          ]
        : []
      const inLine = circuit.inline.map(({ id, kind, name, rating, at, builtIn }): ScheduledDevice => ({
        id,
        what: `${INLINE_NAMES[kind]}${builtIn ? ', built in' : ''}`,
        pieces: 1,
        amps: null,
        least: rating,
        of: name,
        at: nameOf(at),
      }))
      return [...own, ...inLine]
    })
}

function leastOf(current: string, device: NonNullable<WorkedCircuit['device']>): Words {
  const { leastV, leastKA, ratedV, ratedKA } = device
  if (current === 'ac') return say`${volts(ratedV ?? leastV)} AC`
  const breaks = leastKA > 0 || ratedKA !== null ? [say`${amount(ratedKA ?? leastKA, 'kA')}`] : []
  return joined([say`${volts(ratedV ?? leastV)} DC`, ...breaks], ', ')
}
