import {
  ampacity,
  CONDUCTORS,
  deviceFor,
  deviceLimit,
  drop,
  terminalAmps,
  type Basis,
  type Lying,
} from './conductors.ts'

/** What a conductor is asked to do. */
export interface Asked extends Lying {
  basis: Basis
  /** current it must carry at its terminals, uncorrected, A */
  designA: number
  /** current it must carry where it lies, with heat and neighbours; `designA` where it is left out */
  correctedA?: number
  oneWayM: number
  /** current and volts the drop is reckoned with; three phases lose √3 of it where a pair loses 2 */
  workingA: number
  volts: number
  threePhase?: boolean
  allowedDropPct: number
  /** a device of so many amps stands before it, and must protect it; null where none does */
  deviceA?: number | null
  /** the next standard device above what it carries may protect it */
  nextAbove?: boolean
}

export interface Chosen {
  size: string
  parallel: number
  ampacityA: number
  dropV: number
  dropPct: number
}

/** What keeps a conductor from doing. */
export type Failure = 'terminals' | 'ampacity' | 'device' | 'drop'

/** Thinner cables than this are not run in parallel. Source: NEC 310.10(G). */
const PARALLEL_FROM: Record<Basis, string> = { awg: '1/0 AWG', metric: '50 mm2' }
const MOST_PARALLEL = 4
const PAIR = 2
const sizesOf = (basis: Basis) => CONDUCTORS.filter((each) => each.basis === basis).map(({ size }) => size)
/** Thinnest first. */
const SIZES: Record<Basis, readonly string[]> = { awg: sizesOf('awg'), metric: sizesOf('metric') }

/** A conductor under what is asked of it, and everything it fails in. */
export function judged(asked: Asked, size: string, parallel: number): Chosen & { fails: Failure[] } {
  const ampacityA = ampacity(size, asked) * parallel
  const each = { size, oneWayM: asked.oneWayM, amps: asked.workingA / parallel, volts: asked.volts }
  const phases = asked.threePhase ? Math.sqrt(3) / PAIR : 1
  const lost = drop(each)
  const [dropV, dropPct] = [lost.dropV * phases, lost.dropPct * phases]
  const fails: Failure[] = []
  const atTerminals = asked.school === 'free-air' ? ampacityA : terminalAmps(size, asked) * parallel
  if (atTerminals < asked.designA - 1e-9) fails.push('terminals')
  if (ampacityA < (asked.correctedA ?? asked.designA) - 1e-9) fails.push('ampacity')
  const protects = asked.nextAbove ? (deviceFor(ampacityA, asked.basis) ?? ampacityA) : ampacityA
  if (asked.deviceA && asked.deviceA > deviceLimit(size, protects) + 1e-9) fails.push('device')
  if (dropPct > asked.allowedDropPct + 1e-9) fails.push('drop')
  return { size, parallel, ampacityA, dropV, dropPct, fails }
}

/**
 * The thinnest conductor that carries its current, is protected by its device and keeps its drop: single where one does,
 * else as few equal ones in parallel as do.
 *
 * @returns null where not even four of the thickest do
 * Source: NEC 310.15, 310.10(G), 690.8(B); IEC 60364-5-52.
 * @example chooseConductor({ basis: 'awg', designA: 50, oneWayM: 5, workingA: 40, volts: 48, allowedDropPct: 3,
 * insulationC: 90, ambientC: 30, conductors: 2 }).size → '8 AWG'
 */
export function chooseConductor(asked: Asked): Chosen | null {
  const sizes = SIZES[asked.basis]
  for (let parallel = 1; parallel <= MOST_PARALLEL; parallel++) {
    const from = parallel > 1 ? sizes.indexOf(PARALLEL_FROM[asked.basis]) : 0
    for (let i = from; i < sizes.length; i++) {
      const { fails, ...chosen } = judged(asked, sizes[i], parallel)
      if (fails.length === 0) return chosen
    }
  }
  return null
}

/** The thickest there is, where it carries the current and only its drop is more than is allowed; null where it does not even. */
export function thickestConductor(asked: Asked): (Chosen & { fails: Failure[] }) | null {
  const found = judged(asked, SIZES[asked.basis].at(-1)!, MOST_PARALLEL)
  return found.fails.every((fail) => fail === 'drop') ? found : null
}

/** The thinnest single conductor for the current alone, whatever it drops; null for none. */
export const enoughForCurrent = (asked: Asked): string | null =>
  chooseConductor({ ...asked, allowedDropPct: Infinity, oneWayM: 0 })?.size ?? null
