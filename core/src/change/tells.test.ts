import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import { inverterParts, partById } from '../parts/shelf.ts'
import { said } from '../units/words.ts'
import { takeVoltage } from './bank.ts'
import { setField } from './field.ts'
import { takeInverter } from './inverter.ts'
import { changesBeside } from './tells.ts'

const design = larkspurBench()
const told = (after: typeof design) => changesBeside(design, after).map((each) => said(each))

describe('what an edit changes beside what it is asked for', () => {
  it('another voltage: units, inverter and start volts', () => {
    const beside = told(takeVoltage(24)(design))
    expect(beside[0]).toMatch(/^the bank: 1 × 6 of “LFP 51.2 V 100 Ah rack unit” becomes \d × \d of “LFP/)
    expect(beside[1]).toBe('the inverter: 1 × “Split-phase 6 kW, 48 V” becomes 1 × “Split-phase 4 kW, 24 V”')
    expect(beside.at(-1)).toMatch(/^start volts of the backup: .* V become .* V$/)
  })
  it('an all-in-one: the controllers too', () => {
    const after = takeInverter(partById(inverterParts, 'all-12k-48'))(design)
    expect(told(after).some((each) => each.startsWith('the controllers: Tracking 450 V'))).toBe(true)
  })
  it('nothing where nothing else moves', () => {
    expect(told(setField('place.elevationM', 10)(design))).toEqual([])
  })
})

describe('an inverter for another voltage', () => {
  it('gives what the old one gave, where there is such a one', () => {
    const split = takeInverter(partById(inverterParts, 'split-4k-24'))(takeVoltage(24)(design))
    expect(takeVoltage(48)(split).inverter.part.topology).toBe('split-phase')
  })
})
