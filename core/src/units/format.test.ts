import { describe, expect, it } from 'vitest'
import { decimal, fieldUnit, parseNumber, quantity, significant } from './format.ts'
import { celsiusToFahrenheit, fahrenheitToCelsius, feetToMetres, metresToFeet } from './convert.ts'

describe('figures as a reader sees them', () => {
  it.each([
    [7412.3, 'Wh', 'metric', '7.41 kWh'],
    [999.6, 'Wh', 'metric', '1 kWh'],
    [740, 'Wh', 'metric', '740 Wh'],
    [0.021, 'Ω', 'metric', '21 mΩ'],
    [-31, '°C', 'metric', '−31 °C'],
    [-40, '°C', 'imperial', '−40 °F'],
    [60, 'm', 'imperial', '197 ft'],
    [8, 'mm', 'imperial', '0.315 in'],
    [0.32, 'share', 'metric', '32 %'],
    [21480, '', 'metric', '21\u202f480'],
    [0, 'W', 'metric', '0 W'],
    [1, 'days', 'metric', '1 day'],
    [1.5, 'days', 'metric', '1.5 days'],
  ] as const)('%s %s in %s is %s', (value, unit, system, shown) => {
    expect(quantity(value, unit, system)).toBe(shown)
  })

  it('writes a dash for what is not a number', () => {
    expect(quantity(NaN, 'W')).toBe('—')
    expect(significant(Infinity)).toBe('—')
    expect(quantity(null, 'W')).toBe('—')
  })

  it('never writes a negative zero', () => {
    expect(decimal(-0.0001, 2)).toBe('0')
  })

  it('converts there and back', () => {
    for (const value of [-40, 0, 21.5, 100]) {
      expect(fahrenheitToCelsius(celsiusToFahrenheit(value))).toBeCloseTo(value, 12)
      expect(feetToMetres(metresToFeet(value))).toBeCloseTo(value, 12)
    }
  })

  it.each([
    ['1 234.5', 1234.5],
    ['12,5', 12.5],
    ['−31', -31],
    ['.5', 0.5],
    ['12 W', null],
    ['', null],
    ['1.2.3', null],
  ])('reads %j as %s', (typed, value) => {
    expect(parseNumber(typed)).toBe(value)
  })

  it('a field shows and takes back the reader’s unit', () => {
    const feet = fieldUnit('m', 'imperial')
    expect(feet.unit).toBe('ft')
    expect(feet.toStored(feet.toShown(60))).toBeCloseTo(60, 12)
    expect(fieldUnit('share', 'metric').toShown(0.32)).toBeCloseTo(32, 12)
    expect(fieldUnit('W', 'imperial').toShown(5)).toBe(5)
  })
})
