import { describe, expect, it } from 'vitest'
import { chartSentence, weeksSentence } from './chartWords.ts'

const watts = (value: number) => `${value} W`

describe('the sentence of a chart', () => {
  it('tells the most and the least of each row and where they lie', () => {
    expect(
      chartSentence(
        [
          { name: 'sun', data: [3, 1, 2] },
          { name: 'load', data: [5, 5, 5] },
        ],
        ['Jan', 'Feb', 'Mar'],
        watts,
      ),
    ).toBe('sun: most 3 W at Jan, least 1 W at Feb. load: 5 W throughout.')
  })

  it('leaves out what is not known', () => {
    expect(chartSentence([{ name: 'sun', data: [null, 4, Number.NaN, 2] }], [1, 2, 3, 4], watts)).toBe(
      'sun: most 4 W at 2, least 2 W at 4.',
    )
    expect(chartSentence([{ name: 'sun', data: [] }], [], watts)).toBe('')
  })
})

describe('the sentence of a winter', () => {
  const week = (lowTypical: number, lowOneInTen: number, shortOneInTen: number) => ({
    startDay: 0,
    lowTypical,
    lowOneInTen,
    shortOneInTen,
    shortMean: 0,
    generatorMean: 0,
  })
  it.each([
    [[week(0.5, 0.3, 0), week(0.4, 0.35, 0.4)], 'no week short'],
    [[week(0.5, 0.3, 2), week(0.4, 0.35, 0.4)], '1 week short'],
    [[week(0.5, 0.3, 2), week(0.4, 0.35, 0.5)], '2 weeks short'],
  ])('tells the lowest of either and the weeks short', (weeks, end) => {
    expect(weeksSentence(weeks).replaceAll(/[\u2009\u202f\u00a0]/g, ' ')).toBe(
      `Lowest charge 40 % typically, 30 % in 1 winter of 10; ${end}`,
    )
  })
})
