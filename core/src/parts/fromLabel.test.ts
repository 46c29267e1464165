import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import { invariantProblems } from '../design/invariants.ts'
import type { Chemistry } from '../document/types.ts'
import { backupPower } from '../generator/backup.ts'
import { derate, realWatts } from '../generator/power.ts'
import { partFromLabel } from './fromLabel.ts'
import { batteryParts, moduleParts } from './shelf.ts'

describe('a part from its label', () => {
  it.each(moduleParts)('$name: the power point is within a few per cent of its sheet', (sheet) => {
    const { ratedW, vocV, iscA, cells } = sheet
    const { part, estimated } = partFromLabel('module', { ratedW, vocV, iscA, cells })
    expect(part.vmpV / sheet.vmpV).toBeGreaterThan(0.95)
    expect(part.vmpV / sheet.vmpV).toBeLessThan(1.05)
    expect(Math.abs(part.vmpV * part.impA - ratedW) / ratedW).toBeLessThan(0.03)
    expect(estimated).toContain('vmpV')
    expect(estimated).not.toContain('ratedW')
  })

  it('what is said is kept, and what is made of it makes a sound module', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 160 }),
        fc.double({ min: 3, max: 18, noNaN: true }),
        fc.double({ min: 0.72, max: 0.79, noNaN: true }),
        (cells, iscA, fill) => {
          const vocV = cells * 0.63
          const ratedW = Math.round(vocV * iscA * fill)
          const { part, estimated } = partFromLabel('module', { vocV, iscA, ratedW, cells })
          expect([part.vocV, part.iscA, part.ratedW, part.cells]).toEqual([vocV, iscA, ratedW, cells])
          for (const key of estimated) expect(part).toHaveProperty(key)
          const design = larkspurBench()
          design.arrays[0].module = part
          expect(invariantProblems(design)).toEqual([])
        },
      ),
    )
  })

  it.each(batteryParts.filter(({ capacities }) => capacities.length > 1))(
    '$name: its limits and resistance are within a half of its sheet',
    (sheet) => {
      const { nominalV, chemistry } = sheet
      const ampHours = sheet.capacities.find(({ hours }) => hours === 20)!.ampHours
      const { part } = partFromLabel('battery', { nominalV, chemistry, ampHours })
      expect(part.capacities.find(({ hours }) => hours === 20)!.ampHours).toBeCloseTo(ampHours, 0)
      expect(part.resistanceMilliohm / sheet.resistanceMilliohm).toBeGreaterThan(0.5)
      expect(part.resistanceMilliohm / sheet.resistanceMilliohm).toBeLessThan(1.5)
    },
  )

  it('lithium is stated at one rate and keeps its cold limit', () => {
    const { part } = partFromLabel('battery', { nominalV: 51.2, chemistry: 'lfp', ampHours: 230 })
    expect(part.capacities).toEqual([{ hours: 5, ampHours: 230 }])
    expect(part.minChargeC).toBe(0)
    expect(part.maxDischargeA).toBeCloseTo(230, 0)
  })

  it('of an inverter nothing good is taken for granted that its label does not name', () => {
    const { part, estimated } = partFromLabel('inverter', { ratedW: 3000, bankV: 24 })
    expect([part.chargerA, part.transferA, part.searchW, part.controller]).toEqual([0, 0, null, null])
    expect(part.surgeW).toBeGreaterThanOrEqual(part.ratedW)
    expect(estimated).toContain('surgeW')
  })

  it.each([
    ['module', { vocV: 40 }, 'iscA is missing; the label of a module says vocV, iscA'],
    ['battery', { nominalV: 12, chemistry: 'agm' as Chemistry }, 'ampHours is missing'],
    ['inverter', { ratedW: 2000 }, 'bankV is missing'],
    ['controller', { outputA: 40 }, 'maxInputV is missing'],
    ['generator', {}, 'ratedW is missing'],
  ] as const)('a label of a %s that says too little is told what it lacks', (kind, said, problem) => {
    expect(() => partFromLabel(kind, said)).toThrow(problem)
  })
})

describe('a generator labelled on the fuel it is used with', () => {
  it('is not reduced for it again: 6,400 W on propane at sea level are 6,400 W', () => {
    const { part } = partFromLabel('generator', { ratedW: 6400, fuel: 'propane' })
    expect(realWatts(part, 0, 20)).toBe(6400)
    expect(realWatts({ ...part, ratedOn: 'petrol' }, 0, 20)).toBe(derate(6400, 0, 20, 'propane'))
    const design = larkspurBench()
    const before = backupPower(design).realW
    design.generator.part.ratedOn = 'own'
    expect(backupPower(design).realW).toBeCloseTo(before / 0.9, 6)
  })
})
