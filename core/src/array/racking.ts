import { bankNominalV } from '../bank/layout.ts'
import type { ArrayField, Design } from '../document/types.ts'
import { clamp, DEG } from '../math/angles.ts'
import { sunPosition } from '../sun/position.ts'

/** What carries an array, and the ground or roof it takes. */
export interface Racking {
  rows: number
  perRow: number
  railM: number
  rails: number
  midClamps: number
  endClamps: number
  feet: number
  /** of one row, m: along it, and on the ground across it */
  rowLengthM: number
  rowDepthM: number
  /** from the front of one row to the front of the next so that no row shades another at the chosen hour; null for one row */
  pitchM: number | null
  footprintM2: number
  weightKg: number
}

const GAP_M = 0.02
const END_M = 0.1
/** What racks of most makers span without a table. */
export const FOOT_SPACING_M = 1.2
/** Under this elevation no spacing is worth keeping. */
const LOWEST_SUN_DEG = 3

/**
 * Rails, clamps, feet and ground of an array of upright modules on two rails a row.
 *
 * @param rows how many rows the modules are spread over, ≥ 1
 * @param sun the winter hour at which no row may shade another
 * @throws RangeError for rows that are no whole number
 * Snow load, wind and the roof's structure are an engineer's work and not in here.
 * Source: rail length = n·width + gaps + ends; pitch = L·cos β + L·sin β·cos(Δ azimuth) / tan(elevation).
 * @example racking({ ...larkspurBench().arrays[0], tiltDeg: 60 }, 2, { azimuthDeg: 180, elevationDeg: 15 }).pitchM →
 * 6.423
 */
export function racking(
  array: Pick<ArrayField, 'module' | 'inSeries' | 'inParallel' | 'tiltDeg' | 'azimuthDeg' | 'site'> &
    Partial<Pick<ArrayField, 'footSpacingM' | 'midClamps' | 'endClamps'>>,
  rows: number,
  sun: { azimuthDeg: number; elevationDeg: number },
): Racking {
  if (!(Number.isInteger(rows) && rows >= 1)) throw new RangeError(`rows ${rows} must be a whole number of at least 1`)
  const { module, tiltDeg, azimuthDeg, site, footSpacingM = FOOT_SPACING_M, midClamps, endClamps } = array
  const count = array.inSeries * array.inParallel
  const perRow = Math.ceil(count / rows)
  const railM = perRow * module.widthM + (perRow - 1) * GAP_M + 2 * END_M
  const flat = site === 'roof' ? 1 : Math.cos(tiltDeg * DEG)
  const rowDepthM = module.lengthM * flat
  const elevation = Math.max(sun.elevationDeg, LOWEST_SUN_DEG) * DEG
  const shadow =
    (module.lengthM * Math.sin(tiltDeg * DEG) * Math.max(0, Math.cos((sun.azimuthDeg - azimuthDeg) * DEG))) /
    Math.tan(elevation)
  const pitchM = rows > 1 ? (site === 'roof' ? module.lengthM + GAP_M : rowDepthM + shadow) : null
  return {
    rows,
    perRow,
    railM,
    rails: 2 * rows,
    midClamps: midClamps ?? 2 * (perRow - 1) * rows,
    endClamps: endClamps ?? 4 * rows,
    feet: 2 * rows * (Math.ceil(railM / footSpacingM) + 1),
    rowLengthM: railM,
    rowDepthM,
    pitchM,
    footprintM2: railM * (rowDepthM + (rows - 1) * (pitchM ?? 0)),
    weightKg: count * module.weightKg,
  }
}

/** The sun at an hour of the shortest day, by the clock of the place. */
export function winterSun(design: Design, hour: number): { azimuthDeg: number; elevationDeg: number } {
  const { latitudeDeg, longitudeDeg, utcOffsetH } = design.place
  const day = latitudeDeg >= 0 ? Date.UTC(2001, 11, 21) : Date.UTC(2001, 5, 21)
  return sunPosition(latitudeDeg, longitudeDeg, day + (clamp(hour, 0, 24) - utcOffsetH) * 3_600_000)
}

/** Power a controller can put into the bank, W at the nominal voltage of each class and of this bank. */
export function controllerWatts(design: Design, outputA: number): { volts: number; watts: number }[] {
  return [12, 24, 48].map((volts) => ({
    volts,
    watts: outputA * (volts === design.bank.systemV ? bankNominalV(design.bank) : volts),
  }))
}
