import { expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import { handSchools } from '../choices/bank.ts'
import { derive } from './derive.ts'

it('the bank lasts longer where only what must run is on, by what the others take', () => {
  const { worked, loadCosts } = derive(larkspurBench())
  expect(worked['bank.days-must'].value).toBeGreaterThan(worked['bank.days'].value)
  const all = larkspurBench()
  all.loads.forEach((load) => (load.priority = 'must'))
  expect(derive(all).worked['bank.days-must']).toBeUndefined()
  // 5 % of the house for an hour is a twentieth of it for twenty
  const design = larkspurBench()
  const [cost] = loadCosts
  expect(cost.aloneH).toBeCloseTo(
    worked['bank.usable'].value / ((design.loads[0].runningW * design.loads[0].quantity) / 0.9),
    6,
  )
})

it('the days that are chosen stand among the rules of the table', () => {
  const design = larkspurBench()
  design.bank.autonomyDays = 2.5
  const days = handSchools(design, 6000, 12, 7).map((school) => school.days)
  expect([...new Set(days)]).toEqual([2, 2.5, 3, 5, 7])
  expect(
    handSchools(design, 6000, 12, 7)
      .filter(({ fromSpells }) => fromSpells)
      .every((school) => school.days === 7),
  ).toBe(true)
})
