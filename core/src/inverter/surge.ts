import { coldFactor } from '../bank/chemistry.ts'
import { bankOhm } from '../bank/layout.ts'
import { stringsAtLimit } from '../bank/strings.ts'
import { restedBankV, sag } from '../bank/voltage.ts'
import type { Design } from '../document/types.ts'
import type { CoincidentPeak } from '../loads/peak.ts'

/** What a start meets: the inverter, the bank's voltage, the bank's current. */
export interface SurgeQuestion {
  /** what else runs, and the watts of the start on top, W */
  baseW: number
  startW: number
  /** what the inverter gives for the seconds of a start, W */
  surgeRatingW: number
  efficiency: number
  /** rested voltage and internal resistance of the bank as it is charged and as warm as it is */
  openCircuitV: number
  ohm: number
  lowCutV: number
  /** current the bank may give for those seconds, A */
  surgeLimitA: number
}

export interface SurgeAnswer {
  starts: boolean
  /** what stops it first, `none` where nothing does */
  limitedBy: 'none' | 'inverter' | 'voltage' | 'bank-current'
  outputW: number
  /** of the bank during the start; null where it cannot be carried at all */
  volts: number | null
  amps: number | null
}

/**
 * Whether a start is carried: within the inverter's surge rating, the bank's voltage above its low cut-out under that
 * power, the current within what the bank may give.
 *
 * @throws RangeError for an efficiency outside 0…1
 * Source: constant power through an internal resistance, V = (E + √(E² − 4PR))/2.
 * @example surge({ baseW: 500, startW: 4500, surgeRatingW: 9000, efficiency: 0.9, openCircuitV: 51, ohm: 0.02,
 * lowCutV: 44, surgeLimitA: 300 }) → { starts: true, limitedBy: 'none', outputW: 5000, volts: 48.72, amps: 114.03 }
 */
export function surge(question: SurgeQuestion): SurgeAnswer {
  const { baseW, startW, surgeRatingW, efficiency, openCircuitV, ohm, lowCutV, surgeLimitA } = question
  if (!(efficiency > 0 && efficiency <= 1)) throw new RangeError(`efficiency ${efficiency} must lie between 0 and 1`)
  const outputW = baseW + startW
  const inputW = outputW / efficiency
  const { volts } = sag(openCircuitV, ohm, inputW)
  const amps = volts === null ? null : inputW / volts
  const limitedBy =
    outputW > surgeRatingW
      ? 'inverter'
      : volts === null || volts < lowCutV
        ? 'voltage'
        : amps! > surgeLimitA
          ? 'bank-current'
          : 'none'
  return { starts: limitedBy === 'none', limitedBy, outputW, volts, amps }
}

/** The largest start at one state of charge and bank temperature. */
export interface SurgeRow extends SurgeAnswer {
  stateOfCharge: number
  bankC: number
  /** power the bank may give for those seconds at that voltage, W at the inverter's output */
  surgeLimitW: number
}

const CHARGES = [1, 0.8, 0.6, 0.4, 0.2]
const WARM_C = 25

/**
 * The largest start through the charge of the bank, warm and as cold as the bank is planned for.
 * @param coldC temperature of the bank in its coldest month
 * @param over the start asks more of its leg, or of the whole inverter, than that gives
 */
export function surgeTable(design: Design, peak: PeakWatts, coldC: number, over = false): SurgeRow[] {
  const temperatures = coldC < WARM_C - 1 ? [WARM_C, coldC] : [WARM_C]
  const charges = CHARGES.filter((charge) => charge >= design.bank.cutoffStateOfCharge)
  return temperatures.flatMap((bankC) => charges.map((charge) => startAt(design, peak, charge, bankC, over)))
}

/** On at once, and with the largest start on top, W, for so many seconds. */
export type PeakWatts = Pick<CoincidentPeak, 'continuousW' | 'surgeW' | 'startS'>

function startAt(design: Design, peak: PeakWatts, stateOfCharge: number, bankC: number, over: boolean): SurgeRow {
  const { bank, inverter } = design
  const { part } = inverter
  const surgeLimitA = bank.part.surgeA * stringsAtLimit(bank)
  const answer = surge({
    baseW: peak.continuousW,
    startW: peak.surgeW - peak.continuousW,
    // the inverter is judged leg by leg
    surgeRatingW: over ? 0 : Infinity,
    efficiency: part.fullLoadEfficiency,
    openCircuitV: restedBankV(bank, stateOfCharge),
    ohm: bankOhm(bank) / coldFactor(bank.part.chemistry, bankC),
    lowCutV: part.lowCutV,
    surgeLimitA,
  })
  return {
    stateOfCharge,
    bankC,
    ...answer,
    surgeLimitW: surgeLimitA * (answer.volts ?? part.lowCutV) * part.fullLoadEfficiency,
  }
}

const CURVE_POINTS = 20

/** Voltage of the bank under the largest start from empty to full, at one temperature of the bank. */
export function surgeCurve(design: Design, peak: PeakWatts, bankC: number): SurgeRow[] {
  return Array.from({ length: CURVE_POINTS + 1 }, (_, i) => startAt(design, peak, i / CURVE_POINTS, bankC, false))
}
