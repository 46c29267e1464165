import { describe, expect, it } from 'vitest'
import { ampacity, deviceFor, deviceLimit, drop } from './conductors.ts'

describe('conductors', () => {
  it('6 AWG, 140 ft one way, 18.5 A at 118 V drops 2.543 V, 2.16 %', () => {
    const result = drop({ size: '6 AWG', oneWayM: 140 * 0.3048, amps: 18.5, volts: 118 })
    expect(result.dropV).toBeCloseTo(2.543, 3)
    expect(result.dropPct).toBeCloseTo(2.16, 2)
  })

  // NEC 310.16 with √((Tc − Ta)/(Tc − 30)); 75 °C terminals cap 90 °C insulation
  it.each([
    ['6 AWG', 75, 30, 3, 65],
    ['6 AWG', 90, 30, 3, 65],
    ['6 AWG', 90, 50, 3, 75 * Math.sqrt(40 / 60)],
    ['10 AWG', 90, 30, 6, 32],
    ['16 mm2', 75, 30, 2, 76],
  ] as const)('%s, %s °C insulation at %s °C, %s conductors: %s A', (size, insulation, ambient, conductors, amps) => {
    expect(ampacity(size, { insulationC: insulation, ambientC: ambient, conductors })).toBeCloseTo(amps, 9)
  })

  it.each([
    [31, 35],
    [100, 100],
    [401, 450],
    [1201, null],
  ])('%s A takes a %s A device', (amps, device) => {
    expect(deviceFor(amps)).toBe(device)
  })

  it('names the sizes where one is unknown', () => {
    expect(() => drop({ size: '7 AWG', oneWayM: 1, amps: 1, volts: 12 })).toThrow('size "7 AWG" is not one of 14 AWG')
  })
})

describe('protection of a run', () => {
  // NEC 240.4(D): 14, 12 and 10 AWG take no more than 15, 20 and 30 A
  it.each([
    ['14 AWG', 20, 15],
    ['12 AWG', 25, 20],
    ['10 AWG', 35, 30],
    ['8 AWG', 50, 50],
    ['16 mm2', 76, 76],
  ])('%s of %s A may be protected with %s A', (size, ampacityA, limit) => {
    expect(deviceLimit(size, ampacityA)).toBe(limit)
  })
})
