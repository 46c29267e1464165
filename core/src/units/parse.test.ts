import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fieldUnit, type UnitSystem } from './format.ts'
import { degreesMinutes, readCoordinate, readEntry, readQuantity } from './parse.ts'

describe('a quantity as it is written', () => {
  // oxfmt-ignore
  it.each<[string, string, number]>([
    ['150', 'W', 150], ['1.5 kW', 'W', 1500], ['1,5kW', 'W', 1500], ['30 min', 'h', 0.5], ['2 h', 'h', 2], ['40 %', 'share', 0.4],
    ['−4,5 °C', '°C', -4.5], ['14 F', '°C', -10], ['14°F', '°C', -10], ['3.6 MJ/m²', 'kWh/m²', 1], ['10 in', 'cm', 25.4], ['1 200 Wh', 'Wh', 1200], ['2 kWh', 'kWh', 2], ['500 Wh', 'kWh', 0.5], ['3', '', 3], ['×2', '', NaN],
  ])('%s in %s', (typed, unit, value) => {
    const read = readQuantity(typed, unit)
    if (Number.isNaN(value)) expect(read).toHaveProperty('problem')
    else expect((read as { value: number }).value).toBeCloseTo(value, 9)
  })
  it.each([
    ['', 'W', 'is not a number'],
    ['about 5', 'W', 'is not a number'],
    ['40 V', 'W', '“V” is not a unit that fits here; w, watt'],
    ['20 K', '°C', 'not a unit of temperature; °C or °F'],
  ])('%j in %s is refused', (typed, unit, says) => {
    expect((readQuantity(typed, unit) as { problem: string }).problem).toContain(says)
  })
})

describe('a coordinate as people have it', () => {
  // oxfmt-ignore
  it.each<[string, 'latitude' | 'longitude', number]>([
    ['48.2083', 'latitude', 48.2083], ['−115.4', 'longitude', -115.4], ['48° 12.5′ N', 'latitude', 48 + 12.5 / 60], ['115 24 30 W', 'longitude', -(115 + 24 / 60 + 30 / 3600)],
    ["S41°17'", 'latitude', -(41 + 17 / 60)], ['48,5', 'latitude', 48.5], ['-6 30', 'longitude', -6.5], ['0° 30′ W', 'longitude', -0.5], ['115:24:00 w', 'longitude', -115.4],
  ])('%s', (typed, axis, value) => {
    expect((readCoordinate(typed, axis) as { value: number }).value).toBeCloseTo(value, 9)
  })
  it.each([
    ['91', 'latitude', 'beyond 90°'],
    ['48 75 N', 'latitude', 'between 0 and 60'],
    ['48 E', 'latitude', 'a latitude takes N or S'],
    ['-48 S', 'latitude', 'both a minus sign and S'],
    ['north', 'latitude', 'is not a latitude'],
    ['', 'longitude', 'is not a longitude; write 48.2083 or'],
  ] as const)('%j as %s is refused', (typed, axis, says) => {
    expect((readCoordinate(typed, axis) as { problem: string }).problem).toContain(says)
  })
  it('what is written in degrees and minutes is read back within a hundredth of a minute', () => {
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), (value) => {
        const read = readCoordinate(degreesMinutes(value, 'longitude'), 'longitude') as { value: number }
        expect(Math.abs(read.value - value)).toBeLessThan(0.0051 / 60 + 1e-9)
      }),
    )
  })
})

describe('what is typed into a field', () => {
  // oxfmt-ignore
  it.each<[string, string, UnitSystem, number]>([
    ['96 A', 'A', 'metric', 96], ['80 ft', 'm', 'metric', 24.384], ['80', 'm', 'imperial', 24.384], ['24.384 m', 'm', 'imperial', 24.384],
    ['60 F', '°C', 'metric', 140 / 9], ['60', '°C', 'imperial', 140 / 9], ['15 C', '°C', 'imperial', 15], ['1500 ft', 'm', 'metric', 457.2],
    ['7,5', 'V', 'metric', 7.5], ['2 x 100', 'W', 'metric', 200], ['3 × 1.5 kW', 'W', 'metric', 4500], ['2 x 100 Ah', 'Ah', 'metric', 200],
    ['1,200.5', 'W', 'metric', 1200.5], ['1 200', 'W', 'metric', 1200], ['80', 'share', 'metric', 0.8], ['80 %', 'share', 'metric', 0.8],
    ['3/4', 'W', 'metric', NaN], ['5 gal', 'L', 'metric', 18.927], ['100 lb', 'kg', 'metric', 45.359], ['10 mph', 'm/s', 'metric', 4.4704],
    ['0.5 hp', 'W', 'metric', 372.85], ['90 min', 'h', 'metric', 1.5], ['2 ohm', 'mΩ', 'metric', 2000], ['48 in', 'm', 'metric', 1.2192],
    ['60 V', 'A', 'metric', NaN], ['seven', 'A', 'metric', NaN],
  ])('%s as %s by a reader of %s units', (typed, unit, system, value) => {
    const read = readEntry(typed, unit, system)
    if (Number.isNaN(value)) expect(read).toHaveProperty('problem')
    else expect((read as { value: number }).value).toBeCloseTo(value, 3)
  })

  it('a comma before three digits is asked about, because it means two things', () => {
    expect(readEntry('1,500', 'W', 'metric')).toEqual({
      problem: '“1,500” may be 1500 or 1.500; write it without the comma',
    })
    expect(readEntry('0,500', 'W', 'metric')).toEqual({ value: 0.5 })
  })

  it('80 ft stays 80 ft when it is shown again', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 99_999 }),
        fc.constantFrom('m', 'kg', 'L', '°C', 'cm', 'm/s'),
        (typed, unit) => {
          const read = readEntry(String(typed), unit, 'imperial') as { value: number }
          expect(Number(fieldUnit(unit, 'imperial').toShown(read.value).toPrecision(6))).toBe(typed)
        },
      ),
    )
  })
})
