import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { derive } from '../derive/derive.ts'
import { gannetSkerry, larkspurBench } from '../design/samples.ts'
import type { Design, Inverter } from '../document/types.ts'
import { invariantProblems } from '../design/invariants.ts'
import { inverterParts, partById } from '../parts/shelf.ts'
import { inverterChoices } from '../choices/inverter.ts'
import { bestLegs, legs, legYear, worstLegHour } from './legs.ts'
import {
  acrossVolts,
  inverterDerating,
  inverterRating,
  legChoices,
  onLegsOf,
  serviceOf,
  stackingChoices,
  withInverter,
} from './service.ts'

const joined = (id: string, quantity: number, stacking: Inverter['stacking'] = 'parallel'): Inverter => ({
  ...larkspurBench().inverter,
  part: partById(inverterParts, id),
  quantity,
  stacking,
})

describe('what stands at the panel', () => {
  it.each<[Inverter, string, string[], number]>([
    [joined('split-6k-48', 1), 'split-phase', ['A', 'B', 'AB', 'DC'], 240],
    [joined('one20-4k-48', 2, 'split-pair'), 'split-phase', ['A', 'B', 'AB', 'DC'], 240],
    [joined('one20-4k-48', 2), 'single-120', ['A', 'DC'], 120],
    [joined('one30-5k-48', 1), 'single-230', ['A', 'DC'], 230],
    [joined('one30-5k-48', 3, 'three-phase'), 'three-phase', ['A', 'B', 'C', 'ABC', 'DC'], 398.372],
  ])('%#: %s', (inverter, service, choices, across) => {
    expect(serviceOf(inverter)).toBe(service)
    expect(legChoices(serviceOf(inverter))).toEqual(choices)
    expect(acrossVolts(inverter)).toBeCloseTo(across, 2)
  })

  it.each([
    ['split-phase' as const, 2, ['parallel']],
    ['single-120' as const, 1, ['parallel']],
    ['single-120' as const, 2, ['parallel', 'split-pair']],
    ['single-120' as const, 6, ['parallel', 'split-pair', 'three-phase']],
    ['single-230' as const, 3, ['parallel', 'three-phase']],
    ['single-230' as const, 2, ['parallel']],
  ])('%s × %s may be joined %j', (topology, quantity, allowed) => {
    expect(stackingChoices({ topology }, quantity)).toEqual(allowed)
  })

  it('each leg has its part of the rating: half of split phase, a third of three', () => {
    const rating = (inverter: Inverter) =>
      inverterRating({ inverter: { ...inverter, hottestC: 20 }, place: { ...larkspurBench().place, elevationM: 0 } })
    expect(rating(joined('split-6k-48', 1))).toMatchObject({ continuousW: 6000, legW: 3000 })
    expect(rating(joined('one30-5k-48', 3, 'three-phase'))).toMatchObject({ continuousW: 15000, legW: 5000 })
    expect(rating(joined('one20-4k-48', 2, 'split-pair'))).toMatchObject({ continuousW: 8000, legW: 4000 })
    expect(rating(joined('one20-4k-48', 2))).toMatchObject({ continuousW: 8000, legW: 8000 })
  })

  it.each([
    // 0.8 %/K above 25 °C, 1 % per 100 m above 2000 m
    [1000, 25, 1],
    [1000, 45, 0.84],
    [2500, 20, 0.95],
    [3000, 35, 0.92 * 0.9],
  ])('at %s m and %s °C %s of the rating is left', (elevationM, airC, left) => {
    expect(inverterDerating(partById(inverterParts, 'split-6k-48'), elevationM, airC)).toBeCloseTo(left, 9)
  })
})

describe('legs', () => {
  it('three phases by hand: equal loads leave the neutral without current, one alone has all of it there', () => {
    const three = (a: number, b: number, c: number) =>
      legs(
        [
          { watts: a, leg: 'A' },
          { watts: b, leg: 'B' },
          { watts: c, leg: 'C' },
        ],
        'three-phase',
        230,
      ).neutralA
    expect(three(2300, 2300, 2300)).toBeCloseTo(0, 9)
    expect(three(2300, 0, 0)).toBeCloseTo(10, 9)
    // 10 A and 10 A at 120° make 10 A
    expect(three(2300, 2300, 0)).toBeCloseTo(10, 9)
    expect(legs([{ watts: 3000, leg: 'ABC' }], 'three-phase', 230)).toMatchObject({
      legAW: 1000,
      legBW: 1000,
      legCW: 1000,
    })
  })

  it('the best assignment is never heavier than any other, within a sixth', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 3000 }), { minLength: 1, maxLength: 9 }), (watts) => {
        const [load] = larkspurBench().loads
        const loads = watts.map((runningW, i) => ({
          ...load,
          id: `load-${i}`,
          runningW,
          quantity: 1,
          leg: 'A' as const,
        }))
        const chosen = bestLegs(loads)
        const heavier = (onA: (i: number) => boolean) => {
          const a = watts.reduce((sum, each, i) => sum + (onA(i) ? each : 0), 0)
          return Math.max(a, watts.reduce((sum, each) => sum + each, 0) - a)
        }
        let best = Infinity
        for (let mask = 0; mask < 2 ** watts.length; mask++)
          best = Math.min(
            best,
            heavier((i) => (mask >> i) % 2 === 1),
          )
        expect(heavier((i) => chosen[`load-${i}`] === 'A')).toBeLessThanOrEqual((7 / 6) * best + 1e-9)
      }),
      { numRuns: 40 },
    )
  })

  it('the day of the legs holds all energy on AC, and the worst hour is the highest of them', () => {
    const { loads, inverter } = larkspurBench()
    const year = legYear(loads)
    const worst = worstLegHour(loads, serviceOf(inverter))
    expect(worst.watts).toBe(Math.max(...year.flatMap(({ A, B }) => [...A, ...B])))
    expect(worst.watts).toBe(year[worst.month][worst.leg][worst.hour])
  })
})

describe('another inverter', () => {
  it('moves no load in silence: it is reckoned with on the legs there are', () => {
    const before = larkspurBench()
    const single = withInverter(before, partById(inverterParts, 'one30-5k-48'))
    expect(single.loads).toEqual(before.loads)
    expect(invariantProblems(single)).toEqual([])
    expect(new Set(onLegsOf(single).loads.map(({ leg }) => leg))).toEqual(new Set(['A']))
    expect(derive(single)).toEqual(derive(onLegsOf(single)))
    const all = single.loads.reduce((sum, { runningW, quantity }) => sum + runningW * quantity, 0)
    expect(derive(single).legs.legAW).toBeCloseTo(all, 6)
    const three = onLegsOf({ ...larkspurBench(), inverter: joined('one30-5k-48', 3, 'three-phase') })
    expect(three.loads.find(({ name }) => /well pump/.test(name))!.leg).toBe('ABC')
    expect(invariantProblems(three)).toEqual([])
  })

  it('an all-in-one brings its charge controller, a plain one leaves the controllers alone', () => {
    const all = withInverter(larkspurBench(), partById(inverterParts, 'all-12k-48'))
    expect(all.controllers[0].part.id).toBe('in-unit-500-120')
    expect(withInverter(larkspurBench(), partById(inverterParts, 'split-8k-48')).controllers).toEqual(
      larkspurBench().controllers,
    )
  })

  it('search mode goes off where the new one has none', () => {
    const design: Design = { ...larkspurBench(), inverter: { ...larkspurBench().inverter, search: true } }
    expect(withInverter(design, partById(inverterParts, 'all-12k-48')).inverter.search).toBe(false)
    expect(withInverter(design, partById(inverterParts, 'split-8k-48')).inverter.search).toBe(true)
  })

  it('the choices are those of the bank’s voltage; a larger one idles more', () => {
    const design = gannetSkerry()
    const { peak, otherPeak, sunHours, worstMonth } = derive(design)
    const big = { ...larkspurBench() }
    const derived = derive(big)
    const list = inverterChoices(big, derived.peak, derived.otherPeak, derived.sunHours[derived.worstMonth])
    expect(list.every(({ part }) => part.bankV === 48 && part.topology === 'split-phase')).toBe(true)
    const plain = list.filter(({ part }) => part.controller === null)
    plain.slice(1).forEach((each, i) => {
      expect(each.legShare).toBeLessThanOrEqual(plain[i].legShare + 1e-9)
      expect(each.idleWhDay).toBeGreaterThanOrEqual(plain[i].idleWhDay)
    })
    // idle 18 W a day is 432 Wh
    const choices = inverterChoices(design, peak, otherPeak, sunHours[worstMonth])
    expect(choices.find(({ part }) => part.id === 'one30-3k-24')!.idleWhDay).toBe(432)
    const all = list.find(({ part }) => part.controller)!
    expect(all.withControllers).toBe(all.price)
  })
})
