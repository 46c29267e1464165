import type { WeatherYear } from '../weather/generate.ts'
import { DEG } from './angles.ts'
import { DAYS, HOURS, MONTH_OF_DAY } from './calendar.ts'
import { diffuseFraction } from './diffuse.ts'
import type { SunYear } from './geometry.ts'
import { beamThrough, skyViewAbove, type HorizonPoint } from './horizon.ts'
import {
  BEAM,
  CIRCUMSOLAR,
  COS_ZENITH_FLOOR,
  GROUND,
  incidenceModifier,
  SKY,
  transposeInto,
  type SkyModel,
} from './planeOfArray.ts'

const ALL_DAYS = Array.from({ length: DAYS }, (_, day) => day)

export interface Surface {
  tiltDeg: number
  azimuthDeg: number
  horizon: readonly HorizonPoint[]
  latitudeDeg: number
  skyModel: SkyModel
  albedoBare: number
  albedoSnow: number
}

/**
 * A tilted surface at a place, with everything that does not change from year to year worked out once per hour of the
 * year: angle of incidence, incidence modifier (ASHRAE) and what the horizon lets through.
 */
export class TiltedPlane {
  private readonly cosIncidence = new Float64Array(HOURS)
  private readonly beamFactor = new Float64Array(HOURS)
  private readonly skyFactor: number
  private readonly cosTilt: number
  private readonly sinTilt: number
  private readonly parts = new Float64Array(4)

  /** @param days days of year (from 0) to prepare; all of them unless a method needs only a few */
  constructor(
    private readonly sun: SunYear,
    private readonly surface: Surface,
    days: readonly number[] = ALL_DAYS,
  ) {
    const { tiltDeg, azimuthDeg, horizon, latitudeDeg } = surface
    this.cosTilt = Math.cos(tiltDeg * DEG)
    this.sinTilt = Math.sin(tiltDeg * DEG)
    this.skyFactor = skyViewAbove(horizon, tiltDeg, azimuthDeg)
    for (const day of days)
      for (let i = day * 24; i < day * 24 + 24; i++) {
        if (sun.extraWhM2[i] <= 0) continue
        const cosZenith = sun.cosZenith[i]
        const sinZenith = Math.sqrt(Math.max(0, 1 - cosZenith * cosZenith))
        const cosine =
          cosZenith * this.cosTilt + sinZenith * this.sinTilt * Math.cos((sun.azimuthDeg[i] - azimuthDeg) * DEG)
        this.cosIncidence[i] = cosine
        const elevation = Math.asin(cosZenith) / DEG
        this.beamFactor[i] =
          incidenceModifier(cosine) * beamThrough(horizon, sun.azimuthDeg[i], elevation, MONTH_OF_DAY[day], latitudeDeg)
      }
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
      this.cosTilt,
      this.sinTilt,
      snowOnGround ? surface.albedoSnow : surface.albedoBare,
    )
    return (parts[BEAM] + parts[CIRCUMSOLAR]) * this.beamFactor[at] + parts[SKY] * this.skyFactor + parts[GROUND]
  }

  /** Fills `out` with the effective irradiance of each hour of a weather year, W/m². */
  fillYear(weather: WeatherYear, snowOnGround: Uint8Array, out: Float32Array): void {
    for (let day = 0; day < DAYS; day++) {
      const calendar = ((weather.startDay + day) % DAYS) * 24
      for (let hour = 0; hour < 24; hour++) {
        const i = day * 24 + hour
        const dhi = weather.dhiWM2 ? weather.dhiWM2[i] : -1
        out[i] = this.effective(calendar + hour, weather.ghiWM2[i], snowOnGround[i] === 1, dhi)
      }
    }
  }
}
