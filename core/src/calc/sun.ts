import { diffuseFraction } from '../sun/diffuse.ts'
import { extraterrestrialDaily } from '../sun/extraterrestrial.ts'
import { bestTilt } from '../plane/monthly.ts'
import { planeOfArray, type PlaneOfArrayInput } from '../sun/planeOfArray.ts'
import { sunPosition } from '../sun/position.ts'
import { choice, integer, number, numbers, optional, text } from './fields.ts'

import {
  type CalcFunction,
  latitude,
  longitude,
  share,
  climateRows,
  groundOf,
  horizon,
  horizonOf,
  climateOf,
  locationOf,
} from './inputs.ts'

/** Sun and sky, by name. */
export const SUN: Record<string, CalcFunction> = {
  'sun.position': {
    says: 'apparent position of the sun',
    inputs: { latitudeDeg: latitude, longitudeDeg: longitude, at: text('ISO date and time, UTC') },
    outputs: { azimuthDeg: '° clockwise from true north', elevationDeg: '°, with refraction' },
    source: 'suncalc 2 after Meeus (1998)',
    run: (input) => sunPosition(input.number('latitudeDeg'), input.number('longitudeDeg'), input.time('at')),
  },
  'sun.extraterrestrialDaily': {
    says: 'daily extraterrestrial energy on the horizontal',
    inputs: { latitudeDeg: latitude, dayOfYear: integer('day', 1, 366) },
    outputs: { energyKWhM2: 'kWh/m²' },
    source: 'Spencer (1971); Kopp & Lean (2011)',
    run: (input) => ({ energyKWhM2: extraterrestrialDaily(input.number('latitudeDeg'), input.number('dayOfYear')) }),
  },
  'sun.diffuseFraction': {
    says: 'diffuse share of the hour’s global irradiance',
    inputs: { clearness: number('', 0, 2) },
    outputs: { fraction: 'share' },
    source: 'Erbs, Klein & Duffie (1982)',
    run: (input) => ({ fraction: diffuseFraction(input.number('clearness')) }),
  },
  'sun.planeOfArray': {
    says: 'irradiance on a tilted plane, before incidence and soiling losses',
    inputs: {
      ghiWM2: number('W/m²', 0, 1600),
      zenithDeg: number('°', 0, 180),
      sunAzimuthDeg: number('°', -360, 360),
      tiltDeg: number('°', 0, 90),
      azimuthDeg: number('°', -360, 360),
      dayOfYear: integer('day', 1, 366),
      albedo: optional(share, 0.2),
      skyModel: optional(choice('hay-davies', 'perez'), 'hay-davies'),
      horizon,
      latitudeDeg: optional(latitude, 45),
    },
    outputs: { beamWM2: 'W/m²', diffuseWM2: 'W/m²', groundWM2: 'W/m²', totalWM2: 'W/m²' },
    source: 'Erbs et al. (1982); Hay & Davies (1980); Perez et al. (1990)',
    run: (input) => planeOfArray({ ...input.all<PlaneOfArrayInput>(), horizon: horizonOf(input) }),
  },
  'sun.bestTilt': {
    says: 'tilt and azimuth that collect most in the chosen months',
    inputs: {
      latitudeDeg: latitude,
      longitudeDeg: longitude,
      elevationM: optional(number('m', -430, 6000), 0),
      monthly: climateRows,
      months: numbers('months', 1, 12),
      horizon,
    },
    outputs: { tiltDeg: '°', azimuthDeg: '°', energyKWhM2Day: 'kWh/m²·day' },
    source: 'search on the monthly plane-of-array energy',
    run: (input) => {
      const months = input.numbers('months').map((month) => month - 1)
      return { ...bestTilt(locationOf(input), climateOf(input), months, groundOf(input)) }
    },
  },
}
