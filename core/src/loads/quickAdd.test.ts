import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addWritten } from '../change/loads.ts'
import { larkspurBench } from '../design/samples.ts'
import { invariantProblems } from '../design/invariants.ts'
import { derive } from '../derive/derive.ts'
import { findings } from '../rules/registry.ts'
import { said } from '../units/words.ts'
import { APPLIANCES } from './appliances.ts'
import { appliancesCalled, loadOfWritten, loadsWritten } from './quickAdd.ts'

describe('appliances by what people call them', () => {
  it.each([
    ['fridge', 'Refrigerator'],
    ['Refrigerator', 'Refrigerator'],
    ['tv', 'Television'],
    ['TVs', 'Television'],
    ['wifi', 'Modem and router'],
    ['bulbs', 'LED bulb'],
    ['kettle', 'Electric kettle'],
    ['well', 'Submersible well pump'],
    ['wash', 'Washing machine'],
    ['heat pump', 'Small heat pump'],
    ['cpap', 'Breathing machine at night'],
    ['dishwasher', 'Dishwasher, no heater'],
    ['dish', 'Satellite internet dish'],
    ['saw', 'Table saw'],
  ])('%s is %s', (query, name) => {
    expect(appliancesCalled(query)[0]?.name).toBe(name)
  })
  it('every one goes first by its own name', () => {
    for (const { name } of APPLIANCES) expect(appliancesCalled(name)[0].name).toBe(name)
  })
  it.each(['', '  ', 'quern', '???'])('%j is none', (query) => {
    expect(appliancesCalled(query)).toEqual([])
  })
})

describe('loads written in a line', () => {
  it.each([
    [
      'fridge, 6 bulbs, laptop 45W 3h',
      [
        ['fridge', 1],
        ['bulbs', 6],
        ['laptop', 1, 45, 3],
      ],
    ],
    [
      '2x tv 90 W; kettle 1.5 kW 10 min',
      [
        ['tv', 2],
        ['kettle', 1],
      ],
    ],
    ['pump 1,1 kW, 0,5h', [['pump', 1, 1100]]],
    ['lamp x4 7,5 W', [['lamp', 4, 7.5]]],
    ['heater 2kW 3 hours a day', [['heater', 1, 2000, 3]]],
    ['3 phase motor', [['phase motor', 3]]],
  ] as [string, [string, number, number?, number?][]][])('%s', (line, expected) => {
    const read = loadsWritten(line)
    expected.forEach(([name, quantity, watts, hours], i) => {
      expect(read[i]).toMatchObject({ name, quantity })
      if (watts !== undefined) expect(read[i].runningW).toBeCloseTo(watts, 6)
      if (hours !== undefined) expect(read[i].hoursPerDay).toBe(hours)
    })
  })
  it('whatever is typed becomes loads that a design takes', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme-ascii' }), (line) => {
        const design = addWritten(loadsWritten(line).map((written) => ({ written })))(larkspurBench())
        expect(invariantProblems(design)).toEqual([])
      }),
    )
  })
  it('keep what was said and take the rest from the shelf', () => {
    const [written] = loadsWritten('2 laptops 65 W 4h')
    expect(loadOfWritten(written, 'load-9')).toMatchObject({
      name: 'Laptop',
      quantity: 2,
      runningW: 65,
      hoursPerDay: 4,
      duty: 1,
      room: 'House',
    })
  })
  it('that nothing on the shelf is called are blank and asked about, until they have watts', () => {
    const design = addWritten([{ written: { name: 'grain quern', quantity: 1 } }])(larkspurBench())
    const told = (of = design) =>
      findings({ design: of, derived: derive(of), winter: null })
        .filter(({ id }) => id === 'loads.blank')
        .map(({ level, says }) => `${level}: ${said(says)}`)
    expect(told()).toEqual(['open: Grain quern has no watts yet.'])
    const last = design.loads.length - 1
    const given = { ...design, loads: design.loads.map((each, i) => (i === last ? { ...each, runningW: 300 } : each)) }
    expect(told(given)).toEqual([])
  })
})
