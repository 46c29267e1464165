import { decimal } from '@ambrel/core'

/** A sum of money to the cent: `15 010.00`. */
export function cents(value: number): string {
  const [whole, part = ''] = decimal(value, 2).split('.')
  return `${whole}.${part.padEnd(2, '0')}`
}
