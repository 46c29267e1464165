import { describe, expect, it } from 'vitest'
import { setCircuit } from '../change/circuits.ts'
import { larkspurBench, rowanForks } from '../design/samples.ts'
import { said } from '../units/words.ts'
import { entriesOf } from './entries.ts'
import { systemOf } from './systemOf.ts'
import { SHAPES } from './testDesigns.ts'
import { wallUnits } from './wall.ts'
import { workedCircuits } from './work.ts'

describe.each(Object.entries(SHAPES))('the cables into the wall of %s', (_, make) => {
  it('come into every unit that has any, in order, each within its breadth', () => {
    const design = make()
    const circuits = workedCircuits(design)
    for (const unit of wallUnits(design, systemOf(design))) {
      const entries = entriesOf(unit, circuits)
      expect(entries.length, unit.id).toBeGreaterThan(0)
      entries.forEach(({ along, holeMm, through }, i) => {
        expect(along).toBeGreaterThan(entries[i - 1]?.along ?? 0)
        expect(along).toBeLessThan(1)
        expect(holeMm).toBeGreaterThan(0)
        expect(said(through)).toMatch(/conduit|gland/)
      })
    }
  })
})

describe('a cable', () => {
  const into = (design: ReturnType<typeof larkspurBench>, unit: string) =>
    entriesOf(
      wallUnits(design, systemOf(design)).find(({ id }) => id === unit)!,
      workedCircuits(design),
    )
  it('comes through its conduit, or a gland for each of its wires', () => {
    const design = larkspurBench()
    const byId = (of: typeof design, id: string) => into(of, 'controller:controller-1').find((each) => each.id === id)!
    expect(said(byId(design, 'array:array-1').through)).toMatch(/^conduit/)
    const free = setCircuit('array:array-1', { laid: 'free-air' })(design)
    expect(said(byId(free, 'array:array-1').through)).toMatch(/^2 glands/)
    const none = setCircuit('array:array-1', { unused: true })(design)
    expect(byId(none, 'array:array-1')).toBeUndefined()
  })
  it('of two inverters comes into each', () => {
    const design = rowanForks()
    const ids = (unit: string) => into(design, unit).map(({ id }) => id)
    expect(ids('inverter:1')).toEqual(ids('inverter:2'))
    expect(ids('inverter:1')).toContain('inverter')
  })
})
