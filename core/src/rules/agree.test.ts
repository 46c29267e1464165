import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { setField, valueAt } from '../change/field.ts'
import { copperDraw, gannetSkerry, larkspurBench, larkspurFlooded, rowanForks } from '../design/samples.ts'
import { invariantProblems } from '../design/invariants.ts'
import { derive } from '../derive/derive.ts'
import type { Design } from '../document/types.ts'
import { eachField } from '../fields/at.ts'
import type { Field } from '../fields/field.ts'
import { said } from '../units/words.ts'
import { WinterEngine } from '../winter/engine.ts'
import { summariseWinter } from '../winter/summary.ts'
import { findings } from './registry.ts'
import type { Step } from './rule.ts'

const HARDWARE = /^(bank|arrays|controllers|inverter|generator|place\.(batteryRoom|elevation|record))/
const FIELDS = eachField().filter(
  ({ path, field }) => HARDWARE.test(path) && ['number', 'choice', 'flag'].includes(field.kind),
)

/** The design with another value in a field of the first of each list; null where it has none, or not with this value. */
function entered(design: Design, path: string, field: Field, at: number): Design | null {
  const place = path.replaceAll('[]', '.0')
  const now = valueAt(design, place)
  if (now === undefined) return null
  const next = setField(place, another(field, now, at))(design)
  return invariantProblems(next).length === 0 ? next : null
}

/** Another value of a field. @param at 0…1, the middle of which leaves a number as it is */
function another(field: Field, now: unknown, at: number): unknown {
  if (field.kind === 'choice')
    return field.options[Math.min(field.options.length - 1, Math.floor(at * field.options.length))].value
  if (field.kind !== 'number') return now !== true
  const from = typeof now === 'number' ? now : field.min + (field.max - field.min) / 10
  const value = Math.min(field.max, Math.max(field.min, from * Math.exp((at - 0.5) * 5)))
  return field.whole ? Math.round(value) : value
}

const mutated = fc
  .tuple(
    fc.constantFrom(larkspurBench, larkspurFlooded, gannetSkerry, copperDraw, rowanForks),
    fc.array(fc.tuple(fc.constantFrom(...FIELDS), fc.double({ min: 0, max: 1, noNaN: true })), {
      minLength: 1,
      maxLength: 4,
    }),
  )
  .map(([make, changes]) =>
    changes.reduce((design, [{ path, field }, at]) => entered(design, path, field, at) ?? design, make()),
  )

const engine = new WinterEngine()
/** Hours of full sun an array gives a year below which its step says why: half of the least of the samples'. */
const LEAST_SUN_H = 400

/** What fails in the first year of a design and is told in no step where its cause may lie. */
function untold(design: Design): string[] {
  const years = engine.run(design, { years: 1, seed: 7 })
  const derived = derive(design)
  const found = findings({ design, derived, winter: summariseWinter(years, design) })
  const isTold = (...steps: Step[]) =>
    found.some(({ step, level }) => steps.includes(step) && (level === 'stop' || level === 'watch'))
  const [year] = years
  const ratedW = derived.arrays.reduce((sum, array) => sum + array.ratedW, 0)
  return [
    ratedW > 0 && (year.arrayWh + year.otherWh) / ratedW < LEAST_SUN_H && !isTold('array') && 'the array gives little',
    year.shortHours.must > 5 && !isTold('winter') && 'what must run is off',
    year.shortHours.must > 5 &&
      design.generator.present &&
      year.generatorHours < 5 &&
      !isTold('generator') &&
      'the backup never runs',
    year.shortHours.must > 20 && !isTold('bank', 'array', 'inverter', 'generator') && 'nothing names a cause',
    ...Object.values(derived.worked).map(({ id, value }) => !Number.isFinite(value) && `sheet ${id} is ${value}`),
    ...found.map(({ says, because }) => /NaN|Infinity|undefined/.test(said(says) + said(because)) && said(says)),
  ].filter((each) => each !== false)
}

describe('what fails in the run is told where its cause lies', () => {
  it('whatever is entered', () => {
    fc.assert(
      fc.property(mutated, (design) => {
        expect(untold(design)).toEqual([])
      }),
      { numRuns: 60, seed: 20 },
    )
  })

  it.each(FIELDS.filter(({ field }) => field.kind === 'number').map(({ path, field }) => [path, field] as const))(
    'at a quarter and four times of %s',
    (path, field) => {
      for (const at of [0.223, 0.777]) {
        const design = entered(larkspurBench(), path, field, at)
        if (design) expect(untold(design), `at ${at}`).toEqual([])
      }
    },
  )
})
