import { bankOhm } from './layout.ts'
import { stringsAtLimit } from './strings.ts'
import { restedBankV, sag } from './voltage.ts'
import type { Design } from '../document/types.ts'

/** What a load and the largest start ask of a bank, and what it may give. */
export interface LinkQuestion {
  inParallel: number
  /** per string, A: lasting, and for the seconds of a start */
  maxDischargeA: number
  surgeA: number
  /** at the inverter's output, W: what is on, and all that is on while the largest start lasts */
  watts: number
  startWatts: number
  /** lowest voltage at which the inverter still works, V */
  lowV: number
  efficiency: number
  /** of the bank's main fuse; left out where there is none to be met first */
  fuseA?: number
}

export interface LinkAnswer {
  loadA: number
  startA: number
  limitA: number
  surgeLimitA: number
  carries: boolean
  starts: boolean
  /** what holds it back first */
  limit: 'management unit' | 'fuse'
}

/**
 * Whether the units of a bank may give what is asked of them at the lowest voltage, where the current is highest.
 *
 * @throws RangeError for an efficiency outside 0…1 or a voltage that is not above 0
 * Source: constant power at the low cut-out; strings share alike.
 * @example weakestLink({ inParallel: 3, maxDischargeA: 50, surgeA: 100, watts: 12000, startWatts: 12000, lowV: 44,
 * efficiency: 0.9 }) → { loadA: 303.03, startA: 303.03, limitA: 150, surgeLimitA: 300, carries: false, starts: false,
 * limit: 'management unit' }
 */
export function weakestLink(question: LinkQuestion): LinkAnswer {
  const { inParallel, maxDischargeA, surgeA, watts, startWatts, lowV, efficiency, fuseA = Infinity } = question
  if (!(efficiency > 0 && efficiency <= 1)) throw new RangeError(`efficiency ${efficiency} must lie between 0 and 1`)
  if (!(lowV > 0)) throw new RangeError(`lowV ${lowV} must be above 0`)
  const loadA = watts / (efficiency * lowV)
  const startA = startWatts / (efficiency * lowV)
  const limitA = Math.min(inParallel * maxDischargeA, fuseA)
  const surgeLimitA = Math.min(inParallel * surgeA, fuseA)
  return {
    loadA,
    startA,
    limitA,
    surgeLimitA,
    carries: loadA <= limitA,
    starts: startA <= surgeLimitA,
    limit: fuseA < inParallel * maxDischargeA ? 'fuse' : 'management unit',
  }
}

/** Charge at which a bank is asked for what it must give while it is not full any more. */
const LOW_CHARGE = 0.3

/** What is on at once, and the largest start, against the units of a design's bank and its voltage when it is low. */
export interface BankLink extends LinkAnswer {
  /** volts under what is on at once at 30 % charge; null where the bank cannot carry it at any */
  saggedV: number | null
  sags: boolean
}

/** @param peak on at once, and with the largest start, W at the inverter's output */
export function bankLink(
  { bank, inverter }: Pick<Design, 'bank' | 'inverter'>,
  peak: { continuousW: number; surgeW: number },
): BankLink {
  const { fullLoadEfficiency, lowCutV } = inverter.part
  const link = weakestLink({
    inParallel: stringsAtLimit(bank),
    maxDischargeA: bank.part.maxDischargeA,
    surgeA: bank.part.surgeA,
    watts: peak.continuousW,
    startWatts: peak.surgeW,
    lowV: lowCutV,
    efficiency: fullLoadEfficiency,
  })
  const openV = restedBankV(bank, Math.max(LOW_CHARGE, bank.cutoffStateOfCharge))
  const saggedV = sag(openV, bankOhm(bank), peak.continuousW / fullLoadEfficiency).volts
  return { ...link, saggedV, sags: saggedV === null || saggedV < lowCutV }
}
