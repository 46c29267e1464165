import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import { derive } from '../derive/derive.ts'
import { coincidentPeak } from '../loads/peak.ts'
import { findings } from '../rules/registry.ts'
import { continuousShare, countsVA, legLevel, legLoads, legVA, peakVA } from './apparent.ts'

/** The demo with every load at one power factor. */
const at = (powerFactor: number) => {
  const design = larkspurBench()
  design.loads = design.loads.map((load) => ({ ...load, powerFactor }))
  return design
}
const carries = (design = larkspurBench()) =>
  findings({ design, derived: derive(design), winter: null }).find(({ id }) => id === 'inverter.carries')!

describe('a share of what a leg carries for long', () => {
  it.each([
    [0, 'sound'],
    [0.8, 'sound'],
    [0.81, 'watch'],
    [1, 'watch'],
    [1.001, 'stop'],
  ])('%s is %s', (share, level) => expect(legLevel(share)).toBe(level))
})

describe('what is on at once on each leg', () => {
  it('fills it by watts, or by volt-amperes where those are nearer; the fullest is the share that rules', () => {
    for (const powerFactor of [1, 0.5]) {
      const design = at(powerFactor)
      const { worked } = derive(design)
      const legs = legLoads(design)
      expect(legs.map(({ leg }) => leg)).toEqual(['A', 'B'])
      for (const { watts, va } of legs) expect(va).toBeCloseTo(watts / powerFactor, 6)
      expect(Math.max(...legs.map(({ share }) => share))).toBeCloseTo(continuousShare(worked).value, 9)
    }
  })
  it('is held against volt-amperes where nothing draws more of them than watts only if fewer are carried', () => {
    const share = (ratedVA: (ratedW: number) => number) => {
      const design = at(1)
      design.inverter.part.ratedVA = ratedVA(design.inverter.part.ratedW)
      const { worked } = derive(design)
      const most = Math.max(...legLoads(design).map((each) => each.share))
      expect(most).toBeCloseTo(continuousShare(worked).value, 9)
      return most / worked['inverter.leg-share'].value
    }
    expect(share((ratedW) => ratedW)).toBeCloseTo(1, 9)
    expect(share((ratedW) => 2 * ratedW)).toBeCloseTo(1, 9)
    expect(share((ratedW) => ratedW / 2)).toBeCloseTo(2, 9)
  })
})

describe('volt-amperes', () => {
  it('are the watts where every power factor is one, and are then not spoken of', () => {
    const design = larkspurBench()
    const ac = design.loads.filter(({ leg }) => leg !== 'DC')
    for (const school of ['coincidence', 'everything'] as const)
      expect(peakVA(design, school)).toBeCloseTo(coincidentPeak(ac, school).continuousW, 6)
    expect(countsVA(design)).toBe(false)
    expect(derive(design).worked['inverter.va-share']).toBeUndefined()
  })
  it('are the watts ÷ the power factor', () => {
    expect(peakVA(at(0.5), 'everything')).toBeCloseTo(2 * peakVA(at(1), 'everything'), 6)
    expect(peakVA(at(0.8), 'coincidence')).toBeCloseTo(peakVA(at(1), 'coincidence') / 0.8, 6)
  })
  it('rule the verdict where they are nearer to the rating, by the VA the sheet states', () => {
    const design = at(0.3)
    const share = derive(design).worked['inverter.va-share'].value
    expect(share).toBeCloseTo(derive(design).worked['inverter.leg-share'].value / 0.3, 6)
    expect(carries(design)).toMatchObject({ level: 'stop', working: 'inverter.va-share' })
    design.inverter.part.ratedVA = 2 * design.inverter.part.ratedW
    expect(derive(design).worked['inverter.va-share'].value).toBeCloseTo(share / 2, 6)
    expect(carries(design).level).not.toBe('stop')
    expect(carries().working).toBe('inverter.leg-share')
    expect(continuousShare(derive(at(0.3)).worked).id).toBe('inverter.va-share')
    expect(continuousShare(derive(at(1)).worked).id).toBe('inverter.leg-share')
  })
  it('of an inverter whose sheet states watts alone are as many', () => {
    const design = larkspurBench()
    const { ratedW } = design.inverter.part
    design.inverter.hottestC = 20
    expect(legVA(design)).toBeCloseTo(ratedW / 2, 6)
  })
})
