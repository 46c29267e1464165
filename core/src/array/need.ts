/** Months with less sun than this are left to the backup where others are not, h. */
export const LEAST_SUN_H = 1
/** Share of the sun on the modules that reaches the bank, where nothing else is chosen. Source: the hand method's system factor. */
export const SYSTEM_FACTOR = 0.8

export interface ArrayNeed {
  /** rated watts of modules */
  watts: number
  /** 0…11, the month that asks for them */
  month: number
}

/**
 * The array by the hand method: the largest of the months' need ÷ (sun hours × factor), each month with its own sun. Months
 * with next to none are left to the backup; where all are so, the brightest stands for them.
 *
 * @param dailyWh what the bank is asked for on a day of each month, Wh ≥ 0
 * @param sunHours peak sun hours of each month ≥ 0
 * @param factor share of the sun on the modules that reaches the bank, above 0
 * @param leastSunHours least sun of the months that count
 * @throws RangeError for lists that are not of twelve months, or a factor that is not above 0
 * Source: stand-alone sizing practice, IEEE 1562.
 * @example arrayNeed([9, 9, 8, 7, 6, 6, 12, 6, 6, 7, 8, 9].map((kWh) => kWh * 1000), [0.8, 2, 3, 4, 5, 5, 5, 5, 4, 3, 2,
 * 1.5]) → { watts: 7500, month: 11 }
 */
export function arrayNeed(
  dailyWh: readonly number[],
  sunHours: readonly number[],
  factor: number = SYSTEM_FACTOR,
  leastSunHours: number = LEAST_SUN_H,
): ArrayNeed {
  if (dailyWh.length !== 12 || sunHours.length !== 12) throw new RangeError('need and sun are lists of twelve months')
  if (!(factor > 0)) throw new RangeError(`factor ${factor} must be above 0`)
  const most = Math.max(...sunHours)
  const least = most >= leastSunHours ? leastSunHours : most
  let need: ArrayNeed = { watts: 0, month: sunHours.indexOf(most) }
  sunHours.forEach((hours, month) => {
    if (hours < least || hours <= 0) return
    const watts = dailyWh[month] / (hours * factor)
    if (watts > need.watts) need = { watts, month }
  })
  return need
}

/** Rated watts of modules that bring so much a day to the bank; 0 where there is no sun at all. */
export const modulesForDay = (whPerDay: number, sunHours: number, factor: number = SYSTEM_FACTOR): number =>
  sunHours > 0 ? whPerDay / (sunHours * factor) : 0

/**
 * The array by sun hours that somebody knows: of the worst month alone, which then stands for every month, or of the twelve.
 * @param known one figure or twelve, h
 */
export const knownNeed = (dailyWh: readonly number[], known: readonly number[], factor: number): ArrayNeed =>
  arrayNeed(dailyWh, known.length === 1 ? Array<number>(12).fill(known[0]) : known, factor)
