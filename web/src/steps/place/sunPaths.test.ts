import { describe, expect, it } from 'vitest'
import { SunFrame, WIDTH } from './sunPaths.ts'

const north = { latitudeDeg: 48.2, longitudeDeg: -115.4, utcOffsetH: -7 }
const south = { latitudeDeg: -41.3, longitudeDeg: 174.8, utcOffsetH: 12 }
const at = (frame: SunFrame, azimuthDeg: number, elevationDeg: number) =>
  frame.at(frame.x(azimuthDeg), frame.y(elevationDeg))

describe('the sun chart', () => {
  it.each([
    [north, 180],
    [south, 0],
  ])('has the equator’s side in the middle', (place, centre) => {
    const frame = new SunFrame(place, 0)
    expect(frame.centre).toBe(centre)
    expect(frame.x(centre)).toBeCloseTo((28 + WIDTH - 6) / 2, 6)
  })

  it.each([
    [90, 5],
    [135, 12.5],
    [180, 0],
    [275, 30],
  ])('what stands at %s°, %s° up is read back there', (azimuthDeg, elevationDeg) => {
    expect(at(new SunFrame(north, 0), azimuthDeg, elevationDeg)).toEqual({ azimuthDeg, elevationDeg })
    expect(at(new SunFrame(south, 0), azimuthDeg, elevationDeg)).toEqual({ azimuthDeg, elevationDeg })
  })

  it('is tall enough for the highest sun and the highest point of the horizon', () => {
    expect(new SunFrame(north, 0).topDeg).toBeGreaterThan(65.2)
    expect(new SunFrame({ ...north, latitudeDeg: 23.5 }, 0).topDeg).toBe(90)
    expect(new SunFrame({ ...north, latitudeDeg: 78 }, 50).topDeg).toBeGreaterThan(50)
  })

  it('December runs lowest in the north and highest in the south', () => {
    const top = (place: typeof north, month: number) => new SunFrame(place, 0).paths()[month].top!.y
    expect(top(north, 11)).toBeGreaterThan(top(north, 5))
    expect(top(south, 11)).toBeLessThan(top(south, 5))
  })

  it('a month of polar night has no path, one of polar day has every hour', () => {
    const paths = new SunFrame({ latitudeDeg: 78, longitudeDeg: 15, utcOffsetH: 1 }, 0).paths()
    expect(paths[11]).toMatchObject({ line: '', top: null, marks: [] })
    expect(paths[5].marks).toHaveLength(24)
  })

  it('noon by the clock stands near the middle', () => {
    const noon = new SunFrame(north, 0).paths()[2].marks.find(({ hour }) => hour === 13)!
    expect(Math.abs(noon.x - (28 + WIDTH - 6) / 2)).toBeLessThan(12)
  })
})
