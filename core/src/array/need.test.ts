import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { invariantProblems } from '../design/invariants.ts'
import { larkspurBench } from '../design/samples.ts'
import { knownNeed } from './need.ts'

const WH = [9, 9, 8, 7, 6, 6, 12, 6, 6, 7, 8, 9].map((kWh) => kWh * 1000)

describe('sun hours that somebody knows', () => {
  it('one figure stands for the worst month of need; twelve are each held against their month', () => {
    // 12 kWh ÷ (4 h × 0.8)
    expect(knownNeed(WH, [4], 0.8)).toEqual({ watts: 3750, month: 6 })
    expect(knownNeed(WH, [2, 2, 3, 4, 5, 5, 6, 5, 4, 3, 2, 1.5], 0.8).watts).toBeCloseTo(7500, 6)
  })

  it('are sized beside the climate, and the run keeps to the climate', () => {
    const design = larkspurBench()
    const before = derive(design).worked
    expect(before['array.need-known']).toBeUndefined()
    design.place.knownSunHours = [4]
    const { worked, batteryWh } = derive(design)
    expect(worked['array.need-known'].value).toBeCloseTo(Math.max(...batteryWh) / (4 * 0.8), 6)
    expect(worked['array.need'].value).toBe(before['array.need'].value)
  })

  it('three of them are neither', () => {
    const design = larkspurBench()
    design.place.knownSunHours = [4, 5, 6]
    expect(invariantProblems(design).map(({ path }) => path)).toEqual(['place.knownSunHours'])
  })
})

it('what an array brings to the bank by month is its rating × its sun × the factor', () => {
  const design = larkspurBench()
  design.schools.handFactor = 0.5
  const [array] = derive(design).arrays
  array.handWh.forEach((wh, month) => expect(wh).toBeCloseTo(14 * 415 * array.sunHours[month] * 0.5, 6))
})
