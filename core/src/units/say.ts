import { say, type Amount, type Words } from './words.ts'

/** A figure of any unit. @param decimals shown, where neat significant digits are not wanted */
export const amount = (value: number, unit: string, decimals?: number): Amount => ({ value, unit, decimals })
/** Voltage, V. */
export const volts = (value: number): Amount => amount(value, 'V')
/** Current, A. */
export const amps = (value: number): Amount => amount(value, 'A')
/** Power, W. */
export const watts = (value: number): Amount => amount(value, 'W')
/** A length. */
export const metres = (value: number): Amount => amount(value, 'm')
/** A difference of temperature in whole degrees. */
export const kelvin = (value: number): Amount => amount(value, 'K', 0)
/** A temperature in whole degrees. */
export const celsius = (value: number): Amount => amount(value, '°C', 0)
/** Per cent of a share of one. */
export const percent = (share: number): Amount => amount(share * 100, '%', 0)
/** A figure as it was typed, with all its digits. */
export const exact = (value: number, unit: string): Amount => ({ value, unit, exact: true })
/** So many of a thing, one of it in the singular. @param many more of it, where that is not the one and an s */
export const counted = (count: number, one: string, many = `${one}s`): Words =>
  say`${count} ${count === 1 ? one : many}`
