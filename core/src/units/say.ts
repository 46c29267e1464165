import type { Amount } from './words.ts'

/** A figure of any unit. @param decimals shown, where neat significant digits are not wanted */
export const amount = (value: number, unit: string, decimals?: number): Amount => ({ value, unit, decimals })
export const volts = (value: number): Amount => amount(value, 'V')
export const amps = (value: number): Amount => amount(value, 'A')
export const watts = (value: number): Amount => amount(value, 'W')
export const metres = (value: number): Amount => amount(value, 'm')
export const kelvin = (value: number): Amount => amount(value, 'K', 0)
export const celsius = (value: number): Amount => amount(value, '°C', 0)
/** Per cent of a share of one. */
export const percent = (share: number): Amount => amount(share * 100, '%', 0)
/** A figure as it was typed, with all its digits. */
export const exact = (value: number, unit: string): Amount => ({ value, unit, exact: true })
