/** A conductor size of one of the two bases. Resistances in Ω/m at the temperature named. */
export interface Conductor {
  size: string
  basis: 'awg' | 'metric'
  ohmPerM: number
  ohmAtC: number
  ampacity: { 60: number; 75: number; 90: number }
}

/** Uncoated stranded copper at 75 °C, Ω/1000 ft, and ampacity at 60/75/90 °C. Source: NEC chapter 9 table 8, table 310.16. */
const AWG: [string, number, number, number, number][] = [
  ['14', 3.14, 15, 20, 25],
  ['12', 1.98, 20, 25, 30],
  ['10', 1.24, 30, 35, 40],
  ['8', 0.778, 40, 50, 55],
  ['6', 0.491, 55, 65, 75],
  ['4', 0.308, 70, 85, 95],
  ['3', 0.245, 85, 100, 115],
  ['2', 0.194, 95, 115, 130],
  ['1', 0.154, 110, 130, 145],
  ['1/0', 0.122, 125, 150, 170],
  ['2/0', 0.0967, 145, 175, 195],
  ['3/0', 0.0766, 165, 200, 225],
  ['4/0', 0.0608, 195, 230, 260],
]

/**
 * Class 5 copper at 20 °C, Ω/km (IEC 60228), and current-carrying capacity of two loaded conductors, reference method
 * B1, at 30 °C: 70 °C insulation stands under 60 and 75, 90 °C insulation under 90 (IEC 60364-5-52 tables B.52.2, B.52.3).
 */
const METRIC: [number, number, number, number][] = [
  [2.5, 7.98, 24, 31],
  [4, 4.95, 32, 42],
  [6, 3.3, 41, 54],
  [10, 1.91, 57, 75],
  [16, 1.21, 76, 100],
  [25, 0.78, 101, 133],
  [35, 0.554, 125, 164],
  [50, 0.386, 151, 198],
  [70, 0.272, 192, 253],
  [95, 0.206, 232, 306],
  [120, 0.161, 269, 354],
]

const OHM_PER_1000FT = 1 / 304.8

export const CONDUCTORS: readonly Conductor[] = [
  ...AWG.map(([gauge, ohm, at60, at75, at90]): Conductor => ({
    size: `${gauge} AWG`,
    basis: 'awg',
    ohmPerM: ohm * OHM_PER_1000FT,
    ohmAtC: 75,
    ampacity: { 60: at60, 75: at75, 90: at90 },
  })),
  ...METRIC.map(([area, ohm, at70, at90]): Conductor => ({
    size: `${area} mm2`,
    basis: 'metric',
    ohmPerM: ohm / 1000,
    ohmAtC: 20,
    ampacity: { 60: at70, 75: at70, 90: at90 },
  })),
]

const COPPER_PER_K = 0.00393

/** The conductor of this size. @throws RangeError listing the sizes there are */
export function conductor(size: string): Conductor {
  const found = CONDUCTORS.find((candidate) => candidate.size === size)
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

/**
 * Current a conductor may carry, A: table value × ambient correction × bundling, capped by 75 °C terminals.
 *
 * @param insulationC 60, 75 or 90
 * @param ambientC below the insulation's temperature
 * @param conductors current-carrying conductors together, ≥ 1
 * @throws RangeError for a size that is not in the tables, or air as hot as the insulation allows
 * Source: NEC 310.15 (ambient √((Tc − Ta)/(Tc − 30)), 4–6 conductors 0.8, 7–9 0.7), 110.14(C).
 * @example ampacity('10 AWG', 90, 30, 3) → 35
 */
export function ampacity(size: string, insulationC: 60 | 75 | 90, ambientC: number, conductors: number): number {
  if (!(ambientC < insulationC))
    throw new RangeError(`ambientC ${ambientC} must lie below the insulation’s ${insulationC} °C`)
  const { ampacity: table } = conductor(size)
  const ambient = Math.sqrt((insulationC - ambientC) / (insulationC - 30))
  const bundle = conductors <= 3 ? 1 : conductors <= 6 ? 0.8 : 0.7
  const terminals = insulationC === 90 ? table[75] : table[insulationC]
  return Math.min(table[insulationC] * ambient * bundle, terminals)
}

const DEVICES = [15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400]

/** Largest device on the small conductors, whatever their ampacity. Source: NEC 240.4(D). */
const SMALL_CONDUCTOR_DEVICE: Record<string, number> = { '14 AWG': 15, '12 AWG': 20, '10 AWG': 30 }

/** Largest device that may protect so many of these conductors in parallel, A. */
export function deviceLimit(size: string, ampacityA: number): number {
  return Math.min(ampacityA, SMALL_CONDUCTOR_DEVICE[size] ?? Infinity)
}

/** The next standard fuse or breaker at or above a current, A; null above the largest. */
export function deviceFor(amps: number): number | null {
  return DEVICES.find((device) => device >= amps - 1e-9) ?? null
}
