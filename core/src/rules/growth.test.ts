import { describe, expect, it } from 'vitest'
import { racking } from '../array/racking.ts'
import { setControllerKind } from '../change/array.ts'
import { setField } from '../change/field.ts'
import { setTopology } from '../change/parts.ts'
import { larkspurBench } from '../design/samples.ts'
import { derive } from '../derive/derive.ts'
import type { Design } from '../document/types.ts'
import { partFromLabel } from '../parts/fromLabel.ts'
import { suggestArray } from '../suggest/array.ts'
import { said } from '../units/words.ts'
import { bankConductors } from '../system/bankConductors.ts'
import { findings } from './registry.ts'

const told = (design: Design, id: string) =>
  findings({ design, derived: derive(design), winter: null }).filter((each) => each.id === id)
const grown = (growth: Partial<Design['growth']>, change: (design: Design) => void = () => {}) => {
  const design = larkspurBench()
  design.growth = { ...design.growth, ...growth }
  change(design)
  return design
}
const run = (design: Design, id: string) => derive(design).system.circuits.find((each) => each.id === id)!

describe('what is to come later', () => {
  it('makes cables thicker; what is to be added costs nothing yet', () => {
    const now = larkspurBench()
    const later = grown({ arrayW: 2000, inverterW: 3000, bankKWh: 5 })
    const parts = (design: Design) => derive(design).bill.rows.filter(({ group }) => group === 'major')
    expect(parts(later)).toEqual(parts(now))
    // two strings of 7 × 415 W: 2 kW more are a third string
    expect(run(later, 'array:array-1').designA / run(now, 'array:array-1').designA).toBeCloseTo(1.5, 6)
    // 6 kW and 3 kW later: half as much again
    expect(run(later, 'panel').designA / run(now, 'panel').designA).toBeCloseTo(1.5, 6)
    expect(run(later, 'inverter').designA / run(now, 'inverter').designA).toBeCloseTo(1.5, 6)
    const main = (design: Design) => bankConductors(design).find(({ part }) => part === 'main' || part === 'lead')!
    expect(main(later).amps).toBeGreaterThan(main(now).amps)
    expect(derive(later).batteryWh).toEqual(derive(now).batteryWh)
  })
  it('asks whether the controllers have room for it, and whether the bank takes its strings', () => {
    expect(told(grown({ arrayW: 1000 }), 'array.growth').map(({ level }) => level)).toEqual(['watch'])
    expect(told(grown({ arrayW: 0 }), 'array.growth')).toEqual([])
    const [found] = told(grown({ arrayW: 1000 }), 'array.growth')
    expect(told(found.remedy!.apply(grown({ arrayW: 1000 })), 'array.growth')).toEqual([])
    expect(told(grown({ bankKWh: 10 }), 'bank.growth')).toEqual([])
    expect(
      told(
        grown({ bankKWh: 10 }, ({ bank }) => (bank.part.parallelLimit = 7)),
        'bank.growth',
      ).map(({ says }) => said(says)),
    ).toEqual(['10 kWh are to come later: that makes 8 strings, and the part allows 7.'])
  })
  it('is left room for by a suggested array', () => {
    const suggested = suggestArray(grown({ arrayW: 3000 })).design
    expect(told(suggested, 'array.growth')).toEqual([])
  })
})

describe('days to recharge as a target', () => {
  it('raise the array by the hand method by what fills the bank', () => {
    const design = larkspurBench()
    const need = (rechargeDays: number | null) =>
      derive(setField('bank.rechargeDays', rechargeDays)(design)).worked['array.need'].value
    expect(need(4)).toBeGreaterThan(need(8))
    expect(need(8)).toBeGreaterThan(need(null))
    const { worked, sunHours, batteryWh } = derive(setField('bank.rechargeDays', 5)(design))
    const askedWh = batteryWh.map((wh) => wh + worked['bank.usable'].value / 5)
    const most = Math.max(...askedWh.flatMap((wh, m) => (sunHours[m] >= 1 ? [wh / (sunHours[m] * 0.8)] : [])))
    expect(worked['array.need'].value).toBeCloseTo(most, 6)
  })
  it('are a finding where they are not met, and none where they are or are not asked for', () => {
    const design = larkspurBench()
    expect(told(design, 'bank.recharge')).toEqual([])
    const asked = setField('bank.rechargeDays', 4)(design)
    expect(told(asked, 'bank.recharge').map(({ level }) => level)).toEqual(['watch'])
    const larger = setField('arrays.0.inParallel', 9)(asked)
    expect(told(larger, 'bank.recharge')).toEqual([])
  })
  it('offer the modules that meet them, where a layout does', () => {
    const asked = setField('bank.rechargeDays', 40)(larkspurBench())
    const [found] = told(asked, 'bank.recharge')
    expect(found.remedy).toBeDefined()
    expect(told(found.remedy!.apply(asked), 'bank.recharge')).toEqual([])
  })
})

describe('a part that rests on estimates', () => {
  const { part } = partFromLabel('module', { vocV: 37.4, iscA: 13.98, ratedW: 415, cells: 108 })
  const guessed = () => setField('arrays.0.module', { ...part, id: 'own-1' })(larkspurBench())

  it('is an open finding that names its figures', () => {
    const [found] = told(guessed(), 'array.estimates')
    expect(found.level).toBe('open')
    expect(said(found.says)).toMatch(/^Estimates in “Module 415 W”: Vmp, Imp, β of Voc, .* and \d+ more\.$/)
    expect(told(larkspurBench(), 'array.estimates')).toEqual([])
  })
  it('loses a mark with each figure that is typed, and all of them by the sheet', () => {
    const design = guessed()
    const typed = setField('arrays.0.module.vmpV', 31.2)(design)
    expect(typed.arrays[0].module.estimated).toEqual(part.estimated.filter((key) => key !== 'vmpV'))
    expect(design.arrays[0].module.estimated).toContain('vmpV')
    const [found] = told(design, 'array.estimates')
    expect(told(found.remedy!.apply(design), 'array.estimates')).toEqual([])
  })
  it('loses it too where an edit brings more than the figure', () => {
    const design = setField('inverter.part.estimated', ['topology', 'idleW'])(larkspurBench())
    expect(setTopology('single-120')(design).inverter.part).toMatchObject({
      topology: 'single-120',
      estimated: ['idleW'],
    })
    const guess = setField('controllers.0.part.estimated', ['kind', 'selfW'])(design)
    expect(setControllerKind(0, 'ac-coupled')(guess).controllers[0].part.estimated).toEqual(['selfW'])
  })
  it('of the bank keeps the others’ marks when a capacity deep within is typed', () => {
    const battery = partFromLabel('battery', { nominalV: 6, ampHours: 300, chemistry: 'flooded' }).part
    const design = setField('bank.part', { ...battery, estimated: ['capacities', 'surgeA'] })(larkspurBench())
    expect(setField('bank.part.capacities.0.ampHours', 250)(design).bank.part.estimated).toEqual(['surgeA'])
  })
})

describe('rails', () => {
  it('stand on feet as far apart as the rack maker says, with clamps as somebody counted', () => {
    const [array] = larkspurBench().arrays
    const sun = { azimuthDeg: 180, elevationDeg: 15 }
    const usual = racking(array, 2, sun)
    // 8.26 m on two rails of two rows: 1.2 m apart 8 feet a rail, 2 m apart 6
    expect(usual.feet).toBe(32)
    expect(racking({ ...array, footSpacingM: 2 }, 2, sun).feet).toBe(24)
    expect(racking({ ...array, midClamps: 30, endClamps: 10 }, 2, sun)).toMatchObject({ midClamps: 30, endClamps: 10 })
  })
})
