import type { MonthlyClimate } from '../document/types.ts'
import { normalCumulative, Random } from '../math/random.ts'
import { DAYS, HOURS, MONTH_OF_DAY } from '../calendar/calendar.ts'
import type { SunYear } from '../sun/geometry.ts'
import { clearnessQuantile } from './clearness.ts'
import { monthSkies, smoothDaily, type MonthSky } from './climate.ts'
import { letSnowFall } from './snow.ts'

/** One year of hours. Hour 0 begins at local standard midnight of day `startDay` (day of year from 0). */
export interface WeatherYear {
  startDay: number
  ghiWM2: Float32Array
  airC: Float32Array
  windMS: Float32Array
  snowfallCm: Float32Array
  /** measured diffuse on the level, W/m²; null where a model splits the global */
  dhiWM2: Float32Array | null
  /** the Gaussian series behind the daily clearness, kept to check its persistence */
  gaussian: Float32Array
}

/** Whatever years come from: made from monthly rows, or imported. */
export interface YearSource {
  /** @param index which year of the sequence, from 0; the same seed and index always give the same year */
  year(seed: number, index: number): WeatherYear
}

/** A year without any weather, to be filled. */
export function emptyYear(startDay: number): WeatherYear {
  return {
    startDay,
    ghiWM2: new Float32Array(HOURS),
    airC: new Float32Array(HOURS),
    windMS: new Float32Array(HOURS),
    snowfallCm: new Float32Array(HOURS),
    dhiWM2: null,
    gaussian: new Float32Array(DAYS),
  }
}

export interface ClimateSource {
  latitudeDeg: number
  monthly: readonly MonthlyClimate[]
  /** lag-1 persistence of the daily Gaussian series, by month, 0…0.95 */
  persistence: readonly number[]
  windMS: number
  recordLowC: number
}

const PERSISTENCE_OF_TEMPERATURE = 0.7
/** No hour passes this share of the extraterrestrial energy. */
export const HOURLY_CAP = 0.92

/**
 * Makes synthetic years of hours from twelve monthly rows. Years come in mirrored pairs (an odd year takes the negated
 * deviates of the even one before it), which keeps every year's own statistics and brings the mean of a few years
 * close to the monthly figures (antithetic variates, Hammersley & Morton 1956).
 *
 * Daily clearness: Bendt et al. (1981); its sequence: Graham, Hollands & Huget (1988), Gaussian AR(1).
 * Hours: Collares-Pereira & Rabl (1979) profile with seeded cloud noise, the day's energy preserved.
 * Temperature: monthly mean, AR(1) anomaly tied to clearness, daily swing widened by clear skies.
 * Wind: daily Rayleigh about the mean. Snow: on the dullest freezing days until the month's fall is met.
 */
export class WeatherMaker implements YearSource {
  private readonly skies: MonthSky[]
  private readonly meanC: Float64Array
  private readonly swingC: Float64Array

  constructor(
    private readonly source: ClimateSource,
    private readonly sun: SunYear,
    private readonly startDay: number,
  ) {
    this.skies = monthSkies(sun, source.monthly)
    this.meanC = smoothDaily(source.monthly.map((month) => month.meanC))
    this.swingC = smoothDaily(source.monthly.map((month) => month.maxC - month.minC))
  }

  /**
   * @param seed any whole number
   * @param index which year of the endless sequence, from 0; the same seed and index always give the same year
   */
  year(seed: number, index: number): WeatherYear {
    const random = new Random(seed, index >> 1)
    const mirror = index % 2 === 0 ? 1 : -1
    const year = emptyYear(this.startDay)
    const clearness = new Float64Array(DAYS)
    let z = random.gaussian()
    let anomaly = random.gaussian()
    for (let i = 0; i < DAYS; i++) {
      const day = (this.startDay + i) % DAYS
      const persistence = this.source.persistence[MONTH_OF_DAY[day]]
      const shock = random.gaussian()
      z = i === 0 ? z : persistence * z + Math.sqrt(1 - persistence * persistence) * shock
      anomaly = this.nextAnomaly(anomaly, day, shock, random.gaussian())
      year.gaussian[i] = mirror * z
      clearness[i] = this.fillSun(year, i, day, mirror * z, random)
      this.fillAir(year, i, day, mirror * anomaly, mirror * z, random)
    }
    letSnowFall(year, clearness, this.source.monthly, random)
    return year
  }

  private nextAnomaly(last: number, day: number, clearnessShock: number, ownShock: number): number {
    const northDay = this.source.latitudeDeg >= 0 ? day : (day + 182) % DAYS
    const tie = -0.3 * Math.cos((2 * Math.PI * (northDay - 15)) / DAYS)
    const shock = tie * clearnessShock + Math.sqrt(1 - tie * tie) * ownShock
    return PERSISTENCE_OF_TEMPERATURE * last + Math.sqrt(1 - PERSISTENCE_OF_TEMPERATURE ** 2) * shock
  }

  /** Fills the hours of one day with sun; returns the day's clearness. */
  private fillSun(year: WeatherYear, i: number, day: number, z: number, random: Random): number {
    const sky = this.skies[MONTH_OF_DAY[day]]
    const clearness = sky.distribution ? clearnessQuantile(sky.distribution, normalCumulative(z)) : sky.meanClearness
    const energy = clearness * this.sun.dailyExtraWhM2[day]
    const spread = cloudSpread(clearness)
    const { ghiWM2 } = year
    let noise = random.gaussian()
    let weight = 0
    for (let hour = 0; hour < 24; hour++) {
      const at = day * 24 + hour
      if (this.sun.extraWhM2[at] <= 0) continue
      noise = 0.6 * noise + 0.8 * random.gaussian()
      ghiWM2[i * 24 + hour] = this.sun.profile[at] * Math.exp(spread * noise)
      weight += ghiWM2[i * 24 + hour]
    }
    if (weight > 0) this.share(ghiWM2, i * 24, day * 24, energy, weight)
    return clearness
  }

  /** Scales the day's weights to its energy, holding every hour below the cap and spreading what is cut off. */
  private share(ghi: Float32Array, to: number, at: number, energy: number, weight: number): void {
    let scale = energy / weight
    for (let round = 0; round < 6; round++) {
      let capped = 0
      let free = 0
      for (let hour = 0; hour < 24; hour++) {
        const cap = HOURLY_CAP * this.sun.extraWhM2[at + hour]
        if (ghi[to + hour] * scale > cap) capped += cap
        else free += ghi[to + hour]
      }
      if (capped === 0 || free === 0) break
      scale = (energy - capped) / free
    }
    let sum = 0
    for (let hour = 0; hour < 24; hour++) {
      ghi[to + hour] = Math.min(ghi[to + hour] * scale, HOURLY_CAP * this.sun.extraWhM2[at + hour])
      sum += ghi[to + hour]
    }
    if (sum > 0) for (let hour = 0; hour < 24; hour++) ghi[to + hour] *= energy / sum
  }

  private fillAir(year: WeatherYear, i: number, day: number, anomaly: number, z: number, random: Random): void {
    const swing = this.swingC[day]
    const spread = Math.min(6, Math.max(1.5, 0.45 * swing))
    const mean = this.meanC[day] + spread * anomaly
    const half = (swing / 2) * (0.5 + normalCumulative(z))
    const wind = this.source.windMS * 1.128379 * Math.sqrt(-Math.log(1 - random.uniform()))
    for (let hour = 0; hour < 24; hour++) {
      const airC = mean + half * Math.cos((2 * Math.PI * (hour + 0.5 - 15)) / 24)
      year.airC[i * 24 + hour] = Math.max(airC, this.source.recordLowC)
      year.windMS[i * 24 + hour] = wind
    }
  }
}

/** Spread of the logarithm of the hourly cloud noise on a day of this clearness: broken skies vary most. */
export function cloudSpread(clearness: number): number {
  return 0.55 * Math.exp(-(((clearness - 0.4) / 0.28) ** 2))
}
