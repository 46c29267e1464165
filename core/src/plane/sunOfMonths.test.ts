import fc from 'fast-check'
import { expect, it } from 'vitest'
import { newDesign } from '../design/defaults.ts'
import { MEAN_DAYS } from '../calendar/calendar.ts'
import { sunYear } from '../sun/geometry.ts'
import { climateOf } from '../weather/ruling.ts'
import { hoursOfMonths, monthlyPlane } from './monthly.ts'
import { sunOfMonths } from './sunOfMonths.ts'
import { surfaceOf } from './surface.ts'

it('gives the months of any surface what the whole year of hours gives them', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -80, max: 80, noNaN: true }),
      fc.double({ min: -179, max: 179, noNaN: true }),
      fc.integer({ min: 0, max: 90 }),
      fc.integer({ min: 0, max: 359 }),
      fc.array(fc.tuple(fc.integer({ min: 0, max: 359 }), fc.integer({ min: 0, max: 40 })), { maxLength: 4 }),
      fc.constantFrom<'fixed' | 'single-axis'>('fixed', 'single-axis'),
      (latitudeDeg, longitudeDeg, tiltDeg, azimuthDeg, edges, tracking) => {
        const { place } = newDesign('x', { label: 'x', latitudeDeg, longitudeDeg, climate: 'open-plains' })
        const horizon = edges.map(([azimuth, elevationDeg]) => ({ azimuthDeg: azimuth, elevationDeg }))
        const surface = { ...surfaceOf(place, { tiltDeg, azimuthDeg }, 'perez'), horizon, tracking } as never
        const { monthly } = climateOf(place)
        const [few, all] = [sunOfMonths(place), sunYear(place)].map((sun) => monthlyPlane(sun, monthly, surface))
        for (let month = 0; month < 12; month++) expect(few[month]).toBeCloseTo(all[month], 10)
      },
    ),
    { numRuns: 60 },
  )
})

it('has nothing of the hours of other days, so that no one takes them for night', () => {
  const { place } = newDesign('x', { label: 'x', latitudeDeg: 47, longitudeDeg: -110, climate: 'cold-valley' })
  const sun = sunOfMonths(place)
  expect(sun).toBe(sunOfMonths({ ...place, label: 'y' }))
  expect(sun.cosZenith[24 * (MEAN_DAYS[0] - 1) + 12]).toBeGreaterThan(0)
  for (const hours of [sun.cosZenith, sun.azimuthDeg, sun.extraWhM2, sun.profile]) expect(hours[24 * 4 + 12]).toBeNaN()
  let told = 0
  hoursOfMonths(
    sun,
    climateOf(place).monthly,
    surfaceOf(place, { tiltDeg: 40, azimuthDeg: 180 }, 'perez'),
    (_, wattsM2) => {
      expect(wattsM2).toBeGreaterThanOrEqual(0)
      told++
    },
  )
  expect(told).toBeGreaterThan(500)
})
