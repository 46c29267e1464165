import type { Bank, Chemistry } from '../document/types.ts'
import { clamp } from '../math/angles.ts'
import { coldFactor } from './chemistry.ts'
import { bankOhm, bankRatedAh } from './layout.ts'
import { restedBankV } from './voltage.ts'

/**
 * State of charge at which a bank lets go, 0…1 of C20: the cut-out when warm, higher the colder it is. Below nought no
 * bank goes.
 *
 * @param batteryC temperature of the cells, °C
 * @param cutoff state of charge at which the warm bank lets go, 0…1
 * @throws RangeError for a cut-out outside 0…1
 * Source: floor = 1 − cold capacity factor × (1 − cut-out); factors as {@link coldFactor}.
 * @example floorStateOfCharge('flooded', -1.1, 0.2) → 0.4286
 */
export function floorStateOfCharge(chemistry: Chemistry, batteryC: number, cutoff: number): number {
  if (!(cutoff >= 0 && cutoff <= 1)) throw new RangeError(`cutoff ${cutoff} must lie between 0 and 1`)
  return 1 - coldFactor(chemistry, batteryC) * (1 - cutoff)
}

/**
 * Share of what a full bank gives at this temperature that is still to be had, 0…1.
 *
 * @param stateOfCharge 1 − ampere-hours below full ÷ C20, 0…1
 * @throws RangeError for a state of charge or a cut-out outside 0…1
 * Source: (charge − floor) ÷ (1 − floor).
 * @example usableShare('flooded', -1.1, 0.2, 0.7) → 0.475
 */
export function usableShare(chemistry: Chemistry, batteryC: number, cutoff: number, stateOfCharge: number): number {
  if (!(stateOfCharge >= 0 && stateOfCharge <= 1))
    throw new RangeError(`stateOfCharge ${stateOfCharge} must lie between 0 and 1`)
  const floor = floorStateOfCharge(chemistry, batteryC, cutoff)
  return floor >= 1 ? 0 : clamp((stateOfCharge - floor) / (1 - floor), 0, 1)
}

/**
 * State of charge at which the warm bank would have the same share of its use left: what cold leaves of it. It is the
 * cut-out where the cold bank lets go.
 *
 * @param coldShare of the rated capacity the bank gives at its temperature, 0…1, above 0
 */
export const warmEquivalent = (stateOfCharge: number, coldShare: number): number => 1 - (1 - stateOfCharge) / coldShare

/** In the last tenth of what is usable the voltage under load falls to the cut-out. */
const KNEE = 0.1

/**
 * Volts under a small load of the bank that is about to let go, no resistance counted: rested volts of what is usable,
 * falling over its last tenth to the inverter's low cut-out, which is what makes it let go.
 *
 * @param equivalent state of charge of {@link warmEquivalent}; below the cut-out it stays there
 * Source: polarisation after what is usable, the acid after the charge (see docs/method.md).
 * @example loadedBankV(larkspurFlooded().bank, 44, 0.2) → 44
 */
export function loadedBankV(
  bank: Pick<Bank, 'part' | 'inSeries' | 'cutoffStateOfCharge'>,
  lowCutV: number,
  equivalent: number,
): number {
  const { cutoffStateOfCharge: cutoff } = bank
  const rested = restedBankV(bank, Math.max(cutoff, equivalent))
  const fall = Math.max(0, restedBankV(bank, cutoff) - lowCutV)
  const usable = cutoff < 1 ? (equivalent - cutoff) / (1 - cutoff) : 0
  return rested - fall * clamp(1 - usable / KNEE, 0, 1)
}

/** State of charge, as {@link warmEquivalent}, from which on the volts of {@link loadedBankV} begin to fall to the cut-out. */
export const kneeOf = (cutoff: number): number => cutoff + KNEE * (1 - cutoff)

/**
 * Hours a load takes to bring a cold bank from a voltage under load to its low cut-out; 0 where the voltage is not above
 * the cut-out.
 *
 * @param batteryC temperature of the cells, °C
 * @param loadA current it gives, > 0
 * @param fromV volts under this load at which the time begins
 * @throws RangeError for a load that is not above 0
 */
export function hoursToCutOut(bank: Bank, lowCutV: number, batteryC: number, loadA: number, fromV: number): number {
  if (!(loadA > 0)) throw new RangeError(`loadA ${loadA} must be above 0`)
  const cold = coldFactor(bank.part.chemistry, batteryC)
  const drop = (loadA * bankOhm(bank)) / cold
  const { cutoffStateOfCharge: cutoff } = bank
  const chargeAt = (underLoadV: number): number => {
    // the volts rise with the charge: the stretch in which they pass the wanted ones is halved
    let [low, high] = [cutoff, 1]
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2
      if (loadedBankV(bank, lowCutV, middle) - drop > underLoadV) high = middle
      else low = middle
    }
    return low
  }
  return ((chargeAt(fromV) - chargeAt(lowCutV)) * cold * bankRatedAh(bank)) / loadA
}
