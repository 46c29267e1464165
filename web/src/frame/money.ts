import { decimal, type BillRow } from '@ambrel/core'
import { feetToMetres, type UnitSystem } from '@ambrel/core/units'

/** A sum of money to the cent: `15 010.00`. */
export function cents(value: number): string {
  const [whole, part = ''] = decimal(value, 2).split('.')
  return `${whole}.${part.padEnd(2, '0')}`
}

/** What the price of a line is for: a piece, or the unit of length the reader counts in, by its share of a metre. */
export function pricedBy({ unit }: Pick<BillRow, 'unit'>, units: UnitSystem): { share: number; says: string } {
  if (unit !== 'm') return { share: 1, says: '' }
  return units === 'imperial' ? { share: feetToMetres(1), says: '/ft' } : { share: 1, says: '/m' }
}

/** What a line of the bill comes to now, or why it comes to nothing. */
export function together({ status, comes, inKit, quantity, owned, unitPrice, sum }: BillRow): string {
  if (status === 'owned') return 'owned'
  if (inKit > 0 && inKit === quantity - owned) return 'in a kit'
  if (comes[0] === 0 && comes.some((count) => count > 0)) return 'later'
  return unitPrice > 0 || comes[0] === 0 ? cents(sum) : 'no price'
}
