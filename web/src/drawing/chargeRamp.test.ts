import { describe, expect, it } from 'vitest'
import { chargeRgb } from './chargeRamp.ts'

const luminance = ([r, g, b]: number[]) => 0.2126 * r + 0.7152 * g + 0.0722 * b

describe('the charge ramp', () => {
  it('by day grows lighter with every step of charge, so that it reads without colour', () => {
    for (let charge = 0.12; charge < 0.99; charge += 0.02)
      expect(luminance(chargeRgb(charge + 0.02))).toBeGreaterThanOrEqual(luminance(chargeRgb(charge)))
  })

  it('stays a colour outside 0…1', () => {
    for (const charge of [-1, 0, 1, 2])
      for (const channel of chargeRgb(charge, true)) expect(channel).toBeGreaterThanOrEqual(0)
  })
})
