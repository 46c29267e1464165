import type { MonthlyClimate } from '../document/types.ts'
import { extraterrestrialDaily } from '../sun/extraterrestrial.ts'
import { MEAN_DAYS } from '../calendar/calendar.ts'

/**
 * A rounded illustration of a kind of climate, written for the north and shifted by six months in the south. It is a
 * starting point to be replaced by local figures and stands for no station.
 */
export interface IllustrativeClimate {
  id: string
  name: string
  says: string
  clearness: readonly number[]
  meanC: readonly number[]
  swingC: readonly number[]
  snowfallCm: readonly number[]
  persistence: readonly number[]
  windMS: number
  recordLowC: number
  recordHighC: number
}

export const ILLUSTRATIVE_CLIMATES: readonly IllustrativeClimate[] = [
  {
    id: 'cold-valley',
    name: 'Cold interior valley',
    says: 'Fog and low cloud sit for weeks from November to January; dry bright summers.',
    clearness: [0.32, 0.4, 0.47, 0.5, 0.52, 0.55, 0.63, 0.61, 0.55, 0.44, 0.31, 0.28],
    meanC: [-6, -3, 2, 7, 12, 15.5, 19.5, 19, 13.5, 6.5, 0, -5],
    swingC: [7, 9, 11, 13, 14, 15, 18, 18, 16, 12, 7, 6],
    snowfallCm: [50, 30, 18, 4, 0, 0, 0, 0, 0, 3, 25, 55],
    persistence: [0.6, 0.5, 0.35, 0.3, 0.3, 0.3, 0.3, 0.3, 0.35, 0.45, 0.6, 0.65],
    windMS: 1.8,
    recordLowC: -34,
    recordHighC: 39,
  },
  {
    id: 'maritime-coast',
    name: 'Maritime coast',
    says: 'Mild and wet, one weather system after another; grey spells last at any season.',
    clearness: [0.27, 0.33, 0.38, 0.42, 0.44, 0.42, 0.39, 0.39, 0.37, 0.33, 0.28, 0.24],
    meanC: [5, 5, 6, 8, 10.5, 12.5, 14, 14, 12.5, 10, 7, 5.5],
    swingC: [4, 4.5, 5, 6, 6.5, 6, 5.5, 5.5, 5.5, 5, 4.5, 4],
    snowfallCm: [4, 4, 2, 0, 0, 0, 0, 0, 0, 0, 1, 3],
    persistence: [0.6, 0.55, 0.5, 0.45, 0.45, 0.45, 0.5, 0.5, 0.5, 0.55, 0.6, 0.6],
    windMS: 6,
    recordLowC: -9,
    recordHighC: 28,
  },
  {
    id: 'high-plateau',
    name: 'High dry plateau',
    says: 'Bright cold winters and wide swings between day and night; summer afternoons cloud over.',
    clearness: [0.58, 0.6, 0.62, 0.64, 0.65, 0.68, 0.64, 0.63, 0.66, 0.65, 0.6, 0.57],
    meanC: [-2, 1, 5, 9, 14, 20, 23, 22, 17.5, 11, 4, -1],
    swingC: [15, 15, 16, 17, 18, 18, 17, 16, 16, 16, 15, 14],
    snowfallCm: [20, 15, 12, 4, 0, 0, 0, 0, 0, 2, 10, 18],
    persistence: [0.3, 0.3, 0.3, 0.25, 0.25, 0.2, 0.2, 0.2, 0.25, 0.3, 0.3, 0.3],
    windMS: 3,
    recordLowC: -29,
    recordHighC: 40,
  },
  {
    id: 'open-plains',
    name: 'Open plains',
    says: 'Hard clear cold between storms, wind most days; changeable rather than gloomy.',
    clearness: [0.48, 0.52, 0.53, 0.52, 0.53, 0.56, 0.59, 0.57, 0.53, 0.49, 0.44, 0.44],
    meanC: [-13, -10, -3, 5.5, 12.5, 17.5, 20.5, 19.5, 13.5, 6, -3, -10],
    swingC: [10, 10, 10, 12, 13, 13, 13, 13, 13, 12, 9, 9],
    snowfallCm: [22, 18, 20, 10, 1, 0, 0, 0, 0, 5, 18, 22],
    persistence: [0.3, 0.3, 0.3, 0.3, 0.29, 0.25, 0.2, 0.2, 0.25, 0.3, 0.35, 0.35],
    windMS: 4.8,
    recordLowC: -42,
    recordHighC: 41,
  },
  {
    id: 'northern-forest',
    name: 'Northern forest',
    says: 'Five or six hours of low sun at midwinter, deep lasting snow, long light summers.',
    clearness: [0.3, 0.39, 0.48, 0.52, 0.51, 0.5, 0.48, 0.45, 0.4, 0.34, 0.3, 0.27],
    meanC: [-22, -18, -9, 0, 8, 14, 16, 13.5, 7.5, -1, -13, -20],
    swingC: [9, 11, 13, 12, 12, 12, 11, 11, 10, 7, 7, 8],
    snowfallCm: [28, 22, 18, 12, 2, 0, 0, 0, 2, 20, 32, 30],
    persistence: [0.5, 0.45, 0.4, 0.35, 0.3, 0.3, 0.3, 0.3, 0.35, 0.45, 0.5, 0.5],
    windMS: 2.2,
    recordLowC: -51,
    recordHighC: 34,
  },
  {
    id: 'winter-rain',
    name: 'Mild winter-rain country',
    says: 'Green wet winters with bright breaks, dry settled summers, frost but little snow.',
    clearness: [0.44, 0.47, 0.51, 0.55, 0.58, 0.62, 0.65, 0.63, 0.6, 0.54, 0.46, 0.42],
    meanC: [8.5, 9.5, 11, 13, 16, 19.5, 22, 22, 20.5, 17, 12.5, 9],
    swingC: [9, 9.5, 10, 11, 12, 13, 14, 14, 13, 11, 9.5, 9],
    snowfallCm: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
    persistence: [0.4, 0.4, 0.35, 0.3, 0.25, 0.25, 0.25, 0.25, 0.25, 0.3, 0.4, 0.4],
    windMS: 2.8,
    recordLowC: -8,
    recordHighC: 42,
  },
  {
    id: 'hot-desert',
    name: 'Hot desert',
    says: 'Sun nearly every day, dust in it; scorching summers, clear nights that can freeze in winter.',
    clearness: [0.62, 0.63, 0.64, 0.65, 0.67, 0.7, 0.68, 0.68, 0.69, 0.67, 0.64, 0.61],
    meanC: [11.5, 14, 18, 23, 28, 32.5, 34.5, 34, 30.5, 24.5, 17, 12],
    swingC: [14, 15, 16, 16, 16, 16, 15, 15, 15, 15, 15, 14],
    snowfallCm: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
    persistence: [0.25, 0.25, 0.25, 0.2, 0.2, 0.15, 0.2, 0.2, 0.15, 0.2, 0.2, 0.25],
    windMS: 3.4,
    recordLowC: -6,
    recordHighC: 49,
  },
  {
    id: 'savanna',
    name: 'Savanna',
    says: 'Half the year dry and bright, half of it afternoon storms; warm all year, no frost worth the name.',
    clearness: [0.64, 0.65, 0.63, 0.59, 0.55, 0.51, 0.48, 0.47, 0.51, 0.57, 0.62, 0.64],
    meanC: [23.5, 25.5, 28, 29, 28, 26.5, 25.5, 25, 25.5, 26, 25, 23.5],
    swingC: [15, 15, 14, 13, 11, 10, 9, 9, 10, 12, 15, 15],
    snowfallCm: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
    persistence: [0.2, 0.2, 0.2, 0.25, 0.3, 0.3, 0.35, 0.35, 0.3, 0.25, 0.2, 0.2],
    windMS: 2.4,
    recordLowC: 5,
    recordHighC: 43,
  },
  {
    id: 'monsoon',
    name: 'Monsoon country',
    says: 'The dark season is the rain: weeks of thick cloud from June to September, bright dry months around it.',
    clearness: [0.58, 0.61, 0.61, 0.6, 0.57, 0.44, 0.35, 0.34, 0.42, 0.54, 0.58, 0.57],
    meanC: [18, 21, 26, 30.5, 32, 30.5, 28, 27.5, 27.5, 26, 22, 18.5],
    swingC: [13, 14, 15, 15, 13, 9, 6, 6, 7, 10, 13, 13],
    snowfallCm: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
    persistence: [0.3, 0.25, 0.2, 0.2, 0.3, 0.5, 0.55, 0.55, 0.5, 0.35, 0.25, 0.3],
    windMS: 2.2,
    recordLowC: 2,
    recordHighC: 46,
  },
  {
    id: 'equatorial',
    name: 'Equatorial forest',
    says: 'Every month alike: warm, damp, bright mornings and clouded afternoons, hardly any wind.',
    clearness: [0.44, 0.45, 0.45, 0.45, 0.45, 0.46, 0.47, 0.47, 0.47, 0.45, 0.43, 0.43],
    meanC: [26, 26, 26.5, 26.5, 26.5, 26, 25.5, 26, 26, 26.5, 26, 26],
    swingC: [8, 8, 8.5, 8.5, 8, 8.5, 8.5, 9, 9, 8.5, 8, 8],
    snowfallCm: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
    persistence: [0.3, 0.3, 0.3, 0.3, 0.3, 0.25, 0.25, 0.25, 0.25, 0.3, 0.3, 0.3],
    windMS: 1.2,
    recordLowC: 16,
    recordHighC: 38,
  },
]

/**
 * The twelve rows of an illustrative climate at a latitude: its clearness times the sun that stands above the place.
 *
 * @param id one of {@link ILLUSTRATIVE_CLIMATES}
 * @throws RangeError for an unknown id, naming the known ones
 */
export function climateAt(
  id: string,
  latitudeDeg: number,
): {
  monthly: MonthlyClimate[]
  persistence: number[]
  windMS: number
  recordLowC: number
  recordHighC: number
} {
  const climate = ILLUSTRATIVE_CLIMATES.find((candidate) => candidate.id === id)
  if (!climate)
    throw new RangeError(
      `climate ${JSON.stringify(id)} is not one of ${ILLUSTRATIVE_CLIMATES.map((known) => known.id).join(', ')}`,
    )
  const season = (month: number) => (latitudeDeg >= 0 ? month : (month + 6) % 12)
  const monthly = MEAN_DAYS.map((day, month) => {
    const from = season(month)
    return {
      ghiKWhM2Day: round(climate.clearness[from] * extraterrestrialDaily(latitudeDeg, day), 2),
      meanC: climate.meanC[from],
      minC: round(climate.meanC[from] - climate.swingC[from] / 2, 1),
      maxC: round(climate.meanC[from] + climate.swingC[from] / 2, 1),
      snowfallCm: climate.snowfallCm[from],
    }
  })
  return {
    monthly,
    persistence: MEAN_DAYS.map((_, month) => climate.persistence[season(month)]),
    windMS: climate.windMS,
    recordLowC: climate.recordLowC,
    recordHighC: climate.recordHighC,
  }
}

function round(value: number, decimals: number): number {
  return Math.round(value * 10 ** decimals) / 10 ** decimals
}
