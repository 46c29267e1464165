import { describe, expect, it } from 'vitest'
import { takeInverter } from '../change/inverter.ts'
import { addLoads } from '../change/loads.ts'
import { newDesign } from '../design/defaults.ts'
import { larkspurBench } from '../design/samples.ts'
import { invariantProblems } from '../design/invariants.ts'
import { derive } from '../derive/derive.ts'
import type { Design } from '../document/types.ts'
import { appliance, loadFromAppliance } from '../loads/appliances.ts'
import { inverterParts, partById } from '../parts/shelf.ts'
import { suggestInverter } from '../suggest/inverter.ts'
import { said } from '../units/words.ts'
import { WinterEngine } from '../winter/engine.ts'
import { findings } from './registry.ts'

const at = (longitudeDeg: number) =>
  newDesign('Cabin', { label: '', latitudeDeg: 48, longitudeDeg, climate: 'cold-valley' })
const pump = loadFromAppliance(appliance('well-pump'), 'load-9')
const told = (design: Design) =>
  findings({ design, derived: derive(design), winter: null })
    .filter(({ id }) => id === 'inverter.legs-there')
    .map(({ level, says }) => `${level}: ${said(says)}`)

describe('a load that the inverter has no legs for', () => {
  it('of 240 V keeps them where there is one leg of 120 V, and stops the step', () => {
    const design = addLoads([pump])(at(-115))
    expect(design.loads.at(-1)!.leg).toBe('AB')
    expect(invariantProblems(design)).toEqual([])
    expect(told(design)).toEqual([
      'stop: Submersible well pump needs 240 V across two legs; the inverter gives one leg of 120 V.',
    ])
    const [found] = findings({ design, derived: derive(design), winter: null }).filter(
      ({ id }) => id === 'inverter.legs-there',
    )
    const mended = found.remedy!.apply(design)
    expect(mended.loads.at(-1)!.leg).toBe('A')
    expect(told(mended)).toEqual([])
  })
  it('is one of 230 V where that is what there is', () => {
    const design = addLoads([pump])(at(10))
    expect(design.loads.at(-1)!.leg).toBe('A')
    expect(told(design)).toEqual([])
  })
  it('keeps its legs through another inverter and back', () => {
    const before = larkspurBench()
    const single = takeInverter(partById(inverterParts, 'one20-4k-48'))(before)
    expect(single.loads).toEqual(before.loads)
    expect(told(single)).toHaveLength(1)
    const back = takeInverter(partById(inverterParts, 'split-6k-48'))(single)
    expect(back.loads).toEqual(before.loads)
    expect(told(back)).toEqual([])
  })
  it('is run and reckoned as if it ran', () => {
    const design = addLoads([pump])(at(-115))
    const onOne = { ...design, loads: design.loads.map((load) => ({ ...load, leg: 'A' as const })) }
    const year = (of: Design) => new WinterEngine().year(of, 7, 0)
    expect(year(design)).toEqual(year(onOne))
    expect(derive(design).peak).toEqual(derive(onOne).peak)
  })
  it('makes a suggestion split-phase', () => {
    const { design } = suggestInverter(addLoads([pump])(at(-115)))
    expect(design.inverter.part.topology).toBe('split-phase')
    expect(told(design)).toEqual([])
  })
})
