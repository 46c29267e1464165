import { scaleLinear } from 'd3-scale'
import { MEAN_DAYS, sunPosition, type Location } from '@ambrel/core'

/** The chart of sun and horizon: azimuth across, the equator's side in the middle, elevation up. */
export const WIDTH = 560
export const HEIGHT = 270
const LEFT = 28
const RIGHT = 6
const BOTTOM = 20
const TOP = 10

export class SunFrame {
  readonly centre: number
  readonly topDeg: number
  /** by degrees from the middle of the chart */
  private readonly across = scaleLinear([-180, 180], [LEFT, WIDTH - RIGHT])
  private readonly up

  constructor(
    private readonly location: Location,
    highestPoint: number,
  ) {
    this.centre = location.latitudeDeg >= 0 ? 180 : 0
    const noon = 90 - Math.abs(Math.abs(location.latitudeDeg) - 23.5)
    this.topDeg = Math.min(90, Math.max(35, Math.ceil((Math.max(noon, highestPoint) + 6) / 5) * 5))
    this.up = scaleLinear([0, this.topDeg], [HEIGHT - BOTTOM, TOP]).clamp(true)
  }

  /** degrees from the middle of the chart, −180…180 */
  fold(azimuthDeg: number): number {
    return ((azimuthDeg - this.centre + 540) % 360) - 180
  }

  x(azimuthDeg: number): number {
    return this.xOf(this.fold(azimuthDeg))
  }

  xOf(fromCentre: number): number {
    return this.across(fromCentre)
  }

  y(elevationDeg: number): number {
    return this.up(elevationDeg)
  }

  /** What a place of the chart stands for, in whole degrees across and half ones up. */
  at(x: number, y: number): { azimuthDeg: number; elevationDeg: number } {
    const from = Math.min(180, Math.max(-180, this.across.invert(x)))
    return {
      azimuthDeg: (Math.round(from) + this.centre + 360) % 360,
      elevationDeg: Math.round(this.up.invert(y) * 2) / 2,
    }
  }

  /** The sun's way on the representative day of each month, by standard time. */
  paths(): SunPath[] {
    return MEAN_DAYS.map((day, month) => this.path(day, month))
  }

  private path(day: number, month: number): SunPath {
    const { latitudeDeg, longitudeDeg, utcOffsetH } = this.location
    const steps = Array.from({ length: 24 * 6 }, (_, i) => {
      const hour = i / 6
      const at = Date.UTC(2001, 0, day) + (hour - utcOffsetH) * 3_600_000
      return { hour, ...sunPosition(latitudeDeg, longitudeDeg, at) }
    })
    const up = steps.filter((each) => each.elevationDeg > 0)
    let line = ''
    let last: number | null = null
    for (const each of [...up].sort((a, b) => this.fold(a.azimuthDeg) - this.fold(b.azimuthDeg))) {
      const here = this.fold(each.azimuthDeg)
      line += `${last === null || here - last > 12 ? 'M' : 'L'}${this.x(each.azimuthDeg).toFixed(1)} ${this.y(each.elevationDeg).toFixed(1)}`
      last = here
    }
    const top = up.reduce<(typeof up)[number] | null>(
      (best, each) => (best === null || each.elevationDeg > best.elevationDeg ? each : best),
      null,
    )
    return {
      month,
      line,
      marks: up
        .filter((each) => Number.isInteger(each.hour))
        .map((each) => ({ hour: each.hour, x: this.x(each.azimuthDeg), y: this.y(each.elevationDeg) })),
      top: top && { x: this.x(top.azimuthDeg), y: this.y(top.elevationDeg) },
    }
  }
}

export interface SunPath {
  month: number
  line: string
  marks: { hour: number; x: number; y: number }[]
  /** its highest point; null for a month without sun */
  top: { x: number; y: number } | null
}
