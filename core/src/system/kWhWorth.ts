import { backupFuelPerKWh } from '../generator/power.ts'
import type { Design } from '../document/types.ts'
import { gridIsTaken } from '../generator/taken.ts'

/**
 * What a kilowatt-hour that a wire loses costs to make otherwise, money: what somebody entered, what grid or shore ask for
 * it, or the fuel that the generator burns for it. Nothing where the sun is all there is.
 */
export function kWhWorth(design: Pick<Design, 'budget' | 'grid' | 'generator' | 'inverter'>): number {
  const { budget, grid, generator } = design
  if (budget.kWhWorth !== null) return budget.kWhWorth
  if (gridIsTaken(design)) return grid.pricePerKWh
  if (!generator.present) return 0
  return generator.kind === 'shore' ? generator.pricePerKWh : backupFuelPerKWh(generator)
}
