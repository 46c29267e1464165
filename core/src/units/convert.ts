/** Exact factors between the stored SI-ish units and the ones a reader may prefer. Conversion happens only at the edge. */
export const METRES_PER_FOOT = 0.3048
export const LITRES_PER_US_GALLON = 3.785411784
export const KILOGRAMS_PER_POUND = 0.45359237

export const celsiusToFahrenheit = (celsius: number): number => celsius * 1.8 + 32
export const fahrenheitToCelsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8
export const metresToFeet = (metres: number): number => metres / METRES_PER_FOOT
export const feetToMetres = (feet: number): number => feet * METRES_PER_FOOT
export const litresToGallons = (litres: number): number => litres / LITRES_PER_US_GALLON
export const gallonsToLitres = (gallons: number): number => gallons * LITRES_PER_US_GALLON
export const kilogramsToPounds = (kilograms: number): number => kilograms / KILOGRAMS_PER_POUND
export const poundsToKilograms = (pounds: number): number => pounds * KILOGRAMS_PER_POUND
