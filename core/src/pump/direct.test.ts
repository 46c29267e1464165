import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { gannetSkerry, larkspurBench } from '../design/samples.ts'
import { addPump, removePump, wantWater } from '../change/pumps.ts'
import { findings } from '../rules/registry.ts'
import { said } from '../units/words.ts'
import { litresPerHour, pumpLitres, PUMP_SYSTEM } from './direct.ts'

const pump = { headM: 30, startW: 60, ratedW: 400, efficiency: 0.4 }
const onModules = { ...pump, arrayW: 400, tiltDeg: 48, azimuthDeg: 180 }

describe('a pump on modules of its own', () => {
  it.each([
    // η P 3600 / (9.81 H), by hand
    [300, 1467.9],
    [60, 293.58],
    [59.9, 0],
    [0, 0],
    [400, 1957.19],
    [900, 1957.19],
  ])('lifts at %d W %d L an hour', (watts, litres) => {
    expect(litresPerHour(pump, watts)).toBeCloseTo(litres, 1)
  })
  it('half as high is twice the water', () => {
    fc.assert(
      fc.property(fc.double({ min: 60, max: 2000, noNaN: true }), (watts) => {
        expect(litresPerHour({ ...pump, headM: 15 }, watts)).toBeCloseTo(2 * litresPerHour(pump, watts), 6)
      }),
    )
  })
  it('with no threshold and no limit brings what the sun hours of its plane say', () => {
    const design = larkspurBench()
    const { sunHours } = derive({ ...design, arrays: [{ ...design.arrays[0], tiltDeg: 48, azimuthDeg: 180 }] })
      .arrays[0]
    const litres = pumpLitres(design, { ...onModules, startW: 0, ratedW: 50_000 })
    litres.forEach((each, month) =>
      expect(each).toBeCloseTo(litresPerHour({ ...pump, ratedW: 50_000 }, 400 * PUMP_SYSTEM) * sunHours[month], 3),
    )
  })
  it('loses dull hours to the watts it turns from, and noon to its rating', () => {
    const design = gannetSkerry()
    const free = pumpLitres(design, { ...onModules, startW: 0, ratedW: 50_000 })
    const late = pumpLitres(design, { ...onModules, startW: 120, ratedW: 50_000 })
    const small = pumpLitres(design, { ...onModules, startW: 0, ratedW: 150 })
    free.forEach((each, month) => {
      expect(late[month]).toBeLessThan(each)
      expect(small[month]).toBeLessThanOrEqual(each + 1e-9)
    })
  })
  it('asks nothing of the bank, costs its price, and is told of where it brings too little', () => {
    const before = larkspurBench()
    const design = addPump(before)
    design.pumps[0].price = 900
    const [was, now] = [derive(before), derive(design)]
    expect(now.batteryWh).toEqual(was.batteryWh)
    const major = ({ bill }: typeof now) =>
      bill.rows.reduce((sum, row) => sum + (row.group === 'major' ? row.sum : 0), 0)
    expect(major(now) - major(was)).toBe(900)
    const told = (wanted: number) => {
      const asked = wantWater(0, wanted)(design)
      const [found] = findings({ design: asked, derived: derive(asked), winter: null }).filter(
        ({ id }) => id === 'loads.pump-water',
      )
      return { level: found.level, says: said(found.says) }
    }
    expect(told(100).level).toBe('sound')
    expect(told(5000)).toMatchObject({ level: 'watch' })
    expect(told(5000).says).toMatch(/ a day in Dec, \d+ % of what is wanted; \d+ months are short/)
    expect(removePump(0)(design).pumps).toEqual([])
  })
})
