import { describe, expect, it } from 'vitest'
import { sunChargeA } from '../../array/controllers.ts'
import { setCircuit } from '../../change/circuits.ts'
import { derive } from '../../derive/derive.ts'
import { larkspurBench } from '../../design/samples.ts'
import { said } from '../../units/words.ts'
import { circuitsCarry } from './circuits.ts'

/** What is said of a circuit whose device has so many amps. */
function told(id: string, deviceA: number, of = larkspurBench()) {
  const design = setCircuit(id, { deviceA })(of)
  return circuitsCarry
    .check({ design, derived: derive(design), winter: null })
    .filter(({ subject, says }) => subject === id && said(says).includes('open'))
    .map(({ level, says }) => [level, said(says).replace(/^.* (may open|opens) .*$/, '$1')])
}

describe('a device of too few amps', () => {
  const { link, worked, circuits } = derive(larkspurBench())
  const of = (id: string) => circuits.find(({ circuit }) => circuit.id === id)!.circuit

  it.each(['controller:controller-1', 'backup', 'branch:load-11'])('opens in %s by what flows for hours', (id) => {
    const { steadyA, workingA, designA } = of(id)
    expect(steadyA).toBeGreaterThan(0.7 * workingA)
    expect(steadyA).toBeLessThanOrEqual(workingA)
    expect(told(id, steadyA * 0.98)).toEqual([['stop', 'opens']])
    expect(told(id, steadyA * 1.02)).toEqual([['watch', 'may open']])
    expect(told(id, designA)).toEqual([])
  })

  it.each(['inverter', 'panel'])('opens in %s by what is on at once, not by all the inverter could', (id) => {
    const { workingA } = of(id)
    const onceA = workingA * (link.loadA / worked['inverter.low-voltage-current'].value)
    expect(onceA).toBeLessThan(workingA * 0.8)
    expect(told(id, onceA * 0.98)).toEqual([['stop', 'opens']])
    expect(told(id, onceA * 1.02)).toEqual([['watch', 'may open']])
  })

  it('opens at the bank by the sun that comes in, where that is more than what is on at once', () => {
    const sunA = sunChargeA(larkspurBench(), 51.2)
    expect(sunA).toBeGreaterThan(link.loadA)
    expect(told('bank-main', sunA * 0.98)).toEqual([['stop', 'opens']])
    expect(told('bank-main', sunA * 1.02)).toEqual([['watch', 'may open']])
  })

  it('may open, no more, where the controller could give more than its array brings', () => {
    const one = larkspurBench()
    Object.assign(one.arrays[0], { inSeries: 4, inParallel: 1 })
    expect(told('controller:controller-1', 40, one)).toEqual([['watch', 'may open']])
    expect(told('controller:controller-1', 30, one)).toEqual([['stop', 'opens']])
  })
})
