import { bankNominalV } from '../bank/layout.ts'
import type { Design } from '../document/types.ts'
import { climateOf } from '../weather/ruling.ts'
import { realWatts, WILLANS } from './power.ts'
import { takenShare } from './taken.ts'

/** What a backup can give, whatever kind it is. */
export interface BackupPower {
  /** AC power that is planned on, W; 0 for a vehicle, which gives direct current */
  acW: number
  /** de-rated power before the planned share, W */
  realW: number
  /** charging current into the bank at most, A */
  chargeA: number
  /** what that draws on the AC side, W; 0 for a vehicle */
  chargerAcW: number
  chargerEfficiency: number
  /** carries the house as well while it runs */
  passesHouse: boolean
  /** fuel at no load, L/h, and per Wh given */
  idleLPerH: number
  litresPerWh: number
}

/** Warmest month's mean: the air a set is de-rated by through the year, on the safe side. */
const warmestC = ({ place }: Pick<Design, 'place'>) => Math.max(...climateOf(place).monthly.map((month) => month.meanC))

/** De-rated power of the set, or of the winding the inverter takes, W. One that it does not take at all keeps its own. */
const setWatts = (design: Design): number =>
  realWatts(design.generator.part, design.place.elevationM, warmestC(design)) * (takenShare(design) || 1)

/** Real power of the generator, the cord or the vehicle of a design, and of the charger between it and the bank. */
export function backupPower(design: Design): BackupPower {
  const { generator, inverter, bank } = design
  const { kind, part } = generator
  const volts = bankNominalV(bank)
  const limitA = generator.chargeLimitA ?? Infinity
  if (kind === 'vehicle')
    return {
      acW: 0,
      realW: generator.vehicleA * volts,
      chargeA: Math.min(generator.vehicleA, limitA),
      chargerAcW: 0,
      chargerEfficiency: 1,
      passesHouse: false,
      idleLPerH: generator.vehicleLPerH,
      litresPerWh: 0,
    }
  const own = generator.charger === 'separate'
  const chargerA = own ? generator.separateChargerA : inverter.part.chargerA * inverter.quantity
  const chargerEfficiency = own ? generator.separateChargerEfficiency : inverter.part.chargerEfficiency
  const chargeA = Math.min(chargerA, limitA)
  const realW = kind === 'shore' ? generator.cordA * generator.cordV : setWatts(design)
  const { idle, slope } = WILLANS[part.fuel]
  return {
    acW: kind === 'shore' ? realW : realW * generator.loadShareLimit,
    realW,
    chargeA,
    chargerAcW: (chargeA * volts) / chargerEfficiency,
    chargerEfficiency,
    passesHouse: !own,
    idleLPerH: kind === 'shore' ? 0 : (idle * part.ratedW) / 1000,
    litresPerWh: kind === 'shore' ? 0 : slope / 1000,
  }
}

/** Share of its real power that a set is asked for at its most economical. Source: 50–75 % is the economical load. */
export const ECONOMICAL_LOAD = 0.7

/**
 * Charging current that brings the backup to seventy per cent of its real power while it charges, the house not counted.
 * @returns A, no more than the charger has
 */
export function economicalChargeA(design: Design): number {
  const { realW, chargeA, chargerEfficiency } = backupPower({
    ...design,
    generator: { ...design.generator, chargeLimitA: null },
  })
  return Math.min(chargeA, (realW * ECONOMICAL_LOAD * chargerEfficiency) / bankNominalV(design.bank))
}

/** Most amps that what charges the bank may be set to, so that it draws of a set what is planned, or of a cord all, A. */
export function mostChargerA(design: Design): number {
  const { acW, chargerEfficiency } = backupPower(design)
  return (acW * chargerEfficiency) / bankNominalV(design.bank)
}
