import type { SkyModel } from '../document/types.ts'
import type { HorizonPoint } from '../document/types.ts'
import type { ArrayField, TiltSeason } from '../document/types.ts'
import type { WeatherYear } from '../weather/generate.ts'
import { DEG } from '../math/angles.ts'
import { DAYS, HOURS, MONTH_OF_DAY, MONTH_START } from '../calendar/calendar.ts'
import { diffuseFraction } from '../sun/diffuse.ts'
import type { SunYear } from '../sun/geometry.ts'
import { beamThrough, skylineOf, skyViewAbove, type Skyline } from '../sun/horizon.ts'
import {
  BEAM,
  CIRCUMSOLAR,
  COS_ZENITH_FLOOR,
  diffuseModifiers,
  GROUND,
  incidenceModifier,
  SKY,
  transposeInto,
} from '../sun/planeOfArray.ts'

const ALL_DAYS = Array.from({ length: DAYS }, (_, day) => day)

export interface Surface {
  tiltDeg: number
  azimuthDeg: number
  /** other tilts from certain days on; none for one tilt */
  tiltSeasons?: readonly TiltSeason[]
  /** turns about a level north–south axis; `tiltDeg` then is not used */
  tracking?: ArrayField['tracking']
  /** share of the horizon that stands in the way, 0…1 */
  horizonShare?: number
  horizon: readonly HorizonPoint[]
  latitudeDeg: number
  skyModel: SkyModel
  albedoBare: number
  albedoSnow: number
}

/** Tilt of a surface on a day of the year (from 0): the last season begun, the year round. */
export function tiltOnDay(
  { tiltDeg, tiltSeasons = [] }: Pick<Surface, 'tiltDeg' | 'tiltSeasons'>,
  day: number,
): number {
  if (tiltSeasons.length === 0) return tiltDeg
  const begun = (season: TiltSeason) => (day - (MONTH_START[season.month - 1] + season.day - 1) + 2 * DAYS) % DAYS
  return tiltSeasons.reduce((latest, season) => (begun(season) < begun(latest) ? season : latest)).tiltDeg
}

/** Hours from the middle of an hour at which a horizon is looked at. */
const MOST_RISE_DEG = 7.5
/** Of an hour, from its middle. */
const POINTS_OF_HOUR = [-0.375, -0.125, 0.125, 0.375]

/** A level tracker does not turn further than this. */
const MOST_TURN_DEG = 60

/**
 * Where a plane on a level north–south axis stands for a sun: turned towards it about the axis, at most 60°.
 * Source: Marion & Dobos (2013), NREL/TP-6A20-58891, with the axis level.
 * @example trackedPlane(Math.SQRT1_2, 90) → { tiltDeg: 45, azimuthDeg: 90 }
 */
export function trackedPlane(cosZenith: number, sunAzimuthDeg: number): { tiltDeg: number; azimuthDeg: number } {
  const sinZenith = Math.sqrt(Math.max(0, 1 - cosZenith * cosZenith))
  const west = -sinZenith * Math.sin(sunAzimuthDeg * DEG)
  const turn = Math.atan2(west, Math.max(cosZenith, 1e-9)) / DEG
  return { tiltDeg: Math.min(MOST_TURN_DEG, Math.abs(turn)), azimuthDeg: turn >= 0 ? 270 : 90 }
}

/** Height of the sun by hour of some days and in the hours before and after them, °; 0 of all others. */
function heightsOf({ cosZenith }: SunYear, days: readonly number[]): Float64Array {
  const heights = new Float64Array(HOURS)
  for (const day of days)
    for (let i = day * 24 - 1; i <= day * 24 + 24; i++) {
      const at = (i + HOURS) % HOURS
      heights[at] = Math.asin(cosZenith[at]) / DEG
    }
  return heights
}

/**
 * A tilted surface at a place, with everything that does not change from year to year worked out once per hour of the
 * year: angle of incidence, incidence modifiers (ASHRAE; sky and ground at their effective angles) and what the horizon lets
 * through.
 */
export class TiltedPlane {
  private readonly cosIncidence = new Float64Array(HOURS)
  private readonly beamFactor = new Float64Array(HOURS)
  private readonly skyFactor = new Float64Array(HOURS)
  private readonly groundFactor = new Float64Array(HOURS)
  private readonly cosTilt = new Float64Array(HOURS)
  private readonly sinTilt = new Float64Array(HOURS)
  private readonly parts = new Float64Array(4)
  private readonly skyline: Skyline
  private modifiersOf = 0
  private modifiers = diffuseModifiers(0)
  /** height of the sun by hour, °, where a horizon stands, and how high that reaches */
  private readonly sunDeg: Float64Array | null
  private readonly highestDeg: number
  private readonly skyViews = new Map<string, number>()

  /** @param days days of year (from 0) to prepare; all of them unless a method needs only a few */
  constructor(
    private readonly sun: SunYear,
    private surface: Surface,
    private readonly days: readonly number[] = ALL_DAYS,
  ) {
    const { horizon } = surface
    this.skyline = skylineOf(horizon)
    this.sunDeg = horizon.length > 0 ? heightsOf(sun, days) : null
    this.highestDeg = Math.max(0, ...horizon.map(({ elevationDeg }) => elevationDeg))
    this.face(surface)
  }

  /** Turns it another way, at the same place under the same horizon. */
  face(surface: Surface): void {
    this.surface = surface
    const { sun } = this
    const { tracking, azimuthDeg } = surface
    for (const day of this.days) {
      const tiltDeg = tiltOnDay(surface, day)
      for (let i = day * 24; i < day * 24 + 24; i++) {
        if (sun.extraWhM2[i] <= 0) continue
        if (tracking === 'single-axis') {
          const turned = trackedPlane(sun.cosZenith[i], sun.azimuthDeg[i])
          this.prepare(i, day, turned.tiltDeg, turned.azimuthDeg)
        } else this.prepare(i, day, tiltDeg, azimuthDeg)
      }
    }
  }

  private prepare(i: number, day: number, tiltDeg: number, azimuthDeg: number): void {
    const { sun, surface } = this
    const cosTilt = Math.cos(tiltDeg * DEG)
    const sinTilt = Math.sin(tiltDeg * DEG)
    const cosZenith = sun.cosZenith[i]
    const sinZenith = Math.sqrt(Math.max(0, 1 - cosZenith * cosZenith))
    const cosine = cosZenith * cosTilt + sinZenith * sinTilt * Math.cos((sun.azimuthDeg[i] - azimuthDeg) * DEG)
    const share = surface.horizonShare ?? 1
    const through = this.beamOfHour(i, day)
    if (tiltDeg !== this.modifiersOf) {
      this.modifiersOf = tiltDeg
      this.modifiers = diffuseModifiers(tiltDeg)
    }
    const { modifiers } = this
    this.cosTilt[i] = cosTilt
    this.sinTilt[i] = sinTilt
    this.cosIncidence[i] = cosine
    this.beamFactor[i] = incidenceModifier(cosine) * (1 - share * (1 - through))
    this.skyFactor[i] = modifiers.sky * (1 - share * (1 - this.skyView(tiltDeg, azimuthDeg)))
    this.groundFactor[i] = modifiers.ground
  }

  /** What the horizon lets through of an hour's beam: at four points of it, since the sun may rise over an edge within. */
  private beamOfHour(i: number, day: number): number {
    const { sun, skyline, surface, sunDeg } = this
    if (sunDeg === null) return 1
    const elevation = sunDeg[i]
    // the sun moves less than fifteen degrees in an hour, and less than half of that from its middle
    if (elevation - MOST_RISE_DEG > this.highestDeg) return 1
    const month = MONTH_OF_DAY[day]
    let through = 0
    for (const shift of POINTS_OF_HOUR) {
      const before = i - 1
      const after = (i + 1) % HOURS
      const wanted = shift < 0 ? before : after
      const lit = wanted >= 0 && sun.extraWhM2[wanted] > 0
      const other = shift < 0 ? after : before
      // where the sun is not up on that side, its way on the other one goes on
      const from = lit ? wanted : other
      if (!(from >= 0 && sun.extraWhM2[from] > 0)) {
        through += beamThrough(skyline, sun.azimuthDeg[i], elevation, month, surface.latitudeDeg)
        continue
      }
      const along = lit ? Math.abs(shift) : -Math.abs(shift)
      const turn = ((sun.azimuthDeg[from] - sun.azimuthDeg[i] + 540) % 360) - 180
      const rise = sunDeg[from] - elevation
      const azimuthDeg = (sun.azimuthDeg[i] + along * turn + 360) % 360
      through += beamThrough(skyline, azimuthDeg, elevation + along * rise, month, surface.latitudeDeg)
    }
    return through / POINTS_OF_HOUR.length
  }

  /** The sky a plane sees above the horizon, worked out once for each of its standings (to 5° where it turns). */
  private skyView(tiltDeg: number, azimuthDeg: number): number {
    if (this.surface.horizon.length === 0) return 1
    const tilt = this.surface.tracking === 'single-axis' ? 5 * Math.round(tiltDeg / 5) : tiltDeg
    const key = `${tilt}|${azimuthDeg}`
    let view = this.skyViews.get(key)
    if (view === undefined) this.skyViews.set(key, (view = skyViewAbove(this.surface.horizon, tilt, azimuthDeg)))
    return view
  }

  /**
   * Irradiance that reaches the cells in one hour, W/m²: after horizon and incidence, before soiling and snow.
   *
   * @param at hour of the calendar year 0…8759
   * @param ghi mean global horizontal irradiance of the hour, W/m²
   * @param snowOnGround whether the ground reflects as snow
   * @param measuredDhi measured diffuse horizontal irradiance, W/m²; below 0 where it is to be modelled
   */
  effective(at: number, ghi: number, snowOnGround: boolean, measuredDhi = -1): number {
    if (ghi <= 0) return 0
    const { sun, surface, parts } = this
    const extra = sun.extraWhM2[at]
    const cosZenith = sun.cosZenith[at]
    const normalExtra = sun.normalExtraWM2[(at / 24) | 0]
    const low = cosZenith < COS_ZENITH_FLOOR
    const dhi = low || extra <= 0 ? ghi : measuredDhi >= 0 ? measuredDhi : ghi * diffuseFraction(ghi / extra)
    transposeInto(
      parts,
      surface.skyModel,
      ghi,
      dhi,
      cosZenith,
      this.cosIncidence[at],
      normalExtra,
      this.cosTilt[at],
      this.sinTilt[at],
      snowOnGround ? surface.albedoSnow : surface.albedoBare,
    )
    return (
      (parts[BEAM] + parts[CIRCUMSOLAR]) * this.beamFactor[at] +
      parts[SKY] * this.skyFactor[at] +
      parts[GROUND] * this.groundFactor[at]
    )
  }

  /** Fills `out` with the effective irradiance of each hour of a weather year, W/m². */
  fillYear(weather: WeatherYear, snowOnGround: Uint8Array, out: Float32Array): void {
    const { startDay, ghiWM2, dhiWM2 } = weather
    for (let day = 0; day < DAYS; day++) {
      const calendar = ((startDay + day) % DAYS) * 24
      for (let hour = 0; hour < 24; hour++) {
        const i = day * 24 + hour
        const ghi = ghiWM2[i]
        out[i] = ghi > 0 ? this.effective(calendar + hour, ghi, snowOnGround[i] === 1, dhiWM2 ? dhiWM2[i] : -1) : 0
      }
    }
  }
}
