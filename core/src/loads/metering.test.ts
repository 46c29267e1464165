import { describe, expect, it } from 'vitest'
import { meterProblem } from './metering.ts'

describe('a reading of a meter', () => {
  it.each([
    [3.2, 168, null],
    [0, 0.1, null],
    [null, 168, 'kWh nothing must lie between 0 and 100000'],
    [-1, 168, 'kWh -1 must lie between 0 and 100000'],
    [1, null, 'hours nothing must lie between 0.1 and 20000'],
    [1, 0, 'hours 0 must lie between 0.1 and 20000'],
    [1, 20001, 'hours 20001 must lie between 0.1 and 20000'],
  ])('of %s kWh in %s h', (kWh, hours, problem) => {
    expect(meterProblem(kWh, hours)).toBe(problem)
  })
})
