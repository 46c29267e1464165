import { describe, expect, it } from 'vitest'
import { moduleParts } from '../parts/shelf.ts'
import { larkspurBench } from '../design/samples.ts'
import { cellStringsUp } from './cellStrings.ts'
import { LIGHT_STEP, lowLight } from './lowLight.ts'
import { atConditions, currentAt, fitSingleDiode, openCircuitV, powerPoint } from './singleDiode.ts'

describe('efficiency by light', () => {
  it.each(moduleParts.map((module) => [module.name, module] as const))('%s: as data sheets have it', (_, module) => {
    const shares = lowLight(module)
    expect(shares[1000 / LIGHT_STEP]).toBeCloseTo(1, 9)
    // makers state 200 W/m² at 94 to 101 % of the efficiency at 1000
    expect(shares[200 / LIGHT_STEP]).toBeGreaterThan(0.94)
    expect(shares[200 / LIGHT_STEP]).toBeLessThan(1.02)
    // less and less light, less and less efficiency
    for (let i = 0; i < 4; i++) expect(shares[i]).toBeLessThan(shares[i + 1])
  })

  it('is the power point of the whole curve', () => {
    const [module] = moduleParts
    const fit = fitSingleDiode(module)
    const watts = (light: number) => {
      const curve = atConditions(fit, module, light, 25)
      return powerPoint((volts) => currentAt(curve, volts), openCircuitV(curve)).watts
    }
    for (const light of [50, 250, 700, 1300])
      expect(lowLight(module)[light / LIGHT_STEP]).toBeCloseTo(watts(light) / light / (watts(1000) / 1000), 6)
  })
})

describe('cell strings one above the other', () => {
  const [array] = larkspurBench().arrays
  const whole = { ...array.module, cells: 54 }
  it.each([
    ['half-cut, standing', { ...array, orientation: 'portrait' as const }, 2],
    ['whole cells, standing', { ...array, module: whole, orientation: 'portrait' as const }, 1],
    ['lying across', { ...array, orientation: 'landscape' as const }, 3],
    ['whole cells, lying across', { ...array, module: whole, orientation: 'landscape' as const }, 3],
  ])('%s', (_, each, strings) => expect(cellStringsUp(each)).toBe(strings))
})
