import { DEG } from '../math/angles.ts'
import { DAYS, HOURS } from '../calendar/calendar.ts'
import {
  declinationDeg,
  equationOfTimeMin,
  extraterrestrialDaily,
  extraterrestrialOn,
  normalExtraterrestrial,
  sunsetHourAngle,
} from './extraterrestrial.ts'
import { sunPosition } from './position.ts'

/** Where the sun stands through one 365-day year at a place; hour 0 begins at local standard midnight on 1 January. */
export interface SunYear {
  /** of the place, m above the sea; only clear skies are brighter for it */
  elevationM: number
  /** extraterrestrial energy on the horizontal in each hour, Wh/m² */
  extraWhM2: Float64Array
  /** per hour: cosine of the zenith and azimuth in degrees at the middle of the hour's sunlit part; −1 when dark */
  cosZenith: Float64Array
  azimuthDeg: Float64Array
  /** per hour: the hour's share of a day's energy before clouds (sums to 1 over a day with sun) */
  profile: Float64Array
  /** per day: extraterrestrial energy on the horizontal, Wh/m² */
  dailyExtraWhM2: Float64Array
  /** per day: extraterrestrial irradiance facing the sun, W/m² */
  normalExtraWM2: Float64Array
}

export interface Location {
  latitudeDeg: number
  longitudeDeg: number
  utcOffsetH: number
  /** m above the sea; 0 where it is left out */
  elevationM?: number
}

/**
 * The sun's year at a place, computed once and cached by callers.
 *
 * Hourly extraterrestrial energy is the exact integral over the sunlit part of the hour, so that daily sums agree with
 * the daily formula; positions come from {@link sunPosition} at the middle of that part.
 * The within-day profile is Collares-Pereira & Rabl (1979): r_t / r_d = a + b·cos ω.
 *
 * @param hoursOn days of year (from 0) whose hours are wanted, all of them where it is left out; those of others are NaN,
 * and only what the whole day has is worked out
 */
export function sunYear(location: Location, hoursOn: ReadonlySet<number> | null = null): SunYear {
  const year: SunYear = {
    elevationM: location.elevationM ?? 0,
    extraWhM2: new Float64Array(HOURS),
    cosZenith: new Float64Array(HOURS).fill(-1),
    azimuthDeg: new Float64Array(HOURS),
    profile: new Float64Array(HOURS),
    dailyExtraWhM2: new Float64Array(DAYS),
    normalExtraWM2: new Float64Array(DAYS),
  }
  for (let day = 0; day < DAYS; day++)
    if (hoursOn === null || hoursOn.has(day)) fillDay(year, location, day)
    else leaveHours(year, location, day)
  return year
}

function fillDay(year: SunYear, location: Location, day: number): void {
  year.normalExtraWM2[day] = normalExtraterrestrial(day + 1)
  year.dailyExtraWhM2[day] = hoursOfDay(location, day + 1, year, day * 24)
}

function leaveHours(year: SunYear, { latitudeDeg }: Location, day: number): void {
  year.normalExtraWM2[day] = normalExtraterrestrial(day + 1)
  year.dailyExtraWhM2[day] = 1000 * extraterrestrialDaily(latitudeDeg, day + 1)
  for (const hours of [year.extraWhM2, year.cosZenith, year.azimuthDeg, year.profile])
    hours.fill(NaN, day * 24, day * 24 + 24)
}

function hoursOfDay(
  location: Location,
  dayOfYear: number,
  into: Pick<SunYear, 'extraWhM2' | 'cosZenith' | 'azimuthDeg' | 'profile'>,
  offset: number,
): number {
  const { latitudeDeg, longitudeDeg, utcOffsetH } = location
  const sunset = sunsetHourAngle(latitudeDeg, declinationDeg(dayOfYear))
  const a = 0.409 + 0.5016 * Math.sin(sunset - 60 * DEG)
  const b = 0.6609 - 0.4767 * Math.sin(sunset - 60 * DEG)
  const solarShiftH = (longitudeDeg - 15 * utcOffsetH) / 15 + equationOfTimeMin(dayOfYear) / 60
  const energyBetween = extraterrestrialOn(latitudeDeg, dayOfYear)
  let extra = 0
  let weight = 0
  for (let hour = 0; hour < 24; hour++) {
    const [from, to] = sunlitPart(hour + solarShiftH, sunset)
    const i = offset + hour
    into.extraWhM2[i] = energyBetween(from, to)
    if (into.extraWhM2[i] <= 0) continue
    const middle = (from + to) / 2
    const middleSolarH = middle / (15 * DEG) + 12
    const epoch = Date.UTC(2001, 0, dayOfYear) + (nearest(middleSolarH - solarShiftH, hour) - utcOffsetH) * 3_600_000
    const position = sunPosition(latitudeDeg, longitudeDeg, epoch)
    into.cosZenith[i] = Math.sin(position.elevationDeg * DEG)
    into.azimuthDeg[i] = position.azimuthDeg
    into.profile[i] = into.extraWhM2[i] * Math.max(0, a + b * Math.cos(middle))
    extra += into.extraWhM2[i]
    weight += into.profile[i]
  }
  if (weight > 0) for (let hour = 0; hour < 24; hour++) into.profile[offset + hour] /= weight
  return extra
}

/** Clock hour equal to `hours` modulo 24 that lies within half a day of `near`. */
function nearest(hours: number, near: number): number {
  return hours + 24 * Math.round((near + 0.5 - hours) / 24)
}

/** Hour angles between which the sun is up within the hour that begins at this solar time; equal angles when it is not. */
function sunlitPart(solarHour: number, sunset: number): [number, number] {
  const turn = 2 * Math.PI
  let from = (solarHour - 12) * 15 * DEG
  from -= turn * Math.round(from / turn)
  const to = from + 15 * DEG
  const first: [number, number] = [Math.max(from, -sunset), Math.min(to, sunset)]
  const second: [number, number] = [Math.max(from, turn - sunset), Math.min(to, turn + sunset)]
  if (sunset >= Math.PI) return [from, to]
  const length = (part: [number, number]) => part[1] - part[0]
  if (length(first) <= 0 && length(second) <= 0) return [0, 0]
  return length(first) >= length(second) ? first : [second[0] - turn, second[1] - turn]
}
