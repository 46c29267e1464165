import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { larkspurBench, larkspurMoreSun } from '../design/samples.ts'
import type { Design, PricedItem } from '../document/types.ts'
import { SHAPES } from '../system/testDesigns.ts'
import { bill, pricedOf } from './bill.ts'
import { materialsOf } from './materials.ts'
import { partsOf } from './parts.ts'
import { atPhase, phasesOf } from './phases.ts'
import { costStack } from './stack.ts'

const later = (design: Design, changes: Record<string, Partial<PricedItem>>, phases: string[] = []): Design => ({
  ...design,
  budget: {
    ...design.budget,
    phases: phases.map((id) => ({ id, name: id, buyOn: null })),
    priced: Object.entries(changes).map(([key, change]) => ({ ...pricedOf(design, key), status: 'later', ...change })),
  },
})

describe('phases', () => {
  it('are one where nothing comes later, two where something does, and those that are named', () => {
    const bench = larkspurBench()
    expect(phasesOf(bench).map(({ id }) => id)).toEqual(['now'])
    expect(phasesOf(later(bench, { bank: {} })).map(({ id }) => id)).toEqual(['now', 'later'])
    expect(phasesOf(later(bench, {}, ['a', 'b'])).map(({ id }) => id)).toEqual(['now', 'a', 'b'])
  })

  it('leave out whole strings, and what hangs on a controller that comes later', () => {
    const { bank, arrays } = larkspurBench()
    const fewer = atPhase(later(larkspurBench(), { bank: { laterCount: 3 * bank.inSeries } }), 0)!
    expect(fewer.bank.inParallel).toBe(bank.inParallel - 3)
    const half = atPhase(later(larkspurBench(), { [arrays[0].id]: { laterCount: 1 } }), 0)!
    // one module less breaks its string
    expect(half.arrays[0].inParallel).toBe(arrays[0].inParallel - 1)
    const { controllers } = larkspurMoreSun()
    const without = atPhase(later(larkspurMoreSun(), { [controllers[1].id]: {} }), 0)!
    expect(without.arrays).toHaveLength(1)
    expect(without.circuits.every(({ id }) => !id.includes('array-2'))).toBe(true)
    expect(atPhase(later(larkspurBench(), { generator: {} }), 0)!.generator.present).toBe(false)
  })

  it('without a bank there is no system yet', () => {
    const design = later(larkspurBench(), { bank: { phase: 'b' } }, ['a', 'b'])
    expect([0, 1].map((k) => atPhase(design, k))).toEqual([null, null])
    expect(atPhase(design, 2)).toBe(design)
    // what is bought before it has its own wire and rack all the same
    const { rows } = bill(design)
    expect(rows.find(({ key }) => key === 'rail')!.comes.slice(1)).toEqual([0, 0])
    expect(rows.some(({ key, comes }) => key.startsWith('cable ') && comes[0] > 0)).toBe(true)
  })

  it('bring their wire, boxes and racks with them, each metre once', () => {
    const design = larkspurMoreSun()
    const { rows, phases } = bill(design)
    const whole = new Map(materialsOf(design).map(({ key, quantity }) => [key, quantity]))
    for (const { key, comes } of rows.filter(({ step }) => step === 'wiring'))
      expect(comes.reduce((sum, count) => sum + count, 0)).toBe(whole.get(key))
    const rail = rows.find(({ key }) => key === 'rail')!
    expect(rail.comes[1]).toBeGreaterThan(0)
    expect(rail.comes[0]).toBeGreaterThan(rail.comes[1])
    expect(rows.find(({ key }) => key === 'ground-bar')!.comes).toEqual([1, 0])
    expect(phases).toHaveLength(2)
  })

  it('a kit that comes later brings what is in it', () => {
    const bench = later(larkspurBench(), { 'kit-1': {} })
    bench.budget.kits = [{ id: 'kit-1', name: 'Kit', price: 900, of: [{ key: 'generator', quantity: 1 }] }]
    expect(atPhase(bench, 0)!.generator.present).toBe(false)
    expect(bill(bench).phases[1].sum).toBeGreaterThan(900)
    expect(bill(bench).rows.find(({ key }) => key === 'generator')).toMatchObject({ inKit: 1, sum: 0, comes: [0, 0] })
  })

  it('property: over many designs and choices all that is bought comes once, and sums fall and rise with it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(SHAPES)),
        fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })),
        (shape, stream) => {
          const design = shape()
          const any = () => stream.next().value as number
          const lines = partsOf(design)
          const choices = Object.fromEntries(
            lines
              .filter(() => any() < 0.4)
              .map(({ key, quantity }) => [
                key,
                { laterCount: any() < 0.5 ? null : Math.ceil(any() * quantity), phase: any() < 0.5 ? 'a' : 'b' },
              ]),
          )
          const phased = later(design, choices, ['a', 'b'])
          const plain = bill({ ...phased, budget: { ...phased.budget, priced: [] } })
          const found = bill(phased)
          expect(found.rows.map(({ key, quantity }) => [key, quantity])).toEqual(
            plain.rows.map(({ key, quantity }) => [key, quantity]),
          )
          const off = found.rows.filter(
            ({ comes, quantity, owned, status }) =>
              Math.abs(comes.reduce((sum, count) => sum + count, 0) - (status === 'owned' ? 0 : quantity - owned)) >
                1e-9 || comes.some((count) => count < 0),
          )
          expect(off).toEqual([])
          for (const [k, { sum }] of found.phases.entries()) {
            const stacked = costStack(phased, found).reduce((total, { sums }) => total + sums[k], 0)
            expect(stacked).toBeCloseTo(sum, 6)
          }
        },
      ),
      { numRuns: 40 },
    )
  })
})

describe('kits', () => {
  it('a material that comes in part in a kit is bought with its phases for the rest', () => {
    const design = larkspurMoreSun()
    const rail = bill(design).rows.find(({ key }) => key === 'rail')!
    design.budget.kits = [{ id: 'kit-1', name: 'Kit', price: 50, of: [{ key: 'rail', quantity: 10 }] }]
    const now = bill(design).rows.find(({ key }) => key === 'rail')!
    expect(now.comes).toEqual([rail.comes[0] - 10, rail.comes[1]])
  })

  const withKit = (quantity: number): Design => {
    const design = larkspurBench()
    design.budget.kits = [{ id: 'kit-1', name: 'Kit', price: 5000, of: [{ key: 'bank', quantity }] }]
    return design
  }
  it('take the place of what is in them; what is beyond is bought by itself', () => {
    const apart = bill(larkspurBench()).rows.find(({ key }) => key === 'bank')!
    const row = bill(withKit(4)).rows.find(({ key }) => key === 'bank')!
    expect(row).toMatchObject({ inKit: 4, kit: 'kit-1', unitPrice: apart.unitPrice, sum: 2 * apart.unitPrice })
    expect(bill(withKit(4)).partsSum - bill(larkspurBench()).partsSum).toBeCloseTo(5000 - 4 * apart.unitPrice, 6)
  })
  it('never give more than the design takes', () => {
    expect(bill(withKit(40)).rows.find(({ key }) => key === 'bank')).toMatchObject({ inKit: 6, sum: 0 })
  })
})
