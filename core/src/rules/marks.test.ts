import { measuredCircuits, setCircuit } from '../change/circuits.ts'
import { describe, expect, it } from 'vitest'
import { takeVoltage } from '../change/bank.ts'
import { setField } from '../change/field.ts'
import { stepsTouched, touch } from '../change/touched.ts'
import { setOwned } from '../change/work.ts'
import { larkspurBench } from '../design/samples.ts'
import { newDesign } from '../design/defaults.ts'
import { migrate } from '../design/migrate.ts'
import { derive } from '../derive/derive.ts'
import { structuredCloneOf } from '../parts/shelf.ts'
import type { Design } from '../document/types.ts'
import { said } from '../units/words.ts'
import { findings, stepMark } from './registry.ts'
import { STEPS } from './rule.ts'

const fresh = () => newDesign('New', { label: '', latitudeDeg: 48, longitudeDeg: -115, climate: 'cold-valley' })
const marks = (design: Design) => {
  const all = findings({ design, derived: derive(design), winter: null })
  return Object.fromEntries(STEPS.map((step) => [step, stepMark(all, step, design)]))
}
const prices = (design: Design) =>
  findings({ design, derived: derive(design), winter: null })
    .filter(({ id }) => id === 'cost.prices')
    .map(({ level, says }) => `${level}: ${said(says)}`)

describe('the marks of the steps', () => {
  it('of a new design: none is sound', () => {
    expect(
      Object.entries(marks(fresh())).filter(([step, level]) => level === 'sound' && step !== 'build' && step !== 'log'),
    ).toEqual([])
  })
  it('a step is sound when somebody has been through it and nothing speaks against it', () => {
    const design = setField('generator.neutral', 'floating')(fresh())
    expect(marks(design).wiring).toBe('open')
    // its lines are still to be measured
    expect(marks(touch(['wiring'])(design)).wiring).toBe('open')
    expect(marks(measuredCircuits(touch(['wiring'])(design))).wiring).toBe('sound')
    // what is wrong stays wrong
    const broken = setCircuit('inverter', { size: '14 AWG' })(touch(['wiring'])(design))
    expect(marks(broken).wiring).toBe('stop')
  })
  it('winters are sound only on steps that have been gone through', () => {
    const design = larkspurBench()
    expect(stepMark([], 'winter', design)).toBe('sound')
    expect(stepMark([], 'winter', { touched: { ...design.touched, loads: false } })).toBe('open')
  })
  it('designs of earlier versions count as gone through', () => {
    const { touched: _touched, ...older } = larkspurBench()
    const { document } = migrate({ ...older, version: 6 }) as { document: Design }
    expect(Object.values(document.touched).every(Boolean)).toBe(true)
  })
})

describe('the step an edit has gone through', () => {
  const design = larkspurBench()
  it.each([
    ['bank', takeVoltage(24), ['bank']],
    ['place', setField('bank.inParallel', 4), ['bank']],
    ['loads', setField('schools.peak', 'everything'), ['loads']],
    ['place', setField('name', 'Other'), []],
    ['cost', setField('budget.taxPct', 3), []],
    [null, takeVoltage(24), ['bank', 'inverter', 'generator']],
  ] as const)('made in %s', (at, change, steps) => {
    expect(new Set(stepsTouched(design, change(design), at))).toEqual(new Set(steps))
  })
  it('of a suggestion that comes as a copy is only what differs', () => {
    const copy = structuredCloneOf(setField('bank.inParallel', 4)(design))
    expect(stepsTouched(design, copy, null)).toEqual(['bank'])
    expect(stepsTouched(design, structuredCloneOf(design), null)).toEqual([])
  })
})

const toBuy = (design: Design) =>
  derive(design).bill.rows.filter(({ status, group }) => status === 'buy' && group !== 'other').length

describe('prices', () => {
  it('of the program’s own parts are made up, and the cost is open', () => {
    const lines = toBuy(larkspurBench())
    expect(lines).toBeGreaterThan(20)
    expect(prices(larkspurBench())).toEqual([`open: ${lines} of ${lines} prices are made up.`])
  })
  it('that were typed, and what is owned, are not asked about', () => {
    const design = setField('bank.part.price', 1234)(setOwned('inverter', true)(larkspurBench()))
    const lines = toBuy(design)
    expect(lines).toBe(toBuy(larkspurBench()) - 1)
    expect(prices(design)).toEqual([`open: ${lines - 1} of ${lines} prices are made up.`])
    expect(prices(setField('bank.part.price', 0)(design))).toEqual([
      `open: ${lines - 1} of ${lines} prices are made up, 1 part has none.`,
    ])
  })
})
