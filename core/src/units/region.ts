import type { UnitSystem } from './format.ts'

/** Boxes of latitude and longitude around the places where feet and Fahrenheit are usual: south, north, west, east. */
const IMPERIAL_BOXES = [
  [24, 49.5, -125, -66],
  [51, 72, -170, -130],
  [18, 23, -161, -154],
] as const

/**
 * The units usual at a place, roughly: a box is no border, and whoever is asked is only offered them.
 * @example usualUnits(46.9, -114) → 'imperial'
 */
export const usualUnits = (latitudeDeg: number, longitudeDeg: number): UnitSystem =>
  IMPERIAL_BOXES.some(
    ([south, north, west, east]) =>
      latitudeDeg >= south && latitudeDeg <= north && longitudeDeg >= west && longitudeDeg <= east,
  )
    ? 'imperial'
    : 'metric'

/** What comes out of the wall at a place, roughly: 120/240 V in the Americas, 230 V elsewhere. */
export const usualService = (longitudeDeg: number): 'single-120' | 'single-230' =>
  longitudeDeg < -30 ? 'single-120' : 'single-230'
