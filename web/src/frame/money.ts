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
