import type { MonthlyClimate } from '../document/types.ts'
import { normalCumulative, Random } from '../math/random.ts'
import { DAYS, HOURS, MONTH_OF_DAY } from '../calendar/calendar.ts'
import type { SunYear } from '../sun/geometry.ts'
import { clearnessQuantile } from './clearness.ts'
import { monthSkies, smoothDaily, type MonthSky } from './climate.ts'
import { winterWeights } from './interannual.ts'
import { seasonOfMonths } from './season.ts'
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
  /** how much the sun of the dark months differs between years, %; null for the usual of their brightness */
  interannualPct: number | null
  /** coldest that was ever measured; null where it is not known */
  recordLowC: number | null
}

const PERSISTENCE_OF_TEMPERATURE = 0.7
/** Course of the air's temperature through a day, warmest at 15 h. */
const DAILY_WAVE = Float64Array.from({ length: 24 }, (_, hour) => Math.cos((2 * Math.PI * (hour + 0.5 - 15)) / 24))
/** No hour passes this share of the extraterrestrial energy. */
export const HOURLY_CAP = 0.92

/**
 * Makes synthetic years of hours from twelve monthly rows. Years come in mirrored pairs (an odd year takes the negated
 * deviates of the even one before it), which keeps every year's own statistics and brings the mean of a few years
 * close to the monthly figures (antithetic variates, Hammersley & Morton 1956).
 *
 * Daily clearness: Bendt et al. (1981); its sequence: Graham, Hollands & Huget (1988), Gaussian AR(1).
 * Hours: Collares-Pereira & Rabl (1979) profile with seeded cloud noise, the day's energy preserved.
 * Between years: a deviate of each winter in the same series, so that monthly means and lag-1 stay as they are.
 * Temperature: monthly mean, AR(1) anomaly tied to clearness, daily swing widened by clear skies; spread so that a clear
 * night comes near the record low once in twenty years.
 * Wind: daily Rayleigh about the mean. Snow: on dull freezing days until the year's share of the month's fall is met.
 */
export class WeatherMaker implements YearSource {
  private readonly skies: MonthSky[]
  private readonly meanC: Float64Array
  private readonly swingC: Float64Array
  private readonly spreadC: Float64Array
  /** by month: how heavily the winter's own deviate weighs, and what is left of the days' persistence */
  private readonly winter: Float64Array
  private readonly lag: number[]
  /** hours of the year with sun above the atmosphere, the most each may get, and where those of each day begin */
  private readonly litHours: Uint16Array
  private readonly litCaps: Float64Array
  private readonly litFrom = new Uint16Array(DAYS + 1)
  private readonly weights = new Float64Array(24)

  constructor(
    private readonly source: ClimateSource,
    private readonly sun: SunYear,
    private readonly startDay: number,
  ) {
    this.litHours = new Uint16Array(HOURS)
    this.litCaps = new Float64Array(HOURS)
    let count = 0
    for (let hour = 0; hour < HOURS; hour++) {
      if (sun.extraWhM2[hour] > 0) {
        this.litHours[count] = hour
        this.litCaps[count++] = HOURLY_CAP * sun.extraWhM2[hour]
      }
      if (hour % 24 === 23) this.litFrom[(hour + 1) / 24] = count
    }
    this.skies = monthSkies(sun, source.monthly)
    this.meanC = smoothDaily(source.monthly.map((month) => month.meanC))
    this.swingC = smoothDaily(source.monthly.map((month) => month.maxC - month.minC))
    this.spreadC = smoothDaily(dailySpreadC(source))
    const { months } = seasonOfMonths(source.latitudeDeg, source.monthly)
    const { monthly, persistence, interannualPct } = source
    this.winter = winterWeights(sun, monthly, this.skies, persistence, months, interannualPct)
    this.lag = persistence.map((lag, month) => {
      const square = this.winter[month] ** 2
      return Math.max(0, (lag - square) / (1 - square))
    })
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
    const winter = random.gaussian()
    let x = random.gaussian()
    let anomaly = random.gaussian()
    for (let i = 0; i < DAYS; i++) {
      const day = (this.startDay + i) % DAYS
      const month = MONTH_OF_DAY[day]
      const lag = this.lag[month]
      const weight = this.winter[month]
      const shock = random.gaussian()
      x = i === 0 ? x : lag * x + Math.sqrt(1 - lag * lag) * shock
      const z = Math.sqrt(1 - weight * weight) * x + weight * winter
      anomaly = this.nextAnomaly(anomaly, day, shock, random.gaussian())
      year.gaussian[i] = mirror * z
      clearness[i] = this.fillSun(year, i, day, mirror * z, random)
      this.fillAir(year, i, day, mirror * anomaly, mirror * z, random)
    }
    letSnowFall(year, clearness, this.source.monthly, random, mirror)
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
    const { litHours, weights } = this
    const { profile, dailyExtraWhM2 } = this.sun
    const spread = cloudSpread(clearness)
    const from = this.litFrom[day]
    const to = this.litFrom[day + 1]
    let noise = random.gaussian()
    let sum = 0
    for (let lit = from; lit < to; lit++) {
      noise = 0.6 * noise + 0.8 * random.gaussian()
      const weight = Math.fround(profile[litHours[lit]] * Math.exp(spread * noise))
      weights[lit - from] = weight
      sum += weight
    }
    if (sum > 0) this.share(year.ghiWM2, (i - day) * 24, from, to, clearness * dailyExtraWhM2[day], sum)
    return clearness
  }

  /**
   * Scales the day's weights to its energy, holding every hour below the cap and spreading what is cut off.
   * @param shift from an hour of the calendar year to the same of the run's
   * @param from and to: the day's lit hours
   */
  private share(ghi: Float32Array, shift: number, from: number, to: number, energy: number, sum: number): void {
    const { litHours, litCaps, weights } = this
    let scale = energy / sum
    for (let round = 0; round < 6; round++) {
      let capped = 0
      let free = 0
      for (let lit = from; lit < to; lit++) {
        const weight = weights[lit - from]
        if (weight * scale > litCaps[lit]) capped += litCaps[lit]
        else free += weight
      }
      if (capped === 0 || free === 0) break
      scale = (energy - capped) / free
    }
    let total = 0
    for (let lit = from; lit < to; lit++) {
      const weight = weights[lit - from] * scale
      const held = Math.fround(weight < litCaps[lit] ? weight : litCaps[lit])
      weights[lit - from] = held
      total += held
    }
    if (total <= 0) return
    const last = energy / total
    for (let lit = from; lit < to; lit++) ghi[shift + litHours[lit]] = weights[lit - from] * last
  }

  private fillAir(year: WeatherYear, i: number, day: number, anomaly: number, z: number, random: Random): void {
    const swing = this.swingC[day]
    const mean = this.meanC[day] + this.spreadC[day] * anomaly
    const { recordLowC } = this.source
    const half = (swing / 2) * (0.5 + normalCumulative(z))
    const wind = this.source.windMS * 1.128379 * Math.sqrt(-Math.log(1 - random.uniform()))
    const least = recordLowC ?? -Infinity
    const { airC } = year
    const first = i * 24
    for (let hour = 0; hour < 24; hour++) {
      const air = mean + half * DAILY_WAVE[hour]
      airC[first + hour] = air > least ? air : least
    }
    year.windMS.fill(wind, first, first + 24)
  }
}

/** A clear night that comes once in twenty years lies so far below the mean of its days, in spreads of them. */
const ONCE_IN_TWENTY = 3.1
/** It stays so far above the record, K, which is older than that. */
const ABOVE_RECORD_K = 2
/** A clear night widens the swing by so much. */
const CLEAR_SWING = 1.4
/** Where no record is known: spread of the days over the yearly range of the monthly means. */
const SPREAD_OF_RANGE = 0.25
const SPREAD_K = { least: 1.5, most: 10, summerMost: 4.5 }

/** Spread of daily means about the month's, K, by month: widest in the coldest, as the record low has it. */
function dailySpreadC({ monthly, recordLowC }: ClimateSource): number[] {
  const means = monthly.map(({ meanC }) => meanC)
  const coldest = Math.min(...means)
  const range = Math.max(...means) - coldest
  const { maxC, minC } = monthly[means.indexOf(coldest)]
  const night = coldest - ((maxC - minC) / 2) * CLEAR_SWING
  const wanted = recordLowC === null ? SPREAD_OF_RANGE * range : (night - recordLowC - ABOVE_RECORD_K) / ONCE_IN_TWENTY
  const winter = Math.min(SPREAD_K.most, Math.max(SPREAD_K.least, wanted))
  return monthly.map((month) => {
    const summer = Math.min(winter, SPREAD_K.summerMost, Math.max(SPREAD_K.least, 0.3 * (month.maxC - month.minC)))
    const cold = range > 0 ? (Math.max(...means) - month.meanC) / range : 0
    return summer + (winter - summer) * cold * cold
  })
}

/** Spread of the logarithm of the hourly cloud noise on a day of this clearness: broken skies vary most. */
export function cloudSpread(clearness: number): number {
  return 0.55 * Math.exp(-(((clearness - 0.4) / 0.28) ** 2))
}
