/** How a cable lies: in conduit or a wall, clipped to a surface, buried in a duct, free in air, or as a flexible cord. */
export type Laid = 'conduit' | 'surface' | 'buried' | 'free-air' | 'cord'

/** What parts a circuit for work on it: as the school has it, a switch of its own, one inside of its unit, or nothing. */
export type DisconnectChoice = '' | 'external' | 'built-in' | 'none'

/** Where neutral and ground are joined, and what else stands between sources and house. */
export interface House {
  /** empty for where the inverter and the sources ask for it */
  bond: '' | 'panel' | 'inverter' | 'bypass'
  /** the bond inside of the inverter is taken off, as its manual says how */
  inverterBondOff: boolean
  /** a changeover that gives the house the backup or the grid past the inverter */
  bypass: boolean
  /** a meter of what the house takes */
  meter: boolean
  /** a regulator that steadies the volts of the grid or the backup before the inverter */
  regulator: boolean
}

/** What a fuse or breaker is; empty for what the circuit asks. */
export type DeviceKind = '' | 'class-t' | 'pv-fuse' | 'dc-fuse' | 'dc-breaker' | 'ac-breaker'

/** The board that inverter, controllers and boxes hang on, and where somebody put them. */
export interface Wall {
  widthM: number
  heightM: number
  /** upper left corners, from the board's own */
  places: { id: string; xM: number; yM: number }[]
}

/** What somebody chose about one circuit. A circuit without a choice is as the program has it. */
export interface CircuitChoice {
  /** of the circuit, which follows from what it belongs to */
  id: string
  /** null while nobody measured it: then it is reckoned with what is usual */
  oneWayM: number | null
  /** as in {@link CONDUCTORS}: `6 AWG`, `2/0 AWG`, `16 mm2`; empty for the thinnest that does */
  size: string
  /** conductors in parallel on each pole, equal in length; they go with a chosen size */
  parallel: number
  insulationC: 60 | 75 | 90 | 105
  terminalC: 60 | 75 | 90
  laid: Laid
  ambientC: number
  conductors: number
  allowedDropPct: number
  /** of the fuse or breaker that is there: kind, amps, highest volts and kiloamps it breaks; null for what is asked */
  device: DeviceKind
  deviceA: number | null
  deviceV: number | null
  deviceKA: number | null
  /** the fuse or breaker is built into the unit at its end */
  builtIn: boolean
  /** it is not laid: what would need it has another way */
  unused: boolean
  /** conduit it lies in; empty for the smallest that does */
  conduit: string
  disconnect: DisconnectChoice
  /** no surge arresters stand at its ends */
  withoutArresters: boolean
}
