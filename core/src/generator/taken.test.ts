import { describe, expect, it } from 'vitest'
import { setField } from '../change/field.ts'
import { ownCharger, takeBackup, takeSet } from '../change/generator.ts'
import { setStacking, takeInverter } from '../change/inverter.ts'
import { derive } from '../derive/derive.ts'
import { copperDraw, gannetSkerry, larkspurBench } from '../design/samples.ts'
import type { Design, GeneratorOutput, GeneratorPart, Inverter } from '../document/types.ts'
import { generatorParts } from '../parts/shelf.ts'
import { findings } from '../rules/registry.ts'
import { suggestBank } from '../suggest/bank.ts'
import { suggestGenerator } from '../suggest/generator.ts'
import { systemOf } from '../system/systemOf.ts'
import { said } from '../units/words.ts'
import { WinterEngine } from '../winter/engine.ts'
import { backupPower } from './backup.ts'
import { takenShare } from './taken.ts'

const giving = (output: GeneratorOutput, make: () => Design = larkspurBench): Design => {
  const design = make()
  design.generator.part.output = output
  return design
}
const ofHz = (frequencyHz: GeneratorPart['frequencyHz']): Design => {
  const design = larkspurBench()
  design.generator.part.frequencyHz = frequencyHz
  return design
}
const joined = (topology: Inverter['part']['topology'], stacking: Inverter['stacking'], quantity: number): Inverter => {
  const { inverter } = larkspurBench()
  return { ...inverter, part: { ...inverter.part, topology }, stacking, quantity }
}

describe('what an inverter takes of a set', () => {
  it.each([
    ['single', 0, 1, 1, 0],
    ['split', 1, 0.5, 1, 0],
    ['three-phase', 0, 1 / 3, 1 / 3, 1],
    ['unknown', 1, 1, 1, 1],
  ] as const)('whose outlet is %s: split phase %s, 120 V %s, 230 V %s, three phases %s', (output, ...shares) => {
    const inverters = [
      joined('split-phase', 'parallel', 1),
      joined('single-120', 'parallel', 1),
      joined('single-230', 'parallel', 1),
      joined('single-230', 'three-phase', 3),
    ]
    expect(inverters.map((inverter) => takenShare({ ...giving(output), inverter }))).toEqual(shares)
    // two of 120 V joined to split phase are split phase
    expect(takenShare({ ...giving(output), inverter: joined('single-120', 'split-pair', 2) })).toBe(shares[0])
  })

  it.each([
    [240, 1],
    [208, 1],
    [120, 0],
    [400, 0],
  ])('of a cord of %s V at split phase: %s', (cordV, share) => {
    const { generator, inverter } = larkspurBench()
    expect(takenShare({ generator: { ...generator, kind: 'shore', cordV }, inverter })).toBe(share)
  })

  it('one of two windings gives half of its power, and the sheet says so', () => {
    const whole = backupPower(giving('single', copperDraw)).realW
    const half = giving('split', copperDraw)
    expect(backupPower(half).realW).toBeCloseTo(whole / 2, 9)
    const { value, terms } = derive(half).worked['generator.power']
    expect(value).toBeCloseTo(whole / 2, 9)
    expect(terms.at(-1)).toMatchObject({ value: 0.5 })
  })

  it.each([
    ['of one live wire', giving('single')],
    ['of 50 Hz behind an inverter of 60', ofHz(50)],
  ])('one %s is not there in the winter run', (_, design) => {
    const year = new WinterEngine().year(design, 7, 0)
    expect(year.generatorHours).toBe(0)
    expect(year.generatorWh).toBe(0)
    expect(year.shortHours.must).toBeGreaterThan(0)
  })

  it.each([
    ['unknown', 1],
    [60, 1],
    [50, 0],
  ] as const)('a set of %s Hz gives %s of itself to an inverter of 60', (frequencyHz, share) => {
    expect(takenShare(ofHz(frequencyHz))).toBe(share)
    const through = ofHz(frequencyHz)
    through.generator.adapted = true
    expect(takenShare(through)).toBe(1)
  })

  it('both what it gives and what is taken are told, with their hertz where those differ', () => {
    const told = (design: Design) =>
      findings({ design, derived: derive(design), winter: null })
        .filter(({ id }) => id === 'generator.output')
        .map(({ says }) => said(says).replace(/\s/g, ' '))
    expect(told(ofHz(50))).toEqual(['“Propane open-frame set 7 kW” makes 50 Hz, the inverter 60 Hz.'])
    const other = ofHz(50)
    other.generator.part.output = 'single'
    expect(told(other)).toEqual([
      '“Propane open-frame set 7 kW” gives 120 V alone at 50 Hz; the inverter takes 120/240 V at 60 Hz.',
    ])
    const through = ofHz(50)
    through.generator.adapted = true
    expect(told(through)).toEqual(['While “Propane open-frame set 7 kW” runs the house has 50 Hz instead of 60 Hz.'])
  })

  it.each([giving('single'), ofHz(50)])('a charger of its own takes any', (design) => {
    design.generator.charger = 'separate'
    expect(new WinterEngine().year(design, 7, 0).generatorHours).toBeGreaterThan(0)
  })
})

describe('another set', () => {
  it('is looked at anew', () => {
    const design = larkspurBench()
    design.generator.adapted = true
    const { part, adapted } = takeSet(generatorParts[0])(design).generator
    expect([part.id, adapted]).toEqual([generatorParts[0].id, false])
  })

  it('and so is one behind another service, not behind another inverter of the same', () => {
    const design = larkspurBench()
    design.generator.adapted = true
    const stays = takeInverter({ ...design.inverter.part, id: 'like', ratedW: 5000 })(design)
    expect(stays.generator.adapted).toBe(true)
    expect(takeInverter({ ...design.inverter.part, topology: 'single-120' })(design).generator.adapted).toBe(false)
    expect(takeInverter({ ...design.inverter.part, frequencyHz: 50 })(design).generator.adapted).toBe(false)
    const single = { ...copperDraw(), inverter: joined('single-120', 'parallel', 2) }
    single.generator.adapted = true
    expect(setStacking('split-pair')(single).generator.adapted).toBe(false)
  })

  it.each([
    ['generator.part.output', 'single', false],
    ['generator.part.frequencyHz', 50, false],
    ['inverter.part.topology', 'single-120', false],
    ['inverter.part.frequencyHz', 50, false],
    ['inverter.part.ratedW', 5000, true],
    ['generator.cordV', 120, true],
    ['generator.part.ratedW', 5000, true],
  ] as const)(
    'and so is the same one where %s is entered as %s, unless that makes no other',
    (path, value, adapted) => {
      const design = larkspurBench()
      design.generator.adapted = true
      expect(setField(path, value)(design).generator.adapted).toBe(adapted)
    },
  )

  it('and a cord in its place, and another outlet of a cord', () => {
    const design = larkspurBench()
    design.generator.adapted = true
    const onCord = takeBackup('shore')(design)
    expect(onCord.generator.adapted).toBe(false)
    const brought = setField('generator.adapted', true)(onCord)
    expect(brought.generator.adapted).toBe(true)
    expect(setField('generator.cordV', 120)(brought).generator.adapted).toBe(false)
  })

  it('and so is one behind the inverter that comes with a suggested bank', () => {
    const design = { ...copperDraw(), loads: larkspurBench().loads }
    Object.assign(design.generator, { present: true, charger: 'inverter', adapted: true })
    design.generator.part.output = 'single'
    const { inverter, generator } = suggestBank(design).design
    expect([design.inverter.part.topology, inverter.part.topology]).toEqual(['single-120', 'split-phase'])
    // what it gives is not taken there
    expect([generator.adapted, generator.charger]).toEqual([false, 'separate'])
  })

  it.each([
    ['a split-phase house', larkspurBench],
    ['a house of 230 V', gannetSkerry],
    ['a house of 120 V', copperDraw],
  ])('is suggested for %s only where the inverter takes all of it', (_, make) => {
    expect(takenShare(suggestGenerator(make()).design)).toBe(1)
  })

  it('of three phases where the house has them', () => {
    const design = { ...gannetSkerry(), inverter: joined('single-230', 'three-phase', 3) }
    const suggested = suggestGenerator(design)
    expect(suggested.design.generator.part.output).toBe('three-phase')
    expect(suggested.reasons.map((words) => said(words)).join(' ')).not.toMatch(/Infinity|NaN/)
  })
})

describe('a charger of its own', () => {
  it('draws no more than is planned of a small set', () => {
    const design = giving('single')
    design.generator.part.ratedW = 2000
    const mended = ownCharger(design)
    const { chargerAcW, acW } = backupPower(mended)
    expect(chargerAcW).toBeLessThanOrEqual(acW)
    expect(chargerAcW).toBeGreaterThan(0.9 * acW)
    expect(
      findings({ design: mended, derived: derive(mended), winter: null }).filter(
        ({ id }) => id === 'generator.carries',
      ),
    ).toEqual([])
  })

  it('is as large as suits the bank', () => {
    const design = giving('single')
    design.bank.part.maxChargeA = 4
    design.bank.inParallel = 2
    const [finding] = findings({ design, derived: derive(design), winter: null }).filter(
      ({ id }) => id === 'generator.output',
    )
    const mended = finding.remedy!.apply(design)
    expect(mended.generator.separateChargerA).toBeLessThanOrEqual(8)
    const told = findings({ design: mended, derived: derive(mended), winter: null })
    expect(told.map(({ id }) => id)).not.toContain('generator.charger-over-bank')
    expect(told.map(({ id }) => id)).not.toContain('generator.output')
  })

  it.each([
    ['single', 120, 1],
    ['split', 240, 2],
  ] as const)('has a cable for all the current of a set whose outlet is %s', (output, volts, poles) => {
    const design = ownCharger(giving(output))
    const cable = systemOf(design).circuits.find(({ id }) => id === 'backup')!
    expect(cable.volts).toBe(volts)
    expect(cable.workingA).toBeCloseTo(backupPower(design).realW / volts, 9)
    expect(cable.device!.poles).toBe(poles)
  })
})
