import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { invariantProblems } from '../design/invariants.ts'
import type { Design } from '../document/types.ts'
import { findings } from '../rules/registry.ts'
import { said } from '../units/words.ts'
import { WinterEngine } from '../winter/engine.ts'
import { summariseWinter } from '../winter/summary.ts'
import { suggestArray } from './array.ts'
import { suggestionFor } from './ask.ts'
import { suggestBank } from './bank.ts'
import { suggestGenerator } from './generator.ts'
import { suggestInverter } from './inverter.ts'
import { suggestLoads } from './loads.ts'
import { anyScenario, designOf, SCENARIOS } from './testDesigns.ts'
import { faultsOf, leastFaults } from './tried.ts'

describe('a whole system by one button', () => {
  it.each(SCENARIOS.map((scenario) => [scenario.name, scenario] as const))(
    '%s is carried through nine winters in ten, and no rule is worse than a watch that is explained',
    (_, scenario) => {
      const begun = designOf(scenario)
      expect(invariantProblems(begun)).toEqual([])
      const { design, reasons } = suggestionFor('whole', new WinterEngine(), begun)
      expect(invariantProblems(design)).toEqual([])
      // other weather than it was proved on
      const winter = summariseWinter(new WinterEngine().run(design, { years: 20, seed: 11 }), design)
      expect(winter.oneInTen.shortHours.must).toBeLessThanOrEqual(0.5)
      const told = findings({ design, derived: derive(design), winter })
      expect(told.filter(({ level }) => level === 'stop').map(({ says }) => said(says))).toEqual([])
      for (const { because, level } of told) if (level === 'watch') expect(said(because).length).toBeGreaterThan(20)
      expect(reasons.map((reason) => said(reason)).join(' ')).toContain('Over 20 years of weather')
      expect(design.loads.map(({ id }) => id)).toEqual(begun.loads.map(({ id }) => id))
      expect(design.place).toEqual(begun.place)
    },
  )
})

const EACH: [string, (design: Design) => { design: Design }][] = [
  ['loads', suggestLoads],
  ['bank', suggestBank],
  ['inverter', suggestInverter],
  ['array', suggestArray],
  ['generator', suggestGenerator],
]
const keysOf = (design: Design) =>
  faultsOf(design)
    .filter(({ level }) => level === 'stop')
    .map(({ id, subject }) => `${id} ${subject}`)

describe('a thousand households', () => {
  it('get no suggestion that raises a stop', () => {
    let nth = 0
    fc.assert(
      fc.property(anyScenario, (scenario) => {
        const design = designOf(scenario)
        const before = keysOf(design)
        // each household asks for one step, the next household for the next
        const [step, suggest] = EACH[nth++ % EACH.length]
        const suggested = suggest(design).design
        expect(invariantProblems(suggested), step).toEqual([])
        expect(
          keysOf(suggested).filter((key) => !before.includes(key)),
          step,
        ).toEqual([])
      }),
      { numRuns: 1000 },
    )
  }, 600_000)
})

describe('choices held against the rules', () => {
  const design = designOf(SCENARIOS[0])
  const faulty = { ...design, arrays: design.arrays.map((array) => ({ ...array, inSeries: 20 })) }

  it('put the one that nothing is against before those that came first, and look no further', () => {
    const looked: string[] = []
    const clean = suggestionFor('whole', new WinterEngine(), design).design
    const tried = leastFaults(['bad', 'good', 'later'], (name) => {
      looked.push(name)
      return name === 'bad' ? faulty : clean
    })
    expect(looked).toEqual(['bad', 'good'])
    expect(tried.map(({ choice }) => choice)).toEqual(['good', 'bad'])
  })

  it('are the best three that a whole look at each of them would find', () => {
    const worseOf = (a: Design, b: Design) => {
      const [faultsA, faultsB] = [faultsOf(a), faultsOf(b)]
      const stops = (of: typeof faultsA) => of.filter(({ level }) => level === 'stop').length
      return stops(faultsA) - stops(faultsB) || faultsA.length - faultsB.length
    }
    const strings = [9, 3, 14, 2, 5, 12, 1, 4, 7, 20, 6]
    const bank = { ...design.bank, inParallel: 3 }
    for (const of of [design, { ...design, bank }, faulty]) {
      const designs = strings.map((inSeries) => ({
        ...of,
        arrays: of.arrays.map((array) => ({ ...array, inSeries, inParallel: 1 + (inSeries % 3) })),
      }))
      const byLook = [...designs].sort(worseOf).slice(0, 3)
      const tried = leastFaults(designs, (each) => each)
      expect(tried.map(({ choice }) => designs.indexOf(choice))).toEqual(byLook.map((each) => designs.indexOf(each)))
      const named = (faults: ReturnType<typeof faultsOf>) =>
        faults.map(({ id, subject, level }) => [id, subject, level])
      for (const { design: told, faults } of tried) expect(named(faults)).toEqual(named(faultsOf(told)))
    }
  })

  it('keep the order of equals', () => {
    expect(leastFaults(['a', 'b'], () => faulty).map(({ choice }) => choice)).toEqual(['a', 'b'])
  })
})
