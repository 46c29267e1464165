import type { ModulePart, Schools } from '../document/types.ts'

export type ColdMethod = Schools['coldVoltage']

/** Multipliers on Voc for crystalline silicon, from the upper end of each 5 K band downward. */
const CODE_TABLE: [downToC: number, factor: number][] = [
  [25, 1],
  [20, 1.02],
  [15, 1.04],
  [10, 1.06],
  [5, 1.08],
  [0, 1.1],
  [-5, 1.12],
  [-10, 1.14],
  [-15, 1.16],
  [-20, 1.18],
  [-25, 1.2],
  [-30, 1.21],
  [-35, 1.23],
  [-40, 1.25],
]

/** The code table's multiplier at a temperature; below −40 °C its last value. */
export function codeTableFactor(coldestC: number): number {
  for (const [downToC, factor] of CODE_TABLE) if (coldestC >= downToC) return factor
  return 1.25
}

export interface ColdString {
  inSeries: number
  vocV: number
  betaVocPctPerK: number
  coldestC: number
  method?: ColdMethod
}

/**
 * Open-circuit voltage of a series string on its coldest morning.
 *
 * `coefficient` (default): n·Voc·(1 + β(Tmin − 25)). `code-table`: the electrical code's multipliers for crystalline
 * silicon. `flat`: 1.25 whatever the place.
 *
 * @param string inSeries ≥ 1, vocV > 0, betaVocPctPerK < 0
 * @returns V
 * @throws RangeError naming the value that cannot be
 * Source: IEC 60891 translation with the data sheet's β; NEC table 690.7(A).
 * @example coldVoltage({ inSeries: 3, vocV: 40, betaVocPctPerK: -0.27, coldestC: -35 }) → 139.4
 */
export function coldVoltage({ inSeries, vocV, betaVocPctPerK, coldestC, method = 'coefficient' }: ColdString): number {
  requireSeries(inSeries)
  if (!(vocV > 0)) throw new RangeError(`vocV ${vocV} must be above 0`)
  const stc = inSeries * vocV
  if (method === 'flat') return stc * 1.25
  if (method === 'code-table') return stc * codeTableFactor(coldestC)
  if (!(betaVocPctPerK < 0)) throw new RangeError(`betaVocPctPerK ${betaVocPctPerK} must be below 0, in % per K`)
  return stc * (1 + (betaVocPctPerK / 100) * (coldestC - 25))
}

/**
 * Voltage at the power point of a string on its hottest afternoon: n·Vmp·(1 + β(Tc − 25)).
 * @param hottestCellC temperature of the cells, not of the air
 */
export function hotVoltage(string: {
  inSeries: number
  vmpV: number
  betaVmpPctPerK: number
  hottestCellC: number
}): number {
  requireSeries(string.inSeries)
  return string.inSeries * string.vmpV * (1 + (string.betaVmpPctPerK / 100) * (string.hottestCellC - 25))
}

function requireSeries(inSeries: number): void {
  if (!(Number.isInteger(inSeries) && inSeries >= 1))
    throw new RangeError(`inSeries ${inSeries} must be a whole number of at least 1`)
}

/** Bright sun at the edge of a cloud, W/m². */
const EDGE_OF_CLOUD_WM2 = 1120

/**
 * Hottest the cells get on the hottest afternoon, °C: the record high and the rise the data sheet's NOCT gives at
 * edge-of-cloud sun.
 * @param noctC temperature of the cells at 800 W/m², 20 °C and 1 m/s; usually 42 to 48
 * Source: IEC 61215 definition of NOCT, the rise in proportion to the irradiance.
 * @example hottestCellC(38, { noctC: 45 }) → 73
 */
export function hottestCellC(recordHighC: number, { noctC }: Pick<ModulePart, 'noctC'>): number {
  return recordHighC + ((noctC - 20) / 800) * EDGE_OF_CLOUD_WM2
}

/** Direct-current volts that breakers, switches and fuses are made for. Source: the usual classes of DC devices. */
const BREAKER_CLASSES_V = [60, 80, 125, 150, 250, 300, 500, 600, 1000, 1500]

/** The lowest class of breakers and switches that stands so many volts; null where there is none. */
export const breakerVoltsFor = (coldV: number): number | null =>
  BREAKER_CLASSES_V.find((classV) => classV >= coldV) ?? null
