import { describe, expect, it } from 'vitest'
import { takeBattery } from '../change/bank.ts'
import { setInverterCount, takeInverter } from '../change/inverter.ts'
import { invariantProblems } from '../design/invariants.ts'
import { newDesign } from '../design/defaults.ts'
import { derive } from '../derive/derive.ts'
import { batteryParts, inverterParts, partById } from '../parts/shelf.ts'
import { findings } from '../rules/registry.ts'
import { suggestBank } from '../suggest/bank.ts'
import { suggestInverter } from '../suggest/inverter.ts'
import { bankConductors } from '../system/bankConductors.ts'
import { isBoxed } from './service.ts'

const cabin = () =>
  newDesign('Cabin', { label: '', latitudeDeg: 48, longitudeDeg: -115, elevationM: 900, climate: 'cold-valley' })
const boxes = inverterParts.filter(({ battery }) => battery !== null)
const boxOf = (id: string) => takeInverter(partById(inverterParts, id))(cabin())
const told = (design = cabin()) => findings({ design, derived: derive(design), winter: null })

describe('a portable power box', () => {
  it.each(boxes.map((part) => [part.id, part] as const))('%s brings its bank, its input and its volts', (id, part) => {
    const design = boxOf(id)
    expect(invariantProblems(design)).toEqual([])
    expect(isBoxed(design)).toBe(true)
    expect(design.bank).toMatchObject({ systemV: part.bankV, inSeries: 1, inParallel: 1 })
    expect(design.controllers[0].part.id).toBe(part.controller!.id)
    expect(design.generator.startV).toBeGreaterThan(part.bankV * 0.9)
  })
  it('is one thing: one price, no cable to its battery, none between units', () => {
    const design = boxOf('box-2k-48-120')
    const { bill, circuits } = derive(design)
    expect(bill.rows.filter(({ step }) => step === 'bank' || step === 'inverter').map(({ sum }) => sum)).toEqual([
      0, 1400,
    ])
    const inside = circuits.find(({ circuit }) => circuit.id === 'inverter')!
    expect(inside.circuit.within).toBe(true)
    expect(inside).toMatchObject({ device: null, groundSize: '', faults: [] })
    expect(bankConductors(design)).toEqual([])
    expect(told(design).filter(({ id }) => id === 'inverter.box')).toEqual([])
  })
  it.each(boxes.map((part) => [part.id, part] as const))('%s carries its own rating, low and cold', (id, part) => {
    const design = boxOf(id)
    const [load, ...others] = design.loads
    Object.assign(load, { runningW: part.ratedW * 0.75, startKind: 'none', startW: null, duty: 1, quantity: 1 })
    for (const other of others) other.supply = 'out'
    design.inverter.hottestC = 20
    expect(told(design).find(({ id: of }) => of === 'inverter.carries')!.level).toBe('sound')
  })
  it('two of it are two batteries and two inputs', () => {
    const design = setInverterCount(2)(boxOf('box-2k-48-120'))
    expect(design.bank.inParallel).toBe(2)
    expect(design.controllers).toHaveLength(2)
    expect(invariantProblems(design)).toEqual([])
  })
  it('taken away leaves a bank of the shelf about as large, at a price', () => {
    const boxed = boxOf('box-2k-48-120')
    const design = takeInverter(partById(inverterParts, 'one20-4k-48'))(boxed)
    expect(isBoxed(design)).toBe(false)
    expect(batteryParts.map(({ id }) => id)).toContain(design.bank.part.id)
    expect(design.bank.part.price).toBeGreaterThan(0)
    expect(invariantProblems(design)).toEqual([])
  })
  it('with another bank is asked about, and its own comes back', () => {
    const design = takeBattery(partById(batteryParts, 'lfp-51-100'))(boxOf('box-2k-48-120'))
    const [found] = told(design).filter(({ id }) => id === 'inverter.box')
    expect(found.level).toBe('watch')
    const back = found.remedy!.apply(design)
    expect(isBoxed(back)).toBe(true)
    expect(told(back).filter(({ id }) => id === 'inverter.box')).toEqual([])
  })
  it('is neither taken apart nor brought in by a suggestion', () => {
    const boxed = boxOf('box-2k-48-120')
    expect(suggestBank(boxed).design).toEqual(boxed)
    expect(suggestInverter(boxed).design.inverter.part.battery).not.toBeNull()
    expect(suggestInverter(cabin()).design.inverter.part.battery).toBeNull()
  })
})
