import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { amount, celsius, exact, kelvin, metres, percent, volts } from './say.ts'
import { gaugeMm2, joined, nearestGauge, said, say, type Words } from './words.ts'

describe('a text with figures', () => {
  it.each<[Words, string, string]>([
    [say`${volts(153.24)} at ${celsius(-34)}`, '153 V at −34 °C', '153 V at −29 °F'],
    [say`${kelvin(10)} above`, '10 K above', '18 °F above'],
    [say`${metres(940)} high`, '940 m high', '3084 ft high'],
    [say`${percent(0.305)} of ${amount(7412, 'Wh')}`, '31 % of 7.41 kWh', '31 % of 7.41 kWh'],
    [say`${amount(40, 'L')} and ${amount(56, 'kg')}`, '40 L and 56 kg', '10.6 gal and 123 lb'],
    [say`${3} strings`, '3 strings', '3 strings'],
    [say`${exact(60.04, 'V')} of ${exact(200000, 'W')}`, '60.04 V of 200\u202f000 W', '60.04 V of 200\u202f000 W'],
    [say`${exact(NaN, 'V')}`, 'NaN', 'NaN'],
    [say`Run: ${{ size: '2/0 AWG' }}`, 'Run: 2/0 AWG (67.4 mm²)', 'Run: 2/0 AWG'],
    [say`Run: ${{ size: '16 mm2' }}`, 'Run: 16 mm²', 'Run: 16 mm² (about 5 AWG)'],
    ['plain', 'plain', 'plain'],
  ])('%j', (words, metric, imperial) => {
    expect(said(words)).toBe(metric)
    expect(said(words, 'imperial')).toBe(imperial)
  })

  it('may hold another, and is a plain text where it holds no figure', () => {
    const inner = say`${volts(48)} bank`
    expect(said(say`a ${inner}, ${'lead'}`)).toBe('a 48 V bank, lead')
    expect(say`a ${'lead'} bank`).toBe('a lead bank')
    expect(said(joined([inner, 'b', say`${2}`], '; '))).toBe('48 V bank; b; 2')
  })

  it('parts no figure from its unit where that is wanted, nor its thousands ever', () => {
    const text = say`${volts(48)} at ${exact(21480, 'W')} for 3 days`
    expect(said(text)).toBe('48 V at 21\u202f480 W for 3 days')
    expect(said(text, 'metric', true)).toBe('48\u00a0V at 21\u202f480\u00a0W for 3 days')
  })

  it('says each figure once, whatever it stands in', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.string(), fc.integer({ min: 1, max: 999 }))), (parts) => {
        const words = joined(
          parts.map((part) => (typeof part === 'number' ? say`${part}` : part)),
          '',
        )
        expect(said(words)).toBe(parts.map(String).join(''))
      }),
    )
  })
})

describe('wire gauges', () => {
  // ASTM B258: nominal areas
  it.each([
    [14, 2.081],
    [10, 5.261],
    [6, 13.3],
    [1, 42.41],
    [0, 53.49],
    [-1, 67.43],
    [-3, 107.2],
  ])('%d has %d mm²', (gauge, mm2) => {
    expect(gaugeMm2(gauge)).toBeCloseTo(mm2, 1)
    expect(nearestGauge(mm2)).toBe(gauge > 0 ? `${gauge} AWG` : `${1 - gauge}/0 AWG`)
  })
})
