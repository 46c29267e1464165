import { Random } from '../../math/random.ts'
import { DAYS, HOURS } from '../../calendar/calendar.ts'
import type { SunYear } from '../../sun/geometry.ts'
import { emptyYear, HOURLY_CAP, type ClimateSource, type WeatherYear, type YearSource } from '../generate.ts'
import { letSnowFall } from '../snow.ts'
import type { HourlySeries } from './series.ts'

/**
 * Imported hours as the years of a run, each from the place's own first day of the run, moved from the clock of the
 * file to that of the place. After the last year of the file follows its first.
 * Where the file holds no snow, the month's snowfall is spread over its dullest freezing days, seeded.
 */
export class ImportedYears implements YearSource {
  private readonly offset: number

  /**
   * @param utcOffsetH clock of the place
   * @throws RangeError where the clocks differ by less than whole hours
   */
  constructor(
    private readonly series: HourlySeries,
    private readonly source: ClimateSource,
    private readonly sun: SunYear,
    private readonly startDay: number,
    utcOffsetH: number,
  ) {
    const shift = utcOffsetH - series.utcOffsetH
    if (!Number.isInteger(shift))
      throw new RangeError(
        `utcOffsetH ${utcOffsetH} must differ by whole hours from the clock of the weather file, ${series.utcOffsetH}`,
      )
    this.offset = ((startDay - series.firstDay + DAYS) % DAYS) * 24 - shift
  }

  year(seed: number, index: number): WeatherYear {
    const { series, sun } = this
    const year = emptyYear(this.startDay)
    const dhi = series.dhiWM2 ? new Float32Array(HOURS) : null
    const length = series.ghiWM2.length
    const from = (((this.offset + index * HOURS) % length) + length) % length
    for (let i = 0; i < HOURS; i++) {
      const at = (from + i) % length
      const calendar = (this.startDay * 24 + i) % HOURS
      year.ghiWM2[i] = Math.min(series.ghiWM2[at], HOURLY_CAP * sun.extraWhM2[calendar])
      year.airC[i] = series.airC[at]
      year.windMS[i] = series.windMS ? series.windMS[at] : this.source.windMS
      if (series.snowfallCm) year.snowfallCm[i] = series.snowfallCm[at]
      if (dhi) dhi[i] = Math.min(series.dhiWM2![at], year.ghiWM2[i])
    }
    year.dhiWM2 = dhi
    if (!series.snowfallCm) letSnowFall(year, this.clearness(year), this.source.monthly, new Random(seed, index))
    return year
  }

  private clearness(year: WeatherYear): Float64Array {
    return Float64Array.from({ length: DAYS }, (_, day) => {
      const sky = this.sun.dailyExtraWhM2[(this.startDay + day) % DAYS]
      let sum = 0
      for (let i = day * 24; i < day * 24 + 24; i++) sum += year.ghiWM2[i]
      return sky > 0 ? sum / sky : 0
    })
  }
}
