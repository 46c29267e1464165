import { describe, expect, it } from 'vitest'
import { setCircuit } from '../../change/circuits.ts'
import { derive } from '../../derive/derive.ts'
import { larkspurBench } from '../../design/samples.ts'
import { said } from '../../units/words.ts'
import { circuitsCarry } from './circuits.ts'

/** What is said of a circuit whose device has so many amps. */
function told(id: string, deviceA: number) {
  const design = setCircuit(id, { deviceA })(larkspurBench())
  return circuitsCarry
    .check({ design, derived: derive(design), winter: null })
    .filter(({ subject, says }) => subject === id && said(says).includes('open'))
    .map(({ level, says }) => [level, said(says).replace(/^.* (may open|opens) .*$/, '$1')])
}

describe('a device of too few amps', () => {
  const { link, worked, circuits } = derive(larkspurBench())
  const of = (id: string) => circuits.find(({ circuit }) => circuit.id === id)!.circuit

  it.each(['controller:controller-1', 'backup', 'branch:load-11'])('opens in %s by what flows for hours', (id) => {
    const { workingA, designA } = of(id)
    expect(told(id, workingA * 0.98)).toEqual([['stop', 'opens']])
    expect(told(id, workingA * 1.02)).toEqual([['watch', 'may open']])
    expect(told(id, designA)).toEqual([])
  })

  it.each(['bank-main', 'inverter', 'panel'])(
    'opens in %s by what is on at once, not by all the inverter could',
    (id) => {
      const { workingA } = of(id)
      const onceA = workingA * (link.loadA / worked['inverter.low-voltage-current'].value)
      expect(onceA).toBeLessThan(workingA * 0.8)
      expect(told(id, onceA * 0.98)).toEqual([['stop', 'opens']])
      expect(told(id, onceA * 1.02)).toEqual([['watch', 'may open']])
    },
  )
})
