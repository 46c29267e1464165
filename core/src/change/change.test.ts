import { describe, expect, it } from 'vitest'
import { gannetSkerry, larkspurBench, larkspurFlooded } from '../design/samples.ts'
import { batteryParts, partById } from '../parts/shelf.ts'
import { addArray, removeController, takeLayout, tiltBy } from './array.ts'
import { markUnit, swapUnits, takeBattery, takeChemistry, takeVoltage, voltagesFor } from './bank.ts'
import { inOrder } from './change.ts'
import { addTo, moveIn, removeFrom, setField, valueAt } from './field.ts'
import { takeBackup } from './generator.ts'
import { setInverterCount } from './inverter.ts'
import { copyLoads, setBasis, setHourWeight } from './loads.ts'
import { setTaskDone } from './work.ts'

describe('a place in a document', () => {
  const design = larkspurBench()

  it('is read and put, list items by index; what was given and what lies beside it stays the same', () => {
    const before = JSON.stringify(design)
    const next = inOrder(setField('loads.2.runningW', 77), setField('generator.chargeLimitA', null))(design)
    expect(valueAt(next, 'loads.2.runningW')).toBe(77)
    expect(valueAt(next, 'generator.chargeLimitA')).toBeNull()
    expect(JSON.stringify(design)).toBe(before)
    expect(next.loads[1]).toBe(design.loads[1])
    expect(next.place).toBe(design.place)
  })

  it('that is not there reads as nothing and cannot be put', () => {
    expect(valueAt(design, 'loads.99.name')).toBeUndefined()
    expect(() => setField('loads.99.name', 'x')(design)).toThrow(RangeError)
  })

  it('that is a list is added to, taken from and put in another order', () => {
    const ids = (d: typeof design) => d.loads.map(({ id }) => id)
    const [first, second, third] = ids(design)
    expect(ids(moveIn('loads', 0, 2)(design)).slice(0, 3)).toEqual([second, third, first])
    expect(ids(moveIn('loads', 2, 0)(design)).slice(0, 3)).toEqual([third, first, second])
    expect(ids(moveIn('loads', 0, 99)(design))).toEqual(ids(design))
    expect(ids(removeFrom('loads', 1)(design)).slice(0, 2)).toEqual([first, third])
    expect(addTo('household.away', 1, 2)(design).household.away.slice(-2)).toEqual([1, 2])
  })
})

describe('other units', () => {
  it('of lead bring levels a generator can run by, whatever it was set to', () => {
    const late = setField(
      'generator.startStateOfCharge',
      0.85,
    )(setField('generator.stopStateOfCharge', 0.95)(larkspurBench()))
    const { generator, bank } = takeChemistry('flooded')(late)
    expect(bank.part.chemistry).toBe('flooded')
    expect(generator.startStateOfCharge).toBeLessThan(generator.stopStateOfCharge)
    expect(generator.fullChargeEveryDays).toBe(14)
    expect(takeChemistry('lfp')(takeChemistry('flooded')(late)).generator.fullChargeEveryDays).toBeNull()
  })

  it('are new: none of them has aged, and they stand in order', () => {
    const aged = inOrder(markUnit(24, 0.6, 2), swapUnits(1, 2))(larkspurFlooded())
    expect(aged.bank.weak).toHaveLength(1)
    const { weak, order, absorbV } = takeChemistry('lfp')(aged).bank
    expect({ weak, order, absorbV }).toEqual({ weak: [], order: [], absorbV: null })
  })

  it('that make another voltage bring it, with an inverter made for it', () => {
    const part = partById(batteryParts, 'lfp-51-280')
    const next = takeBattery(part)(takeVoltage(24)(larkspurBench()))
    expect([next.bank.systemV, next.bank.inSeries, next.inverter.part.bankV]).toEqual([48, 1, 48])
    expect(next.generator.startV).toBe(48)
  })

  it('of every voltage come with an inverter of the same kind from the shelf', () => {
    const european = gannetSkerry()
    expect(european.inverter.part.topology).toBe('single-230')
    expect(voltagesFor(european)).toEqual([48, 24, 12])
    expect(takeVoltage(12)(european).inverter.part.topology).toBe('single-230')
    expect(voltagesFor(larkspurBench())).toEqual([48, 24, 12])
  })

  it('bring the nearest voltage they make', () => {
    const small = takeVoltage(12)(larkspurBench())
    expect(small.bank.systemV).toBe(12)
    expect(takeBattery(partById(batteryParts, 'lfp-25-200'))(small).bank.systemV).toBe(24)
  })

  it('that no bank can be made of are left for the reader to see', () => {
    const odd = { ...partById(batteryParts, 'agm-12-200'), nominalV: 7 }
    expect(takeBattery(odd)(larkspurBench()).bank.systemV).toBe(larkspurBench().bank.systemV)
  })

  it('change places and are marked and taken back', () => {
    const design = larkspurFlooded()
    expect(swapUnits(2, 5)(swapUnits(2, 5)(design)).bank.order[1]).toBe(2)
    expect(markUnit(3, 1, 1)(markUnit(3, 0.7, 1)(design)).bank.weak).toEqual(design.bank.weak)
  })
})

describe('arrays and controllers', () => {
  it('one array is tilted and no other', () => {
    const two = addArray(larkspurBench())
    const next = tiltBy(0, 15)(two)
    expect(next.arrays[0].tiltDeg).toBe(Math.min(90, two.arrays[0].tiltDeg + 15))
    expect(next.arrays.slice(1)).toEqual(two.arrays.slice(1))
    expect(tiltBy(0, 200)(two).arrays[0].tiltDeg).toBe(90)
  })

  it('the last controller stays while there are arrays; those of another one move', () => {
    const design = larkspurBench()
    const one = { ...design, controllers: design.controllers.slice(0, 1) }
    const all = { ...one, arrays: one.arrays.map((array) => ({ ...array, controllerId: one.controllers[0].id })) }
    expect(removeController(0)(all)).toBe(all)
    const laidOut = takeLayout(0, {
      inSeries: 2,
      slots: [2, 2, 1].map((strings, controller) => ({ controller, tracker: 1, strings })),
    })(all)
    expect(laidOut.arrays.map(({ inParallel }) => inParallel).reduce((a, b) => a + b)).toBeGreaterThanOrEqual(5)
    const fewer = removeController(laidOut.controllers.length - 1)(laidOut)
    expect(fewer.arrays.every(({ controllerId }) => fewer.controllers.some(({ id }) => id === controllerId))).toBe(true)
  })
})

describe('what belongs together stays together', () => {
  it('a backup that was away comes with settings it can run by', () => {
    const away = larkspurBench()
    Object.assign(away.generator, {
      present: false,
      startStateOfCharge: 0.9,
      stopStateOfCharge: 0.2,
      minRunH: 9,
      maxRunH: 2,
    })
    Object.assign(away.generator, { quietFromH: 1, quietToH: 23, startBy: 'morning', morningH: 5 })
    const { generator } = takeBackup('generator')(away)
    expect(generator.startStateOfCharge).toBeLessThan(generator.stopStateOfCharge)
    expect(generator.minRunH).toBeLessThanOrEqual(generator.maxRunH)
    expect(generator.quietFromH).toBe(generator.quietToH)
    expect(takeBackup('vehicle')(away).generator.restDays).toBeGreaterThanOrEqual(1)
    expect(takeBackup('none')(generator ? { ...away, generator } : away).generator.present).toBe(false)
  })

  it('a count that cannot stand as it was joined is joined on one output, its loads on its legs', () => {
    const three = gannetSkerry()
    const next = setInverterCount(5)({
      ...three,
      inverter: { ...three.inverter, quantity: 3, stacking: 'three-phase' },
    })
    expect(next.inverter.stacking).toBe('parallel')
    expect(next.loads.every(({ leg }) => leg === 'A' || leg === 'DC')).toBe(true)
  })

  it('a basis brings what it needs and keeps what is there', () => {
    const design = larkspurBench()
    const [{ id }] = design.loads
    for (const basis of ['metered', 'cycle', 'month', 'rated'] as const) {
      const load = setBasis(id, basis)(design).loads[0]
      expect(load.basis).toBe(basis)
    }
    const kept = setBasis(id, 'month')(setField('loads.0.monthKWh', 3)(design)).loads[0]
    expect(kept.monthKWh).toBe(3)
  })

  it('the last hour of a day that is used stays', () => {
    const design = larkspurBench()
    const [{ id }] = design.loads
    const one = setField(
      'loads.0.hourShape',
      Array.from({ length: 24 }, (_, h) => (h === 7 ? 1 : 0)),
    )(design)
    expect(setHourWeight(id, 7, 0)(one).loads[0].hourShape[7]).toBe(1)
    expect(setHourWeight(id, 8, 2.26)(one).loads[0].hourShape[8]).toBe(2.3)
  })

  it('copies have ids of their own', () => {
    const design = larkspurBench()
    const all = copyLoads(new Set(design.loads.map(({ id }) => id)))(design)
    expect(new Set(all.loads.map(({ id }) => id)).size).toBe(2 * design.loads.length)
  })

  it('a task is done once', () => {
    const twice = setTaskDone('vent', true)(setTaskDone('vent', true)(larkspurBench()))
    expect(twice.build.done.filter((id) => id === 'vent')).toHaveLength(1)
    expect(setTaskDone('vent', false)(twice).build.done).not.toContain('vent')
  })
})
