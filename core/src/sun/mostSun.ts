import { MONTH_DAYS, MONTH_START } from '../calendar/calendar.ts'
import { extraterrestrialDaily } from './extraterrestrial.ts'

/** No month is clearer than this; the clearest on record come near 0.78. */
export const MOST_CLEARNESS = 0.8
/** Rows are rounded, which counts where the sun hardly rises, kWh/m². */
const ROUNDED_KWHM2 = 0.05

/** What arrives above the atmosphere in each month, mean kWh/m² a day on the level. @throws RangeError beyond ±90° */
export const sunAbove = (latitudeDeg: number): number[] =>
  MONTH_DAYS.map((days, month) => {
    const sums = Array.from({ length: days }, (_, day) =>
      extraterrestrialDaily(latitudeDeg, MONTH_START[month] + day + 1),
    )
    return sums.reduce((sum, each) => sum + each, 0) / days
  })

/** Most that a row may say of a month where so much arrives above the atmosphere, kWh/m² a day. */
export const mostSun = (aboveKWhM2: number): number => MOST_CLEARNESS * aboveKWhM2 + ROUNDED_KWHM2
