import { describe, expect, it } from 'vitest'
import { setField } from '../change/field.ts'
import { takeBackup } from '../change/generator.ts'
import { takeInverter } from '../change/inverter.ts'
import { derive } from '../derive/derive.ts'
import { larkspurBench, rowanForks } from '../design/samples.ts'
import type { Design, InverterPart } from '../document/types.ts'
import { structuredCloneOf } from '../parts/shelf.ts'
import { findings } from '../rules/registry.ts'
import { said } from '../units/words.ts'
import { bondingOf } from './bond.ts'
import { systemOf } from './systemOf.ts'

const withBond = (bond: InverterPart['bond'], change: (design: Design) => void = () => {}): Design => {
  const design = structuredCloneOf(larkspurBench())
  design.inverter.part.bond = bond
  change(design)
  return design
}
const told = (design: Design) =>
  findings({ design, derived: derive(design), winter: null }).filter(({ id }) => id === 'wiring.bond')
const modes = (design: Design) => Object.fromEntries(bondingOf(design).modes.map(({ mode, bonds }) => [mode, bonds]))

describe('where neutral and ground are joined', () => {
  it.each([
    ['an inverter that does not: in the panel', withBond('none'), 'panel'],
    ['one that always does: inside', withBond('fixed'), 'inverter'],
    ['one with a relay: inside', withBond('relay', (d) => void (d.generator.neutral = 'bonded')), 'inverter'],
    ['its own taken off: in the panel', withBond('fixed', (d) => void (d.house.inverterBondOff = true)), 'panel'],
    [
      'the grid beside one that does not: at its service',
      withBond('none', (d) => void (d.grid.present = true)),
      'grid',
    ],
    ['as somebody chose', withBond('none', (d) => Object.assign(d.house, { bypass: true, bond: 'bypass' })), 'bypass'],
  ])('%s', (_, design, place) => {
    expect(bondingOf(design).place).toBe(place)
    for (const [mode, bonds] of Object.entries(modes(design))) expect(bonds, mode).toHaveLength(1)
    expect(told(design).map(({ level }) => level)).toEqual(['sound'])
  })
  it('a relay lets go while a source with a bond of its own is passed on', () => {
    const { house } = rowanForks()
    expect(house.bond).toBe('')
    expect(modes(rowanForks())).toEqual({ inverter: ['inverter'], grid: ['grid'] })
  })

  const WRONG: [string, Design, string][] = [
    [
      'a set with a bond of its own beside the panel’s',
      withBond('none', (d) => void (d.generator.neutral = 'bonded')),
      'twice',
    ],
    ['a bond always inside and one in the panel', withBond('fixed', (d) => void (d.house.bond = 'panel')), 'twice'],
    ['a bond always inside, and the grid’s', withBond('fixed', (d) => void (d.grid.present = true)), 'twice'],
    ['a relay that lets go for a set that floats', withBond('relay'), 'nowhere'],
    [
      'a bond in a changeover that has nothing to change over to',
      takeBackup('none')(withBond('none', (d) => Object.assign(d.house, { bypass: true, bond: 'bypass' }))),
      'nowhere',
    ],
    ['a bond in a changeover that is not there', withBond('none', (d) => void (d.house.bond = 'bypass')), 'nowhere'],
    [
      'a changeover past an inverter that has the one bond',
      withBond('fixed', (d) => void (d.house.bypass = true)),
      'nowhere',
    ],
  ]
  it.each(WRONG)('%s is a stop, and its remedy clears it', (_, design, how) => {
    const [found] = told(design)
    expect(found.level).toBe('stop')
    expect(said(found.says)).toContain(how)
    expect(told(found.remedy!.apply(design)).map(({ level }) => level)).toEqual(['sound'])
  })
  it('of a set nobody has looked at it is asked, and nothing is claimed', () => {
    for (const bond of ['none', 'relay'] as const) {
      const design = withBond(bond, (d) => void (d.generator.neutral = 'unknown'))
      expect(told(design).map(({ level }) => level)).toEqual(['open'])
    }
    // what charges the bank alone feeds no house
    const apart = withBond('none', (d) => Object.assign(d.generator, { neutral: 'unknown', charger: 'separate' }))
    expect(told(apart).map(({ level }) => level)).toEqual(['sound'])
  })
  it('on shore an inverter of which nobody knows whether it parts its neutral is worth a look', () => {
    expect(told(takeBackup('shore')(withBond('none'))).map(({ level }) => level)).toEqual(['watch'])
  })
  it('the drawing has it where it is', () => {
    const at = (design: Design) => systemOf(design).leads.find(({ id }) => id === 'bond')!.from
    expect(at(withBond('none'))).toBe('panel')
    expect(at(withBond('fixed'))).toBe('inverter')
    expect(at(withBond('none', (d) => void (d.grid.present = true)))).toBe('grid')
    expect(at(withBond('none', (d) => Object.assign(d.house, { bypass: true, bond: 'bypass' })))).toBe('bypass')
    // no changeover to have it in
    expect(at(setField('house.bond', 'bypass')(withBond('none')))).toBe('panel')
    expect(at(takeInverter(withBond('fixed').inverter.part)(larkspurBench()))).toBe('inverter')
  })
})
