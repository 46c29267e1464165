import { decimal, quantity } from './format.ts'

export const volts = (value: number): string => quantity(value, 'V')
export const amps = (value: number): string => quantity(value, 'A')
export const watts = (value: number): string => quantity(value, 'W')
export const celsius = (value: number): string => `${decimal(value, 0)} °C`
export const percent = (share: number): string => `${decimal(share * 100, 0)} %`
