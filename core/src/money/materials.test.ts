import { describe, expect, it } from 'vitest'
import { takeBattery } from '../change/bank.ts'
import { setCircuit } from '../change/circuits.ts'
import { setPriced, takePrices } from '../change/work.ts'
import { copperDraw, larkspurBench, rowanForks } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { batteryParts, structuredCloneOf } from '../parts/shelf.ts'
import { systemOf } from '../system/systemOf.ts'
import { SHAPES } from '../system/testDesigns.ts'
import { workedCircuits } from '../system/work.ts'
import { said } from '../units/words.ts'
import { bill, billCells, pricedOf } from './bill.ts'
import { materialsOf, type Material } from './materials.ts'
import { partsOf } from './parts.ts'

const line = (design: Design, key: string): Material | undefined => materialsOf(design).find((each) => each.key === key)
const changed = (change: (design: Design) => void): Design => {
  const design = structuredCloneOf(larkspurBench())
  change(design)
  return design
}

/** What hangs on a system without being bought for it, or comes with something else. */
const NOT_BOUGHT = new Set(['branch', 'dc-branch', 'vehicle', 'sensor'])
const majors = (design: Design) =>
  new Set(
    partsOf(design).flatMap(({ key }) => [
      key,
      `strings:${key}`,
      `controller:${key}`,
      `source:${key}`,
      `pump:${key}`,
      ...(key === 'generator' ? ['backup'] : []),
    ]),
  )

describe.each(Object.entries(SHAPES))('the materials of %s', (_, make) => {
  const design = make()
  const system = systemOf(design)
  const circuits = workedCircuits(design, system)
  const list = materialsOf(design, system, circuits)

  it('have each piece of the system once, in a part or in a line of its own', () => {
    const parts = majors(design)
    for (const { id, kind } of system.nodes) {
      if (NOT_BOUGHT.has(kind)) continue
      const boxes = list.filter(({ nodes }) => nodes.includes(id))
      expect(boxes.length + (parts.has(id) ? 1 : 0), id).toBe(1)
    }
    expect(new Set(list.map(({ key }) => key)).size).toBe(list.length)
    for (const { inline } of circuits.map(({ circuit }) => circuit))
      for (const { id, builtIn } of inline)
        expect(list.filter(({ of }) => of.includes(id)).length, id).toBe(builtIn ? 0 : 1)
  })
  it('have each metre of conductor once, and a little more for what is cut off', () => {
    const wanted = circuits
      .filter(({ circuit, choice, conductor }) => !circuit.within && !choice.unused && conductor)
      .reduce((sum, { circuit, choice, conductor, groundSize }) => {
        const wires = circuit.wires * conductor!.parallel + (groundSize ? 1 : 0)
        return sum + wires * circuit.quantity * choice.oneWayM
      }, 0)
    const cables = list.filter(({ key }) => /^(cable|cord) /.test(key))
    const leads = system.leads.filter(({ size }) => size !== '')
    const inLeads = cables.reduce((sum, { net }) => sum + net, 0) - wanted
    expect(inLeads).toBeGreaterThanOrEqual(6 * leads.filter(({ id }) => !id.startsWith('bonded:')).length - 1e-6)
    for (const { net, quantity } of cables) {
      expect(quantity).toBeGreaterThanOrEqual(net * 1.1 - 1e-9)
      expect(quantity).toBeLessThan(net * 1.1 + 1)
      expect(Number.isInteger(quantity)).toBe(true)
    }
  })
  it('have a fuse, breaker or holder for each device that is not built in, as many as there are', () => {
    for (const { circuit, choice, device } of circuits) {
      if (!device || device.builtIn || choice.unused || circuit.within) continue
      const of = list.find(({ key, of: ids }) => key.startsWith(`${device.kind} `) && ids.includes(circuit.id))
      expect(of, circuit.id).toBeDefined()
      expect(of!.net).toBeGreaterThanOrEqual(circuit.device!.pieces ?? circuit.quantity)
    }
  })
  it('are told in words and sizes, each with a price', () => {
    for (const { what, quantity, unitPrice, key } of list) {
      expect(said(what)).not.toMatch(/NaN|undefined|mm2/)
      expect(quantity, key).toBeGreaterThan(0)
      if (!key.includes('special')) expect(unitPrice, key).toBeGreaterThan(0)
      expect(key.length).toBeLessThanOrEqual(120)
    }
  })
})

describe('a list by hand', () => {
  it('the line from the array: two conductors and a ground over its length, cut off ten in a hundred', () => {
    const design = changed((d) => {
      d.circuits = d.circuits.filter(({ id }) => id === 'array:array-1')
    })
    const { conductor, groundSize, choice } = workedCircuits(design).find(
      ({ circuit }) => circuit.id === 'array:array-1',
    )!
    expect(choice.oneWayM).toBe(60)
    const before = line(design, `cable ${conductor!.size}`)!.net
    const longer = setCircuit('array:array-1', { oneWayM: 70, size: conductor!.size })(design)
    expect(line(longer, `cable ${conductor!.size}`)!.net - before).toBeCloseTo(20, 9)
    const ground = line(
      setCircuit('array:array-1', { oneWayM: 60, size: conductor!.size })(design),
      `cable ${groundSize}`,
    )!
    expect(line(longer, `cable ${groundSize}`)!.net - ground.net).toBeCloseTo(10, 9)
  })
  it('follows a string at once: connectors, clamps, feet', () => {
    const more = changed((d) => void d.arrays[0].inParallel++)
    for (const key of ['connectors', 'mid-clamp', 'foot'])
      expect(line(more, key)!.net, key).toBeGreaterThan(line(larkspurBench(), key)!.net)
    expect(line(more, 'connectors')!.net).toBe(3)
  })
  it('what is not laid or built in wants nothing', () => {
    const bare = setCircuit('panel', { unused: true })(larkspurBench())
    expect(materialsOf(bare).some(({ of }) => of.includes('panel'))).toBe(false)
    const breaker = (design: Design) =>
      materialsOf(design).filter(({ key, of }) => /breaker/.test(key) && of.includes('panel'))
    expect(breaker(larkspurBench())).toHaveLength(1)
    expect(breaker(bare)).toEqual([])
    expect(breaker(setCircuit('panel', { builtIn: true })(larkspurBench()))).toEqual([])
  })
  it('a cord is bought as one', () => {
    const corded = setCircuit('backup', { laid: 'cord' })(larkspurBench())
    expect(materialsOf(corded).some(({ key, of }) => key.startsWith('cord ') && of.includes('backup'))).toBe(true)
  })
})

describe('the bill with its materials', () => {
  const priced = (design: Design, key: string, changes: object): Design => ({
    ...design,
    budget: {
      ...design.budget,
      priced: [...design.budget.priced, { ...pricedOf(design, key), ...changes }],
    },
  })
  it('sums each line to the cent', () => {
    const { rows, partsSum, total, tax, contingency, freight } = bill(rowanForks())
    for (const { sum } of rows) expect(Math.round(sum * 100) / 100).toBe(sum)
    expect(partsSum).toBeCloseTo(
      rows.reduce((all, { sum }) => all + sum, 0),
      6,
    )
    const { discount, labour } = rowanForks().budget
    expect(total).toBeCloseTo(partsSum - discount + tax + freight + labour + contingency, 6)
    expect(rows.some(({ group }) => group === 'safety')).toBe(true)
  })
  it('a quoted price takes the sample’s place, less its discount, with its own freight', () => {
    const design = larkspurBench()
    const row = bill(design).rows.find(({ key }) => key.startsWith('cable '))!
    expect(row.sample).toBe(true)
    const quoted = priced(design, row.key, { unitPrice: 2.35, discountPct: 10, freight: 12.5 })
    const now = bill(quoted).rows.find(({ key }) => key === row.key)!
    expect(now).toMatchObject({ sample: false, unitPrice: 2.35 })
    expect(now.sum).toBe(Math.round(row.quantity * 2.35 * 0.9 * 100) / 100)
    expect(bill(quoted).freight - bill(design).freight).toBeCloseTo(12.5, 9)
  })
  it('what is owned costs nothing, what comes later is summed by itself', () => {
    const design = larkspurBench()
    const row = bill(design).rows.find(({ key }) => key.startsWith('class-t'))!
    for (const status of ['owned', 'later'] as const) {
      const after = bill(priced(design, row.key, { status }))
      expect(bill(design).partsSum - after.partsSum).toBeCloseTo(row.sum, 6)
      expect(after.later > 0).toBe(status === 'later')
    }
  })
  it('tax on what is taxed, incentives on what counts for them', () => {
    const design = changed((d) =>
      Object.assign(d.budget, { taxPct: 10, incentivePct: 20, incentive: 100, contingencyPct: 0 }),
    )
    const { rows, incentives, tax, partsSum } = bill(design)
    expect(tax).toBeCloseTo((partsSum - design.budget.discount) * 0.1, 1)
    expect(incentives).toBeCloseTo((partsSum - design.budget.discount) * 1.1 * 0.2 + 100, 0)
    const [{ key, sum }] = rows
    expect(tax - bill(priced(design, key, { taxed: false })).tax).toBeCloseTo(sum * 0.1, 1)
    expect(incentives - bill(priced(design, key, { eligible: false })).incentives).toBeCloseTo(sum * 1.1 * 0.2, 1)
  })
  it('what was said of a part does not hold for another in its place; its price is that of its sheet', () => {
    const bench = larkspurBench()
    const quoted = takePrices([{ key: 'bank', unitPrice: 1111, quotedOn: '2027-01-05', leadDays: 40 }])(
      setPriced('bank', { discountPct: 10 })(bench),
    )
    const of = (design: Design) => bill(design).rows.find(({ key }) => key === 'bank')!
    expect(quoted.bank.part.price).toBe(1111)
    expect(of(quoted)).toMatchObject({ unitPrice: 1111, quotedOn: '2027-01-05', leadDays: 40, sum: 5999.4 })
    const other = batteryParts.find(({ id, chemistry }) => chemistry === 'lfp' && id !== bench.bank.part.id)!
    const taken = takeBattery(other)(quoted)
    expect(of(taken)).toMatchObject({ unitPrice: other.price, quotedOn: null, leadDays: null })
    expect(pricedOf(taken, 'bank').discountPct).toBe(0)
    // what is said of it now takes the old one's place
    const again = setPriced('bank', { discountPct: 5 })(taken)
    expect(again.budget.priced).toHaveLength(1)
    expect(of(again).sum).toBeCloseTo(of(taken).sum * 0.95, 2)
  })
  it('of an inherited place everything is there', () => {
    expect(bill(copperDraw()).partsSum).toBe(0)
  })
  it('is a table of cells with a head, a row a line', () => {
    const design = larkspurBench()
    const cells = billCells(design, bill(design))
    expect(cells).toHaveLength(bill(design).rows.length + 1)
    for (const row of cells) expect(row).toHaveLength(cells[0].length)
  })
})
