import type { Laid } from '../document/types.ts'

export type Basis = 'awg' | 'metric'

/** A conductor size of one of the two bases. Resistances in Ω/m at the temperature named. */
export interface Conductor {
  size: string
  basis: Basis
  ohmPerM: number
  ohmAtC: number
  /** of copper, mm² */
  areaMm2: number
  /** over the insulation of a single conductor, mm */
  outerMm: number
  /** at ≤ 3 conductors in conduit and 30 °C, A */
  ampacity: Rated
  /** single, free in air at 30 °C, A */
  freeAir: Rated
  /** clipped to a surface, and in a duct in the ground at 20 °C; null where the basis has no table of its own for it */
  surface: Rated | null
  buried: Rated | null
  /** as a flexible cord with two conductors that carry current, and with three, at 30 °C, A; null where none is made */
  cord: readonly [number, number] | null
}
type Rated = Readonly<Record<60 | 75 | 90, number>>
const rated = (at60: number, at75: number, at90: number): Rated => ({ 60: at60, 75: at75, 90: at90 })

/**
 * Gauge; Ω/1000 ft of uncoated stranded copper at 75 °C; ampacity at 60/75/90 °C in raceway; at 60/75/90 °C single in free
 * air; mm² of copper; mm over the insulation (XHHW). Source: NEC chapter 9 tables 8 and 5, tables 310.16 and 310.17.
 */
const AWG: [string, number, number, number, number, number, number, number, number, number][] = [
  ['14', 3.14, 15, 20, 25, 25, 30, 35, 2.08, 3.38],
  ['12', 1.98, 20, 25, 30, 30, 35, 40, 3.31, 3.86],
  ['10', 1.24, 30, 35, 40, 40, 50, 55, 5.26, 4.47],
  ['8', 0.778, 40, 50, 55, 60, 70, 80, 8.37, 5.99],
  ['6', 0.491, 55, 65, 75, 80, 95, 105, 13.3, 6.96],
  ['4', 0.308, 70, 85, 95, 105, 125, 140, 21.15, 8.18],
  ['3', 0.245, 85, 100, 115, 120, 145, 165, 26.67, 8.89],
  ['2', 0.194, 95, 115, 130, 140, 170, 190, 33.62, 9.7],
  ['1', 0.154, 110, 130, 145, 165, 195, 220, 42.41, 11.23],
  ['1/0', 0.122, 125, 150, 170, 195, 230, 260, 53.49, 12.24],
  ['2/0', 0.0967, 145, 175, 195, 225, 265, 300, 67.43, 13.41],
  ['3/0', 0.0766, 165, 200, 225, 260, 310, 350, 85.01, 14.73],
  ['4/0', 0.0608, 195, 230, 260, 300, 360, 405, 107.2, 16.21],
]
/**
 * Area; class 5 copper at 20 °C, Ω/km (IEC 60228); current-carrying capacity of two loaded conductors at 70 and 90 °C:
 * method B1 (conduit), C (surface), D1 (duct in ground at 20 °C), E to 16 mm² and F above (free air); mm over the
 * insulation of a single core. 70 °C insulation stands under 60 and 75. Source: IEC 60364-5-52 tables B.52.2, B.52.3,
 * B.52.10, B.52.12.
 */
const METRIC: [number, number, ...number[]][] = [
  [2.5, 7.98, 24, 31, 27, 33, 29, 33, 30, 36, 3.9],
  [4, 4.95, 32, 42, 36, 45, 37, 43, 40, 49, 4.4],
  [6, 3.3, 41, 54, 46, 58, 46, 53, 51, 63, 5.2],
  [10, 1.91, 57, 75, 63, 80, 60, 71, 70, 86, 6.4],
  [16, 1.21, 76, 100, 85, 107, 78, 91, 94, 115, 7.5],
  [25, 0.78, 101, 133, 112, 138, 99, 116, 131, 161, 9.3],
  [35, 0.554, 125, 164, 138, 171, 119, 139, 162, 200, 10.6],
  [50, 0.386, 151, 198, 168, 209, 140, 164, 196, 242, 12.4],
  [70, 0.272, 192, 253, 213, 269, 173, 203, 251, 310, 14.3],
  [95, 0.206, 232, 306, 258, 328, 204, 239, 304, 377, 16.3],
  [120, 0.161, 269, 354, 299, 382, 231, 271, 352, 437, 18.1],
]
/**
 * Flexible cord with two conductors that carry current, and with three, A, whatever its insulation. Source: NEC table
 * 400.5(A)(1), columns B and A; DIN VDE 0298-4 table 11, rubber, three loaded.
 */
const CORDS: Readonly<Record<string, readonly [number, number]>> = {
  '14 AWG': [18, 15],
  '12 AWG': [25, 20],
  '10 AWG': [30, 25],
  '8 AWG': [40, 35],
  '6 AWG': [55, 45],
  '4 AWG': [70, 60],
  '2 AWG': [95, 80],
  '2.5 mm2': [26, 26],
  '4 mm2': [34, 34],
  '6 mm2': [44, 44],
  '10 mm2': [61, 61],
  '16 mm2': [82, 82],
  '25 mm2': [108, 108],
  '35 mm2': [135, 135],
}
const CORD_C = 60
const OHM_PER_1000FT = 1 / 304.8

export const CONDUCTORS: readonly Conductor[] = [
  ...AWG.map(([gauge, ohm, at60, at75, at90, free60, free75, free90, areaMm2, outerMm]): Conductor => ({
    size: `${gauge} AWG`,
    basis: 'awg',
    ohmPerM: ohm * OHM_PER_1000FT,
    ohmAtC: 75,
    areaMm2,
    outerMm,
    ampacity: rated(at60, at75, at90),
    freeAir: rated(free60, free75, free90),
    surface: null,
    buried: null,
    cord: CORDS[`${gauge} AWG`] ?? null,
  })),
  ...METRIC.map(([areaMm2, ohm, b70, b90, c70, c90, d70, d90, f70, f90, outerMm]): Conductor => ({
    size: `${areaMm2} mm2`,
    basis: 'metric',
    ohmPerM: ohm / 1000,
    ohmAtC: 20,
    areaMm2,
    outerMm,
    ampacity: rated(b70, b70, b90),
    freeAir: rated(f70, f70, f90),
    surface: rated(c70, c70, c90),
    buried: rated(d70, d70, d90),
    cord: CORDS[`${areaMm2} mm2`] ?? null,
  })),
]

const BY_SIZE: ReadonlyMap<string, Conductor> = new Map(CONDUCTORS.map((each) => [each.size, each]))

const COPPER_PER_K = 0.00393

/** The conductor of this size. @throws RangeError listing the sizes there are */
export function conductor(size: string): Conductor {
  const found = BY_SIZE.get(size)
  if (!found)
    throw new RangeError(`size ${JSON.stringify(size)} is not one of ${CONDUCTORS.map((c) => c.size).join(', ')}`)
  return found
}

/** Resistance at a conductor temperature, Ω/m; AWG sizes are tabulated at 75 °C, metric ones brought to 70 °C. */
export function ohmPerMetre(size: string, conductorC?: number): number {
  const { ohmPerM, ohmAtC, basis } = conductor(size)
  const at = conductorC ?? (basis === 'awg' ? 75 : 70)
  return ohmPerM * (1 + COPPER_PER_K * (at - ohmAtC))
}

/**
 * Voltage lost on the way there and back: 2·L·I·R.
 * @param oneWayM ≥ 0
 * @param amps ≥ 0
 * @param volts > 0
 */
export function drop(run: { size: string; oneWayM: number; amps: number; volts: number }): {
  dropV: number
  dropPct: number
} {
  const dropV = 2 * run.oneWayM * run.amps * ohmPerMetre(run.size)
  return { dropV, dropPct: (100 * dropV) / run.volts }
}

/** `terminal-limited`: the terminals' temperature caps the answer. `free-air`: what a maker of cable prints for it. */
export type AmpacitySchool = 'terminal-limited' | 'free-air'
export type InsulationC = 60 | 75 | 90 | 105
export interface Lying {
  insulationC: InsulationC
  /** temperature the terminals at both ends may reach; as the insulation, and 75 for hotter ones, where it is left out */
  terminalC?: 60 | 75 | 90
  /** of the air or, for a buried duct, of the ground */
  ambientC: number
  /** current-carrying conductors together, ≥ 1 */
  conductors: number
  laid?: Laid
  school?: AmpacitySchool
}

/** Ground is colder than air, and its tables say so. */
const GROUND_C = 20
const AIR_C = 30

/**
 * Current a conductor may carry, A: table value × ambient correction × bundling, capped by what its terminals bear.
 * The other school takes the table of single cables in free air, up to 105 °C insulation, without the cap.
 *
 * @throws RangeError for a size that is not in the tables, or air as hot as the insulation allows
 * Source: NEC 310.15 (ambient √((Tc − Ta)/(Tc − 30)), 4–6 conductors 0.8, 7–9 0.7), 110.14(C); IEC 60364-5-52 annex B.
 * @example ampacity('10 AWG', { insulationC: 90, ambientC: 30, conductors: 3 }) → 35
 */
export function ampacity(size: string, lying: Lying): number {
  const { insulationC, ambientC, conductors, laid = 'conduit', school = 'terminal-limited' } = lying
  if (!(ambientC < insulationC))
    throw new RangeError(`ambientC ${ambientC} must lie below the insulation’s ${insulationC} °C`)
  if (laid === 'cord') return Math.min(cordAmps(size, lying), terminalAmps(size, lying))
  const way = school === 'free-air' ? 'free-air' : laid
  const table = tableOf(size, way)
  const referenceC = way === 'buried' && table === conductor(size).buried ? GROUND_C : AIR_C
  // no table goes past 90: hotter insulation carries more by the root of its own rise
  const tabled = insulationC === 105 ? 90 : insulationC
  const risen = insulationC === 105 ? Math.sqrt((105 - referenceC) / (90 - referenceC)) : 1
  const ambient = Math.sqrt((insulationC - ambientC) / (insulationC - referenceC))
  const bundle = conductors <= 3 ? 1 : conductors <= 6 ? 0.8 : 0.7
  const insulated = table[tabled] * risen * ambient * bundle
  return school === 'free-air' ? insulated : Math.min(insulated, terminalAmps(size, lying))
}

/** What a flexible cord carries, A; nothing in a size it is not made in. Its rubber bears 60 °C, whatever is entered. */
function cordAmps(size: string, { ambientC, conductors }: Pick<Lying, 'ambientC' | 'conductors'>): number {
  const { cord } = conductor(size)
  if (!cord) return 0
  return cord[conductors > 2 ? 1 : 0] * Math.sqrt(Math.max(0, CORD_C - ambientC) / (CORD_C - AIR_C))
}

/** The table a way of laying has in a basis; where it has none of its own, that of conduit. */
function tableOf(size: string, laid: Laid): Rated {
  const { freeAir, surface, buried, ampacity: inConduit } = conductor(size)
  const own: Record<Laid, Rated | null> = { conduit: inConduit, surface, buried, 'free-air': freeAir, cord: null }
  return own[laid] ?? inConduit
}

/**
 * What the terminals at both ends let a conductor carry, A: the table at their temperature, uncorrected. The American
 * code takes that of raceways whatever the way of laying; the other basis that of the way itself.
 */
export function terminalAmps(
  size: string,
  { insulationC, terminalC, laid = 'conduit' }: Pick<Lying, 'insulationC' | 'terminalC' | 'laid'>,
): number {
  const bears = terminalC ?? (insulationC >= 90 ? 75 : (insulationC as 60 | 75))
  return tableOf(size, conductor(size).basis === 'awg' ? 'conduit' : laid)[bears]
}

/** Standard ratings of fuses and breakers, A. Source: NEC 240.6(A). */
const DEVICES_AWG = [
  15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400, 450, 500, 600,
  700, 800, 1000, 1200,
]
/** Source: IEC 60059, IEC 60269. */
const DEVICES_METRIC = [
  6, 10, 16, 20, 25, 32, 40, 50, 63, 80, 100, 125, 160, 200, 250, 315, 400, 500, 630, 800, 1000, 1250,
]
/** Ratings of the fuses made for strings of modules, whatever the basis. Source: IEC 60269-6. */
const PV_FUSES = [4, 6, 8, 10, 12, 15, 16, 20, 25, 30, 32, 40, 50, 63]
/** The next of them at or above a current, A; null above the largest. */
export const pvFuseFor = (amps: number): number | null => PV_FUSES.find((fuse) => fuse >= amps - 1e-9) ?? null

/** Largest device on the small conductors, whatever their ampacity. Source: NEC 240.4(D). */
const SMALL_CONDUCTOR_DEVICE: Record<string, number> = { '14 AWG': 15, '12 AWG': 20, '10 AWG': 30 }

/** Largest device that may protect so many of these conductors in parallel, A. */
export function deviceLimit(size: string, ampacityA: number): number {
  return Math.min(ampacityA, SMALL_CONDUCTOR_DEVICE[size] ?? Infinity)
}

/**
 * The next standard fuse or breaker at or above a current, A; null above the largest.
 * @param basis whose standard ratings
 * @example deviceFor(28.6) → 30
 */
export function deviceFor(amps: number, basis: Basis = 'awg'): number | null {
  const devices = basis === 'awg' ? DEVICES_AWG : DEVICES_METRIC
  return devices.find((device) => device >= amps - 1e-9) ?? null
}
