import type { CircuitChoice, DeviceKind, Touched } from '../document/types.ts'
import type { Words } from '../units/words.ts'

export type NodeKind =
  | 'strings'
  | 'combiner'
  | 'controller'
  | 'bank'
  | 'bars'
  | 'inverter'
  | 'bypass'
  | 'panel'
  | 'branch'
  | 'charger'
  | 'generator'
  | 'grid'
  | 'shore'
  | 'vehicle'
  | 'source'
  | 'dump'
  | 'dc-centre'
  | 'dc-branch'
  | 'pump'
  | 'ground-bar'
  | 'electrode'
  | 'sensor'

/** Where things stand: what is far from each other wants a length. */
export type Site = 'array' | 'room' | 'house' | 'yard'

/** A piece of equipment, by an id that stays the same while what it belongs to does. */
export interface SystemNode {
  id: string
  kind: NodeKind
  name: string
  /** what it is made for, in a line */
  rating: Words
  site: Site
  /** how many equal ones it stands for */
  count: number
  /** where in the design it comes from */
  step: keyof Touched
}

export type Current = 'dc' | 'ac' | 'ground' | 'signal'
/** Part of the design a circuit is listed under. */
export type Area = 'array' | 'bank' | 'house' | 'backup' | 'ground'

/** A fuse or breaker that a circuit asks for. */
export interface DeviceNeed {
  kind: Exclude<DeviceKind, ''>
  poles: 1 | 2 | 3
  /** node it stands at */
  at: string
  why: Words
  /** most it may be, by what stands behind it, A */
  mostA: number | null
  /** so many of them, where that is not one for each of the circuit */
  pieces?: number
}

/** What stands in the line of a circuit: a switch, a surge arrester beside it, a shunt, a meter, a regulator. */
export interface Inline {
  id: string
  kind: 'switch' | 'arrester' | 'shunt' | 'meter' | 'regulator'
  name: string
  rating: Words
  /** what it carries at the least, A */
  overA: number
  /** node it stands at */
  at: string
  /** inside of that node: it is neither bought nor hung */
  builtIn?: boolean
}

/** What beside its conductor and device can be chosen about a circuit, and be wanting. */
export type Asks = 'disconnect' | 'arresters'

/** A circuit: from one piece to another, with its currents. */
export interface Circuit {
  /** by which choices about it are kept */
  id: string
  name: string
  area: Area
  current: Current
  from: string
  to: string
  /** so many equal ones */
  quantity: number
  /** conductors that carry current in it */
  wires: number
  threePhase: boolean
  /** what flows while it works, what it must carry at its terminals, and with heat and neighbours, A */
  workingA: number
  designA: number
  correctedA: number
  /** of what flows: what the sun, a charger or its load surely brings for hours, and what the inverter takes at full load, A */
  steadyA: number
  fullLoadA: number
  /** it is worked at, and the highest it ever sees, V */
  volts: number
  highestV: number
  /** what can be driven into a short at its far end, from the side of the device, A */
  faultA: number
  /** the same into a short at the device's end, from the other side, A; nought where nothing there feeds it */
  backA: number
  because: Words
  device: DeviceNeed | null
  inline: Inline[]
  /** it runs with an equipment ground */
  grounded: boolean
  /** it lies inside of a unit that brings it along */
  within: boolean
  /** somebody has to measure it: until then it is open */
  asksLength: boolean
  /** it has a disconnect, or arresters, and lacks them by what somebody chose */
  asks: Asks[]
  lacks: Asks[]
  /** as it is where nobody chose: the length that stands in for a measured one too */
  usual: CircuitChoice & { oneWayM: number }
  /** energy it passes in a year, kWh, and how its square mean stands to its working current; null where it is not known */
  yearKWh: number | null
}

/** A lead or cable whose size follows from a rule rather than from its current. */
export interface Lead {
  id: string
  name: string
  from: string
  to: string
  current: 'ground' | 'signal'
  /** empty for a lead that comes with its part */
  size: string
  because: Words
}

/** The equipment of a design and every circuit between it. */
export interface System {
  nodes: SystemNode[]
  circuits: Circuit[]
  leads: Lead[]
}
