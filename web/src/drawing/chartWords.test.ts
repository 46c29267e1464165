import { describe, expect, it } from 'vitest'
import { chartSentence } from './chartWords.ts'

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
