import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { derate } from '../generator/power.ts'
import { invariantProblems } from '../design/invariants.ts'
import { legsOfService, serviceOf } from '../inverter/service.ts'
import { copperDraw, gannetSkerry, larkspurBench, larkspurFlooded, larkspurMoreSun } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { findings } from '../rules/registry.ts'
import { suggestArray } from './array.ts'
import { suggestBank } from './bank.ts'
import { suggestGenerator } from './generator.ts'
import { suggestInverter } from './inverter.ts'
import { suggestLoads } from './loads.ts'
import { suggestPlace } from './place.ts'
import type { Suggestion } from './suggestion.ts'
import { suggestWiring } from './wiring.ts'
import { said } from '../units/words.ts'

const SUGGESTS: [string, (design: Design) => Suggestion][] = [
  ['place', suggestPlace],
  ['loads', suggestLoads],
  ['bank', suggestBank],
  ['array', suggestArray],
  ['inverter', suggestInverter],
  ['generator', suggestGenerator],
  ['wiring', suggestWiring],
]
const SAMPLES = { larkspurBench, larkspurFlooded, larkspurMoreSun, gannetSkerry, copperDraw }
const stops = (design: Design, step: string) =>
  findings({ design, derived: derive(design), winter: null })
    .filter((finding) => finding.step === step && finding.level === 'stop')
    .map(({ id, says }) => `${id}: ${says}`)

describe.each(SUGGESTS)('what is suggested for %s', (step, suggest) => {
  it.each(Object.entries(SAMPLES))('of %s is sound, said in sentences, and leaves the design alone', (_, make) => {
    const design = make()
    const suggestion = suggest(design)
    expect(design).toEqual(make())
    expect(invariantProblems(suggestion.design)).toEqual([])
    expect(suggestion.reasons.length).toBeGreaterThan(0)
    for (const reason of suggestion.reasons) expect(said(reason)).toMatch(/^[“\p{Lu}\d−].*[.)]$/u)
  })

  it.each(Object.entries(SAMPLES))('of %s brings no stop into its own step', (_, make) => {
    const before = stops(make(), step)
    expect(stops(suggest(make()).design, step).filter((each) => !before.includes(each))).toEqual([])
  })

  it.each(Object.entries(SAMPLES))('of %s is what it would suggest again', (_, make) => {
    const once = suggest(make()).design
    expect(suggest(once).design).toEqual(once)
  })
})

describe('the size that is suggested', () => {
  it.each(Object.entries(SAMPLES))(
    'of the array of %s meets the hand method with its own controllers on',
    (_, make) => {
      const { design, reasons } = suggestArray(make())
      if (reasons.some((reason) => said(reason).includes('the backup carries the rest'))) return
      expect(derive(design).worked['array.cover'].value).toBeGreaterThanOrEqual(1)
    },
  )

  it.each(Object.entries(SAMPLES))('of the loads of %s says how the legs are loaded, of those there are', (_, make) => {
    const design = make()
    const told = suggestLoads(design)
      .reasons.map((reason) => said(reason))
      .join(' ')
    const legs = legsOfService(serviceOf(design.inverter)).length
    expect(told).toContain(legs > 1 ? 'all legs carry about the same' : 'The inverter has one leg')
  })

  it.each(Object.entries(SAMPLES))('of the bank of %s holds the days asked for', (_, make) => {
    const { design } = suggestBank(make())
    expect(derive(design).worked['bank.days'].value).toBeGreaterThanOrEqual(design.bank.autonomyDays * 0.98)
  })

  it.each(Object.entries(SAMPLES))(
    'of the inverter of %s carries what is on at once and its largest start',
    (_, make) => {
      const { worked } = derive(suggestInverter(make()).design)
      expect(worked['inverter.leg-share'].value).toBeLessThanOrEqual(1)
      expect(worked['inverter.surge-share'].value).toBeLessThanOrEqual(1)
    },
  )

  it.each([
    // the smallest propane set that carries the house, its charger turned down to 70 % of what it really gives
    [larkspurBench, 'propane-5k', 50],
    [copperDraw, 'petrol-2k', 45],
  ] as const)('of the generator of %o is the smallest of its fuel, its charger turned down', (make, id, limitA) => {
    const { generator } = suggestGenerator(make()).design
    expect([generator.part.id, generator.chargeLimitA]).toEqual([id, limitA])
  })

  it.each(Object.entries(SAMPLES))('of the generator of %s is worked neither hard nor idly', (_, make) => {
    const { design, reasons } = suggestGenerator(make())
    const { worked, peak } = derive(design)
    const share = worked['generator.load-share'].value
    expect(share).toBeLessThan(0.8)
    if (!reasons.some((reason) => said(reason).startsWith('No smaller set'))) expect(share).toBeGreaterThanOrEqual(0.45)
    const { part } = design.generator
    expect(derate(part.ratedW, design.place.elevationM, 25, part.fuel)).toBeGreaterThanOrEqual(
      Math.min(peak.continuousW, 7000),
    )
  })
})

/** All seven, in the order of the steps, as somebody new would take them. */
const allOf = (design: Design) => SUGGESTS.reduce((next, [, suggest]) => suggest(next).design, design)

describe('all suggestions one after the other', () => {
  it.each(Object.entries(SAMPLES))('leave %s without a stop', (_, make) => {
    const design = allOf(make())
    for (const [step] of SUGGESTS) expect(stops(design, step), step).toEqual([])
  })

  it('for twice the need hold about twice the energy and the modules', () => {
    const small = allOf(larkspurBench())
    const large = larkspurBench()
    for (const load of large.loads) load.hoursPerDay = Math.min(24, load.hoursPerDay * 2)
    const grown = allOf(large)
    const worked = (design: Design, id: string) => derive(design).worked[id].value
    const need = worked(grown, 'loads.battery-day') / worked(small, 'loads.battery-day')
    expect(need).toBeGreaterThan(1.2)
    for (const id of ['bank.rated', 'array.rated']) {
      const ratio = worked(grown, id) / worked(small, id)
      expect(ratio, id).toBeGreaterThan(need * 0.7)
      expect(ratio, id).toBeLessThan(need * 1.5)
    }
  })
})
