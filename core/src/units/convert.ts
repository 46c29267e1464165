/** Exact factors between the stored SI-ish units and the ones a reader may prefer. Conversion happens only at the edge. */
export const METRES_PER_FOOT = 0.3048
export const LITRES_PER_US_GALLON = 3.785411784
export const KILOGRAMS_PER_POUND = 0.45359237

/**
 * °C to °F.
 * @example celsiusToFahrenheit(-40) → -40
 */
export const celsiusToFahrenheit = (celsius: number): number => celsius * 1.8 + 32
/**
 * °F to °C.
 * @example fahrenheitToCelsius(212) → 100
 */
export const fahrenheitToCelsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8
/**
 * Metres to feet.
 * @example metresToFeet(30.48) → 100
 */
export const metresToFeet = (metres: number): number => metres / METRES_PER_FOOT
/**
 * Feet to metres, the international foot of 0.3048 m.
 * @example feetToMetres(10) → 3.048
 */
export const feetToMetres = (feet: number): number => feet * METRES_PER_FOOT
/**
 * Litres to US gallons.
 * @example litresToGallons(3.785411784) → 1
 */
export const litresToGallons = (litres: number): number => litres / LITRES_PER_US_GALLON
/**
 * US gallons to litres, 3.785411784 L each.
 * @example gallonsToLitres(5) → 18.93
 */
export const gallonsToLitres = (gallons: number): number => gallons * LITRES_PER_US_GALLON
/**
 * Kilograms to pounds, 0.45359237 kg each.
 * @example kilogramsToPounds(10) → 22.05
 */
export const kilogramsToPounds = (kilograms: number): number => kilograms / KILOGRAMS_PER_POUND
/**
 * Pounds to kilograms.
 * @example poundsToKilograms(22) → 9.979
 */
export const poundsToKilograms = (pounds: number): number => pounds * KILOGRAMS_PER_POUND
