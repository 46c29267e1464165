import { solve } from '../math/linear.ts'

/** What a data sheet says of a module at standard test conditions. */
export interface ModuleSheet {
  vocV: number
  iscA: number
  vmpV: number
  impA: number
  cells: number
  alphaIscPctPerK: number
  betaVocPctPerK: number
}

/** The five parameters of a module at some irradiance and cell temperature. */
export interface SingleDiode {
  photocurrentA: number
  saturationA: number
  seriesOhm: number
  shuntOhm: number
  /** modified ideality: ideality × cells × thermal voltage, V */
  idealityV: number
}

const BOLTZMANN_EV = 8.617333e-5
const STC_K = 298.15
const GAP_EV = 1.121
const GAP_PER_K = -0.0002677
const LEAST_IDEALITY = 0.5
const MOST_IDEALITY = 2.2
const COARSE = 24

/**
 * The five parameters of a module from its data sheet.
 *
 * For a given ideality and series resistance the conditions at short circuit, open circuit and the power point are
 * linear in photocurrent, saturation current and shunt conductance; the series resistance is the one that makes the
 * power flat at the power point; the ideality is the one whose open-circuit voltage falls with temperature as the data
 * sheet's β says, among those with a shunt that does not feed.
 *
 * @param sheet at 1000 W/m², 25 °C
 * @throws RangeError where the three points are no curve of a module
 * Source: De Soto, Klein & Beckman (2006).
 * @example openCircuitV(fitSingleDiode(moduleParts[0])) → 37.4
 */
export function fitSingleDiode(sheet: ModuleSheet): SingleDiode {
  requireSheet(sheet)
  const cells = seriesCells(sheet)
  const wanted = (sheet.betaVocPctPerK / 100) * sheet.vocV
  let best: { fit: SingleDiode; off: number; ideality: number } | null = null
  const look = (ideality: number) => {
    const fit = atIdeality(sheet, ideality * cells * BOLTZMANN_EV * STC_K)
    if (!fit) return
    const off = Math.abs(betaOf(fit, sheet) - wanted) + (fit.shuntOhm > 0 ? 0 : Math.abs(wanted))
    if (!best || off < best.off) best = { fit, off, ideality }
  }
  let step = (MOST_IDEALITY - LEAST_IDEALITY) / COARSE
  for (let i = 0; i <= COARSE; i++) look(LEAST_IDEALITY + i * step)
  if (!best) throw new RangeError(`vmpV ${sheet.vmpV} and impA ${sheet.impA} are no power point of this curve`)
  while (step > 0.002) {
    step /= 2
    const { ideality } = best as { ideality: number }
    look(ideality - step)
    look(ideality + step)
  }
  return (best as { fit: SingleDiode }).fit
}

/** Half-cut modules print twice as many cells as stand in series: Voc of a cell would be too little for any silicon. */
export const isHalfCut = ({ vocV, cells }: Pick<ModuleSheet, 'vocV' | 'cells'>): boolean => vocV / cells < 0.42
const seriesCells = (sheet: ModuleSheet): number => (isHalfCut(sheet) ? sheet.cells / 2 : sheet.cells)

function requireSheet({ vocV, iscA, vmpV, impA, cells, betaVocPctPerK }: ModuleSheet): void {
  const positive = { vocV, iscA, vmpV, impA, cells }
  for (const [name, value] of Object.entries(positive))
    if (!(value > 0)) throw new RangeError(`${name} ${value} must be above 0`)
  if (vmpV >= vocV) throw new RangeError(`vmpV ${vmpV} must lie below vocV ${vocV}`)
  if (impA >= iscA) throw new RangeError(`impA ${impA} must lie below iscA ${iscA}`)
  if (!(betaVocPctPerK < 0)) throw new RangeError(`betaVocPctPerK ${betaVocPctPerK} must be below 0, in % per K`)
}

/** The parameters for one ideality; null where no series resistance makes the power flat at the power point. */
function atIdeality(sheet: ModuleSheet, a: number): SingleDiode | null {
  const most = (sheet.vocV - sheet.vmpV) / sheet.impA
  const slope = (ohm: number) => {
    const fit = atResistance(sheet, a, ohm)
    const vj = sheet.vmpV + sheet.impA * ohm
    const g = fit.saturationA * (Math.exp(vj / a) / a) + 1 / fit.shuntOhm
    return sheet.impA / sheet.vmpV - g / (1 + ohm * g)
  }
  let low = 0
  let high = most * 0.9999
  let atLow = slope(low)
  if (!(atLow * slope(high) < 0)) return null
  for (let i = 0; i < 48; i++) {
    const middle = (low + high) / 2
    const value = slope(middle)
    if (value * atLow > 0) {
      low = middle
      atLow = value
    } else high = middle
  }
  return atResistance(sheet, a, (low + high) / 2)
}

/** Photocurrent, saturation current and shunt that meet the three points, for an ideality and a series resistance. */
function atResistance({ vocV, iscA, vmpV, impA }: ModuleSheet, a: number, seriesOhm: number): SingleDiode {
  // the saturation current scaled by its factor at open circuit keeps the equations of one size
  const row = (volts: number, amps: number) => {
    const vj = volts + amps * seriesOhm
    return Float64Array.from([1, -(Math.exp((vj - vocV) / a) - Math.exp(-vocV / a)), -vj, amps])
  }
  const [photocurrentA, scaled, conductance] = solve([row(0, iscA), row(vocV, 0), row(vmpV, impA)])
  return {
    photocurrentA,
    saturationA: scaled * Math.exp(-vocV / a),
    seriesOhm,
    shuntOhm: Math.abs(conductance) < 1e-9 ? 1e9 : 1 / conductance,
    idealityV: a,
  }
}

/** Slope of the open-circuit voltage with temperature, V/K. */
function betaOf(fit: SingleDiode, sheet: ModuleSheet): number {
  const warm = openCircuitV(atConditions(fit, sheet, 1000, 35))
  return (warm - openCircuitV(fit)) / 10
}

/**
 * The parameters at another irradiance and cell temperature.
 * @param irradianceWM2 > 0
 * @param cellC °C
 * @throws RangeError for no irradiance
 * Source: De Soto et al. (2006), equations 15–19.
 * @example openCircuitV(atConditions(fitSingleDiode(moduleParts[0]), moduleParts[0], 1000, -25)) → 42.2
 */
export function atConditions(
  fit: SingleDiode,
  sheet: Pick<ModuleSheet, 'alphaIscPctPerK' | 'iscA'>,
  irradianceWM2: number,
  cellC: number,
): SingleDiode {
  if (!(irradianceWM2 > 0)) throw new RangeError(`irradianceWM2 ${irradianceWM2} must be above 0`)
  const kelvin = cellC + 273.15
  const ratio = kelvin / STC_K
  const sun = irradianceWM2 / 1000
  const gap = GAP_EV * (1 + GAP_PER_K * (kelvin - STC_K))
  const boltzmann = GAP_EV / (BOLTZMANN_EV * STC_K) - gap / (BOLTZMANN_EV * kelvin)
  return {
    photocurrentA: sun * (fit.photocurrentA + (sheet.alphaIscPctPerK / 100) * sheet.iscA * (cellC - 25)),
    saturationA: fit.saturationA * ratio ** 3 * Math.exp(boltzmann),
    seriesOhm: fit.seriesOhm,
    shuntOhm: fit.shuntOhm / sun,
    idealityV: fit.idealityV * ratio,
  }
}

/** Current at a junction voltage (terminal voltage + current × series resistance), A. */
export function junctionCurrent(fit: SingleDiode, vj: number): number {
  return fit.photocurrentA - fit.saturationA * Math.expm1(vj / fit.idealityV) - vj / fit.shuntOhm
}

/**
 * Current at a terminal voltage, A; negative above the open-circuit voltage.
 * Newton's method from above: the terminal voltage is a rising, convex function of the junction voltage, so that it
 * comes down to the answer without passing it.
 */
export function currentAt(fit: SingleDiode, volts: number): number {
  const { photocurrentA, saturationA, seriesOhm, shuntOhm, idealityV } = fit
  let vj = volts + Math.max(0, photocurrentA) * seriesOhm
  for (let i = 0; i < 80; i++) {
    const exp = Math.exp(vj / idealityV)
    const amps = photocurrentA - saturationA * (exp - 1) - vj / shuntOhm
    const step = (vj - amps * seriesOhm - volts) / (1 + seriesOhm * ((saturationA * exp) / idealityV + 1 / shuntOhm))
    vj -= step
    if (Math.abs(step) < 1e-10) break
  }
  return junctionCurrent(fit, vj)
}

/**
 * Voltage at which a module, or what was fitted like one, gives no current, V; by halving.
 * @example openCircuitV(fitSingleDiode(moduleParts[5])) → 22.5
 */
export function openCircuitV(fit: SingleDiode): number {
  let low = 0
  let high = 1
  while (junctionCurrent(fit, high) > 0) high *= 2
  for (let i = 0; i < 70; i++) {
    const middle = (low + high) / 2
    if (junctionCurrent(fit, middle) > 0) low = middle
    else high = middle
  }
  return (low + high) / 2
}

export interface PowerPoint {
  volts: number
  amps: number
  watts: number
}

/**
 * The highest point of a power curve between 0 and a voltage, found on a grid and then between its neighbours, so that
 * one hill of several is not missed.
 */
export function powerPoint(current: (volts: number) => number, highestV: number): PowerPoint {
  const STEPS_OF_CURVE = 160
  let best = 0
  let most = -Infinity
  for (let i = 1; i < STEPS_OF_CURVE; i++) {
    const volts = (highestV * i) / STEPS_OF_CURVE
    const watts = volts * current(volts)
    if (watts > most) {
      most = watts
      best = volts
    }
  }
  let low = Math.max(0, best - highestV / STEPS_OF_CURVE)
  let high = Math.min(highestV, best + highestV / STEPS_OF_CURVE)
  for (let i = 0; i < 50; i++) {
    const a = low + (high - low) * 0.382
    const b = low + (high - low) * 0.618
    if (a * current(a) > b * current(b)) high = b
    else low = a
  }
  const volts = (low + high) / 2
  const amps = current(volts)
  return { volts, amps, watts: volts * amps }
}
