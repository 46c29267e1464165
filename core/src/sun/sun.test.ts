import type { HorizonPoint } from '../document/types.ts'
import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { diffuseFraction } from './diffuse.ts'
import { extraterrestrialDaily } from './extraterrestrial.ts'
import { sunYear } from './geometry.ts'
import { beamThrough, horizonAt, skylineOf, skyViewAbove } from './horizon.ts'
import { CIRCUMSOLAR, planeOfArray, SKY, transposeInto } from './planeOfArray.ts'
import { sunPosition } from './position.ts'

describe('sun position', () => {
  it('agrees with the published check of the NREL solar position algorithm', () => {
    const { azimuthDeg, elevationDeg } = sunPosition(39.742476, -105.1786, Date.parse('2003-10-17T19:30:30Z'))
    expect(Math.abs(azimuthDeg - 194.34)).toBeLessThan(0.02)
    expect(Math.abs(elevationDeg - 39.89)).toBeLessThan(0.02)
  })

  it('names a latitude that cannot be', () => {
    expect(() => sunPosition(95, 0, 0)).toThrow('latitudeDeg 95 must lie between -90 and 90')
  })
})

describe('extraterrestrial energy of a day', () => {
  // Duffie & Beckman example 1.10.1 with the solar constant 1361; 57° and 68° from the same formula by hand
  it.each([
    [43, 105, 9.362],
    [57, 17, 1.393],
    [68, 344, 0],
  ])('%s° N on day %s is %s kWh/m²', (latitude, day, expected) => {
    expect(extraterrestrialDaily(latitude, day)).toBeCloseTo(expected, 2)
  })

  it('is finite at the poles in every season', () => {
    for (const latitude of [-90, -66.6, 0, 66.6, 90])
      for (let day = 1; day <= 365; day++) {
        const energy = extraterrestrialDaily(latitude, day)
        expect(energy >= 0 && energy < 14).toBe(true)
      }
  })
})

describe('diffuse fraction', () => {
  // Erbs, Klein & Duffie (1982)
  it.each([
    [0.1, 0.991],
    [0.35, 0.90425],
    [0.65, 0.33361],
    [0.85, 0.165],
  ])('kt %s → %s', (clearness, fraction) => {
    expect(diffuseFraction(clearness)).toBeCloseTo(fraction, 4)
  })
})

describe('the sun year', () => {
  it.each([
    [48.2, -115.4, -7],
    [57.4, -6.1, 0],
    [-41, 174, 12],
    [0, 30, 2],
    [69, 20, 1],
    [-78, 166, 12],
    [52, 150, 3],
  ])('at %s°, %s° has daily sums equal to the daily formula', (latitudeDeg, longitudeDeg, utcOffsetH) => {
    const year = sunYear({ latitudeDeg, longitudeDeg, utcOffsetH })
    for (let day = 0; day < 365; day += 7) {
      expect(year.dailyExtraWhM2[day] / 1000).toBeCloseTo(extraterrestrialDaily(latitudeDeg, day + 1), 6)
    }
  })

  it('puts solar noon near clock noon and the sun in the south there', () => {
    const year = sunYear({ latitudeDeg: 48.2, longitudeDeg: -115.4, utcOffsetH: -7 })
    const noon = 24 * 354 + 12
    expect(Math.abs(year.azimuthDeg[noon] - 180)).toBeLessThan(12)
    expect(year.cosZenith[noon]).toBeGreaterThan(0.25)
    expect(year.cosZenith[24 * 354 + 2]).toBe(-1)
  })
})

describe('plane of array', () => {
  const base = { ghiWM2: 400, zenithDeg: 60, sunAzimuthDeg: 180, tiltDeg: 45, azimuthDeg: 180, dayOfYear: 80 }

  it('leaves a horizontal plane as it was, by both sky models', () => {
    for (const skyModel of ['hay-davies', 'perez'] as const) {
      const result = planeOfArray({ ...base, tiltDeg: 0, skyModel })
      expect(result.totalWM2).toBeCloseTo(400, 0)
      expect(result.groundWM2).toBe(0)
    }
  })

  it('reflects albedo × (1 − cos tilt) / 2 from the ground', () => {
    expect(planeOfArray({ ...base, tiltDeg: 90, albedo: 0.6 }).groundWM2).toBeCloseTo(400 * 0.6 * 0.5, 9)
  })

  it('the two sky models agree within a tenth on a bright hour', () => {
    const hay = planeOfArray(base).totalWM2
    const perez = planeOfArray({ ...base, skyModel: 'perez' }).totalWM2
    expect(Math.abs(hay - perez) / hay).toBeLessThan(0.1)
  })

  it('never exceeds the extraterrestrial normal by more than sky and ground can add, and is never negative or NaN', () => {
    fc.assert(
      fc.property(
        fc.record({
          clearness: fc.double({ min: 0, max: 1, noNaN: true }),
          zenithDeg: fc.double({ min: 0, max: 100, noNaN: true }),
          sunAzimuthDeg: fc.double({ min: 0, max: 360, noNaN: true }),
          tiltDeg: fc.double({ min: 0, max: 90, noNaN: true }),
          azimuthDeg: fc.double({ min: 0, max: 360, noNaN: true }),
          dayOfYear: fc.integer({ min: 1, max: 365 }),
          skyModel: fc.constantFrom('hay-davies' as const, 'perez' as const),
        }),
        ({ clearness, ...rest }) => {
          const cosZenith = Math.cos((rest.zenithDeg * Math.PI) / 180)
          const ghiWM2 = Math.max(0, clearness * 1400 * cosZenith)
          const { beamWM2, totalWM2 } = planeOfArray({ ...rest, ghiWM2 })
          expect(beamWM2).toBeGreaterThanOrEqual(0)
          expect(beamWM2).toBeLessThanOrEqual(1361 * 1.04)
          expect(totalWM2).toBeGreaterThanOrEqual(0)
          expect(totalWM2).toBeLessThan(2300)
        },
      ),
    )
  })
})

describe('horizon', () => {
  const ridge: HorizonPoint[] = [
    { azimuthDeg: 90, elevationDeg: 10, cover: 'terrain' },
    { azimuthDeg: 180, elevationDeg: 20, cover: 'leafless' },
    { azimuthDeg: 270, elevationDeg: 0, cover: 'terrain' },
  ]

  it.each([
    [90, 10],
    [135, 15],
    [180, 20],
    [225, 10],
    [0, 5],
    [359.999, 5],
  ])('is linear between points and closed around north: at %s° it is %s°', (azimuth, elevation) => {
    expect(horizonAt(ridge, azimuth).elevationDeg).toBeCloseTo(elevation, 3)
  })

  it('stops the beam behind terrain and lets some through bare trees', () => {
    expect(beamThrough(skylineOf(ridge), 100, 5, 0, 48)).toBe(0)
    expect(beamThrough(skylineOf(ridge), 190, 5, 0, 48)).toBe(0.5)
    expect(beamThrough(skylineOf(ridge), 190, 5, 6, 48)).toBe(0.15)
    expect(beamThrough(skylineOf(ridge), 190, 5, 6, -48)).toBe(0.5)
    expect(beamThrough(skylineOf(ridge), 190, 30, 0, 48)).toBe(1)
  })

  it('a higher horizon never shows more sky', () => {
    const raised = (by: number) => ridge.map((point) => ({ ...point, elevationDeg: point.elevationDeg + by }))
    let last = 1
    for (const by of [0, 5, 15, 30, 60]) {
      const view = skyViewAbove(raised(by), 60, 180)
      expect(view).toBeLessThanOrEqual(last)
      last = view
    }
  })
})

/**
 * Worked out from the coefficients of Perez et al. (1990), table 6, away from this code: a plane at 60° that the sun meets
 * at a cosine of 0.8, 1367 W/m² outside the air.
 * Bin of clearness, zenith °, diffuse and global horizontal W/m² → circumsolar and rest of the sky on the plane, W/m².
 */
describe('the Perez sky', () => {
  it.each([
    [1, 50, 130, 134.241, 4.006, 87.367],
    [1, 72, 90, 92.558, 8.912, 59.272],
    [2, 50, 130, 151.206, 16.038, 83.945],
    [2, 72, 90, 102.79, 19.681, 58.563],
    [3, 50, 130, 179.48, 33.829, 79.688],
    [3, 72, 90, 119.842, 36.142, 57.716],
    [4, 50, 130, 228.961, 54.717, 72.895],
    [4, 72, 90, 149.684, 55.169, 56.14],
    [5, 50, 130, 313.784, 80.766, 66.688],
    [5, 72, 90, 200.843, 78.129, 54.975],
    [6, 50, 130, 483.431, 95.415, 64.24],
    [6, 72, 90, 303.159, 82.262, 58.056],
    [7, 50, 130, 737.902, 82.572, 71.589],
    [7, 72, 90, 456.633, 63.145, 64.066],
    [8, 50, 130, 1119.607, 66.583, 76.698],
    [8, 72, 40, 305.264, 34.499, 31.859],
  ])('bin %i, zenith %i°', (_, zenithDeg, dhi, ghi, circumsolar, sky) => {
    const out = new Float64Array(4)
    const deg = Math.PI / 180
    const [cosZenith, cosTilt, sinTilt] = [Math.cos(zenithDeg * deg), Math.cos(60 * deg), Math.sin(60 * deg)]
    transposeInto(out, 'perez', ghi, dhi, cosZenith, 0.8, 1367, cosTilt, sinTilt, 0.2)
    expect(Math.abs(out[CIRCUMSOLAR] / circumsolar - 1)).toBeLessThan(5e-4)
    expect(Math.abs(out[SKY] / sky - 1)).toBeLessThan(5e-4)
  })
})
