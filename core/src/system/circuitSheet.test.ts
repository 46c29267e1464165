import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import { circuitSheet } from './circuitSheet.ts'
import { SHAPES } from './testDesigns.ts'
import { workedCircuits } from './work.ts'

describe.each(Object.entries(SHAPES))('the working of the circuits of %s', (_, make) => {
  it('gives the drop again from its own terms', () => {
    const design = make()
    for (const each of workedCircuits(design)) {
      const sheet = circuitSheet(each, design)
      if (each.circuit.within || !each.conductor) {
        expect(sheet, each.circuit.id).toBeNull()
        continue
      }
      const of = (label: string) => sheet!.terms.find((term) => term.label === label)!.value
      const factor = each.circuit.threePhase ? Math.sqrt(3) : 2
      const drop = (factor * of('resistance one way, hot') * of('flows while it works')) / 1000
      expect(of('drop')).toBeCloseTo(drop, 9)
      expect(sheet!.value).toBeCloseTo((100 * drop) / of('volts'), 6)
      expect(sheet!.value).toBeCloseTo(each.conductor.dropPct, 9)
    }
  })
})

it('what feeds a short from either end', () => {
  const design = larkspurBench()
  const back = (id: string) => workedCircuits(design).find(({ circuit }) => circuit.id === id)!.circuit
  const { module, inParallel } = design.arrays[0]
  expect(back('array:array-1').backA).toBeCloseTo(module.iscA * inParallel * 1.25, 9)
  expect(back('controller:controller-1').backA).toBe(design.controllers[0].part.outputA)
  expect(back('controller:controller-1').faultA).toBeGreaterThan(10_000)
  expect(back('inverter').backA).toBe(design.inverter.part.chargerA)
  expect(back('bank-main').backA).toBe(0)
})
