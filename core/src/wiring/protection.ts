import { CONDUCTORS, conductor, type Basis } from './conductors.ts'

/**
 * Current a bank can drive into a dead short, A: what lies behind a fuse's interrupting rating.
 *
 * @param bank openV of a string, > 0; milliohm of a string, > 0; inParallel ≥ 1 strings; leadMilliohm ≥ 0 of what all share
 * Source: Ohm's law, every string's resistance in parallel; IEC 61660-1 takes the same as its quasi-steady value.
 * @example shortCircuitA({ openV: 54, milliohm: 20, inParallel: 4, leadMilliohm: 1 }) → 9000
 */
export function shortCircuitA(bank: {
  openV: number
  milliohm: number
  inParallel: number
  leadMilliohm: number
}): number {
  const { openV, milliohm, inParallel, leadMilliohm } = bank
  return (openV / (milliohm / inParallel + leadMilliohm)) * 1000
}

/** Device up to so many amps, and its copper ground conductor. Source: NEC table 250.122. */
const GROUND_BY_DEVICE: readonly [number, string][] = [
  [15, '14 AWG'],
  [20, '12 AWG'],
  [60, '10 AWG'],
  [100, '8 AWG'],
  [200, '6 AWG'],
  [300, '4 AWG'],
  [400, '3 AWG'],
  [500, '2 AWG'],
  [600, '1 AWG'],
  [800, '1/0 AWG'],
  [1000, '2/0 AWG'],
  [1200, '3/0 AWG'],
  [1600, '4/0 AWG'],
]
/** Up to the one the ground is as thick as the phase; up to the other it is 16 mm²; beyond half of it. */
const SAME_TO_MM2 = 16
const SIXTEEN_TO_MM2 = 35

/**
 * Equipment ground (protective earth) of copper.
 *
 * @param of basis; deviceA where it is awg, > 0; phaseSize where it is metric, as `16 mm2`
 * @throws RangeError for a device above the table, or a size that is not one
 * Source: NEC table 250.122; IEC 60364-5-54 table 54.2.
 * @example groundConductor({ basis: 'awg', deviceA: 60 }) → '10 AWG'
 */
export function groundConductor(
  of: { basis: 'awg'; deviceA: number } | { basis: 'metric'; phaseSize: string },
): string {
  if (of.basis === 'awg') {
    const found = GROUND_BY_DEVICE.find(([upTo]) => of.deviceA <= upTo)
    if (!found) throw new RangeError(`deviceA ${of.deviceA} is above the table’s 1600 A`)
    return found[1]
  }
  const { areaMm2 } = conductor(of.phaseSize)
  const wanted = areaMm2 <= SAME_TO_MM2 ? areaMm2 : areaMm2 <= SIXTEEN_TO_MM2 ? SAME_TO_MM2 : areaMm2 / 2
  return CONDUCTORS.find((each) => each.basis === 'metric' && each.areaMm2 >= wanted)!.size
}

/**
 * A ground conductor made thicker in proportion, where the conductors it runs with are thicker than the current asks.
 * Source: NEC 250.122(B).
 * @param least that the table asks, `size` that is laid, `enough` that the current alone asks
 * @example upsizedGround('10 AWG', '4 AWG', '6 AWG') → '8 AWG'
 */
export function upsizedGround(least: string, size: string, enough: string): string {
  const basis: Basis = conductor(least).basis
  const wanted = conductor(least).areaMm2 * Math.max(1, conductor(size).areaMm2 / conductor(enough).areaMm2)
  const sizes = CONDUCTORS.filter((each) => each.basis === basis)
  return (sizes.find(({ areaMm2 }) => areaMm2 >= wanted * 0.999) ?? sizes[sizes.length - 1]).size
}

/** Share of a conduit that one, two, or more conductors may fill. Source: NEC chapter 9 table 1. */
const FILL = [0.53, 0.31, 0.4] as const

/**
 * How full a conduit is.
 * @param innerMm of the conduit, > 0
 * @param outerMm of each conductor in it, over its insulation
 * Source: NEC chapter 9 table 1; used for metric conduits too, where no rule binds.
 * @example conduitFill(20, [10]) → { share: 0.25, allowed: 0.53, fits: true }
 */
export function conduitFill(
  innerMm: number,
  outerMm: readonly number[],
): { share: number; allowed: number; fits: boolean } {
  const share = outerMm.reduce((sum, mm) => sum + mm * mm, 0) / (innerMm * innerMm)
  const allowed = FILL[Math.min(outerMm.length, FILL.length) - 1]
  return { share, allowed, fits: share <= allowed }
}

/** Trade sizes of rigid plastic conduit, schedule 40, and of metric conduit, by inner diameter, mm. Source: NEC chapter 9 table 4; IEC 61386-21. */
const CONDUITS: Record<Basis, readonly [string, number][]> = {
  awg: [
    ['1/2 in', 15.29],
    ['3/4 in', 20.42],
    ['1 in', 26.14],
    ['1 1/4 in', 34.54],
    ['1 1/2 in', 40.39],
    ['2 in', 51.99],
    ['2 1/2 in', 62.1],
    ['3 in', 77.27],
    ['4 in', 101.5],
  ],
  metric: [
    ['20 mm', 16.9],
    ['25 mm', 21.4],
    ['32 mm', 27.8],
    ['40 mm', 35.4],
    ['50 mm', 44.3],
    ['63 mm', 56.5],
    ['75 mm', 67],
    ['110 mm', 98],
  ],
}

/** Every conduit there is, of both bases. */
export const CONDUIT_NAMES: readonly string[] = Object.values(CONDUITS).flatMap((list) => list.map(([name]) => name))

/** Conduits of a basis, and the one that was chosen whatever its basis. */
export const conduitNames = (basis: Basis, chosen: string): string[] => {
  const names = CONDUITS[basis].map(([name]) => name)
  return chosen === '' || names.includes(chosen) ? names : [...names, chosen]
}

/** Inner diameter of a conduit by its trade size, mm; null for one that is not in the tables. */
export const conduitInnerMm = (name: string): number | null =>
  Object.values(CONDUITS)
    .flat()
    .find(([each]) => each === name)?.[1] ?? null

/** The smallest conduit that conductors fit in with their ground; null where none is that wide. */
export function conduitFor(basis: Basis, outerMm: readonly number[]): { name: string; share: number } | null {
  for (const [name, innerMm] of CONDUITS[basis]) {
    const { fits, share } = conduitFill(innerMm, outerMm)
    if (fits) return { name, share }
  }
  return null
}
