import type { Design, Fuel, GeneratorPart } from '../document/types.ts'

const FUEL_FACTOR: Record<Fuel, number> = { petrol: 1, propane: 0.9, 'natural-gas': 0.85, diesel: 1 }

/**
 * Power a generator really gives at a place, W: −3.5 % per 300 m over 150 m, −1 % per 5.5 °C over 25 °C,
 * propane −10 %, natural gas −15 % of the petrol rating.
 *
 * @param ratedW petrol rating at sea level and 25 °C, > 0
 * @throws RangeError for a rating that is not above 0
 * Source: makers' usual de-rating rules.
 * @example derate(7000, 1650, 25, 'propane') → 5197.5
 */
export function derate(ratedW: number, elevationM: number, airC: number, fuel: Fuel): number {
  if (!(ratedW > 0)) throw new RangeError(`ratedW ${ratedW} must be above 0`)
  const thin = 1 - (0.035 * Math.max(0, elevationM - 150)) / 300
  const hot = 1 - (0.01 * Math.max(0, airC - 25)) / 5.5
  return Math.max(0, ratedW * thin * hot * FUEL_FACTOR[fuel])
}

/** Power a set of a design really gives at a place, W; one rated on its own fuel is not reduced for it again. */
export const realWatts = (
  { ratedW, ratedOn, fuel }: Pick<GeneratorPart, 'ratedW' | 'ratedOn' | 'fuel'>,
  elevationM: number,
  airC: number,
): number => derate(ratedW, elevationM, airC, ratedOn === 'own' ? 'petrol' : fuel)

/** Litres an hour at no load per rated kW, and per kW delivered. Source: straight Willans lines of small sets. */
export const WILLANS: Record<Fuel, { idle: number; slope: number }> = {
  petrol: { idle: 0.12, slope: 0.3 },
  propane: { idle: 0.16, slope: 0.4 },
  'natural-gas': { idle: 0.16, slope: 0.4 },
  diesel: { idle: 0.07, slope: 0.25 },
}

/**
 * Fuel burnt, L (natural gas as litres of petrol-equivalent propane): (f0·rated kW + f1·kW out) × hours.
 * @param watts mean output while it runs, ≥ 0
 */
export function fuelLitres(ratedW: number, watts: number, hours: number, fuel: Fuel): number {
  const { idle, slope } = WILLANS[fuel]
  return ((idle * ratedW + slope * watts) / 1000) * hours
}

/** What a vehicle gives the bank for an hour's fuel is reckoned at the volts of a 12 V system. */
const VEHICLE_V = 13.5

/** Money for the fuel of one more kilowatt-hour of a running generator, or of a vehicle that charges. */
export function backupFuelPerKWh({
  kind,
  part,
  fuelPricePerL,
  vehicleA,
  vehicleLPerH,
}: Pick<Design['generator'], 'kind' | 'part' | 'fuelPricePerL' | 'vehicleA' | 'vehicleLPerH'>): number {
  const litres = kind === 'vehicle' ? (vehicleLPerH * 1000) / (vehicleA * VEHICLE_V) : WILLANS[part.fuel].slope
  return litres * fuelPricePerL
}

/** What a year of running asks for: money for fuel, for energy from shore or grid, and oil changes. */
export function runningCost(
  year: { fuelL: number; generatorHours: number; generatorWh: number; gridWh: number },
  { generator, grid }: Pick<Design, 'generator' | 'grid'>,
): { money: number; oilChanges: number } {
  const { kind, fuelPricePerL, pricePerKWh, oilEveryH } = generator
  const gridMoney = (year.gridWh / 1000) * grid.pricePerKWh
  if (kind === 'shore') return { money: gridMoney + (year.generatorWh / 1000) * pricePerKWh, oilChanges: 0 }
  return {
    money: gridMoney + year.fuelL * fuelPricePerL,
    oilChanges: kind === 'generator' ? Math.ceil(year.generatorHours / oilEveryH) : 0,
  }
}

/** Where a start by voltage begins before somebody has set it: 12 V per 12 V of bank. */
export const startVoltsFor = (systemV: number): number => systemV
