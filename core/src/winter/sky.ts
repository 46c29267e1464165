import type { Pieces } from '../math/pieces.ts'
import { surfaceOf } from '../plane/surface.ts'
import type { ArrayField, Design, HorizonPoint, WeatherSource } from '../document/types.ts'
import type { SunLeft, SunQuestion, WinterEngine } from './engine.ts'
import { figuresAt, figuresOf, type YearFigures } from './figures.ts'
import { derive } from '../derive/derive.ts'
import { sunOfMonths } from '../plane/sunOfMonths.ts'
import { seasonOf } from '../weather/season.ts'
import { bestTilt, latitudeRules, monthlyPlane, type BestTilt } from '../plane/monthly.ts'
import { climateAt } from '../weather/climates.ts'
import { contrastingWinters, type WinterSample } from '../weather/contrast.ts'
import { dailySums, darkSpells, type DarkSpells } from '../plane/darkSpells.ts'
import { climateOf, yearsOfRun } from '../weather/ruling.ts'

/** Days with less sun than this on the array count as dark, kWh/m². */
export const DARK_DAY_KWHM2 = 1

/** What many years of weather say about the sun on the first array. */
export interface SkyReport {
  years: number
  left: SunLeft
  spells: DarkSpells
  winters: WinterSample[]
}

/** What of a design its sky rests on. */
export type SkyQuestion = SunQuestion & Pick<Design, 'arrays' | 'winter'>

/** @returns null where the design has no array to look at */
export function* skyReport(engine: WinterEngine, design: SkyQuestion, count: number): Pieces<SkyReport | null> {
  const [array] = design.arrays
  if (!array) return null
  const { seed } = design.winter
  const { months, startDay } = seasonOf(design.place)
  const years = yearsOfRun(design.place, count)
  const days = yield* dailySumsOf(engine, design, array, seed, years)
  return {
    years,
    left: yield* engine.sunLeft(design, array, seed, Math.min(10, years)),
    spells: darkSpells(days, DARK_DAY_KWHM2),
    winters: contrastingWinters(days, startDay, months),
  }
}

/** Sun on an array by day of each of the first years, kWh/m². */
function* dailySumsOf(
  engine: WinterEngine,
  design: SunQuestion,
  array: ArrayField,
  seed: number,
  years: number,
): Pieces<Float64Array[]> {
  const days: Float64Array[] = []
  for (let index = 0; index < years; index++) {
    days.push(dailySums(engine.planeOf(design, array, seed, index)))
    yield
  }
  return days
}

/**
 * Share of each month's sun on the first array (the level where there is none) that a horizon takes.
 * @param horizon any profile, such as one that is being dragged
 * @returns twelve shares 0…1; 0 in a month without sun
 */
export function sunLostTo(design: Design, horizon: readonly HorizonPoint[]): number[] {
  const { place, schools, arrays } = design
  const surface = surfaceOf(place, arrays[0] ?? { tiltDeg: 0, azimuthDeg: 180 }, schools.skyModel)
  const sun = sunOfMonths(place)
  const { monthly } = climateOf(place)
  const open = monthlyPlane(sun, monthly, { ...surface, horizon: [] })
  const left = monthlyPlane(sun, monthly, { ...surface, horizon })
  return open.map((whole, month) => (whole > 0 ? 1 - left[month] / whole : 0))
}

/** A tilt with what it collects in the chosen months. */
export interface TiltChoice extends BestTilt {
  says: string
}

/**
 * The best tilt for some months beside the latitude rules and what the first array has now.
 * @param months 0…11, at least one
 */
export function tiltChoices(design: SunQuestion & Pick<Design, 'arrays'>, months: readonly number[]): TiltChoice[] {
  const { place, schools, arrays } = design
  const sun = sunOfMonths(place)
  const { monthly } = climateOf(place)
  const surface = surfaceOf(place, { tiltDeg: 0, azimuthDeg: 0 }, schools.skyModel)
  const toEquator = place.latitudeDeg >= 0 ? 180 : 0
  const rules = latitudeRules(place.latitudeDeg)
  const collects = (says: string, tiltDeg: number, azimuthDeg: number): TiltChoice => {
    const hours = monthlyPlane(sun, monthly, { ...surface, tiltDeg, azimuthDeg })
    const energyKWhM2Day = months.reduce((sum, month) => sum + hours[month], 0) / months.length
    return { says, tiltDeg, azimuthDeg, energyKWhM2Day }
  }
  return [
    { says: 'best by search', ...bestTilt(place, monthly, months, surface, sun) },
    collects('latitude + 15°', Math.round(rules.winterDeg), toEquator),
    collects('latitude', Math.round(rules.yearDeg), toEquator),
    ...arrays.slice(0, 1).map((array) => collects(`${array.name}, as it stands`, array.tiltDeg, array.azimuthDeg)),
  ]
}

/** What one source of weather makes of a design. */
export interface SourceFigures {
  id: WeatherSource | 'climate'
  name: string
  years: number
  worstMonth: number
  worstSunHours: number
  yearSunHours: number
  coldestMeanC: number
  /** mean over the four darkest months */
  persistence: number
  levelKWhM2Day: number[]
  longestSpellOneInTen: number
  median: YearFigures
  oneInTen: YearFigures
}

/**
 * The weather sources a design could be set to, run over the same number of years.
 * @param climate id of an illustrative climate to set beside them, or null
 */
export function* compareSources(
  engine: WinterEngine,
  design: Design,
  count: number,
  climate: string | null,
): Pieces<SourceFigures[]> {
  const { place } = design
  const set = (id: SourceFigures['id'], name: string, change: Partial<Design['place']>) => ({
    id,
    name,
    design: { ...design, place: { ...place, ...change } },
  })
  const sources = [
    set('monthly', 'Monthly rows', { source: 'monthly' }),
    ...(place.hours
      ? [
          set('fitted', `Made from ${place.hours.name}`, { source: 'fitted' }),
          set('hours', `${place.hours.name} as it was`, { source: 'hours' }),
        ]
      : []),
    ...(climate
      ? [set('climate', 'Illustration', { source: 'monthly', climate, ...climateAt(climate, place.latitudeDeg) })]
      : []),
  ]
  const figures: SourceFigures[] = []
  for (const { id, name, design: each } of sources) figures.push(yield* figuresOfSource(engine, each, count, id, name))
  return figures
}

function* figuresOfSource(
  engine: WinterEngine,
  design: Design,
  count: number,
  id: SourceFigures['id'],
  name: string,
): Pieces<SourceFigures> {
  const { seed } = design.winter
  const results = yield* engine.years(design, { years: count, seed })
  const { sunHours, worstMonth, worked } = derive(design)
  const { monthly, persistence } = climateOf(design.place)
  const dark = seasonOf(design.place).months.slice(1, 5)
  const [array] = design.arrays
  const spells = array
    ? darkSpells(yield* dailySumsOf(engine, design, array, seed, results.length), DARK_DAY_KWHM2)
    : null
  const figures = results.map((year) => figuresOf(year))
  return {
    id,
    name,
    years: results.length,
    worstMonth,
    worstSunHours: sunHours[worstMonth],
    yearSunHours: worked['place.annual-sun'].value,
    coldestMeanC: Math.min(...monthly.map((month) => month.meanC)),
    persistence: dark.reduce((sum, month) => sum + persistence[month], 0) / dark.length,
    levelKWhM2Day: monthly.map((month) => month.ghiKWhM2Day),
    longestSpellOneInTen: spells?.longestByReturnPeriod[10] ?? 0,
    median: figuresAt(figures, 0.5),
    oneInTen: figuresAt(figures, 0.9),
  }
}
